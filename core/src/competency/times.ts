// How long a technique takes against the dog's standard minutes, and when it will take no longer than that.
import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { EigenvalueDecomposition, Matrix, pseudoInverse } from 'ml-matrix'
import { CoreError } from '../error'
import { normalDraw, quantile, randomFrom } from '../stats'

/** One attempt: its number from 1 on, and its minutes over the standard minutes of that dog. */
export type Timed = { readonly n: number; readonly ratio: number }

/** t = a + b n^-c in standard minutes; `covariance` of what was fitted, in the order a, b, c. */
export type TimeFit = {
  readonly method: 'power law of practice (Levenberg-Marquardt)'
  readonly a: number
  readonly b: number
  readonly c: number
  /** a stays at 0 under thirty attempts: too few to tell where it ends */
  readonly levels: boolean
  readonly n: number
  readonly rss: number
  readonly covariance: readonly (readonly number[])[]
}

type Shape = { readonly of: (p: readonly number[], x: number) => number; readonly by: (p: readonly number[], x: number) => number[] }
const SINKS: Shape = {
  of: ([b, c], x) => b! * x ** -c!,
  by: ([b, c], x) => [x ** -c!, -b! * Math.log(x) * x ** -c!]
}
const LEVELS: Shape = {
  of: ([a, b, c], x) => a! + b! * x ** -c!,
  by: ([, b, c], x) => [1, x ** -c!, -b! * Math.log(x) * x ** -c!]
}

/** Chosen: with fewer nothing is told. */
export const LEAST_TIMED = 5
/** From here on the end of the curve is fitted too. Source: docs/method.md, Minutes over practice. */
export const LEVELS_FROM = 30
const BOUNDS = Object.freeze({ a: [0, 10], b: [1e-6, 50], c: [0, 3] } as const)

type Fit = { readonly parameters: readonly number[]; readonly rss: number; readonly covariance: readonly (readonly number[])[] }

/** Least squares for a shape, from a start, within bounds. Covariance from the Jacobian at the end. */
function fitShape(
  shape: Shape,
  x: readonly number[],
  y: readonly number[],
  start: readonly number[],
  [low, high]: readonly [readonly number[], readonly number[]]
): Fit {
  const { parameterValues: parameters } = levenbergMarquardt({ x: [...x], y: [...y] }, (p: number[]) => (at: number) => shape.of(p, at), {
    initialValues: [...start],
    minValues: [...low],
    maxValues: [...high],
    damping: 0.01,
    jacobianFunction: (p: number[]) => (at: number) => shape.by(p, at),
    maxIterations: 300,
    errorTolerance: 1e-14
  })
  const rss = x.reduce((sum, at, i) => sum + (y[i]! - shape.of(parameters, at)) ** 2, 0)
  const jacobian = new Matrix(x.map((at) => shape.by(parameters, at)))
  const spread = rss / Math.max(1, x.length - parameters.length)
  const covariance = pseudoInverse(jacobian.transpose().mmul(jacobian)).mul(spread).to2DArray()
  return { parameters, rss, covariance }
}

/**
 * y = b x^c by least squares, without bounds that matter.
 * @throws CoreError `tooFew` under three points
 * Source: NIST StRD DanWood is the check beside it.
 */
export function fitPower(
  x: readonly number[],
  y: readonly number[],
  start: readonly [number, number]
): { b: number; c: number; rss: number } {
  if (x.length < 3) throw new CoreError({ code: 'tooFew', path: 'points', got: x.length, limit: '3 or more' })
  const { parameters, rss } = fitShape(
    SINKS,
    x,
    y,
    [start[0], -start[1]],
    [
      [-1e6, -50],
      [1e6, 50]
    ]
  )
  return { b: parameters[0]!, c: -parameters[1]!, rss }
}

/**
 * The curve of minutes over practice: t = a + b n^-c, a held at 0 under thirty attempts.
 * @param times in any order; ratios above 0
 * @returns null under five attempts
 * Source: docs/method.md, Minutes over practice (power law of practice, Newell & Rosenbloom 1981, from memory).
 */
export function fitTimes(times: readonly Timed[]): TimeFit | null {
  if (times.length < LEAST_TIMED) return null
  const [x, y] = [times.map(({ n }) => n), times.map(({ ratio }) => ratio)]
  const levels = times.length >= LEVELS_FROM
  const first = Math.max(...y)
  const { a, b, c } = BOUNDS
  const found = levels
    ? fitShape(
        LEVELS,
        x,
        y,
        [Math.min(...y) / 2, first, 0.4],
        [
          [a[0], b[0], c[0]],
          [a[1], b[1], c[1]]
        ]
      )
    : fitShape(
        SINKS,
        x,
        y,
        [first, 0.3],
        [
          [b[0], c[0]],
          [b[1], c[1]]
        ]
      )
  const own = levels ? found.parameters : [0, ...found.parameters]
  const covariance = levels ? found.covariance : [[0, 0, 0], ...found.covariance.map((row) => [0, ...row])]
  return {
    method: 'power law of practice (Levenberg-Marquardt)',
    a: own[0]!,
    b: own[1]!,
    c: own[2]!,
    levels,
    n: times.length,
    rss: found.rss,
    covariance
  }
}

/** Standard minutes that the n-th attempt is expected to take. */
export const timeAt = ({ a, b, c }: Pick<TimeFit, 'a' | 'b' | 'c'>, n: number): number => a + b * n ** -c

/** When the standard time is reached: it is already, at such an attempt (with 95 % bounds; null is "not at all"), or not at this rate. */
export type When =
  | { readonly kind: 'already'; readonly now: number }
  | { readonly kind: 'at'; readonly now: number; readonly attempt: number; readonly interval: readonly [number, number | null] }
  | { readonly kind: 'never'; readonly now: number }

const DRAWS = 800
/** Chosen: what would take more attempts than this is not reached at this rate. */
const MOST_ATTEMPTS = 400
const SEED = 20260414

/**
 * The attempt at which the curve comes down to `target` standard minutes, by drawing the fitted curve's parameters.
 * "Never" where half of the draws or more do not come down to it within 400 attempts.
 * @param done the number of attempts so far
 */
export function whenAt(fit: TimeFit, target: number, done: number): When {
  const now = timeAt(fit, Math.max(1, done))
  if (now <= target) return { kind: 'already', now }
  const mean = fit.levels ? [fit.a, fit.b, fit.c] : [fit.b, fit.c]
  const draws = drawsOf(mean, fit.levels ? fit.covariance : fit.covariance.slice(1).map((row) => row.slice(1)))
  const reached = draws.map((p) => {
    const [a, b, c] = p.length === 3 ? p : [0, ...p]
    if (target <= a! || c! <= 0 || b! <= 0) return Infinity
    const attempt = ((target - a!) / b!) ** (-1 / c!)
    return attempt > MOST_ATTEMPTS ? Infinity : Math.max(done + 1, Math.ceil(attempt))
  })
  const middle = quantileOf(reached, 0.5)
  if (middle === Infinity) return { kind: 'never', now }
  const last = quantileOf(reached, 0.975)
  return { kind: 'at', now, attempt: middle, interval: [quantileOf(reached, 0.025), last === Infinity ? null : last] }
}

function drawsOf(mean: readonly number[], covariance: readonly (readonly number[])[]): number[][] {
  const random = randomFrom(SEED)
  const { eigenvectorMatrix, realEigenvalues } = new EigenvalueDecomposition(new Matrix(covariance), { assumeSymmetric: true })
  // a parameter at its bound leaves no spread along it: rounding may put that a hair under nought
  const lower = eigenvectorMatrix.clone().mulRowVector(realEigenvalues.map((value) => Math.sqrt(Math.max(0, value))))
  return Array.from({ length: DRAWS }, () => {
    const z = Matrix.columnVector(mean.map(() => normalDraw(random)))
    const off = lower.mmul(z)
    return mean.map((value, i) => Math.max(0, value + off.get(i, 0)))
  })
}

/** A quantile that may be "never": type 1, without going between two values. */
function quantileOf(values: readonly number[], share: number): number {
  const sorted = [...values].sort((x, y) => x - y)
  return sorted[Math.min(sorted.length - 1, Math.max(0, Math.ceil(share * sorted.length) - 1))]!
}

/** The middle of the latest ratios: what a technique takes these days. */
export function recentRatio(times: readonly Timed[], count = 5): number | null {
  const last = [...times].sort((x, y) => x.n - y.n).slice(-count)
  return last.length === 0
    ? null
    : quantile(
        last.map(({ ratio }) => ratio),
        0.5
      )
}
