// Two devices changed one thing from the same beginning: what each changed is put together, and where both did, a person says which holds.
import { idOf } from './changes'

/** A place that both changed, each otherwise; `undefined`: it is not there. */
export type Clash = {
  /** the way to it: names of fields and keys of list members, joined by `/` */
  readonly at: string
  readonly path: readonly string[]
  readonly here: unknown
  readonly there: unknown
}
export type Choice = 'here' | 'there'

/** How members are told apart, and which things are one however they are made: both by the way to them. */
export type How = { readonly keyOf?: KeyOf; readonly isWhole?: (path: readonly string[]) => boolean }

/** What a list member is known by; null where members are told by their place alone, and the list is one thing. */
export type KeyOf = (member: unknown, path: readonly string[]) => string | null

export type Together<T> = { readonly value: T; readonly clashes: readonly Clash[] }

/**
 * Plain data (JSON) merged from its common beginning. A change on one side only holds; the same change on both is one; members
 * of a list are matched by `keyOf`, those that came on both sides are all kept, the order is that of the side that moved them
 * (`there` where both did). A clash takes the side that `choices` names under its place, else `here`.
 */
export function putTogether<T>(base: T, here: T, there: T, how: How = {}, choices: Readonly<Record<string, Choice>> = {}): Together<T> {
  const clashes: Clash[] = []
  const value = join({ base, here, there }, [], { keyOf: memberId, isWhole: () => false, ...how, choices, clashes })
  return { value: value as T, clashes }
}

type Three = { readonly base: unknown; readonly here: unknown; readonly there: unknown }
type Work = Required<How> & { readonly choices: Readonly<Record<string, Choice>>; readonly clashes: Clash[] }

/** A member is known as for the changes between versions; a word by itself. Numbers are not: two of them are a range. */
export function memberId(member: unknown): string | null {
  return typeof member === 'string' ? member : idOf(member)
}

function join(three: Three, path: readonly string[], work: Work): unknown {
  const { base, here, there } = three
  if (same(here, there) || same(there, base)) return here
  if (same(here, base)) return there
  if (isRecord(here) && isRecord(there) && !work.isWhole(path)) return joinRecords(three, path, work)
  const lists = keyedLists(three, path, work.keyOf)
  if (lists) return joinLists(lists, path, work)
  const at = path.join('/')
  work.clashes.push({ at, path, here, there })
  return work.choices[at] === 'there' ? there : here
}

function joinRecords({ base, here, there }: Three, path: readonly string[], work: Work): unknown {
  const of = (data: unknown, name: string) => (isRecord(data) && Object.hasOwn(data, name) ? data[name] : undefined)
  const names = [...new Set([...Object.keys(there as object), ...Object.keys(here as object)])]
  const entries = names.flatMap((name) => {
    const value = join({ base: of(base, name), here: of(here, name), there: of(there, name) }, [...path, name], work)
    return value === undefined ? [] : [[name, value] as const]
  })
  return Object.fromEntries(entries)
}

type Keyed = ReadonlyMap<string, unknown>
type Lists = { readonly base: Keyed; readonly here: Keyed; readonly there: Keyed }

/** The three lists by key; null where one is no list, or a member has no key of its own. What was not there before is an empty one. */
function keyedLists({ base, here, there }: Three, path: readonly string[], keyOf: KeyOf): Lists | null {
  const keyed = (data: unknown): Keyed | null => {
    if (!Array.isArray(data)) return null
    const members = data.map((member: unknown) => [keyOf(member, path), member] as const)
    const byKey = new Map(members.flatMap(([key, member]) => (key === null ? [] : [[key, member] as const])))
    return byKey.size === data.length ? byKey : null
  }
  const [b, h, t] = [base === undefined ? new Map<string, unknown>() : keyed(base), keyed(here), keyed(there)]
  return b && h && t ? { base: b, here: h, there: t } : null
}

function joinLists({ base, here, there }: Lists, path: readonly string[], work: Work): unknown {
  const order = orderOf(base, here, there)
  return order.flatMap((key) => {
    const value = join({ base: base.get(key), here: here.get(key), there: there.get(key) }, [...path, key], work)
    return value === undefined ? [] : [value]
  })
}

/** Keys of all members: as the side has them that moved some, with those of the other side after what they followed there. */
function orderOf(base: Keyed, here: Keyed, there: Keyed): readonly string[] {
  const kept = (list: Keyed) => [...list.keys()].filter((key) => base.has(key) && here.has(key) && there.has(key)).join('\n')
  const [first, second] = kept(there) === kept(base) ? [here, there] : [there, here]
  const order = [...first.keys()]
  let after = -1
  for (const key of second.keys()) {
    const at = order.indexOf(key)
    if (at >= 0) after = at
    else order.splice(++after, 0, key)
  }
  return order
}

const isRecord = (data: unknown): data is Readonly<Record<string, unknown>> =>
  typeof data === 'object' && data !== null && !Array.isArray(data)

/** Is it the same data? The order of names says nothing; a field that is `undefined` is not there. */
function same(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((member, i) => same(member, b[i]))
  if (!isRecord(a) || !isRecord(b)) return false
  const names = new Set([...Object.keys(a), ...Object.keys(b)])
  return [...names].every((name) => same(a[name], b[name]))
}
