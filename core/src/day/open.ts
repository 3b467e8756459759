// On which days a school works, and on which a dog or a person is free.
import { CoreError, inRange } from '../error'

/** Weekdays by their ISO number, 1 Monday to 7 Sunday; hours of the school's own clock, HH:MM. */
export type Opening = { readonly weekdays: readonly number[]; readonly from: string; readonly until: string }

/** Where no one has said otherwise: every day, nine to five. Chosen. */
export const USUAL_OPENING: Opening = Object.freeze({ weekdays: Object.freeze([1, 2, 3, 4, 5, 6, 7]), from: '09:00', until: '17:00' })

/** Days off, both ends among them, YYYY-MM-DD. */
export type Off = { readonly fromOn: string; readonly toOn: string }

const DAY_MS = 86_400_000
/** Farther than this no day is looked for, days: ten years with their leap days. */
const MOST_DAYS = 3653

/** So many days after a date, or before it, YYYY-MM-DD. */
export const shiftDay = (on: string, days: number): string => new Date(Date.parse(on) + days * DAY_MS).toISOString().slice(0, 10)

/** The ISO weekday of a date, 1 Monday to 7 Sunday. Source: ISO 8601. */
export const weekdayOf = (on: string): number => ((new Date(on).getUTCDay() + 6) % 7) + 1

/** Whether work can be done on a day: the school is open on that weekday, and no days off hold it. */
export function isOpenOn(on: string, { weekdays }: Pick<Opening, 'weekdays'>, off: readonly Off[]): boolean {
  return weekdays.includes(weekdayOf(on)) && !off.some(({ fromOn, toOn }) => fromOn <= on && on <= toOn)
}

/**
 * The open days from one date to another, both among them, YYYY-MM-DD.
 * @throws CoreError `outOfRange` where the second is before the first, or more than ten years after it
 */
export function openDays(from: string, to: string, opening: Pick<Opening, 'weekdays'>, off: readonly Off[]): readonly string[] {
  const [first, last] = [Date.parse(from) / DAY_MS, Date.parse(to) / DAY_MS]
  inRange('to', last - first, 0, MOST_DAYS, 'days after the first')
  return Array.from({ length: last - first + 1 }, (_, i) => shiftDay(from, i)).filter((on) => isOpenOn(on, opening, off))
}

/**
 * The open day nearest to a wanted one: that day, else the next one, else the one before; none before `earliest`. Null where there is none
 * within four weeks on either side.
 * @throws CoreError `outOfRange` where the wanted day is before the earliest
 */
export function nearestOpen(wanted: string, earliest: string, opening: Pick<Opening, 'weekdays'>, off: readonly Off[]): string | null {
  if (wanted < earliest) throw new CoreError({ code: 'outOfRange', path: 'wanted', got: wanted, limit: `${earliest} or later` })
  for (let away = 0; away <= NEAR_DAYS; away++)
    for (const on of [shiftDay(wanted, away), shiftDay(wanted, -away)]) if (on >= earliest && isOpenOn(on, opening, off)) return on
  return null
}
/** Farther from the wanted day it is another interval. Chosen. */
const NEAR_DAYS = 28
