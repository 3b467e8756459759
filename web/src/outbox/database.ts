// This browser's own database: taps that wait, and what the server has taken of late.
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { KeptTap } from './kept'
import type { Done } from './done'

export type Shape = DBSchema & { taps: { key: string; value: KeptTap }; done: { key: string; value: Done } }

/** Rejects where the browser keeps nothing. */
export const openKept = (name = 'peen'): Promise<IDBPDatabase<Shape>> =>
  openDB<Shape>(name, 2, {
    upgrade: (db, before) => {
      if (before < 1) db.createObjectStore('taps', { keyPath: 'id' })
      if (before < 2) db.createObjectStore('done', { keyPath: 'id' })
    }
  })

// what Vue watches cannot be cloned into the database
export const plain = <T>(value: T) => JSON.parse(JSON.stringify(value)) as T
