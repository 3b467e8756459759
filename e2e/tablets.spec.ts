// A tablet that people share: enrolled by a lead, opened with a PIN, handed on, locked, without the network, revoked.
import type { Page } from '@playwright/test'
import { expect, PASSWORD, saved, signIn, tablet, test } from './app'

const PINS = { ottilie: '5093', ruben: '2580' } as const

async function choosePin(page: Page, pin: string): Promise<void> {
  await page.goto('/settings')
  const form = page.getByTestId('own-pin')
  await form.getByLabel('Your password').fill(PASSWORD)
  await form.getByLabel('New PIN').fill(pin)
  await form.getByRole('button', { name: 'Save PIN' }).click()
  await expect(page.getByText('PIN saved.')).toBeVisible()
}
async function enrol(page: Page, table: string, minutes = '5'): Promise<void> {
  await page.goto('/room')
  const form = page.getByTestId('enrol')
  await form.getByLabel('Name of this tablet').fill('By the window')
  await form.getByLabel('It belongs to').selectOption({ label: table })
  await form.getByLabel('Locks after, min').fill(minutes)
  await form.getByRole('button').click()
  await expect(page.getByText('This tablet is enrolled.')).toBeVisible()
}
const handOver = (page: Page) => page.getByRole('button', { name: 'Hand over' }).click()
async function open(page: Page, name: string, pin: string): Promise<void> {
  const door = page.getByTestId('tablet-door')
  await door.getByRole('button', { name }).click()
  for (const digit of pin) await door.getByRole('button', { name: digit, exact: true }).click()
  await door.getByRole('button', { name: 'Open' }).click()
}

test('a tablet at a table is handed between people by PIN, and a signature takes the password', async ({ page, browser }) => {
  await signIn(page, 'ottilie')
  await choosePin(page, PINS.ottilie)
  const other = await tablet(browser, 'ruben', '/settings')
  await choosePin(other, PINS.ruben)
  await other.context().close()
  await enrol(page, 'table 2')
  await handOver(page)
  await expect(page.getByRole('heading', { name: 'Table 2, By the window' })).toBeVisible()
  expect((await page.request.get('/api/me')).status()).toBe(401)
  await open(page, 'Ruben Castell', '9999')
  await expect(page.getByRole('alert')).toHaveText('Wrong PIN. Try again.')
  await page.keyboard.type(PINS.ruben)
  await page.keyboard.press('Enter')
  // it opens at the dog that is on its table
  await page.waitForURL('**/table/**')
  await page.locator('[data-key=prompt]').click()
  await saved(page)
  await handOver(page)
  await open(page, 'Ottilie', PINS.ottilie)
  await page.waitForURL('**/table/**')
  await page.goto('/people')
  await page.getByRole('button', { name: 'New password for Tove' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('heading', { name: 'Enter your password' })).toBeVisible()
  await dialog.getByLabel('Ottilie’s password').fill('not my password')
  await dialog.getByRole('button', { name: 'Continue' }).click()
  await expect(dialog.getByRole('alert')).toContainText('That is not your password.')
  await dialog.getByLabel('Ottilie’s password').fill(PASSWORD)
  await dialog.getByRole('button', { name: 'Continue' }).click()
  await expect(page.getByText('A letter for Tove is written.')).toBeVisible()
  await page.goto('/room')
  await page.getByRole('button', { name: 'End enrolment for By the window' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'End enrolment' }).click()
  await expect(page.getByText('By the window is no longer enrolled.')).toBeVisible()
})

test('without the network one goes on by name, marked, and checks it before it is sent', async ({ page, context }) => {
  await signIn(page, 'ruben')
  await choosePin(page, PINS.ruben)
  await context.clearCookies({ name: 'peen_session' })
  await signIn(page, 'ottilie')
  await enrol(page, 'table 2')
  await handOver(page)
  await open(page, 'Ruben Castell', PINS.ruben)
  await page.waitForURL('**/table/**')
  const id = page.url().split('/').at(-1)!
  await expect(page.locator('[data-key=prompt]')).toBeVisible()
  await context.setOffline(true)
  await handOver(page)
  const door = page.getByTestId('tablet-door')
  // who did not open this tablet today is not offered
  await expect(door.getByRole('button', { name: 'Continue as Ottilie' })).toBeVisible()
  await expect(door.getByRole('button', { name: /Mira/ })).toHaveCount(0)
  await door.getByRole('button', { name: 'Continue as Ruben Castell' }).click()
  await page.waitForURL('**/table/**')
  // the server is asked in vain from time to time: that puts no one out
  await page.waitForRequest('**/api/session')
  await expect(page.getByText(/No connection since/)).toBeVisible()
  await page.locator('[data-key=prompt]').click()
  await expect(page.getByTestId('not-saved')).toContainText('1 waiting here')
  await context.setOffline(false)
  // back at the door: a name alone is not enough any more
  await expect(page.getByRole('heading', { name: 'Table 2, By the window' })).toBeVisible()
  await open(page, 'Ruben Castell', PINS.ruben)
  await page.waitForURL('**/table/**')
  await page.getByTestId('not-saved').click()
  const look = page.getByRole('dialog')
  await expect(look).toContainText('Tapped under your name without your PIN')
  await look.getByRole('button', { name: 'Send again' }).click()
  await expect(look.getByText('Everything you tapped is saved.')).toBeVisible()
  const { events } = (await (await page.request.get(`/api/visits/${id}/work`)).json()) as {
    events: { kind: string; away: string | null }[]
  }
  expect(events.filter(({ kind }) => kind === 'promptGiven').at(-1)!.away).toBe('picked')
})

test('a shared tablet locks itself when no hand touches it', async ({ page }) => {
  await signIn(page, 'ottilie')
  await enrol(page, 'the whole room', '1')
  await page.clock.install()
  await page.reload()
  await expect(page.getByTestId('tablets')).toBeVisible()
  await page.clock.fastForward('01:30')
  await expect(page.getByRole('heading', { name: 'By the window' })).toBeVisible()
  expect((await page.request.get('/api/me')).status()).toBe(401)
})
