// When the school is open, and when it, a dog or a person is off.
import { MOST_OFF_DAYS, type Me, type NewOff, type OffView } from '@peen/contract'
import { daysBetween } from '@peen/core/competency'
import { isOpenOn, USUAL_OPENING, type Off, type Opening } from '@peen/core/day'
import { and, asc, eq, gte, inArray, isNotNull, isNull, lte, or } from 'drizzle-orm'
import { orTaken, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { fullName } from '../people'
import { schoolRow } from '../school'

const { daysOff: o, people: p, dogs: d } = tables

export async function openingOf(db: Reader): Promise<Opening> {
  return (await schoolRow(db)).opening ?? USUAL_OPENING
}

export async function keepOpening({ db }: Services, { weekdays, from, until }: Opening): Promise<Opening> {
  const opening = { weekdays: [...new Set(weekdays)].sort((a, b) => a - b), from, until }
  await db.update(tables.school).set({ opening })
  return opening
}

/** Days off that end on a day or later. An apprentice is told of the school's and of their own. */
export async function offFrom(db: Reader, actor: Me, from: string): Promise<readonly OffView[]> {
  const mine = actor.role === 'apprentice' ? or(eq(o.about, 'school'), and(eq(o.about, 'person'), eq(o.aboutId, actor.id))) : undefined
  const rows = await db
    .select()
    .from(o)
    .where(and(gte(o.toOn, from), mine))
    .orderBy(asc(o.fromOn), asc(o.id))
  const named = new Map<string, string>()
  const about = (kind: string) => [...new Set(rows.filter((row) => row.about === kind).flatMap(({ aboutId }) => aboutId ?? []))]
  const [people, dogs] = [about('person'), about('dog')]
  if (people.length > 0) for (const row of await db.select().from(p).where(inArray(p.id, people))) named.set(row.id, fullName(row))
  if (dogs.length > 0) for (const row of await db.select().from(d).where(inArray(d.id, dogs))) named.set(row.id, row.name)
  return rows.map(({ id, about: kind, aboutId, fromOn, toOn, name, isFromFile }) => ({
    ...{ id, about: kind, aboutId, fromOn, toOn, name, isFromFile },
    whose: aboutId === null ? '' : (named.get(aboutId) ?? '')
  }))
}

/** Days off of the school, and of a dog or a person with it, that end on a day or later. */
export async function offOf(db: Reader, from: string, aboutId: string | null): Promise<readonly Off[]> {
  const whose = aboutId === null ? isNull(o.aboutId) : or(isNull(o.aboutId), eq(o.aboutId, aboutId))
  return db
    .select({ fromOn: o.fromOn, toOn: o.toOn })
    .from(o)
    .where(and(gte(o.toOn, from), whose))
}

/** Why the school does not work on a day: the name of its days off, or an empty one for a weekday on which it is closed; null where it works. */
export async function schoolOff(db: Reader, on: string): Promise<string | null> {
  const [row] = await db
    .select({ name: o.name })
    .from(o)
    .where(and(eq(o.about, 'school'), lte(o.fromOn, on), gte(o.toOn, on)))
  if (row) return row.name
  return isOpenOn(on, await openingOf(db), []) ? null : ''
}

/** Who is away on a day: ids of dogs and people. */
export async function awayOn(db: Reader, on: string): Promise<ReadonlySet<string>> {
  const rows = await db
    .select({ id: o.aboutId })
    .from(o)
    .where(and(isNotNull(o.aboutId), lte(o.fromOn, on), gte(o.toOn, on)))
  return new Set(rows.flatMap(({ id }) => id ?? []))
}

export async function addOff(services: Services, actor: Me, off: NewOff): Promise<readonly OffView[]> {
  const { db, clock } = services
  await refuseOff(db, actor, off)
  const { id, about, aboutId, fromOn, toOn, name } = off
  // whose plans they are is said by whom; why is not kept
  const row = { id, about, aboutId, fromOn, toOn, name: about === 'school' ? name : '', isFromFile: false, by: actor.id }
  await orTaken(db.insert(o).values({ ...row, at: await clock.now() }), refuse.taken('time off'))
  return offFrom(db, actor, await clock.today())
}

async function refuseOff(db: Reader, actor: Me, { about, aboutId, fromOn, toOn, name }: NewOff): Promise<void> {
  if (about === 'school' && actor.role !== 'lead') throw refuse.forbidden('Only a lead assessor closes the school.')
  const days = daysBetween(fromOn, toOn) + 1
  const issues = [
    ...(days < 1 ? [{ path: 'toOn', detail: `Last day is ${toOn}; it must be ${fromOn} or later.` }] : []),
    ...(days > MOST_OFF_DAYS
      ? [{ path: 'toOn', detail: `Last day is ${toOn}; one entry can have up to ${MOST_OFF_DAYS} days, so until then write two.` }]
      : []),
    ...(about === 'school' && name === ''
      ? [{ path: 'name', detail: 'Name is missing: say what the days are, such as spring break.' }]
      : []),
    ...((about === 'school') === (aboutId === null) ? [] : [{ path: 'aboutId', detail: 'Say which dog or person is away.' }])
  ]
  if (issues.length > 0) throw refuse.invalid(issues)
  if (aboutId !== null) await refuseUnknown(db, about, aboutId)
}

/** Refuses a dog or a person that the school does not know. */
export async function refuseUnknown(db: Reader, about: string, id: string): Promise<void> {
  const table = about === 'dog' ? d : p
  const [row] = await db.select({ id: table.id }).from(table).where(eq(table.id, id))
  if (!row) throw refuse.notFound(about === 'dog' ? 'This dog' : 'This person')
}

export async function removeOff({ db, clock }: Services, actor: Me, id: string): Promise<readonly OffView[]> {
  const [row] = await db.select().from(o).where(eq(o.id, id))
  if (!row) throw refuse.notFound('This time off')
  if (row.about === 'school' && actor.role !== 'lead') throw refuse.forbidden('Only a lead assessor opens the school again.')
  await db.delete(o).where(eq(o.id, id))
  return offFrom(db, actor, await clock.today())
}
