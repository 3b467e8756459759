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
