// Signed gradings, as far as they may be known: both of two are blind until both are signed.
import type { Settled } from '@peen/core/certify'
import type { GradeResult } from '@peen/core/grade'
import { and, asc, count, eq, inArray, or } from 'drizzle-orm'
import { tables, type Reader } from '../../db'

export type SignedTrim = {
  readonly gradingId: string
  readonly visitId: string
  readonly apprenticeId: string
  readonly dogId: string
  readonly dogName: string
  readonly coat: string
  readonly onDate: string
  readonly assessorId: string
  readonly blind: boolean
  readonly standardId: string
  readonly standardVersion: number
  readonly hasWishes: boolean
  readonly settled: Settled | null
  readonly result: GradeResult
}

/** Signed gradings of some apprentices' trims with their results, oldest first. A trim that somebody is still marking stays out: both are blind until both are signed. */
export async function signedTrims(db: Reader, apprenticeIds: readonly string[]): Promise<SignedTrim[]> {
  if (apprenticeIds.length === 0) return []
  const { gradings: g, gradingResults: r, visits: s, dogs: d, assessments: as } = tables
  const rows = await db
    .select({
      gradingId: g.id,
      visitId: s.id,
      apprenticeId: s.apprenticeId,
      dogId: d.id,
      dogName: d.name,
      coat: d.coat,
      onDate: s.onDate,
      assessorId: g.assessorId,
      blind: g.blind,
      standardId: g.standardId,
      standardVersion: g.standardVersion,
      wishes: g.wishes,
      outcome: as.outcome,
      agreedBy: as.agreedBy,
      result: r.body
    })
    .from(g)
    .innerJoin(r, eq(r.gradingId, g.id))
    .innerJoin(s, eq(s.id, g.visitId))
    .innerJoin(d, eq(d.id, s.dogId))
    .leftJoin(as, eq(as.visitId, s.id))
    .where(and(eq(g.status, 'signed'), inArray(s.apprenticeId, [...apprenticeIds])))
    .orderBy(asc(s.onDate), asc(g.id))
  const open = await visitsBeingMarked(db)
  return rows
    .filter((row) => !open.has(row.visitId))
    .map(({ wishes, outcome, agreedBy, ...row }) => ({
      ...row,
      hasWishes: (wishes ?? []).length > 0,
      // what one of the two has written counts once the other agrees
      settled: agreedBy === null ? null : outcome
    }))
}

/** Visits of which a grading is still a draft, or one of two appointed assessors has not signed. */
export async function visitsBeingMarked(db: Reader): Promise<Set<string>> {
  const { gradings: g, assessments: as } = tables
  const drafts = await db.select({ id: g.visitId }).from(g).where(eq(g.status, 'draft'))
  const appointed = await db
    .select({ id: as.visitId, signed: count(g.id) })
    .from(as)
    .leftJoin(g, and(eq(g.visitId, as.visitId), eq(g.status, 'signed'), or(eq(g.assessorId, as.first), eq(g.assessorId, as.second))))
    .groupBy(as.visitId)
  return new Set([...drafts, ...appointed.filter(({ signed }) => signed < 2)].map((row) => row.id))
}

/** Days of passed trims, oldest first; only the outcome is read, a whole result is long. What two assessors settled stands. */
export async function passedTrims(db: Reader, apprenticeIds: readonly string[] | null): Promise<{ visitId: string; onDate: string }[]> {
  const { gradings: g, gradingResults: r, visits: s, assessments: as } = tables
  const rows = await db
    .select({ visitId: s.id, onDate: s.onDate, outcome: r.outcome, settled: as.outcome, agreedBy: as.agreedBy })
    .from(g)
    .innerJoin(r, eq(r.gradingId, g.id))
    .innerJoin(s, eq(s.id, g.visitId))
    .leftJoin(as, eq(as.visitId, s.id))
    .where(and(eq(g.status, 'signed'), apprenticeIds === null ? undefined : inArray(s.apprenticeId, [...apprenticeIds])))
    .orderBy(asc(s.onDate), asc(g.id))
  const open = await visitsBeingMarked(db)
  return rows.filter((row) => !open.has(row.visitId) && (row.agreedBy === null ? row.outcome : row.settled) === 'passed')
}
