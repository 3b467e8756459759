// When a trim comes back, from its standard and its dog's book.
import { growthOf, type CoatModel, type Growth, type TrimInterval, type TrimPart } from '@peen/core/coat'
import type { RegionId } from '@peen/core/regions'
import type { Standard } from '@peen/core/standard'

/** Places of a trim with a length and the length at which they are grown out; the first criterion of each place. */
export function trimParts({ criteria }: Standard): readonly TrimPart[] {
  const found = new Map<RegionId, TrimPart>()
  for (const { region, how } of criteria)
    if (how.kind === 'length' && !found.has(region)) found.set(region, { region, targetMm: how.targetMm, grownOutMm: how.grownOutMm })
  return [...found.values()]
}

/** This dog's rate at a place; the prior where nothing is known. */
export const growthOn = (model: CoatModel, region: RegionId): Growth => model.places.get(region)?.growth ?? growthOf([])

/** Whole weeks, as they are booked: the longest is not rounded up. */
export function sayWeeks({ idealWeeks, fairWeeks, longestWeeks }: TrimInterval): { ideal: number; fair: number; longest: number } {
  const longest = Math.max(1, Math.floor(longestWeeks))
  const whole = (weeks: number) => Math.min(longest, Math.max(1, Math.round(weeks)))
  return { ideal: whole(idealWeeks), fair: whole(fairWeeks), longest }
}
