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
      ? and(eq(tables.sessions.dogId, dogId), eq(tables.sessions.apprenticeId, actor.id))!
      : eq(tables.sessions.dogId, dogId)
  )

/** The visits of an apprentice. */
export const visitsOfApprentice = (services: Services, apprenticeId: string) =>
  visitLines(services, eq(tables.sessions.apprenticeId, apprenticeId))

/** Newest first, up to today; what is planned is not done yet. */
async function visitLines({ db, clock }: Services, which: SQL): Promise<VisitLine[]> {
  const { sessions: s, people: p, dogs: d } = tables
  const rows = await db
    .select({ session: s, person: p, dog: d.name })
    .from(s)
    .innerJoin(p, eq(p.id, s.apprenticeId))
    .innerJoin(d, eq(d.id, s.dogId))
    .where(and(which, lte(s.onDate, await clock.today())))
    .orderBy(desc(s.onDate), desc(s.id))
    .limit(MOST)
  const ids = rows.map(({ session }) => session.id)
  const did = await didIn(db, ids)
  const opened = await openedAmong(db, ids)
  const trimOf = await trimNames(
    db,
    rows.map(({ session }) => session)
  )
  return rows.map(({ session, person, dog }) => ({
    ...{ sessionId: session.id, onDate: session.onDate, apprenticeId: session.apprenticeId, apprentice: fullName(person) },
    ...{ dogId: session.dogId, dog, trim: trimOf(session) },
    state: opened.get(session.id) ?? 'notBegun',
    did: did.get(session.id) ?? []
  }))
}

async function didIn(db: Reader, sessionIds: readonly string[]): Promise<ReadonlyMap<string, VisitLine['did'][number][]>> {
  const found = new Map<string, VisitLine['did'][number][]>()
  if (sessionIds.length === 0) return found
  const { attempts: a } = tables
  const names = new Map((await techniquesOf(db)).map(({ id, name }) => [id, name]))
  for (const { sessionId, techniqueId, body } of await db
    .select()
    .from(a)
    .where(inArray(a.sessionId, [...sessionIds]))) {
    const own = { technique: names.get(techniqueId) ?? techniqueId, clean: body.clean, counts: body.counts, minutes: body.minutes }
    found.set(sessionId, [...(found.get(sessionId) ?? []), own])
  }
  return found
}

/** Which of these visits were begun, and which are finished; whatever was undone or came late is for the table's own page. */
async function openedAmong(db: Reader, sessionIds: readonly string[]): Promise<ReadonlyMap<string, VisitLine['state']>> {
  if (sessionIds.length === 0) return new Map()
  const { events: e } = tables
  const rows = await db
    .select({ sessionId: e.sessionId, kind: e.kind })
    .from(e)
    .where(and(inArray(e.sessionId, [...sessionIds]), inArray(e.kind, ['sessionOpened', 'attemptStarted', 'sessionClosed'])))
  const state = new Map<string, VisitLine['state']>()
  for (const { sessionId, kind } of rows) {
    if (kind === 'sessionClosed') state.set(sessionId, 'finished')
    else if (!state.has(sessionId)) state.set(sessionId, 'begun')
  }
  return state
}
