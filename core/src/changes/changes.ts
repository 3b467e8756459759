// What differs between two versions of something that is data: leaf by leaf, list members matched by their id.

export type Change = {
  /** the way to the leaf: names of fields, and ids or places (from 1) in lists */
  readonly path: readonly string[]
  readonly before: string | null
  readonly after: string | null
}

type Data = unknown

/**
 * Every leaf that is not the same, in the order of `after`, then what is gone. Members of a list that all carry an `id` are
 * matched by it, others by their place; a moved member is said once, as its new place. Numbers and words are told as text.
 */
export function changesBetween(before: Data, after: Data, path: readonly string[] = []): readonly Change[] {
  if (before === after) return []
  const [a, b] = [membersOf(before), membersOf(after)]
  if (!a || !b) return same(before, after) ? [] : [{ path, before: tell(before), after: tell(after) }]
  const names = [...b.keys(), ...[...a.keys()].filter((name) => !b.has(name))]
  const inside = names.flatMap((name) => changesBetween(a.get(name), b.get(name), [...path, name]))
  return [...inside, ...movesBetween(before, after, path)]
}

function movesBetween(before: Data, after: Data, path: readonly string[]): readonly Change[] {
  const [a, b] = [idsOf(before), idsOf(after)]
  if (!a || !b) return []
  const kept = { a: a.filter((id) => b.includes(id)), b: b.filter((id) => a.includes(id)) }
  const still = longestCommon(kept.a, kept.b)
  return kept.b
    .filter((id) => !still.has(id))
    .map((id) => ({ path: [...path, id], before: `place ${a.indexOf(id) + 1}`, after: `place ${b.indexOf(id) + 1}` }))
}

/** Members that keep their order: the longest common subsequence of two orders of the same ids. */
function longestCommon(a: readonly string[], b: readonly string[]): ReadonlySet<string> {
  const long = Array.from({ length: a.length + 1 }, () => new Array<number>(b.length + 1).fill(0))
  for (let i = a.length - 1; i >= 0; i--)
    for (let j = b.length - 1; j >= 0; j--)
      long[i]![j] = a[i] === b[j] ? long[i + 1]![j + 1]! + 1 : Math.max(long[i + 1]![j]!, long[i]![j + 1]!)
  const kept = new Set<string>()
  let [i, j] = [0, 0]
  while (i < a.length && j < b.length) {
    if (a[i] === b[j]) {
      kept.add(a[i]!)
      i++
      j++
    } else if (long[i + 1]![j]! >= long[i]![j + 1]!) i++
    else j++
  }
  return kept
}

/** What a list member is known by: its id; for a row of work its place, part and house side; for a step its technique; for a variant its question and side. */
export function idOf(item: Data): string | null {
  const { id, place, part, technique, rule, side } = (item ?? {}) as Record<string, unknown>
  const { house } = (item ?? {}) as { readonly house?: { readonly id: string; readonly side: number } }
  if (typeof id === 'string') return id
  if (typeof place === 'string') return [place, part, house && `${house.id} ${house.side}`].filter(Boolean).join(', ')
  if (typeof technique === 'string') return technique
  return typeof rule === 'string' ? `${rule} ${String(side)}` : null
}

/** The ids of a list whose members all have one of their own; null for any other data. */
function idsOf(data: Data): readonly string[] | null {
  if (!Array.isArray(data) || data.length === 0) return null
  const ids = data.map(idOf)
  return ids.every((id) => id !== null) && new Set(ids).size === ids.length ? (ids as string[]) : null
}

function membersOf(data: Data): ReadonlyMap<string, Data> | null {
  if (Array.isArray(data)) {
    if (data.every((item) => typeof item !== 'object' || item === null) && data.length <= 2) return null
    const ids = idsOf(data)
    const list: readonly Data[] = data
    return new Map(list.map((item, i) => [ids?.[i] ?? String(i + 1), item]))
  }
  return typeof data === 'object' && data !== null ? new Map(Object.entries(data)) : null
}

const same = (a: Data, b: Data) => JSON.stringify(a ?? null) === JSON.stringify(b ?? null)

function tell(data: Data): string | null {
  if (data === undefined || data === null) return null
  if (Array.isArray(data) && data.length > 2 && data.every((item) => typeof item === 'object')) return `${data.length} entries`
  if (Array.isArray(data)) return data.map((item) => tell(item) ?? 'open').join(' to ')
  if (typeof data !== 'object') return String(data)
  const { label, name, say, says } = data as Record<string, unknown>
  return String(label ?? name ?? say ?? says ?? JSON.stringify(data))
}
