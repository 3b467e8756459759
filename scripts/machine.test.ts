import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { freePort, Refusal, refuseTakenPort } from './machine.mjs'
import { startMariadb } from './mariadb.mjs'

let folder: string
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'peen-machine-'))))
// a database that is just going may still write a file
afterAll(() => rmSync(folder, { recursive: true, force: true, maxRetries: 20, retryDelay: 250 }))

describe('starting on a machine that is not ready', () => {
  it('refuses a taken port with one sentence that names the setting', async () => {
    const port = await freePort()
    const other = createServer().listen(port, '127.0.0.1')
    await new Promise((resolve) => other.once('listening', resolve))
    await expect(refuseTakenPort(port, 'the database', 'PEEN_DB_PORT')).rejects.toThrow(
      `Port ${port} for the database is taken by another program. Stop it, or choose another with PEEN_DB_PORT=<port>.`
    )
    other.close()
  })

  it('refuses a half-made data directory and says what to remove', async () => {
    const half = join(folder, 'half')
    mkdirSync(join(half, 'data', 'mysql'), { recursive: true })
    const start = startMariadb({ folder: half, port: await freePort() })
    await expect(start).rejects.toThrow(Refusal)
    await expect(start).rejects.toThrow(/is only half made .* Remove .*half and start again\./)
  })

  it('refuses a directory whose secret is gone', async () => {
    const lost = join(folder, 'lost')
    mkdirSync(join(lost, 'data', 'mysql'), { recursive: true })
    writeFileSync(join(lost, 'data-is-complete'), '')
    await expect(startMariadb({ folder: lost, port: await freePort() })).rejects.toThrow(/secret is missing/)
  })
})
