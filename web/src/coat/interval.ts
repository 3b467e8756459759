// When a trim comes back, in the words of who books it.
import { growthOf, type CoatModel, type Growth, type TrimInterval } from '@peen/core/coat'
import type { RegionId } from '@peen/core/regions'

/** This dog's rate at a place; the prior where nothing is known. */
export const growthOn = (model: CoatModel, region: RegionId): Growth => model.places.get(region)?.growth ?? growthOf([])

/** Whole weeks, as they are booked: the longest is not rounded up. */
export function sayWeeks({ idealWeeks, fairWeeks, longestWeeks }: TrimInterval): { ideal: number; fair: number; longest: number } {
  const longest = Math.max(1, Math.floor(longestWeeks))
  const whole = (weeks: number) => Math.min(longest, Math.max(1, Math.round(weeks)))
  return { ideal: whole(idealWeeks), fair: whole(fairWeeks), longest }
}
