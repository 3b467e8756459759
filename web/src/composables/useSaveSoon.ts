import { tryOnScopeDispose } from '@vueuse/core'
import { useSavedStore } from '../stores/saved'

/** How long a hand rests before what it changed is written, ms. */
export const SAVE_AFTER_MS = 700

/**
 * Writes when the hand rests, one write after the other. From the first change until nothing waits any more the top line
 * says that something is being saved: what is only planned to be written is not saved yet.
 * `write` says its own troubles.
 */
export function useSaveSoon(write: () => Promise<void>) {
  const saved = useSavedStore()
  let timer: ReturnType<typeof setTimeout> | undefined
  let waiting: (() => void) | null = null
  let last: Promise<void> = Promise.resolve()

  function now(): Promise<void> {
    clearTimeout(timer)
    const done = waiting ?? saved.begin()
    waiting = null
    last = last.then(write).finally(done)
    return last
  }
  function soon(): void {
    waiting ??= saved.begin()
    clearTimeout(timer)
    timer = setTimeout(() => void now(), SAVE_AFTER_MS)
  }
  /** Is there a change that no write has taken up? */
  const isWaiting = (): boolean => waiting !== null
  /** Everything that was changed is written, or was tried to be. */
  const settled = (): Promise<void> => (isWaiting() ? now() : last)
  // a screen that is left writes what still waits
  tryOnScopeDispose(() => void (isWaiting() && now()))
  return { soon, now, isWaiting, settled }
}
