// Where the pass mark would lie by the assessors' own first impressions.
import { GLOBAL_RATINGS, type GlobalRating } from '../grade'
import { mean } from '../stats'

/** One signed grading: the mark out of 100, and what was said of the trim before the mark was shown. */
export type Rated = { readonly mark: number; readonly rating: GlobalRating }

export type Borderline = {
  readonly method: 'borderline regression'
  readonly n: number
  /** mark = intercept + slope x rating, clear fail 0, borderline 1, pass 2, good 3, outstanding 4 */
  readonly intercept: number
  readonly slope: number
  /** the mark that is expected of a borderline trim */
  readonly cut: number
  /** 95 % interval of that */
  readonly interval: readonly [number, number]
  /** share of the marks' spread that the ratings explain, 0..1 */
  readonly r2: number
}

/** Under thirty trims nothing is shown. Source: docs/method.md, Pass marks by first impressions; chosen. */
export const LEAST_TRIMS = 30
const BORDERLINE = GLOBAL_RATINGS.indexOf('borderline')
const Z = 1.959963984540054

/**
 * Marks regressed on global ratings; the mark expected at "borderline" is set beside the fixed pass mark.
 * @returns null under thirty trims, or where every trim was rated alike
 * Source: borderline regression as used for practical examinations (Kramer et al. 2003, from memory); least squares.
 */
export function borderlineOf(trims: readonly Rated[]): Borderline | null {
  const n = trims.length
  if (n < LEAST_TRIMS) return null
  const x = trims.map(({ rating }) => GLOBAL_RATINGS.indexOf(rating))
  const y = trims.map(({ mark }) => mark)
  const [mx, my] = [mean(x), mean(y)]
  const sxx = x.reduce((sum, at) => sum + (at - mx) ** 2, 0)
  if (sxx === 0) return null
  const slope = x.reduce((sum, at, i) => sum + (at - mx) * (y[i]! - my), 0) / sxx
  const intercept = my - slope * mx
  const rss = x.reduce((sum, at, i) => sum + (y[i]! - intercept - slope * at) ** 2, 0)
  const syy = y.reduce((sum, value) => sum + (value - my) ** 2, 0)
  const cut = intercept + slope * BORDERLINE
  const half = Z * Math.sqrt((rss / (n - 2)) * (1 / n + (BORDERLINE - mx) ** 2 / sxx))
  return {
    method: 'borderline regression',
    n,
    intercept,
    slope,
    cut,
    interval: [cut - half, cut + half],
    r2: syy === 0 ? 1 : 1 - rss / syy
  }
}
