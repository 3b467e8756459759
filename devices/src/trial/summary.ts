// Many trials in numbers: bias, spread, coverage of each measure.
import type { TrialRow } from './trial'

export type TrialSummary = {
  readonly measure: string
  readonly n: number
  readonly bias: number
  readonly spread: number
  readonly medianU: number
  /** share of dogs whose truth lies within 1.96 u */
  readonly covered: number
  /** what 95 % coverage would give between in so many dogs, 95 % of the time */
  readonly bound: readonly [number, number]
}

const K = 1.96

export function summarise(rows: readonly TrialRow[]): TrialSummary[] {
  const names = [...new Set(rows.map(({ measure }) => measure))].sort()
  return names.map((measure) => {
    const own = rows.filter((row) => row.measure === measure)
    const n = own.length
    const off = own.map(({ value, truth }) => value - truth)
    const bias = off.reduce((sum, value) => sum + value, 0) / n
    const spread = Math.sqrt(off.reduce((sum, value) => sum + (value - bias) ** 2, 0) / Math.max(1, n - 1))
    const us = own.map(({ u }) => u).sort((a, b) => a - b)
    const covered = own.filter(({ value, truth, u }) => Math.abs(value - truth) <= K * u).length
    return { measure, n, bias, spread, medianU: us[Math.floor(n / 2)], covered: covered / n, bound: binomialBound(n) }
  })
}

/** Between which shares of `n` a chance of .95 falls, 95 % of the time: exact binomial, half left out on either side. */
export function binomialBound(n: number, p = 0.95): readonly [number, number] {
  let term = (1 - p) ** n
  let sum = 0
  let [low, high] = [-1, n]
  for (let k = 0; k <= n; k++) {
    sum += term
    if (low < 0 && sum >= 0.025) low = k
    if (sum >= 0.975) {
      high = k
      break
    }
    term *= ((n - k) / (k + 1)) * (p / (1 - p))
  }
  return [Math.max(0, low) / n, high / n]
}
