// One stream for a page: opened by the first who listens, closed with the last, told to everybody.
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useLiveStore } from './live'

class Stream {
  static readonly CLOSED = 2
  static readonly all: Stream[] = []
  readonly url: string
  readyState = 1
  readonly heard = new Map<string, ((message: { data: string; lastEventId: string }) => void)[]>()
  constructor(url: string) {
    this.url = url
    Stream.all.push(this)
  }
  addEventListener(kind: string, listener: (message: { data: string; lastEventId: string }) => void): void {
    this.heard.set(kind, [...(this.heard.get(kind) ?? []), listener])
  }
  tell(kind: string, data: unknown = {}, lastEventId = ''): void {
    for (const listener of this.heard.get(kind) ?? []) listener({ data: JSON.stringify(data), lastEventId })
  }
  close(): void {
    this.readyState = 2
  }
}
let seen: 'visible' | 'hidden'
let onSeen: () => void
beforeEach(() => {
  setActivePinia(createPinia())
  Stream.all.length = 0
  seen = 'visible'
  vi.stubGlobal('EventSource', Stream)
  vi.stubGlobal('document', {
    get visibilityState() {
      return seen
    },
    addEventListener: (_: string, listener: () => void) => (onSeen = listener)
  })
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

describe('the stream of a page', () => {
  it('is one for all who listen, and closed with the last of them', () => {
    const live = useLiveStore()
    const [first, second] = [vi.fn(), vi.fn()]
    const [stopFirst, stopSecond] = [live.listen(first), live.listen(second)]
    expect(Stream.all.map(({ url }) => url)).toEqual(['/api/live'])
    Stream.all[0].tell('practice', { id: 'e1' })
    expect(first).toHaveBeenCalledWith({ kind: 'practice', event: { id: 'e1' } })
    expect(second).toHaveBeenCalledOnce()
    stopFirst()
    expect(Stream.all[0].readyState).toBe(1)
    stopSecond()
    expect(Stream.all[0].readyState).toBe(Stream.CLOSED)
  })

  it('notices that the log went back, as after a backup was restored', () => {
    const live = useLiveStore()
    live.listen(vi.fn())
    const [stream] = Stream.all
    stream!.tell('begun', 40)
    stream!.tell('practice', { id: 'e1' }, '41')
    stream!.tell('begun', 41)
    expect(live.wentBack).toBe(0)
    stream!.tell('begun', 12)
    expect(live.wentBack).toBe(1)
    stream!.tell('begun', 12)
    expect(live.wentBack).toBe(1)
  })

  it('is given back while nobody sees the page, and opened again after', () => {
    const live = useLiveStore()
    live.listen(vi.fn())
    seen = 'hidden'
    onSeen()
    expect(Stream.all[0].readyState).toBe(Stream.CLOSED)
    seen = 'visible'
    onSeen()
    expect(Stream.all).toHaveLength(2)
  })
})
