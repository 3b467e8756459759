// The throw-away database of the tests. npm test starts one for everything; vitest alone starts its own.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from './machine.mjs'
import { startMariadb } from './mariadb.mjs'

export const TEST_PREFIX = 'peen_test_'

/** @returns {Promise<{settings: {host: string, port: number, user: string, password: string}, stop: () => Promise<void>}>} */
export async function startTestDatabase() {
  const folder = mkdtempSync(join(tmpdir(), 'peen-test-'))
  const database = await startMariadb({ folder, port: await freePort(), durable: false })
  await database.allowDatabases(TEST_PREFIX)
  const stop = async () => {
    await database.stop()
    rmSync(folder, { recursive: true, force: true })
  }
  return { settings: { host: '127.0.0.1', port: database.port, user: database.user, password: database.password }, stop }
}

/** Vitest's global setup. */
export default async function setup() {
  if (process.env.PEEN_TEST_DB) return
  const { settings, stop } = await startTestDatabase()
  process.env.PEEN_TEST_DB = JSON.stringify(settings)
  return stop
}
