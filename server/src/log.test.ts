import pino from 'pino'
import { expect, it } from 'vitest'
import type { AddressInfo } from 'node:net'
import { makeApp } from './app'
import { settableClock } from './clock'
import { COOKIE } from './features/auth'
import { tellError } from './log'

it('tells of a failed query what was asked and how the database called it, and no value', () => {
  const cause = Object.assign(new Error("Duplicate entry 'Marenka' for key 'name'"), { code: 'ER_DUP_ENTRY' })
  const query = 'insert into `owners` values (?)'
  const failed = Object.assign(new Error(`Failed query: ${query}\nparams: Marenka`, { cause }), { query, params: ['Marenka'] })
  const lines: string[] = []
  pino({ serializers: { err: tellError } }, { write: (line: string) => void lines.push(line) }).error({ err: failed }, 'unexpected')
  expect(lines[0]).toContain('a query failed (ER_DUP_ENTRY)')
  expect(lines[0]).toContain('insert into `owners`')
  expect(lines[0]).not.toContain('Marenka')
})

it('tells no value through the application either, whatever breaks there', async () => {
  const query = 'select `id` from `sign_ins` where `token_hash` = ?'
  const failed = Object.assign(new Error(`Failed query: ${query}\nparams: a-secret-hash`), { query, params: ['a-secret-hash'] })
  const db = {
    select: () => {
      throw failed
    }
  }
  const lines: string[] = []
  const log = pino({ serializers: { err: tellError } }, { write: (line: string) => void lines.push(line) })
  const app = makeApp({ db: db as never, clock: settableClock(new Date('2026-04-14T09:42:00Z'), 'Europe/London'), log }, null)
  const server = app.listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const { port } = server.address() as AddressInfo
  const { status } = await fetch(`http://127.0.0.1:${port}/api/session`, { headers: { cookie: `${COOKIE}=typed-by-a-person` } })
  server.close()
  expect(status).toBe(500)
  const all = lines.join('\n')
  expect(all).toContain('a query failed')
  for (const secret of ['a-secret-hash', 'typed-by-a-person']) expect(all).not.toContain(secret)
})
