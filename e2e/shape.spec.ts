// A dog that colours cannot tell from its room is found where two touches say that it is.
import { expect, saved, test } from './app'
import { openPicture, openTrim, SOON_MS, step, takeAndScale, touch } from './measured-trim'

test('the outline is found by eye and root of the tail, and stays so', async ({ browser }) => {
  test.setTimeout(480000)
  const page = await openTrim(browser)
  await openPicture(page, 'left')
  await takeAndScale(page, 'left', [0.8365, 0.5515, 0.908])
  const outline = page.locator('[data-photo] .photo-outline').first()
  const before = (await outline.boundingBox())!
  await page.getByText('Fit the dog’s shape').click()
  await expect(page.getByText(/^Touch the eye, then the root of the tail\./)).toBeVisible()
  await touch(page, 0.289, 0.29)
  await expect(page.getByText('Now touch the root of the tail.')).toBeVisible()
  await touch(page, 0.705, 0.405)
  await expect(page.getByText(/It was fitted by two touches: check it all the way round/)).toBeVisible({ timeout: SOON_MS })
  // the finder and the colours agree on this dog before its plain wall
  const after = (await outline.boundingBox())!
  for (const side of ['x', 'y', 'width', 'height'] as const) expect(Math.abs(after[side] - before[side]), side).toBeLessThan(15)
  await saved(page)
  await page.reload()
  await step(page, '2 Outline')
  await expect(page.getByText(/It was fitted by two touches: check it all the way round/)).toBeVisible({ timeout: SOON_MS })
})
