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
    const q = ring[(i + 1) % ring.length]
    return sum + p[0] * q[1] - q[0] * p[1]
  }, 0)
}

/** Value at v on a line through ascending [at, value] knots; held constant beyond its ends. */
export function along(knots: readonly Point[], v: number): number {
  if (v <= knots[0][0]) return knots[0][1]
  for (let i = 0; i < knots.length - 1; i++) {
    const [a, b] = [knots[i], knots[i + 1]]
    if (v <= b[0]) return lerp(a[1], b[1], (v - a[0]) / (b[0] - a[0]))
  }
  return knots[knots.length - 1][1]
}
