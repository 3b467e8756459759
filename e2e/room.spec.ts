// A tablet of the local network: it meets the room's certificate, is offered the authority, trusts it, and works by https.
import { chromium, test as plain } from '@playwright/test'
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from '../scripts/machine.mjs'
import { roomNames } from '../server/src/room'
import { expect, PASSWORD } from './app'
import { hasOwnDatabase, ownServer, type OwnServer } from './own-server'

const folder = mkdtempSync(join(tmpdir(), 'peen-tablet-'))
let port = 0
let server: OwnServer | null = null
// the demo's own database behind a server of its own, opened to the room
plain.beforeAll(async () => {
  plain.skip(!hasOwnDatabase(), 'a server of its own needs the runner’s database')
  port = await freePort()
  server = ownServer(port, { PEEN_ROOM: join(folder, 'room') })
  await server.start()
})
plain.afterAll(async () => {
  await server?.stop()
  rmSync(folder, { recursive: true, force: true })
})

/** A browser with a home of its own; `trusts`: PEM of what was added to its authorities, by the usual tool. */
async function tablet(name: string, trusts: string | null) {
  const home = join(folder, name)
  const store = join(home, '.pki/nssdb')
  spawnSync('mkdir', ['-p', store])
  spawnSync('certutil', ['-d', `sql:${store}`, '-N', '--empty-password'])
  if (trusts !== null) {
    writeFileSync(join(home, 'room.crt'), trusts)
    const added = spawnSync('certutil', ['-d', `sql:${store}`, '-A', '-t', 'C,,', '-n', 'room', '-i', join(home, 'room.crt')])
    expect(added.status, added.stderr.toString()).toBe(0)
  }
  return chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'], env: { ...process.env, HOME: home } })
}

plain('a tablet that trusts the room signs in by https; one that does not is turned away', async () => {
  // every machine reaches itself by this name, whatever network it is in
  const name = 'localhost'
  const address = `https://${name}:${port}`
  const stranger = await tablet('stranger', null)
  const turnedAway = await stranger.newPage()
  await expect(turnedAway.goto(address)).rejects.toThrow(/ERR_CERT_AUTHORITY_INVALID/)
  const unknown = await stranger.newPage()
  // plain http offers the authority, and nothing of the school
  await unknown.goto(`http://${name}:${port + 1}`)
  await expect(unknown.getByRole('heading', { name: 'Bring a tablet to Peen' })).toBeVisible()
  await expect(unknown.getByRole('link', { name: `https://${roomNames()[0]}:${port}` })).toBeVisible()
  const authority = await (await unknown.request.get(`http://${name}:${port + 1}/peen-room.crt`)).text()
  expect((await unknown.request.get(`http://${name}:${port + 1}/api/floor`)).status()).toBe(404)
  await stranger.close()

  const known = await tablet('known', authority)
  const page = await known.newPage()
  await page.goto(`${address}/sign-in`)
  await page.getByLabel('Username').fill('ruben')
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.waitForURL('**/floor')
  await expect(page.getByText('Everything is saved')).toBeVisible()
  expect(await page.evaluate(() => isSecureContext && 'locks' in navigator)).toBe(true)
  const cookies = await page.context().cookies()
  expect(cookies.length).toBeGreaterThan(0)
  expect(cookies.every(({ secure, httpOnly, sameSite }) => secure && httpOnly && sameSite === 'Strict')).toBe(true)
  await known.close()
})

plain('the server may be started again while people work: the sign-in holds, and what was tapped meanwhile is sent', async () => {
  const address = `https://localhost:${port}`
  const authority = await (await fetch(`http://localhost:${port + 1}/peen-room.crt`)).text()
  const browser = await tablet('restart', authority)
  const page = await browser.newPage()
  await page.goto(`${address}/sign-in?to=/floor`)
  await page.getByLabel('Username').fill('ruben')
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.waitForURL('**/floor')
  await page.getByTestId('table').filter({ hasText: 'Jun' }).click()
  await page.waitForURL('**/table/**')
  const id = page.url().split('/').at(-1)!
  const prompts = async () => {
    // asked by the page: the browser trusts the room, the runner does not
    const answer = await page.evaluate(async (path) => (await fetch(path)).json(), `/api/visits/${id}/work`)
    return (answer as { events: { kind: string }[] }).events.filter(({ kind }) => kind === 'promptGiven').length
  }
  await expect(page.locator('[data-key=prompt]')).toBeVisible()
  const before = await prompts()
  await server!.stop()
  await page.locator('[data-key=prompt]').click()
  await page.locator('[data-key=prompt]').click()
  await expect(page.getByTestId('not-saved')).toContainText(/No connection since .*, 2 waiting here/)
  await server!.start()
  await expect(page.getByText('Everything is saved')).toBeVisible({ timeout: 60000 })
  expect(await prompts()).toBe(before + 2)
  await browser.close()
})
