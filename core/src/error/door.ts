import { CoreError, type CoreIssue } from './core-error'

// The door of a subject: what comes in is looked through once, here; inside the subject it is trusted.

/** Refuses one argument by a CoreError, or says nothing. */
export type Check = (value: unknown, path: string) => void
type Anything = (...args: never[]) => unknown
type Checks<M> = { readonly [K in keyof M]?: readonly (Check | null)[] }

/** Fields that are lengths of something that is there, mm: none is under 0. Differences, places and movements are not among them. */
const LENGTHS: ReadonlySet<string> = new Set(
  (
    'lengthMm hairMm terminalMm targetMm grownOutMm commonMm plannedUpToMm heightMm withersMm widthMm topMm rootMm tipMm ' +
    'grownMm stepMm gaugeMm bareMm leavesMm plannedMm standingMm footMm pxPerMm cameraMm radiusMm'
  ).split(' ')
)
/** What has been looked through before: data in core is never written to again. */
const known = new WeakSet<object>()
/** Days that a calendar has, as far as they have been met: a record of years holds a few thousand. */
const days = new Set<string>()

/**
 * A module's functions as a subject hands them out: every number they are given, however deep, is finite, every length 0 mm or more,
 * and what is written as a day is one. `checks` says for each argument in turn what else it must be; null says nothing more.
 * @throws CoreError `notFinite`, `negativeLength`, `notADate`, or what a check refuses
 */
export function door<M extends object>(module: M, checks: Checks<M> = {}): M {
  const guarded = Object.entries(module).map(([name, value]) => [
    name,
    isFunction(value) ? guard(name, value, checks[name as keyof M] ?? []) : (value as unknown)
  ])
  return Object.fromEntries(guarded) as M
}

/** A list of `least` to `most` members. */
export const items =
  (least: number, most = Infinity): Check =>
  (value, path) => {
    const n = (value as { readonly length: number }).length
    if (n >= least && n <= most) return
    const limit = most === Infinity ? `${least} or more` : most === least ? `${least} exactly` : `${least} to ${most}`
    throw new CoreError({ code: n < least ? 'tooFew' : 'tooMany', path, got: n, limit })
  }

/** A number over `low`. */
export const over =
  (low: number, unit = ''): Check =>
  (value, path) => {
    if (value === undefined || (value as number) > low) return
    throw new CoreError({ code: 'outOfRange', path, got: value, limit: `over ${low}${unit && ` ${unit}`}` })
  }

/** A number from `low` to `high`, both allowed. */
export const from =
  (low: number, high = Infinity, unit = ''): Check =>
  (value, path) => {
    if (value === undefined || ((value as number) >= low && (value as number) <= high)) return
    const limit = high === Infinity ? `${low} or more` : `${low} to ${high}`
    throw new CoreError({ code: 'outOfRange', path, got: value, limit: `${limit}${unit && ` ${unit}`}` })
  }

/** A date or a moment that a calendar has. */
export const date: Check = (value, path) => {
  if (Number.isFinite(Date.parse(String(value)))) return
  throw new CoreError({ code: 'notADate', path, got: value, limit: 'a date such as 2026-04-14' })
}

function guard(name: string, work: Anything, checks: readonly (Check | null)[]): Anything {
  const guarded = (...args: never[]) => {
    for (let i = 0; i < args.length; i++) {
      const wrong = look(args[i], name)
      if (wrong) throw new CoreError({ ...wrong, path: [name, i, ...wrong.path].join('.') })
      checks[i]?.(args[i], `${name}.${i}`)
    }
    for (let i = args.length; i < checks.length; i++) checks[i]?.(undefined, `${name}.${i}`)
    return work(...args)
  }
  return Object.defineProperty(guarded, 'name', { value: name })
}

/** What is wrong with a value and where in it; the way there is written down only once something is. */
type Wrong = Pick<CoreIssue, 'code' | 'got' | 'limit'> & { readonly path: readonly string[] }

const DASH = 45

function look(value: unknown, field: string, isMember = false): Wrong | null {
  if (typeof value === 'number') return lookAtNumber(value, field)
  if (typeof value === 'string') return value.charCodeAt(4) === DASH && value.charCodeAt(7) === DASH ? lookAtDay(value) : null
  if (typeof value !== 'object' || value === null || known.has(value) || ArrayBuffer.isView(value)) return null
  // what stands in a list is known with its list
  if (!isMember) known.add(value)
  const wrong = lookInside(value, field)
  if (wrong) known.delete(value)
  return wrong
}

function lookInside(value: object, field: string): Wrong | null {
  if (Array.isArray(value) || value instanceof Set) {
    const all = Array.isArray(value) ? value : [...value]
    for (let i = 0; i < all.length; i++) {
      const wrong = look(all[i], field, true)
      if (wrong) return under(i, wrong)
    }
    return null
  }
  if (value instanceof Map) {
    for (const [key, one] of value) {
      const wrong = look(one, String(key))
      if (wrong) return under(key, wrong)
    }
    return null
  }
  // data has no inherited fields, and this is the quickest way through it
  for (const key in value) {
    const wrong = look((value as Record<string, unknown>)[key], key)
    if (wrong) return under(key, wrong)
  }
  return null
}

const under = (key: unknown, wrong: Wrong): Wrong => ({ ...wrong, path: [String(key), ...wrong.path] })

function lookAtNumber(value: number, field: string): Wrong | null {
  if (!Number.isFinite(value)) return { code: 'notFinite', path: [], got: value, limit: 'a finite number' }
  return value < 0 && LENGTHS.has(field) ? { code: 'negativeLength', path: [], got: value, limit: '0 mm or more' } : null
}

/** What is written as a day is one: Date.parse takes 2026-02-30 for the second of March. */
function lookAtDay(value: string): Wrong | null {
  if (days.has(value) || !/^\d{4}-\d{2}-\d{2}(T|$)/.test(value)) return null
  const day = value.slice(0, 10)
  if (days.has(day)) return null
  const ms = Date.parse(`${day}T00:00:00Z`)
  if (Number.isFinite(ms) && new Date(ms).toISOString().slice(0, 10) === day) return (days.add(day), null)
  return { code: 'notADate', path: [], got: value, limit: 'a date such as 2026-04-14' }
}

const isFunction = (value: unknown): value is Anything => typeof value === 'function' && !String(value).startsWith('class')
