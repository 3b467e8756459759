import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { settled, stubServer, unstub } from '../testing/server'
import { useLoaded } from './useLoaded'

/** Answers that come when the test lets them. */
let answers: ((body: unknown, status?: number) => void)[]
beforeEach(() => {
  answers = []
  stubServer()
  vi.stubGlobal('fetch', () => {
    return new Promise((resolve) => answers.push((body, status = 200) => resolve({ ok: status < 400, status, json: async () => body })))
  })
})
afterEach(unstub)

describe('what a screen loads', () => {
  it('shows the newest that was asked for, whatever comes last', async () => {
    const { data, reload } = useLoaded<{ place: number }>(() => '/floor')
    void reload()
    answers[1]({ place: 2 })
    await settled()
    expect(data.value).toEqual({ place: 2 })
    // asked for before the table was moved, answered after it
    answers[0]({ place: 1 })
    await settled()
    expect(data.value).toEqual({ place: 2 })
  })
  it('takes nothing of an address that was left', async () => {
    const path = ref('/dogs/a')
    const { data } = useLoaded<string>(() => path.value)
    path.value = '/dogs/b'
    await settled()
    answers[1]('b')
    answers[0]('a')
    await settled()
    expect(data.value).toBe('b')
  })
  it('keeps what was shown when it cannot be read again, and says why', async () => {
    const { data, error, reload } = useLoaded<string>(() => '/floor')
    answers[0]('room')
    await settled()
    void reload()
    answers[1]({ status: 500, detail: 'Something broke.' }, 500)
    await settled()
    expect(data.value).toBe('room')
    expect(error.value).toBe('Something broke.')
  })
})
