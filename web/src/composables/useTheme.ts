import { usePreferredDark } from '@vueuse/core'
import { computed, watchEffect } from 'vue'
import { useSettingsStore } from '../stores/settings'

/** Keeps the page's theme class in step with what the person, or else the device, wants; called once by the application. */
export function applyTheme(): void {
  const theme = useTheme()
  const devicePrefersDark = usePreferredDark()
  watchEffect(() =>
    document.documentElement.classList.toggle('dark', theme.value === 'dark' || (theme.value === 'device' && devicePrefersDark.value))
  )
}

export function useTheme() {
  const store = useSettingsStore()
  return computed(() => store.settings.theme)
}
