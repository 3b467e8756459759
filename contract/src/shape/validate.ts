import { ValidationError, type Schema } from './yup'

/** A refusal of one field, in words that name the field, the value and what is allowed. */
export type FieldIssue = { readonly path: string; readonly detail: string }

/** Problem details on the wire (RFC 9457). `code` is stable, `detail` is the sentence for the person. */
export type Problem = {
  readonly type: string
  readonly title: string
  readonly status: number
  readonly code: string
  readonly detail: string
  readonly errors?: readonly FieldIssue[]
  readonly [extra: string]: unknown
}

export type Checked<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly issues: readonly FieldIssue[] }

/** Checks a value against a schema, strictly (no silent conversion), and collects every issue. */
export function check<T>(schema: Schema<T>, value: unknown): Checked<T> {
  try {
    return { ok: true, value: schema.validateSync(value, { strict: true, abortEarly: false }) as T }
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const inner = error.inner.length > 0 ? error.inner : [error]
    return { ok: false, issues: inner.map((issue) => ({ path: issue.path ?? '', detail: issue.message })) }
  }
}
