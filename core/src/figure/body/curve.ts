import { clamp, lerp, unit, type Point } from '../vec'

/** A sampled curve; `marks[i]` is the sample that carries control point i. */
export type Sampled = { readonly points: readonly Point[]; readonly marks: readonly number[] }

const ALPHA = 0.5

/**
 * Centripetal Catmull-Rom through the control points, sampled about every `stepMm`. A corner breaks the tangent: its far
 * neighbour is mirrored through it. Centripetal keeps close points (nose, feet) free of loops.
 * Source: Catmull & Rom 1974; Yuksel, Schaefer & Keyser 2011 (from memory).
 */
export function sampleCurve(control: readonly Point[], isCorner: (i: number) => boolean, stepMm: number, closed = true): Sampled {
  const n = control.length
  const points: Point[] = []
  const marks: number[] = []
  const at = (i: number) => (closed ? control[(i + n) % n] : control[clamp(i, 0, n - 1)])
  for (let i = 0; i < (closed ? n : n - 1); i++) {
    const [p1, p2] = [at(i), at(i + 1)]
    const startsCorner = isCorner(i) || (!closed && i === 0)
    const endsCorner = isCorner((i + 1) % n) || (!closed && i === n - 2)
    const p0 = startsCorner ? mirror(p1!, p2!) : at(i - 1)
    const p3 = endsCorner ? mirror(p2!, p1!) : at(i + 2)
    const count = Math.max(2, Math.round(Math.hypot(p2![0] - p1![0], p2![1] - p1![1]) / stepMm))
    marks.push(points.length)
    const segment = catmullRom(p0!, p1!, p2!, p3!)
    for (let j = 0; j < count; j++) points.push(segment(j / count))
  }
  if (!closed) {
    marks.push(points.length)
    points.push(control[n - 1]!)
  }
  return { points, marks }
}

const mirror = (centre: Point, other: Point): Point => [2 * centre[0] - other[0], 2 * centre[1] - other[1]]

function catmullRom(p0: Point, p1: Point, p2: Point, p3: Point): (share: number) => Point {
  const knot = (a: Point, b: Point) => Math.max(1e-6, Math.hypot(a[0] - b[0], a[1] - b[1]) ** ALPHA)
  const t0 = 0
  const t1 = t0 + knot(p0, p1)
  const t2 = t1 + knot(p1, p2)
  const t3 = t2 + knot(p2, p3)
  return (share) => {
    const t = lerp(t1, t2, share)
    const mix = (a: Point, b: Point, u: number, v: number): Point => [
      (a[0] * (v - t) + b[0] * (t - u)) / (v - u),
      (a[1] * (v - t) + b[1] * (t - u)) / (v - u)
    ]
    const [a1, a2, a3] = [mix(p0, p1, t0, t1), mix(p1, p2, t1, t2), mix(p2, p3, t2, t3)]
    return mix(mix(a1, a2, t0, t2), mix(a2, a3, t1, t3), t1, t2)
  }
}

/** Normals to the left of the direction of travel: outward on a clockwise outline (y up). */
export function normalsOf(points: readonly Point[], closed = true): Point[] {
  const n = points.length
  return points.map((_, i) => {
    const a = points[closed ? (i - 1 + n) % n : Math.max(0, i - 1)]!
    const b = points[closed ? (i + 1) % n : Math.min(n - 1, i + 1)]!
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
    const length = Math.hypot(dx, dy) || 1
    return [-dy / length, dx / length]
  })
}

/** A tail: its spine with widths at base, at 40 % and at the tip, as a closed ring and its axis. */
export function tubeAround(
  spine: readonly Point[],
  widths: readonly [number, number, number],
  stepMm: number
): { readonly ring: readonly Point[]; readonly axis: readonly Point[] } {
  const axis = sampleCurve(spine, () => false, stepMm, false).points
  const normals = normalsOf(axis, false)
  const [base, middle, tip] = widths
  const widthAt = (t: number) => {
    const plain = t < 0.4 ? lerp(base, middle, t / 0.4) : lerp(middle, tip, (t - 0.4) / 0.6)
    return plain * (t > 0.9 ? Math.sqrt(Math.max(0, 1 - ((t - 0.9) / 0.1) ** 2)) * 0.9 + 0.1 : 1)
  }
  const side = (sign: number) =>
    axis.map((p, i): Point => {
      const half = (sign * widthAt(i / (axis.length - 1))) / 2
      return [p[0] + normals[i]![0] * half, p[1] + normals[i]![1] * half]
    })
  return { ring: [...side(1), ...side(-1).reverse()], axis }
}

/** The sample of a path nearest to a place, looked for in steps of `step`, and the way the path runs there. */
export function nearestOn(path: readonly Point[], [x, y]: Point, step = 2): { readonly index: number; readonly along: Point } {
  let [index, least] = [0, Infinity]
  for (let i = 0; i < path.length; i += step) {
    const d = (x - path[i]![0]) ** 2 + (y - path[i]![1]) ** 2
    if (d < least) [least, index] = [d, i]
  }
  const [a, b] = [path[Math.max(0, index - 1)], path[Math.min(path.length - 1, index + 1)]]
  return { index, along: unit([b![0] - a![0], b![1] - a![1]]) }
}
