// An apprentice appeals a mark; someone else marks the same trim, blind; a lead who gave neither says which of the two counts.
import type { Appeal, DecideAppeal, Me } from '@peen/contract'
import { daysBetween } from '@peen/core/competency'
import { and, asc, eq, inArray, isNull, ne } from 'drizzle-orm'
import { inTransaction, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { refuseUnsettled } from '../accounts'
import { appendAudit } from '../audit'
import { lockedGrading, putAside, whyNotDecide, type GradingRow } from './set-aside'

const { gradings: g, appeals: ap, visits: v } = tables
export type AppealRow = typeof ap.$inferSelect

/** So many days after its day a mark can be appealed: as long as everyone else can still mark the trim blind. Chosen. */
export const APPEAL_DAYS = 14

export const appealOf = async (db: Reader, gradingId: string): Promise<AppealRow | null> =>
  (await db.select().from(ap).where(eq(ap.gradingId, gradingId)))[0] ?? null

/** Of these gradings, those whose appeal is open. */
export async function openAppeals(db: Reader, gradingIds: readonly string[]): Promise<ReadonlySet<string>> {
  if (gradingIds.length === 0) return new Set()
  const rows = await db
    .select({ id: ap.gradingId })
    .from(ap)
    .where(and(inArray(ap.gradingId, [...gradingIds]), isNull(ap.decidedAt)))
  return new Set(rows.map(({ id }) => id))
}

/** Of these visits, those whose trim has an open appeal against a mark. */
export async function appealedVisits(db: Reader, visitIds: readonly string[]): Promise<ReadonlySet<string>> {
  if (visitIds.length === 0) return new Set()
  const rows = await db
    .select({ id: g.visitId })
    .from(ap)
    .innerJoin(g, eq(g.id, ap.gradingId))
    .where(and(inArray(g.visitId, [...visitIds]), isNull(ap.decidedAt)))
  return new Set(rows.map(({ id }) => id))
}

/** The mark that someone else gave blind after an appeal; the first such. */
export async function secondMark(db: Reader, grading: GradingRow, since: Date): Promise<GradingRow | null> {
  const rows = await db
    .select()
    .from(g)
    .where(and(eq(g.visitId, grading.visitId), ne(g.id, grading.id), eq(g.status, 'signed'), eq(g.blind, true)))
    .orderBy(asc(g.signedAt))
  return rows.find(({ signedAt }) => signedAt !== null && signedAt >= since) ?? null
}

/** Why a mark cannot be appealed now; null where it can. */
export async function whyNotAppeal(
  db: Reader,
  actor: Me,
  grading: GradingRow,
  today: string
): Promise<{ code: 'notSigned' | 'appealed' | 'appealTooLate' | 'own'; says: string } | null> {
  const [visit] = await db.select().from(v).where(eq(v.id, grading.visitId))
  if (visit.apprenticeId !== actor.id) return { code: 'own', says: 'You can appeal only the marks of your own trims.' }
  if (grading.status !== 'signed') return { code: 'notSigned', says: 'This mark does not count, so there is nothing to appeal.' }
  if (await appealOf(db, grading.id)) return { code: 'appealed', says: 'You have already appealed this mark.' }
  return daysBetween(visit.onDate, today) >= APPEAL_DAYS
    ? { code: 'appealTooLate', says: `A mark can be appealed for ${APPEAL_DAYS} days after the trim. Speak to a lead assessor.` }
    : null
}

/** An apprentice says in words what is wrong with a mark of their own trim. */
export async function appeal({ db, clock }: Services, actor: Me, id: string, { text }: Appeal): Promise<{ id: string }> {
  const [at, today] = [await clock.now(), await clock.today()]
  return inTransaction(db, async (tx) => {
    const grading = await lockedGrading(tx, id)
    const not = await whyNotAppeal(tx, actor, grading, today)
    if (not?.code === 'own') throw refuse.forbidden(not.says)
    if (not) throw refuse.conflict(not.code as 'appealed', not.says)
    await tx.insert(ap).values({ gradingId: id, by: actor.id, at, text })
    await appendAudit(tx, { kind: 'grading.appealed', at: at.toISOString(), by: actor.id, ids: { grading: id, visit: grading.visitId } }, [
      `appeal:${id}`
    ])
    return { id }
  })
}

/** Says which of two marks counts. The other is set aside; both stay on record, with the reason. */
export async function decideAppeal(
  services: Services,
  actor: Me,
  id: string,
  { counts, reason }: DecideAppeal
): Promise<{ status: string }> {
  const { db, clock } = services
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    const first = await lockedGrading(tx, id)
    const open = await appealOf(tx, id)
    if (!open) throw refuse.notFound('An appeal against this mark')
    if (open.decidedAt) throw refuse.conflict('decided', 'This appeal has already been decided.')
    if (first.status !== 'signed') throw refuse.conflict('notSigned', 'This mark has already been set aside.')
    const second = await secondMark(tx, first, open.at)
    if (!second)
      throw refuse.conflict(
        'notMarkedAgain',
        'Someone else must mark this trim first, without seeing this mark. Then decide which of the two counts.'
      )
    for (const grading of [first, second]) {
      const not = await whyNotDecide(tx, actor, grading)
      if (not) throw refuse.forbidden(not)
    }
    await refuseUnsettled({ db: tx, clock }, actor)
    await tx.update(ap).set({ counts, secondId: second.id, decidedBy: actor.id, decidedAt: at, reason }).where(eq(ap.gradingId, id))
    await appendAudit(
      tx,
      { kind: 'appeal.decided', at: at.toISOString(), by: actor.id, ids: { grading: id, second: second.id, visit: first.visitId, counts } },
      [`appeal:${id}`]
    )
    await putAside(tx, actor, counts === 'first' ? second : first, reason, at)
    return { status: counts }
  })
}
