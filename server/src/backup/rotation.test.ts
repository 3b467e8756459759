import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mayGo, type Kept, type Why } from './rotation'

const DAY_MS = 86400000
const START = Date.parse('2026-01-01T03:00:00Z')
const daily = (day: number, why: Why = 'daily'): Kept => ({ file: `${why} ${day}`, at: new Date(START + day * DAY_MS), why })
/** What is left after each night's backup of so many days. */
const afterDays = (days: number): readonly Kept[] =>
  Array.from({ length: days }, (_, i) => i).reduce<readonly Kept[]>((kept, day) => {
    const all = [...kept, daily(day)]
    const gone = new Set(mayGo(all))
    return all.filter(({ file }) => !gone.has(file))
  }, [])

describe('rotation of backups', () => {
  it('keeps every one of the last seven days, and one a month for a year', () => {
    const kept = afterDays(730).map(({ at }) => at)
    const newest = kept.at(-1)!.getTime()
    for (let back = 0; back < 7; back++) expect(kept.some((at) => newest - at.getTime() === back * DAY_MS)).toBe(true)
    expect(new Set(kept.map((at) => at.toISOString().slice(0, 7))).size).toBe(12)
    expect(kept.length).toBeLessThanOrEqual(7 + 5 + 12)
  })

  it('never lets go what a person asked for, nor the newest of any kind', () => {
    const any = fc.record({
      day: fc.integer({ min: 0, max: 900 }),
      why: fc.constantFrom<Why>('daily', 'byHand', 'beforeMigration', 'beforeRestore')
    })
    fc.assert(
      fc.property(fc.uniqueArray(any, { selector: ({ day, why }) => `${why} ${day}`, maxLength: 60 }), (list) => {
        const all = list.map(({ day, why }) => daily(day, why))
        const gone = new Set(mayGo(all))
        for (const one of all) {
          if (one.why === 'byHand' || one.why === 'beforeRestore') expect(gone.has(one.file)).toBe(false)
          const newest = all.filter(({ why }) => why === one.why).every(({ at }) => at <= one.at)
          if (newest) expect(gone.has(one.file)).toBe(false)
        }
      })
    )
  })

  it('keeps the last three from before migrations', () => {
    const all = [1, 2, 3, 4, 5].map((day) => daily(day, 'beforeMigration'))
    expect(mayGo(all)).toEqual(['beforeMigration 2', 'beforeMigration 1'])
  })
})
