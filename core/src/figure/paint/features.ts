// One layer with what belongs to it: base, hair, and the small features that lie on it. Then what lies over all.
import type { ViewSkin } from '../views'
import type { Palette } from './colour'
import { paintBrow, paintFace, paintFrontToes, paintNoseTip, paintToes } from './face'
import { frontFeatures } from './face-front'
import type { GriddedLayer } from './gridded'
import type { Feature, PaintPlan } from './paint-plan'
import { layerRing, paintBase, paintStrokes, type Raster, type View } from './raster'
import { paintPolygon } from './soft'
import type { Strokes } from './strokes'

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

/** What lies over every layer in paint order: brows in the profile, the face from the front, the nose from above. */
export function featuresOf(plan: PaintPlan): readonly Feature[] {
  const { skin, coat, table, palette } = plan
  const { head, heightMm } = skin.skeleton
  if (skin.view === 'side') {
    const depthMm = (skin.body.breadth.skull * head.lengthMm) / 2
    return [{ name: 'brow', depthMm, paint: (raster, view) => paintBrow(raster, skin, coat, table, palette.ramps.brow, view) }]
  }
  const { noseAt } = skin
  if (noseAt) {
    const depthMm = skin.skeleton.marks.noseTip[1] - heightMm
    return [{ name: 'nose', depthMm, paint: (raster, view) => paintNoseTip(raster, skin, noseAt, view) }]
  }
  return frontFeatures(plan)
}

/** The filled shape without light and hair. */
export function paintFlat(raster: Raster, skin: ViewSkin, palette: Palette, view: View): void {
  for (const layer of skin.layers) {
    const colour = palette.ramps[layer.face][layer.dim < 1 ? 1 : 2]!
    for (const which of ['skin', 'coat'] as const) paintPolygon(raster, layerRing(layer, which, view), colour, 1)
  }
}
