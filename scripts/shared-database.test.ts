import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, it } from 'vitest'
import { sharedDatabase } from './shared-database.mjs'

const folder = mkdtempSync(join(tmpdir(), 'peen-shared-'))
afterAll(() => rmSync(folder, { recursive: true }))

function fileOf(asked: unknown, mode = 0o600): string {
  const path = join(folder, 'database.json')
  writeFileSync(path, typeof asked === 'string' ? asked : JSON.stringify(asked))
  chmodSync(path, mode)
  return path
}
const GOOD = { hosts: ['10.0.0.1', 'db.school.example:3307'], user: 'peen', password: 'long', database: 'peen_school' }

it('reads the nodes in their order', () => {
  expect(sharedDatabase('')).toBeNull()
  expect(sharedDatabase(fileOf(GOOD))).toEqual({
    ...{ host: '10.0.0.1', port: 3306, others: [{ host: 'db.school.example', port: 3307 }] },
    ...{ user: 'peen', password: 'long', database: 'peen_school' }
  })
})

it.each<[string, unknown, RegExp]>([
  ['what is no JSON', 'hosts = 1', /it is not JSON/],
  ['no host', { ...GOOD, hosts: [] }, /hosts is missing/],
  ['a host that is none', { ...GOOD, hosts: ['http://10.0.0.1'] }, /"http:\/\/10\.0\.0\.1" is no host/],
  ['a port that is none', { ...GOOD, hosts: ['10.0.0.1:99999'] }, /is no host/],
  ['no password', { ...GOOD, password: '' }, /password is missing/],
  ['a word it does not know', { ...GOOD, host: 'a' }, /"host" is not known; it must be one of hosts, user/]
])('refuses %s', (_, asked, says) => {
  expect(() => sharedDatabase(fileOf(asked))).toThrow(says)
})

it('refuses a password that others can read, and a file that is not there', () => {
  expect(() => sharedDatabase(fileOf(GOOD, 0o644))).toThrow(/chmod 600/)
  expect(() => sharedDatabase(join(folder, 'none.json'))).toThrow(/cannot be read \(ENOENT\)/)
})
