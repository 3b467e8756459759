// What is painted, and what lies over it.
import type { Coat, CoatTable, Worn } from '../coat'
import type { ViewSkin } from '../views'
import type { Palette } from './colour'
import type { Raster, View } from './raster'

export type PaintPlan = {
  readonly skin: ViewSkin
  readonly coat: Coat
  readonly worn: Worn
  readonly table: CoatTable
  readonly palette: Palette
}

/** Something that lies over every layer; `depthMm` toward the viewer, for a camera. */
export type Feature = { readonly name: string; readonly depthMm: number; readonly paint: (raster: Raster, view: View) => void }
