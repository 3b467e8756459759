// The clipped coat: how long it will be, when it is grown out or matted, and which blade now so that it is still right then.
import type { Choice, CoatType } from '../advice'
import { inRange } from '../error'
import type { RegionId } from '../regions'
import type { Standard } from '../standard'
import type { Growth } from './growth'

/** What is brushed at home. */
export const BRUSHING = ['never', 'weekly', 'often', 'daily'] as const
export type Brushing = (typeof BRUSHING)[number]
/** So many times as long until it mats. Chosen. */
const BRUSHED: Readonly<Record<Brushing, number>> = Object.freeze({ never: 1, weekly: 1.5, often: 2, daily: 3 })

/**
 * Weeks after which an unbrushed coat is as likely matted as not. Curly by common practice (six weeks are the longest without brushing at
 * home, no published source); the others are chosen beside it by how easily they felt.
 */
export const MAT_WEEKS: Readonly<Record<CoatType, number>> = Object.freeze({ curly: 6, drop: 5, mixed: 6, double: 8, wire: 10, smooth: 12 })

/**
 * How likely mats are, 0..1: 1 - 2^-(w/w50)^2, slow at first and certain in the end. The shape is chosen.
 * @param weeks since the last groom, 0 to 104
 */
export function matRisk(coat: CoatType, weeks: number, brushing: Brushing): number {
  return riskAfter(inRange('weeks', weeks, 0, 104, 'weeks'), matWeeks(coat, brushing))
}

/** The same by the weeks after which it is as likely as not. */
export const riskAfter = (weeks: number, w50: number): number => 1 - 2 ** -((weeks / w50) ** 2)

/** Weeks after which mats are as likely as not. */
export function matWeeks(coat: CoatType, brushing: Brushing): number {
  return MAT_WEEKS[coat] * BRUSHED[brushing]
}

/** A place of the trim: as it is cut, and the length at which the trim is no longer itself. */
export type TrimPart = { readonly region: RegionId; readonly targetMm: number; readonly grownOutMm: number }

/** Places of a trim with a length and the length at which they are grown out; the first criterion of each place. */
export function trimParts({ criteria }: Pick<Standard, 'criteria'>): readonly TrimPart[] {
  const found = new Map<RegionId, TrimPart>()
  for (const { region, how } of criteria)
    if (how.kind === 'length' && !found.has(region)) found.set(region, { region, targetMm: how.targetMm, grownOutMm: how.grownOutMm })
  return [...found.values()]
}

export type LengthThen = {
  readonly region: RegionId
  readonly nowMm: number
  readonly thenMm: number
  readonly interval: readonly [number, number]
  readonly isGrownOut: boolean
}

/** Lengths at the next visit, with what the dog's rate leaves open (95 %). */
export function lengthsThen(parts: readonly TrimPart[], weeks: number, growthOf: (region: RegionId) => Growth): readonly LengthThen[] {
  const days = 7 * inRange('weeks', weeks, 0, 104, 'weeks')
  return parts.map(({ region, targetMm, grownOutMm }) => {
    const { mmPerDay, interval } = growthOf(region)
    const thenMm = targetMm + days * mmPerDay
    return {
      region,
      nowMm: targetMm,
      thenMm,
      interval: [targetMm + days * interval[0], targetMm + days * interval[1]],
      isGrownOut: thenMm > grownOutMm
    }
  })
}

export type TrimInterval = {
  /** half of the way to grown out, and two thirds of it; weeks, one decimal */
  readonly idealWeeks: number
  readonly fairWeeks: number
  /** grown out, or as likely matted as not */
  readonly longestWeeks: number
  /** the place that is grown out first */
  readonly first: RegionId
  readonly ends: 'grownOut' | 'mats'
  /** of the longest, from the dog's rate (95 %) */
  readonly interval: readonly [number, number]
}
/** Chosen so that a companion trim of 16 mm at 0.3 mm a day comes to the trade's 4 ideal, 5 fair, 6 the longest (common practice). */
export const INTERVAL_SHARES = Object.freeze({ ideal: 0.5, fair: 2 / 3 })

/** When a trim should come back: before its first place is grown out, and before it mats. Null for a trim without lengths. */
export function trimInterval(
  parts: readonly TrimPart[],
  coat: CoatType,
  brushing: Brushing,
  growthOf: (region: RegionId) => Growth
): TrimInterval | null {
  if (parts.length === 0) return null
  const weeks = ({ targetMm, grownOutMm }: TrimPart, mmPerDay: number) => (grownOutMm - targetMm) / mmPerDay / 7
  const out = parts.map((part) => ({ part, weeks: weeks(part, growthOf(part.region).mmPerDay) }))
  const first = out.reduce((a, b) => (b.weeks < a.weeks ? b : a))
  const mats = matWeeks(coat, brushing)
  const { interval } = growthOf(first.part.region)
  const longest = Math.min(first.weeks, mats)
  const tenth = (value: number) => Math.round(value * 10) / 10
  return {
    idealWeeks: tenth(Math.min(first.weeks * INTERVAL_SHARES.ideal, longest)),
    fairWeeks: tenth(Math.min(first.weeks * INTERVAL_SHARES.fair, longest)),
    longestWeeks: tenth(longest),
    first: first.part.region,
    ends: first.weeks <= mats ? 'grownOut' : 'mats',
    interval: [tenth(Math.min(mats, weeks(first.part, interval[1]))), tenth(Math.min(mats, weeks(first.part, interval[0])))]
  }
}

/**
 * The longest tool, no longer than the trim, whose length is still inside the grown-out length after so many weeks; null where even the
 * closest allowed one is not: the dog must come earlier. @param choices allowed at this place, with the length each leaves
 */
export function bladeNow(
  part: TrimPart,
  weeks: number,
  growth: Growth,
  choices: readonly Choice[]
): { readonly choice: Choice; readonly thenMm: number } | null {
  const grown = 7 * inRange('weeks', weeks, 0, 104, 'weeks') * growth.mmPerDay
  // a comb or blade leaves its length within a few tenths: what the trim names may be missed by as much
  const fits = choices.filter(
    ({ lengthMm }) => lengthMm !== null && lengthMm <= part.targetMm + CLOSE_MM && lengthMm + grown <= part.grownOutMm
  )
  const longest = fits.reduce<Choice | null>((best, one) => (best === null || one.lengthMm! > best.lengthMm! ? one : best), null)
  return longest ? { choice: longest, thenMm: longest.lengthMm! + grown } : null
}
/** Common practice: makers' tables differ by a few tenths. */
const CLOSE_MM = 0.35
