// Rings that are the same on both sides of a midline.
import { sampleCurve } from '../body'
import { smoothstep, type Point } from '../vec'

/**
 * A closed ring from the points of one half (x or y >= 0 across the midline, from top to bottom), mirrored. A curve swings
 * a little beyond its control points; it is held to the widest of them, so that a width is the number it was given.
 */
export function mirroredRing(half: readonly Point[], stepMm: number, across: 'x' | 'y' = 'x'): readonly Point[] {
  const flip = ([x, y]: Point): Point => (across === 'x' ? [-x, y] : [x, -y])
  const at = across === 'x' ? 0 : 1
  const onMidline = (p: Point) => Math.abs(p[at]) < 1e-9
  const other = half.filter((p) => !onMidline(p)).map(flip)
  const widest = Math.max(...half.map((p) => p[at]))
  const { points } = sampleCurve([...half, ...other.reverse()], () => false, stepMm)
  return points.map(([x, y]): Point => {
    const held = Math.max(-widest, Math.min(widest, at === 0 ? x : y))
    return at === 0 ? [held, y] : [x, held]
  })
}

/** A closed ring on one side; `sign` mirrors it to the other. */
export function sideRing(points: readonly Point[], sign: 1 | -1, stepMm: number, corners: readonly number[] = []): readonly Point[] {
  return sampleCurve(
    points.map(([x, y]): Point => [sign * x, y]),
    (i) => corners.includes(i),
    stepMm
  ).points
}

/** Share that belongs to the side where `v` is positive, running over within `softMm` of the midline. */
export function sideShare(v: number, softMm: number): number {
  return smoothstep(-softMm, softMm, v)
}
