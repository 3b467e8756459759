// The routes that are called most, on the demo's year: no query of theirs reads a growing table from end to end, and none asks in a loop.
import { connect, databaseClock, makeApp, tables, type Connection } from '@peen/server'
import { desc, eq } from 'drizzle-orm'
import type { AddressInfo } from 'node:net'
import type { Server } from 'node:http'
import pino from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { refill } from '../../server/src/testing/refill'
import { freshDatabase } from '../../server/src/testing/world'
import { PASSWORD } from './cast'
import { playDemo } from './play'

/** Tables that get longer with every day of a school. */
const GROWING = new Set([
  ...['practice_sessions', 'practice_events', 'derived_attempts', 'derived_coat', 'agreed_targets'],
  ...['gradings', 'grading_results', 'grading_reads', 'pictures', 'picture_marks', 'coat_entries', 'notes', 'audit_log', 'audit_seals']
])
/** So few rows are read at once, whatever index there is. */
const FEW_ROWS = 200
/** More than any of them asks; one that asked for each dog or apprentice by itself would pass it. */
const MOST_QUERIES = 60

const heard: { readonly query: string; readonly values: unknown[] }[] = []
let fresh: Connection
let listened: Connection
let server: Server
let get: (path: string) => Promise<unknown>
let session: string
beforeAll(async () => {
  fresh = await freshDatabase('queries')
  const played = process.env.PEEN_TEST_DEMO
  const settings = { ...JSON.parse(process.env.PEEN_TEST_DB!), database: 'peen_test_queries' }
  if (played) refill(settings, played)
  else await playDemo(fresh.db)
  listened = connect(settings, { logQuery: (query, values) => void heard.push({ query, values }) })
  const app = makeApp({ db: listened.db, clock: databaseClock(listened.db), log: pino({ level: 'silent' }) }, null)
  server = app.listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
  const headers = { 'content-type': 'application/json' }
  const signedIn = await fetch(`${url}/sign-in`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ username: 'ottilie', password: PASSWORD })
  })
  const cookie = signedIn.headers.getSetCookie()[0].split(';')[0]
  get = async (path) => {
    const answer = await fetch(url + path, { headers: { cookie } })
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
    return answer.json()
  }
  const { sessions: s, gradings: g } = tables
  ;[{ id: session }] = await fresh.db.select({ id: s.id }).from(s).innerJoin(g, eq(g.sessionId, s.id)).orderBy(desc(s.onDate)).limit(1)
})
afterAll(async () => {
  server.closeAllConnections()
  server.close()
  await Promise.all([fresh.close(), listened.close()])
})

type Client = { readonly query: (text: string, values: unknown[]) => Promise<[readonly Step[], unknown]> }
type Step = { readonly table: string; readonly type: string; readonly rows: number }

/** Queries that read a growing table from end to end, as the database plans them. */
async function fullScans(): Promise<readonly string[]> {
  const client = (fresh.db as unknown as { readonly $client: Client }).$client
  const found = new Set<string>()
  for (const { query, values } of heard.filter((one) => one.query.startsWith('select'))) {
    const [plan] = await client.query(`EXPLAIN ${query}`, values)
    for (const { table, type, rows } of plan)
      if (type === 'ALL' && rows > FEW_ROWS && GROWING.has(table)) found.add(`${table}, ${rows} rows: ${query.slice(0, 300)}`)
  }
  return [...found]
}

describe('a route that is called often', () => {
  const idOf = { session: () => session, apprentice: () => oneOf(tables.people.username, 'ines'), dog: () => oneDog() }
  async function oneOf(column: typeof tables.people.username, value: string): Promise<string> {
    return (await fresh.db.select({ id: tables.people.id }).from(tables.people).where(eq(column, value)))[0].id
  }
  async function oneDog(): Promise<string> {
    return (await fresh.db.select({ id: tables.sessions.dogId }).from(tables.sessions).where(eq(tables.sessions.id, session)))[0].id
  }

  // the list of coats is not among them: it reads every dog's whole book, and models a dog again only where its book has changed
  it.each<[string, keyof typeof idOf | null]>([
    ['/floor', null],
    ['/visits/:id/work', 'session'],
    ['/visits/:id', 'session'],
    ['/visits/:id/coat', 'session'],
    ['/apprentices', null],
    ['/apprentices/:id', 'apprentice'],
    ['/dogs/:id', 'dog'],
    ['/coats/:id', 'dog'],
    ['/trims', null],
    ['/wall', null]
  ])('%s', async (path, of) => {
    const address = of ? path.replace(':id', await idOf[of]()) : path
    // the second look is the usual one: versions that never change are in memory by then
    await get(address)
    heard.length = 0
    await get(address)
    expect(heard.length).toBeGreaterThan(2)
    expect(heard.length, 'queries').toBeLessThan(MOST_QUERIES)
    expect(await fullScans()).toEqual([])
  })

  it('and the check would notice a full scan', async () => {
    heard.length = 0
    await listened.db.select().from(tables.events).where(eq(tables.events.kind, 'noted'))
    expect(await fullScans()).toHaveLength(1)
  })
})
