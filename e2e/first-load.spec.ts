import { expect, test } from '@playwright/test'
import { gzipSync } from 'node:zlib'

/** What a tablet on a poor network waits for before it sees anything. */
const MOST_KB = 160

test('the first load is small: content comes with the screen that needs it', async ({ page }) => {
  const html = await (await page.request.get('/')).text()
  const files = [...html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.(?:js|css))"/g)].map(([, path]) => path)
  expect(files.length).toBeGreaterThan(2)
  const sizes = await Promise.all(files.map(async (path) => gzipSync(await (await page.request.get(path)).body()).length))
  const kb = sizes.reduce((sum, size) => sum + size, 0) / 1000
  expect(kb).toBeLessThan(MOST_KB)
  expect(kb).toBeGreaterThan(40)
})
