// Sessions that are kept folded: what is in memory is what a fold of the stored events would be, whichever process wrote them.
import { foldSession } from '@peen/core/practice'
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
const note = (sessionId: string, text: string, change: object = {}) => ({
  ...{ id: v7(), v: 1, kind: 'noted', sessionId, by: ivo.me!.id, deviceId: 'd', seq: ++count, lamport: count },
  ...{ atDevice: '2026-04-14T09:00:00.000Z', payload: { text } },
  ...change
})
const send = async (sessionId: string, ...events: object[]) => {
  const { body } = await ivo.post(`/visits/${sessionId}/events`, { events })
  return (body.answers as { status: string }[]).map(({ status }) => status)
}
const rowOf = async (id: string) => (await world.db.select().from(tables.sessions).where(eq(tables.sessions.id, id)))[0]
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
  return { notes: foldSession(events).notes, ids: events.map((event) => event.id).sort() }
}

describe('a session that is kept folded', () => {
  it('is what its stored events come to, batch after batch', async () => {
    const session = await world.newSession('abe')
    const first = note(session, 'one')
    expect(await send(session, first, note(session, 'two'))).toEqual(['stored', 'stored'])
    expect(await send(session, first)).toEqual(['alreadyThere'])
    expect(await send(session, { ...first, payload: { text: 'other' } })).toEqual(['conflict'])
    expect(await send(session, note(session, 'three'))).toEqual(['stored'])
    expect(await keptState(session)).toEqual(await storedState(session))
    expect((await rowOf(session)).eventsVersion).toBe(2)
  })

  it('is read again where another process has written to it', async () => {
    const session = await world.newSession('abe')
    await send(session, note(session, 'here'))
    const [row] = await world.db.select().from(tables.events).where(eq(tables.events.sessionId, session))
    const { position: _none, ...copy } = row
    await world.db.insert(tables.events).values({ ...copy, id: v7(), seq: 900, lamport: row.lamport + 1, payload: { text: 'there' } })
    await world.db
      .update(tables.sessions)
      .set({ eventsVersion: sql`${tables.sessions.eventsVersion} + 1` })
      .where(eq(tables.sessions.id, session))
    await send(session, note(session, 'after', { lamport: row.lamport + 2 }))
    expect((await storedState(session)).notes).toHaveLength(3)
    expect(await keptState(session)).toEqual(await storedState(session))
  })

  it('knows an id that another session has, and keeps the rest of the batch', async () => {
    const [one, two] = [await world.newSession('abe'), await world.newSession('abe')]
    const taken = note(one, 'first')
    await send(one, taken)
    expect(await send(two, note(two, 'before'), { ...taken, sessionId: two }, note(two, 'behind'))).toEqual([
      'stored',
      'conflict',
      'stored'
    ])
    expect(await keptState(two)).toEqual(await storedState(two))
  })
})
