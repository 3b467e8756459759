// Visits that are kept folded: what is in memory is what a fold of the stored events would be, whichever process wrote them.
import { foldVisit } from '@peen/core/practice'
import { eq, sql } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { inTransaction, tables } from '../../db'
import { smallSchool, type Client, type World } from '../../testing/world'
import { eventsOf } from '../derived'
import { keepFold, takeFold } from './folds'

let world: World
let ivo: Client
beforeAll(async () => {
  world = await smallSchool('folds')
  ivo = await world.client('ivo')
})
afterAll(() => world.close())

let count = 0
const note = (visitId: string, text: string, change: object = {}) => ({
  ...{ id: v7(), v: 1, kind: 'noted', visitId, by: ivo.me!.id, deviceId: 'd', seq: ++count, lamport: count },
  ...{ atDevice: '2026-04-14T09:00:00.000Z', payload: { text } },
  ...change
})
const send = async (visitId: string, ...events: object[]) => {
  const { body } = await ivo.post(`/visits/${visitId}/events`, { events })
  return (body.answers as { status: string }[]).map(({ status }) => status)
}
const rowOf = async (id: string) => (await world.db.select().from(tables.visits).where(eq(tables.visits.id, id)))[0]
/** What is in memory, put back as it was. */
async function keptState(id: string) {
  const row = await rowOf(id)
  return inTransaction(world.db, async (tx) => {
    const fold = await takeFold(world.db, tx, row)
    keepFold(world.db, id, row.eventsVersion, fold)
    return { notes: fold.folding.state().notes, ids: [...fold.hashes.keys()].sort() }
  })
}
async function storedState(id: string) {
  const events = (await eventsOf(world.db, [id])).get(id)!
  return { notes: foldVisit(events).notes, ids: events.map((event) => event.id).sort() }
}

describe('a visit that is kept folded', () => {
  it('is what its stored events come to, batch after batch', async () => {
    const visit = await world.newVisit('abe')
    const first = note(visit, 'one')
    expect(await send(visit, first, note(visit, 'two'))).toEqual(['stored', 'stored'])
    expect(await send(visit, first)).toEqual(['alreadyThere'])
    expect(await send(visit, { ...first, payload: { text: 'other' } })).toEqual(['conflict'])
    expect(await send(visit, note(visit, 'three'))).toEqual(['stored'])
    expect(await keptState(visit)).toEqual(await storedState(visit))
    expect((await rowOf(visit)).eventsVersion).toBe(2)
  })

  it('is read again where another process has written to it', async () => {
    const visit = await world.newVisit('abe')
    await send(visit, note(visit, 'here'))
    const [row] = await world.db.select().from(tables.events).where(eq(tables.events.visitId, visit))
    const { position: _none, ...copy } = row
    await world.db.insert(tables.events).values({ ...copy, id: v7(), seq: 900, lamport: row.lamport + 1, payload: { text: 'there' } })
    await world.db
      .update(tables.visits)
      .set({ eventsVersion: sql`${tables.visits.eventsVersion} + 1` })
      .where(eq(tables.visits.id, visit))
    await send(visit, note(visit, 'after', { lamport: row.lamport + 2 }))
    expect((await storedState(visit)).notes).toHaveLength(3)
    expect(await keptState(visit)).toEqual(await storedState(visit))
  })

  it('knows an id that another visit has, and keeps the rest of the batch', async () => {
    const [one, two] = [await world.newVisit('abe'), await world.newVisit('abe')]
    const taken = note(one, 'first')
    await send(one, taken)
    expect(await send(two, note(two, 'before'), { ...taken, visitId: two }, note(two, 'behind'))).toEqual(['stored', 'conflict', 'stored'])
    expect(await keptState(two)).toEqual(await storedState(two))
  })
})
