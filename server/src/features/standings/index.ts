import type { TechniqueVersion } from '@peen/contract'
import { standingOf, type AttemptRecord, type Standing } from '@peen/core/competency'
import type { GradeResult } from '@peen/core/grade'
import { group } from 'd3-array'
import { and, asc, eq, inArray } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { attemptRows, recordFrom, standingRules } from '../derived'
import { techniquesOf } from '../school'

export type TechniqueRecord = {
  readonly technique: TechniqueVersion
  readonly standing: Standing
  readonly attempts: readonly AttemptRecord[]
}

/** Where an apprentice stands in every technique, computed from the derived attempts, graded trims and lifted holds. */
export async function standingsOf(db: Reader, apprenticeId: string, today: string): Promise<Map<string, TechniqueRecord>> {
  return (await standingsOfAll(db, [apprenticeId], today)).get(apprenticeId)!
}

/** The same for several apprentices at once, in as many questions to the database as for one. */
export async function standingsOfAll(
  db: Reader,
  apprenticeIds: readonly string[],
  today: string
): Promise<Map<string, Map<string, TechniqueRecord>>> {
  const ids = [...new Set(apprenticeIds)]
  if (ids.length === 0) return new Map()
  const { holdLifts: h } = tables
  const rows = (await attemptRows(db, ids)).filter(({ row }) => row.onDate <= today)
  const rules = await standingRules(db)
  const [trims, techniques] = [await passedTrims(db, ids), await techniquesOf(db)]
  const lifts = await db.select().from(h).where(inArray(h.apprenticeId, ids))
  const attemptsOf = group(rows, ({ row }) => `${row.apprenticeId}|${row.techniqueId}`)
  const recordOf = (apprenticeId: string, technique: TechniqueVersion): TechniqueRecord => {
    const attempts = (attemptsOf.get(`${apprenticeId}|${technique.id}`) ?? []).map(recordFrom)
    const liftedOn =
      lifts
        .filter((lift) => lift.apprenticeId === apprenticeId && lift.techniqueId === technique.id)
        .map((lift) => lift.onDate)
        .sort()
        .at(-1) ?? null
    const shown = new Set(attempts.map((attempt) => attempt.sessionId))
    const passedTrimOn = trims.find((trim) => shown.has(trim.sessionId))?.onDate ?? null
    return { technique, standing: standingOf({ techniqueName: technique.name, attempts, passedTrimOn, liftedOn, today }, rules), attempts }
  }
  return new Map(ids.map((id) => [id, new Map(techniques.map((technique) => [technique.id, recordOf(id, technique)]))]))
}

export type SignedTrim = {
  readonly gradingId: string
  readonly sessionId: string
  readonly apprenticeId: string
  readonly dogId: string
  readonly dogName: string
  readonly coat: string
  readonly onDate: string
  readonly assessorId: string
  readonly blind: boolean
  readonly standardId: string
  readonly result: GradeResult
}

/** Signed gradings of some apprentices' trims with their results, oldest first. A trim that somebody is still marking stays out: both are blind until both are signed. */
export async function signedTrims(db: Reader, apprenticeIds: readonly string[]): Promise<SignedTrim[]> {
  if (apprenticeIds.length === 0) return []
  const { gradings: g, gradingResults: r, sessions: s, dogs: d } = tables
  const rows = await db
    .select({
      gradingId: g.id,
      sessionId: s.id,
      apprenticeId: s.apprenticeId,
      dogId: d.id,
      dogName: d.name,
      coat: d.coat,
      onDate: s.onDate,
      assessorId: g.assessorId,
      blind: g.blind,
      standardId: g.standardId,
      result: r.body
    })
    .from(g)
    .innerJoin(r, eq(r.gradingId, g.id))
    .innerJoin(s, eq(s.id, g.sessionId))
    .innerJoin(d, eq(d.id, s.dogId))
    .where(inArray(s.apprenticeId, [...apprenticeIds]))
    .orderBy(asc(s.onDate), asc(g.id))
  const open = await sessionsBeingMarked(db)
  return rows.filter((row) => !open.has(row.sessionId))
}

/** Sessions of which a grading is still a draft. */
export async function sessionsBeingMarked(db: Reader): Promise<Set<string>> {
  const rows = await db.select({ id: tables.gradings.sessionId }).from(tables.gradings).where(eq(tables.gradings.status, 'draft'))
  return new Set(rows.map((row) => row.id))
}

/** Days of passed trims, oldest first; only the outcome is read, a whole result is long. */
async function passedTrims(db: Reader, apprenticeIds: readonly string[]): Promise<{ sessionId: string; onDate: string }[]> {
  const { gradings: g, gradingResults: r, sessions: s } = tables
  const rows = await db
    .select({ sessionId: s.id, onDate: s.onDate })
    .from(g)
    .innerJoin(r, eq(r.gradingId, g.id))
    .innerJoin(s, eq(s.id, g.sessionId))
    .where(and(inArray(s.apprenticeId, [...apprenticeIds]), eq(r.outcome, 'passed')))
    .orderBy(asc(s.onDate), asc(g.id))
  const open = await sessionsBeingMarked(db)
  return rows.filter((row) => !open.has(row.sessionId))
}
