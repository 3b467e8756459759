import { format, parseISO } from 'date-fns'
import { CoreError } from '../error'

const DAY_MS = 86400000

/** Days that were asked for: a coat book names the same few hundred over and over. */
const known = new Map<string, number>()
const MOST_KNOWN = 20000

/** A plain date as whole days since 1970-01-01. @throws CoreError `notADate` */
export function dayOf(date: string): number {
  const before = known.get(date)
  if (before !== undefined) return before
  const day = countedDay(date)
  if (known.size >= MOST_KNOWN) known.clear()
  known.set(date, day)
  return day
}

function countedDay(date: string): number {
  const ms = /^\d{4}-\d{2}-\d{2}$/.test(date) ? Date.parse(`${date}T00:00:00Z`) : NaN
  if (!Number.isFinite(ms) || dateOf(Math.round(ms / DAY_MS)) !== date)
    throw new CoreError({ code: 'notADate', path: 'date', got: date, limit: 'a date such as 2026-04-14' })
  return Math.round(ms / DAY_MS)
}

/** The plain date of a day number. */
export function dateOf(day: number): string {
  return new Date(day * DAY_MS).toISOString().slice(0, 10)
}

/** "21 April": a day near the one that is spoken of. */
export function sayDay(day: number): string {
  return format(parseISO(dateOf(day)), 'd MMMM')
}

/** "24 Dec 2021": a day of any year. */
export function sayFullDate(date: string): string {
  return format(parseISO(date), 'd MMM yyyy')
}
