// What was agreed for a dog at set-up, as it is stored: the newest record of a visit holds.
import type { AgreedTarget } from '@peen/core/setup'
import { agreedStandard, type Standard } from '@peen/core/standard'
import { desc, eq, inArray } from 'drizzle-orm'
import { v7 } from 'uuid'
import { tables, type Reader, type Transaction } from '../../db'
import { standardOf } from '../school'

/** What was agreed for one visit; null where nobody has said yet that its dog is ready. */
export async function agreedOf(db: Reader, visitId: string): Promise<readonly AgreedTarget[] | null> {
  const { agreedTargets: a } = tables
  const [newest] = await db.select({ lines: a.lines }).from(a).where(eq(a.visitId, visitId)).orderBy(desc(a.at), desc(a.id)).limit(1)
  return newest?.lines ?? null
}

/** The same of several visits, by visit. */
export async function agreedOfAll(db: Reader, visitIds: readonly string[]): Promise<ReadonlyMap<string, readonly AgreedTarget[]>> {
  if (visitIds.length === 0) return new Map()
  const { agreedTargets: a } = tables
  const rows = await db
    .select({ visitId: a.visitId, lines: a.lines })
    .from(a)
    .where(inArray(a.visitId, [...visitIds]))
    .orderBy(a.at, a.id)
  return new Map(rows.map(({ visitId, lines }) => [visitId, lines]))
}

/** Fixes what is agreed, as a record of its own; one that says the same as the last is not written again. */
export async function fixAgreed(tx: Transaction, visitId: string, lines: readonly AgreedTarget[], by: string, at: Date): Promise<void> {
  if (JSON.stringify(await agreedOf(tx, visitId)) === JSON.stringify(lines)) return
  await tx.insert(tables.agreedTargets).values({ id: v7(), visitId, by, at, lines })
}

/** The trim of a visit with the lengths that were agreed for its dog; as it is written where nothing was agreed yet. */
export async function standardAgreed(
  db: Reader,
  { id, standardId, standardVersion }: Pick<typeof tables.visits.$inferSelect, 'id' | 'standardId' | 'standardVersion'>
): Promise<Standard> {
  const standard = await standardOf(db, standardId, standardVersion)
  return agreedStandard({ standard, moved: [] }, (await agreedOf(db, id)) ?? []).standard
}
