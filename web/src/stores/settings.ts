import { USUAL_SETTINGS, type Settings } from '@peen/contract'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { ask } from '../api/client'
import { useSessionStore } from './session'

/** How whoever is signed in wants to read Peen; before anybody is, as it was read on this device last. */
export const useSettingsStore = defineStore('settings', () => {
  const session = useSessionStore()
  const last = useLocalStorage<Settings>('peen.settings', { ...USUAL_SETTINGS }, { mergeDefaults: true })
  const settings = computed<Settings>(() => session.me?.settings ?? last.value)
  let turn = 0
  let sent: Promise<void> = Promise.resolve()
  /** Shown at once, kept by the server for every tablet; a refusal is told and the old one stands. */
  function keep(change: Partial<Settings>): Promise<void> {
    const kept = send(change, sent)
    sent = kept.catch(() => undefined)
    return kept
  }
  /** Waits until what was chosen last is kept, or was refused. */
  const settled = () => sent
  /** Shown at once, sent after what was chosen before it: of two that are quick the later one holds, here and on the server. */
  async function send(change: Partial<Settings>, before: Promise<void>): Promise<void> {
    const mine = ++turn
    const was = settings.value
    const next = { ...was, ...change }
    put(next)
    if (!session.me) return
    try {
      await before
      const kept = await ask('keepSettings', { body: next })
      if (mine === turn) put(kept)
    } catch (caught) {
      if (mine === turn) put(was)
      throw caught
    }
  }
  function put(next: Settings): void {
    last.value = next
    if (session.me) session.me = { ...session.me, settings: next }
  }
  return { settings, keep, settled }
})
