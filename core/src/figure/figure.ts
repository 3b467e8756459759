// The figure as one thing: baked once, dressed for every coat it wears, painted at any place of a picture.
import { inRange } from '../error'
import { randomFrom } from '../stats'
import { skeletonOf, WITHERS_LIMITS_MM, type BodyType } from './body'
import {
  checkFaults,
  checkShapes,
  coatTable,
  dentAt,
  dentsOf,
  dressCoat,
  dressOf,
  TAIL_HIGH_MOST_MM,
  type Coat,
  type CoatTable,
  type Dent,
  type Fault,
  type Worn,
  type ViewId
} from './coat'
import {
  blend,
  cropped,
  featuresOf,
  gridLayers,
  newRaster,
  paintEarShadow,
  paintFlat,
  paintLayer,
  paletteOf,
  plantRoots,
  shadeLayers
} from './paint'
import type { Part, Colouring, GriddedLayer, PaintPlan, Raster, RootPlan, View } from './paint'
import { grownOut, newStrokes, resolveStrokes, STYLES } from './paint'
import { departures, regionShapes, rimOf, silhouetteOf, type Departure, type RimPlace, type RegionShape, type Silhouette } from './plate'
import { buildSkin, type ViewSkin } from './views'

/** Body, size, view, colours and the planned coat; the same spec always gives the same picture. */
export type FigureSpec = {
  readonly body: BodyType
  readonly withersMm: number
  readonly view: ViewId
  readonly colouring: Colouring
  readonly coat: Coat
  /** faults that change where regions end; others may come and go with what is worn */
  readonly faults?: readonly Fault[]
  readonly pxPerMm: number
  readonly budget: number
}

/**
 * A baked figure. It owns large typed arrays and changes them when it is dressed (copying 10 MB for every move of a
 * slider would cost more than drawing); nothing outside may hold on to them.
 */
export type Figure = {
  readonly spec: FigureSpec
  readonly skin: ViewSkin
  /** the filled shape at once, with eyes and nose, without light and hair */
  readonly paintSilhouette: (raster: Raster, view: View) => void
  /** the dog hair by hair; `every` above 1 draws only every so many hairs, for a picture while a hand moves */
  readonly paint: (raster: Raster, view: View, every?: number) => void
  /** the same picture as separate layers */
  readonly parts: (view: View, width: number, height: number) => readonly Part[]
  readonly dress: (worn: Worn) => void
  /** the coat's outline of every layer, mm, as worn */
  readonly outlines: () => readonly { readonly layer: string; readonly ring: readonly (readonly [number, number])[] }[]
  /** places of the outer coat as worn, with the skin under each, the region it belongs to and the depth of its layer */
  readonly rim: () => readonly RimPlace[]
  /** the outline of all layers together, traced on cells of `cellMm` */
  readonly silhouette: (cellMm: number) => Silhouette
  /** the regions of the near side as they are seen and touched */
  readonly shapes: () => readonly RegionShape[]
  /** hairs from the planned outline to the present one, about every `everyMm` */
  readonly departuresFrom: (everyMm: number) => readonly Departure[]
}

/** Sliders reach this far beyond the plan; roots are planted for it, so that nothing is replanted while one moves. */
const SLIDER = Object.freeze({ shortestShare: 0.35, longestShare: 1.9, longestAtLeastMm: 20 })
const SEED = 7
/** An outline is not followed more finely than this: a small picture is baked fast. */
const FINEST_PX = 0.8
const SWEEPS = 12

/** Faults that move the border of a region, so that the figure is baked with them. */
export function bakedFaults(faults: readonly Fault[] | undefined): readonly Fault[] {
  return (faults ?? []).filter(({ kind }) => kind === 'footLine' || kind === 'tiltedBand' || kind === 'softEdge')
}

/**
 * Makes a figure. What is slow is done when it is first needed: the silhouette needs the skin alone, the picture needs
 * grids and roots, once per body, colour, size and scale. Refuses lengths outside 0 to 300 mm, withers outside 150 to 900.
 */
// eslint-disable-next-line max-lines-per-function -- one closure over what is baked, worn and painted already
export function bakeFigure(spec: FigureSpec): Figure {
  const { coat } = spec
  inRange('withersMm', spec.withersMm, WITHERS_LIMITS_MM.low, WITHERS_LIMITS_MM.high, 'mm')
  checkShapes(coat.shapes)
  checkFaults(spec.faults)
  const planned: Worn = { lengths: coat.lengths, faults: spec.faults }
  const skeleton = skeletonOf(spec.body, spec.withersMm)
  const skin = buildSkin(spec.view, spec.body, skeleton, coat, bakedFaults(spec.faults), FINEST_PX / spec.pxPerMm)
  const palette = paletteOf(spec.colouring)
  let present: Worn = planned
  const wear = (worn: Worn): { table: CoatTable; dents: readonly Dent[] } => {
    const dents = dentsOf(worn.faults, skin.dentPlaces)
    const dress = dressOf(skin, coat, worn, dents)
    dressCoat(skin, dress)
    return { table: dress.table, dents }
  }
  let { table, dents } = wear(planned)
  const bake = once(() => {
    const asPlanned = present === planned ? skin.layers.map(({ V, lengthAt }) => [V.slice(), lengthAt.slice()] as const) : null
    const reach = widestCoats(skin, coat)
    if (asPlanned) skin.layers.forEach(({ V, lengthAt }, i) => (V.set(asPlanned[i]![0]), lengthAt.set(asPlanned[i]![1])))
    else wear(planned)
    const layers = gridLayers(skin, palette, reach, spec.pxPerMm)
    const style = STYLES[coat.texture]
    shadeLayers(layers, SWEEPS)
    const plan = plantRoots(
      layers,
      scaled(coatTable(coat, planned), SLIDER.shortestShare),
      new Map([...reach].map(([name, coats]) => [name, coats.at(-1)!])),
      { pxPerMm: spec.pxPerMm, budget: spec.budget, shownMm: style.shownMm },
      randomFrom(SEED)
    )
    const strokes = new Map(layers.map((layer) => [layer, newStrokes(plan.roots.get(layer)!)]))
    if (!asPlanned) ({ table, dents } = wear(present))
    for (const layer of layers) layer.layer.dirty = true
    return { layers, plan, strokes, used: new Map(layers.map((layer) => [layer, usedSlots(layer)])) }
  })
  const memory: Memory = { signs: new Map(), rasters: new Map(), shadedFor: null }
  const shade = (): readonly GriddedLayer[] => {
    const { layers } = bake()
    if (memory.shadedFor === present) return layers
    for (const layer of layers) dent(layer, dents)
    for (const { layer } of layers)
      if (layer.dirty || layers.some((other) => other.layer.name === layer.on && other.layer.dirty)) memory.signs.delete(layer.name)
    shadeLayers(layers, SWEEPS)
    memory.shadedFor = present
    return layers
  }
  const painted = (view: View, w: number, h: number, every: number): readonly Part[] => {
    const layers = shade()
    const { plan, strokes, used } = bake()
    const paint: PaintPlan = { skin, coat, worn: present, table, palette }
    return layers.map((gridded) => {
      const sign = signOf(table, used.get(gridded)!, dents, present, view, every)
      const known = memory.rasters.get(gridded)
      if (known && memory.signs.get(gridded.layer.name) === sign) return known
      const standing = Math.max(1, ...table.length)
      const style = table.grownMm > 0 ? grownOut(STYLES[coat.texture], table.grownMm, table.grownMm / standing) : STYLES[coat.texture]
      const out = strokes.get(gridded)!
      resolveStrokes(gridded, plan.roots.get(gridded)!, table, style, strokeView(spec, plan, every), out)
      const part = cropped(gridded, view, w, h, known?.raster)
      paintLayer(part.raster, gridded, out, style.rimMm, paint, { ...view, originX: view.originX - part.x, originY: view.originY - part.y })
      memory.rasters.set(gridded, part)
      memory.signs.set(gridded.layer.name, sign)
      return part
    })
  }
  return {
    spec,
    skin,
    dress: (worn) => {
      if (sameWorn(worn, present)) return
      checkShapes(worn.shapes ?? [])
      checkFaults(worn.faults)
      ;({ table, dents } = wear(worn))
      present = worn
    },
    paintSilhouette: (raster, view) => {
      paintFlat(raster, skin, palette, view)
      for (const feature of featuresOf({ skin, coat, worn: present, table, palette })) feature.paint(raster, view)
    },
    paint: (raster, view, every = 1) => {
      for (const part of painted(view, raster.w, raster.h, every)) {
        const layer = skin.layers.find(({ name }) => name === part.name)!
        if (skin.castsShadow.includes(part.name)) paintEarShadow(raster, layer, skeleton.heightMm, view)
        blend(raster, part)
      }
      for (const feature of featuresOf({ skin, coat, worn: present, table, palette })) feature.paint(raster, view)
    },
    parts: (view, width, height) => {
      const layers = painted(view, width, height, 1)
      const features = featuresOf({ skin, coat, worn: present, table, palette }).map(({ name, depthMm, paint }): Part => {
        const raster = newRaster(width, height)
        paint(raster, view)
        return { name, depthMm, x: 0, y: 0, raster }
      })
      return [...layers, ...features]
    },
    outlines: () => outlinesOf(skin),
    rim: () => rimOf(skin),
    silhouette: (cellMm) =>
      silhouetteOf(
        outlinesOf(skin).map(({ ring }) => ring),
        cellMm
      ),
    shapes: () => regionShapes(shade(), skin, coat, table),
    departuresFrom: (everyMm) => {
      const found = skin.layers.map((layer) => layer.V.slice())
      const dirty = skin.layers.map((layer) => layer.dirty)
      wear(planned)
      const plan = skin.layers.map((layer) => layer.V.slice())
      ;({ table, dents } = wear(present))
      // it stands as it stood: nothing has to be painted again
      skin.layers.forEach((layer, i) => (layer.dirty = dirty[i]!))
      return departures(skin, plan, found, everyMm)
    }
  }
}

/** What was painted and for which coat, so that clean layers are not painted again. */
type Memory = {
  readonly signs: Map<string, string>
  readonly rasters: Map<GriddedLayer, Part>
  shadedFor: Worn | null
}

function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null
  return () => (made ??= { value: make() }).value
}

function sameWorn(a: Worn, b: Worn): boolean {
  return JSON.stringify(a) === JSON.stringify(b)
}

function scaled(table: CoatTable, share: number): CoatTable {
  return { ...table, length: table.length.map((length) => length * share) }
}

/**
 * V of the longest coats the sliders reach, by layer: with hair left beyond the tail's end, where a ball stands further out, and
 * without. Leaves the skin dressed in the last of them.
 */
function widestCoats(skin: ViewSkin, coat: Coat): ReadonlyMap<string, readonly Float32Array[]> {
  const longest = (mm: number) => Math.min(300, Math.max(mm * SLIDER.longestShare, SLIDER.longestAtLeastMm))
  const table = coatTable(coat, { lengths: coat.lengths })
  const long: CoatTable = { ...table, length: table.length.map(longest) }
  const reach = new Map<string, Float32Array[]>(skin.layers.map((layer) => [layer.name, []]))
  for (const faults of [[], [{ kind: 'tailHigh' as const, mm: TAIL_HIGH_MOST_MM }]]) {
    dressCoat(skin, { table: long, planTable: table, stops: skin.stops(coat, coat, faults), dents: [] })
    for (const layer of skin.layers) reach.get(layer.name)!.push(layer.V.slice())
  }
  return reach
}

function usedSlots({ layer, ids, weights }: GriddedLayer): readonly number[] {
  const used = new Set<number>()
  for (let i = 0; i < ids.length; i++) if (weights[i]! > 0) used.add(ids[i]!)
  for (let i = 0; i < layer.ids.length; i++) if (layer.weights[i]! > 0) used.add(layer.ids[i]!)
  return [...used]
}

// everything a layer's own pixels depend on; that its outline or its light moved is told apart
function signOf(table: CoatTable, used: readonly number[], dents: readonly Dent[], worn: Worn, view: View, every: number): string {
  const faults = dents.length > 0 ? JSON.stringify(worn.faults) : ''
  const ages = used.some((slot) => table.ages[slot]) ? JSON.stringify(used.map((slot) => table.ages[slot])) : ''
  return `${used.map((slot) => table.length[slot]).join()}|${table.grownMm}|${faults}|${ages}|${view.scale},${view.originX},${view.originY}|${every}`
}

function strokeView(spec: FigureSpec, { widen }: RootPlan, every: number) {
  const wide = Math.min(2.6, widen * every ** 0.4)
  return { pxPerMm: spec.pxPerMm, widen: wide, contrast: 1 - 0.18 * (wide - 1), heightMm: spec.withersMm, every }
}

function dent(gridded: GriddedLayer, dents: readonly Dent[]): void {
  const { layer, grid, dent: mm } = gridded
  const own = dents.filter(({ layers }) => layers.includes(layer.name))
  const had = mm.some((value) => value !== 0)
  if (own.length === 0 && !had) return
  for (let k = 0; k < mm.length; k++) {
    const x = grid.left + ((k % grid.w) + 0.5) * grid.cell
    const y = grid.top - (Math.floor(k / grid.w) + 0.5) * grid.cell
    mm[k] = own.length === 0 ? 0 : dentAt(own, layer.name, x, y)
  }
  layer.dirty = true
}

/** The coat's outline of every layer, mm, as worn. */
function outlinesOf({ layers }: ViewSkin): ReturnType<Figure['outlines']> {
  return layers.map(({ name, samples, P, V, shift }) => ({
    layer: name,
    ring: Array.from({ length: samples }, (_, k) => [P[2 * k]! + V[2 * k]! + shift[0], P[2 * k + 1]! + V[2 * k + 1]! + shift[1]] as const)
  }))
}
