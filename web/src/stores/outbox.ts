import type { EventAnswer } from '@peen/contract'
import type { EventKind, Payloads, PracticeEvent } from '@peen/core/practice'
import { EVENT_VERSION } from '@peen/core/practice'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { v7 } from 'uuid'
import { ask, ApiError, sentenceOf } from '../api/client'
import { useSavedStore } from './saved'
import { useSessionStore } from './session'

const RETRY_MS = 5000

/**
 * Taps on their way to the server. Every tap is kept in this browser until the server has answered for it; without an
 * answer it is sent again, and the same event twice is harmless.
 */
export const useOutboxStore = defineStore('outbox', () => {
  const saved = useSavedStore()
  const session = useSessionStore()
  /** the name that the server gave this tablet; until it has, one of its own */
  const ownId = useLocalStorage('peen.device', `device-${v7().slice(-12)}`)
  const deviceId = computed(() => session.me?.deviceId ?? ownId.value)
  const seq = useLocalStorage('peen.seq', 0)
  const waiting = useLocalStorage<PracticeEvent[]>('peen.outbox', [])
  waiting.value = waiting.value.map(inTodaysWords)
  const refusal = ref<string | null>(null)
  /** what the server says of taps that it took: a clock that is wrong */
  const notice = ref<string | null>(null)
  let sending: Promise<void> | null = null
  watch(
    () => waiting.value.length,
    (n) => (saved.kept = n),
    { immediate: true }
  )

  /** Makes an event with its whole envelope, later than everything seen at its visit. */
  function make<K extends EventKind>(visitId: string, kind: K, payload: Payloads[K], lastLamport: number): PracticeEvent {
    seq.value++
    const mine = waiting.value.filter((event) => event.visitId === visitId).map((event) => event.lamport)
    const lamport = Math.max(lastLamport, ...mine) + 1
    const atDevice = session.time()
    return {
      id: v7(),
      v: EVENT_VERSION,
      kind,
      visitId,
      by: session.me!.id,
      deviceId: deviceId.value,
      seq: seq.value,
      lamport,
      atDevice,
      receivedAt: null,
      payload
    } as PracticeEvent
  }
  function put(event: PracticeEvent): void {
    waiting.value = [...waiting.value, event]
    void flush()
  }
  /** Sends what waits; resolves when this round has been answered. */
  function flush(): Promise<void> {
    if (waiting.value.length === 0 || !session.me) return Promise.resolve()
    return (sending ??= saved.track(send()).finally(() => (sending = null)))
  }
  async function send(): Promise<void> {
    try {
      while (waiting.value.length > 0) {
        const { visitId } = waiting.value[0]
        const batch = waiting.value.filter((event) => event.visitId === visitId && event.by === session.me!.id).slice(0, 50)
        if (batch.length === 0) break
        await sendBatch(visitId, batch)
      }
    } catch (error) {
      refusal.value = sentenceOf(error)
      setTimeout(() => void flush(), RETRY_MS)
    }
  }
  async function sendBatch(visitId: string, batch: readonly PracticeEvent[]): Promise<void> {
    const answers = await ask('recordEvents', { id: visitId, body: { events: batch, sentAt: session.time() } }).then(
      (answer) => answer.answers,
      (error: unknown) => {
        // a single event answers with its own status; anything but "no answer" is settled
        if (error instanceof ApiError && Array.isArray(error.problem.answers)) return error.problem.answers as EventAnswer[]
        throw error
      }
    )
    const settled = new Set(answers.map((answer) => answer.id))
    waiting.value = waiting.value.filter((event) => !settled.has(event.id))
    notice.value = answers.find((answer) => answer.status === 'stored' && answer.detail)?.detail ?? null
    refusal.value = answers.find((answer) => answer.status === 'refused' || answer.status === 'conflict')?.detail ?? null
  }
  return { deviceId, waiting, refusal, notice, make, put, flush }
})

/** A tap that an older Peen left in this browser: a visit was called a session then. */
function inTodaysWords(tap: PracticeEvent): PracticeEvent {
  const { sessionId, ...event } = tap as PracticeEvent & { readonly sessionId?: string }
  if (sessionId === undefined) return tap
  return { ...event, visitId: sessionId, kind: event.kind.replace(/^session(Opened|Closed)$/, 'visit$1') } as PracticeEvent
}
