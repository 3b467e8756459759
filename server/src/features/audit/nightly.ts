// The trail is checked every night, and at a start where no check was made in the last day.
import type { Logger } from 'pino'
import type { Clock } from '../../clock'
import type { Database } from '../../db'
import { checkAndKeep, lastChecks } from './audit'

const HOUR_MS = 3600000
/** Chosen: a check a day, and one missed night is made up for in the morning. */
const EVERY_HOURS = 20
/** From this hour on by the wall clock of the machine, when no one is at the tables; a school that is closed at night is checked at its start. */
const NIGHT = Object.freeze({ from: 2, to: 5 })

/** Is a check due? At night once, and whenever none was made for more than a day. */
export function isDue(last: Date | null, now: Date): boolean {
  if (!last) return true
  const hours = (now.getTime() - last.getTime()) / HOUR_MS
  const atNight = now.getHours() >= NIGHT.from && now.getHours() < NIGHT.to
  return hours >= 24 || (atNight && hours >= EVERY_HOURS)
}

/** Looks every quarter of an hour whether a check is due. What is found is kept, and said in the log; `isWhole` is called where nothing was. @returns stops looking */
export function checkNightly(
  { db, clock, log }: { readonly db: Database; readonly clock: Clock; readonly log: Logger },
  isWhole: () => Promise<void> = async () => undefined
): () => void {
  const look = async () => {
    const [last] = await lastChecks(db, 1)
    if (!isDue(last ? new Date(last.at) : null, clock.real())) return
    const { whole, brokenAt, changed } = await checkAndKeep(db, clock.real())
    if (whole) await isWhole()
    else log.error({ brokenAt, changed }, 'the trail is not whole')
  }
  const safely = () => void look().catch((error: unknown) => log.error({ err: error }, 'the trail could not be checked'))
  safely()
  const timer = setInterval(safely, HOUR_MS / 4)
  timer.unref()
  return () => clearInterval(timer)
}
