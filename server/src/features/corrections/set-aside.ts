// A signed mark that does not count any more: it stays on record with its reason, and everything derived follows.
import type { Me, SetAside } from '@peen/contract'
import { and, eq, ne } from 'drizzle-orm'
import { inTransaction, tables, type Reader, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { accountsOfOne, refuseUnsettled } from '../accounts'
import { appendAudit } from '../audit'
import { rebuildCoat } from '../derived'

const { gradings: g, setAsides: sa, assessments: a, visits: v } = tables
export type GradingRow = typeof g.$inferSelect

/** Why this lead may not decide about a mark; null where they may. No one decides about a mark or a trim of their own. */
export async function whyNotDecide(db: Reader, actor: Pick<Me, 'id'>, grading: GradingRow): Promise<string | null> {
  const own = (await accountsOfOne(db))(actor.id)
  if (own.has(grading.assessorId)) return 'You signed this mark, so another lead assessor must decide about it.'
  const [visit] = await db.select({ apprenticeId: v.apprenticeId }).from(v).where(eq(v.id, grading.visitId))
  return own.has(visit.apprenticeId) ? 'This is your own trim, so another lead assessor must decide about it.' : null
}

export async function lockedGrading(tx: Transaction, id: string): Promise<GradingRow> {
  await tx.select().from(tables.auditHead).for('update')
  const [row] = await tx.select().from(g).where(eq(g.id, id)).for('update')
  if (!row) throw refuse.notFound('This grading')
  return row
}

/** Sets a signed mark aside in a transaction that holds it. Two who were appointed are let go: someone else must mark in this one's place. */
export async function putAside(tx: Transaction, actor: Me, grading: GradingRow, reason: string, at: Date): Promise<void> {
  const { id, visitId } = grading
  await tx.insert(sa).values({ gradingId: id, at, by: actor.id, reason })
  await tx.update(g).set({ status: 'setAside' }).where(eq(g.id, id))
  await appendAudit(tx, { kind: 'grading.setAside', at: at.toISOString(), by: actor.id, ids: { grading: id, visit: visitId } }, [
    `grading:${id}`,
    `setAside:${id}`
  ])
  // who decides about a mark has seen it, and the other one of the same trim
  const others = await tx
    .select({ gradingId: g.id })
    .from(g)
    .where(and(eq(g.visitId, visitId), ne(g.assessorId, actor.id), ne(g.status, 'draft')))
  await tx
    .insert(tables.gradingReads)
    .ignore()
    .values(others.map((other) => ({ ...other, personId: actor.id, at })))
  const [appointed] = await tx.select().from(a).where(eq(a.visitId, visitId))
  if (appointed && [appointed.first, appointed.second].includes(grading.assessorId)) {
    await tx.delete(a).where(eq(a.visitId, visitId))
    await appendAudit(tx, { kind: 'assessment.released', at: at.toISOString(), by: actor.id, ids: { visit: visitId } }, [
      `assessment:${visitId}`
    ])
  }
  await rebuildCoat(tx, visitId)
}

/** A lead who did not sign it sets a mark aside, with a reason. */
export async function setAside({ db, clock }: Services, actor: Me, id: string, { reason }: SetAside): Promise<{ status: string }> {
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    const grading = await lockedGrading(tx, id)
    if (grading.status !== 'signed')
      throw refuse.conflict(
        'notSigned',
        grading.status === 'setAside' ? 'This mark has already been set aside.' : 'This grading is not signed yet.'
      )
    const not = await whyNotDecide(tx, actor, grading)
    if (not) throw refuse.forbidden(not)
    await refuseUnsettled({ db: tx, clock }, actor)
    await putAside(tx, actor, grading, reason, at)
    return { status: 'setAside' }
  })
}
