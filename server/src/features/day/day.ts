// What a school does on a day: who works on which dog at which table.
import { trimFits } from '@peen/content'
import type { DayView } from '@peen/contract'
import { standingOf } from '@peen/core/checkin'
import { clashesOf, type Clash, type WantedVisit } from '@peen/core/day'
import { foldVisit } from '@peen/core/practice'
import { fitOf } from '@peen/core/setup'
import { sayDay } from '@peen/core/units'
import { and, asc, eq, isNull, ne } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import type { Services } from '../../http'
import { eventsOf } from '../derived'
import { dogView, fullName, personName } from '../people'
import { visitRows } from '../practice'
import { awayOn, schoolOff } from '../opening'
import { inShippedOrder, newestStandards, retiredOf } from '../school'

type Trims = Awaited<ReturnType<typeof newestStandards>>
export type DayVisitRow = Awaited<ReturnType<typeof visitsOn>>[number]

/** Everything one needs to plan a day; today's where none is named. */
export async function dayView({ db, clock }: Services, on?: string): Promise<DayView> {
  const today = await clock.today()
  const onDate = on ?? today
  const visits = await visitsOn(db, onDate)
  const people = await db.select().from(tables.people).where(eq(tables.people.active, true)).orderBy(asc(tables.people.givenName))
  const dogs = await db.select().from(tables.dogs).orderBy(asc(tables.dogs.name))
  const room = await db.select().from(tables.roomTables).where(isNull(tables.roomTables.removedOn)).orderBy(asc(tables.roomTables.number))
  const cohorts = await db.select().from(tables.cohorts).orderBy(asc(tables.cohorts.name))
  const trims = await newestStandards(db, true)
  const retired = await retiredOf(db)
  const absent = await absentOn(db, onDate)
  const off = await offOn(db, onDate)
  return {
    onDate,
    today,
    schoolOff: off.school,
    closedDay: await isClosedDay(db, onDate, today),
    openedBy: await openedBy(db, onDate),
    absent: [...absent],
    people: people.map((person) => ({ ...personName(person), cohort: person.cohort })),
    dogs: dogs.map((dog) => dogView(dog)),
    tables: room.map(({ id, number, toolIds }) => ({ id, number, toolIds })),
    cohorts: cohorts.map(({ name }) => name),
    trims: inShippedOrder(trims.flatMap(({ id, body }) => (retired.has(id) ? [] : [body]))).map((body) => ({
      id: body.id,
      name: body.name,
      minutes: body.standardMin
    })),
    visits: visits.map((visit) => ({
      id: visit.row.visit.id,
      tableId: visit.row.table.id,
      tableNumber: visit.row.table.number,
      apprenticeId: visit.row.person.id,
      apprentice: fullName(visit.row.person),
      dogId: visit.row.dog.id,
      dog: visit.row.dog.name,
      trimId: visit.row.visit.standardId,
      trim: trims.find(({ id }) => id === visit.row.visit.standardId)?.body.name ?? visit.row.visit.standardId,
      comesAt: visit.row.visit.comesAt,
      begun: visit.begun,
      closed: visit.closed,
      warnings: [
        ...(absent.has(visit.row.person.id) && !visit.closed ? [sayAbsent(visit.row)] : []),
        ...clashesAmong(
          visits.filter((other) => other !== visit),
          trims,
          wantedOf(visit, trims, off)
        )
          .filter(({ blocks }) => !blocks || !visit.closed)
          .map(({ say }) => say)
      ]
    }))
  }
}

/** The visits of a day, with whether somebody has begun and whether they are closed. */
export async function visitsOn(db: Reader, onDate: string, except?: string) {
  const { visits: s } = tables
  const rows = await visitRows(db, except ? (and(eq(s.onDate, onDate), ne(s.id, except)) as never) : eq(s.onDate, onDate))
  const events = await eventsOf(
    db,
    rows.map(({ visit }) => visit.id)
  )
  return rows.map((row) => {
    const of = events.get(row.visit.id) ?? []
    return { row, begun: of.length > 0, closed: foldVisit(of).closedAt !== null }
  })
}

const minutesIn = (trims: Trims, id: string) => trims.find((one) => one.id === id)?.body.standardMin ?? 0

function wantedOf({ row: { visit, dog, person, table } }: DayVisitRow, trims: Trims, off: OffOn): WantedVisit {
  return {
    ...visit,
    minutes: minutesIn(trims, visit.standardId),
    dog: dog.name,
    dogCanStandMin: dog.canStandMin,
    apprentice: person.givenName,
    tableNumber: table.number,
    against: [...againstDog(dog, visit.standardId, visit.checkIn.allTheSame !== undefined), ...againstDay(off, dog, person)]
  }
}

/** Why the school does not work on a day, and who is away. */
export type OffOn = { readonly on: string; readonly school: string | null; readonly away: ReadonlySet<string> }
export const offOn = async (db: Reader, on: string): Promise<OffOn> => ({ on, school: await schoolOff(db, on), away: await awayOn(db, on) })

/** What stands against a day itself; said, and the instructor decides. */
export function againstDay(
  { on, school, away }: OffOn,
  dog: { id: string; name: string },
  person: { id: string; givenName: string }
): Clash[] {
  const closed = school === null ? [] : [`The school is closed on ${sayDay(on)}${school ? ` (${school})` : ''}.`]
  const gone = [...(away.has(dog.id) ? [dog.name] : []), ...(away.has(person.id) ? [person.givenName] : [])]
  return [
    ...closed.map((say) => ({ code: 'schoolOff' as const, blocks: false, say })),
    ...gone.map((name) => ({ code: 'away' as const, blocks: false, say: `${name} is away on ${sayDay(on)}.` }))
  ]
}

/** What stands against a dog itself: limited or refused, or a coat that the trim does not fit. */
export function againstDog(dog: typeof tables.dogs.$inferSelect, trimId: string, allTheSame = false): readonly Clash[] {
  const { verdict, say } = fitOf(trimFits, trimId, dogView(dog).coatType)
  const standing = standingOf(dog.name, dog.standing)
  return [
    ...(standing ? [standing] : []),
    ...(say ? [{ code: 'trimUnfit' as const, blocks: verdict === 'refused' && !allTheSame, say: `${dog.name}: ${say}` }] : [])
  ]
}

export function clashesAmong(others: readonly DayVisitRow[], trims: Trims, wanted: WantedVisit): readonly Clash[] {
  return clashesOf(
    others.map(({ row: { visit }, closed }) => ({ ...visit, minutes: minutesIn(trims, visit.standardId), closed })),
    wanted
  )
}

export async function isClosedDay(db: Reader, onDate: string, today: string): Promise<boolean> {
  if (onDate < today) return true
  return (await db.select().from(tables.closedDays).where(eq(tables.closedDays.onDate, onDate))).length > 0
}

const sayAbsent = ({ person, dog }: DayVisitRow['row']) =>
  `${person.givenName} is absent: give ${dog.name} to someone else, or cancel the visit.`

/** The people who are not here on a day. */
export async function absentOn(db: Reader, onDate: string): Promise<ReadonlySet<string>> {
  const rows = await db.select({ id: tables.absences.personId }).from(tables.absences).where(eq(tables.absences.onDate, onDate))
  return new Set(rows.map(({ id }) => id))
}

/** The given name of who opened a day; null before that. */
export async function openedBy(db: Reader, onDate: string): Promise<string | null> {
  const { openedDays: o, people: p } = tables
  const [row] = await db.select({ name: p.givenName }).from(o).innerJoin(p, eq(p.id, o.by)).where(eq(o.onDate, onDate))
  return row?.name ?? null
}
