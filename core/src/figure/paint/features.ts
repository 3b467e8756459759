// One layer with what belongs to it: base, hair, and the small features that lie on it. Then what lies over all.
import type { Coat, CoatTable, Worn } from '../coat'
import type { ViewSkin } from '../views'
import type { Palette } from './colour'
import { paintBrow, paintFace, paintFrontToes, paintNoseTip, paintToes } from './face'
import { paintFrontFace } from './face-front'
import type { GriddedLayer } from './grid'
import { layerRing, paintBase, paintStrokes, type Raster, type View } from './raster'
import { paintPolygon } from './soft'
import type { Strokes } from './strokes'

export type PaintPlan = {
  readonly skin: ViewSkin
  readonly coat: Coat
  readonly worn: Worn
  readonly table: CoatTable
  readonly palette: Palette
}

export function paintLayer(raster: Raster, gridded: GriddedLayer, strokes: Strokes, rimMm: number, plan: PaintPlan, view: View): void {
  const { layer } = gridded
  const { skin, table } = plan
  paintBase(raster, gridded, rimMm, view)
  paintStrokes(raster, gridded, strokes, view)
  if (skin.view === 'side') {
    if (layer.standsOnGround) paintToes(raster, skin, layer, table, view)
    if (layer.name === 'head') paintFace(raster, skin, table, view)
  }
  if (skin.view === 'front' && layer.standsOnGround) paintFrontToes(raster, skin, layer, table, view)
}

/** What lies over every layer: brows in the profile, the face from the front. */
export function paintOver(raster: Raster, plan: PaintPlan, view: View): void {
  const { skin, coat, table, palette } = plan
  if (skin.view === 'side') paintBrow(raster, skin, coat, table, palette.ramps.brow, view)
  if (skin.view === 'head' || skin.view === 'front') paintFrontFace(raster, plan, view)
  if (skin.noseAt) paintNoseTip(raster, skin, skin.noseAt, view)
}

/** The filled shape without light and hair. */
export function paintFlat(raster: Raster, skin: ViewSkin, palette: Palette, view: View): void {
  for (const layer of skin.layers) {
    const colour = palette.ramps[layer.face][layer.dim < 1 ? 1 : 2]
    for (const which of ['skin', 'coat'] as const) paintPolygon(raster, layerRing(layer, which, view), colour, 1)
  }
}
