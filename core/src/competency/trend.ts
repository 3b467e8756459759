// Whether something rises or falls over attempts, without any shape taken for granted.
import { CoreError } from '../error'
import { normalCdf } from '../stats'

export type Trend = {
  readonly method: 'Mann-Kendall'
  readonly n: number
  /** pairs that rise less pairs that fall */
  readonly s: number
  /** its variance, ties taken off */
  readonly variance: number
  /** two-sided chance of so large an S where nothing changes, 0..1 */
  readonly p: number
  readonly way: 'rises' | 'falls' | 'noClearChange'
}

const LEAST = 4
/** Chosen: one in twenty. */
const CLEAR = 0.05

/**
 * Mann-Kendall test of a series in its order, with ties and continuity correction.
 * @throws CoreError `tooFew` under four values
 * Source: Mann 1945, Kendall 1975; variance with ties as in Gilbert 1987 (from memory).
 */
export function trendOf(values: readonly number[]): Trend {
  const n = values.length
  if (n < LEAST) throw new CoreError({ code: 'tooFew', path: 'values', got: n, limit: `${LEAST} or more` })
  let s = 0
  for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) s += Math.sign(values[j]! - values[i]!)
  const ties = new Map<number, number>()
  for (const value of values) ties.set(value, (ties.get(value) ?? 0) + 1)
  const term = (k: number) => k * (k - 1) * (2 * k + 5)
  const variance = (term(n) - [...ties.values()].reduce((sum, k) => sum + term(k), 0)) / 18
  const z = s === 0 || variance === 0 ? 0 : (s - Math.sign(s)) / Math.sqrt(variance)
  const p = 2 * (1 - normalCdf(Math.abs(z)))
  return { method: 'Mann-Kendall', n, s, variance, p: Math.min(1, p), way: p > CLEAR ? 'noClearChange' : s > 0 ? 'rises' : 'falls' }
}
