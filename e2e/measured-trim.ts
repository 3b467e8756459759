// The finished trim that browser tests photograph and measure, on its assessor's tablet.
import type { Browser, Page } from '@playwright/test'
import { expect, tablet } from './app'

/** A picture is read in a second or two; a machine with much else to do was fifteen times slower. */
export const SOON_MS = 90000

export async function openTrim(browser: Browser): Promise<Page> {
  const page = await tablet(browser, 'ottilie', '/trims')
  await page
    .getByRole('link', { name: /Thistle/ })
    .first()
    .click()
  await page.waitForURL(/\/trims\/[^/]+$/)
  return page
}

/** Opens one of its pictures, or the place where it is taken: whichever is there is waited for. */
export async function openPicture(page: Page, seen: 'head' | 'left' | 'right' | 'front' | 'rear' | 'above'): Promise<void> {
  await page.goto(`/trims/${page.url().split('/').at(-1)!}/measure/${seen}`)
  await expect(page.locator('[data-take], [data-photo]').first()).toBeVisible({ timeout: SOON_MS })
}

/** Touches a place of the picture given in shares of it. */
export async function touch(page: Page, x: number, y: number): Promise<void> {
  const image = (await page.locator('[data-photo] image').first().boundingBox())!
  await page.mouse.click(image.x + image.width * x, image.y + image.height * y)
}
export const step = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Steps of this picture' }).getByRole('button', { name }).click()
export const found = (page: Page) => page.locator('[data-found]')

/** Touches both ends of the ruler (its middle, top and foot, in shares of the picture) and waits for the outline. */
export async function scaleByRuler(page: Page, [x, top, bottom]: readonly [number, number, number]): Promise<void> {
  await expect(page.getByText('Touch the top end of the ruler')).toBeVisible({ timeout: SOON_MS })
  await touch(page, x, top)
  await touch(page, x, bottom)
  await expect(page.getByText('Outline found.')).toBeVisible({ timeout: SOON_MS })
}

export async function takeAndScale(page: Page, seen: string, ruler: readonly [number, number, number]): Promise<void> {
  await page.getByRole('button', { name: 'Take it with the table camera' }).click()
  await expect(page.locator(`[data-desk=${seen}] [data-photo]`)).toBeVisible({ timeout: SOON_MS })
  await scaleByRuler(page, ruler)
}
