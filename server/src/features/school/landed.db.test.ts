// A school as each version that landed left it, brought up to now as a start does: one fixture for each shape that the database had.
import type { Problem } from '@peen/contract'
import { and, eq, inArray, isNull } from 'drizzle-orm'
import mysql, { type Connection as Raw } from 'mysql2/promise'
import { readdirSync, readFileSync } from 'node:fs'
import { brotliDecompressSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bringUp } from '../../bring-up'
import { connect, inTransaction, tables, type Connection, type DatabaseSettings } from '../../db'
import { addressesWith } from '../../testing/addresses'
import { PASSWORD, serve, type Served } from '../../testing/world'
import { checkAudit, resealed } from '../audit'
import { derivedAgain } from '../derived'
import { keepGradedWith } from '../grading'

const FOLDER = new URL('../../testing/upgrade/', import.meta.url)
/** Named after the number of migrations they had: `at-09` had nine. Demo schools cut down to some visits up to 11, small ones after. */
const LANDED = readdirSync(FOLDER).filter((name) => /^at-\d+\.sql\.br$/.test(name))
/** A lead of the demo, and one of the small school. */
const LEADS = [
  { username: 'ottilie', password: 'porcelain-7F' },
  { username: 'lena', password: PASSWORD }
]

type Mark = { readonly id: string; readonly value: number }

/** The marks that were signed, by the table of that time. */
async function marksIn(raw: Raw): Promise<readonly Mark[]> {
  const [[table]] = (await raw.query("SHOW TABLES LIKE '%grading\\_results'")) as unknown as [Record<string, string>[]]
  const name = Object.values(table!)[0]
  const [rows] = await raw.query(
    `SELECT r.grading_id AS id, r.value FROM ${name} r JOIN gradings g ON g.id = r.grading_id WHERE g.status = 'signed' ORDER BY id`
  )
  return rows as Mark[]
}

it('has a fixture for each version', () => {
  expect(LANDED.length).toBeGreaterThan(9)
})

describe.each(LANDED)('a school as %s', (name) => {
  const database = `peen_test_landed_${name.slice(3, 5)}`
  let connection: Connection
  let served: Served
  let before: readonly Mark[]
  let counts: readonly number[]
  let raw: Raw
  beforeAll(async () => {
    const server = JSON.parse(process.env.PEEN_TEST_DB!) as Omit<DatabaseSettings, 'database'>
    raw = await mysql.createConnection({ ...server, multipleStatements: true })
    await raw.query(`DROP DATABASE IF EXISTS ${database}; CREATE DATABASE ${database}; USE ${database}`)
    await raw.query(brotliDecompressSync(readFileSync(new URL(name, FOLDER))).toString())
    before = await marksIn(raw)
    const [[row]] = (await raw.query(
      'SELECT (SELECT COUNT(*) FROM people) AS p, (SELECT COUNT(*) FROM dogs) AS d, (SELECT COUNT(*) FROM practice_events) AS e'
    )) as unknown as [{ p: number; d: number; e: number }[]]
    counts = [row!.p, row!.d, row!.e]
    connection = connect({ ...server, database })
    await bringUp(connection.db, new Date('2026-11-30T08:00:00.000Z'))
    served = await serve(connection)
  })
  afterAll(async () => {
    await raw.end()
    await served.close()
  })

  it('loses no one, no dog, no event and no mark', async () => {
    const { db } = connection
    expect([await db.$count(tables.people), await db.$count(tables.dogs), await db.$count(tables.events)]).toEqual(counts)
    expect(before.length).toBeGreaterThan(1)
    expect(await marksIn(raw)).toEqual(before)
  })

  it('has a whole trail, and derives the same once more', async () => {
    expect(await checkAudit(connection.db)).toMatchObject({ whole: true, changed: [] })
    expect(await derivedAgain(connection.db)).toBe('same')
  })

  it('says of each signed mark by what it was marked, once and for all', async () => {
    const { gradings: g } = tables
    const bare = and(eq(g.status, 'signed'), isNull(g.gradedWith))
    expect(await connection.db.$count(g, bare)).toBe(0)
    // a school that was sealed before it was brought up: the trail holds what was written in, and still names what did not fit it
    const [one, two] = await connection.db.select({ id: g.id }).from(g).where(eq(g.status, 'signed')).limit(2)
    const { auditLog, auditHead } = tables
    await connection.db
      .update(g)
      .set({ gradedWith: null })
      .where(inArray(g.id, [one!.id, two!.id]))
    await connection.db.update(g).set({ globalRating: 'outstanding' }).where(eq(g.id, two!.id))
    await inTransaction(connection.db, (tx) => resealed(tx, [`grading:${one!.id}`], new Date()))
    await keepGradedWith(connection.db, new Date())
    const { changed } = await checkAudit(connection.db)
    expect(changed.map(({ name: seal }) => seal)).toEqual([`grading:${two!.id}`])
    expect(await connection.db.$count(auditLog)).toBe((await connection.db.select().from(auditHead))[0]!.seq)
  })

  it('opens on every page', async () => {
    const { db } = connection
    const client = await served.client()
    const answers = await Promise.all(LEADS.map((lead) => client.post('/sign-in', lead)))
    const lead = served.clientOf(answers.find(({ status }) => status === 200)!)
    const some = async (table: Parameters<typeof db.$count>[0] & { id: never }) =>
      (
        (await db
          .select({ id: table.id })
          .from(table as never)
          .limit(2)) as { id: string }[]
      ).map(({ id }) => id)
    const kinds = [tables.visits, tables.gradings, tables.dogs, tables.people, tables.findings, tables.standardDrafts]
    const ids = (await Promise.all(kinds.map((table) => some(table as never)))).flat()
    const broken: Problem[] = []
    const [version] = (await db.select({ version: tables.standards.version }).from(tables.standards)).map((row) => String(row.version))
    const values = {
      id: ids,
      standard: ['bearded-pet'],
      version: [version!],
      technique: ['body-clip'],
      table: ['visits'],
      on: ['2026-04-14'],
      about: ['dog', 'person', 'visit'],
      open: ['none'],
      ...{ from: ['2026-04-01'], to: ['2026-04-30'], feed: ['none'], secret: ['none'] },
      picture: ['none']
    }
    let opened = 0
    for (const path of addressesWith(values)) {
      const response = await fetch(`${served.url}/api${path}`, { headers: lead.headers })
      if (response.ok) opened++
      if (response.status >= 500) broken.push({ ...((await response.json()) as Problem), title: path })
      else await response.arrayBuffer()
    }
    expect(broken).toEqual([])
    expect(opened).toBeGreaterThan(40)
  })
})
