import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { useSavedStore } from '../stores/saved'

/** A newer Peen that lies ready on this tablet, until it is loaded. */
export const useNewerStore = defineStore('newer', () => {
  const saved = useSavedStore()
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
  /** Loads it where nothing is unsent; `others`: what other people have left on this tablet. */
  function loadIfClear(others: number): void {
    if (saved.isSaved && others === 0) load()
  }
  return { isReady, found, load, loadIfClear }
})
