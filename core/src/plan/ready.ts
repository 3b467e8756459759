// When hair must be pulled so that it stands right on a day: sprouting, then growth, with what this dog's rate leaves open.
import { RATE_LIMITS, type Growth } from '../coat'
import { inRange } from '../error'
import { normalCdf } from '../stats'

/** A place is counted as ready on time at this chance. Chosen by the school's plan: nine times in ten. */
export const READY_CHANCE = 0.9
/** Farther than this from the day nothing is planned: hair has long stopped growing, days. */
const MOST_DAYS = 3660

export type Hair = {
  readonly growth: Pick<Growth, 'mmPerDay' | 'u'>
  /** days from the pull until hair shows */
  readonly sproutDays: number
  /** where hair stops growing by itself, mm */
  readonly terminalMm: number
}

/**
 * The chance that hair pulled so many days before is at least so long, 0..1: its rate is normal about the dog's, cut off where rates are
 * not believed (`RATE_LIMITS`). @param mm 0 to 400 @param days since the pull, 0 to 3660
 * @throws CoreError `outOfRange`
 */
export function chanceReady(mm: number, days: number, { growth, sproutDays, terminalMm }: Hair): number {
  inRange('mm', mm, 0, 400, 'mm')
  const grown = inRange('days', days, 0, MOST_DAYS, 'days') - sproutDays
  if (mm > terminalMm) return 0
  if (grown <= 0) return mm === 0 && grown === 0 ? 1 : 0
  const least = mm / grown
  const below = (rate: number) => normalCdf((Math.min(RATE_LIMITS.high, Math.max(RATE_LIMITS.low, rate)) - growth.mmPerDay) / growth.u)
  const [all, short] = [below(RATE_LIMITS.high) - below(RATE_LIMITS.low), below(least) - below(RATE_LIMITS.low)]
  return 1 - short / all
}

/** The fewest days between the pull and the day at which hair is so long at the chance asked for; null where it never gets so long. */
export function daysNeeded(mm: number, hair: Hair, chance01 = READY_CHANCE): number | null {
  inRange('chance01', chance01, 0.5, 0.999)
  let [short, enough] = [hair.sproutDays, MOST_DAYS]
  if (chanceReady(mm, enough, hair) < chance01) return null
  // the chance never falls with the days: halved until one day is left
  while (enough - short > 1) {
    const middle = Math.floor((short + enough) / 2)
    if (chanceReady(mm, middle, hair) >= chance01) enough = middle
    else short = middle
  }
  return enough
}

/** How long hair pulled so many days before is at least, at the chance asked for, mm; 0 while it sprouts. */
export function surelyMm(days: number, hair: Hair, chance01 = READY_CHANCE): number {
  inRange('days', days, 0, MOST_DAYS, 'days')
  let [sure, most] = [0, hair.terminalMm]
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (sure + most) / 2
    if (chanceReady(middle, days, hair) >= chance01) sure = middle
    else most = middle
  }
  return sure
}
/** a hundredth of a millimetre of any coat */
const HALVINGS = 16
