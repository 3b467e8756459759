import { expect, test } from '@playwright/test'
import { gzipSync } from 'node:zlib'

/** What a tablet on a poor network waits for before it sees anything. */
const MOST_KB = 160

test('the first load is small: content comes with the screen that needs it', async ({ page }) => {
  const text = async (path: string) => (await page.request.get(path)).text()
  const html = await text('/')
  const entry = [...html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.(?:js|css))"/g)].map(([, path]) => path)
  // the first file loads what the first screens say, then the application: what these bring counts too; the rest of the words comes after
  const then = (await Promise.all(entry.map(text))).flatMap((code) =>
    [...code.matchAll(/"(assets\/[^"]+\.(?:js|css))"/g)].map(([, path]) => `/${path}`)
  )
  const files = [...new Set([...entry, ...then])].filter((path) => !path.startsWith('/assets/rest-'))
  expect(files.length).toBeGreaterThan(2)
  const sizes = await Promise.all(files.map(async (path) => gzipSync(await (await page.request.get(path)).body()).length))
  const kb = sizes.reduce((sum, size) => sum + size, 0) / 1000
  expect(kb).toBeLessThan(MOST_KB)
  expect(kb).toBeGreaterThan(40)
})
