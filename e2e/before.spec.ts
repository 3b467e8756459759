// A dog as it came in and as it left, from the same side: what the two pictures say of its coat.
import { expect, saved, test } from './app'
import { openPicture, openTrim, scaleByRuler, SOON_MS, step, takeAndScale } from './measured-trim'

/** The ruler of 200 mm as the simulated camera shows it, in shares of the picture: its middle, top and foot. */
const RULER = [0.8365, 0.5515, 0.908] as const

test('a picture from check-in is measured beside the finished trim, and each lies over the other', async ({ browser }) => {
  test.setTimeout(480000)
  const page = await openTrim(browser)
  const id = page.url().split('/').at(-1)!
  const { visitId } = await (await page.request.get(`/api/gradings/${id}`)).json()
  await page.goto(`/visits/${visitId}/check-in`)
  await page.getByRole('combobox', { name: 'Table camera' }).selectOption('left')
  await page.getByRole('button', { name: 'Take it with the table camera' }).click()
  await expect(page.getByRole('img', { name: 'before, left' })).toBeVisible({ timeout: SOON_MS })

  await page.goto(`/trims/${id}`)
  await openPicture(page, 'left')
  await takeAndScale(page, 'left', RULER)
  await step(page, '4 Found')
  const compared = page.locator('[data-before-after]')
  await compared.getByRole('link', { name: 'Measure the picture from before the trim' }).click()
  await expect(page.getByText('Before the trim', { exact: true })).toBeVisible()
  await scaleByRuler(page, RULER)
  await step(page, '3 What came off')
  // forty days of growth: more than the two pictures may be off by somewhere, and nowhere less
  await expect(compared.getByText(/: stood \d+ mm farther out, give or take \d+ mm\./).first()).toBeVisible({ timeout: SOON_MS })
  await expect(compared.getByText(/farther out now/)).toHaveCount(0)
  await saved(page)

  await page.getByRole('link', { name: 'Back to the finished trim' }).click()
  // its own marks are as they were left
  await step(page, '4 Found')
  await expect(compared.getByText(/: stood \d+ mm farther out/).first()).toBeVisible({ timeout: SOON_MS })
  const over = page.locator('[data-photo] .photo-mirror')
  await expect(over).toHaveCount(0)
  await compared.getByRole('checkbox', { name: 'Lay the outline from before over this picture' }).check()
  await expect(over).toHaveCount(1, { timeout: SOON_MS })
  const [was, is] = await Promise.all([over.boundingBox(), page.locator('[data-photo] .photo-outline').first().boundingBox()])
  expect(was!.width).toBeGreaterThan(is!.width)
})

test('a picture keeps its marks when another one is looked at meanwhile', async ({ browser }) => {
  test.setTimeout(480000)
  const page = await openTrim(browser)
  await openPicture(page, 'right')
  await takeAndScale(page, 'right', RULER)
  await page.getByRole('link', { name: 'Head from the front' }).click()
  await expect(page.locator('[data-take=head]')).toBeVisible({ timeout: SOON_MS })
  await page.getByRole('link', { name: 'Right profile' }).click()
  await step(page, '1 Scale')
  await expect(page.getByText('Touch the top end of the ruler')).toHaveCount(0)
  // what is changed now is kept like the first
  await step(page, '3 Places')
  await page.getByRole('button', { name: 'All points are right' }).click()
  await saved(page)
  await expect(page.getByText('Another device has marked this picture')).toHaveCount(0)
})
