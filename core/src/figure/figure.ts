// The figure as one thing: baked once, dressed for every set of lengths, painted at any place of a picture.
import { inRange } from '../error'
import { randomFrom } from '../stats'
import { HAIR_LENGTH_LIMITS_MM } from '../units'
import { skeletonOf, type BodyType } from './body'
import { coatTable, dressCoat, type CoatTable } from './coat'
import { coresOf, DRAWN_REGIONS, REGION_INDEX, type DrawnRegion, type Lengths } from './coat-map'
import { departures, type Departure } from './departure'
import { browWedge, paintBrow, paintEarShadow, paintFace, paintToes } from './face'
import { gridLayers, type GriddedLayer, type Ramps } from './grid'
import { layerRing, paintBase, paintStrokes, type Raster, type View } from './raster'
import { shadeLayers } from './relief'
import { plantRoots, type RootPlan } from './roots'
import { paintPolygon } from './soft'
import { buildSkin, type Layer, type Skin } from './skin'
import { newStrokes, resolveStrokes, STRAIGHT, type Strokes } from './strokes'
import { regionShapes, type RegionShape } from './touch'

export type Colouring = {
  readonly ramps: Readonly<Record<string, readonly string[]>>
  readonly base: string
  readonly marks: Readonly<Partial<Record<string, string>>>
}

/** Body, size, colours and the plan's lengths; the same spec always gives the same picture. */
export type FigureSpec = {
  readonly body: BodyType
  readonly withersMm: number
  readonly colouring: Colouring
  readonly lengths: Lengths
  readonly pxPerMm: number
  readonly budget: number
}

/**
 * A baked figure. It owns large typed arrays and changes them when it is dressed (copying 10 MB for every move of a
 * slider would cost more than drawing); nothing outside may hold on to them.
 */
export type Figure = {
  readonly spec: FigureSpec
  readonly skin: Skin
  /** the filled shape at once, without light and hair */
  readonly paintSilhouette: (raster: Raster, view: View) => void
  /** the dog hair by hair */
  readonly paint: (raster: Raster, view: View) => void
  readonly dress: (lengths: Lengths) => void
  /** the regions of the near side as they are seen and touched */
  readonly shapes: () => readonly RegionShape[]
  /** hairs from the planned outline to the present one, about every `everyMm` */
  readonly departuresFrom: (planned: Lengths, everyMm: number) => readonly Departure[]
}

/** Sliders reach this far beyond the plan; roots are planted for it, so that nothing is replanted while one moves. */
const SLIDER = Object.freeze({ shortestShare: 0.35, longestShare: 1.9, longestAtLeastMm: 20 })
const SEED = 7
const SWEEPS = 12

type Hair = { readonly planted: RootPlan; readonly strokes: ReadonlyMap<GriddedLayer, Strokes> }

/**
 * Makes a figure. What is slow is done when it is first needed: the silhouette needs the skin alone, the picture needs
 * grids and roots, once per body, colour, size and scale. Refuses lengths outside 0 to 300 mm, withers outside 150 to 900.
 */
export function bakeFigure(spec: FigureSpec): Figure {
  checkLengths(spec.lengths)
  inRange('withersMm', spec.withersMm, 150, 900, 'mm')
  const skin = buildSkin(spec.body, spec.withersMm)
  const ramps = rampsOf(spec.colouring)
  const plan = coatTable(spec.lengths)
  const widest = once(() => widestCoats(skin, plan))
  let present = spec.lengths
  let table = plan
  dressCoat(skin, plan)
  let shaded = false
  let resolved = false
  const layers = once(() => {
    const reach = widest()
    dressCoat(skin, plan)
    const baked = bakeLayers(skin, spec, ramps, reach)
    dressCoat(skin, table)
    return baked
  })
  const hair = once((): Hair => {
    const all = layers()
    // roots are placed in the plan's coat, whatever is worn: the picture must not depend on what was drawn first
    dressCoat(skin, plan)
    const planted = plantRoots(
      all,
      scaled(plan, SLIDER.shortestShare),
      widest(),
      { pxPerMm: spec.pxPerMm, budget: spec.budget },
      randomFrom(SEED)
    )
    dressCoat(skin, table)
    shaded = false
    return { planted, strokes: new Map(all.map((layer) => [layer, newStrokes(planted.roots.get(layer)!)])) }
  })
  const wear = () => {
    dressCoat(skin, table)
    shaded = false
    resolved = false
  }
  const shade = () => {
    const all = layers()
    if (shaded) return all
    shadeLayers(all, SWEEPS)
    shaded = true
    return all
  }
  return {
    spec,
    skin,
    dress: (lengths) => {
      if (DRAWN_REGIONS.every((region) => lengths[region] === present[region])) return
      checkLengths(lengths)
      present = lengths
      table = coatTable(lengths)
      // the layers are gridded in the plan's coat, before any other is worn
      layers()
      wear()
    },
    paintSilhouette: (raster, view) => paintSilhouette(raster, skin, ramps, view),
    paint: (raster, view) => {
      const { planted, strokes } = hair()
      const all = shade()
      if (!resolved) resolveAll(all, planted, table, skin, spec, strokes)
      resolved = true
      paintLayers(raster, all, strokes, skin, table, ramps, view)
    },
    shapes: () => regionShapes(shade(), browWedge(skin, table.length[REGION_INDEX.brow])),
    departuresFrom: (planned, everyMm) => departures(skin, planned, present, everyMm)
  }
}

function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null
  return () => (made ??= { value: make() }).value
}

function bakeLayers(skin: Skin, spec: FigureSpec, ramps: Ramps, widest: ReadonlyMap<string, Float32Array>): GriddedLayer[] {
  const layers = gridLayers(
    skin,
    coresOf(spec.body, skin.skeleton),
    ramps,
    new Map(skin.layers.map((layer) => [layer, widest.get(layer.name)!]))
  )
  shadeLayers(layers, SWEEPS)
  return layers
}

/** Which region's colour stands for a whole layer while hair is not drawn yet. */
const LAYER_COLOUR: Readonly<Record<Layer['name'], DrawnRegion>> = {
  farHind: 'rearPastern',
  farFore: 'foreleg',
  tail: 'tail',
  body: 'back',
  hind: 'thigh',
  fore: 'foreleg',
  head: 'skull',
  ear: 'earOutside'
}

function paintSilhouette(raster: Raster, skin: Skin, ramps: Ramps, view: View): void {
  for (const layer of skin.layers) {
    const colour = ramps[LAYER_COLOUR[layer.name]][layer.twin ? 1 : 2]
    for (const share of [0, 1]) paintPolygon(raster, layerRing(layer, share, view), colour, 1)
  }
}

function checkLengths(lengths: Lengths): void {
  for (const [region, value] of Object.entries(lengths))
    inRange(`lengths.${region}`, value, HAIR_LENGTH_LIMITS_MM.low, HAIR_LENGTH_LIMITS_MM.high, 'mm')
}

function rampsOf({ ramps, base, marks }: Colouring): Ramps {
  const rgb = (hex: string) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as unknown as readonly [number, number, number]
  return Object.fromEntries(DRAWN_REGIONS.map((region) => [region, ramps[marks[region] ?? base].map(rgb)])) as unknown as Ramps
}

function scaled(table: CoatTable, share: number): CoatTable {
  return { ...table, length: table.length.map((length) => length * share) }
}

function widestCoats(skin: Skin, plan: CoatTable): Map<string, Float32Array> {
  dressCoat(skin, { ...plan, length: plan.length.map((length) => Math.max(length * SLIDER.longestShare, SLIDER.longestAtLeastMm)) })
  return new Map(skin.layers.map((layer) => [layer.name, layer.V.slice()]))
}

function resolveAll(
  layers: readonly GriddedLayer[],
  { roots, widen }: RootPlan,
  table: CoatTable,
  skin: Skin,
  spec: FigureSpec,
  strokes: ReadonlyMap<GriddedLayer, Strokes>
): void {
  const view = { pxPerMm: spec.pxPerMm, widen, contrast: 1 - 0.18 * (widen - 1), heightMm: skin.skeleton.heightMm }
  for (const layer of layers) resolveStrokes(layer, roots.get(layer)!, table, STRAIGHT, view, strokes.get(layer)!)
}

const isLeg = ({ name }: Layer) => name === 'hind' || name === 'fore' || name === 'farHind' || name === 'farFore'

function paintLayers(
  raster: Raster,
  layers: readonly GriddedLayer[],
  strokes: ReadonlyMap<GriddedLayer, Strokes>,
  skin: Skin,
  table: CoatTable,
  ramps: Ramps,
  view: View
): void {
  for (const gridded of layers) {
    const { layer } = gridded
    if (layer.name === 'ear') paintEarShadow(raster, gridded, skin.skeleton.heightMm, view)
    paintBase(raster, gridded, view)
    paintStrokes(raster, gridded, strokes.get(gridded)!, view)
    if (isLeg(layer)) paintToes(raster, skin, layer, table, view)
    if (layer.name === 'head') paintFace(raster, skin, table, view)
  }
  paintBrow(raster, skin, table, ramps, view)
}

/** What a dog spans, mm (left, bottom, right, top), from its landmarks with room for a coat; needs no baking. */
export function extentOf(body: BodyType, withersMm: number): readonly [number, number, number, number] {
  const points = Object.values(skeletonOf(body, withersMm).marks)
  const xs = points.map(([x]) => x)
  const top = Math.max(...points.map(([, y]) => y))
  return [Math.min(...xs) - 0.07 * withersMm, -0.015 * withersMm, Math.max(...xs) + 0.08 * withersMm, top + 0.05 * withersMm]
}
