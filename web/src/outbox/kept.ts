// Taps in this browser's own database, one record each, until the server has answered for them or a person has let them go.
import type { PracticeEvent } from '@peen/core/practice'
import { openDB, type DBSchema } from 'idb'

export type KeptTap = {
  readonly id: string
  /** whose tap it is: only they can send it */
  readonly by: string
  /** their given name, for the next person at this tablet */
  readonly name: string
  readonly event: PracticeEvent
  /** why the server refused it; null while it waits to be sent */
  readonly refused: string | null
  /** tapped under a picked name, and its person has said since that it was them */
  readonly isOwn?: boolean
  /** the server had taken it once, and was then brought back from a backup */
  readonly isBack?: boolean
}

/** Where taps are kept. Each change is written before its promise resolves. */
export type Kept = {
  readonly all: () => Promise<readonly KeptTap[]>
  readonly add: (tap: KeptTap) => Promise<void>
  readonly drop: (ids: readonly string[]) => Promise<void>
  /** Keeps why a tap was refused; null puts it back among those that wait, as its person’s own. */
  readonly mark: (id: string, refused: string | null) => Promise<void>
}

type Shape = DBSchema & { taps: { key: string; value: KeptTap } }

/** In IndexedDB, shared by all tabs of this browser. Rejects where the browser keeps nothing. */
export async function keptInBrowser(name = 'peen'): Promise<Kept> {
  const db = await openDB<Shape>(name, 1, { upgrade: (fresh) => void fresh.createObjectStore('taps', { keyPath: 'id' }) })
  return {
    all: async () => inOrder(await db.getAll('taps')),
    add: async (tap) => void (await db.put('taps', plain(tap))),
    drop: async (ids) => {
      const { store, done } = db.transaction('taps', 'readwrite')
      await Promise.all([...ids.map((id) => store.delete(id)), done])
    },
    mark: async (id, refused) => {
      const { store, done } = db.transaction('taps', 'readwrite')
      const tap = await store.get(id)
      // another tab may have let it go meanwhile
      if (tap) await store.put(marked(tap, refused))
      await done
    }
  }
}

/** For this page only: where the browser keeps nothing, a tap lives as long as the page. */
export function keptInPage(taps: readonly KeptTap[] = []): Kept {
  const own = new Map(taps.map((tap) => [tap.id, tap]))
  return {
    all: async () => inOrder([...own.values()]),
    add: async (tap) => void own.set(tap.id, tap),
    drop: async (ids) => ids.forEach((id) => own.delete(id)),
    mark: async (id, refused) => {
      const tap = own.get(id)
      if (tap) own.set(id, marked(tap, refused))
    }
  }
}

const marked = (tap: KeptTap, refused: string | null): KeptTap => ({ ...tap, refused, ...(refused === null ? { isOwn: true } : {}) })

/** As they were tapped: later than everything seen at a table, then as this browser counted them. */
const inOrder = (taps: readonly KeptTap[]): readonly KeptTap[] =>
  [...taps].sort((a, b) => a.event.lamport - b.event.lamport || a.event.seq - b.event.seq || (a.id < b.id ? -1 : 1))

/** What Vue watches cannot be cloned into the browser's database. */
export const plain = <T>(value: T) => JSON.parse(JSON.stringify(value)) as T

/** A tap that an older Peen left in local storage: a visit was called a session then. */
export function inTodaysWords(tap: PracticeEvent): PracticeEvent {
  const { sessionId, ...event } = tap as PracticeEvent & { readonly sessionId?: string }
  if (sessionId === undefined) return tap
  return { ...event, visitId: sessionId, kind: event.kind.replace(/^session(Opened|Closed)$/, 'visit$1') } as PracticeEvent
}
