// The tablet's own camera with a level over it, by the browser's stand-in for a camera.
import type { Page } from '@playwright/test'
import { expect, test } from './app'
import { openPicture, openTrim, SOON_MS } from './measured-trim'

async function openHead(page: Page): Promise<void> {
  await openPicture(page, 'head')
  if (await page.locator('[data-photo]').count()) await page.getByRole('button', { name: 'Another picture' }).click()
}
/** What a tablet's sensors say of how it is held, said again until it is shown: a browser without sensors says once that it has none. */
const holdUntil = (page: Page, beta: number, gamma: number, words: RegExp) =>
  expect(async () => {
    await page.evaluate(
      ([b, g]) => window.dispatchEvent(new DeviceOrientationEvent('deviceorientation', { alpha: 0, beta: b, gamma: g })),
      [beta, gamma] as const
    )
    await expect(page.getByRole('dialog', { name: 'Camera' }).getByRole('status')).toHaveText(words, { timeout: 2000 })
  }).toPass({ timeout: SOON_MS })

test('the tablet shows how level it is held while it takes a picture', async ({ browser }) => {
  test.setTimeout(480000)
  const page = await openTrim(browser)
  await openHead(page)
  await page.getByRole('button', { name: 'Take it with this tablet' }).click()
  const camera = page.getByRole('dialog', { name: 'Camera' })
  await expect(camera.getByText('Hold the camera level: this tablet does not say how it is held.')).toBeVisible()
  // closed by the keyboard, and opened by it again
  await page.keyboard.press('Escape')
  await expect(camera).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Take it with this tablet' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(camera.getByRole('status')).toBeVisible()
  await holdUntil(page, 82, 0, /^The camera looks 8° down\.$/)
  await holdUntil(page, 93, 0, /^The camera looks 3° up\.$/)
  // held sideways, leaning to its right
  await holdUntil(page, 5, -86, /^The camera looks 4° down and is tilted 5° to the right\.$/)
  await holdUntil(page, 90, 0, /^Level\.$/)
  await camera.getByRole('button', { name: 'Take the picture' }).click()
  await expect(page.locator('[data-desk=head] [data-photo]')).toBeVisible({ timeout: SOON_MS })
  // the stand-in shows no dog: that is said, and a hand may go on
  await expect(page.locator('[data-scale]')).toBeVisible()
})

test('a camera that is refused leaves the other ways', async ({ browser }) => {
  const page = await openTrim(browser)
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'))
  })
  await openHead(page)
  await page.getByRole('button', { name: 'Take it with this tablet' }).click()
  await expect(page.getByRole('alert').getByText('The camera did not open.')).toBeVisible()
  await expect(page.locator('label').filter({ hasText: 'Take it with this tablet' })).toBeVisible()
})
