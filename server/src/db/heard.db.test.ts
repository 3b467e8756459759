import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { freshDatabase } from '../testing/world'
import { connect, inTransaction, type Connection, type DatabaseSettings } from '.'

let home: Connection
beforeAll(async () => {
  home = await freshDatabase('heard')
})
afterAll(() => home.close())

it('tells how long a query took, in a transaction too, and never its values', async () => {
  const told: { readonly query: string; readonly ms: number }[] = []
  const settings = { ...(JSON.parse(process.env.PEEN_TEST_DB!) as DatabaseSettings), database: 'peen_test_heard' }
  const { db, close } = connect(settings, { heard: (query, ms) => void told.push({ query, ms }) })
  await db.execute(sql`SELECT ${'Marenka'} AS name, SLEEP(0.2)`)
  await inTransaction(db, (tx) => tx.execute(sql`SELECT ${'Marenka'} AS name, SLEEP(0.3)`))
  await db.execute(sql`SELECT nonsense`).catch(() => undefined)
  const slept = told.filter(({ query }) => query.includes('SLEEP'))
  expect(slept.map(({ ms }) => ms > 190)).toEqual([true, true])
  expect(told.map(({ query }) => query)).toContain('SELECT nonsense')
  expect(JSON.stringify(told)).not.toContain('Marenka')
  await close()
})
