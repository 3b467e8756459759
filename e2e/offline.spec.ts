// A tablet whose network is gone: the application opens, what was read today is there, what is tapped waits and is sent.
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { drawn, expect, openTable, saved, signIn, tablet, test } from './app'

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
  await expect(page.getByTestId('not-saved')).toContainText('1 waiting here')
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

test('a check-in that two devices wrote, one of them without the network, is put together', async ({ page, context, browser }) => {
  await signIn(page, 'ruben')
  await openTable(page, 'Enzo')
  const path = `/visits/${page.url().split('/').at(-1)!}/check-in`
  await page.goto(path)
  const feet = (on: Page, name: string) => on.getByRole('button', { name, exact: true })
  await expect(feet(page, 'left fore')).toBeVisible()
  const other = await tablet(browser, 'mira', path)
  await expect(feet(other, 'left fore')).toBeVisible()
  await page.evaluate(() => navigator.serviceWorker.ready)
  const purpose = (on: Page, name: string) => on.getByRole('button', { name, exact: true }).click()
  await context.setOffline(true)
  await feet(page, 'left fore').click()
  await purpose(page, 'show')
  await expect(page.getByText(/1 waiting here/)).toBeVisible()
  // loaded again without the network: what was written is still here, and the server has to say again who this is
  await page.reload()
  await expect(page.getByText(/1 waiting here/)).toBeVisible()
  await feet(other, 'right fore').click()
  await purpose(other, 'exam')
  await saved(other)
  await context.setOffline(false)
  // both changed what the trim is for: a person says which holds; the feet of both are kept
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('heading', { name: 'This check-in was also changed on another device' })).toBeVisible()
  await expect(dialog.locator('[data-differs]')).toHaveCount(1)
  await dialog.getByRole('button', { name: 'The other device' }).click()
  await dialog.getByRole('button', { name: 'Use this' }).click()
  await saved(page)
  const { found } = (await (await page.request.get(`/api${path.replace('/check-in', '')}`)).json()) as {
    found: { purpose: string; nailsOwed: string[] }
  }
  expect(found.purpose).toBe('exam')
  expect(found.nailsOwed).toEqual(expect.arrayContaining(['leftFore', 'rightFore']))
  // what gave way is on record
  await expect
    .poll(async () => JSON.stringify(await (await page.request.get(`/api/notes/visit/${path.split('/')[2]}`)).json()))
    .toContain('What the trim is for: exam was kept, show was not.')
  await other.context().close()
})

test('a photograph taken without the network is kept here and sent once', async ({ page, context }) => {
  await signIn(page, 'ruben')
  await page.evaluate(() => navigator.serviceWorker.ready)
  await openTable(page, 'Bram')
  const id = page.url().split('/').at(-1)!
  await page.goto(`/visits/${id}/check-in`)
  const input = page.locator('input[type=file]').first()
  await expect(input).toBeAttached()
  await context.setOffline(true)
  const buffer = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#765' } })
    .jpeg()
    .toBuffer()
  await input.setInputFiles({ name: 'left.jpg', mimeType: 'image/jpeg', buffer })
  await expect(page.getByText('The picture is saved here and sent as soon as it answers.')).toBeVisible()
  await expect(page.getByTestId('not-saved')).toContainText('1 waiting here')
  await page.reload()
  await expect(page.getByTestId('not-saved')).toContainText('1 waiting here')
  await context.setOffline(false)
  await saved(page)
  const { pictures } = (await (await page.request.get(`/api/visits/${id}`)).json()) as { pictures: { widthPx: number }[] }
  expect(pictures.filter(({ widthPx }) => widthPx === 60)).toHaveLength(1)
})
