// The dog as it came in beside the dog as it leaves: what came off, seen from one of the two pictures.
import type { PictureMarks, PictureView } from '@peen/contract'
import { cutOff, sideSeen, type RegionDeparture, type Seen } from '@peen/core/measure'
import { computed, type ComputedRef } from 'vue'
import type { OtherPicture, PhotoTask } from '../workers/measure.worker'
import { comparedWith, type Compared } from './useOtherSide'
import { useLaidOver, type LayOver } from './useLaidOver'

export type Moment = OtherPicture['moment']

/** From where a coat's length is told: heads and profiles. */
export const tellsCutOff = (seen: Seen): boolean => seen === 'head' || sideSeen(seen) !== null

/** The picture of the other moment from the same side, as it was measured. */
export function otherMoment(
  seen: Seen,
  moment: Moment,
  page: { readonly marks: readonly PictureMarks[]; readonly before: readonly PictureMarks[]; readonly pictures: readonly PictureView[] }
): Compared | null {
  if (!tellsCutOff(seen)) return null
  const [other, of] = moment === 'after' ? (['before', page.before] as const) : (['after', page.marks] as const)
  return comparedWith(
    of.find((one) => one.seen === seen),
    page.pictures,
    other
  )
}

type Own = {
  readonly seen: Seen
  readonly moment: Moment
  readonly other: () => Compared | null
  readonly regions: ComputedRef<readonly RegionDeparture[]>
  readonly over: LayOver
  readonly task: () => PhotoTask
}

export function useBeforeAfter({ seen, moment, other, regions, over, task }: Own) {
  /** what came off, by region, the most first */
  const rows = computed(() => {
    const there = other()?.regions
    if (!there) return []
    const [before, after] = moment === 'before' ? [regions.value, there] : [there, regions.value]
    return [...cutOff(before, after, seen)].sort((a, b) => b.mm - a.mm)
  })
  const hasOther = computed(() => other() !== null)
  return { rows, hasOther, ...useLaidOver(() => other()?.picture ?? null, over, task) }
}
