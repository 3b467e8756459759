import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isOpenOn, nearestOpen, openDays, shiftDay, USUAL_OPENING, weekdayOf } from '.'
import { CoreError } from '../error'
import { isDate } from '../terms'

const WEEK = { weekdays: [1, 2, 3, 4, 5] }
const BREAK = [{ fromOn: '2026-05-25', toOn: '2026-05-29' }]
const dates = fc.integer({ min: 0, max: 30_000 }).map((day) => shiftDay('1970-01-01', day))

describe('days', () => {
  // ISO 8601: 1 January 2024 was a Monday, 29 February 2028 is a Tuesday
  it.each([
    ['2024-01-01', 1],
    ['2028-02-29', 2],
    ['2026-11-29', 7]
  ])('%s is weekday %i', (on, weekday) => expect(weekdayOf(on)).toBe(weekday))

  it('are those that a calendar has', () => {
    expect(['2028-02-29', '2026-02-29', '2026-13-01', '2026-4-1', 'soon', ''].map(isDate)).toEqual([
      true,
      false,
      false,
      false,
      false,
      false
    ])
    expect([shiftDay('2028-02-28', 1), shiftDay('2026-01-01', -1), shiftDay('2026-03-28', 2)]).toEqual([
      '2028-02-29',
      '2025-12-31',
      '2026-03-30'
    ])
  })

  it('are open on open weekdays outside of days off', () => {
    expect(isOpenOn('2026-05-22', WEEK, BREAK)).toBe(true)
    for (const on of ['2026-05-23', '2026-05-25', '2026-05-29']) expect(isOpenOn(on, WEEK, BREAK)).toBe(false)
    expect(openDays('2026-05-22', '2026-06-02', WEEK, BREAK)).toEqual(['2026-05-22', '2026-06-01', '2026-06-02'])
    expect(openDays('2026-05-25', '2026-05-25', USUAL_OPENING, BREAK)).toEqual([])
  })

  it('counted one by one are those that were asked for', () => {
    fc.assert(
      fc.property(dates, fc.nat(60), fc.uniqueArray(fc.integer({ min: 1, max: 7 })), (from, days, weekdays) => {
        const all = openDays(from, shiftDay(from, days), { weekdays }, [])
        const every = Array.from({ length: days + 1 }, (_, i) => shiftDay(from, i))
        expect(all).toEqual(every.filter((on) => weekdays.includes(weekdayOf(on))))
      })
    )
  })
})

describe('the nearest open day', () => {
  it('is the day itself, else the next one, else the one before', () => {
    expect(nearestOpen('2026-05-22', '2026-05-01', WEEK, BREAK)).toBe('2026-05-22')
    // Saturday: Friday is one day away, Monday is off
    expect(nearestOpen('2026-05-23', '2026-05-01', WEEK, BREAK)).toBe('2026-05-22')
    // Sunday with Monday open and Saturday closed
    expect(nearestOpen('2026-05-17', '2026-05-01', WEEK, BREAK)).toBe('2026-05-18')
    expect(nearestOpen('2026-05-23', '2026-05-23', WEEK, BREAK)).toBe('2026-06-01')
    expect(nearestOpen('2026-05-23', '2026-05-23', { weekdays: [] }, [])).toBeNull()
  })

  it('is open, not before the earliest, and none is nearer', () => {
    fc.assert(
      fc.property(dates, fc.nat(20), fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1 }), (earliest, later, weekdays) => {
        const wanted = shiftDay(earliest, later)
        const found = nearestOpen(wanted, earliest, { weekdays }, [])!
        const away = Math.abs(Date.parse(found) - Date.parse(wanted)) / 86_400_000
        expect(found >= earliest && isOpenOn(found, { weekdays }, [])).toBe(true)
        for (let i = 0; i < away; i++) {
          expect(isOpenOn(shiftDay(wanted, i), { weekdays }, [])).toBe(false)
          const before = shiftDay(wanted, -i)
          if (before >= earliest) expect(isOpenOn(before, { weekdays }, [])).toBe(false)
        }
      })
    )
  })

  it.each([
    ['a day before the earliest', () => nearestOpen('2026-05-01', '2026-05-02', WEEK, [])],
    ['an end before its beginning', () => openDays('2026-05-02', '2026-05-01', WEEK, [])],
    ['more than ten years', () => openDays('2026-05-02', '2037-05-01', WEEK, [])]
  ])('refuses %s', (_, run) => expect(run).toThrow(CoreError))
})
