import { UNDO_SECONDS, type Attempt, type EventKind, type Payloads } from '@peen/core/practice'
import { onScopeDispose, ref } from 'vue'
import type { Table } from './useTable'
import { useSavedStore } from '../stores/saved'

export type AskedAfter = 'fault' | 'helped' | 'praise' | 'stress' | 'stop'
/** A tap of which more can be said: which fault, how it was helped, why the work was stopped. */
export type Asking = { readonly what: AskedAfter; readonly eventId: string; readonly attempt: Attempt | null }

/** What is asked after a tap: for as long as it can be undone; a stop and a fault until they are said, or taken back. */
export function useAsking({ current, tap }: Table) {
  const saved = useSavedStore()
  const asking = ref<Asking | null>(null)
  let timer: ReturnType<typeof setTimeout> | undefined
  onScopeDispose(() => clearTimeout(timer))

  function ask(what: AskedAfter, eventId: string, attempt: Attempt | null): void {
    clearTimeout(timer)
    asking.value = { what, eventId, attempt }
    if (what !== 'stop' && what !== 'fault')
      timer = setTimeout(() => asking.value?.eventId === eventId && (asking.value = null), UNDO_SECONDS * 1000)
  }
  /** Tapped by mistake: it counts for nothing, and is asked after no more. */
  function takeBack(): void {
    if (asking.value) tap('undone', { eventId: asking.value.eventId })
    asking.value = null
  }
  /** The instructor is choosing: it is asked until they have. */
  const hold = () => clearTimeout(timer)
  function say(more: Omit<Payloads['annotated'], 'eventId'>): void {
    if (asking.value) tap('annotated', { eventId: asking.value.eventId, ...more })
    asking.value = null
  }
  /** One tap, then what it means more closely. */
  function note<K extends EventKind>(what: AskedAfter, kind: K, payload: Payloads[K], label: string, attempt = current.value): void {
    const { id: eventId } = tap(kind, payload, label)
    // what was undone is not asked after
    const undo = saved.undo
    if (undo) saved.offerUndo(label, () => ((asking.value = null), undo.run()))
    ask(what, eventId, attempt)
  }
  return { asking, ask, takeBack, hold, say, note }
}
