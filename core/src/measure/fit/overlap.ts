// How much two outlines are one: overlap, largest distance.
import clip from 'polygon-clipping'
import { areaOf } from '../body/curves'
import type { PhotoPoint } from '../types'
import { crosses } from './ring'

type Rings = readonly (readonly (readonly PhotoPoint[])[])[]

const coarse = (value: number) => Math.round(value * 64) / 64

/** The first of several attempts that does not break; the last one's own error where all do. */
function firstThatWorks<A, B>(attempts: readonly A[], work: (attempt: A) => B): B {
  for (const attempt of attempts.slice(0, -1)) {
    try {
      return work(attempt)
    } catch {
      // the next one
    }
  }
  return work(attempts[attempts.length - 1]!)
}

// edges that lie all but on one another upset the library: coordinates are made coarse, and where that is not enough one ring is moved a hair
const closed = (ring: readonly PhotoPoint[], by = 0) => [ring.map(([x, y]): [number, number] => [coarse(x + by), coarse(y + by)])]
const HAIRS = [0, 0.05, 0.11, 0.23]

/** What one ring covers and another does not: pieces, each an outer ring with its holes. Rings may cross themselves. */
export const differenceOf = (one: readonly PhotoPoint[], other: readonly PhotoPoint[]): Rings =>
  firstThatWorks(HAIRS, (by) => clip.difference(closed(one), closed(other, by)))

/** What two rings cover together over what either covers, 0 to 1 (intersection over union). Rings may cross themselves. */
export function overlap01(one: readonly PhotoPoint[], other: readonly PhotoPoint[]): number {
  const area = (shapes: Rings) =>
    shapes.reduce((sum, [outer, ...holes]) => sum + areaOf(outer!) - holes.reduce((h, hole) => h + areaOf(hole), 0), 0)
  const measured = (by: number) => {
    const [a, b] = [closed(one), closed(other, by)]
    return [area(clip.intersection(a, b) as unknown as Rings), area(clip.union(a, b) as unknown as Rings)]
  }
  const [both, either] = firstThatWorks(HAIRS, measured)
  return either === 0 ? 0 : both! / either!
}

/** The farthest that any place of either lies from the other, in their unit (Hausdorff distance of the places). */
export function hausdorff(one: readonly PhotoPoint[], other: readonly PhotoPoint[]): number {
  const oneWay = (from: readonly PhotoPoint[], to: readonly PhotoPoint[]) =>
    from.reduce(
      (most, [x, y]) => Math.max(most, Math.sqrt(to.reduce((least, [u, v]) => Math.min(least, (u - x) ** 2 + (v - y) ** 2), Infinity))),
      0
    )
  return Math.max(oneWay(one, other), oneWay(other, one))
}

/**
 * The shortest lead that lets two walkers follow two lines from end to end without turning back (discrete Fréchet
 * distance), in their unit. Source: Eiter & Mannila 1994, technical report CD-TR 94/64.
 */
export function frechet(one: readonly PhotoPoint[], other: readonly PhotoPoint[]): number {
  let before: number[] = []
  one.forEach(([x, y], i) => {
    const row: number[] = []
    other.forEach(([u, v], j) => {
      const here = Math.hypot(u - x, v - y)
      const reached =
        i === 0 && j === 0
          ? here
          : Math.min(i > 0 ? before[j]! : Infinity, j > 0 ? row[j - 1]! : Infinity, i > 0 && j > 0 ? before[j - 1]! : Infinity)
      row.push(Math.max(here, reached))
    })
    before = row
  })
  return before[before.length - 1]!
}

/** The largest part of a ring that crosses itself, as one ring that does not. */
export function uncrossedRing(ring: readonly PhotoPoint[]): readonly PhotoPoint[] {
  if (!crossesItself(ring)) return ring
  const parts = firstThatWorks([0, 0.05, 0.11], (by) =>
    clip.union([ring.map(([x, y], i): [number, number] => [coarse(x + by * (i % 2)), coarse(y)])])
  )
  const rings = parts.map(([outer]) => outer!.slice(0, -1).map(([x, y]): PhotoPoint => [x, y]))
  return rings.reduce((a, b) => (areaOf(b) > areaOf(a) ? b : a))
}

/** Does a closed outline cross itself? Neighbours touch and do not count. */
export function crossesItself(ring: readonly PhotoPoint[]): boolean {
  const n = ring.length
  for (let i = 0; i < n; i++) {
    const [a, b] = [ring[i], ring[(i + 1) % n]]
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue
      const [c, d] = [ring[j], ring[(j + 1) % n]]
      if (Math.min(c![0], d![0]) > Math.max(a![0], b![0]) || Math.max(c![0], d![0]) < Math.min(a![0], b![0])) continue
      if (crosses(a!, b!, c!, d!)) return true
    }
  }
  return false
}
