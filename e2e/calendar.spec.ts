// The calendar by keyboard and on a phone: days off, a visit with its time, an address for another calendar; and who is ready by a date.
import { expect, signIn, tablet, test } from './app'

const NEXT_WEEK = '/calendar/week/2026-04-22'

test('a lead closes a day, which is marked, and opens it again', async ({ page }) => {
  await signIn(page, 'anneke', NEXT_WEEK)
  await expect(page.getByTestId('calendar-says')).toContainText('in the week of 20 Apr')
  await expect(page.locator('.peen-calendar')).toContainText('Ember, Marek')
  await page.getByRole('button', { name: 'Add time off' }).press('Enter')
  const sheet = page.getByRole('dialog')
  await sheet.getByRole('button', { name: 'The school' }).press('Enter')
  await sheet.getByLabel('What the days are').fill('Inspection')
  await sheet.getByLabel('First day').fill('2026-04-24')
  await sheet.getByLabel('Last day').fill('2026-04-23')
  await sheet.getByRole('button', { name: 'Save time off' }).press('Enter')
  await expect(sheet.getByRole('alert')).toContainText('Last day is 2026-04-23; it must be 2026-04-24 or later.')
  await sheet.getByLabel('Last day').fill('2026-04-24')
  await sheet.getByRole('button', { name: 'Save time off' }).press('Enter')
  await expect(sheet.getByRole('status')).toContainText('Time off saved.')
  await sheet.getByRole('button', { name: 'Close' }).press('Enter')
  await expect(page.getByTestId('off')).toContainText('Closed: Inspection')
  await expect(page.locator('.peen-calendar')).toContainText('Closed: Inspection')
  await page
    .getByTestId('off')
    .getByRole('button', { name: /Remove time off, 24 Apr/ })
    .press('Enter')
  await expect(page.locator('.peen-calendar')).not.toContainText('Inspection')
})

test('a week is walked by keys, a day is opened by its name, a visit by itself', async ({ page }) => {
  await signIn(page, 'ruben', NEXT_WEEK)
  await page.getByRole('button', { name: 'Later' }).press('Enter')
  await expect(page).toHaveURL(/\/calendar\/week\/2026-04-29$/)
  await page.getByRole('button', { name: 'Earlier' }).press('Enter')
  await page.getByRole('button', { name: 'Month' }).press('Enter')
  await expect(page.getByRole('heading', { name: 'April 2026' })).toBeVisible()
  await page.getByRole('button', { name: 'Week', exact: true }).press('Enter')
  await page.locator('.peen-calendar').getByText('Ember, Marek').click()
  await expect(page).toHaveURL(/\/visits\//)
  // what is sent to the owner and to the apprentice
  await expect(page.locator('[data-letter=owner]')).toContainText('Ember is booked in for Monday 20 April at 09:00')
  await expect(page.locator('[data-letter=apprentice]')).toContainText('Marek, you have Ember')
})

test('an apprentice sees their own days on a phone, and gives their phone an address', async ({ browser }) => {
  const page = await tablet(browser, 'tove', '/calendar/week/2026-04-16')
  await page.setViewportSize({ width: 390, height: 844 })
  await expect(page.locator('.peen-calendar')).toContainText('Plum, Tove')
  await expect(page.locator('.peen-calendar')).not.toContainText('Nettle')
  await page.getByRole('button', { name: 'Phone and other calendars' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel('Where you will read it').fill('My phone')
  await sheet.getByRole('button', { name: 'Make an address' }).click()
  const address = await sheet.locator('[data-link]').textContent()
  const read = await page.request.get(address!)
  expect([read.status(), read.headers()['content-type']]).toEqual([200, 'text/calendar; charset=utf-8'])
  expect(await read.text()).toContain('Plum')
  await sheet.getByRole('button', { name: 'Withdraw' }).first().click()
  await expect(sheet.getByText('Withdrawn.').first()).toBeVisible()
  expect((await page.request.get(address!)).status()).toBe(409)
  await page.context().close()
})

test('a lead asks for the autumn cohort by 30 June', async ({ page }) => {
  await signIn(page, 'ottilie', '/ready?cohort=Autumn&certificate=bearded-pet&by=2026-06-30')
  await expect(page.getByTestId('supply')).toContainText(/of 6 can be ready for Bearded terrier pet pattern by 30 Jun/)
  await expect(page.getByTestId('asked').getByRole('listitem').first()).toContainText(/serves \d+ needs/)
  await page.getByRole('textbox', { name: 'Ready by' }).fill('2026-04-10')
  await expect(page.getByRole('alert')).toContainText('Ready by is 2026-04-10; it must be a date after 2026-04-14')
})

test('Sedge for 30 May: the sessions are in the calendar, and say what has moved', async ({ page }) => {
  await signIn(page, 'mira', '/coat')
  await page.getByRole('link', { name: /Sedge/ }).first().click()
  await page.getByRole('link', { name: 'Back from the date' }).click()
  await expect(page.getByTestId('kept')).toContainText('In the calendar since 14 Apr')
  await expect(page.getByTestId('late').getByRole('figure')).toHaveCount(3)
})
