// Which backups are kept: one a day for a week, one a week for five, one a month for a year; before migrations the last three.
import { formatISO, getISOWeek, getISOWeekYear } from 'date-fns'

/** Chosen: grandfather, father, son, as is common practice. */
const KEPT = Object.freeze({ days: 7, weeks: 5, months: 12, beforeMigrations: 3 })

export const WHY = ['daily', 'byHand', 'beforeMigration', 'beforeRestore'] as const
export type Why = (typeof WHY)[number]
export type Kept = { readonly file: string; readonly at: Date; readonly why: Why }

/** The files that may go. What a person asked for stays until they take it away themselves. */
export function mayGo(all: readonly Kept[]): readonly string[] {
  const newestFirst = [...all].sort((a, b) => b.at.getTime() - a.at.getTime())
  const daily = newestFirst.filter(({ why }) => why === 'daily')
  const kept = new Set<Kept>([
    ...firstOfEach(daily, ({ at }) => formatISO(at, { representation: 'date' })).slice(0, KEPT.days),
    ...firstOfEach(daily, ({ at }) => `${getISOWeekYear(at)}-${getISOWeek(at)}`).slice(0, KEPT.weeks),
    ...firstOfEach(daily, ({ at }) => formatISO(at, { representation: 'date' }).slice(0, 7)).slice(0, KEPT.months),
    ...newestFirst.filter(({ why }) => why === 'beforeMigration').slice(0, KEPT.beforeMigrations),
    ...newestFirst.filter(({ why }) => why === 'byHand' || why === 'beforeRestore')
  ])
  return newestFirst.filter((one) => !kept.has(one)).map(({ file }) => file)
}

function firstOfEach(list: readonly Kept[], nameOf: (one: Kept) => string): Kept[] {
  const seen = new Set<string>()
  return list.filter((one) => {
    const isNew = !seen.has(nameOf(one))
    seen.add(nameOf(one))
    return isNew
  })
}
