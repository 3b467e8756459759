import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { ofPlaywright, ofVitest, slowest } from './reports.mjs'

const folder = mkdtempSync(join(tmpdir(), 'peen-reports-test-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const written = (name: string, body: object): string => {
  writeFileSync(join(folder, name), JSON.stringify(body))
  return join(folder, name)
}

describe('what the runners reported', () => {
  it('counts what passed and names what failed, without colours', () => {
    const file = written('vitest.json', {
      numPassedTests: 3,
      testResults: [
        {
          name: 'a.test.ts',
          status: 'failed',
          message: '',
          assertionResults: [
            { status: 'passed', fullName: 'one' },
            { status: 'failed', fullName: 'two', failureMessages: ['\u001b[31mexpected 1\u001b[39m'] }
          ]
        }
      ]
    })
    expect(ofVitest(file)).toMatchObject({ passed: 3, failures: ['a.test.ts › two\n    expected 1'] })
  })

  it('fails a file that could not be loaded, and a report that never came', () => {
    const broken = { name: 'b.test.ts', status: 'failed', message: 'no such module', assertionResults: [] }
    expect(ofVitest(written('broken.json', { numPassedTests: 0, testResults: [broken] })).failures).toEqual([
      'b.test.ts\n    no such module'
    ])
    for (const of of [ofVitest, ofPlaywright]) expect(of(join(folder, 'none.json')).failures).toHaveLength(1)
  })

  it('fails a browser test that needed a second try or was left out, and an error outside any test', () => {
    const spec = (title: string, status: string, error?: string) => ({
      title,
      tests: [{ status, results: [error ? { status: 'failed', error: { message: error } } : { status: 'skipped' }] }]
    })
    const suites = [
      {
        file: 'c.spec.ts',
        specs: [spec('works', 'expected')],
        suites: [{ file: 'c.spec.ts', specs: [spec('shaky', 'flaky', 'too late')] }]
      },
      { file: 'd.spec.ts', specs: [spec('left out', 'skipped')] }
    ]
    const { passed, failures } = ofPlaywright(
      written('playwright.json', { stats: { expected: 1 }, errors: [{ message: 'no browser' }], suites })
    )
    expect(passed).toBe(1)
    expect(failures).toEqual(['c.spec.ts › shaky\n    too late', 'd.spec.ts › left out\n    skipped', 'browser\n    no browser'])
  })

  it('tells which files took longest', () => {
    const timed = (name: string, endTime: number) => ({
      name,
      status: 'passed',
      message: '',
      startTime: 1000,
      endTime,
      assertionResults: []
    })
    const file = written('timed.json', { numPassedTests: 2, testResults: [timed('a.test.ts', 3000), timed('b.test.ts', 91000)] })
    expect(slowest(ofVitest(file).seconds)).toBe('   90 s  b.test.ts\n    2 s  a.test.ts')
    expect(slowest(ofVitest(file).seconds, 1)).toBe('   90 s  b.test.ts')
  })
})
