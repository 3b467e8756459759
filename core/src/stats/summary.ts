import { CoreError } from '../error'

/** Arithmetic mean. Refuses an empty list (code `empty`). */
export function mean(values: readonly number[]): number {
  refuseEmpty(values)
  return values.reduce((sum, value) => sum + value, 0) / values.length
}

/** Sample variance (divisor n - 1), R's `var`; 0 for a single value, whose spread is unknown. */
export function sampleVariance(values: readonly number[]): number {
  const centre = mean(values)
  if (values.length < 2) return 0
  return values.reduce((sum, value) => sum + (value - centre) ** 2, 0) / (values.length - 1)
}

/** Sample quantile, R type 7. `share01` 0..1. Refuses an empty list. */
export function quantile(values: readonly number[], share01: number): number {
  refuseEmpty(values)
  const sorted = [...values].sort((a, b) => a - b)
  const at = (sorted.length - 1) * share01
  const below = Math.floor(at)
  const above = Math.min(below + 1, sorted.length - 1)
  return sorted[below]! + (sorted[above]! - sorted[below]!) * (at - below)
}

function refuseEmpty(values: readonly number[]): void {
  if (values.length === 0) throw new CoreError({ code: 'empty', path: 'values', got: '[]', limit: 'at least one value' })
}
