import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { watchEffect } from 'vue'

export const THEMES = ['as the device', 'light', 'dark'] as const
const chosen = useLocalStorage<(typeof THEMES)[number]>('peen.theme', 'as the device')

/** Keeps the page's theme class in step with the choice; called once by the application. */
export function applyTheme(): void {
  const devicePrefersDark = usePreferredDark()
  watchEffect(() =>
    document.documentElement.classList.toggle(
      'dark',
      chosen.value === 'dark' || (chosen.value === 'as the device' && devicePrefersDark.value)
    )
  )
}

export function useTheme() {
  return chosen
}
