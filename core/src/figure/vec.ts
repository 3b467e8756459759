/** [x, y] in mm: x to the right, y up, ground at 0, withers at x = 0; the dog faces left. See this room's README. */
export type Point = readonly [number, number]

export const lerp = (a: number, b: number, t: number): number => a + (b - a) * t
export const clamp = (x: number, low = 0, high = 1): number => Math.max(low, Math.min(high, x))

/** 0 below a, 1 above b, an S-curve between. */
export function smoothstep(a: number, b: number, x: number): number {
  const t = clamp((x - a) / (b - a))
  return t * t * (3 - 2 * t)
}

export function unit([x, y]: Point): Point {
  const length = Math.hypot(x, y) || 1
  return [x / length, y / length]
}

export const between = (a: Point, b: Point, t: number): Point => [lerp(a[0], b[0], t), lerp(a[1], b[1], t)]

/** Twice the signed area of a ring; positive when it runs counter-clockwise (y up). */
export function signedArea2(ring: readonly Point[]): number {
  return ring.reduce((sum, p, i) => {
    const q = ring[(i + 1) % ring.length]!
    return sum + p[0] * q[1] - q[0] * p[1]
  }, 0)
}

/** Value at v on a line through ascending [at, value] knots; held constant beyond its ends. */
export function along(knots: readonly Point[], v: number): number {
  if (v <= knots[0]![0]) return knots[0]![1]
  for (let i = 0; i < knots.length - 1; i++) {
    const [a, b] = [knots[i], knots[i + 1]]
    if (v <= b![0]) return lerp(a![1], b![1], (v - a![0]) / (b![0] - a![0]))
  }
  return knots[knots.length - 1]![1]
}

/** A polyline as flat pairs of ends: x0, y0, x1, y1 ... */
export function segments(line: readonly Point[]): Float64Array {
  if (line.length === 1) return Float64Array.from([...line[0]!, ...line[0]!])
  return Float64Array.from(line.slice(0, -1).flatMap((p, i) => [...p, ...line[i + 1]!]))
}

/** Squared distance of a place to the nearest of flat segments, mm2. */
export function squaredDistance(x: number, y: number, flat: Float64Array): number {
  let least = Infinity
  for (let i = 0; i < flat.length; i += 4) {
    const [dx, dy] = [flat[i + 2]! - flat[i]!, flat[i + 3]! - flat[i + 1]!]
    const length2 = dx * dx + dy * dy
    let t = length2 ? ((x - flat[i]!) * dx + (y - flat[i + 1]!) * dy) / length2 : 0
    t = t < 0 ? 0 : t > 1 ? 1 : t
    const ex = x - flat[i]! - t * dx
    const ey = y - flat[i + 1]! - t * dy
    const d = ex * ex + ey * ey
    if (d < least) least = d
  }
  return least
}

/** Whether a place lies inside a ring, by counting the edges a ray to the right crosses. */
export function isInside(ring: readonly Point[], x: number, y: number): boolean {
  let inside = false
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [a, b] = [ring[i], ring[j]]
    if (a![1] > y !== b![1] > y && x < ((b![0] - a![0]) * (y - a![1])) / (b![1] - a![1]) + a![0]) inside = !inside
  }
  return inside
}
