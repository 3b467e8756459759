/** What every refusal in core says: which rule, which field, what came, what is allowed. */
export type CoreIssue = {
  readonly code: string
  readonly path: string
  readonly got: unknown
  readonly limit: string
}

/**
 * The one error core throws. Expected refusals only; a defect stays an ordinary Error.
 * @example throw new CoreError({ code: 'outOfRange', path: 'lengthMm', got: -3, limit: '0 to 300 mm' })
 */
export class CoreError extends Error {
  readonly issue: CoreIssue
  constructor(issue: CoreIssue) {
    super(`${issue.path} is ${String(issue.got)}; it must be ${issue.limit}.`)
    this.name = 'CoreError'
    this.issue = issue
  }
}

/** Returns `value` when it is finite and inside [low, high]; refuses otherwise with code `outOfRange`. */
export function inRange(path: string, value: number, low: number, high: number, unit = ''): number {
  if (Number.isFinite(value) && value >= low && value <= high) return value
  throw new CoreError({ code: 'outOfRange', path, got: value, limit: `${low} to ${high}${unit ? ` ${unit}` : ''}` })
}
