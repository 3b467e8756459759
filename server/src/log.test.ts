import pino from 'pino'
import { expect, it } from 'vitest'
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
