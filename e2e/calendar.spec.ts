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

test('a visit is dragged to another day and goes back; a taken table refuses it, and an apprentice drags nothing', async ({
  page,
  browser
}) => {
  await page.setViewportSize({ width: 1280, height: 900 })
  await signIn(page, 'ruben', NEXT_WEEK)
  const cell = (on: string) => page.locator(`.fc-daygrid-day[data-date="${on}"]`)
  const drag = async (from: string, name: string, to: string) => {
    const [a, b] = [await cell(from).getByText(name).boundingBox(), await cell(to).boundingBox()]
    await page.mouse.move(a!.x + 8, a!.y + 8)
    await page.mouse.down()
    // a hand moves in more than one step
    await page.mouse.move(a!.x + 40, a!.y + 12, { steps: 4 })
    await page.mouse.move(b!.x + b!.width / 2, b!.y + 40, { steps: 12 })
    await page.mouse.up()
  }
  await drag('2026-04-20', 'Ember, Marek', '2026-04-24')
  await expect(page.getByRole('status').filter({ hasText: 'Ember now comes on' })).toContainText('24 Apr')
  await expect(cell('2026-04-24')).toContainText('Ember, Marek')
  await page.getByRole('button', { name: 'Move back' }).press('Enter')
  await expect(cell('2026-04-20')).toContainText('Ember, Marek')
  await expect(page.getByRole('button', { name: 'Move back' })).toHaveCount(0)
  // on Thursday its table is taken
  await drag('2026-04-20', 'Ember, Marek', '2026-04-23')
  await expect(page.getByRole('alert')).toContainText('Table 1 is taken. Nothing was changed.')
  await expect(cell('2026-04-20')).toContainText('Ember, Marek')
  // a Sunday: said, and the instructor decides
  await drag('2026-04-20', 'Ember, Marek', '2026-04-26')
  await expect(page.getByRole('status').filter({ hasText: 'Ember now comes on' })).toContainText('The school is closed on 26 April')
  await page.getByRole('button', { name: 'Move back' }).press('Enter')
  await expect(cell('2026-04-20')).toContainText('Ember, Marek')
  const own = await tablet(browser, 'tove', '/calendar/week/2026-04-16')
  await expect(own.locator('.peen-calendar')).toContainText('Plum, Tove')
  await expect(own.locator('.fc-event-draggable')).toHaveCount(0)
  await own.context().close()
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
  await expect(page.getByTestId('late').getByRole('figure')).toHaveCount(4)
})
