// Stretches of a profile's outline and what they look like, mm, y down; the dog faces left.
import { CoreError } from '../../error'
import { fitCircle } from '../fit/circle'
import { fitLine } from '../fit/line'
import type { PhotoPoint } from '../types'

const apart = (a: PhotoPoint, b: PhotoPoint) => Math.hypot(a[0] - b[0], a[1] - b[1])
const nearestIndex = (ring: readonly PhotoPoint[], to: PhotoPoint) =>
  ring.reduce((best, point, i) => (apart(point, to) < apart(ring[best]!, to) ? i : best), 0)

/**
 * The shorter way along an outline from the place nearest to `from` to the one nearest to `to`.
 * @throws CoreError `tooFew` where fewer than five places of it lie between them
 */
export function stretch(ring: readonly PhotoPoint[], from: PhotoPoint, to: PhotoPoint): PhotoPoint[] {
  const n = ring.length
  const [a, b] = [nearestIndex(ring, from), nearestIndex(ring, to)]
  const ahead = Array.from({ length: ((b - a + n) % n) + 1 }, (_, k) => ring[(a + k) % n]!)
  const back = Array.from({ length: ((a - b + n) % n) + 1 }, (_, k) => ring[(a - k + n) % n]!)
  const length = (line: readonly PhotoPoint[]) => line.reduce((sum, point, i) => (i === 0 ? 0 : sum + apart(point, line[i - 1]!)), 0)
  const found = length(ahead) <= length(back) ? ahead : back
  if (found.length < 5)
    throw new CoreError({
      code: 'tooFew',
      path: 'outline',
      got: found.length,
      limit: 'five places of the outline between two that are apart'
    })
  return found
}

/** A crossing farther from the chord than this share of its length is a leg or a tail, not the line. Chosen. */
const OFF_CHORD = 0.22

/**
 * The outline between two places as a line over x: at each step the crossing nearest to the chord, so that neither a leg
 * nor a tail that comes in from the side is followed.
 * @throws CoreError `tooFew` where fewer than five places of it are found
 */
export function edgeBetween(ring: readonly PhotoPoint[], from: PhotoPoint, to: PhotoPoint, stepMm = 2): PhotoPoint[] {
  const [a, b] = from[0] <= to[0] ? [from, to] : [to, from]
  const length = apart(a, b)
  const n = Math.max(1, Math.round((b[0] - a[0]) / stepMm))
  const best: (number | null)[] = Array.from({ length: n + 1 }, () => null)
  const chordAt = (x: number) => a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0] || 1)
  ring.forEach((p, i) => {
    const q = ring[(i + 1) % ring.length]!
    const [low, high] = p[0] <= q[0] ? [p, q] : [q, p]
    const first = Math.max(0, Math.ceil(((low![0] - a[0]) / (b[0] - a[0] || 1)) * n))
    for (let k = first; k <= n; k++) {
      const x = a[0] + ((b[0] - a[0]) * k) / n
      if (x >= high![0]) break
      const y = low![1] + ((high![1] - low![1]) * (x - low![0])) / (high![0] - low![0])
      const known = best[k]!
      if (known === null || Math.abs(y - chordAt(x)) < Math.abs(known - chordAt(x))) best[k] = y
    }
  })
  const found = best.flatMap((y, k): PhotoPoint[] => {
    const x = a[0] + ((b[0] - a[0]) * k) / n
    return y === null || Math.abs(y - chordAt(x)) > OFF_CHORD * length ? [] : [[x, y]]
  })
  if (found.length < 5)
    throw new CoreError({
      code: 'tooFew',
      path: 'outline',
      got: found.length,
      limit: 'five places of the outline between two that are apart'
    })
  return from[0] <= to[0] ? found : found.reverse()
}

/** Largest departure of points from the level through their middle, mm. */
export function offLevel(line: readonly PhotoPoint[]): number {
  const middle = line.reduce((sum, [, y]) => sum + y, 0) / line.length
  return Math.max(...line.map(([, y]) => Math.abs(y - middle)))
}

/** Largest departure of a curve from the circle that fits it best, mm: a dome. */
export function offCircle(line: readonly PhotoPoint[]): number {
  const { centre, radius } = fitCircle(line)
  return Math.max(...line.map((point) => Math.abs(apart(point, centre) - radius)))
}

/** Mean distance of the points of one line from the other, mm. */
export function between(one: readonly PhotoPoint[], other: readonly PhotoPoint[]): number {
  const { centre, direction } = fitLine(other)
  return one.reduce((sum, [x, y]) => sum + Math.abs((y - centre[1]) * direction[0] - (x - centre[0]) * direction[1]), 0) / one.length
}

/** Degrees between two lines that should run alike: how much a leg tapers. */
export function tapers(one: readonly PhotoPoint[], other: readonly PhotoPoint[]): number {
  const [a, b] = [fitLine(one).direction, fitLine(other).direction]
  return (Math.atan2(Math.abs(a[0] * b[1] - a[1] * b[0]), Math.abs(a[0] * b[0] + a[1] * b[1])) * 180) / Math.PI
}

/** A turn of the outline smaller than this is none, mm. Chosen. */
const LEAST_TURN_MM = 4

/**
 * How often a rear outline turns in and out on its way down, between the tail and the heel.
 * Source: common practice, no published source: it goes in, out, in, out, in: five turns
 */
export function rearTurns(line: readonly PhotoPoint[]): number {
  const [a, b] = [line[0], line[line.length - 1]]
  const length = apart(a!, b!) || 1
  const off = line.map(([x, y]) => ((x - a![0]) * (b![1] - a![1]) - (y - a![1]) * (b![0] - a![0])) / length)
  let [turns, low, high, way] = [0, off[0], off[0], 0]
  for (const value of off) {
    ;[low, high] = [Math.min(low!, value), Math.max(high!, value)]
    if (way <= 0 && value - low > LEAST_TURN_MM) [turns, way, high, low] = [turns + 1, 1, value, value]
    else if (way >= 0 && high - value > LEAST_TURN_MM) [turns, way, high, low] = [turns + 1, -1, value, value]
  }
  return turns
}

/** Area of a closed line, mm2. */
export function areaOf(ring: readonly PhotoPoint[]): number {
  return Math.abs(ring.reduce((sum, [x, y], i) => sum + x * ring[(i + 1) % ring.length]![1] - ring[(i + 1) % ring.length]![0] * y, 0)) / 2
}
