// Where hairs grow: roots are placed once per body, densest where hair is short, in an order in which upper hair overlaps lower.
import type { Random } from '../../stats'
import type { CoatTable } from '../coat'
import { clamp } from '../vec'
import type { GriddedLayer } from './gridded'

/** Kinds of root: inside the skin outline, on the rim of the coat, in the band between skin and rim. */
export const INSIDE = 0
export const RIM = 1
export const BAND = 2

/** Hairs of one layer in paint order. `a`, `b`: four numbers a hair, by kind; see `placeInside` and `placeOnRim`. */
export type Roots = {
  readonly count: number
  readonly a: Float32Array
  readonly b: Float32Array
  readonly ids: Uint8Array
  readonly weights: Uint8Array
  /** random bytes: tone class, width, tone amount, bend */
  readonly dice: Uint8Array
  readonly keep: Uint8Array
  readonly kind: Uint8Array
  readonly gauss: Int8Array
  readonly spare: Uint8Array
}

/** `shownMm` caps how much of a hair is seen: a curl shows only its last turn. */
export type RootSettings = { readonly pxPerMm: number; readonly budget: number; readonly shownMm: number }

/** Hairs shown of all that could be: short hair shows every root, long hair hides its neighbours. Our own figure kit. */
export function keptShare(lengthMm: number, pxPerMm: number): number {
  const px = lengthMm * pxPerMm
  return px < KEPT_MOST_PX ? KEPT[Math.round(px * KEPT_PER_PX)]! : keptAt(px)
}

const keptAt = (px: number) => clamp(1.15 * (9 / Math.max(3, px * 2)) ** 0.62, 0.1, 1)
/** Asked for every hair of every picture: looked up, not raised to a power. */
const KEPT_PER_PX = 20
const KEPT_MOST_PX = 400
const KEPT = Float32Array.from({ length: KEPT_PER_PX * KEPT_MOST_PX + 1 }, (_, i) => keptAt(i / KEPT_PER_PX))

const INSIDE_PER_PX2 = 0.272 * 4
const BAND_PER_PX2 = 0.1275 * 4

export type RootPlan = {
  readonly roots: ReadonlyMap<GriddedLayer, Roots>
  readonly total: number
  /** strokes get wider where fewer are drawn than wanted */ readonly widen: number
}

/**
 * Roots for every layer within a budget of strokes. `shortest` decides how many roots the inside needs, `widest` (V of
 * the longest coat) how many the rim and band need; what a shorter or longer coat does not need is culled when drawn.
 */
export function plantRoots(
  layers: readonly GriddedLayer[],
  shortest: CoatTable,
  widest: ReadonlyMap<string, Float32Array>,
  settings: RootSettings,
  random: Random
): RootPlan {
  const { pxPerMm, budget, shownMm } = settings
  const perMm2 = pxPerMm * pxPerMm
  const keepInside = new Map(layers.map((gridded) => [gridded, keepPerCell(gridded, shortest, settings)]))
  let [insideArea, bandArea, rimPx] = [0, 0, 0]
  const bands = new Map<GriddedLayer, Float32Array>()
  for (const gridded of layers) {
    const keep = keepInside.get(gridded)!
    for (let k = 0; k < keep.length; k++) insideArea += keep[k]! * gridded.fade[k]! * gridded.grid.cell ** 2
    const band = bandReach(gridded, widest.get(gridded.layer.name)!, pxPerMm, shownMm)
    bands.set(gridded, band)
    forRim(gridded, (k, next, length) => {
      void next
      bandArea += band[k]! * length
      rimPx += length * pxPerMm * 2
    })
  }
  const wanted = insideArea * INSIDE_PER_PX2 * perMm2 + bandArea * BAND_PER_PX2 * perMm2 + rimPx
  const share = Math.min(1, budget / wanted)
  const rimShare = Math.min(1, Math.sqrt(share) * 1.5)
  const inner =
    share >= 1 ? 1 : Math.max(0.02, (budget - rimPx * rimShare * 0.8) / ((insideArea * INSIDE_PER_PX2 + bandArea * BAND_PER_PX2) * perMm2))
  const roots = new Map<GriddedLayer, Roots>()
  let total = 0
  for (const gridded of layers) {
    const bed = newBed()
    placeInside(gridded, keepInside.get(gridded)!, INSIDE_PER_PX2 * perMm2 * inner, bed, pxPerMm, random)
    placeOnRim(gridded, bands.get(gridded)!, { rim: rimShare * pxPerMm * 2, band: BAND_PER_PX2 * perMm2 * inner }, bed, pxPerMm, random)
    const sorted = inPaintOrder(bed, random)
    roots.set(gridded, sorted)
    total += sorted.count
  }
  return { roots, total, widen: clamp((1 / Math.max(0.01, inner)) ** 0.4, 1, 2.1) }
}

function keepPerCell({ inside, weights, ids, mul }: GriddedLayer, table: CoatTable, { pxPerMm, shownMm }: RootSettings): Float32Array {
  const keep = new Float32Array(inside.length)
  for (let k = 0; k < inside.length; k++) {
    if (!inside[k]) continue
    let length = 0
    for (let j = 0; j < 4; j++) length += weights[4 * k + j]! * table.length[ids[4 * k + j]!]!
    keep[k] = keptShare(Math.min((length * mul[k]!) / 255, shownMm), pxPerMm)
  }
  return keep
}

function bandReach({ layer }: GriddedLayer, widest: Float32Array, pxPerMm: number, shownMm: number): Float32Array {
  const reach = new Float32Array(layer.samples)
  for (let k = 0; k < layer.samples; k++) {
    const size = Math.hypot(widest[2 * k]!, widest[2 * k + 1]!)
    reach[k] = size * pxPerMm * 2 > 4 ? size * keptShare(Math.min(Math.max(size, layer.lengthAt[k]!), shownMm), pxPerMm) : 0
  }
  return reach
}

function forRim({ layer: { P, inner, samples } }: GriddedLayer, visit: (k: number, next: number, lengthMm: number) => void): void {
  for (let k = 0; k < samples; k++) {
    const next = (k + 1) % samples
    if (!inner[k] && !inner[next]) visit(k, next, Math.hypot(P[2 * next]! - P[2 * k]!, P[2 * next + 1]! - P[2 * k + 1]!))
  }
}

/** Unsorted hairs: plain growing lists, 8 numbers and 10 bytes each plus the paint key. */
type Bed = { readonly keys: number[]; readonly numbers: number[]; readonly bytes: number[] }
const newBed = (): Bed => ({ keys: [], numbers: [], bytes: [] })
const gaussLike = (random: Random) => (random() + random() + random() - 1.5) / 1.5

// a = root x, y and skin normal x, y; b = flow x, y, multiplier, fade
function placeInside(gridded: GriddedLayer, keep: Float32Array, perMm2: number, bed: Bed, pxPerMm: number, random: Random): void {
  const { grid, inside, fade, weights, ids, flow, mul, skinNormal } = gridded
  const { w, h, cell, left, top } = grid
  const { order } = gridded.layer
  const perCell = perMm2 * cell * cell
  for (let j = 1; j < h - 1; j++) {
    for (let i = 1; i < w - 1; i++) {
      const k = j * w + i
      if (!inside[k]) continue
      for (let c = Math.floor(perCell * keep[k]! * Math.min(1, fade[k]! * 1.15) + random()); c > 0; c--) {
        const x = left + (i + random()) * cell
        const y = top - (j + random()) * cell
        // dithered cell: no blocky region borders
        const di = clamp(Math.floor((x - left) / cell + random() - 0.5), 1, w - 2)
        const dj = clamp(Math.floor((top - y) / cell + random() - 0.5), 1, h - 2)
        const q = weights[4 * (dj * w + di)] ? dj * w + di : k
        bed.keys.push(order(x, y) + gaussLike(random) / pxPerMm)
        bed.numbers.push(
          x,
          y,
          skinNormal[2 * k]! * Math.min(1, fade[k]!),
          skinNormal[2 * k + 1]! * Math.min(1, fade[k]!),
          flow[2 * q]!,
          flow[2 * q + 1]!,
          mul[q]!,
          fade[k]!
        )
        for (let s = 0; s < 4; s++) bed.bytes.push(ids[4 * q + s]!)
        for (let s = 0; s < 4; s++) bed.bytes.push(weights[4 * q + s]!)
        bed.bytes.push(INSIDE, random() * keep[k]! * 255.99)
      }
    }
  }
}

// a = outline sample, share along V, share to the next sample, band reach; b = flow x, y, multiplier, 1
function placeOnRim(
  gridded: GriddedLayer,
  reach: Float32Array,
  density: { readonly rim: number; readonly band: number },
  bed: Bed,
  pxPerMm: number,
  random: Random
): void {
  const { layer } = gridded
  const { P, V, T, mul, order } = layer
  forRim(gridded, (k, next, lengthMm) => {
    const put = (kind: number, along: number) => {
      const t = random()
      const x = P[2 * k]! + (P[2 * next]! - P[2 * k]!) * t + V[2 * k]! * along
      const y = P[2 * k + 1]! + (P[2 * next + 1]! - P[2 * k + 1]!) * t + V[2 * k + 1]! * along
      bed.keys.push(order(x, y) + gaussLike(random) / pxPerMm - 3)
      bed.numbers.push(k, along, t, reach[k]!, T[2 * k]!, T[2 * k + 1]!, mul[k]!, 1)
      for (let s = 0; s < 4; s++) bed.bytes.push(layer.ids[4 * k + s]!)
      for (let s = 0; s < 4; s++) bed.bytes.push(layer.weights[4 * k + s]! * 255 + 0.5)
      bed.bytes.push(kind, random() * 255.99)
    }
    const whole = (count: number) => Math.floor(count + random())
    for (let c = whole(lengthMm * density.rim * (reach[k]! > 0 ? 1 : 0.6)); c > 0; c--) put(RIM, 0.35 + random() * 0.5)
    for (let c = whole(reach[k]! * lengthMm * density.band); c > 0; c--) put(BAND, Math.min(random(), 0.93))
  })
}

const BUCKETS = 4096

// Counting sort on a coarse key: low and rear hair first, so that upper hair lies over it like tiles.
function inPaintOrder({ keys, numbers, bytes }: Bed, random: Random): Roots {
  const n = keys.length
  const roots: Roots = {
    count: n,
    a: new Float32Array(4 * n),
    b: new Float32Array(4 * n),
    ids: new Uint8Array(4 * n),
    weights: new Uint8Array(4 * n),
    dice: new Uint8Array(4 * n),
    keep: new Uint8Array(n),
    kind: new Uint8Array(n),
    gauss: new Int8Array(n),
    spare: new Uint8Array(n)
  }
  let [low, high] = [Infinity, -Infinity]
  for (const key of keys) [low, high] = [Math.min(low, key), Math.max(high, key)]
  const scale = (BUCKETS - 1) / Math.max(1e-6, high - low)
  const next = new Uint32Array(BUCKETS + 1)
  for (const key of keys) next[Math.floor((key - low) * scale) + 1]!++
  for (let i = 0; i < BUCKETS; i++) next[i + 1]! += next[i]!
  for (let s = 0; s < n; s++) {
    const at = next[Math.floor((keys[s]! - low) * scale)]!++
    for (let j = 0; j < 4; j++) {
      roots.a[4 * at + j] = numbers[8 * s + j]!
      roots.b[4 * at + j] = numbers[8 * s + 4 + j]!
      roots.ids[4 * at + j] = bytes[10 * s + j]!
      roots.weights[4 * at + j] = bytes[10 * s + 4 + j]!
      roots.dice[4 * at + j] = random() * 255.99
    }
    roots.kind[at] = bytes[10 * s + 8]!
    roots.keep[at] = bytes[10 * s + 9]!
    roots.gauss[at] = gaussLike(random) * 127
    roots.spare[at] = random() * 255.99
  }
  return roots
}
