// A practice morning: two instructors' tablets and three apprentices', each following the others by itself.
import type { Page } from '@playwright/test'
import { expect, minutesLater, saved, tablet, test } from './app'

/** A tablet follows by itself, without being loaded again; how fast is measured by npm run bench, not here where five pages share a machine. */
const LIVE = { timeout: 60000 }
const firstLook = (page: Page) => page.getByRole('complementary', { name: 'Where to go next' }).locator('section').first()
const tile = (page: Page, name: string) => page.getByTestId('table').filter({ hasText: name })
const minutes = (page: Page) => page.getByLabel('At the table').locator('p').first()

test('the rounds send an instructor where they are needed, and every tablet follows the others by itself', async ({ browser }) => {
  test.setTimeout(300000)
  const [ruben, mira] = [await tablet(browser, 'ruben'), await tablet(browser, 'mira')]
  const [marek, bram, pia] = [await tablet(browser, 'marek'), await tablet(browser, 'bram'), await tablet(browser, 'pia')]
  for (const apprentice of [marek, bram, pia]) {
    await tile(apprentice, '').click()
    await apprentice.waitForURL('**/table/**')
  }

  await test.step('a hold point waits for an instructor, and the first look of both is there', async () => {
    await expect(marek.getByText('Wait for an instructor before the next step.')).toBeVisible()
    await expect(marek.getByLabel('Steps').getByText('waits for an instructor')).toBeVisible()
    await expect(marek.getByRole('button', { name: 'Start', exact: true })).toHaveCount(0)
    for (const instructor of [ruben, mira]) await expect(firstLook(instructor)).toContainText('Marek, table 3')
    await firstLook(ruben).getByRole('button', { name: 'I am here, table 3' }).click()
    await marek.getByRole('button', { name: 'Start', exact: true }).click(LIVE)
    for (const instructor of [ruben, mira]) {
      await expect(tile(instructor, 'Marek')).toContainText('Ear leather and edge', LIVE)
      await expect(firstLook(instructor)).not.toContainText('Marek', LIVE)
    }
  })

  await test.step('who asks for help comes first for both, until one of them is there', async () => {
    await bram.getByRole('button', { name: 'Ask for help' }).click()
    for (const instructor of [ruben, mira]) await expect(firstLook(instructor)).toContainText('Bram, table 1', LIVE)
    await firstLook(mira).getByRole('button', { name: 'I am here, table 1' }).click()
    await expect(bram.getByRole('button', { name: 'Ask for help' })).toBeVisible(LIVE)
    await expect(firstLook(ruben)).not.toContainText('who needs you', LIVE)
  })

  await test.step('a step goes on over a reload, a pause and a break, and its clock with it', async () => {
    const strip = bram.getByLabel('Steps')
    const before = Number(/(\d+) min, usually/.exec(await strip.innerText())![1])
    minutesLater(5)
    await expect(strip).toContainText(`${before + 5} min, usual`, { timeout: 60000 })
    await bram.reload()
    await expect(strip).toContainText(`${before + 5} min, usual`)
    await bram.getByRole('button', { name: 'Pause' }).click()
    await saved(bram)
    minutesLater(4)
    await expect(bram.getByText('10:51')).toBeVisible({ timeout: 60000 })
    await strip.getByRole('button', { name: 'Continue' }).click()
    await expect(strip).toContainText(`${before + 5} min, usual`)
    const worked = Number(
      await minutes(bram)
        .innerText()
        .then((text) => /^\d+/.exec(text)![0])
    )
    await bram.locator('[data-key=break]').click()
    await expect(tile(mira, 'Bram')).toContainText('On a break', LIVE)
    minutesLater(3)
    await expect(bram.getByText('10:54')).toBeVisible({ timeout: 60000 })
    await expect(minutes(bram)).toContainText(`${worked} of 120 min`)
    await bram.locator('[data-key=break]').click()
    await strip.getByRole('button', { name: 'End this step' }).click()
    await expect(tile(ruben, 'Bram')).toContainText('Between steps', LIVE)
  })

  await test.step('one tap of an instructor is seen at the table; what it means is said after, and nothing is lost', async () => {
    await tile(ruben, 'Marek').click()
    await ruben.locator('[data-key=fault]').click()
    await expect(ruben.getByTestId('say-more')).toContainText('A fault is noted. Which?')
    await ruben.getByTestId('say-more').getByRole('button', { name: 'Later' }).click()
    await ruben.locator('[data-key=helped]').click()
    await ruben.getByTestId('say-more').getByRole('button', { name: 'hands guided' }).click()
    await expect(ruben.getByText('1 tap needs more detail: add it')).toBeVisible()
    await marek.locator('[data-key=stress]').click()
    await marek
      .getByTestId('say-more')
      .getByRole('button', { name: /^panics/ })
      .click()
    await expect(ruben.getByText(/Otter is panicking: stop/)).toBeVisible(LIVE)
  })

  await test.step('a trim is graded before it is corrected, and marked after the apprentice’s own word', async () => {
    await pia.getByRole('button', { name: 'End this step' }).click()
    await saved(pia)
    await tile(mira, 'Pia').click()
    await mira.getByRole('link', { name: 'End', exact: true }).click()
    await expect(mira.getByText('Grade first: the trim')).toBeVisible()
    await mira.getByRole('button', { name: 'I inspected the one that no one watched' }).click()
    await mira.getByRole('button', { name: 'Grade this trim' }).click()
    await mira.waitForURL('**/trims/**')
    await mira.goBack()
    await mira.getByRole('button', { name: 'Skirt', exact: true }).click()
    await mira.getByRole('button', { name: 'left', exact: true }).click()
    await mira.getByRole('button', { name: 'I finished these' }).click()
    await expect(mira.getByText('skirt, left: finished by you, not evidence.')).toBeVisible()
    await mira.getByRole('button', { name: 'Confirm and finish this table' }).click()
    await mira.waitForURL('**/floor')
    await expect(tile(mira, 'Pia')).toContainText('Finished')
    await expect(pia.getByText('How would you rate your trim?')).toBeVisible(LIVE)
    await pia.getByRole('radio', { name: 'good' }).click()
    await pia.getByLabel('Best thing about it').fill('The feet.')
    await pia.getByRole('button', { name: 'Save' }).click()
    await expect(pia.getByText('Your rating: good.')).toBeVisible()
    await saved(pia)
  })

  for (const page of [ruben, mira, marek, bram, pia]) await page.context().close()
})

test('tables are moved in the room by hand and by keys, and stay there for everybody', async ({ page, browser }) => {
  const other = await tablet(browser, 'mira')
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.request.post('/api/sign-in', { data: { username: 'ruben', password: 'porcelain-7F' } })
  await page.goto('/floor')
  await page.getByRole('button', { name: 'Move tables' }).click()
  const table = page.getByRole('button', { name: /^Table 8,/ })
  const from = (await table.boundingBox())!
  await page.mouse.move(from.x + 60, from.y + 60)
  await page.mouse.down()
  await page.mouse.move(from.x + 90, from.y + 70, { steps: 4 })
  await page.mouse.up()
  await expect(table).toHaveAccessibleName(/4\.6\d m from the left, 6\.3\d m/)
  await table.focus()
  await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('r')
  await expect(table).toHaveAccessibleName(/5\.1\d m from the left.*turned 5 degrees/)
  await saved(page)
  await expect
    .poll(async () => ((await (await other.request.get('/api/floor')).json()) as { tables: { turnDeg: number }[] }).tables[7].turnDeg)
    .toBe(5)
  // on another table it does not stay, and says so
  for (let i = 0; i < 7; i++) await page.keyboard.press('Shift+ArrowLeft')
  await expect(page.getByRole('alert')).toContainText('Table 7 is in the way')
  await expect(table).toHaveAccessibleName(/5\.1\d m from the left/)
  await other.context().close()
})

test('the day is opened, somebody is not here, and it is closed with each one’s day in sentences', async ({ page }) => {
  await page.request.post('/api/sign-in', { data: { username: 'ruben', password: 'porcelain-7F' } })
  await page.goto('/day')
  await expect(page.getByText('Opened by Ruben.')).toBeVisible()
  await page.getByRole('button', { name: 'Noor', exact: true }).click()
  await expect(page.getByText('Noor is absent: give Fable to someone else, or cancel the visit.')).toBeVisible()
  await page.getByRole('button', { name: 'Move Fable' }).click()
  await page.locator('form', { hasText: 'Move' }).locator('select').nth(1).selectOption({ label: 'Sami' })
  await page.getByRole('button', { name: 'Move', exact: true }).click()
  await expect(page.getByTestId('day-table').nth(7)).toContainText('Sami')
  await page.getByRole('button', { name: 'Close this day' }).click()
  await expect(page.getByRole('alert')).toContainText('finish at the table first, then close the day.')
  await page.getByRole('button', { name: 'What each apprentice will be sent' }).click()
  await expect(page.getByTestId('summaries')).toContainText('Noor was not here today.')
  await expect(page.getByTestId('summaries')).toContainText(/Otter in bearded terrier pet pattern: \d+ techniques/)
})
