// What two assessors found, side by side, once both have signed; and what they agree on, both marks kept.
import type { AssessmentPage, BorderlineView, Me, OneMark, Settle } from '@peen/contract'
import { borderlineOf, LEAST_TRIMS } from '@peen/core/certify'
import { differencesOf, type GradeResult } from '@peen/core/grade'
import { and, asc, eq, inArray, isNotNull } from 'drizzle-orm'
import { inTransaction, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { accountsOfOne, refuseUnsettled } from '../accounts'
import { appendAudit } from '../audit'
import { unreadOf } from '../grading'
import { allPeople, fullName } from '../people'
import { newestStandards, standardOf } from '../school'
import { visitsBeingMarked } from '../standings'
import { rowOf } from './book'

const { assessments: a, gradings: g, gradingResults: r, visits: s } = tables

type Signed = { readonly grading: typeof g.$inferSelect; readonly result: GradeResult }

async function signedOf(db: Reader, visitId: string, assessorIds: readonly string[]): Promise<Signed[]> {
  const rows = await db
    .select({ grading: g, result: r.body })
    .from(g)
    .innerJoin(r, eq(r.gradingId, g.id))
    .where(and(eq(g.visitId, visitId), eq(g.status, 'signed'), inArray(g.assessorId, [...assessorIds])))
  return assessorIds.flatMap((id) => rows.filter(({ grading }) => grading.assessorId === id))
}

/** One trim of two assessors: nothing of either's marks until both have signed. */
export async function assessmentPage({ db }: Services, actor: Me, visitId: string): Promise<AssessmentPage> {
  const row = await rowOf(db, visitId)
  if (!row.markers) throw refuse.notFound('This appointment')
  const [visit] = await db.select().from(s).where(eq(s.id, visitId))
  const { passMark } = await standardOf(db, visit.standardId, visit.standardVersion)
  const ids = row.markers.map(({ id }) => id)
  const names = new Map((await allPeople(db)).map((person) => [person.id, fullName(person)]))
  const [own] = await db
    .select({ id: g.id })
    .from(g)
    .where(and(eq(g.visitId, visitId), eq(g.assessorId, actor.id)))
  const marksIt = ids.includes(actor.id)
  const base = { row, ownGradingId: own?.id ?? null, marksIt, version: { standardId: visit.standardId, pass: passMark } }
  if (!row.open) {
    const waiting = row.markers.filter(({ status }) => status !== 'signed').map(({ name }) => name)
    return {
      ...base,
      marks: null,
      differences: [],
      settled: null,
      may: 'wait',
      say: `Both mark blind until both have signed. Still to sign: ${waiting.join(' and ')}.`
    }
  }
  const [appointed] = await db.select().from(a).where(eq(a.visitId, visitId))
  const [first, second] = await signedOf(db, visitId, ids)
  const differences = differencesOf(first.result, second.result)
  const settled = appointed.outcome
    ? {
        outcome: appointed.outcome,
        reason: appointed.reason ?? '',
        by: names.get(appointed.settledBy!) ?? 'a former member of staff',
        agreedBy: appointed.agreedBy && (names.get(appointed.agreedBy) ?? 'a former member of staff')
      }
    : null
  const may = !marksIt || appointed.agreedBy ? 'read' : appointed.outcome && appointed.settledBy !== actor.id ? 'agree' : 'settle'
  const markOf = ({ grading, result }: Signed): OneMark => ({
    gradingId: grading.id,
    assessor: names.get(grading.assessorId)!,
    mark: result.total?.value ?? null,
    interval: result.total?.interval ?? null,
    outcome: result.outcome,
    because: result.because,
    rating: grading.globalRating,
    blind: grading.blind
  })
  const marks = [markOf(first), markOf(second)] as const
  return { ...base, marks, differences, settled, may, say: sayBoth(marks, differences.filter(({ isReal }) => isReal).length) }
}

function sayBoth([one, other]: readonly [OneMark, OneMark], real: number): string {
  if (one.mark === null || other.mark === null) return 'One of the two has no mark.'
  const apart = Math.abs(Math.round(one.mark) - Math.round(other.mark))
  const same = one.outcome === other.outcome
  const what = `${one.assessor} gave ${Math.round(one.mark)}, ${other.assessor} ${Math.round(other.mark)}: ${apart === 0 ? 'the same' : `${apart} apart`}.`
  const agree = same ? ' Both reach the same outcome.' : ' They reach different outcomes.'
  return `${what}${agree} ${real === 0 ? 'No difference is more than measuring error explains.' : `${real} ${real === 1 ? 'difference is' : 'differences are'} more than measuring error explains.`}`
}

/** One of the two writes what they agree on; the other agrees to it, or writes otherwise. Both marks stay as they are. */
export async function settle({ db, clock }: Services, actor: Me, visitId: string, { outcome, reason }: Settle): Promise<void> {
  const at = await clock.now()
  await inTransaction(db, async (tx) => {
    await refuseUnsettled({ db: tx, clock }, actor)
    const row = await openAppointment(tx, actor, visitId)
    if (row.agreedBy) throw refuse.conflict('settled', 'Both have already agreed; that is final.')
    await tx.update(a).set({ outcome, reason, settledBy: actor.id, agreedBy: null, settledAt: at }).where(eq(a.visitId, visitId))
    await appendAudit(tx, { kind: 'assessment.settled', at: at.toISOString(), by: actor.id, ids: { visit: visitId, outcome } }, [
      `assessment:${visitId}`
    ])
  })
}

/** The other of the two agrees: from then on it counts. */
export async function agree({ db, clock }: Services, actor: Me, visitId: string): Promise<void> {
  const at = await clock.now()
  await inTransaction(db, async (tx) => {
    await refuseUnsettled({ db: tx, clock }, actor)
    const row = await openAppointment(tx, actor, visitId)
    if (!row.outcome) throw refuse.conflict('notSettled', 'There is nothing to agree to yet.')
    if (row.settledBy === actor.id) throw refuse.forbidden('You cannot agree with yourself; the other assessor must.')
    if (row.agreedBy) return
    await tx.update(a).set({ agreedBy: actor.id, settledAt: at }).where(eq(a.visitId, visitId))
    await appendAudit(
      tx,
      {
        kind: 'assessment.agreed',
        at: at.toISOString(),
        by: actor.id,
        ids: { visit: visitId, outcome: row.outcome }
      },
      [`assessment:${visitId}`]
    )
  })
}

async function openAppointment(tx: Reader, actor: Me, visitId: string): Promise<typeof a.$inferSelect> {
  const [row] = await tx.select().from(a).where(eq(a.visitId, visitId)).for('update')
  if (!row) throw refuse.notFound('This appointment')
  if (row.first !== actor.id && row.second !== actor.id) throw refuse.forbidden('Only the two who marked this trim can settle it.')
  if ((await accountsOfOne(tx))(row.first).has(row.second))
    throw refuse.forbidden('Both assessors are the same person; this trim needs a different second assessor.')
  if (!(await rowOf(tx, visitId)).open)
    throw refuse.conflict('blind', 'Both mark blind until both have signed; nothing can be settled before then.')
  return row
}

/** First impressions against marks, trim by trim: the data and the line where thirty gradings or more are signed; without those that the reader could still mark blind. */
export async function borderlines({ db, clock }: Services, actor: Me): Promise<BorderlineView[]> {
  const hidden = await visitsBeingMarked(db)
  const rows = await db
    .select({
      ...{ gradingId: g.id, assessorId: g.assessorId, onDate: s.onDate },
      ...{ visitId: g.visitId, standardId: g.standardId, rating: g.globalRating, mark: r.value }
    })
    .from(g)
    .innerJoin(r, eq(r.gradingId, g.id))
    .innerJoin(s, eq(s.id, g.visitId))
    .where(and(eq(g.status, 'signed'), isNotNull(g.globalRating)))
    // in no order that tells which trim is which
    .orderBy(asc(r.value))
  const unread = await unreadOf(db, actor, rows, await clock.today())
  const seen = rows.filter(({ visitId, gradingId }) => !hidden.has(visitId) && !unread.has(gradingId))
  return (await newestStandards(db)).flatMap(({ body }) => {
    const own = seen.filter(({ standardId }) => standardId === body.id).map(({ mark, rating }) => ({ mark, rating: rating! }))
    if (own.length === 0) return []
    const shown = own.length >= LEAST_TRIMS
    return [
      {
        ...{ standardId: body.id, name: body.name, pass: body.passMark, n: own.length, needed: LEAST_TRIMS },
        points: shown ? own : [],
        found: borderlineOf(own)
      }
    ]
  })
}
