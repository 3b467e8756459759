/** A place in a measuring plane: x to the right, y down as in a picture, mm. */
export type Point = readonly [x: number, y: number]
