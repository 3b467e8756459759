/** A place in a measuring plane: x to the right, y down as in a picture, mm. */
export type PhotoPoint = readonly [x: number, y: number]
