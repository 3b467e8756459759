// The calendar: which days a view shows, how it steps, what it says.
import type { CalendarItem, CalendarView, OffView } from '@peen/contract'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { linkOf, offIn, sayItem, sayView, spanOf, stepped } from './useCalendar'

const visit: CalendarItem = {
  ...{ kind: 'visit', id: 'v', onDate: '2026-04-14', comesAt: '09:00', minutes: 120, dogId: 'd', dog: 'Flint' },
  ...{ apprentice: 'Bram Velde', table: 1, trim: 'Bearded terrier pet pattern' }
}
const session: CalendarItem = {
  ...{ kind: 'session', id: 's', onDate: '2026-04-15', dogId: 'd', dog: 'Sedge', aim: 'Spring show' },
  ...{ how: 'all', places: ['chest', 'back'], minutes: 20 }
}

describe('the days of a view', () => {
  it('a week begins on the day that the reader chose', () => {
    expect(spanOf('week', '2026-04-14', 1)).toEqual({ from: '2026-04-13', to: '2026-04-19' })
    expect(spanOf('week', '2026-04-14', 0)).toEqual({ from: '2026-04-12', to: '2026-04-18' })
    expect(spanOf('week', '2026-04-12', 1)).toEqual({ from: '2026-04-06', to: '2026-04-12' })
  })

  it('a month is shown in whole weeks, through a leap day and the turn of the year', () => {
    expect(spanOf('month', '2026-04-14', 1)).toEqual({ from: '2026-03-30', to: '2026-05-03' })
    expect(spanOf('month', '2028-02-29', 1)).toEqual({ from: '2028-01-31', to: '2028-03-05' })
    expect(spanOf('month', '2026-12-31', 0)).toEqual({ from: '2026-11-29', to: '2027-01-02' })
  })

  it('hold their own day, and no more than the server answers at once', () => {
    const days = fc.integer({ min: 0, max: 20_000 }).map((day) => new Date(day * 86_400_000).toISOString().slice(0, 10))
    fc.assert(
      fc.property(days, fc.constantFrom('day', 'week', 'month' as const), fc.constantFrom(0, 1), (on, show, first) => {
        const { from, to } = spanOf(show, on, first as 0 | 1)
        expect(from <= on && on <= to).toBe(true)
        expect((Date.parse(to) - Date.parse(from)) / 86_400_000).toBeLessThanOrEqual(41)
        // a step on begins after this one began
        expect(stepped(show, on, 1) > on && stepped(show, on, -1) < on).toBe(true)
      })
    )
  })

  it('step to the last day of a shorter month', () => {
    expect(stepped('month', '2026-01-31', 1)).toBe('2026-02-28')
    expect(stepped('week', '2026-04-14', -1)).toBe('2026-04-07')
  })
})

describe('what a calendar says', () => {
  const view = (items: CalendarItem[], more: Partial<CalendarView> = {}) => ({
    ...{ items, overdue: [], moved: [], today: '2026-04-14', from: '2026-04-13', to: '2026-04-19', ...more }
  })
  const week = { show: 'week', on: '2026-04-14', isStaff: true } as const

  it('counts visits and sessions, by the month itself where weeks reach beyond it', () => {
    expect(sayView(view([visit, session]), week)).toBe('1 visit and 1 coat session this week.')
    expect(sayView(view([]), week)).toBe('No visits this week.')
    const month = view([visit, { ...visit, onDate: '2026-05-01' }], { from: '2026-03-30', to: '2026-05-03' })
    expect(sayView(month, { ...week, show: 'month' })).toBe('1 visit this month.')
    const later = view([visit], { from: '2026-05-04', to: '2026-05-10' })
    expect(sayView(later, { ...week, on: '2026-05-05' })).toBe('1 visit in the week of 4 May.')
  })

  it('says what is to be done to the staff alone', () => {
    const overdue = [{ dogId: 'd', dog: 'Rook', dueOn: '2026-04-06', days: 8 }]
    expect(sayView(view([], { overdue }), week)).toBe('No visits this week. 1 dog is overdue: book it in.')
    expect(sayView(view([], { overdue }), { ...week, isStaff: false })).toBe('No visits this week.')
    expect(sayView(view([], { moved: [{ dogId: 'd', dog: 'Sedge', places: 2 }] }), week)).toContain('1 coat plan has moved')
  })

  it('names each entry and leads to it', () => {
    expect([sayItem(visit), linkOf(visit)]).toEqual(['Flint, Bram', '/visits/v'])
    expect([sayItem(session), linkOf(session)]).toEqual(['Sedge: pull 2 places', '/coat/d/work-back'])
    const due: CalendarItem = { kind: 'due', id: 'd', onDate: '2026-04-20', dogId: 'd', dog: 'Rook' }
    expect([sayItem(due), linkOf(due)]).toEqual(['Rook is due back', '/coat/d/next-visit'])
  })

  it('puts days on which the school is closed first', () => {
    const off = (about: OffView['about'], fromOn: string, toOn: string): OffView => ({
      ...{ id: `${about} ${fromOn}`, about, aboutId: about === 'school' ? null : 'x', fromOn, toOn, name: '', whose: '', isFromFile: false }
    })
    const all = [off('dog', '2026-04-13', '2026-04-14'), off('school', '2026-04-19', '2026-04-25'), off('dog', '2026-05-01', '2026-05-02')]
    const span = { from: '2026-04-13', to: '2026-04-19' }
    expect(offIn(all, span).map(({ about }) => about)).toEqual(['school', 'dog'])
  })
})
