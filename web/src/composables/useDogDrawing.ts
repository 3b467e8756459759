import { useLocalStorage } from '@vueuse/core'

export const DRAWINGS = ['every hair', 'plain shapes'] as const
const chosen = useLocalStorage<(typeof DRAWINGS)[number]>('peen.dogs', 'every hair')

/** How this device draws dogs: a slow tablet is quicker with filled shapes, which follow lengths as hair does. */
export function useDogDrawing() {
  return chosen
}
