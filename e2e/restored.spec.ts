// The machine is pulled from the wall at noon and another one is started from last night's backup: the tablets bring the morning back.
import type { Page } from '@playwright/test'
import mysql from 'mysql2/promise'
import { freePort } from '../scripts/machine.mjs'
import { refill } from '../server/src/testing/refill'
import { expect, mine, openTable, PASSWORD, saved, test } from './app'
import { hasOwnDatabase, ownServer, type OwnServer } from './own-server'

const NOTE = 'Stood badly after eleven.'

let server: OwnServer | null = null
let url = ''
test.beforeAll(async () => {
  test.skip(!hasOwnDatabase(), 'the school is put back on the way: its database must be the test’s own')
  const port = await freePort()
  url = `http://127.0.0.1:${port}`
  server = ownServer(port)
  await server.start()
})
test.afterAll(() => server?.stop())

const settings = () => ({ ...JSON.parse(process.env.PEEN_TEST_DB!), database: mine(process.env.PEEN_E2E_DATABASE!) })

/** The school as it was last night, as `npm run restore` leaves it. */
async function restoreLastNight(): Promise<void> {
  refill(settings(), process.env.PEEN_TEST_DEMO!)
  const db = await mysql.createConnection(settings())
  await db.query('UPDATE school SET restored = ?', [
    JSON.stringify({ id: '0192f000-0000-7000-8000-000000000001', madeAt: '2026-04-13T22:00:00.000Z' })
  ])
  await db.end()
}
async function signIn(page: Page): Promise<void> {
  expect((await page.request.post(`${url}/api/sign-in`, { data: { username: 'ruben', password: PASSWORD } })).ok()).toBe(true)
}
type Event = { readonly kind: string; readonly id: string }
async function eventsOf(page: Page, id: string): Promise<readonly Event[]> {
  return (await (await page.request.get(`${url}/api/visits/${id}/work`)).json()).events
}

test('the tablets bring the morning back', async ({ page }) => {
  await signIn(page)
  await page.goto(`${url}/floor`)
  await openTable(page, 'Tove')
  const id = page.url().split('/').at(-1)!
  const before = await eventsOf(page, id)
  for (const key of ['prompt', 'praise']) await page.locator(`[data-key=${key}]`).click()
  await saved(page)
  // and something that is no tap
  const [dog] = (await (await page.request.get(`${url}/api/dogs`)).json()) as { id: string }[]
  await page.goto(`${url}/dogs/${dog!.id}`)
  await page.getByLabel('Note', { exact: true }).fill(NOTE)
  await page.getByRole('button', { name: 'Save note' }).click()
  await expect(page.getByText(NOTE)).toBeVisible()
  await saved(page)
  const after = await eventsOf(page, id)
  expect(after.length).toBe(before.length + 2)

  await server!.stop()
  await restoreLastNight()
  await server!.start()
  expect(await (await page.request.get(`${url}/api/session`)).json()).toMatchObject({ me: null })
  await signIn(page)
  expect((await eventsOf(page, id)).map(({ id: event }) => event)).toEqual(before.map(({ id: event }) => event))

  await page.goto(`${url}/floor`)
  await expect(page.getByText(/Peen was restored from a backup\. This tablet has sent 2 taps and 1 change again/)).toBeVisible({
    timeout: 60000
  })
  await expect
    .poll(async () => (await eventsOf(page, id)).map(({ id: event }) => event).sort(), { timeout: 60000 })
    .toEqual(after.map(({ id: event }) => event).sort())
  await page.goto(`${url}/dogs/${dog!.id}`)
  await expect(page.getByText(NOTE)).toHaveCount(1)
  // once: after another reload nothing is said or sent again
  await page.reload()
  await expect(page.getByText(NOTE)).toHaveCount(1)
  await expect(page.getByTestId('brought-back')).toHaveCount(0)
})
