import { closingSteps } from '@peen/content'
import type { Me, SessionView } from '@peen/contract'
import { foldSession, workedMinutes, type PracticeEvent } from '@peen/core/practice'
import { and, asc, eq, inArray, ne, type SQL } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { eventsOf } from '../derived'
import { dogView, fullName, personName } from '../people'
import { agreedOf } from '../agreed'
import { houseOf, rackOf } from '../school'
import { houseOfVisit, standardOfVisit, stepsOfVisit, workOfVisit } from './found'
import { holdsFor } from './holds'

/** Sessions with the people, dog and table around them, by table. */
export async function sessionRows(db: Reader, which: SQL) {
  const { sessions: s, people: p, dogs: d, roomTables: t } = tables
  return db
    .select({ session: s, person: p, dog: d, table: t })
    .from(s)
    .innerJoin(p, eq(p.id, s.apprenticeId))
    .innerJoin(d, eq(d.id, s.dogId))
    .innerJoin(t, eq(t.id, s.tableId))
    .where(which)
    .orderBy(asc(t.number))
}

/** One session; refuses an unknown one. */
export async function sessionRow(db: Reader, id: string) {
  const rows = await sessionRows(db, eq(tables.sessions.id, id))
  if (!rows[0]) throw refuse.notFound('This session')
  return rows[0]
}

/** The table screen's facts. An apprentice sees own tables only. */
export async function sessionView({ db, clock }: Services, actor: Me, id: string): Promise<SessionView> {
  const { session, person, dog, table } = await sessionRow(db, id)
  if (actor.role === 'apprentice' && person.id !== actor.id) throw refuse.forbidden('This is another apprentice’s table.')
  const events = (await eventsOf(db, [id])).get(id)!
  const standard = await standardOfVisit(db, session)
  const now = (await clock.now()).toISOString()
  const state = foldSession(events)
  const agreed = await agreedOf(db, id)
  const house = await houseOf(db)
  const steps = stepsOfVisit(session, standard.plan.steps, { house, rack: await rackOf(db) }, agreed)
  const { gradings: g, people: p } = tables
  const marks = await db
    .select({ id: g.id, status: g.status, assessorId: g.assessorId, givenName: p.givenName, familyName: p.familyName })
    .from(g)
    .innerJoin(p, eq(p.id, g.assessorId))
    .where(eq(g.sessionId, id))
  return {
    id,
    now,
    onDate: session.onDate,
    elsewhereMin: await minutesElsewhere(db, session, now),
    tableNumber: table.number,
    apprentice: personName(person),
    dog: dogView(dog),
    checkIn: session.checkIn,
    standardId: session.standardId,
    standardVersion: session.standardVersion,
    standardMin: standard.standardMin,
    steps,
    house: houseOfVisit(session, house),
    closing: closingSteps({ steps, work: workOfVisit(session, dog, standard.plan, house) }),
    agreed,
    events,
    names: await namesOf(db, events),
    holds: await holdsFor(db, session, state, await clock.today()),
    gradings:
      actor.role === 'apprentice'
        ? []
        : marks.map((mark) => ({ id: mark.id, assessor: fullName(mark), status: mark.status, own: mark.assessorId === actor.id }))
  }
}

/** Minutes that the dog of a session has stood at its other sessions of the same day. */
async function minutesElsewhere(db: Reader, { id, dogId, onDate }: typeof tables.sessions.$inferSelect, now: string): Promise<number> {
  const { sessions: s } = tables
  const others = await db
    .select({ id: s.id })
    .from(s)
    .where(and(eq(s.dogId, dogId), eq(s.onDate, onDate), ne(s.id, id)))
  const events = await eventsOf(
    db,
    others.map((other) => other.id)
  )
  return [...events.values()].reduce((sum, of) => sum + workedMinutes(foldSession(of), now), 0)
}

async function namesOf(db: Reader, events: readonly PracticeEvent[]): Promise<Record<string, string>> {
  const ids = [...new Set(events.map(({ by }) => by))]
  if (ids.length === 0) return {}
  const { people: p } = tables
  const rows = await db.select({ id: p.id, name: p.givenName }).from(p).where(inArray(p.id, ids))
  return Object.fromEntries(rows.map(({ id, name }) => [id, name]))
}
