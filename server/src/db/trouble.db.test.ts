// The database dies while people work, and comes back: a sentence and a time to ask again, and nothing of the server falls with it.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { freePort } from '../../../scripts/machine.mjs'
import { isOurs, startMariadb } from '../../../scripts/mariadb.mjs'
import { serve, type Served } from '../testing/world'
import { problemOf } from '../http'
import { connect, migrateUp, troubleOf } from '.'

const folder = mkdtempSync(join(tmpdir(), 'peen-dying-'))
let port = 0
let served: Served
let database: Awaited<ReturnType<typeof startMariadb>>
let endedByItself = 0
const open = async () => (database = await startMariadb({ folder, port, durable: false, whenEnded: () => endedByItself++ }))

beforeAll(async () => {
  port = await freePort()
  await open()
  await database.createDatabase('peen_dying')
  const { user, password } = database
  const connection = connect({ host: '127.0.0.1', port, user, password, database: 'peen_dying' })
  await migrateUp(connection.db)
  served = await serve(connection)
})
afterAll(async () => {
  await served.close()
  await database.stop()
  rmSync(folder, { recursive: true, force: true })
})
const asked = async () => {
  const response = await fetch(`${served.url}/api/session`)
  return { status: response.status, after: response.headers.get('retry-after'), body: (await response.json()) as { code?: string } }
}

describe('a database that dies', () => {
  it('is told with a time to ask again, and heals by itself', async () => {
    expect((await asked()).status).toBe(200)
    await database.stop()
    for (let i = 0; i < 3; i++) {
      expect(await asked()).toMatchObject({
        status: 503,
        after: '5',
        body: { code: 'databaseAway', detail: expect.stringContaining('Nothing was changed') }
      })
    }
    await open()
    expect((await asked()).status).toBe(200)
  })

  it('that is killed is known to its starter; one that is stopped is not taken for it', async () => {
    expect(endedByItself).toBe(0)
    const { readFileSync } = await import('node:fs')
    const pid = Number(readFileSync(join(folder, 'mariadb.pid'), 'utf8'))
    // only the one over our own data is ours to stop
    expect(isOurs(pid, join(folder, 'data'))).toBe(true)
    expect(isOurs(pid, join(tmpdir(), 'another', 'data'))).toBe(false)
    expect(isOurs(process.pid, join(folder, 'data'))).toBe(false)
    process.kill(pid, 'SIGKILL')
    await expect.poll(() => endedByItself, { timeout: 60000 }).toBe(1)
    expect((await asked()).status).toBe(503)
    await open()
    expect((await asked()).status).toBe(200)
  })
})

describe('what a database tells', () => {
  // numbers as MariaDB's list of errors has them (from memory)
  it.each([
    [{ cause: { errno: 1021, code: 'ER_DISK_FULL' } }, 'full', 'diskFull', 507],
    [{ cause: { errno: 3, message: 'Error writing file (Errcode: 28 "No space left on device")' } }, 'full', 'diskFull', 507],
    [{ cause: { errno: 1290, code: 'ER_OPTION_PREVENTS_STATEMENT' } }, 'readOnly', 'readOnly', 507],
    [{ code: 'ECONNREFUSED' }, 'away', 'databaseAway', 503]
  ] as const)('%j is %s', (error, trouble, code, status) => {
    expect(troubleOf(error)).toBe(trouble)
    expect(problemOf(error, 'id')).toMatchObject({ status, code })
  })

  it('of a taken key or a broken query is no trouble of this kind', () => {
    expect(troubleOf({ cause: { errno: 1062, code: 'ER_DUP_ENTRY' } })).toBeNull()
    expect(troubleOf(new Error('a fault of ours'))).toBeNull()
    expect(troubleOf(null)).toBeNull()
  })
})
