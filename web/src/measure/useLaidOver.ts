// Another picture's outline, laid over this one's while it is asked for.
import type { PhotoPoint } from '@peen/core/measure'
import { ref, shallowRef } from 'vue'
import type { OtherPicture, PhotoTask } from '../workers/measure.worker'
import { plain } from './photo-task'

export type LayOver = (task: PhotoTask, other: OtherPicture) => Promise<readonly PhotoPoint[]>

export function useLaidOver(other: () => OtherPicture | null, over: LayOver, task: () => PhotoTask) {
  const shown = ref(false)
  const outline = shallowRef<readonly PhotoPoint[]>([])
  async function show(on: boolean): Promise<void> {
    shown.value = on
    outline.value = []
    const picture = other()
    if (!on || !picture) return
    outline.value = await over(task(), plain(picture)).catch(() => [])
  }
  return { shown, outline, show }
}
