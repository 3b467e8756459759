import { max } from 'drizzle-orm'
import { tables, type Database } from './db'

/**
 * The server's one clock. `now` is the school's time (the demo's own day, which runs on while it is open); `real` is the
 * wall clock, for what guards the door: visit ends and sign-in limits know no demo.
 */
export type Clock = {
  readonly now: () => Promise<Date>
  readonly real: () => Date
  /** today's date in the school's own zone, YYYY-MM-DD */
  readonly today: () => Promise<string>
  /** both at once: the moment in ISO 8601, and its date in the school's zone */
  readonly moment: () => Promise<{ readonly now: string; readonly today: string }>
  /** false where `now` stands until somebody moves it: a tablet then shows it standing */
  readonly runs: () => Promise<boolean>
}

/** The demo's day runs this long at the most, ms: it never becomes the next day, so that there is always a full room. */
const DEMO_RUNS_MS = 6 * 3600000

/**
 * The clock of a school. A demo begins at its stored moment and runs on while it is served; `demoStands` keeps it
 * there, for tests and pictures. A stored moment that somebody sets anew counts from then.
 */
export function databaseClock(db: Database, demoStands = false): Clock {
  let began: { readonly from: number; readonly at: number } | null = null
  const { demoNow, timeZone } = tables.school
  const row = async () => (await db.select({ demoNow, timeZone }).from(tables.school).limit(1))[0]
  const timeOf = (school: Awaited<ReturnType<typeof row>> | undefined): Date => {
    const from = school?.demoNow?.getTime()
    if (from === undefined) return new Date()
    if (began?.from !== from) began = { from, at: Date.now() }
    return new Date(from + (demoStands ? 0 : Math.min(DEMO_RUNS_MS, Date.now() - began.at)))
  }
  const moment = async () => {
    const school = await row()
    const now = timeOf(school)
    return { now: now.toISOString(), today: localDate(now, school?.timeZone ?? 'UTC') }
  }
  return {
    now: async () => timeOf(await row()),
    real: () => new Date(),
    today: async () => (await moment()).today,
    moment,
    runs: async () => !(demoStands && (await row())?.demoNow)
  }
}

/** Winds a demo's stored moment on to what was recorded last, so that it goes on from there after it was closed. */
export async function windDemo(db: Database): Promise<void> {
  const [school] = await db.select({ demoNow: tables.school.demoNow }).from(tables.school).limit(1)
  if (!school?.demoNow) return
  const [{ last }] = await db.select({ last: max(tables.events.receivedAt) }).from(tables.events)
  if (last && last > school.demoNow) await db.update(tables.school).set({ demoNow: last })
}

export type SettableClock = Clock & { readonly set: (to: Date) => void; readonly setReal: (to: Date | null) => void }

/** A clock that stands where it is put: the demo's loader moves it through eight months. */
export function settableClock(start: Date, zone: string): SettableClock {
  let at = start
  let wall: Date | null = null
  return {
    now: async () => at,
    real: () => wall ?? new Date(),
    today: async () => localDate(at, zone),
    moment: async () => ({ now: at.toISOString(), today: localDate(at, zone) }),
    runs: async () => false,
    set: (to) => (at = to),
    setReal: (to) => (wall = to)
  }
}

/** The formats of the zones that were asked for: making one costs more than all else that a date needs. */
const formats = new Map<string, Intl.DateTimeFormat>()

/** The date of a moment in a zone, YYYY-MM-DD. */
export function localDate(at: Date, zone: string): string {
  const options = { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' } as const
  const format = formats.get(zone) ?? new Intl.DateTimeFormat('en-CA', options)
  formats.set(zone, format)
  return format.format(at)
}
