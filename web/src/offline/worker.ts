// The application itself on this tablet: it opens without the server, and a newer Peen waits until nothing is unsent.
import { registerSW } from 'virtual:pwa-register'
import { watch } from 'vue'
import type { Router } from 'vue-router'
import { useOutboxStore } from '../stores/outbox'
import { usePictureStore } from '../stores/pictures'
import { useReachStore } from '../stores/reach'
import { useSessionStore } from '../stores/session'
import { useNewerStore } from './newer'
import { readAhead } from './warm'

/** How often a page that stays open asks for a newer Peen, ms. */
const LOOK_MS = 30 * 60000
/** How long a screen has to itself before what may be needed is read ahead, and how often that is done again, ms. */
const AHEAD_AFTER_MS = 4000
const AHEAD_EVERY_MS = 15 * 60000

export function keepApplication(router: Router): void {
  if (!('serviceWorker' in navigator)) return
  const newer = useNewerStore()
  const pictures = usePictureStore()
  const outbox = useOutboxStore()
  const load = registerSW({
    onNeedRefresh: () => newer.found(() => void load(true)),
    onRegisteredSW: (_url, registration) => void setInterval(() => void registration?.update().catch(() => undefined), LOOK_MS)
  })
  // between two screens nothing is half typed
  router.afterEach(() => newer.loadIfClear(outbox.taps.length + pictures.kept.length))
  void navigator.serviceWorker.ready.then(keepReading)
}

function keepReading(): void {
  const session = useSessionStore()
  const reach = useReachStore()
  let timer: ReturnType<typeof setTimeout> | undefined
  async function ahead(): Promise<void> {
    const { me, school, isStaff, today } = session
    if (me && school && !session.isRecalled) {
      const name = `${me.givenName} ${me.familyName}`
      await readAhead({ name, isStaff, today, trims: school.standards }).catch(() => 0)
    }
    later(AHEAD_EVERY_MS)
  }
  function later(ms: number): void {
    clearTimeout(timer)
    timer = setTimeout(() => void ahead(), ms)
  }
  watch(
    () => [session.me?.id, reach.isLost],
    () => !reach.isLost && later(AHEAD_AFTER_MS),
    { immediate: true }
  )
}
