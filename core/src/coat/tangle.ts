// What tangles: this dog's own time until it mats, learnt from how it came in, and the longest trim that lasts its interval.
import { CoreError, inRange } from '../error'
import { riskAfter, type TrimPart } from './pet'

/** How a dog came in once. Weeks since it was groomed, whether there were mats, and the minutes it took to get them out. */
export type CameIn = { readonly weeks: number; readonly matted: boolean; readonly minutes: number }

/** Weeks after which this dog is as likely matted as not, with what its visits leave open (95 %). */
export type MatTime = { readonly weeks: number; readonly interval: readonly [number, number]; readonly visits: number }

/** What dogs of a coat differ by before anything is known: a third up or down, as the spread of a logarithm. Chosen. */
const SPREAD = 0.35
/** Weeks that are believed at all, and how finely they are looked at. */
const GRID = Object.freeze({ low: 0.5, high: 60, points: 240 })
const NO_MINUTES = 20

/**
 * Weeks until this dog is as likely matted as not: what its coat and brushing say, corrected by how it came in. The posterior over a grid
 * of weeks, each visit seen or not seen with mats by the same curve. @param usual weeks of its coat as it is brushed, over 0
 * @throws CoreError `outOfRange`
 */
export function ownMatTime(usual: number, history: readonly CameIn[]): MatTime {
  inRange('usual', usual, GRID.low, GRID.high, 'weeks')
  for (const { weeks } of history) inRange('weeks', weeks, 0, 520, 'weeks')
  const step = Math.log(GRID.high / GRID.low) / (GRID.points - 1)
  const grid = Array.from({ length: GRID.points }, (_, i) => GRID.low * Math.exp(i * step))
  const logs = grid.map((w50) => {
    const prior = -((Math.log(w50 / usual) / SPREAD) ** 2) / 2
    return history.reduce((sum, { weeks, matted }) => {
      const risk = Math.min(1 - 1e-9, Math.max(1e-9, riskAfter(weeks, w50)))
      return sum + Math.log(matted ? risk : 1 - risk)
    }, prior)
  })
  const most = Math.max(...logs)
  const weights = logs.map((log) => Math.exp(log - most))
  const all = weights.reduce((sum, weight) => sum + weight, 0)
  const at = (share: number): number => {
    let sum = 0
    for (let i = 0; i < grid.length; i++) {
      sum += weights[i]! / all
      if (sum >= share) return grid[i]!
    }
    return grid.at(-1)!
  }
  return { weeks: at(0.5), interval: [at(0.025), at(0.975)], visits: history.length }
}

/** Minutes that getting mats out has taken on this dog when it came matted; twenty where it never did. Chosen. */
export function matMinutes(history: readonly CameIn[]): number {
  const own = history.filter(({ matted, minutes }) => matted && minutes > 0).map(({ minutes }) => minutes)
  return own.length === 0 ? NO_MINUTES : own.reduce((sum, minutes) => sum + minutes, 0) / own.length
}

/** Hair so long mats in the usual time; chosen, the legs of a pet trim. mm */
const USUAL_MM = 30
/** Hair this short does not mat. Chosen. mm */
const TOO_SHORT_MM = 6

/** How much longer shorter hair holds: with the root of its length. Chosen; null where it does not mat at all. */
export function lastsAt(w50: number, longestMm: number): number | null {
  return longestMm <= TOO_SHORT_MM ? null : w50 * Math.sqrt(USUAL_MM / longestMm)
}

export type Rung = {
  /** no place of the trim is left longer, mm */
  readonly capMm: number
  /** weeks until it is as likely matted as not, or grown out; one decimal */
  readonly lastsWeeks: number
  readonly ends: 'mats' | 'grownOut'
  /** chance of mats at the interval asked for, 0..1 */
  readonly risk01: number
  /** minutes of getting mats out to expect at each visit */
  readonly minutes: number
  readonly survives: boolean
}
export type Ladder = { readonly rungs: readonly Rung[]; /** the longest that lasts; null where none does */ readonly best: Rung | null }

/**
 * The same trim, ever shorter: at each length how long it lasts and what it costs in minutes. A trim lasts as long as it is rather not
 * matted than matted, and no place is grown out.
 * @param parts places of the trim; each is cut to its own length or the cap, whichever is shorter @param caps lengths tools leave, mm
 * @param weeks between visits, 1 to 52
 * @throws CoreError `tooFew` where there is no length, `outOfRange`
 */
export function tangleLadder(
  {
    parts,
    caps,
    mats,
    minutes
  }: { readonly parts: readonly TrimPart[]; readonly caps: readonly number[]; readonly mats: MatTime; readonly minutes: number },
  weeks: number,
  mmPerDay: number
): Ladder {
  inRange('weeks', weeks, 1, 52, 'weeks')
  if (parts.length === 0) throw new CoreError({ code: 'tooFew', path: 'parts', got: 0, limit: '1 or more' })
  const own = Math.max(...parts.map(({ targetMm }) => targetMm))
  const rungs = [...new Set([own, ...caps.filter((mm) => mm < own)])].sort((a, b) => b - a).map((capMm) => rungOf(capMm))
  return { rungs, best: rungs.find(({ survives }) => survives) ?? null }

  function rungOf(capMm: number): Rung {
    const w50 = lastsAt(mats.weeks, capMm)
    // what is cut shorter has longer until it is grown out
    const out = Math.min(...parts.map(({ targetMm, grownOutMm }) => (grownOutMm - Math.min(targetMm, capMm)) / mmPerDay / 7))
    const risk01 = w50 === null ? 0 : riskAfter(weeks, w50)
    const lasts = Math.min(out, w50 ?? Infinity)
    return {
      ...{ capMm, lastsWeeks: Math.round(10 * lasts) / 10, ends: w50 !== null && w50 < out ? 'mats' : 'grownOut' },
      ...{ risk01, minutes: Math.round(risk01 * minutes), survives: lasts >= weeks }
    }
  }
}
