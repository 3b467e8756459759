// A tablet whose network is gone: the application opens, what was read today is there, what is tapped waits and is sent.
import type { Page } from '@playwright/test'
import { drawn, expect, openTable, saved, signIn, test } from './app'

test.use({ serviceWorkers: 'allow' })

/** Waits until the application lies on this tablet and what may be needed was read ahead. */
async function readAhead(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready)
  const hasLibrary = () =>
    page.evaluate(async () => {
      const open = indexedDB.open('peen-read')
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        open.onsuccess = () => resolve(open.result)
        open.onerror = () => reject(open.error!)
      })
      const keys = db.transaction('replies').objectStore('replies').getAllKeys()
      await new Promise((resolve) => (keys.onsuccess = resolve))
      db.close()
      // the library is read last
      return keys.result.filter((key) => String(key).includes('/standard/')).length
    })
  await expect.poll(hasLibrary, { timeout: 60000 }).toBeGreaterThan(15)
}

test('a tablet opens without the network, through reloads, and what is tapped is sent when it is back', async ({ page, context }) => {
  await signIn(page, 'ruben')
  await readAhead(page)
  await context.setOffline(true)
  await page.reload()
  await expect(page.getByTestId('table').first()).toBeVisible()
  await expect(page.getByText(/No connection since \d/)).toBeVisible()
  // a table that was not opened before
  await openTable(page, 'Tove')
  const id = page.url().split('/').at(-1)!
  await page.locator('[data-key=prompt]').click()
  await page.reload()
  await expect(page.getByTestId('not-saved')).toContainText('1 kept here')
  for (const [path, words] of [
    [`/visits/${id}/check-in`, 'Check-in'],
    [`/visits/${id}/set-up`, 'Set-up'],
    ['/standards', 'Teddy'],
    ['/standards/teddy', 'Teddy leg'],
    ['/techniques', 'techniques in five families'],
    ['/dogs', 'Teasel']
  ] as const) {
    await page.goto(path)
    await expect(page.getByRole('main').first(), path).toContainText(words)
  }
  await page.goto('/standards/teddy')
  await drawn(page)
  const before = await page.evaluate(() => performance.timeOrigin)
  await context.setOffline(false)
  await saved(page)
  // it went on by itself, on the page that was open
  expect(await page.evaluate(() => performance.timeOrigin)).toBe(before)
  const { events } = (await (await page.request.get(`/api/visits/${id}/work`)).json()) as { events: { kind: string }[] }
  expect(events.at(-1)!.kind).toBe('promptGiven')
})
