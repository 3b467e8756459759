import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { t } from '../words'

export const DRAWINGS = [t('shell.everyHair'), t('shell.plainShapes')] as const
const chosen = useLocalStorage<(typeof DRAWINGS)[number]>('peen.dogs', t('shell.everyHair'))

/** Dogs as filled shapes: quicker on a slow tablet, and they follow lengths as hair does. */
export const isPlainDrawing = computed(() => chosen.value === 'plain shapes')

/** How this device draws dogs. */
export function useDogDrawing() {
  return chosen
}
