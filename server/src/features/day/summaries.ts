// Each apprentice's day, from events, attempts and figures; derived every time it is asked for.
import { techniqueName } from '@peen/content'
import type { DaySummaryView } from '@peen/contract'
import { countedAttempts, daySummary, foldVisit, undoneSteps, workedMinutes, type VisitState, type VisitSummary } from '@peen/core/practice'
import { and, asc, eq } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { eventsOf } from '../derived'
import { personName } from '../people'
import { visitRows, standardOfVisit, stepsOfVisit } from '../practice'
import { houseOf, rackOf, techniquesOf } from '../school'
import { agreedOfAll } from '../agreed'
import { majorFaults } from '../techniques'
import { absentOn } from './day'

/** Of every apprentice who had a dog, practised on a figure or was not here; in the order of their names. */
export async function summariesOf(db: Reader, onDate: string, now: string): Promise<DaySummaryView[]> {
  const techniques = new Map((await techniquesOf(db)).map((technique) => [technique.id, technique]))
  const visits = await visitsOf(db, onDate, now, techniques)
  const absent = await absentOn(db, onDate)
  const { people: p, figurePractice: f } = tables
  const figures = await db.select().from(f).where(eq(f.onDate, onDate)).orderBy(asc(f.at))
  const apprentices = await db
    .select()
    .from(p)
    .where(and(eq(p.role, 'apprentice'), eq(p.active, true)))
    .orderBy(asc(p.givenName), asc(p.familyName))
  return apprentices.flatMap((person): DaySummaryView[] => {
    const own = visits.filter(({ personId }) => personId === person.id).map(({ visit }) => visit)
    const practised = figures
      .filter(({ apprenticeId }) => apprenticeId === person.id)
      .map(({ techniqueId, minutes }) => ({ technique: techniques.get(techniqueId)?.name ?? techniqueName(techniqueId), minutes }))
    const isAbsent = absent.has(person.id)
    if (own.length + practised.length === 0 && !isAbsent) return []
    const sentences = daySummary({ name: person.givenName, absent: isAbsent, visits: own, figures: practised })
    return [{ person: personName(person), absent: isAbsent, sentences }]
  })
}

type Techniques = ReadonlyMap<string, Awaited<ReturnType<typeof techniquesOf>>[number]>

async function visitsOf(db: Reader, onDate: string, now: string, techniques: Techniques) {
  const rows = await visitRows(db, eq(tables.visits.onDate, onDate))
  const shop = { house: await houseOf(db), rack: await rackOf(db) }
  const major = await majorFaults(db)
  const events = await eventsOf(
    db,
    rows.map(({ visit }) => visit.id)
  )
  const agreed = await agreedOfAll(
    db,
    rows.map(({ visit }) => visit.id)
  )
  const found: { readonly personId: string; readonly visit: VisitSummary }[] = []
  for (const { visit, dog, person } of rows) {
    const state = foldVisit(events.get(visit.id)!)
    if (state.openedAt === null && state.attempts.length === 0) continue
    const standard = await standardOfVisit(db, visit)
    const steps = stepsOfVisit(visit, standard.plan.steps, shop, agreed.get(visit.id) ?? null)
    const summary: VisitSummary = {
      dog: dog.name,
      trim: standard.name.toLowerCase(),
      workedMin: workedMinutes(state, now),
      standardMin: standard.standardMin,
      attempts: attemptsOf(state, major, techniques),
      praises: state.praises.flatMap(({ text }) => (text === '' ? [] : [text])),
      ranOut: state.ranOut?.how ?? null,
      undone: undoneSteps(steps, state).map(({ label }) => label)
    }
    found.push({ personId: person.id, visit: summary })
  }
  return found
}

function attemptsOf(state: VisitState, major: ReadonlySet<string>, techniques: Techniques): VisitSummary['attempts'] {
  return countedAttempts(state, major).map(({ techniqueId, clean, counts, because, faults }) => ({
    technique: techniques.get(techniqueId)?.name ?? techniqueName(techniqueId),
    ...{ clean, counts, because },
    faults: faults.map((id) => ({
      name: techniques.get(techniqueId)?.faults.find((fault) => fault.id === id)?.name ?? id,
      major: major.has(id)
    }))
  }))
}
