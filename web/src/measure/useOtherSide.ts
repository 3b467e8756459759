// The other profile of the dog beside this one: left against right.
import type { PictureMarks, PictureView } from '@peen/contract'
import { sidesCompared, sideSeen, type RegionDeparture } from '@peen/core/measure'
import { computed, type ComputedRef } from 'vue'
import type { OtherPicture, PhotoTask } from '../workers/measure.worker'
import { useLaidOver, type LayOver } from './useLaidOver'

/** A picture that is compared with this one, and how each region stood off its plan. */
export type Compared = { readonly picture: OtherPicture; readonly regions: readonly RegionDeparture[] }

/** A picture with its outline and its scale, to be compared with; null where it has not both. */
export function comparedWith(
  own: PictureMarks | undefined,
  pictures: readonly PictureView[],
  moment: OtherPicture['moment']
): Compared | null {
  const size = pictures.find(({ id }) => id === own?.pictureId)
  if (!own?.marks?.scale || own.marks.outline.length < 3 || !size) return null
  const { seen, marks, regions } = own
  return { picture: { seen, moment, marks, size: { widthPx: size.widthPx, heightPx: size.heightPx } }, regions }
}

/** The other side's profile among the pictures of this trim; null where there is none, or this is none. */
export function otherProfile(
  seen: PictureMarks['seen'],
  marks: readonly PictureMarks[],
  pictures: readonly PictureView[]
): Compared | null {
  const side = sideSeen(seen)
  if (!side) return null
  const other = marks.find((one) => one.seen === (side === 'left' ? 'right' : 'left'))
  return comparedWith(other, pictures, 'after')
}

type Own = {
  readonly seen: PictureMarks['seen']
  readonly other: () => Compared | null
  readonly regions: ComputedRef<readonly RegionDeparture[]>
  readonly over: LayOver
  readonly task: () => PhotoTask
}

export function useOtherSide({ seen, other, regions, over, task }: Own) {
  /** left less right, by region */
  const sides = computed(() => {
    const there = other()?.regions
    if (!there || regions.value.length === 0) return []
    return seen === 'left' ? sidesCompared(regions.value, there) : sidesCompared(there, regions.value)
  })
  return { sides, ...useLaidOver(() => other()?.picture ?? null, over, task) }
}
