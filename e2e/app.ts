// What every browser test starts from: a page that watches for requests leaving loopback and for errors.
import { expect, test as base, type Browser, type Page } from '@playwright/test'
import { spawnSync } from 'node:child_process'
import { passMinutes, refill } from '../server/src/testing/refill'

export const PASSWORD = 'porcelain-7F'

/** Each worker drives servers of its own: what one test changes, no other sees. */
export const mine = (list: string): string => {
  const all = list.split(',')
  return all[Number(process.env.TEST_PARALLEL_INDEX ?? 0) % all.length]
}
export const emptySchool = (): string => mine(process.env.PEEN_E2E_EMPTY ?? '')

/** Every file begins with the demo as it was loaded: what one file does, no other sees. Not when a person's own Peen is driven. */
let filledFor = ''
function beginAnew(file: string): void {
  const { PEEN_TEST_DB, PEEN_TEST_DEMO, PEEN_E2E_DATABASE } = process.env
  if (file === filledFor || !PEEN_TEST_DB || !PEEN_TEST_DEMO || !PEEN_E2E_DATABASE) return
  refill({ ...JSON.parse(PEEN_TEST_DB), database: mine(PEEN_E2E_DATABASE) }, PEEN_TEST_DEMO)
  filledFor = file
}

export const PLAIN = () => localStorage.getItem('peen.dogs') ?? localStorage.setItem('peen.dogs', 'plain shapes')

/** Another person's tablet, signed in and opened. */
export async function tablet(browser: Browser, who: string, path = '/floor'): Promise<Page> {
  const page = await (await browser.newContext()).newPage()
  await page.addInitScript(PLAIN)
  await signIn(page, who, path)
  return page
}

/** What a person at the server's own console does: confirms staff of the empty school. */
export function confirmOnConsole(...usernames: readonly string[]): void {
  const worker = Number(process.env.TEST_PARALLEL_INDEX ?? 0)
  const database = `peen_test_e2e_empty_${worker + 1}`
  const PEEN_DB = JSON.stringify({ ...JSON.parse(process.env.PEEN_TEST_DB!), database })
  for (const name of usernames) {
    const { status, stdout } = spawnSync(process.execPath, ['--import', 'tsx', 'server/src/staff.ts', 'confirm', name], {
      env: { ...process.env, PEEN_DB }
    })
    expect(status, stdout.toString()).toBe(0)
  }
}

/** Lets minutes go by at the school: the clock of the tests valid until it is moved. */
export function minutesLater(minutes: number): void {
  const { PEEN_TEST_DB, PEEN_E2E_DATABASE } = process.env
  passMinutes({ ...JSON.parse(PEEN_TEST_DB!), database: mine(PEEN_E2E_DATABASE!) }, minutes)
}

type Watched = { readonly outside: string[]; readonly errors: string[] }

export const test = base.extend<{ watched: Watched; everyHair: boolean }>({
  /** Hair takes most of a page's time: dogs are drawn in plain shapes, as a slow tablet may, except where a test is about their hair. */
  everyHair: [false, { option: true }],
  watched: [
    async ({ page, everyHair }, use, { file }) => {
      beginAnew(file)
      if (!everyHair) await page.addInitScript(PLAIN)
      const watched: Watched = { outside: [], errors: [] }
      page.context().on('request', (request) => {
        const url = new URL(request.url())
        const stays = ['127.0.0.1', 'localhost'].includes(url.hostname) || ['blob:', 'data:'].includes(url.protocol)
        if (!stays) watched.outside.push(request.url())
      })
      page.on('pageerror', (error) => watched.errors.push(error.message))
      page.on(
        'console',
        (message) =>
          message.type() === 'error' &&
          !/status of 4\d\d|ERR_INTERNET_DISCONNECTED/.test(message.text()) &&
          watched.errors.push(message.text())
      )
      await use(watched)
      expect(watched.outside, 'requests that left loopback').toEqual([])
      expect(watched.errors, 'errors on the page').toEqual([])
    },
    { auto: true }
  ]
})

/** Signs in without the form, which has a test of its own, and opens the first screen. */
export async function signIn(page: Page, username: string, first = '/floor'): Promise<void> {
  const answer = await page.request.post('/api/sign-in', { data: { username, password: PASSWORD } })
  expect(answer.ok(), await answer.text()).toBe(true)
  await page.goto(first)
}

/** Waits until every dog on the page is drawn as this device wants it. */
export async function drawn(page: Page): Promise<void> {
  await page.waitForFunction(() => {
    const dogs = [...document.querySelectorAll<HTMLElement>('canvas.dog-picture')]
    return dogs.length > 0 && dogs.every((dog) => dog.dataset.drawn === 'full')
  })
}

/** Opens the table of an apprentice from the floor; `url`: where another server than the worker's own listens. */
export async function openTable(page: Page, givenName: string, url = ''): Promise<void> {
  if (new URL(page.url()).pathname !== '/floor') await page.goto(`${url}/floor`)
  await page.getByTestId('table').filter({ hasText: givenName }).click()
  await page.waitForURL('**/table/**')
}

/** What is not taken back asks once; this is the answer. */
export async function signIt(page: Page): Promise<void> {
  await page.getByRole('dialog').getByRole('button', { name: 'Sign' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
}

export async function saved(page: Page): Promise<void> {
  await expect(page.getByText('Everything is saved')).toBeVisible()
}

/** Walks all six stations: what is in `change` is opened and read by hand, the rest is touched once, as it should be. */
export async function walkRound(page: Page, change: Record<string, string[]> = {}): Promise<void> {
  let read = 0
  // a sheet that has not come yet has nothing to touch, and would be walked past
  await expect(page.locator('[data-row]').first()).toBeVisible()
  for (const [i, station] of ['Side', 'Front', 'Rear', 'Above', 'By hand', 'Handling'].entries()) {
    const tab = page.getByRole('tab', { name: station })
    if (i > 0) await tab.click()
    await expect(tab).toHaveAttribute('aria-selected', 'true')
    for (const [id, readings] of Object.entries(change)) {
      const row = page.locator(`[data-row="${id}"]`)
      if ((await row.count()) === 0) continue
      await row.click()
      const inputs = page.locator(`[data-editor="${id}"] input[inputmode=decimal]`)
      for (const [k, reading] of readings.entries()) await inputs.nth(k).fill(reading)
      await row.click()
      read++
    }
    const quick = page.locator('[data-quick]')
    for (let left = await quick.count(); left > 0; left = await quick.count()) {
      await quick.first().click()
      await expect(quick).toHaveCount(left - 1)
    }
  }
  expect(read).toBe(Object.keys(change).length)
}

export { expect }
