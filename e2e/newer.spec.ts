// A newer Peen is put on the server while a tablet is open: it waits until nothing is unsent, then takes over between two screens.
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { freePort, ROOT } from '../scripts/machine.mjs'
import { expect, openTable, PASSWORD, test } from './app'
import { hasOwnDatabase, ownServer, type OwnServer } from './own-server'

test.use({ serviceWorkers: 'allow' })

const folder = mkdtempSync(join(tmpdir(), 'peen-build-'))
let server: OwnServer | null = null
let url = ''
test.beforeAll(async () => {
  test.skip(!hasOwnDatabase(), 'the build is exchanged: it must be the test’s own server')
  cpSync(join(ROOT, 'web/dist'), folder, { recursive: true })
  const port = await freePort()
  url = `http://127.0.0.1:${port}`
  server = ownServer(port, { PEEN_WEB: folder })
  await server.start()
})
test.afterAll(async () => {
  await server?.stop()
  rmSync(folder, { recursive: true, force: true })
})

/** The same application with another first page, as a newer build puts it there: the page, and the worker that lists it. */
function exchangeBuild(): void {
  const page = join(folder, 'index.html')
  writeFileSync(page, readFileSync(page, 'utf8').replace('<head>', '<head><meta name="peen-build" content="newer">'))
  const worker = join(folder, 'sw.js')
  const before = readFileSync(worker, 'utf8')
  const after = before.replace(/(url:"index.html",revision:")[^"]+/, '$1newer')
  expect(after).not.toBe(before)
  writeFileSync(worker, after)
}
const isNewer = async (page: Page) => (await page.locator('meta[name=peen-build]').count()) > 0
const waits = (page: Page) => page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.waiting != null)
/** A worker that a runner looks into never comes to rest by itself, and one that works does not give way. */
async function letWorkersRest(page: Page): Promise<void> {
  const browser = await page.context().newCDPSession(page)
  await browser.send('ServiceWorker.enable')
  await browser.send('ServiceWorker.stopAllWorkers')
}
const topLine = (page: Page) => page.getByRole('banner').getByRole('status')
const goTo = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Main menu' }).getByRole('link', { name, exact: true }).click()

test('a newer Peen waits for what is unsent, and takes over when it is saved', async ({ page }) => {
  await page.request.post(`${url}/api/sign-in`, { data: { username: 'ruben', password: PASSWORD } })
  await page.goto(`${url}/floor`)
  await page.evaluate(() => navigator.serviceWorker.ready)
  // from here on pages come from this tablet
  await page.reload()
  await openTable(page, 'Tove', url)
  await page.route('**/events', (route) => route.abort('internetdisconnected'))
  await page.locator('[data-key=prompt]').click()
  await expect(topLine(page)).toContainText('1 waiting here')

  exchangeBuild()
  await page.evaluate(async () => void (await (await navigator.serviceWorker.getRegistration())!.update()))
  await expect.poll(() => waits(page), { timeout: 60000 }).toBe(true)
  // other screens, and the page itself loaded again: still the one that knows the tap
  await goTo(page, 'Dogs')
  await expect(page.getByRole('main')).toContainText('Teasel')
  await page.reload()
  await goTo(page, 'Apprentices')
  await expect(page.getByRole('main')).toContainText('Tove')
  expect(await isNewer(page)).toBe(false)
  expect(await waits(page)).toBe(true)
  await expect(topLine(page)).toContainText('1 waiting here')

  await page.unroute('**/events')
  await expect(topLine(page)).toHaveText('Everything is saved', { timeout: 60000 })
  // between two screens
  const places = ['Floor', 'Dogs']
  const walked = async (): Promise<boolean> => {
    await goTo(page, places[0]!)
    places.reverse()
    await letWorkersRest(page)
    // the page may be on its way to the newer one
    return isNewer(page).catch(() => false)
  }
  await expect.poll(walked, { timeout: 60000, intervals: [2000] }).toBe(true)
  await goTo(page, 'Dogs')
  await expect(page.getByRole('main')).toContainText('Teasel')
  expect(await waits(page)).toBe(false)
})
