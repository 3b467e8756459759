// The figure as one thing: baked once, dressed for every set of lengths, painted at any place of a picture.
import { inRange } from '../error'
import { randomFrom } from '../stats'
import { HAIR_LENGTH_LIMITS_MM } from '../units'
import { skeletonOf, type BodyType } from './body'
import { coatTable, dressCoat, type CoatTable } from './coat'
import { coresOf, DRAWN_REGIONS, REGION_INDEX, type Lengths } from './coat-map'
import { departures, type Departure } from './departure'
import { browWedge, paintBrow, paintEarShadow, paintFace, paintToes } from './face'
import { gridLayers, type GriddedLayer, type Ramps } from './grid'
import { paintBase, paintStrokes, type Raster, type View } from './raster'
import { shadeLayers } from './relief'
import { plantRoots, type RootPlan } from './roots'
import { buildSkin, type Layer, type Skin } from './skin'
import { newStrokes, resolveStrokes, STRAIGHT, type Strokes } from './strokes'
import { regionShapes, type RegionShape } from './touch'
import type { Point } from './vec'

export type Colouring = { readonly ramps: Readonly<Record<string, readonly string[]>>; readonly base: string; readonly marks: Readonly<Partial<Record<string, string>>> }

/** Body, size, colours and the plan's lengths; the same spec always gives the same picture. */
export type FigureSpec = { readonly body: BodyType; readonly withersMm: number; readonly colouring: Colouring; readonly lengths: Lengths; readonly pxPerMm: number; readonly budget: number }

/**
 * A baked figure. It owns large typed arrays and changes them when it is dressed (copying 10 MB for every move of a
 * slider would cost more than drawing); nothing outside may hold on to them.
 */
export type Figure = {
  readonly spec: FigureSpec
  readonly skin: Skin
  /** the filled shape, the hair over it, or both */
  readonly paint: (raster: Raster, view: View, what: 'shape' | 'all') => void
  readonly dress: (lengths: Lengths) => void
  /** outline of the coat of the near side, mm, layer by layer */
  readonly coatRings: () => readonly (readonly Point[])[]
  /** the regions of the near side as they are seen and touched */
  readonly shapes: () => readonly RegionShape[]
  /** hairs from the planned outline to the present one, about every `everyMm` */
  readonly departuresFrom: (planned: Lengths, everyMm: number) => readonly Departure[]
  /** what the picture spans, mm: left, bottom, right, top, for the longest coat */
  readonly boundsMm: readonly [number, number, number, number]
}

/** Sliders reach this far beyond the plan; roots are planted for it, so that nothing is replanted while one moves. */
const SLIDER = Object.freeze({ shortestShare: 0.35, longestShare: 1.9, longestAtLeastMm: 20 })
const SEED = 7
const SWEEPS = 12

/** Bakes a figure: the slow part, once per body, colour, size and scale. Refuses lengths outside 0 to 300 mm. */
export function bakeFigure(spec: FigureSpec): Figure {
  checkLengths(spec.lengths)
  inRange('withersMm', spec.withersMm, 150, 900, 'mm')
  const skin = buildSkin(spec.body, spec.withersMm)
  const ramps = rampsOf(spec.colouring)
  const plan = coatTable(spec.lengths)
  const widest = widestCoats(skin, plan)
  dressCoat(skin, plan)
  const layers = gridLayers(skin, coresOf(spec.body, skin.skeleton), ramps, new Map(skin.layers.map((layer) => [layer, widest.get(layer.name)!])))
  const planted: RootPlan = plantRoots(layers, scaled(plan, SLIDER.shortestShare), widest, { pxPerMm: spec.pxPerMm, budget: spec.budget }, randomFrom(SEED))
  const strokes = new Map(layers.map((layer) => [layer, newStrokes(planted.roots.get(layer)!)]))
  shadeLayers(layers, SWEEPS)
  let table = plan
  let present = spec.lengths
  const state = { resolved: false }
  const dress = (lengths: Lengths) => {
    checkLengths(lengths)
    present = lengths
    table = coatTable(lengths)
    dressCoat(skin, table)
    shadeLayers(layers, SWEEPS)
    state.resolved = false
  }
  const paint = (raster: Raster, view: View, what: 'shape' | 'all') => {
    if (what === 'all' && !state.resolved) {
      resolveAll(layers, planted, table, skin, spec, strokes)
      state.resolved = true
    }
    paintLayers(raster, layers, strokes, skin, table, ramps, view, what)
  }
  return { spec, skin, paint, dress, coatRings: () => coatRings(skin), shapes: () => regionShapes(layers, browWedge(skin, table.length[REGION_INDEX.brow])), departuresFrom: (planned, everyMm) => departures(skin, planned, present, everyMm), boundsMm: boundsOf(skin, widest) }
}

function checkLengths(lengths: Lengths): void {
  for (const [region, value] of Object.entries(lengths)) inRange(`lengths.${region}`, value, HAIR_LENGTH_LIMITS_MM.low, HAIR_LENGTH_LIMITS_MM.high, 'mm')
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

function resolveAll(layers: readonly GriddedLayer[], { roots, widen }: RootPlan, table: CoatTable, skin: Skin, spec: FigureSpec, strokes: ReadonlyMap<GriddedLayer, Strokes>): void {
  const view = { pxPerMm: spec.pxPerMm, widen, contrast: 1 - 0.18 * (widen - 1), heightMm: skin.skeleton.heightMm }
  for (const layer of layers) resolveStrokes(layer, roots.get(layer)!, table, STRAIGHT, view, strokes.get(layer)!)
}

const isLeg = ({ name }: Layer) => name === 'hind' || name === 'fore' || name === 'farHind' || name === 'farFore'

function paintLayers(raster: Raster, layers: readonly GriddedLayer[], strokes: ReadonlyMap<GriddedLayer, Strokes>, skin: Skin, table: CoatTable, ramps: Ramps, view: View, what: 'shape' | 'all'): void {
  for (const gridded of layers) {
    const { layer } = gridded
    if (layer.name === 'ear') paintEarShadow(raster, gridded, skin.skeleton.heightMm, view)
    paintBase(raster, gridded, view)
    if (what === 'all') paintStrokes(raster, gridded, strokes.get(gridded)!, view)
    if (isLeg(layer)) paintToes(raster, skin, layer, table, view)
    if (layer.name === 'head') paintFace(raster, skin, table, view)
  }
  paintBrow(raster, skin, table, ramps, view)
}

function coatRings(skin: Skin): Point[][] {
  return skin.layers
    .filter((layer) => !layer.twin)
    .map((layer) => Array.from({ length: layer.samples }, (_, k): Point => [layer.P[2 * k] + layer.V[2 * k], layer.P[2 * k + 1] + layer.V[2 * k + 1]]))
}

function boundsOf(skin: Skin, widest: ReadonlyMap<string, Float32Array>): readonly [number, number, number, number] {
  let [left, bottom, right, top] = [Infinity, 0, -Infinity, -Infinity]
  for (const layer of skin.layers) {
    const V = widest.get(layer.name)!
    for (let k = 0; k < layer.samples; k++) {
      const x = layer.P[2 * k] + layer.dx + V[2 * k]
      const y = layer.P[2 * k + 1] + layer.dy + V[2 * k + 1]
      ;[left, right, bottom, top] = [Math.min(left, x), Math.max(right, x), Math.min(bottom, y), Math.max(top, y)]
    }
  }
  return [left, bottom, right, top]
}

/** What a dog spans, mm (left, bottom, right, top), from its landmarks with room for a coat; needs no baking. */
export function extentOf(body: BodyType, withersMm: number): readonly [number, number, number, number] {
  const points = Object.values(skeletonOf(body, withersMm).marks)
  const xs = points.map(([x]) => x)
  const top = Math.max(...points.map(([, y]) => y))
  return [Math.min(...xs) - 0.07 * withersMm, -0.015 * withersMm, Math.max(...xs) + 0.08 * withersMm, top + 0.05 * withersMm]
}
