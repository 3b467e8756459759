import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { useSavedStore } from '../stores/saved'
import { SAVE_AFTER_MS, useSaveSoon } from './useSaveSoon'

describe('saving when the hand rests', () => {
  beforeEach(() => {
    setActivePinia(createPinia())
    vi.useFakeTimers()
  })
  afterEach(() => void vi.useRealTimers())

  /** A write that is answered by hand. */
  function slowWrite() {
    const answers: (() => void)[] = []
    const write = vi.fn(() => new Promise<void>((resolve) => answers.push(resolve)))
    return { write, answer: () => (answers.shift()!(), vi.advanceTimersByTimeAsync(0)) }
  }

  it('says so from the first change until it is answered, and writes once for a run of changes', async () => {
    const { write, answer } = slowWrite()
    const { soon } = useSaveSoon(write)
    const saved = useSavedStore()
    soon()
    await vi.advanceTimersByTimeAsync(SAVE_AFTER_MS - 100)
    soon()
    expect(saved.words).toBe('Saving …')
    await vi.advanceTimersByTimeAsync(SAVE_AFTER_MS - 100)
    expect(write).not.toHaveBeenCalled()
    await vi.advanceTimersByTimeAsync(100)
    expect(write).toHaveBeenCalledTimes(1)
    expect(saved.words).toBe('Saving …')
    await answer()
    expect(saved.words).toBe('Everything is saved')
  })

  it('knows of a change made while a write is on its way, and writes it afterwards', async () => {
    const { write, answer } = slowWrite()
    const { soon, isWaiting } = useSaveSoon(write)
    soon()
    await vi.advanceTimersByTimeAsync(SAVE_AFTER_MS)
    expect(isWaiting()).toBe(false)
    soon()
    expect(isWaiting()).toBe(true)
    await answer()
    expect(useSavedStore().words).toBe('Saving …')
    await vi.advanceTimersByTimeAsync(SAVE_AFTER_MS)
    await answer()
    expect(write).toHaveBeenCalledTimes(2)
    expect(useSavedStore().words).toBe('Everything is saved')
  })

  it('writes one after the other', async () => {
    const { write, answer } = slowWrite()
    const { now } = useSaveSoon(write)
    void now()
    void now()
    await vi.advanceTimersByTimeAsync(0)
    expect(write).toHaveBeenCalledTimes(1)
    await answer()
    expect(write).toHaveBeenCalledTimes(2)
  })

  it('writes what waits when its screen is left, and nothing when nothing waits', async () => {
    const { write } = slowWrite()
    const scope = effectScope()
    const { soon } = scope.run(() => useSaveSoon(write))!
    soon()
    scope.stop()
    await vi.advanceTimersByTimeAsync(0)
    expect(write).toHaveBeenCalledTimes(1)
    const other = effectScope()
    other.run(() => useSaveSoon(write))
    other.stop()
    await vi.advanceTimersByTimeAsync(SAVE_AFTER_MS)
    expect(write).toHaveBeenCalledTimes(1)
  })
})
