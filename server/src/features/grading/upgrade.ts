// What a signed grading lacks that was kept later is written into it once, when a newer Peen first opens the school.
import { GRADE_RULES } from '@peen/core/grade'
import { and, eq, inArray, isNull } from 'drizzle-orm'
import { inTransaction, tables, type Database } from '../../db'
import { checkAudit, resealed, type SealName } from '../audit'

/**
 * Gradings that were signed before it was kept what they were marked with: by the first method and its rules, and where the dog is
 * known to have burned. The trail holds them anew, save those that did not fit it before: they stay named.
 */
export async function keepGradedWith(db: Database, at: Date): Promise<void> {
  const { gradings: g, visits: s, dogs: d } = tables
  const rows = await db
    .select({ id: g.id, burns: d.burns })
    .from(g)
    .innerJoin(s, eq(s.id, g.visitId))
    .innerJoin(d, eq(d.id, s.dogId))
    .where(and(eq(g.status, 'signed'), isNull(g.gradedWith)))
  if (rows.length === 0) return
  const wrong = new Set((await checkAudit(db)).changed.map(({ name }) => name))
  await inTransaction(db, async (tx) => {
    for (const { id, burns } of rows)
      await tx
        .update(g)
        .set({ gradedWith: { method: 1, rules: GRADE_RULES, burns, unworked: [] } })
        .where(eq(g.id, id))
    const names = rows.map(({ id }): SealName => `grading:${id}`)
    const held = await tx
      .selectDistinct({ name: tables.auditSeals.name })
      .from(tables.auditSeals)
      .where(inArray(tables.auditSeals.name, names))
    await resealed(
      tx,
      held.map(({ name }) => name as SealName).filter((name) => !wrong.has(name)),
      at
    )
  })
}
