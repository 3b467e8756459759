import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'

/** A newer Peen that lies ready on this tablet, until it is loaded. */
export const useNewerStore = defineStore('newer', () => {
  const ready = shallowRef<(() => void) | null>(null)
  const isReady = computed(() => ready.value !== null)
  function found(load: () => void): void {
    ready.value = load
  }
  /** Loads it; nothing where there is none. */
  function load(): void {
    const run = ready.value
    ready.value = null
    run?.()
  }
  return { isReady, found, load }
})
