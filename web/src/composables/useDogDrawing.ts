import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'

export const DRAWINGS = ['every hair', 'plain shapes'] as const
const chosen = useLocalStorage<(typeof DRAWINGS)[number]>('peen.dogs', 'every hair')

/** Dogs as filled shapes: quicker on a slow tablet, and they follow lengths as hair does. */
export const isPlainDrawing = computed(() => chosen.value === 'plain shapes')

/** How this device draws dogs. */
export function useDogDrawing() {
  return chosen
}
