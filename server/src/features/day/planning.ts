// Planning, moving, swapping and taking back visits.
import type { Me, MoveVisit, NewVisit, Planned, Swap } from '@peen/contract'
import type { Clash } from '@peen/core/day'
import { foldVisit } from '@peen/core/practice'
import { eq, inArray } from 'drizzle-orm'
import { inTransaction, orTaken, tables, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { eventsOf } from '../derived'
import { newestStandards } from '../school'
import { absentOn, againstDay, againstDog, clashesAmong, isClosedDay, offOn, visitsOn } from './day'

type Wanted = Pick<NewVisit, 'id' | 'apprenticeId' | 'dogId' | 'tableId' | 'standardId'> & {
  readonly onDate: string
  readonly allTheSame: boolean
}

/** Who, which dog, which table and trim; refuses what does not exist, a day that is over, and every clash that blocks. */
async function checkVisit(tx: Transaction, wanted: Wanted, today: string, isNew: boolean) {
  // one planner at a time: two would both see the table free
  const table = (await tx.select().from(tables.roomTables).for('update')).find(({ id }) => id === wanted.tableId)
  const person = (await tx.select().from(tables.people).where(eq(tables.people.id, wanted.apprenticeId)))[0]
  const dog = (await tx.select().from(tables.dogs).where(eq(tables.dogs.id, wanted.dogId)))[0]
  const trims = await newestStandards(tx)
  const trim = trims.find(({ id }) => id === wanted.standardId)
  if (!table || table.removedOn !== null) throw refuse.notFound('This table')
  if (!person || !person.active || person.role !== 'apprentice') throw refuse.notFound('This apprentice')
  if ((await absentOn(tx, wanted.onDate)).has(person.id))
    throw refuse.conflict('absent', `${person.givenName} is absent on ${wanted.onDate}. Nothing was changed.`)
  if (!dog) throw refuse.notFound('This dog')
  if (!trim) throw refuse.notFound(`Trim ${wanted.standardId}`)
  if (await isClosedDay(tx, wanted.onDate, today)) {
    const why = wanted.onDate < today ? 'is over' : 'is closed'
    throw refuse.conflict('dayClosed', `${wanted.onDate} ${why}; plan a visit for an open day from ${today} on. Nothing was changed.`)
  }
  const clashes = clashesAmong(await visitsOn(tx, wanted.onDate, isNew ? undefined : wanted.id), trims, {
    ...wanted,
    minutes: trim.body.standardMin,
    dog: dog.name,
    dogCanStandMin: dog.canStandMin,
    apprentice: person.givenName,
    tableNumber: table.number,
    against: [...againstDog(dog, wanted.standardId, wanted.allTheSame), ...againstDay(await offOn(tx, wanted.onDate), dog, person)]
  })
  refuseBlocking(clashes)
  return { trim, warnings: clashes.map(({ say }) => say) }
}

function refuseBlocking(clashes: readonly Clash[]): void {
  const blocking = clashes.filter(({ blocks }) => blocks)
  if (blocking.length === 0) return
  // what a coat is refused for may be gone on with by a written word, and nothing else may
  const isCoatOnly = blocking.every(({ code }) => code === 'trimUnfit')
  const way = isCoatOnly ? ' To plan it anyway, give a reason.' : ''
  throw refuse.conflict(isCoatOnly ? 'trimUnfit' : 'clash', `${blocking.map(({ say }) => say).join(' ')}${way} Nothing was changed.`)
}

const LEAST_REASON = 5

/** Plans a visit. What blocks it is refused with every reason; what does not is said and stays the instructor's decision. */
export async function planVisit({ db, clock }: Services, visit: NewVisit, actor: Me | null = null): Promise<Planned> {
  const today = await clock.today()
  const { id, apprenticeId, dogId, tableId, standardId, weeksSince, wishes, onDate = today } = visit
  const reason = visit.allTheSame?.trim() ?? ''
  if (reason !== '' && reason.length < LEAST_REASON)
    throw refuse.invalid([{ path: 'allTheSame', detail: `Reason for going ahead is “${reason}”; it must be a few words.` }])
  const allTheSame = reason !== '' && actor !== null ? { reason, by: actor.id } : null
  return inTransaction(db, async (tx) => {
    const wanted = { id, apprenticeId, dogId, tableId, standardId, onDate, allTheSame: allTheSame !== null }
    const { trim, warnings } = await checkVisit(tx, wanted, today, true)
    const checkIn = { weeksSince, wishes, excused: [], ...(allTheSame ? { allTheSame } : {}) }
    const comesAt = visit.comesAt || null
    const row = { id, apprenticeId, dogId, tableId, standardId, standardVersion: trim.version, onDate, comesAt, checkIn }
    await orTaken(tx.insert(tables.visits).values(row), refuse.taken('visit'))
    return { id, warnings }
  })
}

async function notBegun(tx: Transaction, id: string, isTableOnly = false) {
  const visit = (await tx.select().from(tables.visits).where(eq(tables.visits.id, id)).for('update'))[0]
  if (!visit) throw refuse.notFound('This visit')
  const events = (await eventsOf(tx, [id])).get(id)!
  // a dog that is worked on may go to another table, and to nobody else
  if (events.length > 0 && !(isTableOnly && foldVisit(events).closedAt === null))
    throw refuse.conflict('visitBegun', 'Work on this dog has started, so the visit cannot be moved. Nothing was changed.')
  return visit
}

/** Moves a visit that nobody has begun to another table, apprentice, day or trim; one that has begun to another table. */
export async function moveVisit({ db, clock }: Services, id: string, move: MoveVisit): Promise<Planned> {
  const today = await clock.today()
  return inTransaction(db, async (tx) => {
    const before = (await tx.select().from(tables.visits).where(eq(tables.visits.id, id)))[0]
    const rest = ['apprenticeId', 'onDate', 'standardId'] as const
    const isTableOnly = rest.every((field) => move[field] === undefined || move[field] === before?.[field])
    const { apprenticeId, dogId, tableId, standardId, onDate } = await notBegun(tx, id, isTableOnly)
    // the word was given for one trim
    const isSame = move.standardId === undefined || move.standardId === standardId
    const allTheSame = isSame && before?.checkIn.allTheSame !== undefined
    const wanted = { id, apprenticeId, dogId, tableId, standardId, onDate, ...move, allTheSame }
    const { trim, warnings } = await checkVisit(tx, wanted, today, false)
    await tx
      .update(tables.visits)
      .set({
        tableId: wanted.tableId,
        apprenticeId: wanted.apprenticeId,
        onDate: wanted.onDate,
        ...(move.comesAt === undefined ? {} : { comesAt: move.comesAt || null }),
        // another trim is set up anew: what was chosen for the old one does not hold
        ...(wanted.standardId === standardId ? {} : { standardId: wanted.standardId, standardVersion: trim.version, chosen: null })
      })
      .where(eq(tables.visits.id, id))
    return { id, warnings }
  })
}

/** Takes back a visit that nobody has begun. */
export async function cancelVisit({ db }: Services, id: string): Promise<{ readonly id: string }> {
  return inTransaction(db, async (tx) => {
    await notBegun(tx, id)
    await tx.delete(tables.pictures).where(eq(tables.pictures.visitId, id))
    await tx.delete(tables.visits).where(eq(tables.visits.id, id))
    return { id }
  })
}

/**
 * Two visits of one day change tables, at any time before they are finished; or their apprentices change dogs, before
 * work on either has begun. What was found at the check-in, wishes and trim belong to the dog and go with it.
 */
export async function swapVisits({ db }: Services, id: string, { with: otherId, what }: Swap): Promise<Planned> {
  return inTransaction(db, async (tx) => {
    const rows = await tx
      .select()
      .from(tables.visits)
      .where(inArray(tables.visits.id, [id, otherId]))
      .for('update')
    const [one, other] = [id, otherId].map((wanted) => rows.find((row) => row.id === wanted))
    if (!one || !other || id === otherId) throw refuse.notFound('The other visit')
    if (one.onDate !== other.onDate)
      throw refuse.conflict('otherDay', `One visit is on ${one.onDate}, the other on ${other.onDate}. Nothing was changed.`)
    const visits = (await visitsOn(tx, one.onDate)).filter(({ row }) => [id, otherId].includes(row.visit.id))
    const stuck = visits.find(({ begun, closed }) => closed || (what === 'dogs' && begun))
    if (stuck) {
      const why = stuck.closed ? 'is finished' : 'has started, and its work belongs to the person who started it'
      throw refuse.conflict('visitBegun', `The visit of ${stuck.row.dog.name} ${why}. Nothing was changed.`)
    }
    await moveTo(tx, one, other, what)
    await moveTo(tx, other, one, what)
    return { id, warnings: [] }
  })
}

type VisitRow = typeof tables.visits.$inferSelect
/** A visit takes the place of another: its table, and for a change of dogs also whoever stands there. */
async function moveTo(tx: Transaction, visit: VisitRow, { tableId, apprenticeId }: VisitRow, what: Swap['what']): Promise<void> {
  await tx
    .update(tables.visits)
    .set(what === 'tables' ? { tableId } : { tableId, apprenticeId })
    .where(eq(tables.visits.id, visit.id))
}
