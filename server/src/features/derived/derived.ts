// Derived is derived: everything here is recomputed from events, answers and standards, and may be dropped at any time.
import { countedOf, techniqueToday } from '@peen/bundle'
import { gradeResult, type GradedWith, type GradeResult } from '@peen/core/grade'
import type { CountedAttempt, PracticeEvent } from '@peen/core/practice'
import { agreedStandard, fittedStandard, type FittedStandard } from '@peen/core/standard'
import { rollup } from 'd3-array'
import { eq, inArray } from 'drizzle-orm'
import { inTransaction, tables, type Database, type Reader } from '../../db'
import { DERIVED_BY, everyStandard, standardOf } from '../school'
import { majorFaults } from '../techniques'
import { rebuildCharts, storeCharts } from './charts'
import { storeCoat } from './coat'
import { knownOf, type Known } from './known'

export async function eventsOf(db: Reader, visitIds: readonly string[]): Promise<Map<string, PracticeEvent[]>> {
  const found = new Map<string, PracticeEvent[]>(visitIds.map((id) => [id, []]))
  if (visitIds.length === 0) return found
  const rows = await db
    .select()
    .from(tables.events)
    .where(inArray(tables.events.visitId, [...visitIds]))
  for (const row of rows) found.get(row.visitId)?.push(eventFrom(row))
  return found
}

export function eventFrom(row: typeof tables.events.$inferSelect): PracticeEvent {
  const { contentHash: _hash, atDevice, receivedAt, ...event } = row
  return { ...event, atDevice: atDevice.toISOString(), receivedAt: receivedAt.toISOString() } as unknown as PracticeEvent
}

/** What one visit wrote into the coat book, made again: after its events, its check-in or a mark of it changed. */
export async function rebuildCoat(db: Reader, visitId: string): Promise<void> {
  const visit = (await db.select().from(tables.visits).where(eq(tables.visits.id, visitId)))[0]
  await storeCoat(db, visit, (await eventsOf(db, [visitId])).get(visitId)!)
}

/** Writes the attempts of one visit in place of those that were there, and what the charts of its apprentice come to. */
export async function storeAttempts(
  db: Reader,
  visit: typeof tables.visits.$inferSelect,
  counted: readonly CountedAttempt[]
): Promise<void> {
  const { attempts: a } = tables
  const before = await db.select({ id: a.techniqueId }).from(a).where(eq(a.visitId, visit.id))
  await writeAttempts(db, visit, counted, knownOf(db))
  await storeCharts(db, visit.apprenticeId, [...before.map(({ id }) => id), ...counted.map(({ techniqueId }) => techniqueId)])
}

async function writeAttempts(
  db: Reader,
  { id: visitId, apprenticeId, dogId, onDate, standardId, standardVersion }: typeof tables.visits.$inferSelect,
  counted: readonly CountedAttempt[],
  known: Known
): Promise<void> {
  const { attempts: a } = tables
  await db.delete(a).where(eq(a.visitId, visitId))
  if (counted.length === 0) return
  const { steps } = (await known.standard(standardId, standardVersion)).plan
  const planned = rollup(
    steps,
    (own) => own.reduce((sum, step) => sum + step.minutes, 0),
    (step) => techniqueToday(step.technique)
  )
  const rows = counted.map((body) => {
    const { techniqueId, setting } = body
    return { visitId, techniqueId, setting, apprenticeId, dogId, onDate, planMinutes: planned.get(techniqueId) ?? null, body }
  })
  await db.insert(a).values(rows)
}

/** The standard a grading is marked against: with the sides, wishes and agreed lengths that were frozen into it when it was opened. */
export async function gradedBy(
  db: Reader,
  {
    standardId,
    standardVersion,
    houseRules,
    wishes,
    agreed
  }: Pick<typeof tables.gradings.$inferSelect, 'standardId' | 'standardVersion' | 'houseRules' | 'wishes' | 'agreed'>
): Promise<FittedStandard> {
  const fitted = fittedStandard(await standardOf(db, standardId, standardVersion), { house: houseRules, wishes: wishes ?? [] })
  return agreedStandard(fitted, agreed ?? [])
}

/** The result of a grading, computed from its answers and what it is graded with; the same code as in the browser. */
export async function computeResult(db: Reader, grading: typeof tables.gradings.$inferSelect, graded: GradedWith): Promise<GradeResult> {
  const { standard } = await gradedBy(db, grading)
  return gradeResult(standard, { answers: grading.answers, critical: grading.critical, seedText: grading.id, ...graded })
}

/** Keeps what a grading came to at its signature; it is kept once. */
export async function storeResult(db: Reader, gradingId: string, body: GradeResult): Promise<void> {
  await db.insert(tables.gradingResults).values({ gradingId, value: body.total?.value ?? 0, outcome: body.outcome, body })
}

/** Derives everything anew where it was derived by other code. */
export async function deriveWhereOld(db: Database): Promise<void> {
  const school = (await db.select({ derivedBy: tables.school.derivedBy }).from(tables.school).limit(1))[0]
  if (!school || school.derivedBy === DERIVED_BY) return
  await rebuildAll(db)
}

/** Visits whose events are read at once. */
const AT_ONCE = 50

/** Empties every derived table and fills it again, in one transaction: no one reads a half of it, and a failure leaves what was. */
export async function rebuildAll(db: Database): Promise<void> {
  // into memory first: what a transaction reads is not kept
  await everyStandard(db)
  await inTransaction(db, async (tx) => {
    await tx.select().from(tables.school).for('update')
    await tx.delete(tables.attempts)
    await tx.delete(tables.coatFromVisits)
    const [known, major] = [knownOf(tx), await majorFaults(tx)]
    const visits = await tx.select().from(tables.visits)
    for (let from = 0; from < visits.length; from += AT_ONCE) {
      const some = visits.slice(from, from + AT_ONCE)
      const events = await eventsOf(
        tx,
        some.map(({ id }) => id)
      )
      for (const visit of some) {
        const own = events.get(visit.id)!
        await writeAttempts(tx, visit, countedOf(own, major), known)
        await storeCoat(tx, visit, own, known)
      }
    }
    await rebuildCharts(tx)
    await tx.update(tables.school).set({ derivedBy: DERIVED_BY })
  })
}
