import type { PracticeEvent } from '@peen/core/practice'
import { useBroadcastChannel, useLocalStorage } from '@vueuse/core'
import { shallowRef, watch } from 'vue'
import { inTodaysWords, keptInBrowser, keptInPage, type Kept, type KeptTap } from './kept'

/** The taps that are kept in this browser, as they are now in every tab of it. `failed` hears why one could not be kept. */
export function useKept(failed: (error: unknown) => void) {
  const taps = shallowRef<readonly KeptTap[]>([])
  const kept: Promise<Kept> = open()
  let last: Promise<unknown> = kept
  const tabs = useBroadcastChannel<string, string>({ name: 'peen.outbox' })
  watch(tabs.data, () => void look())

  /** The browser's own database with what an older Peen left here; this page alone where there is none. */
  async function open(): Promise<Kept> {
    const found = await keptInBrowser().catch(() => keptInPage())
    const left = useLocalStorage<PracticeEvent[]>('peen.outbox', [])
    for (const event of left.value.map(inTodaysWords)) await found.add({ id: event.id, by: event.by, name: '', event, refused: null })
    left.value = null
    taps.value = await found.all()
    return found
  }
  async function look(): Promise<void> {
    taps.value = await (await kept).all()
  }
  /** Looks again, and tells the other tabs to. */
  async function tell(): Promise<void> {
    await look()
    tabs.post('changed')
  }
  /** One change after another, and every tab told of it. */
  function change(work: (kept: Kept) => Promise<void>): Promise<void> {
    const done = last.then(async () => {
      await work(await kept)
      await tell()
    })
    last = done.catch(failed)
    return done
  }
  /** Keeps one more; it is shown at once, before it is written. */
  function add(tap: KeptTap): void {
    taps.value = [...taps.value, tap]
    void change((kept) => kept.add(tap)).catch(() => undefined)
  }
  /** The place itself, once everything that was changed is written. */
  async function settled(): Promise<Kept> {
    await last
    return kept
  }
  return { taps, look, tell, change, add, settled }
}
