// What a school is made of and what it does today: people, dogs, tables, visits.
import { bodies, colourNames } from '@peen/content'
import type { DayView, Me, NewDog, NewPerson, NewTable, NewVisit, Planned } from '@peen/contract'
import { clashesOf, freePlace } from '@peen/core/day'
import { foldSession } from '@peen/core/practice'
import { asc, eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { inTransaction, orTaken, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { hashPassword } from '../auth'
import { eventsOf } from '../derived'
import { dogView, fullName, personName } from '../people'
import { sessionRows } from '../practice'
import { newestStandards, schoolRow } from '../school'

export async function dayView({ db, clock }: Services): Promise<DayView> {
  const onDate = await clock.today()
  const visits = await visitsOn(db, onDate)
  const people = await db.select().from(tables.people).where(eq(tables.people.active, true)).orderBy(asc(tables.people.givenName))
  const dogs = await db.select().from(tables.dogs).orderBy(asc(tables.dogs.name))
  const room = await db.select().from(tables.roomTables).orderBy(asc(tables.roomTables.number))
  const trims = await newestStandards(db)
  return {
    onDate,
    people: people.map((person) => ({ ...personName(person), cohort: person.cohort })),
    dogs: dogs.map((dog) => dogView(dog)),
    tables: room.map(({ id, number }) => ({ id, number })),
    trims: trims.map(({ body }) => ({ id: body.id, name: body.name, minutes: body.standardMin })),
    visits: visits.map(({ row, closed }) => ({
      id: row.session.id,
      tableNumber: row.table.number,
      apprentice: fullName(row.person),
      dog: row.dog.name,
      trim: trims.find(({ id }) => id === row.session.standardId)?.body.name ?? row.session.standardId,
      closed
    }))
  }
}

async function visitsOn(db: Reader, onDate: string) {
  const rows = await sessionRows(db, eq(tables.sessions.onDate, onDate))
  const events = await eventsOf(
    db,
    rows.map(({ session }) => session.id)
  )
  return rows.map((row) => ({ row, closed: foldSession(events.get(row.session.id) ?? []).closedAt !== null }))
}

/** Lets a person in. An instructor lets in apprentices, a lead assessor anybody. */
export async function addPerson({ db, clock }: Services, actor: Me, person: NewPerson): Promise<{ readonly id: string }> {
  if (actor.role !== 'lead' && person.role !== 'apprentice')
    throw refuse.forbidden('An instructor lets in apprentices; a lead assessor lets in the others.')
  const { password, ...rest } = person
  const known = (await db.select().from(tables.people).where(eq(tables.people.username, person.username)))[0]
  if (known) throw refuse.conflict('usernameTaken', `User name “${person.username}” is taken; choose another. Nothing was changed.`)
  const row = { ...rest, passwordHash: await hashPassword(password), startedOn: await clock.today(), handed: 'right', active: true }
  await orTaken(db.insert(tables.people).values(row), refuse.taken('person'))
  return { id: person.id }
}

export async function addDog({ db }: Services, dog: NewDog): Promise<{ readonly id: string }> {
  const known = [
    { path: 'bodyType', name: 'Body type', got: dog.bodyType, allowed: bodies.map(({ id }) => id) },
    { path: 'colour', name: 'Colour', got: dog.colour, allowed: colourNames }
  ]
  const wrong = known.filter(({ got, allowed }) => !allowed.includes(got))
  if (wrong.length > 0)
    throw refuse.invalid(
      wrong.map(({ path, name, got, allowed }) => ({ path, detail: `${name} is ${got}; allowed is ${allowed.join(', ')}.` }))
    )
  const { owner, contact, ...rest } = dog
  await inTransaction(db, async (tx) => {
    const ownerId = owner === '' ? null : v7()
    if (ownerId) await tx.insert(tables.owners).values({ id: ownerId, givenName: owner, contact })
    await orTaken(tx.insert(tables.dogs).values({ ...rest, burns: [], facts: [], ownerId }), refuse.taken('dog'))
  })
  return { id: dog.id }
}

/** Puts another table into the room, where there is a place for it. */
export async function addTable({ db }: Services, { id }: NewTable): Promise<{ readonly id: string; readonly number: number }> {
  return inTransaction(db, async (tx) => {
    const room = await schoolRow(tx)
    const stand = await tx.select().from(tables.roomTables).for('update')
    const place = freePlace([room.roomWidthMm, room.roomDepthMm], stand)
    if (!place) throw refuse.conflict('roomFull', `The room is full with ${stand.length} tables. Nothing was changed.`)
    const number = Math.max(0, ...stand.map((table) => table.number)) + 1
    await orTaken(tx.insert(tables.roomTables).values({ id, number, ...place, turnDeg: 0 }), refuse.taken('table'))
    return { id, number }
  })
}

/** Plans a visit for today. What blocks it is refused with every reason; what does not is said and stays the instructor's decision. */
export async function planVisit({ db, clock }: Services, visit: NewVisit): Promise<Planned> {
  const onDate = await clock.today()
  return inTransaction(db, async (tx) => {
    // one planner at a time: two would both see the table free
    const table = (await tx.select().from(tables.roomTables).for('update')).find(({ id }) => id === visit.tableId)
    const person = (await tx.select().from(tables.people).where(eq(tables.people.id, visit.apprenticeId)))[0]
    const dog = (await tx.select().from(tables.dogs).where(eq(tables.dogs.id, visit.dogId)))[0]
    const trims = await newestStandards(tx)
    const trim = trims.find(({ id }) => id === visit.standardId)
    if (!table) throw refuse.notFound('This table')
    if (!person || !person.active || person.role !== 'apprentice') throw refuse.notFound('This apprentice')
    if (!dog) throw refuse.notFound('This dog')
    if (!trim) throw refuse.notFound(`Trim ${visit.standardId}`)
    const minutesOf = (id: string) => trims.find((one) => one.id === id)?.body.standardMin ?? 0
    const clashes = clashesOf(
      (await visitsOn(tx, onDate)).map(({ row: { session }, closed }) => ({ ...session, minutes: minutesOf(session.standardId), closed })),
      {
        ...visit,
        minutes: trim.body.standardMin,
        dog: dog.name,
        dogCanStandMin: dog.canStandMin,
        apprentice: person.givenName,
        tableNumber: table.number
      }
    )
    const blocking = clashes.filter(({ blocks }) => blocks)
    if (blocking.length > 0) throw refuse.conflict('clash', `${blocking.map(({ say }) => say).join(' ')} Nothing was changed.`)
    const { id, apprenticeId, dogId, tableId, standardId, weeksSince, wishes } = visit
    const row = {
      id,
      apprenticeId,
      dogId,
      tableId,
      standardId,
      standardVersion: trim.version,
      onDate,
      checkIn: { weeksSince, wishes, excused: [] }
    }
    await orTaken(tx.insert(tables.sessions).values(row), refuse.taken('visit'))
    return { id, warnings: clashes.map(({ say }) => say) }
  })
}
