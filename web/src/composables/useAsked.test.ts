import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import { ask, whenAsked } from '../api/client'
import { useReachStore } from '../stores/reach'
import { ok, refusal as refused, settled, signedIn, stubServer, unstub } from '../testing/server'
import { ALL_NEWS, useAsked } from './useAsked'

/** Answers that come when the test lets them. */
let answers: ((body: unknown, status?: number) => void)[]
function answerLater(): void {
  answers = []
  vi.stubGlobal('fetch', () => {
    return new Promise((resolve) => answers.push((body, status = 200) => resolve({ ok: status < 400, status, json: async () => body })))
  })
}
let server: ReturnType<typeof stubServer>
beforeEach(() => (server = stubServer()))
afterEach(unstub)
const paths = () => server.asked.map(({ path }) => path)

describe('what a screen asks', () => {
  it('is asked by the endpoint’s name, and told', async () => {
    server.answer = () => ok([{ name: 'Flint' }])
    const { data, error, loading } = useAsked('dogs')
    expect([data.value, loading.value]).toEqual([null, true])
    await settled()
    expect([data.value, error.value, loading.value]).toEqual([[{ name: 'Flint' }], null, false])
    expect(paths()).toEqual(['/dogs'])
  })

  it('is asked again by itself when the server answers again', async () => {
    whenAsked(useReachStore().told)
    server.answer = () => refused(503, 'Peen’s database does not answer for the moment.', { code: 'databaseAway' })
    const { data, error } = useAsked('people')
    await vi.waitFor(() => expect(error.value).toContain('database'), { timeout: 10000 })
    server.answer = () => ok([{ name: 'Flint' }])
    // another screen, or the top line, finds it again
    await ask('floor')
    await vi.waitFor(() => expect(data.value).toEqual([{ name: 'Flint' }]), { timeout: 10000 })
    expect(error.value).toBeNull()
    whenAsked(() => undefined)
  })

  it('shows the newest that was asked for, whatever comes last', async () => {
    answerLater()
    const { data, reload } = useAsked('floor')
    answers[0]({ place: 0 })
    await settled()
    void reload()
    void reload()
    answers[2]({ place: 2 })
    await settled()
    // asked for before the table was moved, answered after it
    answers[1]({ place: 1 })
    await settled()
    expect(data.value).toEqual({ place: 2 })
  })

  it('takes nothing of an address that was left', async () => {
    answerLater()
    const id = ref('a')
    const { data } = useAsked('dog', () => ({ id: id.value }))
    id.value = 'b'
    await settled()
    answers[1]({ dog: 'b' })
    answers[0]({ dog: 'a' })
    await settled()
    expect(data.value).toEqual({ dog: 'b' })
  })

  it('keeps what was shown when it cannot be read again, and says why', async () => {
    server.answer = () => ok({ room: 1 })
    const { data, error, refusal, reload } = useAsked('floor')
    await settled()
    server.answer = () => refused(409, 'Read it first.', { code: 'notRead' })
    await reload()
    expect([data.value, error.value, refusal.value?.code]).toEqual([{ room: 1 }, 'Read it first.', 'notRead'])
  })

  it('is shown at once when a screen is opened again, and read again behind it', async () => {
    let reads = 0
    server.answer = () => ok({ reads: ++reads })
    const first = effectScope()
    first.run(() => useAsked('wall'))
    await settled()
    first.stop()
    const { data } = useAsked('wall')
    expect(data.value).toEqual({ reads: 1 })
    await settled()
    expect(data.value).toEqual({ reads: 2 })
  })

  it('is never shown from before where it is fresh, and told again though it is the same', async () => {
    server.answer = () => ok({ version: 1 })
    useAsked('grading', () => ({ id: 'g' }))
    await settled()
    const { data, reload } = useAsked('grading', () => ({ id: 'g' }), { fresh: true })
    expect(data.value).toBeNull()
    await settled()
    const before = data.value
    await reload()
    expect(data.value).toEqual(before)
    expect(data.value).not.toBe(before)
  })

  it('is not asked while it must not be', async () => {
    useAsked('day', () => ({ on: 'today' }), { when: () => false })
    await settled()
    expect(paths()).toEqual([])
  })
})

describe('what follows the other tablets', () => {
  class Stream {
    static readonly all: Stream[] = []
    readonly heard = new Map<string, (message: { data: string }) => void>()
    constructor() {
      Stream.all.push(this)
    }
    addEventListener = (kind: string, listener: (message: { data: string }) => void) => void this.heard.set(kind, listener)
    tell = (kind: string) => this.heard.get(kind)!({ data: '{}' })
    close = vi.fn()
  }
  beforeEach(() => {
    Stream.all.length = 0
    vi.stubGlobal('EventSource', Stream)
    vi.stubGlobal('document', { visibilityState: 'visible', addEventListener: () => undefined })
    signedIn()
  })

  it('reads once for news that come together, not for what it does not care for, and not when it is over', async () => {
    const scope = effectScope()
    scope.run(() => useAsked('day', () => ({ on: 'today' }), { hears: ({ kind }) => kind === 'day' }))
    await settled()
    vi.useFakeTimers()
    const [stream] = Stream.all
    stream.tell('day')
    stream.tell('day')
    stream.tell('practice')
    await vi.advanceTimersByTimeAsync(300)
    expect(paths()).toEqual(['/day/today', '/day/today'])
    stream.tell('practice')
    await vi.advanceTimersByTimeAsync(300)
    stream.tell('day')
    scope.stop()
    await vi.advanceTimersByTimeAsync(300)
    expect(paths()).toHaveLength(2)
    expect(stream.close).toHaveBeenCalled()
  })

  it('reads one answer at a time however fast news come, and once more after the last', async () => {
    answerLater()
    useAsked('floor', undefined, { hears: ALL_NEWS })
    answers[0]({ n: 0 })
    await settled()
    vi.useFakeTimers()
    const [stream] = Stream.all
    stream.tell('practice')
    await vi.advanceTimersByTimeAsync(300)
    for (let i = 0; i < 5; i++) {
      stream.tell('practice')
      await vi.advanceTimersByTimeAsync(300)
    }
    expect(answers).toHaveLength(2)
    answers[1]({ n: 1 })
    await vi.advanceTimersByTimeAsync(300)
    expect(answers).toHaveLength(3)
  })
})
