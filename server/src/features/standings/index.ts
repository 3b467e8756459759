import type { TechniqueVersion } from '@peen/contract'
import { standingOf, type AttemptRecord, type Standing } from '@peen/core/competency'
import type { GradeResult } from '@peen/core/grade'
import { asc, eq } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { techniquesOf } from '../school'

export type TechniqueRecord = {
  readonly technique: TechniqueVersion
  readonly standing: Standing
  readonly attempts: readonly AttemptRecord[]
}

/** Where an apprentice stands in every technique, computed from the derived attempts, graded trims and lifted holds. */
export async function standingsOf(db: Reader, apprenticeId: string, today: string): Promise<Map<string, TechniqueRecord>> {
  const { attempts: a, dogs: d, holdLifts: h } = tables
  const rows = await db
    .select({ row: a, dogName: d.name, coat: d.coat })
    .from(a)
    .innerJoin(d, eq(d.id, a.dogId))
    .where(eq(a.apprenticeId, apprenticeId))
    .orderBy(asc(a.onDate), asc(a.sessionId))
  const trims = await passedTrims(db, apprenticeId)
  const lifts = await db.select().from(h).where(eq(h.apprenticeId, apprenticeId))
  return new Map(
    (await techniquesOf(db)).map((technique) => {
      const attempts = rows.filter(({ row }) => row.techniqueId === technique.id && row.onDate <= today).map(recordFrom)
      const lifted =
        lifts
          .filter((lift) => lift.techniqueId === technique.id)
          .map((lift) => lift.onDate)
          .sort()
          .at(-1) ?? null
      const passedTrimOn = trims.find((trim) => attempts.some((attempt) => attempt.sessionId === trim.sessionId))?.onDate ?? null
      return [
        technique.id,
        { technique, standing: standingOf({ techniqueName: technique.name, attempts, passedTrimOn, liftedOn: lifted, today }), attempts }
      ]
    })
  )
}

function recordFrom({ row, dogName, coat }: { row: typeof tables.attempts.$inferSelect; dogName: string; coat: string }): AttemptRecord {
  const { body } = row
  return {
    sessionId: row.sessionId,
    onDate: row.onDate,
    dogId: body.setting === 'figure' ? '' : row.dogId,
    dogName: body.setting === 'figure' ? 'practice figure' : dogName,
    coat,
    clean: body.clean,
    counts: body.counts,
    minutes: body.minutes,
    prompts: body.prompts,
    because: body.because,
    seriousSafety: body.seriousSafety
  }
}

export type SignedTrim = {
  readonly gradingId: string
  readonly sessionId: string
  readonly dogId: string
  readonly dogName: string
  readonly coat: string
  readonly onDate: string
  readonly assessorId: string
  readonly blind: boolean
  readonly standardId: string
  readonly result: GradeResult
}

/** Signed gradings of an apprentice's trims with their results, oldest first. A trim that somebody is still marking stays out: both are blind until both are signed. */
export async function signedTrims(db: Reader, apprenticeId: string): Promise<SignedTrim[]> {
  const { gradings: g, gradingResults: r, sessions: s, dogs: d } = tables
  const rows = await db
    .select({
      gradingId: g.id,
      sessionId: s.id,
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
    .where(eq(s.apprenticeId, apprenticeId))
    .orderBy(asc(s.onDate), asc(g.id))
  const open = await sessionsBeingMarked(db)
  return rows.filter((row) => !open.has(row.sessionId))
}

/** Sessions of which a grading is still a draft. */
export async function sessionsBeingMarked(db: Reader): Promise<Set<string>> {
  const rows = await db.select({ id: tables.gradings.sessionId }).from(tables.gradings).where(eq(tables.gradings.status, 'draft'))
  return new Set(rows.map((row) => row.id))
}

async function passedTrims(db: Reader, apprenticeId: string): Promise<SignedTrim[]> {
  return (await signedTrims(db, apprenticeId)).filter((trim) => trim.result.outcome === 'passed')
}
