// One morning on three tablets, one of them shared by two people, while the network is pulled six times: every tap once, in order.
import type { BrowserContext, Page } from '@playwright/test'
import { freePort } from '../scripts/machine.mjs'
import { expect, openTable, PASSWORD, PLAIN, test } from './app'
import { hasOwnDatabase, ownServer, type OwnServer } from './own-server'

type Event = {
  readonly id: string
  readonly kind: string
  readonly deviceId: string
  readonly seq: number
  readonly lamport: number
  readonly by: string
}
const KEYS = { prompt: 'promptGiven', praise: 'praised', fault: 'faultNoted' } as const
const PIN = '2580'

test.use({ serviceWorkers: 'allow' })

let server: OwnServer | null = null
let url = ''
test.beforeAll(async () => {
  test.skip(!hasOwnDatabase(), 'the server is stopped on the way: it must be the test’s own')
  const port = await freePort()
  url = `http://127.0.0.1:${port}`
  server = ownServer(port)
  await server.start()
})
test.afterAll(() => server?.stop())

const topLine = (page: Page) => page.getByRole('banner').getByRole('status')
const sent = (page: Page) => expect(topLine(page)).toHaveText('Everything is saved', { timeout: 60000 })
const visitOf = (page: Page) => page.url().split('/').at(-1)!
const eventsOf = async (page: Page, id: string): Promise<readonly Event[]> =>
  (await (await page.request.get(`${url}/api/visits/${id}/work`)).json()).events

/** Waits until what the page shows is kept on its tablet for who is signed in, so that it may be loaded again without the server. */
async function kept(page: Page, endpoint: 'visitWork' | 'grading'): Promise<void> {
  const me = await (await page.request.get(`${url}/api/me`)).json()
  await expect.poll(() => page.evaluate(isKept, [`${me.id}/${endpoint}/`, visitOf(page)] as const), { timeout: 60000 }).toBe(true)
}
const isKept = ([begins, id]: readonly [string, string]) =>
  new Promise<boolean>((tell) => {
    const opening = indexedDB.open('peen-read')
    // not there yet: it is the application that makes it
    opening.onupgradeneeded = () => opening.transaction!.abort()
    opening.onerror = () => tell(false)
    opening.onsuccess = () => {
      const asking = opening.result.transaction('replies').objectStore('replies').getAllKeys()
      asking.onsuccess = () => {
        opening.result.close()
        tell(asking.result.map(String).some((key) => key.startsWith(begins) && key.includes(id)))
      }
    }
  })

/** What was tapped at each visit, to be found there once each. */
function tally() {
  const tapped: { id: string; kind: string }[] = []
  return {
    tap: async (page: Page, key: keyof typeof KEYS) => {
      tapped.push({ id: visitOf(page), kind: KEYS[key] })
      await page.locator(`[data-key=${key}]`).click()
    },
    of: (id: string, kind: string) => tapped.filter((one) => one.id === id && one.kind === kind).length
  }
}

async function openedBy(page: Page, who: string): Promise<void> {
  const answer = await page.request.post(`${url}/api/sign-in`, { data: { username: who, password: PASSWORD } })
  expect(answer.ok(), await answer.text()).toBe(true)
  await page.goto(`${url}/floor`)
  await page.evaluate(() => navigator.serviceWorker.ready)
  await sent(page)
}
async function choosePin(page: Page): Promise<void> {
  await page.goto(`${url}/settings`)
  const form = page.getByTestId('own-pin')
  await form.getByLabel('Your password').fill(PASSWORD)
  await form.getByLabel('New PIN').fill(PIN)
  await form.getByRole('button', { name: 'Save PIN' }).click()
  await expect(page.getByText('PIN saved.')).toBeVisible()
}
async function openByPin(page: Page, name: string): Promise<void> {
  const door = page.getByTestId('tablet-door')
  await door.getByRole('button', { name }).click()
  for (const digit of PIN) await door.getByRole('button', { name: digit, exact: true }).click()
  await door.getByRole('button', { name: 'Open' }).click()
  await page.waitForURL('**/table/**')
}
/** The shared tablet: a lead enrols it to a table, and its apprentice and their instructor have chosen a PIN. */
async function enrolled(page: Page): Promise<void> {
  for (const who of ['tove', 'ruben']) {
    await openedBy(page, who)
    await choosePin(page)
    await page.context().clearCookies({ name: 'peen_session' })
  }
  await openedBy(page, 'ottilie')
  await page.goto(`${url}/room`)
  const form = page.getByTestId('enrol')
  await form.getByLabel('Name of this tablet').fill('Shared')
  await form.getByLabel('It belongs to').selectOption({ label: 'table 2' })
  await form.getByRole('button').click()
  await expect(page.getByText('This tablet is enrolled.')).toBeVisible()
  await page.getByRole('button', { name: 'Hand over' }).click()
}

test('a morning goes through with the network pulled six times, and only the top line tells', async ({ browser }) => {
  test.setTimeout(300000)
  const contexts: BrowserContext[] = await Promise.all([1, 2, 3].map(() => browser.newContext({ serviceWorkers: 'allow' })))
  const [shared, bram, mira] = await Promise.all(
    contexts.map(async (context) => {
      const page = await context.newPage()
      await page.addInitScript(PLAIN)
      return page
    })
  )
  const { tap, of } = tally()
  let pulls = 0
  /** What is told aloud on any of them, as of a dog whose minutes are used up. */
  const alerts = async () => (await Promise.all([shared, bram, mira].map((page) => page.getByRole('alert').allInnerTexts()))).flat().sort()
  /** Without the network on all three tablets: each says since when, and nothing else. */
  const pulled = async (work: () => Promise<void>) => {
    const before = await alerts()
    await Promise.all(contexts.map((context) => context.setOffline(true)))
    await work()
    for (const page of [shared, bram, mira]) await expect(topLine(page)).toContainText('No connection since')
    expect(await alerts()).toEqual(before)
    await Promise.all(contexts.map((context) => context.setOffline(false)))
    pulls++
  }

  await enrolled(shared)
  await openByPin(shared, 'Tove')
  await openedBy(bram, 'bram')
  await openTable(bram, 'Bram', url)
  await openedBy(mira, 'mira')
  await openTable(mira, 'Bram', url)
  for (const page of [shared, bram, mira]) await kept(page, 'visitWork')
  const [atTwo, atBram] = [visitOf(shared), visitOf(bram)]
  const before = { two: await eventsOf(shared, atTwo), bram: await eventsOf(bram, atBram) }

  await test.step('one: taps at both tables, and a page that is loaded again meanwhile', async () => {
    await pulled(async () => {
      await bram.getByRole('button', { name: 'Pause' }).click()
      await tap(mira, 'prompt')
      await mira.reload()
      await tap(mira, 'praise')
    })
    for (const page of [shared, bram, mira]) await sent(page)
    await expect(bram.getByRole('button', { name: 'Continue' })).toBeVisible()
  })

  await test.step('two: the shared tablet goes from the apprentice to the instructor, by PIN, before and after', async () => {
    await shared.getByRole('button', { name: 'Hand over' }).click()
    await openByPin(shared, 'Ruben Castell')
    await expect(shared.locator('[data-key=prompt]')).toBeVisible()
    await kept(shared, 'visitWork')
    await pulled(async () => {
      await tap(shared, 'prompt')
      await tap(shared, 'fault')
      await shared.reload()
      await expect(topLine(shared)).toContainText('2 waiting here')
      await bram.getByRole('button', { name: 'Continue' }).click()
    })
    for (const page of [shared, bram, mira]) await sent(page)
  })

  await test.step('three: it is handed over while there is no network; each looks at their own before it is sent', async () => {
    await pulled(async () => {
      await shared.getByRole('button', { name: 'Hand over' }).click()
      await shared.getByRole('button', { name: 'Continue as Ruben Castell' }).click()
      await shared.waitForURL('**/table/**')
      await tap(shared, 'praise')
      await expect(topLine(shared)).toContainText('1 waiting here')
    })
    await openByPin(shared, 'Ruben Castell')
    await shared.getByTestId('not-saved').click()
    await shared.getByRole('dialog').getByRole('button', { name: 'Send again' }).click()
    await shared.keyboard.press('Escape')
    for (const page of [shared, bram, mira]) await sent(page)
  })

  await test.step('four: the server is stopped and started again', async () => {
    await server!.stop()
    await tap(mira, 'prompt')
    await tap(shared, 'prompt')
    for (const page of [shared, mira]) await expect(topLine(page)).toContainText(/No connection since .*, 1 waiting here/)
    await server!.start()
    for (const page of [shared, bram, mira]) await sent(page)
    pulls++
  })

  await test.step('five: a sign-in ends meanwhile; what was tapped waits for its person', async () => {
    await pulled(async () => {
      await tap(mira, 'praise')
      await contexts[2].clearCookies()
    })
    await mira.waitForURL('**/sign-in**')
    await expect(mira.getByText(/1 of Mira’s taps is waiting on this tablet/)).toBeVisible()
    await mira.getByLabel('Username').fill('mira')
    await mira.getByLabel('Password').fill(PASSWORD)
    await mira.getByRole('button', { name: 'Sign in' }).click()
    for (const page of [shared, bram, mira]) await sent(page)
  })

  await test.step('six: a trim is graded', async () => {
    await openTable(mira, 'Pia', url)
    await mira.getByRole('button', { name: 'Grade' }).click()
    await mira.waitForURL('**/trims/**')
    const grading = visitOf(mira)
    await expect(mira.getByText('0 of 46 answered')).toBeVisible()
    await kept(mira, 'grading')
    await pulled(async () => {
      await mira.locator('[data-row=back-length]').click()
      for (const k of [1, 2, 3]) await mira.getByLabel(`Back left reading ${k}, mm`).fill('3.2')
      await expect(topLine(mira)).toContainText('1 waiting here')
      await mira.reload()
      await expect(mira.getByText('1 of 46 answered')).toBeVisible()
      await bram.getByRole('button', { name: 'End this step' }).click()
    })
    for (const page of [shared, bram, mira]) await sent(page)
    const { answers } = await (await mira.request.get(`${url}/api/gradings/${grading}`)).json()
    expect(Object.keys(answers)).toEqual(['back-length'])
  })

  expect(pulls).toBe(6)
  for (const [id, was, page] of [
    [atTwo, before.two, shared],
    [atBram, before.bram, bram]
  ] as const) {
    const now = await eventsOf(page, id)
    expect(new Set(now.map((event) => event.id)).size).toBe(now.length)
    const count = (events: readonly Event[], kind: string) => events.filter((event) => event.kind === kind).length
    for (const kind of Object.values(KEYS)) expect(count(now, kind) - count(was, kind), `${kind} at ${id}`).toBe(of(id, kind))
    // in the order in which each tablet tapped them
    for (const device of new Set(now.map(({ deviceId }) => deviceId))) {
      const own = now.filter(({ deviceId }) => deviceId === device).sort((a, b) => a.seq - b.seq)
      expect(own.map(({ lamport }) => lamport)).toEqual(own.map(({ lamport }) => lamport).sort((a, b) => a - b))
    }
  }
  const known = new Set(before.bram.map(({ id }) => id))
  const worked = (await eventsOf(bram, atBram))
    .filter(({ id }) => !known.has(id))
    .sort((a, b) => a.lamport - b.lamport)
    .map(({ kind }) => kind)
  expect(worked.filter((kind) => /^attempt/.test(kind))).toEqual(['attemptPaused', 'attemptResumed', 'attemptEnded'])
  await Promise.all(contexts.map((context) => context.close()))
})
