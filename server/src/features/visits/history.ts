// Visits of an apprentice or a dog by their dates, with what was done: "what did they do last Thursday?"
import type { Me, VisitLine } from '@peen/contract'
import { and, desc, eq, inArray, lte, type SQL } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import type { Services } from '../../http'
import { fullName } from '../people'
import { techniquesOf, trimNames } from '../school'

/** Chosen: more than a year of one visit a week. */
const MOST = 80

/** The visits of a dog, as far as one may see them. */
export const visitsOfDog = (services: Services, actor: Me, dogId: string) =>
  visitLines(
    services,
    actor.role === 'apprentice'
      ? and(eq(tables.visits.dogId, dogId), eq(tables.visits.apprenticeId, actor.id))!
      : eq(tables.visits.dogId, dogId)
  )

/** The visits of an apprentice. */
export const visitsOfApprentice = (services: Services, apprenticeId: string) =>
  visitLines(services, eq(tables.visits.apprenticeId, apprenticeId))

/** Newest first, up to today; what is planned is not done yet. */
async function visitLines({ db, clock }: Services, which: SQL): Promise<VisitLine[]> {
  const { visits: s, people: p, dogs: d } = tables
  const rows = await db
    .select({ visit: s, person: p, dog: d.name })
    .from(s)
    .innerJoin(p, eq(p.id, s.apprenticeId))
    .innerJoin(d, eq(d.id, s.dogId))
    .where(and(which, lte(s.onDate, await clock.today())))
    .orderBy(desc(s.onDate), desc(s.id))
    .limit(MOST)
  const ids = rows.map(({ visit }) => visit.id)
  const did = await didIn(db, ids)
  const opened = await openedAmong(db, ids)
  const trimOf = await trimNames(
    db,
    rows.map(({ visit }) => visit)
  )
  return rows.map(({ visit, person, dog }) => ({
    ...{ visitId: visit.id, onDate: visit.onDate, apprenticeId: visit.apprenticeId, apprentice: fullName(person) },
    ...{ dogId: visit.dogId, dog, trim: trimOf(visit) },
    state: opened.get(visit.id) ?? 'notBegun',
    did: did.get(visit.id) ?? []
  }))
}

async function didIn(db: Reader, visitIds: readonly string[]): Promise<ReadonlyMap<string, VisitLine['did'][number][]>> {
  const found = new Map<string, VisitLine['did'][number][]>()
  if (visitIds.length === 0) return found
  const { attempts: a } = tables
  const names = new Map((await techniquesOf(db)).map(({ id, name }) => [id, name]))
  for (const { visitId, techniqueId, body } of await db
    .select()
    .from(a)
    .where(inArray(a.visitId, [...visitIds]))) {
    const own = { technique: names.get(techniqueId) ?? techniqueId, clean: body.clean, counts: body.counts, minutes: body.minutes }
    found.set(visitId, [...(found.get(visitId) ?? []), own])
  }
  return found
}

/** Which of these visits were begun, and which are finished; whatever was undone or came late is for the table's own page. */
async function openedAmong(db: Reader, visitIds: readonly string[]): Promise<ReadonlyMap<string, VisitLine['state']>> {
  if (visitIds.length === 0) return new Map()
  const { events: e } = tables
  const rows = await db
    .select({ visitId: e.visitId, kind: e.kind })
    .from(e)
    .where(and(inArray(e.visitId, [...visitIds]), inArray(e.kind, ['visitOpened', 'attemptStarted', 'visitClosed'])))
  const state = new Map<string, VisitLine['state']>()
  for (const { visitId, kind } of rows) {
    if (kind === 'visitClosed') state.set(visitId, 'finished')
    else if (!state.has(visitId)) state.set(visitId, 'begun')
  }
  return state
}
