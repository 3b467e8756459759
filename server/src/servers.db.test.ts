// Two servers over one database, as at two sites: what one of them knows, the other knows.
import { standards, techniqueById } from '@peen/content'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { connect, inTransaction, migrateUp, tables, type DatabaseSettings } from './db'
import { rebuildAll } from './features/derived'
import { serve, smallSchool, type Client, type Served, type World } from './testing/world'

let one: World
let two: Served
let ivo: Client
/** the same person with the same sign-in, at the other server */
let ivoThere: Client
let visit: string
const settings = () => ({ ...(JSON.parse(process.env.PEEN_TEST_DB!) as DatabaseSettings), database: 'peen_test_servers' })

beforeAll(async () => {
  one = await smallSchool('servers')
  two = await serve(connect(settings()))
  const signedIn = await (await one.client()).post('/sign-in', { username: 'ivo', password: 'long enough 7F' })
  ;[ivo, ivoThere] = [one.clientOf(signedIn), two.clientOf(signedIn)]
  visit = await one.newVisit('abe')
})
afterAll(async () => {
  await two.close()
  await one.close()
})

let seq = 0
const noted = (text: string) => {
  seq++
  const head = { id: v7(), v: 1, kind: 'noted', visitId: visit, by: ivo.me!.id, deviceId: ivo.me!.deviceId, seq, lamport: seq }
  return { ...head, atDevice: '2026-04-14T09:41:00.000Z', receivedAt: null, payload: { text } }
}

describe('two servers over one database', () => {
  it('share sign-ins: in at one is in at the other, out at one is out at both', async () => {
    expect((await ivoThere.get('/me')).body.id).toBe(ivo.me!.id)
    const other = await (await two.client()).post('/sign-in', { username: 'ina', password: 'long enough 7F' })
    expect((await one.clientOf(other).get('/me')).status).toBe(200)
    await two.clientOf(other).post('/sign-out')
    expect((await one.clientOf(other).get('/me')).status).toBe(401)
  })

  it('tell each other’s tablets what happened, in one order', async () => {
    const stop = new AbortController()
    const stream = await fetch(`${two.url}/api/live`, { headers: ivoThere.headers, signal: stop.signal })
    const reader = stream.body!.pipeThrough(new TextDecoderStream()).getReader()
    let heard = ''
    const until = async (word: string) => {
      while (!heard.includes(word)) heard += (await reader.read()).value ?? ''
    }
    await until('event: begun')
    for (const text of ['said at one', 'said at one again'])
      expect((await ivo.post(`/visits/${visit}/events`, { events: [noted(text)] })).status).toBe(200)
    await until('said at one again')
    expect(heard.indexOf('said at one')).toBeLessThan(heard.indexOf('said at one again'))
    stop.abort()
    await reader.cancel().catch(() => undefined)
  })

  it('count wrong passwords together, those that are still being tried among them', async () => {
    const guess = async (at: Served) => (await at.client()).post('/sign-in', { username: 'lars', password: 'wrong' })
    const answers = await Promise.all([guess(one), guess(two), guess(one), guess(two)])
    expect(answers.map(({ status }) => status)).toEqual([401, 401, 401, 401])
    expect(await one.db.$count(tables.signInFailures, eq(tables.signInFailures.key, 'name:lars'))).toBe(4)
    // a right one takes back those of its name, and is none itself
    expect((await (await two.client()).post('/sign-in', { username: 'lars', password: 'long enough 7F' })).status).toBe(200)
    expect(await one.db.$count(tables.signInFailures, eq(tables.signInFailures.key, 'name:lars'))).toBe(0)
  })

  it('work out what is derived as if they were one', async () => {
    // one apprentice, the same technique, at two servers in the same moment
    const { technique, toolId, direction, minutes } = standards[0]!.plan.steps[0]!
    const { regions } = techniqueById(technique)!
    const trims = [await one.newVisit('bea'), await one.newVisit('bea', '2026-04-13')]
    const practise = async (by: Client, visitId: string, deviceId: string) => {
      const statuses: number[] = []
      for (let i = 0; i < 4; i++) {
        const attemptId = v7()
        const doing = { attemptId, techniqueId: technique, regions, side: 'both', toolId, direction, hands: 'apprentice', setting: 'live' }
        const ended = { attemptId, minutes, help: 'alone', witness: 'watched' }
        const head = { v: 1, visitId, by: ivo.me!.id, deviceId, atDevice: '2026-04-14T09:41:00.000Z', receivedAt: null }
        const events = [
          { ...head, id: v7(), kind: 'attemptStarted', payload: doing, seq: 2 * i + 1, lamport: 2 * i + 1 },
          { ...head, id: v7(), kind: 'attemptEnded', payload: ended, seq: 2 * i + 2, lamport: 2 * i + 2 }
        ]
        statuses.push((await by.post(`/visits/${visitId}/events`, { events })).status)
      }
      return statuses
    }
    const statuses = await Promise.all([practise(ivo, trims[0]!, 'left'), practise(ivoThere, trims[1]!, 'right')])
    expect(statuses.flat()).toEqual(Array.from({ length: 8 }, () => 200))
    const charts = () => one.db.select().from(tables.charts).where(eq(tables.charts.apprenticeId, one.ids.bea!))
    const before = await charts()
    expect(before).not.toEqual([])
    await rebuildAll(one.db)
    expect(await charts()).toEqual(before)
  })

  it('prepare their database one after the other', async () => {
    const [a, b] = [connect(settings()), connect(settings())]
    await Promise.all([migrateUp(a.db), migrateUp(b.db)])
    await Promise.all([a.close(), b.close()])
  })
})

describe('a transaction that another overtook', () => {
  it('begins again instead of writing over what it did not see', async () => {
    const { school } = tables
    const add = (wait: number) =>
      inTransaction(one.db, async (tx) => {
        // read first, as one does who forgot to lock
        const [{ room }] = (await tx.select({ room: school.room }).from(school)) as [{ room: string }]
        await new Promise((resolve) => setTimeout(resolve, wait))
        await tx.update(school).set({ room: `${room}+` })
      })
    await one.db.update(school).set({ room: 'room' })
    await Promise.all([add(40), add(60), add(80)])
    const [{ room }] = (await one.db.select({ room: school.room }).from(school)) as [{ room: string }]
    expect(room).toBe('room+++')
  })
})
