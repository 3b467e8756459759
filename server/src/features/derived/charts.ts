// What the attempts of an apprentice at a technique come to: kept, so that a whole cohort is read at once.
import { chartOf, STANDING_DEFAULTS, type AttemptRecord, type StandingRules } from '@peen/core/competency'
import { groups } from 'd3-array'
import { and, asc, eq, inArray } from 'drizzle-orm'
import { tables, type Reader } from '../../db'

/** The school's own risks, expected attempts and days to lapse. */
export async function standingRules(db: Reader): Promise<StandingRules> {
  const row = (await db.select({ rules: tables.school.competency }).from(tables.school).limit(1))[0]
  return row?.rules ?? STANDING_DEFAULTS
}

const { attempts: a, dogs: d, charts: c } = tables

/** Attempts with their dogs, oldest first; of some apprentices, or some of their techniques. */
export async function attemptRows(db: Reader, apprenticeIds: readonly string[], techniqueIds: readonly string[] | null = null) {
  return db
    .select({ row: a, dogName: d.name, coat: d.coat })
    .from(a)
    .innerJoin(d, eq(d.id, a.dogId))
    .where(and(inArray(a.apprenticeId, [...apprenticeIds]), techniqueIds === null ? undefined : inArray(a.techniqueId, [...techniqueIds])))
    .orderBy(asc(a.onDate), asc(a.visitId))
}

export function recordFrom({ row, dogName, coat }: Awaited<ReturnType<typeof attemptRows>>[number]): AttemptRecord {
  const { body } = row
  const isFigure = body.setting === 'figure'
  return {
    visitId: row.visitId,
    onDate: row.onDate,
    dogId: isFigure ? '' : row.dogId,
    dogName: isFigure ? 'practice figure' : dogName,
    coat,
    clean: body.clean,
    counts: body.counts,
    minutes: body.minutes,
    planMinutes: row.planMinutes,
    prompts: body.prompts,
    help: body.help,
    sides: body.sides,
    because: body.because,
    safetyEvents: body.safetyEvents,
    seriousSafety: body.seriousSafety
  }
}

/** Charts of one apprentice in some techniques, in place of those that were there. */
export async function storeCharts(db: Reader, apprenticeId: string, techniqueIds: readonly string[]): Promise<void> {
  const ids = [...new Set(techniqueIds)]
  if (ids.length === 0) return
  const rules = await standingRules(db)
  const rows = await attemptRows(db, [apprenticeId], ids)
  await db.delete(c).where(and(eq(c.apprenticeId, apprenticeId), inArray(c.techniqueId, ids)))
  const charts = groups(rows, ({ row }) => row.techniqueId).map(([techniqueId, own]) => ({
    apprenticeId,
    techniqueId,
    ...chartOf(own.map(recordFrom), rules).row
  }))
  if (charts.length > 0) await db.insert(c).values(charts)
}

/** Every chart anew: after the school has changed its risks, or where older code has made them. */
export async function rebuildCharts(db: Reader): Promise<void> {
  await db.delete(c)
  const own = await db.selectDistinct({ apprenticeId: a.apprenticeId, techniqueId: a.techniqueId }).from(a)
  for (const [apprenticeId, techniques] of groups(own, (row) => row.apprenticeId))
    await storeCharts(
      db,
      apprenticeId,
      techniques.map(({ techniqueId }) => techniqueId)
    )
}
