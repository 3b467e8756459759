declare module 'polylabel' {
  /** The place of a polygon that is farthest from its edge, with that distance. */
  export default function polylabel(
    polygon: readonly (readonly (readonly number[])[])[],
    precision?: number
  ): [number, number] & { readonly distance: number }
}
