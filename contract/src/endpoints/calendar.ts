// The school's calendar, days off, and the calendars of others.
import type { Opening } from '@peen/core/day'
import type { BusyTaken, CalendarView, CoatPlan, FeedMade, FeedRow, OffView } from '../calendar/calendar'
import type { SupplyView } from '../calendar/supply'
import { ALL, ANYONE, get, LEAD, post, put, STAFF } from './endpoint'

export const calendarEndpoints = {
  calendar: get('/calendar/:from/:to', ALL, 'What is planned from one day to another; an apprentice sees their own.'),
  supply: get('/supply', STAFF, 'What a cohort still needs of a certificate by a day, and which visits to ask for.', {
    query: ['cohort', 'by', 'certificate']
  }),
  weekPlan: get('/calendar-week/:on', STAFF, 'The plan of a week on paper.', { gives: 'pdf' }),
  keepOpening: put('/school/opening', LEAD, 'Says on which weekdays the school is open, and from when to when.'),
  addOff: post('/days-off', STAFF, 'Says when the school is closed, or a dog or a person is away.'),
  removeOff: post('/days-off/:id/remove', STAFF, 'Removes days off.'),
  takeBusyIn: post('/days-off/:about/:id/file', STAFF, 'Reads from a calendar file when a dog or a person is away.', {
    reads: 'calendar',
    problems: ['notACalendar']
  }),
  keptPlan: get('/coats/:id/plan', STAFF, 'The sessions that are kept for a coat, and what has moved since.'),
  keepPlan: put('/coats/:id/plan', STAFF, 'Keeps the sessions that the coat needs for its date.', { problems: ['noPlan'] }),
  dropPlan: post('/coats/:id/plan/drop', STAFF, 'Drops the sessions that were kept for a coat.'),
  calendarFile: get('/calendar-file', ALL, 'The calendar as a file for any other calendar.', { gives: 'calendar' }),
  feeds: get('/feeds', ALL, 'Addresses by which your calendar is read elsewhere.'),
  makeFeed: post('/feeds', ALL, 'Makes an address by which your calendar is read elsewhere; it is told once.', {
    needs: 'password',
    problems: ['tooMany']
  }),
  withdrawFeed: post('/feeds/:id/withdraw', ALL, 'Ends an address at once.'),
  feed: get('/feed/:feed/:secret', ANYONE, 'A calendar by its address.', { gives: 'calendar', problems: ['tooManyTries', 'linkEnded'] })
}

export type CalendarReplies = {
  readonly calendar: CalendarView
  readonly supply: SupplyView
  readonly weekPlan: never
  readonly keepOpening: Opening
  readonly addOff: readonly OffView[]
  readonly removeOff: readonly OffView[]
  readonly takeBusyIn: BusyTaken
  readonly keptPlan: CoatPlan
  readonly keepPlan: CoatPlan
  readonly dropPlan: CoatPlan
  readonly calendarFile: never
  readonly feeds: readonly FeedRow[]
  readonly makeFeed: FeedMade
  readonly withdrawFeed: readonly FeedRow[]
  readonly feed: never
}
