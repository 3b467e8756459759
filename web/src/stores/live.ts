import { addressOf } from '@peen/contract'
import type { PracticeEvent } from '@peen/core/practice'
import { defineStore } from 'pinia'
import { ref } from 'vue'

export type LiveNews = { readonly kind: 'practice'; readonly event: PracticeEvent } | { readonly kind: 'day' } | { readonly kind: 'open' }
type Listener = (news: LiveNews) => void

/**
 * What other tablets record, as the server tells it: one stream for the whole page, open while somebody listens and the
 * page is seen. The browser opens it again after a gap and says which event it heard last; `open` tells screens to read anew.
 */
export const useLiveStore = defineStore('live', () => {
  const listeners = new Set<Listener>()
  const connected = ref(false)
  /** how often the log began before what was heard of it: the school was brought back from a backup */
  const wentBack = ref(0)
  let place = 0
  let source: EventSource | null = null

  const tell = (news: LiveNews) => {
    for (const listener of [...listeners]) listener(news)
  }
  function open(): void {
    if (typeof EventSource === 'undefined' || source || listeners.size === 0 || document.visibilityState === 'hidden') return
    source = new EventSource(addressOf('live', {}))
    source.addEventListener('open', () => (connected.value = true))
    source.addEventListener('error', () => {
      connected.value = false
      // refused outright: somebody signed out; otherwise the browser tries again by itself
      if (source?.readyState === EventSource.CLOSED) close()
    })
    source.addEventListener('practice', (message) => {
      place = Number(message.lastEventId) || place
      tell({ kind: 'practice', event: JSON.parse(message.data as string) as PracticeEvent })
    })
    source.addEventListener('day', () => tell({ kind: 'day' }))
    // the server's own first word of each stream, not the browser's
    source.addEventListener('begun', (message) => {
      const begun = Number(message.data) || 0
      if (begun < place) wentBack.value++
      place = begun
      tell({ kind: 'open' })
    })
  }
  function close(): void {
    source?.close()
    source = null
    connected.value = false
  }
  /** Listens until the returned function is called. */
  function listen(listener: Listener): () => void {
    listeners.add(listener)
    open()
    return () => {
      listeners.delete(listener)
      if (listeners.size === 0) close()
    }
  }
  // browsers hold few connections to one address: a page that nobody sees gives its own back
  if (typeof document !== 'undefined')
    document.addEventListener('visibilitychange', () => (document.visibilityState === 'hidden' ? close() : open()))
  return { connected, wentBack, listen }
})
