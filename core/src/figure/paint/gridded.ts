// A layer on a grid of cells: what is known of it once, and what changes with the coat.
import type { FigureLayer } from '../coat'

export type Grid = { readonly w: number; readonly h: number; readonly cell: number; readonly left: number; readonly top: number }

export type GriddedLayer = {
  readonly layer: FigureLayer
  readonly grid: Grid
  readonly hasInner: boolean
  readonly inside: Uint8Array
  readonly fade: Float32Array
  readonly fadeNormal: Float32Array
  readonly ids: Uint8Array
  readonly weights: Uint8Array
  readonly flow: Float32Array
  readonly mul: Float32Array
  /** five tones dark to light, each cells * 3 bytes */
  readonly tint: Uint8Array
  readonly skinNormal: Float32Array
  // dynamic
  readonly mask: Uint8Array
  readonly under: Uint8Array
  readonly u: Float32Array
  readonly start: Float32Array
  readonly z: Float32Array
  readonly lit: Float32Array
  readonly shade: Float32Array
  /** mm of hair that faults took at a cell */
  readonly dent: Float32Array
  shaded: boolean
}
