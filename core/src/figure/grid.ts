// What is known of a layer's inside on a grid of cells: region weights, flow, colour, and how far it fades out.
import { REGION_INDEX, transitionOf, DRAWN_REGIONS, type Core, type DrawnRegion } from './coat-map'
import { segments, squaredDistance } from './distance'
import { fourHeaviest } from './skin-weights'
import type { Layer, Skin } from './skin'
import { cushion, fillMask, gradientNormal, inflate } from './relief'
import { smoothstep, type Point } from './vec'

export type Grid = { readonly w: number; readonly h: number; readonly cell: number; readonly left: number; readonly top: number }

export const TONES = 5

export type GriddedLayer = {
  readonly layer: Layer
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
  shaded: boolean
}

/** Five tones per region, dark to light, 0..255 RGB. */
export type Ramps = Readonly<Record<DrawnRegion, readonly (readonly [number, number, number])[]>>

/** Grids every layer; `reach` holds each layer's widest coat so that the grid has room for it. */
export function gridLayers(
  skin: Skin,
  cores: Readonly<Partial<Record<DrawnRegion, Core>>>,
  ramps: Ramps,
  reach: ReadonlyMap<Layer, Float32Array>
): GriddedLayer[] {
  const cell = Math.max(1.6, skin.skeleton.heightMm / 110)
  const done = new Map<string, GriddedLayer>()
  for (const layer of skin.layers) if (!layer.twin) done.set(layer.name, gridOne(skin, layer, cores, ramps, reach.get(layer)!, cell))
  return skin.layers.map((layer) => (layer.twin ? twinOf(layer, done.get(layer.twin)!) : done.get(layer.name)!))
}

function twinOf(layer: Layer, near: GriddedLayer): GriddedLayer {
  const cells = near.fade.length
  return { ...near, layer, mask: new Uint8Array(cells), shade: new Float32Array(cells), shaded: true }
}

function gridOne(
  skin: Skin,
  layer: Layer,
  cores: Readonly<Partial<Record<DrawnRegion, Core>>>,
  ramps: Ramps,
  widest: Float32Array,
  cell: number
): GriddedLayer {
  const grid = gridAround(layer, widest, cell)
  const cells = grid.w * grid.h
  const inside = new Uint8Array(cells)
  fillMask(inside, grid, layer.P)
  const gridded: GriddedLayer = {
    layer,
    grid,
    hasInner: layer.inner.includes(1),
    inside,
    fade: new Float32Array(cells).fill(1),
    fadeNormal: new Float32Array(cells).fill(1),
    ids: new Uint8Array(4 * cells),
    weights: new Uint8Array(4 * cells),
    flow: new Float32Array(2 * cells),
    mul: new Float32Array(cells).fill(1),
    tint: new Uint8Array(3 * TONES * cells),
    skinNormal: new Float32Array(2 * cells),
    mask: new Uint8Array(cells),
    under: new Uint8Array(cells),
    u: new Float32Array(cells),
    start: new Float32Array(cells),
    z: new Float32Array(cells),
    lit: new Float32Array(cells),
    shade: new Float32Array(cells),
    shaded: false
  }
  const near = nearCoat(layer, grid, widest)
  const weigh = layer.field ? weighByField(gridded) : weighByCores(skin, gridded, cores)
  for (let k = 0; k < cells; k++) {
    if (!near[k]) continue
    const p: Point = [grid.left + ((k % grid.w) + 0.5) * cell, grid.top - (Math.floor(k / grid.w) + 0.5) * cell]
    weigh(p, k)
    tintCell(gridded, ramps, k)
  }
  fadeInnerEdges(skin, gridded, near)
  spread(gridded, near)
  normalsOfSkin(gridded)
  return gridded
}

function gridAround(layer: Layer, widest: Float32Array, cell: number): Grid {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity]
  for (let k = 0; k < layer.samples; k++) {
    for (const share of [0, 1]) {
      const x = layer.P[2 * k] + share * widest[2 * k]
      const y = layer.P[2 * k + 1] + share * widest[2 * k + 1]
      ;[x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)]
    }
  }
  return { w: Math.ceil((x1 - x0) / cell) + 8, h: Math.ceil((y1 - y0) / cell) + 8, cell, left: x0 - 4 * cell, top: y1 + 4 * cell }
}

function nearCoat(layer: Layer, grid: Grid, widest: Float32Array): Uint8Array {
  const near = new Uint8Array(grid.w * grid.h)
  fillMask(
    near,
    grid,
    layer.P.map((value, i) => value + widest[i] * 1.05)
  )
  fillMask(near, grid, layer.P)
  for (let pass = 0; pass < 3; pass++) {
    const before = near.slice()
    for (let k = grid.w + 1; k < near.length - grid.w - 1; k++) {
      if (!before[k] && (before[k - 1] || before[k + 1] || before[k - grid.w] || before[k + grid.w])) near[k] = 1
    }
  }
  return near
}

function weighByField({ layer, ids, weights, flow, mul }: GriddedLayer): (p: Point, k: number) => void {
  const four = new Float32Array(4)
  const fourIds = new Uint8Array(4)
  return (p, k) => {
    const found = layer.field!(p)
    fourHeaviest(found.weights, fourIds, four, 0)
    for (let j = 0; j < 4; j++) {
      ids[4 * k + j] = fourIds[j]
      weights[4 * k + j] = four[j] * 255 + 0.5
    }
    flow.set(found.flow, 2 * k)
    mul[k] = found.mul
  }
}

// Regions compete for a cell: weight falls off with the distance from each region's core line; the four heaviest stay.
function weighByCores(
  { flows, skeleton }: Skin,
  { layer, ids, weights, flow }: GriddedLayer,
  cores: Readonly<Partial<Record<DrawnRegion, Core>>>
): (p: Point, k: number) => void {
  const rivals = layer.regions!.map((region) => ({
    region,
    core: cores[region]!,
    fall: 1 / (transitionOf(region) * skeleton.heightMm * 0.36),
    line: segments(cores[region]!.line),
    flow: flows[region]
  }))
  const found = new Float64Array(rivals.length)
  return (p, k) => {
    let total = 0
    rivals.forEach((rival, j) => {
      const beyond = Math.sqrt(squaredDistance(p[0], p[1], rival.line)) - rival.core.radiusMm
      found[j] = beyond > 0 ? Math.exp(-beyond * rival.fall) : 1
      total += found[j]
    })
    let [sum, fx, fy] = [0, 0, 0]
    const chosen: [number, number][] = []
    for (let slot = 0; slot < 4; slot++) {
      let best = -1
      let most = 0.02 * total
      for (let j = 0; j < rivals.length; j++) if (found[j] > most) [most, best] = [found[j], j]
      if (best < 0) break
      chosen.push([best, most])
      found[best] = 0
      sum += most
      fx += most * rivals[best].flow[0]
      fy += most * rivals[best].flow[1]
    }
    for (let slot = 0; slot < 4; slot++) {
      const [best, weight] = chosen[slot] ?? [chosen[0][0], 0]
      ids[4 * k + slot] = REGION_INDEX[rivals[best].region]
      weights[4 * k + slot] = (weight / sum) * 255 + 0.5
    }
    const length = Math.hypot(fx, fy) || 1
    flow[2 * k] = fx / length
    flow[2 * k + 1] = fy / length
  }
}

const RAMP_OF = new WeakMap<Ramps, Float32Array>()

function flatRamps(ramps: Ramps): Float32Array {
  const known = RAMP_OF.get(ramps)
  if (known) return known
  const flat = Float32Array.from(DRAWN_REGIONS.flatMap((region) => ramps[region].flatMap((tone) => [...tone])))
  RAMP_OF.set(ramps, flat)
  return flat
}

function tintCell({ ids, weights, tint, fade }: GriddedLayer, ramps: Ramps, k: number): void {
  const flat = flatRamps(ramps)
  const cells = fade.length
  for (let tone = 0; tone < TONES; tone++) {
    let [r, g, b, sum] = [0, 0, 0, 0]
    for (let j = 0; j < 4; j++) {
      const weight = weights[4 * k + j]
      if (!weight) continue
      const at = 3 * (ids[4 * k + j] * TONES + tone)
      r += weight * flat[at]
      g += weight * flat[at + 1]
      b += weight * flat[at + 2]
      sum += weight
    }
    const out = 3 * (tone * cells + k)
    tint[out] = r / sum
    tint[out + 1] = g / sum
    tint[out + 2] = b / sum
  }
}

// Toward its inner edge a leg or head fades into the body, in colour and in light.
function fadeInnerEdges(skin: Skin, gridded: GriddedLayer, near: Uint8Array): void {
  const { layer, grid, fade, fadeNormal } = gridded
  if (!gridded.hasInner || layer.name === 'body') return
  const h = skin.skeleton.heightMm
  const inner: Point[] = []
  const ends: Point[] = []
  for (let k = 0; k < layer.samples; k++) {
    const p: Point = [layer.P[2 * k], layer.P[2 * k + 1]]
    if (layer.inner[k]) inner.push(p)
    if (layer.inner[k] !== layer.inner[(k + 1) % layer.samples]) ends.push(p)
  }
  const isHead = layer.name === 'head'
  // filter first, then thin: thinning first leaves a hard pale patch over the shoulder
  const away = isHead ? inner : inner.filter((p) => ends.every((end) => Math.hypot(p[0] - end[0], p[1] - end[1]) > 0.12 * h))
  const thin = (points: readonly Point[]) => points.filter((_, i) => i % 2 === 0 || i === points.length - 1)
  const [core, all] = [segments(thin(away)), segments(thin(inner))]
  for (let k = 0; k < fade.length; k++) {
    if (!near[k]) continue
    const x = grid.left + ((k % grid.w) + 0.5) * grid.cell
    const y = grid.top - (Math.floor(k / grid.w) + 0.5) * grid.cell
    const d = Math.sqrt(squaredDistance(x, y, core))
    fade[k] = smoothstep(0.01 * h, (isHead ? 0.07 : 0.13) * h, d)
    fadeNormal[k] = smoothstep(0, (isHead ? 0.1 : 0.27) * h, isHead ? d : Math.min(d, Math.sqrt(squaredDistance(x, y, all))))
  }
}

// Colour runs three cells past the coat, so that reading between cells at the rim never sees black.
function spread({ grid, tint, fade }: GriddedLayer, near: Uint8Array): void {
  const cells = fade.length
  for (let pass = 0; pass < 3; pass++) {
    const before = near.slice()
    for (let k = grid.w + 1; k < cells - grid.w - 1; k++) {
      if (before[k]) continue
      const from = [k - 1, k + 1, k - grid.w, k + grid.w].find((q) => before[q])
      if (from === undefined) continue
      near[k] = 1
      for (let tone = 0; tone < TONES; tone++)
        for (let c = 0; c < 3; c++) tint[3 * (tone * cells + k) + c] = tint[3 * (tone * cells + from) + c]
    }
  }
}

function normalsOfSkin({ grid, inside, skinNormal }: GriddedLayer): void {
  const u = new Float32Array(inside.length)
  const z = new Float32Array(inside.length)
  const normal = new Float64Array(3)
  inflate(u, inside, grid.w, grid.h, 60, 1.88)
  cushion(u, inside, z)
  for (let k = grid.w + 1; k < inside.length - grid.w - 1; k++) {
    if (!inside[k]) continue
    gradientNormal(z, grid.w, k, normal)
    skinNormal[2 * k] = normal[0]
    skinNormal[2 * k + 1] = normal[1]
  }
}
