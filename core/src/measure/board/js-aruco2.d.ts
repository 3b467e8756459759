declare module 'js-aruco2' {
  type Corner = { readonly x: number; readonly y: number }
  type Marker = { readonly id: number; readonly corners: readonly Corner[]; readonly hammingDistance: number }
  const library: {
    readonly AR: {
      readonly Dictionary: new (name: string) => { readonly codeList: readonly string[] }
      /** Corners are told clockwise from the marker's own upper left. */
      readonly Detector: new (config: { readonly dictionaryName: string; readonly maxHammingDistance: number }) => {
        detect(image: { readonly width: number; readonly height: number; readonly data: ArrayLike<number> }): Marker[]
      }
    }
  }
  export default library
}
