// A finished trim from the front, from behind and from above: each from its picture to what it says, and on to the sheet.
import type { Page } from '@playwright/test'
import { expect, saved, test } from './app'
import { found, openPicture, openTrim, scaleByRuler, SOON_MS, step, takeAndScale, touch } from './measured-trim'

/** The ruler of 200 mm as the simulated camera shows it, in shares of the picture: its middle, top and foot. */
const RULER: Readonly<Record<'front' | 'above', readonly [number, number, number]>> = {
  front: [0.895, 0.528, 0.883],
  above: [0.949, 0.2505, 0.7074]
}

const says = (page: Page, text: RegExp) => expect(found(page).getByText(text).first()).toBeVisible({ timeout: SOON_MS })

test('the forelegs are compared from the front, and the sheet is the next stop', async ({ browser }) => {
  test.setTimeout(480000)
  const page = await openTrim(browser)
  await openPicture(page, 'front')
  await takeAndScale(page, 'front', RULER.front)
  await step(page, '3 Places')
  await page.getByRole('button', { name: 'All points are right' }).click()
  await step(page, '4 Found')
  await says(page, /^(The forelegs are alike to within \d+ mm|The (left|right) foreleg carries \d mm more coat)/)
  await says(page, /The dog is 1[0-9]\d mm wide at the elbows; the plan has 1[0-9]\d mm/)
  // no coat is too long or too short here: from the front its length is not told
  await expect(found(page).locator('[data-say]').first()).toBeVisible()
  await page.getByRole('button', { name: 'Enter on the sheet' }).click()
  await page.waitForURL(/\/trims\/[^/]+$/)
})

test('a second picture of the front is averaged with the first, and says by how much they differ', async ({ browser }) => {
  test.setTimeout(480000)
  const page = await openTrim(browser)
  await openPicture(page, 'front')
  await page.getByRole('button', { name: 'Another picture' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Take it again with the table camera' }).click()
  await scaleByRuler(page, RULER.front)
  await step(page, '3 Places')
  await page.getByRole('button', { name: 'All points are right' }).click()
  await step(page, '4 Found')
  await expect(found(page).locator('[data-say]').first()).toBeVisible({ timeout: SOON_MS })
  await page.getByRole('checkbox', { name: 'Average with the earlier picture of this view' }).check()
  await says(page, /mean of 2 pictures, which differ by [\d.]+ mm/)
  await saved(page)
  await page.reload()
  await step(page, '4 Found')
  await says(page, /mean of 2 pictures/)
})

test('from above the middle is put by hand: nothing compares the flanks before that', async ({ browser }) => {
  test.setTimeout(480000)
  const page = await openTrim(browser)
  await openPicture(page, 'above')
  await takeAndScale(page, 'above', RULER.above)
  await step(page, '3 Places')
  await expect(page.getByText('The middle of the dog is never suggested')).toBeVisible()
  await page.getByRole('button', { name: 'All points are right' }).click()
  await step(page, '4 Found')
  await expect(found(page).getByText(/Flanks at mid rib, left less right: Place first/)).toBeVisible({ timeout: SOON_MS })
  await step(page, '3 Places')
  for (const [id, x] of [
    ['spineWithers', 0.414],
    ['spineRib', 0.655],
    ['spineTail', 0.779]
  ] as const) {
    await page.locator(`[data-place=${id}]`).click()
    await touch(page, x, 0.5)
    await expect(page.locator(`[data-place=${id}]`)).toContainText('3 mm')
  }
  await step(page, '4 Found')
  await says(page, /The flanks are alike to within \d+ mm/)
  await says(page, /The waist is [78]\d % as wide as the ribs; the plan has \d+ %/)
  await says(page, /The dog stands straight to within \d+ mm/)
})
