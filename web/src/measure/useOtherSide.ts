// The other profile of the dog, laid over this one: drawn when it is asked for.
import type { PictureMarks, PictureView } from '@peen/contract'
import { sidesCompared, sideSeen, type RegionDeparture } from '@peen/core/measure'
import { plain } from './photo-task'
import { computed, ref, shallowRef, type ComputedRef } from 'vue'
import type { OtherProfile, PhotoTask } from '../workers/measure.worker'
import type { PhotoPoint } from '@peen/core/measure'

/** The other side's profile among the pictures of this trim, with its outline and scale; null where there is none, or this is none. */
export function otherProfile(
  seen: PictureMarks['seen'],
  marks: readonly PictureMarks[],
  pictures: readonly PictureView[]
): (OtherProfile & { readonly regions: readonly RegionDeparture[] }) | null {
  const side = sideSeen(seen)
  const other = marks.find((one) => one.seen === (side === 'left' ? 'right' : 'left'))
  const size = pictures.find(({ id }) => id === other?.pictureId)
  if (!side || !other?.marks?.scale || other.marks.outline.length < 3 || !size) return null
  return { seen: other.seen, marks: other.marks, size: { widthPx: size.widthPx, heightPx: size.heightPx }, regions: other.regions }
}

type Own = {
  readonly seen: PictureMarks['seen']
  readonly other: ReturnType<typeof otherProfile>
  readonly regions: ComputedRef<readonly RegionDeparture[]>
  readonly over: (task: PhotoTask, other: OtherProfile) => Promise<readonly PhotoPoint[]>
  readonly task: () => PhotoTask
}

export function useOtherSide({ seen, other, regions, over, task }: Own) {
  const shown = ref(false)
  const outline = shallowRef<readonly PhotoPoint[]>([])
  /** left less right, by region */
  const sides = computed(() => {
    if (!other || regions.value.length === 0) return []
    return seen === 'left' ? sidesCompared(regions.value, other.regions) : sidesCompared(other.regions, regions.value)
  })
  async function show(on: boolean): Promise<void> {
    shown.value = on
    outline.value = []
    if (!on || !other) return
    const { regions: _, ...profile } = other
    outline.value = await over(task(), plain(profile)).catch(() => [])
  }
  return { sides, shown, outline, show }
}
