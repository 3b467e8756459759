// Taps while the network comes and goes, on one tablet, in two tabs, by two people: each once, or waiting to be looked at.
import type { Page } from '@playwright/test'
import { expect, openTable, PASSWORD, saved, signIn, tablet, test } from './app'

type Event = { readonly id: string; readonly kind: string; readonly lamport: number }
const idOf = (page: Page) => page.url().split('/').at(-1)!
const eventsOf = async (page: Page, id: string): Promise<readonly Event[]> =>
  (await (await page.request.get(`/api/visits/${id}/work`)).json()).events
const prompts = async (page: Page, id: string) => (await eventsOf(page, id)).filter(({ kind }) => kind === 'promptGiven').length
const topLine = (page: Page) => page.getByTestId('not-saved')

test('what is tapped without the network waits here, and goes through a reload as soon as it is back', async ({ page, context }) => {
  await signIn(page, 'ruben')
  await openTable(page, 'Tove')
  await saved(page)
  const id = idOf(page)
  const before = await prompts(page, id)
  for (let cut = 1; cut <= 6; cut++) {
    await context.setOffline(true)
    await page.locator('[data-key=prompt]').click()
    await page.locator('[data-key=praise]').click()
    await expect(topLine(page)).toContainText('waiting here')
    await context.setOffline(false)
    // every second time the page is loaded again before anything could be sent
    if (cut % 2 === 0) await page.reload()
    await saved(page)
    await expect.poll(() => prompts(page, id)).toBe(before + cut)
  }
  const events = await eventsOf(page, id)
  expect(new Set(events.map((event) => event.id)).size).toBe(events.length)
})

test('two tabs that tap at once lose nothing of each other', async ({ page, context }) => {
  await signIn(page, 'ruben')
  await openTable(page, 'Tove')
  await saved(page)
  const id = idOf(page)
  const before = await prompts(page, id)
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(other.locator('[data-key=prompt]')).toBeVisible()
  await context.setOffline(true)
  for (let i = 0; i < 4; i++) await Promise.all([page, other].map((tab) => tab.locator('[data-key=prompt]').click()))
  await context.setOffline(false)
  await saved(page)
  await saved(other)
  await expect.poll(() => prompts(page, id)).toBe(before + 8)
})

test('one person’s taps do not stand in the way of another’s, and wait for their own sign-in', async ({ page, context }) => {
  await signIn(page, 'ruben')
  await openTable(page, 'Tove')
  await saved(page)
  const id = idOf(page)
  const before = await prompts(page, id)
  await context.setOffline(true)
  await page.locator('[data-key=prompt]').click()
  await expect(topLine(page)).toContainText('1 waiting here')
  // the sign-in ends while the tablet is away; a colleague takes it
  await context.clearCookies()
  await context.setOffline(false)
  await page.goto('/sign-in')
  await expect(page.getByText(/1 of Ruben’s taps is waiting on this tablet/)).toBeVisible()
  await page.getByLabel('Username').fill('mira')
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.waitForURL('**/floor')
  await expect(topLine(page)).toContainText('1 of Ruben’s is waiting here')
  await openTable(page, 'Jun')
  await page.locator('[data-key=prompt]').click()
  await expect(topLine(page)).toContainText('Yours is saved')
  await expect.poll(() => prompts(page, id)).toBe(before)
  await context.clearCookies()
  await signIn(page, 'ruben')
  await saved(page)
  await expect.poll(() => prompts(page, id)).toBe(before + 1)
})

test('what the server refuses is kept with its reason, until it is sent again or let go with a word', async ({ page, context }) => {
  await signIn(page, 'ruben')
  await openTable(page, 'Tove')
  await saved(page)
  const id = idOf(page)
  const before = await prompts(page, id)
  const reason = 'This visit stands still for a minute.'
  await page.route('**/events', async (route) => {
    const { events } = route.request().postDataJSON() as { readonly events: readonly Event[] }
    const answers = events.map((event) => ({ id: event.id, status: 'refused', detail: reason }))
    await route.fulfill({ status: 422, json: { answers } })
  })
  await page.locator('[data-key=prompt]').click()
  await page.locator('[data-key=prompt]').click()
  await expect(topLine(page)).toContainText('2 refused: check')
  await topLine(page).click()
  const look = page.getByRole('dialog')
  await expect(look.locator('[data-refused-tap]')).toHaveCount(2)
  await expect(look.getByText(reason)).toHaveCount(2)
  await page.unroute('**/events')
  await look.locator('[data-refused-tap]').first().getByRole('button', { name: 'Send again' }).click()
  await expect(look.locator('[data-refused-tap]')).toHaveCount(1)
  await expect.poll(() => prompts(page, id)).toBe(before + 1)
  // the other one stays here through a reload
  await page.reload()
  await expect(topLine(page)).toContainText('1 refused: check')
  await topLine(page).click()
  await look.getByRole('button', { name: 'Discard' }).click()
  await look.getByLabel('Why are you discarding it?').fill('It was tapped twice.')
  await look.getByRole('button', { name: 'Discard' }).click()
  await expect(look.getByText('Everything you tapped is saved.')).toBeVisible()
  await page.keyboard.press('Escape')
  await saved(page)
  await expect.poll(() => prompts(page, id)).toBe(before + 1)
  await expect.poll(async () => (await eventsOf(page, id)).at(-1)?.kind).toBe('noted')
  await context.clearCookies()
})

test('a sheet that was written without the network meets another device’s, and both are put together by touch', async ({
  page,
  context,
  browser
}) => {
  await signIn(page, 'mira')
  await openTable(page, 'Jun')
  await page.getByRole('button', { name: 'Grade' }).click()
  await page.waitForURL('**/trims/**')
  const path = new URL(page.url()).pathname
  const other = await tablet(browser, 'mira', path)
  const under = async (on: Page, words: RegExp) => {
    await on.getByRole('tab', { name: 'Rear' }).click()
    await on.locator('[data-row=under-tail]').click()
    await on.locator('[data-editor=under-tail]').getByRole('button', { name: words }).click()
  }
  await saved(page)
  await context.setOffline(true)
  await under(page, /^1/)
  await expect(page.getByText('1 waiting here')).toBeVisible()
  await under(other, /^4/)
  await saved(other)
  // another screen is opened first: the top line knows of the sheet all the same
  await context.setOffline(false)
  await page.goto('/floor')
  await topLine(page).click()
  await page.getByRole('dialog').getByRole('link', { name: 'Open both versions' }).click()
  await expect(page.getByRole('heading', { name: 'This sheet was also filled in on another device' })).toBeVisible()
  await expect(page.locator('[data-differs]')).toHaveCount(1)
  await page.getByRole('button', { name: 'Use this sheet' }).click()
  await saved(page)
  const { answers } = await (await page.request.get(`/api/gradings/${path.split('/').at(-1)}`)).json()
  expect(answers['under-tail']).toEqual({ whole: { kind: 'level', level: 1 } })
  await other.context().close()
})

test('a tablet whose clock is an hour ahead taps at the school’s time', async ({ page }) => {
  await page.clock.install({ time: Date.now() + 3600000 })
  await signIn(page, 'ruben')
  await openTable(page, 'Tove')
  const id = idOf(page)
  await page.locator('[data-key=praise]').click()
  await expect.poll(async () => (await eventsOf(page, id)).at(-1)?.kind).toBe('praised')
  const { now } = (await (await page.request.get('/api/floor')).json()) as { now: string }
  const last = (await eventsOf(page, id)).at(-1) as Event & { readonly atDevice: string; readonly clockOffMs: number | null }
  expect(Math.abs(Date.parse(last.atDevice) - Date.parse(now))).toBeLessThan(5 * 60000)
  expect(last.clockOffMs).toBeNull()
})
