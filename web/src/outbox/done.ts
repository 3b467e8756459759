// What this tablet has done and the server has taken, kept for two days: a school that is brought back from a backup of last night
// has lost the morning, and its tablets bring it back.
import { openDB, type DBSchema } from 'idb'
import { plain, type KeptTap } from './kept'
import type { Repeatable } from './repeatable'

export type Done = {
  readonly id: string
  readonly by: string
  /** when the server took it, ms by the school's clock */
  readonly at: number
  /** the backup under which the school stood then; null: none was ever brought back */
  readonly under: string | null
  readonly what:
    { readonly kind: 'tap'; readonly tap: KeptTap } | { readonly kind: 'change'; readonly name: Repeatable; readonly given: object }
}

const KEPT_MS = 48 * 3600000
/** What is older is looked for this often, ms: not at every tap. */
const CLEARED_MS = 3600000

export type DoneHere = {
  readonly add: (done: readonly Done[]) => Promise<void>
  /** what one person did that a school which stands under this backup may lack, in the order in which it was done */
  readonly lacking: (by: string, under: string) => Promise<readonly Done[]>
  /** said again, and so known to stand under this backup */
  readonly settle: (ids: readonly string[], under: string) => Promise<void>
}

type Shape = DBSchema & { done: { key: string; value: Done } }

/** In a database of its own: a tab of an older Peen that has the other one open does not stand in its way. Rejects where the browser keeps nothing. */
export async function doneInBrowser(name = 'peen-done'): Promise<DoneHere> {
  const db = await openDB<Shape>(name, 1, { upgrade: (fresh) => void fresh.createObjectStore('done', { keyPath: 'id' }) })
  let cleared = -Infinity
  return {
    add: async (done) => {
      const { store, done: written } = db.transaction('done', 'readwrite')
      const newest = Math.max(...done.map(({ at }) => at))
      if (newest - cleared >= CLEARED_MS) {
        cleared = newest
        for (const old of await store.getAll()) if (old.at < newest - KEPT_MS) await store.delete(old.id)
      }
      for (const one of done) await store.put(plain(one))
      await written
    },
    lacking: async (by, under) =>
      (await db.getAll('done')).filter((one) => one.by === by && one.under !== under).sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1)),
    settle: async (ids, under) => {
      const { store, done: written } = db.transaction('done', 'readwrite')
      for (const id of ids) {
        const one = await store.get(id)
        if (one) await store.put({ ...one, under })
      }
      await written
    }
  }
}
