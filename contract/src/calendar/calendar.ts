// The school's calendar: when it is open, who is away, what is planned, and the addresses by which other calendars read it.
import type { Opening } from '@peen/core/day'
import type { Moved, SessionBack } from '@peen/core/plan'
import { chosen, clockTime, date, named, words } from '../shape/fields'
import { array, number, object, uuid } from '../shape/yup'

/** The longest stretch of a calendar that is asked for at once, days: six weeks of a month and then some. */
export const MOST_CALENDAR_DAYS = 62
/** The farthest day that visits are asked for, days. Chosen: two years. */
export const MOST_AHEAD_DAYS = 731
/** The longest time off in one line, days. */
export const MOST_OFF_DAYS = 366

export const openingSchema = object({
  weekdays: array()
    .of(number().integer().min(1).max(7).required())
    .required('Choose the days on which the school is open.')
    .min(1, 'Choose at least one day on which the school is open.')
    .max(7),
  from: clockTime('Opens at').required('Opens at is missing.'),
  until: clockTime('Closes at').required('Closes at is missing.')
})
  .noUnknown()
  .test('order', 'Closes at must be later than Opens at.', ({ from, until }) => !from || !until || from < until)

export const OFF_ABOUT = ['school', 'dog', 'person'] as const
export type OffAbout = (typeof OFF_ABOUT)[number]
export const newOffSchema = object({
  id: uuid().required(),
  about: chosen('Who is off', OFF_ABOUT),
  /** null for the school */
  aboutId: uuid().nullable().defined(),
  fromOn: date('First day').required('First day is missing.'),
  toOn: date('Last day').required('Last day is missing.'),
  /** of the school's days only: what is kept of a person's or an owner's plans is the days */
  name: words('Name', 60)
}).noUnknown()
export type NewOff = {
  readonly id: string
  readonly about: OffAbout
  readonly aboutId: string | null
  readonly fromOn: string
  readonly toOn: string
  readonly name: string
}
/** Days off as they are shown: the school's by their name, a dog's and a person's by whose they are. */
export type OffView = NewOff & { readonly whose: string; readonly isFromFile: boolean }

/** What a calendar file came to. */
export type BusyTaken = {
  readonly days: number
  readonly stretches: number
  /** what was left out or cut short, in sentences */
  readonly notes: readonly string[]
}

/** The plan that is kept for a coat, and what has moved since. Days as numbers since 1970. */
export type KeptPlan = {
  readonly aimOn: string
  readonly keptOn: string
  readonly keptBy: string
  readonly sessions: readonly SessionBack[]
  readonly moved: readonly Moved[]
}

/** The plan of a coat; null where none is kept. */
export type CoatPlan = { readonly plan: KeptPlan | null }

export type CalendarVisit = {
  readonly kind: 'visit'
  readonly id: string
  readonly onDate: string
  /** by the school's clock; null where none was agreed */
  readonly comesAt: string | null
  readonly minutes: number
  readonly dogId: string
  readonly dog: string
  readonly apprentice: string
  readonly table: number
  readonly trim: string
}
export type CalendarSession = Omit<SessionBack, 'day'> & {
  readonly kind: 'session'
  readonly id: string
  readonly onDate: string
  readonly dogId: string
  readonly dog: string
  readonly aim: string
}
export type CalendarItem =
  | CalendarVisit
  | CalendarSession
  /** a dog whose trim comes back, and that is not booked in */
  | { readonly kind: 'due'; readonly id: string; readonly onDate: string; readonly dogId: string; readonly dog: string }
  /** the day that a coat is kept for */
  | {
      readonly kind: 'aim'
      readonly id: string
      readonly onDate: string
      readonly dogId: string
      readonly dog: string
      readonly aim: string
    }
  | { readonly kind: 'assessmentDay'; readonly id: string; readonly onDate: string }
  | {
      readonly kind: 'expires'
      readonly id: string
      readonly onDate: string
      readonly findingId: string
      readonly apprentice: string
      readonly certificate: string
    }

/** A stretch of days, both ends among them. */
export type CalendarView = {
  readonly from: string
  readonly to: string
  readonly today: string
  readonly opening: Opening
  readonly off: readonly OffView[]
  readonly items: readonly CalendarItem[]
  /** plans of coats whose days have moved since they were kept; none for an apprentice */
  readonly moved: readonly { readonly dogId: string; readonly dog: string; readonly places: number }[]
  /** dogs that should have come back by today and are not booked in, the longest overdue first; none for an apprentice */
  readonly overdue: readonly { readonly dogId: string; readonly dog: string; readonly dueOn: string; readonly days: number }[]
  /** whose days off may be written; none for an apprentice */
  readonly people: readonly { readonly id: string; readonly name: string }[]
  readonly dogs: readonly { readonly id: string; readonly name: string }[]
}

export const newFeedSchema = object({ id: uuid().required(), name: named('Where it is read', 60) }).noUnknown()
export type NewFeed = { readonly id: string; readonly name: string }
export type FeedRow = {
  readonly id: string
  readonly name: string
  readonly madeOn: string
  readonly lastReadAt: string | null
  readonly withdrawn: boolean
}
/** The address is told once: only the hash of its secret is kept. */
export type FeedMade = { readonly path: string; readonly feeds: readonly FeedRow[] }
