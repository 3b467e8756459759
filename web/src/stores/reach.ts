import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import type { LostBy } from '../api/client'

/** A server that did not answer is asked again so soon, ms. */
export const ASK_AGAIN_MS = 6000

/** Whether the server answers, as every question to it tells. */
export const useReachStore = defineStore('reach', () => {
  /** since when it does not, by this tablet's clock, ms */
  const lostAt = ref<number | null>(null)
  const isLost = computed(() => lostAt.value !== null)
  const lostBy = ref<LostBy>('network')
  function told(reached: boolean, by: LostBy = 'network'): void {
    if (reached) lostAt.value = null
    else [lostAt.value, lostBy.value] = [lostAt.value ?? Date.now(), by]
  }
  /** Calls `work` from time to time while the server does not answer, when the browser loses or finds a network, and once it answers. */
  function whileLost(work: () => Promise<void>): void {
    let timer: ReturnType<typeof setTimeout> | undefined
    async function once(): Promise<void> {
      clearTimeout(timer)
      timer = undefined
      await work().catch(() => undefined)
      if (isLost.value) timer ??= setTimeout(() => void once(), ASK_AGAIN_MS)
    }
    // it may have been another question that found the server again
    watch(isLost, (lost) => (lost ? (timer ??= setTimeout(() => void once(), ASK_AGAIN_MS)) : void once()))
    useEventListener(globalThis.window, 'online', () => isLost.value && void once())
    // a tablet that is only looked at asks too; the server may well be on this very computer, and answer
    useEventListener(globalThis.window, 'offline', () => !isLost.value && void once())
  }
  return { lostAt, lostBy, isLost, told, whileLost }
})
