import { CoreError } from '../../error'
import { spreadOf } from './spread'
import type { PhotoPoint } from '../types'

/** A circle through points with how well it fits; mm where the points are. */
export type CircleFit = {
  readonly method: 'least squares of distances, from Taubin'
  readonly centre: PhotoPoint
  readonly radius: number
  /** sum of squared distances of the points from the circle, mm2 */
  readonly sumOfSquares: number
  readonly n: number
}

const MOST_STEPS = 60
/** Points whose spread across their line is less than this share of that along it lie on a line. Chosen. */
const LINE_SHARE = 1e-6

/**
 * The circle with the least sum of squared distances to points: an algebraic start (Taubin 1991), then
 * Levenberg-Marquardt on the distances themselves, which a lever arm of few points does not pull.
 * @param points three or more, mm, in any order
 * @returns centre and radius, mm
 * @throws CoreError `tooFew` under three points, `inALine` where they lie on one line or on one spot, `notFinite`
 * Source: Gander, Golub & Strebel 1994, BIT 34:558-578; Taubin 1991 in the Newton form of Chernov.
 * @example fitCircle([[1, 7], [2, 6], [5, 8], [7, 7], [9, 5], [3, 7]]).radius // 4.7142
 */
export function fitCircle(points: readonly PhotoPoint[]): CircleFit {
  checkPoints(points)
  let [cx, cy, r] = taubin(points)
  let lambda = 1e-3
  let cost = squares(points, cx, cy, r)
  for (let step = 0; step < MOST_STEPS; step++) {
    const [dx, dy, dr] = levenbergStep(points, cx, cy, r, lambda)
    const next = squares(points, cx + dx, cy + dy, r + dr)
    if (next <= cost) {
      ;[cx, cy, r] = [cx + dx, cy + dy, r + dr]
      const gain = cost - next
      cost = next
      lambda /= 4
      if (gain <= 1e-15 * (1 + cost) && Math.hypot(dx, dy, dr) < 1e-10 * (1 + r)) break
    } else lambda *= 8
  }
  return { method: 'least squares of distances, from Taubin', centre: [cx, cy], radius: r, sumOfSquares: cost, n: points.length }
}

/** The algebraic circle of Taubin: centre x, centre y, radius. */
export function taubin(points: readonly PhotoPoint[]): readonly [number, number, number] {
  const n = points.length
  const [mx, my] = [0, 1].map((axis) => points.reduce((sum, point) => sum + point[axis]!, 0) / n)
  const m = { xx: 0, yy: 0, xy: 0, xz: 0, yz: 0, zz: 0 }
  for (const [px, py] of points) {
    const [x, y] = [px - mx!, py - my!]
    const z = x * x + y * y
    m.xx += (x * x) / n
    m.yy += (y * y) / n
    m.xy += (x * y) / n
    m.xz += (x * z) / n
    m.yz += (y * z) / n
    m.zz += (z * z) / n
  }
  const mz = m.xx + m.yy
  const covXy = m.xx * m.yy - m.xy * m.xy
  const a3 = 4 * mz
  const a2 = -3 * mz * mz - m.zz
  const a1 = m.zz * mz + 4 * covXy * mz - m.xz * m.xz - m.yz * m.yz - mz ** 3
  const a0 = m.xz * m.xz * m.yy + m.yz * m.yz * m.xx - m.zz * covXy - 2 * m.xz * m.yz * m.xy + mz * mz * covXy
  let root = 0
  let value = Infinity
  for (let step = 0; step < 99; step++) {
    const polynomial = a0 + root * (a1 + root * (a2 + root * a3))
    if (Math.abs(polynomial) > Math.abs(value)) break
    value = polynomial
    const slope = a1 + root * (2 * a2 + 3 * root * a3)
    const next = root - polynomial / slope
    if (!Number.isFinite(next) || next < 0 || Math.abs(next - root) < 1e-14 * Math.abs(next)) break
    root = next
  }
  const det = root * root - root * mz + covXy
  const x = (m.xz * (m.yy - root) - m.yz * m.xy) / det / 2
  const y = (m.yz * (m.xx - root) - m.xz * m.xy) / det / 2
  return [x + mx!, y + my!, Math.sqrt(x * x + y * y + mz)]
}

function squares(points: readonly PhotoPoint[], cx: number, cy: number, r: number): number {
  return points.reduce((sum, [x, y]) => sum + (Math.hypot(x - cx, y - cy) - r) ** 2, 0)
}

/** One damped step of the distances' least squares, by Cramer's rule. */
function levenbergStep(
  points: readonly PhotoPoint[],
  cx: number,
  cy: number,
  r: number,
  lambda: number
): readonly [number, number, number] {
  const jtj = [0, 0, 0, 0, 0, 0]
  const jtr = [0, 0, 0]
  for (const [x, y] of points) {
    const d = Math.hypot(x - cx, y - cy) || 1e-12
    const [ux, uy] = [(cx - x) / d, (cy - y) / d]
    const residual = d - r
    jtj[0]! += ux * ux
    jtj[1]! += ux * uy
    jtj[2]! -= ux
    jtj[3]! += uy * uy
    jtj[4]! -= uy
    jtj[5]! += 1
    jtr[0]! -= ux * residual
    jtr[1]! -= uy * residual
    jtr[2]! += residual
  }
  const damp = 1 + lambda
  const [a, b, c, d, e, f] = [jtj[0]! * damp, jtj[1], jtj[2], jtj[3]! * damp, jtj[4], jtj[5]! * damp]
  const det = a * (d * f - e! * e!) - b! * (b! * f - e! * c!) + c! * (b! * e! - d * c!)
  if (Math.abs(det) < 1e-300) return [0, 0, 0]
  const [p, q, s] = jtr
  return [
    (p! * (d * f - e! * e!) - b! * (q! * f - e! * s!) + c! * (q! * e! - d * s!)) / det,
    (a * (q! * f - e! * s!) - p! * (b! * f - e! * c!) + c! * (b! * s! - q! * c!)) / det,
    (a * (d * s! - q! * e!) - b! * (b! * s! - q! * c!) + p! * (b! * e! - d * c!)) / det
  ]
}

function checkPoints(points: readonly PhotoPoint[]): void {
  if (points.length < 3) throw new CoreError({ code: 'tooFew', path: 'points', got: points.length, limit: '3 or more' })
  points.forEach(([x, y], i) => {
    if (!Number.isFinite(x) || !Number.isFinite(y))
      throw new CoreError({ code: 'notFinite', path: `points.${i}`, got: `${x}, ${y}`, limit: 'two numbers' })
  })
  const { xx, yy, xy } = spreadOf(points)
  const [half, spread] = [(xx + yy) / 2, Math.hypot((xx - yy) / 2, xy)]
  if (half - spread <= LINE_SHARE ** 2 * (half + spread) || half + spread === 0)
    throw new CoreError({ code: 'inALine', path: 'points', got: 'points on one line', limit: 'points that lie round a circle' })
}
