// What a person has read on this tablet, kept for a day: a screen opens from it when the server cannot be reached.
import type { EndpointName } from '@peen/contract'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** One answer as it was read last. */
export type KeptReply = {
  readonly key: string
  /** who read it; empty for what is read before a sign-in */
  readonly person: string
  /** by this tablet's own clock, ms */
  readonly at: number
  readonly reply: unknown
}

/** So long a tablet opens without the server, ms. */
export const A_DAY_MS = 24 * 3600000
/** What comes close together is written once, ms; short, since a page may be loaded again as soon as it stands. */
const GATHER_MS = 50

/**
 * What opens without the server: the room, visits, sheets, dogs and their coats, apprentices, the library. Accounts, owners,
 * findings and second marks are read from the server or not at all.
 */
const KEPT: ReadonlySet<EndpointName> = new Set<EndpointName>([
  ...([
    'school',
    'floor',
    'day',
    'daySummaries',
    'calendar',
    'visit',
    'visitWork',
    'visitCoat',
    'visitsOfDog',
    'visitsOfApprentice'
  ] as const),
  ...(['grading', 'trims', 'gradeRules', 'standards', 'standard', 'technique', 'draft', 'coatRules'] as const),
  ...(['dogs', 'dog', 'coats', 'coat', 'apprentices', 'apprentice', 'figures', 'notes', 'answers', 'wall'] as const)
])
export const isKept = (name: EndpointName): boolean => KEPT.has(name)

type Shape = DBSchema & { replies: { key: string; value: KeptReply; indexes: { person: string; at: number } } }

let database: Promise<IDBPDatabase<Shape>> | null = null
async function opened(): Promise<IDBPDatabase<Shape>> {
  if (!globalThis.indexedDB) throw new Error('This browser keeps nothing.')
  return (database ??= openDB<Shape>('peen-read', 1, {
    upgrade(fresh) {
      const store = fresh.createObjectStore('replies', { keyPath: 'key' })
      store.createIndex('person', 'person')
      store.createIndex('at', 'at')
    }
  }))
}

const waiting = new Map<string, KeptReply>()
let timer: ReturnType<typeof setTimeout> | undefined

/** Keeps an answer, in place of the one before. A browser that keeps nothing goes on without. */
export function keepReply(one: KeptReply): void {
  waiting.set(one.key, one)
  timer ??= setTimeout(() => void writeReplies(), GATHER_MS)
}

/** Writes what still waits to be kept; until it is written it is still recalled from here. */
export async function writeReplies(): Promise<void> {
  clearTimeout(timer)
  timer = undefined
  const batch = [...waiting.values()]
  try {
    const { store, done } = (await opened()).transaction('replies', 'readwrite')
    await Promise.all([...batch.map((one) => store.put(one)), done])
  } catch {
    // private windows and full disks keep nothing: the screen is right all the same
  }
  for (const one of batch) if (waiting.get(one.key) === one) waiting.delete(one.key)
}
// a page that is left or loaded again keeps what it has read a moment ago
globalThis.addEventListener?.('pagehide', () => void writeReplies())

/** The answer that was kept under a key, if it is no older than a day. */
export async function recallReply(key: string, now: number): Promise<KeptReply | null> {
  const found =
    waiting.get(key) ??
    (await opened()
      .then((db) => db.get('replies', key))
      .catch(() => undefined))
  return found && now - found.at < A_DAY_MS ? found : null
}

/** Forgets what one person has read, or everything that is older than a day. */
export async function forgetReplies(which: { readonly person: string } | { readonly before: number }): Promise<void> {
  if ('person' in which) for (const [key, { person }] of waiting) if (person === which.person) waiting.delete(key)
  try {
    const { store, done } = (await opened()).transaction('replies', 'readwrite')
    const keys =
      'person' in which
        ? await store.index('person').getAllKeys(which.person)
        : await store.index('at').getAllKeys(IDBKeyRange.upperBound(which.before))
    await Promise.all([...keys.map((key) => store.delete(key)), done])
  } catch {
    // nothing is kept here
  }
}

/** Everything that is kept under keys that begin alike, of any age. */
export async function repliesUnder(prefix: string): Promise<readonly KeptReply[]> {
  await writeReplies()
  const range = () => IDBKeyRange.bound(prefix, `${prefix}\uffff`)
  return opened()
    .then((db) => db.getAll('replies', range()))
    .catch(() => [])
}

/** Forgets one answer. */
export async function dropReply(key: string): Promise<void> {
  waiting.delete(key)
  await opened()
    .then((db) => db.delete('replies', key))
    .catch(() => undefined)
}
