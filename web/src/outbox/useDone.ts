import { useIntervalFn } from '@vueuse/core'
import { v7 } from 'uuid'
import { ref, watch, type Ref } from 'vue'
import { ApiError, ask, isUnreachable, sentenceOf, whenTaken } from '../api/client'
import { useLiveStore } from '../stores/live'
import { useSessionStore } from '../stores/session'
import { bringBack, type BroughtBack } from './bring-back'
import { doneInBrowser, type Done } from './done'
import type { Kept, KeptTap } from './kept'
import { isRepeatable, type Repeatable } from './repeatable'

/** A tap that was brought back may come before what it stands on, which another tablet brings: it is sent again so often, ms. */
const AGAIN_MS = 30000

type Outbox = {
  readonly settled: () => Promise<Kept>
  readonly look: () => Promise<void>
  readonly flush: () => Promise<void>
  readonly refused: Readonly<Ref<readonly KeptTap[]>>
  readonly again: (ids: readonly string[]) => Promise<void>
}

/** Keeps what the server takes from this tablet, and says it again to a school that was brought back from a backup. */
export function useDone({ settled, look, flush, refused, again }: Outbox) {
  const session = useSessionStore()
  const live = useLiveStore()
  // a browser that keeps nothing brings nothing back
  const here = doneInBrowser().catch(() => null)
  const brought = ref<BroughtBack | null>(null)
  const under = () => session.school?.restored?.id ?? null
  const at = () => Date.parse(session.time())

  async function keep(done: readonly Done[]): Promise<void> {
    if (done.length > 0) await (await here)?.add(done).catch(() => undefined)
  }
  const taken = (taps: readonly KeptTap[]) =>
    keep(taps.map((tap) => ({ id: tap.id, by: tap.by, at: at(), under: under(), what: { kind: 'tap', tap } })))
  whenTaken((name, given) => {
    const by = session.me?.id
    if (by && session.school && isRepeatable(name))
      void keep([{ id: v7(), by, at: at(), under: under(), what: { kind: 'change', name, given } }])
  })

  async function repeat(name: Repeatable, given: object): Promise<string | null> {
    try {
      await (ask as (name: Repeatable, given: object) => Promise<unknown>)(name, given)
      return null
    } catch (error) {
      if (isUnreachable(error) || !(error instanceof ApiError)) throw error
      return sentenceOf(error)
    }
  }

  let underWay = false
  async function lookBack(): Promise<void> {
    const [by, restored, done] = [session.me?.id, session.school?.restored, await here]
    if (!by || !restored || !done || session.isRecalled || underWay) return
    underWay = true
    try {
      const back = await bringBack({ done, kept: await settled(), by, restored, repeat })
      if (back.changes + back.taps + back.refused.length === 0) return
      brought.value = back
      await look()
      await flush()
    } catch (error) {
      if (!isUnreachable(error)) throw error
    } finally {
      underWay = false
    }
  }
  // a page that stayed open, and signed in, learns of it by the log
  watch(
    () => live.wentBack,
    () => void session.refreshSchool().catch(() => undefined)
  )
  watch(
    () => [session.me?.id, session.school?.restored?.id, session.isRecalled],
    () => void lookBack()
  )
  useIntervalFn(() => {
    const waiting = refused.value.filter(({ isBack }) => isBack).map(({ id }) => id)
    if (waiting.length > 0) void again(waiting).then(flush)
  }, AGAIN_MS)
  return { taken, brought }
}
