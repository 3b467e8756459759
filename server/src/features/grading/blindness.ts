// Who is blind to whose grading: what has been read is remembered, and nothing is shown in passing that would cost it.
import type { Me } from '@peen/contract'
import { daysBetween } from '@peen/core/competency'
import { foldVisit } from '@peen/core/practice'
import { and, eq, inArray, ne } from 'drizzle-orm'
import { tables, type Reader, type Transaction } from '../../db'
import { accountsOfOne } from '../accounts'
import { appealedVisits } from '../corrections'
import { eventsOf } from '../derived'

/**
 * Days after its day within which a trim may still be marked by another assessor, or be judged by its apprentice, without knowing the
 * mark. Later it is shown freely, and a grading that is opened then is not blind. Chosen.
 */
export const BLIND_DAYS = 14

export const canStillBeBlind = (onDate: string, today: string): boolean => daysBetween(onDate, today) < BLIND_DAYS

type Marked = {
  readonly gradingId: string
  readonly assessorId: string
  readonly onDate: string
}

/**
 * Of these signed gradings, those of which a screen says nothing to this member of staff unasked: they could still mark the trim blind.
 * Free are those that they have read, those of a trim that they have signed themselves, and those of two who were appointed and have signed.
 */
export async function unreadOf(db: Reader, actor: Me, marked: readonly Marked[], today: string): Promise<ReadonlySet<string>> {
  const { gradingReads: gr, gradings: g, assessments: a } = tables
  const others = marked.filter(({ assessorId }) => assessorId !== actor.id)
  if (others.length === 0) return new Set()
  const known = await db
    .select({ id: g.id, visitId: g.visitId })
    .from(g)
    .where(
      inArray(
        g.id,
        others.map(({ gradingId }) => gradingId)
      )
    )
  const visitOf = new Map(known.map(({ id, visitId }) => [id, visitId]))
  // an appeal keeps the trim open to who marks it again, however long that takes
  const appealed = await appealedVisits(db, [...new Set(visitOf.values())])
  const recent = others.filter(({ gradingId, onDate }) => canStillBeBlind(onDate, today) || appealed.has(visitOf.get(gradingId)!))
  if (recent.length === 0) return new Set()
  const ids = recent.map(({ gradingId }) => gradingId)
  const read = new Set(
    (
      await db
        .select({ id: gr.gradingId })
        .from(gr)
        .where(and(eq(gr.personId, actor.id), inArray(gr.gradingId, ids)))
    ).map(({ id }) => id)
  )
  const rows = known.filter(({ id }) => ids.includes(id))
  const visitIds = [...new Set(rows.map(({ visitId }) => visitId))]
  const own = await db
    .select({ id: g.visitId })
    .from(g)
    .where(and(inArray(g.visitId, visitIds), eq(g.assessorId, actor.id), eq(g.status, 'signed')))
  const appointed = await db.select({ id: a.visitId }).from(a).where(inArray(a.visitId, visitIds))
  // while an appeal is open, someone else than the two may still mark
  const free = new Set([...own, ...appointed.filter(({ id }) => !appealed.has(id))].map(({ id }) => id))
  return new Set(rows.flatMap(({ id, visitId }) => (read.has(id) || free.has(visitId) ? [] : [id])))
}

/**
 * Does this member of staff know, or may they know, another's grading of a trim? They have read one, or the trim is so old that a signed
 * mark is shown freely; unless the two were appointed in time, since then it stays hidden until both have signed.
 */
export async function knowsAnother(
  tx: Transaction,
  visit: { readonly id: string; readonly onDate: string },
  personId: string,
  today: string
): Promise<boolean> {
  const { gradings: g, gradingReads: gr, assessments: a } = tables
  const others = await tx
    .select({ id: g.id, status: g.status })
    .from(g)
    .where(and(eq(g.visitId, visit.id), ne(g.assessorId, personId)))
  if (others.length === 0) return false
  const ids = others.map(({ id }) => id)
  const own = (await accountsOfOne(tx))(personId)
  const reads = await tx
    .select()
    .from(gr)
    .where(and(inArray(gr.gradingId, ids), inArray(gr.personId, [...own])))
  if (reads.length > 0) return true
  if (canStillBeBlind(visit.onDate, today) || others.every(({ status }) => status === 'draft')) return false
  if ((await appealedVisits(tx, [visit.id])).size > 0) return false
  const [appointed] = await tx.select({ askedAt: a.askedAt }).from(a).where(eq(a.visitId, visit.id))
  return !appointed || !canStillBeBlind(visit.onDate, appointed.askedAt.toISOString().slice(0, 10))
}

/** Of these visits, those whose apprentice has not yet said how they see the own trim, and still can. */
export async function waitsForOwnWord(db: Reader, visitIds: readonly string[], today: string): Promise<ReadonlySet<string>> {
  if (visitIds.length === 0) return new Set()
  const { visits: s } = tables
  const days = await db
    .select({ id: s.id, onDate: s.onDate })
    .from(s)
    .where(inArray(s.id, [...visitIds]))
  const recent = days.filter(({ onDate }) => canStillBeBlind(onDate, today)).map(({ id }) => id)
  const events = await eventsOf(db, recent)
  return new Set(recent.filter((id) => foldVisit(events.get(id)!).selfRating === null))
}

/** The same for many at once: what a table or a file tells of others' marks. An apprentice marks nothing. */
export async function rememberAll(
  db: Reader,
  actor: Me,
  told: readonly { readonly gradingId: string; readonly assessorId: string }[],
  at: Date
): Promise<void> {
  const others = actor.role === 'apprentice' ? [] : told.filter(({ assessorId }) => assessorId !== actor.id)
  if (others.length === 0) return
  await db
    .insert(tables.gradingReads)
    .ignore()
    .values(others.map(({ gradingId }) => ({ gradingId, personId: actor.id, at })))
}

/** Remembers that a person has read another's grading: what they mark of that trim later is not blind. */
export async function rememberReading(db: Reader, gradingId: string, personId: string, at: Date): Promise<void> {
  await db.insert(tables.gradingReads).ignore().values({ gradingId, personId, at })
}
