import { CoreError } from '../../error'
import type { PhotoPoint } from '../types'

/** The whole way round an open ring, mm. */
export function perimeter(ring: readonly PhotoPoint[]): number {
  return ring.reduce((sum, point, i) => sum + apart(point, ring[(i + 1) % ring.length]!), 0)
}

const apart = ([ax, ay]: PhotoPoint, [bx, by]: PhotoPoint) => Math.hypot(bx - ax, by - ay)

/**
 * Points along an open ring at even steps, so that no stretch counts more because it was drawn with more points.
 * @param stepMm over 0; the last step is as long as the others to within one part of their number
 * @throws CoreError `tooFew` under three points, `outOfRange` for a step that is not over 0
 */
export function evenly(ring: readonly PhotoPoint[], stepMm: number): PhotoPoint[] {
  if (ring.length < 3) throw new CoreError({ code: 'tooFew', path: 'outline', got: ring.length, limit: '3 points or more' })
  if (!(stepMm > 0)) throw new CoreError({ code: 'outOfRange', path: 'stepMm', got: stepMm, limit: 'over 0 mm' })
  const whole = perimeter(ring)
  const n = Math.max(3, Math.round(whole / stepMm))
  const found: PhotoPoint[] = []
  let passed = 0
  for (let i = 0; i < ring.length && found.length < n; i++) {
    const [a, b] = [ring[i], ring[(i + 1) % ring.length]]
    const length = apart(a!, b!)
    while (found.length < n && (found.length * whole) / n <= passed + length) {
      const share = length === 0 ? 0 : ((found.length * whole) / n - passed) / length
      found.push([a![0] + (b![0] - a![0]) * share, a![1] + (b![1] - a![1]) * share])
    }
    passed += length
  }
  return found
}

/** The hour at which a place is seen from a centre, 0 up to 12: 12 at the top, 3 at the right of the picture. */
export function clockOf([cx, cy]: PhotoPoint, [x, y]: PhotoPoint): number {
  return ((Math.atan2(x - cx, cy - y) / (2 * Math.PI)) * 12 + 12) % 12
}

/** How far a ring reaches from a centre along an hour, mm: its outermost crossing; null where the ray meets nothing. */
export function radiusAt(ring: readonly PhotoPoint[], [cx, cy]: PhotoPoint, hour: number): number | null {
  const angle = (hour / 12) * 2 * Math.PI
  const [dx, dy] = [Math.sin(angle), -Math.cos(angle)]
  let farthest: number | null = null
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!
    // how far each end lies to the side of the ray
    const [sideA, sideB] = [(ax - cx) * dy - (ay - cy) * dx, (bx - cx) * dy - (by - cy) * dx]
    if (sideA > 0 === sideB > 0) return
    const share = sideA / (sideA - sideB)
    const along = (ax + (bx - ax) * share - cx) * dx + (ay + (by - ay) * share - cy) * dy
    if (along >= 0 && (farthest === null || along > farthest)) farthest = along
  })
  return farthest
}

/** How far a ring reaches to either side of an axis at a height along it, mm; null where it does not reach that far. */
export function reachAt(
  ring: readonly PhotoPoint[],
  from: PhotoPoint,
  direction: PhotoPoint,
  alongMm: number
): { readonly left: number; readonly right: number } | null {
  const [px, py] = [from[0] + direction[0] * alongMm, from[1] + direction[1] * alongMm]
  let [low, high] = [Infinity, -Infinity]
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!
    const [a, b] = [(ax - px) * direction[0] + (ay - py) * direction[1], (bx - px) * direction[0] + (by - py) * direction[1]]
    if (a > 0 === b > 0) return
    const share = a / (a - b)
    const [x, y] = [ax + (bx - ax) * share - px, ay + (by - ay) * share - py]
    // to the side: positive to the left of the picture for an axis that runs down
    const side = -x * direction[1] + y * direction[0]
    low = Math.min(low, side)
    high = Math.max(high, side)
  })
  return low > high ? null : { left: high, right: -low }
}

const turn = (a: PhotoPoint, b: PhotoPoint, c: PhotoPoint) => (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])
/** Do two stretches cross? Those that only touch do not. */
export const crosses = (a: PhotoPoint, b: PhotoPoint, c: PhotoPoint, d: PhotoPoint): boolean =>
  turn(a, b, c) > 0 !== turn(a, b, d) > 0 && turn(c, d, a) > 0 !== turn(c, d, b) > 0
