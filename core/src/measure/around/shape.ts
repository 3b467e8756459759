// Shapes of a dog seen from the front, the rear and above, mm, y down.
import { CoreError } from '../../error'
import type { PhotoPoint } from '../types'

const apart = (a: PhotoPoint, b: PhotoPoint) => Math.hypot(a[0] - b[0], a[1] - b[1])

/** How far places of a line stand beyond its chord toward `outward`, mm, with where along it, 0 to 1. */
export function overChord(line: readonly PhotoPoint[], from: PhotoPoint, to: PhotoPoint, outward: PhotoPoint) {
  const length = apart(from, to)
  if (length === 0) throw new CoreError({ code: 'oneSpot', path: 'chord', got: 'points on one spot', limit: 'two places that are apart' })
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
  const side = Math.sign(-uy * outward[0] + ux * outward[1]) || 1
  return line.map(([x, y]) => {
    const [dx, dy] = [x - from[0], y - from[1]]
    return { along01: (dx * ux + dy * uy) / length, byMm: side * (dy * ux - dx * uy) }
  })
}

/** The largest rise of a line over its chord, mm; 0 where it is hollow all along. */
export const largestRise = (line: readonly PhotoPoint[], from: PhotoPoint, to: PhotoPoint, outward: PhotoPoint): number =>
  Math.max(
    0,
    ...overChord(line, from, to, outward)
      .filter(({ along01 }) => along01 >= 0 && along01 <= 1)
      .map(({ byMm }) => byMm)
  )

/** A neck is looked at in three places, shares of its chord. Source: common practice, no published source */
export const STATIONS_01 = [0.25, 0.5, 0.75] as const
/** A station is this much of the chord to either side: a single hair says nothing. Chosen. */
const STATION_01 = 0.06

/** How far a line stands over its chord at each of the three stations, mm, less than 0 where it is hollow; NaN where it is not seen. */
export function riseAtStations(line: readonly PhotoPoint[], from: PhotoPoint, to: PhotoPoint, outward: PhotoPoint): readonly number[] {
  const over = overChord(line, from, to, outward)
  return STATIONS_01.map((station) => {
    const near = over.filter(({ along01 }) => Math.abs(along01 - station) <= STATION_01)
    return near.length === 0 ? NaN : near.reduce((sum, { byMm }) => sum + byMm, 0) / near.length
  })
}

/** How far it is from a place to the outline one way, mm; null where it does not lie there. `way` is one long. */
export function reachTo(ring: readonly PhotoPoint[], [x, y]: PhotoPoint, [wx, wy]: PhotoPoint): number | null {
  let nearest = Infinity
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length]!
    const [sideA, sideB] = [(a[0] - x) * wy - (a[1] - y) * wx, (b[0] - x) * wy - (b[1] - y) * wx]
    if (sideA > 0 === sideB > 0) return
    const share = sideA / (sideA - sideB)
    const along = (a[0] + (b[0] - a[0]) * share - x) * wx + (a[1] + (b[1] - a[1]) * share - y) * wy
    if (along > 0 && along < nearest) nearest = along
  })
  return Number.isFinite(nearest) ? nearest : null
}

/** How far the coat reaches to the dog's left and right of a line along its spine, mm. */
export type Reaches = { readonly along01: number; readonly left: number; readonly right: number }

/** Steps along a spine. Chosen: a tenth of an inch and a half on a small dog. */
const STEPS = 24

/**
 * What lies to either side of the spine of a dog seen from above with its head to the left, from withers to tail.
 * @param spine withers to tail, mm @returns one entry for each of the steps at which both sides are seen
 */
export function reachesAlong(ring: readonly PhotoPoint[], [from, to]: readonly [PhotoPoint, PhotoPoint]): readonly Reaches[] {
  const length = apart(from, to)
  if (length === 0) throw new CoreError({ code: 'oneSpot', path: 'spine', got: 'points on one spot', limit: 'withers and tail apart' })
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
  return Array.from({ length: STEPS + 1 }, (_, i) => i / STEPS).flatMap((along01): Reaches[] => {
    const at: PhotoPoint = [from[0] + (to[0] - from[0]) * along01, from[1] + (to[1] - from[1]) * along01]
    const [left, right] = [reachTo(ring, at, [-uy, ux]), reachTo(ring, at, [uy, -ux])]
    return left === null || right === null ? [] : [{ along01, left, right }]
  })
}
