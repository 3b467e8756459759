import { CoreError } from '@peen/core/error'
import { troubleOf } from '../db'
import type { FieldIssue, OwnProblem, Problem } from '@peen/contract'

/** An expected refusal: its HTTP status stands beside its code and its sentence. */
export class Refused extends Error {
  readonly status: number
  readonly code: string
  readonly errors: readonly FieldIssue[]
  readonly extra: Readonly<Record<string, unknown>>
  constructor(
    status: number,
    code: string,
    detail: string,
    errors: readonly FieldIssue[] = [],
    extra: Readonly<Record<string, unknown>> = {}
  ) {
    super(detail)
    this.status = status
    this.code = code
    this.errors = errors
    this.extra = extra
  }
}

export const refuse = {
  invalid: (errors: readonly FieldIssue[]) => new Refused(422, 'invalid', errors.map((issue) => issue.detail).join(' '), errors),
  notSignedIn: () => new Refused(401, 'notSignedIn', 'Sign in first.'),
  passwordNeeded: () => new Refused(403, 'passwordNeeded', 'You signed in with a PIN. Enter your password to sign or to change accounts.'),
  forbidden: (detail: string) => new Refused(403, 'forbidden', detail),
  notFound: (what: string) => new Refused(404, 'notFound', `${what} does not exist.`),
  busy: (detail: string) => new Refused(429, 'busy', detail),
  taken: (what: string) => new Refused(409, 'idTaken', `The id of this ${what} is already in use. Choose another; nothing was changed.`),
  conflict: (code: OwnProblem, detail: string, extra: Readonly<Record<string, unknown>> = {}) => new Refused(409, code, detail, [], extra)
}

const TITLES: Readonly<Record<number, string>> = {
  400: 'Not understood',
  401: 'Not signed in',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Conflict',
  413: 'Too large',
  415: 'Not understood',
  422: 'Not accepted',
  429: 'Too much at once',
  500: 'Something went wrong',
  503: 'Not now',
  507: 'No room'
}

/** A full disk is no reason to wait in silence: a person has to make room. */
const TROUBLE = {
  away: {
    status: 503,
    code: 'databaseAway',
    says: 'Peen’s database is not answering. Nothing was changed; Peen tries again by itself.'
  },
  full: {
    status: 507,
    code: 'diskFull',
    says: 'The disk of Peen’s computer is full, so nothing can be saved. Free some space there (npm run doctor shows how much is left).'
  },
  readOnly: {
    status: 507,
    code: 'readOnly',
    says: 'The disk of Peen’s computer can no longer be written to, so nothing can be saved. Check that computer now.'
  }
} as const

/** Seconds after which a client may ask again. */
export const RETRY_AFTER_S = 5

/** Any error as problem details (RFC 9457); what is not expected becomes a 500 that shows an id only. */
export function problemOf(error: unknown, errorId: string): Problem {
  if (error instanceof Refused)
    return problem(error.status, error.code, error.message, { ...(error.errors.length ? { errors: error.errors } : {}), ...error.extra })
  if (error instanceof CoreError) {
    const { path, got, limit, code } = error.issue
    return problem(422, code, error.message, { errors: [{ path, detail: `${path} is ${String(got)}; it must be ${limit}.` }] })
  }
  const trouble = troubleOf(error)
  if (trouble) return problem(TROUBLE[trouble].status, TROUBLE[trouble].code, TROUBLE[trouble].says)
  const type = (error as { type?: string })?.type
  if (type === 'entity.too.large') {
    const { limit = 1048576, length = 0 } = error as { limit?: number; length?: number }
    const sent = length > 0 ? ` (it is ${Math.ceil(length / 1048576)} MB)` : ''
    return problem(413, 'tooLarge', `What was sent is larger than ${Math.round(limit / 1048576)} MB${sent}. Nothing was changed.`)
  }
  if (type === 'entity.parse.failed') return problem(400, 'brokenJson', 'The request is not valid JSON. Nothing was changed.')
  if (type === 'encoding.unsupported' || type === 'charset.unsupported')
    return problem(415, 'encoding', 'The request is not UTF-8 JSON. Nothing was changed.')
  const status = (error as { status?: number })?.status
  if (status !== undefined && status >= 400 && status < 500)
    return problem(status, 'notUnderstood', 'The request could not be understood. Nothing was changed.')
  return problem(500, 'broken', `Something went wrong in Peen. Nothing was changed. Quote ${errorId} when you report it.`)
}

function problem(status: number, code: string, detail: string, extra: object = {}): Problem {
  return { type: `urn:peen:problem:${code}`, title: TITLES[status] ?? 'Refused', status, code, detail, ...extra }
}
