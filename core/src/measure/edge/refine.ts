// The edge of a fluffy coat: where half the backdrop is covered, read across the outline in the whole picture.
import { uncrossedRing } from '../fit/overlap'
import { crosses, evenly } from '../fit/ring'
import type { PhotoPoint } from '../types'
import type { Picture } from './picture'

/** A place of an outline with its own standard uncertainty across the edge, px. */
export type Edge = { readonly outline: readonly PhotoPoint[]; readonly uPx: readonly number[] }

/** What the pixels themselves leave open, px. */
const PIXEL_U = 0.2
/** A backdrop and a coat nearer in colour than this show no edge to be read, 8-bit steps. Chosen. */
const LEAST_STEP = 9
const STEPS_PER_PX = 2
/** Under a fringe lies the same coat: cosine between both colours as they differ from the wall. A patch of another colour is none. Chosen. */
const SAME_COAT = 0.95

/**
 * Moves every place of an outline to where the picture's colour lies half way between outside and inside, along the
 * outline's normal, as a mean over its neighbours: hairs that stand out singly do not make the edge.
 * @param stepPx distance of places along the outline
 * @param reachPx how far to look to either side
 * @returns places `stepPx` apart; u from how wide the fringe is, and the whole reach where no edge can be read
 */
export function refined(picture: Picture, outline: readonly PhotoPoint[], stepPx: number, reachPx: number): Edge {
  const ring = evenly(outline, stepPx)
  const n = ring.length
  const steps = Math.max(4, Math.round(reachPx * STEPS_PER_PX))
  const width = 2 * steps + 1
  const normals = ring.map((_, i) => outwardAt(ring, i))
  const covered = new Float32Array(n * width)
  const read = new Uint8Array(n)
  ring.forEach((at, i) => {
    read[i] = coverage(picture, at, normals[i]!, steps, covered, i * width) ? 1 : 0
  })
  const uPx: number[] = []
  const offsets = new Float64Array(n)
  const moved = ring.map((at, i): PhotoPoint => {
    const line = new Float32Array(width)
    let count = 0
    for (const k of [i - 1, i, i + 1]) {
      const own = (k + n) % n
      if (!read[own]) continue
      count++
      for (let s = 0; s < width; s++) line[s]! += covered[own * width + s]!
    }
    if (count === 0) {
      uPx.push(reachPx / 2)
      return at
    }
    const [quarter, half, most] = [0.25, 0.5, 0.75].map((share) => crossing(line, share * count, steps))
    uPx.push(Math.hypot(PIXEL_U, Math.abs(quarter! - most!) / 4))
    offsets[i] = half!
    return at
  })
  const settled = moved.map(([x, y], i): PhotoPoint => {
    // one place must not leap over its neighbours
    const own = [-2, -1, 0, 1, 2].map((k) => offsets[(i + k + n) % n]).sort((a, b) => a! - b!)[2]!
    return [x + normals[i]![0] * own, y + normals[i]![1] * own]
  })
  return uncrossed(withoutLoops({ outline: settled, uPx }))
}

/** The largest part of an outline that still crosses itself, as one ring; each place keeps the u of the nearest one. */
function uncrossed(edge: Edge): Edge {
  const outline = uncrossedRing(edge.outline)
  if (outline === edge.outline) return edge
  const uAt = ([x, y]: PhotoPoint) => {
    let [best, least] = [0, Infinity]
    edge.outline.forEach(([px, py], i) => {
      const away = (px - x) ** 2 + (py - y) ** 2
      if (away < least) [best, least] = [i, away]
    })
    return edge.uPx[best]!
  }
  return { outline, uPx: outline.map(uAt) }
}

/** Loops of at most this many places are knots in a notch of the coat. Chosen. */
const LOOP_PLACES = 30

/** The outline without the small knots that places make when they are moved across a notch. */
function withoutLoops({ outline, uPx }: Edge): Edge {
  const n = outline.length
  const gone = new Uint8Array(n)
  for (let i = 0; i < n; i++) {
    if (gone[i]) continue
    const [a, b] = [outline[i], outline[(i + 1) % n]]
    for (let k = Math.min(LOOP_PLACES, n - 3); k >= 2; k--) {
      const j = (i + k) % n
      if (!crosses(a!, b!, outline[j]!, outline[(j + 1) % n]!)) continue
      for (let m = 1; m <= k; m++) gone[(i + m) % n] = 1
      break
    }
  }
  const kept = (_: unknown, i: number) => !gone[i]
  return { outline: outline.filter(kept), uPx: uPx.filter(kept) }
}

/** One long, away from the inside of a ring. */
function outwardAt(ring: readonly PhotoPoint[], i: number): PhotoPoint {
  const n = ring.length
  // over five places, so that a single tuft does not turn it
  const [a, b] = [ring[(i - 2 + n) % n], ring[(i + 2) % n]]
  const size = Math.hypot(b![0] - a![0], b![1] - a![1]) || 1
  const sign = turnOf(ring)
  return [(sign * (b![1] - a![1])) / size, (-sign * (b![0] - a![0])) / size]
}

const turns = new WeakMap<readonly PhotoPoint[], number>()
/** 1 for a ring that runs clockwise in a picture (y down), -1 for the other way. */
function turnOf(ring: readonly PhotoPoint[]): number {
  const known = turns.get(ring)
  if (known !== undefined) return known
  const area = ring.reduce((sum, [x, y], i) => sum + x * ring[(i + 1) % ring.length]![1] - ring[(i + 1) % ring.length]![0] * y, 0)
  turns.set(ring, area >= 0 ? 1 : -1)
  return turns.get(ring)!
}

/** Fills how much of each place across the edge is coat, 0 outside to 1 inside; false where the two are alike. */
function coverage(picture: Picture, at: PhotoPoint, [nx, ny]: PhotoPoint, steps: number, out: Float32Array, from: number): boolean {
  const width = 2 * steps + 1
  const reds = new Float32Array(width * 3)
  for (let s = 0; s < width; s++) {
    const t = (s - steps) / STEPS_PER_PX
    sample(picture, at[0] + nx * t, at[1] + ny * t, reds, s * 3)
  }
  const ends = Math.max(2, Math.round(width * 0.18))
  const mean = (start: number, c: number) => {
    let sum = 0
    for (let s = start; s < start + ends; s++) sum += reds[s * 3 + c]!
    return sum / ends
  }
  const outside = [mean(width - ends, 0), mean(width - ends, 1), mean(width - ends, 2)]
  // the coat's own colour lies under the fringe: as deep again, unless the part is thin and the wall shows behind it
  const deeper = new Float32Array(3)
  sample(picture, at[0] - (2 * nx * steps) / STEPS_PER_PX, at[1] - (2 * ny * steps) / STEPS_PER_PX, deeper, 0)
  const far = (colour: readonly number[]) => colour.reduce((sum, value, c) => sum + (value - outside[c]!) ** 2, 0)
  const near = [mean(0, 0), mean(0, 1), mean(0, 2)]
  const dot = near.reduce((sum, value, c) => sum + (value - outside[c]!) * (deeper[c]! - outside[c]!), 0)
  const isFringe = far([...deeper]) > far(near) && dot > SAME_COAT * Math.sqrt(far([...deeper]) * far(near))
  const inside = isFringe ? near.map((value, c) => 0.3 * value + 0.7 * deeper[c]!) : near
  const step = inside.map((value, c) => value - outside[c]!)
  const size = step[0]! ** 2 + step[1]! ** 2 + step[2]! ** 2
  if (size < LEAST_STEP ** 2) return false
  for (let s = 0; s < width; s++) {
    let dot = 0
    for (let c = 0; c < 3; c++) dot += (reds[s * 3 + c]! - outside[c]!) * step[c]!
    out[from + s] = Math.min(1, Math.max(0, dot / size))
  }
  return true
}

/** Where a falling line passes a value nearest to its middle, px outward; its nearer end where it never does. */
function crossing(line: Float32Array, value: number, middle: number): number {
  let best = Infinity
  for (let s = 0; s + 1 < line.length; s++) {
    if (line[s]! < value || line[s + 1]! >= value) continue
    const at = s + (line[s]! - value) / (line[s]! - line[s + 1]!) - middle
    if (Math.abs(at) < Math.abs(best)) best = at
  }
  return Number.isFinite(best) ? best / STEPS_PER_PX : 0
}

function sample({ width, height, rgba }: Picture, x: number, y: number, out: Float32Array, o: number): void {
  const [gx, gy] = [Math.min(width - 1.001, Math.max(0, x - 0.5)), Math.min(height - 1.001, Math.max(0, y - 0.5))]
  const [i, j] = [Math.floor(gx), Math.floor(gy)]
  const [fx, fy] = [gx - i, gy - j]
  const a = (j * width + i) * 4
  const b = a + width * 4
  for (let c = 0; c < 3; c++)
    out[o + c] = (rgba[a + c]! * (1 - fx) + rgba[a + 4 + c]! * fx) * (1 - fy) + (rgba[b + c]! * (1 - fx) + rgba[b + 4 + c]! * fx) * fy
}
