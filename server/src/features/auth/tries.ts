// Wrong passwords slow down further tries, by name and by address; another's guesses lock no one out.
import { and, count, eq, gt, inArray } from 'drizzle-orm'
import { v7 } from 'uuid'
import { tables, type Database } from '../../db'
import { Refused } from '../../http'

/** Wrong tries are remembered so long, minutes. Chosen. */
const WINDOW_MINUTES = 15
/** So many wrong tries cost nothing; each further one doubles the wait, up to the longest, ms. Chosen. */
const FREE: Readonly<Record<Kind, number>> = Object.freeze({ name: 5, address: 25 })
const FIRST_WAIT_MS = 200
const LONGEST_WAIT_MS = 3000
/** More than these at once for one key are sent away: they are no person at a keyboard. Chosen. */
const MOST_WAITING = 8

type Kind = 'name' | 'address'
export type Key = { readonly kind: Kind; readonly value: string }
/** Wrong PINs of one person on one tablet. */
export const pinKey = (deviceId: string, personId: string): Key => ({ kind: 'name', value: `pin ${deviceId} ${personId}` })

const textOf = ({ kind, value }: Key) => `${kind}:${value}`.slice(0, 120)

const { signInFailures: f } = tables

/** One after another for each key, so that tries sent together are counted as if they came in turn. */
const queues = new Map<string, { tail: Promise<unknown>; waiting: number }>()

async function inTurn<T>(key: string, work: () => Promise<T>): Promise<T> {
  const queue = queues.get(key) ?? { tail: Promise.resolve(), waiting: 0 }
  queues.set(key, queue)
  if (queue.waiting >= MOST_WAITING) throw new Refused(429, 'tooManyTries', 'Too many attempts at once. Wait a moment, then try again.')
  queue.waiting++
  const run = queue.tail.then(work)
  queue.tail = run.catch(() => undefined)
  try {
    return await run
  } finally {
    if (--queue.waiting === 0) queues.delete(key)
  }
}

/** How long the next try waits after so many wrong ones, ms. */
export function waitAfter(wrong: number, free: number): number {
  return wrong < free ? 0 : Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** Math.min(10, wrong - free))
}

/**
 * Runs one try of a password: in turn with others for the same name, after the wait that the wrong ones before it cost. A right one
 * forgets those of its name. `verify` answers whether it was right; what it throws is no wrong try.
 */
export async function tryPassword<T>(
  db: Database,
  keys: readonly Key[],
  now: Date,
  verify: () => Promise<{ readonly right: boolean; readonly value: T }>
): Promise<T> {
  return inTurn(textOf(keys[0]), async () => {
    const since = new Date(now.getTime() - WINDOW_MINUTES * 60000)
    // counted before it is known to be wrong: tries sent to several servers at once see each other
    const own = keys.map((key) => ({ id: v7(), key: textOf(key), at: now }))
    await db.insert(f).values(own)
    const waits = await Promise.all(keys.map(async (key) => waitAfter((await wrongTries(db, key, since)) - 1, FREE[key.kind])))
    const wait = Math.max(0, ...waits)
    if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait))
    const uncount = () =>
      db.delete(f).where(
        inArray(
          f.id,
          own.map(({ id }) => id)
        )
      )
    const { right, value } = await verify().catch(async (error: unknown) => {
      await uncount()
      throw error
    })
    if (right) {
      await uncount()
      await forgetTries(db, keys[0])
    }
    return value
  })
}

export async function forgetTries(db: Database, key: Key): Promise<void> {
  await db.delete(f).where(eq(f.key, textOf(key)))
}

export async function wrongTries(db: Database, key: Key, since: Date): Promise<number> {
  const [{ n }] = await db
    .select({ n: count() })
    .from(f)
    .where(and(eq(f.key, textOf(key)), gt(f.at, since)))
  return n
}

/**
 * Runs one try of something that is guessed at, not signed in with: after so many wrong ones of the window no more are taken.
 * @throws Refused `tooManyTries`
 */
export async function tryFew<T>(
  db: Database,
  key: Key,
  { now, most }: { readonly now: Date; readonly most: number },
  run: () => Promise<{ readonly right: boolean; readonly value: T }>
): Promise<T> {
  return inTurn(textOf(key), async () => {
    const since = new Date(now.getTime() - WINDOW_MINUTES * 60000)
    if ((await wrongTries(db, key, since)) >= most)
      throw new Refused(429, 'tooManyTries', `Too many attempts from this address. Try again in ${WINDOW_MINUTES} minutes.`)
    const { right, value } = await run()
    if (!right) await db.insert(f).values({ id: v7(), key: textOf(key), at: now })
    return value
  })
}
