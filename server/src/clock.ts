import { tables, type Database } from './db'

/**
 * The server's one clock. `now` is the school's time (the demo's stands still at its stored day); `real` is the wall
 * clock, for what guards the door: session ends and sign-in limits must run even while the demo's day stands still.
 */
export type Clock = {
  readonly now: () => Promise<Date>
  readonly real: () => Date
  /** today's date in the school's own zone, YYYY-MM-DD */
  readonly today: () => Promise<string>
}

export function databaseClock(db: Database): Clock {
  const row = async () => (await db.select().from(tables.school).limit(1))[0]
  const now = async () => (await row())?.demoNow ?? new Date()
  return {
    now,
    real: () => new Date(),
    today: async () => localDate(await now(), (await row())?.timeZone ?? 'UTC')
  }
}

/** A clock that stands where it is put: the demo's loader moves it through eight months. */
export function settableClock(start: Date, zone: string): Clock & { set: (to: Date) => void } {
  let at = start
  return { now: async () => at, real: () => new Date(), today: async () => localDate(at, zone), set: (to) => (at = to) }
}

export function localDate(at: Date, zone: string): string {
  return new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(at)
}
