import { v7 } from 'uuid'
import mysql from 'mysql2/promise'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallSchool, type Client, type World } from '../../testing/world'
import { eventsAfter, givePositions } from '.'

let world: World
let ivo: Client
let visit: string
beforeAll(async () => {
  world = await smallSchool('live')
  ivo = await world.client('ivo')
  visit = await world.newVisit('abe')
})
afterAll(() => world.close())

let count = 0
const note = (text: string, by: Client = ivo, visitId = visit) => {
  count++
  return {
    ...{ id: v7(), v: 1, kind: 'noted', visitId, by: by.me!.id, deviceId: 'tablet', seq: count, lamport: count },
    ...{ atDevice: '2026-04-14T09:40:00.000Z', payload: { text } }
  }
}
const record = (event: object, by: Client = ivo, visitId = visit) => by.post(`/visits/${visitId}/events`, { events: [event] })
const texts = async (after: number) =>
  (await eventsAfter(world.db, after)).map(({ event, position }) => [position, (event.payload as { text: string }).text])

/** Listens as a tablet does; `heard` holds what came, `until` waits for so much of it. */
async function tablet(by: Client, headers: Record<string, string> = {}, query = '') {
  const stop = new AbortController()
  const response = await fetch(`${world.url}/api/live${query}`, { headers: { ...by.headers, ...headers }, signal: stop.signal })
  const heard: { readonly id: string; readonly kind: string; readonly data: string }[] = []
  const reading = (async () => {
    let text = ''
    for await (const chunk of response.body!.pipeThrough(new TextDecoderStream())) {
      text += chunk
      const blocks = text.split('\n\n')
      text = blocks.pop()!
      for (const block of blocks) {
        const field = (name: string) => new RegExp(`^${name}: (.*)$`, 'm').exec(block)?.[1] ?? ''
        if (field('event')) heard.push({ id: field('id'), kind: field('event'), data: field('data') })
      }
    }
  })().catch(() => undefined)
  const until = async (enough: () => boolean, ms = 6000) => {
    const end = Date.now() + ms
    while (!enough() && Date.now() < end) await new Promise((resolve) => setTimeout(resolve, 25))
    expect(enough(), JSON.stringify(heard)).toBe(true)
  }
  const told = () => heard.filter(({ kind }) => kind === 'practice').map(({ data }) => (JSON.parse(data).payload as { text: string }).text)
  return { response, heard, told, until, ended: reading, close: async () => (stop.abort(), await reading) }
}

describe('positions in the log', () => {
  it('skip nothing when transactions are committed in another order than they wrote', async () => {
    const settings = JSON.parse(process.env.PEEN_TEST_DB!) as object
    const slow = await mysql.createConnection({ ...settings, database: 'peen_test_live' })
    const base = await givePositions(world.db)
    // at another table: writers of one visit wait for each other anyway
    const other = await world.newVisit('bea')
    const early = note('written first, committed last')
    await slow.beginTransaction()
    await slow.execute(
      `INSERT INTO practice_events (id, v, kind, visit_id, by_person, device_id, seq, lamport, at_device, received_at, late, payload, content_hash)
       VALUES (?, 1, 'noted', ?, ?, 'other', 1, 1, '2026-04-14 09:40:00', '2026-04-14 09:41:00', 0, ?, 'x')`,
      [early.id, other, early.by, JSON.stringify(early.payload)]
    )
    expect((await record(note('written second'))).status).toBe(200)
    await givePositions(world.db)
    expect(await texts(base)).toEqual([[base + 1, 'written second']])
    await slow.commit()
    await slow.end()
    await givePositions(world.db)
    // a reader that has read to the second one finds the first, and nothing twice
    expect(await texts(base + 1)).toEqual([[base + 2, 'written first, committed last']])
  })

  it('are given once and without a gap by several at the same moment', async () => {
    const base = await givePositions(world.db)
    for (let i = 0; i < 12; i++) await record(note(`n${i}`))
    await Promise.all(Array.from({ length: 6 }, () => givePositions(world.db)))
    const placed = await eventsAfter(world.db, base)
    expect(placed.map(({ position }) => position)).toEqual(placed.map((_, i) => base + 1 + i))
    expect(placed.length).toBe(12)
  })
})

describe('a tablet that listens', () => {
  it('hears what another records, in order, with its place', async () => {
    const one = await tablet(ivo)
    expect(one.response.headers.get('content-type')).toBe('text/event-stream')
    await one.until(() => one.heard.length > 0)
    const from = Number(one.heard[0].data)
    await record(note('first'))
    await record(note('second'))
    await one.until(() => one.told().length === 2)
    expect(one.told()).toEqual(['first', 'second'])
    expect(one.heard.filter(({ kind }) => kind === 'practice').map(({ id }) => Number(id))).toEqual([from + 1, from + 2])
    await one.close()
  })

  it('goes on from where it broke off, by its last event, without hearing anything twice', async () => {
    const one = await tablet(ivo)
    await one.until(() => one.heard.length > 0)
    await record(note('before the gap'))
    await one.until(() => one.told().length === 1)
    const last = one.heard.at(-1)!.id
    await one.close()
    await record(note('in the gap'))
    const again = await tablet(ivo, { 'last-event-id': last })
    await record(note('after the gap'))
    await again.until(() => again.told().length === 2)
    expect(again.told()).toEqual(['in the gap', 'after the gap'])
    await again.close()
  })

  it('hears nothing more once its person has signed out: the stream ends by itself', async () => {
    const lars = await world.client('lars')
    const one = await tablet(lars)
    await one.until(() => one.heard.length > 0)
    expect((await lars.post('/sign-out')).status).toBe(200)
    // ends within a few seconds; a stream that did not would hold the test
    await one.ended
    await record(note('after the sign-out'))
    expect(one.told()).toEqual([])
  })

  it('of an apprentice hears the own table only', async () => {
    const bea = await world.client('bea')
    const beas = await world.newVisit('bea')
    const one = await tablet(bea)
    await one.until(() => one.heard.length > 0)
    await record(note('at the table of another'))
    await record(note('at the own', ivo, beas), ivo, beas)
    await one.until(() => one.told().length > 0)
    expect(one.told()).toEqual(['at the own'])
    await one.close()
  })

  it('is told when the day changes without an event: a table moved, a grading opened', async () => {
    const one = await tablet(ivo)
    await one.until(() => one.heard.length > 0)
    await ivo.send('PUT', `/tables/${world.ids.table}/place`, { xMm: 500, yMm: 700, turnDeg: 5 })
    await one.until(() => one.heard.some(({ kind }) => kind === 'day'))
    const finished = await world.newTrim('abe')
    await ivo.post(`/visits/${finished}/gradings`, { id: v7() })
    await one.until(() => one.heard.filter(({ kind }) => kind === 'day').length === 2)
    await one.close()
  })

  it('is refused without signing in, and with a place that is none', async () => {
    const nobody = await world.client()
    expect((await nobody.get('/live')).status).toBe(401)
    expect((await ivo.get('/live?after=soon')).body.detail).toMatch(/After is soon; it must be a position of the log/)
  })
})
