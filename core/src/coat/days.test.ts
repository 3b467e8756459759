import { describe, expect, it } from 'vitest'
import { daysBetween } from '../competency'
import { sayDay } from '../units'
import { dateOf, dayOf } from '.'

describe('days', () => {
  // Ref: the Gregorian calendar
  it.each(['2026-02-30', '2026-04-31', '2025-02-29', 'soon'])('%s is none, anywhere', (date) => {
    expect(() => dayOf(date)).toThrow(/a date such as 2026-04-14/)
    expect(() => daysBetween('2026-01-01', date)).toThrow(/a date such as 2026-04-14/)
    expect(() => sayDay(date)).toThrow(/a date such as 2026-04-14/)
  })

  it.each(['2024-02-29', '2026-12-31'])('%s is one, there and back', (date) => {
    expect(dateOf(dayOf(date))).toBe(date)
  })
})
