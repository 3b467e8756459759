import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

/** Who came in by PIN says the password once before the first signature. */
export const useSayPasswordStore = defineStore('sayPassword', () => {
  const asked = shallowRef<((said: boolean) => void) | null>(null)
  /** Resolves with whether it was said. */
  function ask(): Promise<boolean> {
    asked.value?.(false)
    return new Promise((resolve) => {
      asked.value = (said) => {
        asked.value = null
        resolve(said)
      }
    })
  }
  return { asked, ask }
})
