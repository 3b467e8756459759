// Visits in memory as their events left them, so that a tap costs the same however long its table is at work.
import { foldingOf, type Folding, type VisitState } from '@peen/core/practice'
import { eq } from 'drizzle-orm'
import { tables, type Database, type Transaction } from '../../db'
import { eventFrom } from '../derived'

type Visit = typeof tables.visits.$inferSelect
export type Fold = {
  readonly folding: Folding
  /** the content of each event by its id, as a hash */
  readonly hashes: Map<string, string>
  /** what of the state the counted attempts are made from, as text */
  counted: string
}
type Kept = { readonly version: number; readonly fold: Fold }

/** So many visits are kept: more than are at work in one day. */
const MOST_KEPT = 200
/** By database, since tests serve several. */
const kept = new WeakMap<Database, Map<string, Kept>>()

/**
 * The fold of a visit whose row is locked. It is taken out of memory: what a transaction adds to it may be rolled
 * back, so it is put back only after the commit. One that another process has written to since is read again.
 */
export async function takeFold(db: Database, tx: Transaction, visit: Visit): Promise<Fold> {
  const own = kept.get(db)
  const before = own?.get(visit.id)
  own?.delete(visit.id)
  if (before?.version === visit.eventsVersion) return before.fold
  const rows = await tx.select().from(tables.events).where(eq(tables.events.visitId, visit.id))
  const folding = foldingOf(rows.map(eventFrom))
  const hashes = new Map(rows.map(({ id, contentHash }) => [id, contentHash]))
  return { folding, hashes, counted: countedText(folding.state()) }
}

/** Keeps a fold as it stands at a version of its visit; the one longest unused gives way. */
export function keepFold(db: Database, visitId: string, version: number, fold: Fold): void {
  const own = kept.get(db) ?? new Map<string, Kept>()
  kept.set(db, own)
  own.delete(visitId)
  own.set(visitId, { version, fold })
  for (const id of own.keys()) if (own.size > MOST_KEPT) own.delete(id)
}

/** Counted attempts are made of attempts that are ended; where this text is the same, they are. */
export const countedText = ({ attempts }: VisitState): string => JSON.stringify(attempts.filter(({ ended }) => ended !== null))
