import { useIntervalFn } from '@vueuse/core'
import { ref, watch, type Ref } from 'vue'
import { useSessionStore } from '../stores/session'

/** How often minutes on a screen are counted again, ms. */
const TICK_MS = 5000

/** The school's time, ISO, counted on while a screen is open. */
export function useNow(): Readonly<Ref<string>> {
  const session = useSessionStore()
  const now = ref(session.time())
  const tick = () => (now.value = session.time())
  useIntervalFn(tick, TICK_MS)
  watch(() => session.school?.now, tick)
  return now
}
