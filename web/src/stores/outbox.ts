import type { EventAnswer } from '@peen/contract'
import type { EventKind, Payloads, PracticeEvent } from '@peen/core/practice'
import { EVENT_VERSION, VOUCHING_KINDS } from '@peen/core/practice'
import { useEventListener, useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { v7 } from 'uuid'
import { ask, ApiError, isUnreachable, sentenceOf } from '../api/client'
import type { Kept, KeptTap } from '../outbox/kept'
import { isRefused, sendWaiting, type Reply } from '../outbox/send'
import { useDone } from '../outbox/useDone'
import { useKept } from '../outbox/useKept'
import { useReachStore } from './reach'
import { useSavedStore } from './saved'
import { useSessionStore } from './session'
import { t } from '../words'

/** After no answer it is tried again so soon, and then ever more seldom, ms. */
const FIRST_RETRY_MS = 5000
const LAST_RETRY_MS = 60000
const NOT_PICKED = t('shell.withoutConnectionPeenHasOnly')
/** The server takes no longer note. */
const NOTE_LENGTH = 500

/**
 * Taps on their way to the server. Every tap is kept in this browser until the server has answered for it, through
 * reloads and for all tabs; without an answer it is sent again, and the same event twice is harmless. Each person's taps
 * wait for their own sign-in. What the server refuses is kept with the reason until a person sends it again or lets it go.
 */
export const useOutboxStore = defineStore('outbox', () => {
  const saved = useSavedStore()
  const session = useSessionStore()
  const reach = useReachStore()
  /** the name that the server gave this tablet; until it has, one of its own */
  const ownId = useLocalStorage('peen.device', `device-${v7().slice(-12)}`)
  const deviceId = computed(() => session.me?.deviceId ?? ownId.value)
  const seq = useLocalStorage('peen.seq', 0)
  /** the last place in the order of each visit that was given out here: a page that was just loaded does not know yet what waits */
  const lamports = useLocalStorage<Record<string, number>>('peen.lamports', {})
  const refusal = ref<string | null>(null)
  /** what the server says of taps that it took: a clock that is wrong */
  const notice = ref<string | null>(null)
  /** every tap that is kept here, of every person */
  const { taps, look, tell, change, add, settled } = useKept((error) => (refusal.value = sentenceOf(error)))
  // what waits is not known until the browser's database is read
  void saved.track(settled()).catch(() => undefined)
  /** taps that are not refused: a table shows them as done */
  const waiting = computed(() => taps.value.filter(({ refused }) => refused === null).map(({ event }) => event))
  const mine = computed(() => taps.value.filter(({ by }) => by === session.me?.id))
  const refused = computed(() => mine.value.filter((tap) => tap.refused !== null))
  /** by given name, how many taps of other people wait here for their sign-in */
  const others = computed(() => {
    const count = new Map<string, number>()
    for (const { by, name } of taps.value) if (by !== session.me?.id) count.set(name, (count.get(name) ?? 0) + 1)
    return [...count].map(([name, taps]) => ({ name, taps }))
  })
  watch(
    () => [mine.value.length - refused.value.length, refused.value.length] as const,
    ([kept, held]) => (saved.keep('taps', kept), (saved.refused = held)),
    { immediate: true, flush: 'sync' }
  )

  /** Makes an event with its whole envelope, later than everything seen at its visit. */
  function make<K extends EventKind>(visitId: string, kind: K, payload: Payloads[K], lastLamport: number): PracticeEvent {
    seq.value++
    const before = waiting.value.filter((event) => event.visitId === visitId).map((event) => event.lamport)
    const envelope = { id: v7(), v: EVENT_VERSION, kind, visitId, by: session.me!.id, deviceId: deviceId.value, seq: seq.value }
    const lamport = Math.max(lastLamport, lamports.value[visitId] ?? 0, ...before) + 1
    lamports.value = newest({ ...lamports.value, [visitId]: lamport })
    const event = { ...envelope, lamport, atDevice: session.time(), receivedAt: null, payload }
    const away = session.isPicked ? 'picked' : reach.isLost ? 'in' : null
    return (away ? { ...event, away } : event) as PracticeEvent
  }
  /** Takes an event in and sends it. @returns whether it was taken: a name that was only picked vouches for nothing */
  function put(event: PracticeEvent): boolean {
    if (event.away === 'picked' && VOUCHING_KINDS.has(event.kind)) {
      refusal.value = NOT_PICKED
      return false
    }
    add({ id: event.id, by: event.by, name: session.me?.givenName ?? '', event, refused: null })
    void flush()
    return true
  }

  let sending: Promise<void> | null = null
  let isWanted = false
  let timer: ReturnType<typeof setTimeout> | undefined
  let retryMs = FIRST_RETRY_MS
  /** Sends what waits; resolves when this round has been answered. What is tapped meanwhile goes in a round after it. */
  function flush(): Promise<void> {
    isWanted = true
    return (sending ??= saved.track(rounds()))
  }
  async function rounds(): Promise<void> {
    while (isWanted) {
      isWanted = false
      await send().catch((error: unknown) => void (refusal.value = sentenceOf(error)))
    }
    // in the same step as the question above: what comes after it begins rounds of its own
    sending = null
  }
  async function send(): Promise<void> {
    const kept = await settled()
    const by = session.me?.id
    // without the server for now: who this is has to be said by it again first
    if (by === undefined || session.isRecalled || mine.value.length === refused.value.length) return
    clearTimeout(timer)
    const stopped = await oneTab(async () => sendWaiting({ kept, by, post, answered, taken }))
    await look()
    if (stopped === null) return void (retryMs = FIRST_RETRY_MS)
    refusal.value = stopped || null
    timer = setTimeout(() => void flush(), retryMs)
    retryMs = Math.min(LAST_RETRY_MS, retryMs * 2)
  }
  async function post(visitId: string, events: readonly PracticeEvent[]): Promise<Reply> {
    return ask('recordEvents', { id: visitId, body: { events, sentAt: session.time() } }).then(
      ({ answers }) => ({ kind: 'answers', answers }),
      (error: unknown) => replyOf(error)
    )
  }
  async function answered(answers: readonly EventAnswer[]): Promise<void> {
    notice.value = answers.find(({ status, detail }) => status === 'stored' && detail)?.detail ?? null
    refusal.value = answers.find(({ status }) => isRefused(status))?.detail ?? null
    await tell()
  }

  // a school that is brought back from a backup hears again what was done here since
  const { taken, brought } = useDone({ settled, look, flush, refused, again: (ids) => change((kept) => putBack(kept, ids)) })

  /** Sends a refused tap once more: what stood against it may be gone. */
  async function again(id: string): Promise<void> {
    await change((kept) => kept.mark(id, null))
    await flush()
  }
  /** Gives a refused tap up. The visit keeps a note of what it was and why, where the server takes one. */
  async function letGo({ id, event }: KeptTap, what: string, reason: string): Promise<void> {
    await change((kept) => kept.drop([id]))
    if (event.kind === 'noted') return
    put(make(event.visitId, 'noted', { text: t('shell.discardedWhatReason', { what, reason }).slice(0, NOTE_LENGTH) }, event.lamport))
    await flush()
  }

  const soon = () => ((retryMs = FIRST_RETRY_MS), void flush())
  // the token comes with the sign-in, and again after a time without the server
  watch(() => session.me?.csrf, soon)
  useEventListener(globalThis.window, 'online', soon)
  return { deviceId, taps, waiting, refused, others, refusal, notice, brought, make, put, flush, again, letGo }
})

async function putBack(kept: Kept, ids: readonly string[]): Promise<void> {
  for (const id of ids) await kept.mark(id, null)
}

/** As many visits as a tablet sees in some days. */
const VISITS_KNOWN = 60
/** The visits that were last tapped at: the order of names is that in which they were first given. */
const newest = (all: Record<string, number>) => Object.fromEntries(Object.entries(all).slice(-VISITS_KNOWN))

/** One tab of this browser sends at a time: two would send the same taps in two orders. */
function oneTab<T>(work: () => Promise<T>): Promise<T> {
  return globalThis.navigator?.locks ? navigator.locks.request('peen.outbox', work) : work()
}

/** No answer, or one that says nothing of the taps themselves, is no reason to hold them back. */
function replyOf(error: unknown): Reply {
  if (!(error instanceof ApiError)) return { kind: 'none', why: sentenceOf(error) }
  const { status, answers, detail } = error.problem
  if (Array.isArray(answers)) return { kind: 'answers', answers: answers as EventAnswer[] }
  if (status === 401) return { kind: 'signedOut' }
  const isForLater = status === 0 || status >= 500 || status === 408 || status === 429 || error.problem.code === 'csrf'
  // that there is no connection is the top line's to say
  if (isForLater) return { kind: 'none', why: isUnreachable(error) ? '' : detail }
  return { kind: 'refused', why: detail }
}
