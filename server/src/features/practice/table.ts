import { closingSteps } from '@peen/content'
import type { Me, TableView } from '@peen/contract'
import { foldVisit, workedMinutes, type PracticeEvent } from '@peen/core/practice'
import { and, asc, eq, inArray, ne, type SQL } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { eventsOf } from '../derived'
import { dogView, fullName, personName } from '../people'
import { agreedOf } from '../agreed'
import { houseOf, rackOf } from '../school'
import { houseOfVisit, standardOfVisit, stepsOfVisit, workOfVisit } from './found'
import { holdsFor } from './holds'

/** Visits with the people, dog and table around them, by table. */
export async function visitRows(db: Reader, which: SQL) {
  const { visits: s, people: p, dogs: d, roomTables: t } = tables
  return db
    .select({ visit: s, person: p, dog: d, table: t })
    .from(s)
    .innerJoin(p, eq(p.id, s.apprenticeId))
    .innerJoin(d, eq(d.id, s.dogId))
    .innerJoin(t, eq(t.id, s.tableId))
    .where(which)
    .orderBy(asc(t.number))
}

/** One visit; refuses an unknown one. */
export async function visitRow(db: Reader, id: string) {
  const rows = await visitRows(db, eq(tables.visits.id, id))
  if (!rows[0]) throw refuse.notFound('This visit')
  return rows[0]
}

/** The table screen's facts. An apprentice sees own tables only. */
export async function tableView({ db, clock }: Services, actor: Me, id: string): Promise<TableView> {
  const { visit, person, dog, table } = await visitRow(db, id)
  if (actor.role === 'apprentice' && person.id !== actor.id) throw refuse.forbidden('This is another apprentice’s table.')
  const events = (await eventsOf(db, [id])).get(id)!
  const standard = await standardOfVisit(db, visit)
  const now = (await clock.now()).toISOString()
  const state = foldVisit(events)
  const agreed = await agreedOf(db, id)
  const house = await houseOf(db)
  const steps = stepsOfVisit(visit, standard.plan.steps, { house, rack: await rackOf(db) }, agreed)
  const { gradings: g, people: p } = tables
  const marks = await db
    .select({ id: g.id, status: g.status, assessorId: g.assessorId, givenName: p.givenName, familyName: p.familyName })
    .from(g)
    .innerJoin(p, eq(p.id, g.assessorId))
    .where(eq(g.visitId, id))
  return {
    id,
    now,
    onDate: visit.onDate,
    elsewhereMin: await minutesElsewhere(db, visit, now),
    tableNumber: table.number,
    apprentice: personName(person),
    dog: dogView(dog),
    checkIn: visit.checkIn,
    standardId: visit.standardId,
    standardVersion: visit.standardVersion,
    standardMin: standard.standardMin,
    steps,
    house: houseOfVisit(visit, house),
    closing: closingSteps({ steps, work: workOfVisit(visit, dog, standard.plan, house) }),
    agreed,
    events,
    names: await namesOf(db, events),
    holds: await holdsFor(db, visit, state, await clock.today()),
    gradings:
      actor.role === 'apprentice'
        ? []
        : marks.map((mark) => ({ id: mark.id, assessor: fullName(mark), status: mark.status, own: mark.assessorId === actor.id }))
  }
}

/** Minutes that the dog of a visit has stood at its other visits of the same day. */
async function minutesElsewhere(db: Reader, { id, dogId, onDate }: typeof tables.visits.$inferSelect, now: string): Promise<number> {
  const { visits: s } = tables
  const others = await db
    .select({ id: s.id })
    .from(s)
    .where(and(eq(s.dogId, dogId), eq(s.onDate, onDate), ne(s.id, id)))
  const events = await eventsOf(
    db,
    others.map((other) => other.id)
  )
  return [...events.values()].reduce((sum, of) => sum + workedMinutes(foldVisit(of), now), 0)
}

async function namesOf(db: Reader, events: readonly PracticeEvent[]): Promise<Record<string, string>> {
  const ids = [...new Set(events.map(({ by }) => by))]
  if (ids.length === 0) return {}
  const { people: p } = tables
  const rows = await db.select({ id: p.id, name: p.givenName }).from(p).where(inArray(p.id, ids))
  return Object.fromEntries(rows.map(({ id, name }) => [id, name]))
}
