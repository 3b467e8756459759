import { beforeEach, describe, expect, it, vi } from 'vitest'
import { createPinia, setActivePinia } from 'pinia'
import { useSavedStore } from '../stores/saved'
import { useNewerStore } from './newer'

describe('a newer Peen', () => {
  beforeEach(() => setActivePinia(createPinia()))

  it('waits until nothing is unsent, of anyone, and is loaded once', () => {
    const [newer, saved] = [useNewerStore(), useSavedStore()]
    const load = vi.fn()
    newer.loadIfClear(0)
    newer.found(load)
    saved.keep('sheet a', 1)
    newer.loadIfClear(0)
    saved.keep('sheet a', 0)
    const done = saved.begin()
    newer.loadIfClear(0)
    done()
    // another person’s taps lie here
    newer.loadIfClear(2)
    expect(load).not.toHaveBeenCalled()
    expect(newer.isReady).toBe(true)
    newer.loadIfClear(0)
    newer.loadIfClear(0)
    expect(load).toHaveBeenCalledOnce()
    expect(newer.isReady).toBe(false)
  })
})
