// The routes that are called most, on the demo's year: no query of theirs reads a growing table from end to end, and none asks in a loop.
import { tables } from '@peen/server'
import { desc, eq } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { servedDemo, type ServedDemo } from './testing/served'

/** Tables that get longer with every day of a school. */
const GROWING = new Set([
  ...['visits', 'practice_events', 'derived_attempts', 'derived_coat', 'agreed_targets'],
  ...['gradings', 'grading_results', 'grading_reads', 'pictures', 'picture_marks', 'coat_entries', 'notes', 'audit_log', 'audit_seals']
])
/** So few rows are read at once, whatever index there is. */
const FEW_ROWS = 200
/** More than any of them asks; one that asked for each dog or apprentice by itself would pass it. */
const MOST_QUERIES = 60

const heard: { readonly query: string; readonly values: unknown[] }[] = []
let demo: ServedDemo
let fresh: ServedDemo['fresh']
let get: ServedDemo['get']
let visit: string
beforeAll(async () => {
  demo = await servedDemo('queries', { logQuery: (query, values) => void heard.push({ query, values }) })
  ;({ fresh, get } = demo)
  const { visits: s, gradings: g } = tables
  ;[{ id: visit }] = await fresh.db.select({ id: s.id }).from(s).innerJoin(g, eq(g.visitId, s.id)).orderBy(desc(s.onDate)).limit(1)
})
afterAll(() => demo.close())

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
  const idOf = { visit: () => visit, apprentice: () => oneOf(tables.people.username, 'ines'), dog: () => oneDog() }
  async function oneOf(column: typeof tables.people.username, value: string): Promise<string> {
    return (await fresh.db.select({ id: tables.people.id }).from(tables.people).where(eq(column, value)))[0].id
  }
  async function oneDog(): Promise<string> {
    return (await fresh.db.select({ id: tables.visits.dogId }).from(tables.visits).where(eq(tables.visits.id, visit)))[0].id
  }

  // the list of coats is not among them: it reads every dog's whole book, and models a dog again only where its book has changed
  it.each<[string, keyof typeof idOf | null]>([
    ['/floor', null],
    ['/visits/:id/work', 'visit'],
    ['/visits/:id', 'visit'],
    ['/visits/:id/coat', 'visit'],
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
    heard.push({ query: 'select * from practice_events where kind = ?', values: ['noted'] })
    expect(await fullScans()).toHaveLength(1)
  })
})
