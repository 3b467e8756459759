import type { SessionView, StandardHead } from '@peen/contract'
import { foldSession, stepProgress, workedMinutes, type EventKind, type Payloads, type PracticeEvent } from '@peen/core/practice'
import { computed, ref, watch } from 'vue'
import { useOutboxStore } from '../stores/outbox'
import { useSavedStore } from '../stores/saved'
import { useSessionStore } from '../stores/session'
import { useLoaded } from './useLoaded'
import { techniqueById } from '../stores/techniques'

/** One table: its events folded here by the same code as on the server, and the taps that add to them. */
export function useTable(id: () => string) {
  const outbox = useOutboxStore()
  const saved = useSavedStore()
  const session = useSessionStore()
  const { data, error, loading, reload } = useLoaded<SessionView>(() => `/sessions/${id()}`)
  const added = ref<PracticeEvent[]>([])
  watch(id, () => (added.value = []))

  const events = computed(() => {
    const stored = data.value?.events ?? []
    const known = new Set(stored.map((event) => event.id))
    const mine = [...outbox.waiting.filter((event) => event.sessionId === id()), ...added.value]
    const fresh = new Map(mine.filter((event) => !known.has(event.id)).map((event) => [event.id, event]))
    return [...stored, ...fresh.values()]
  })
  const state = computed(() => foldSession(events.value))
  const standard = computed<StandardHead | null>(
    () => session.school?.standards.find((s) => s.id === data.value?.standardId && s.version === data.value?.standardVersion) ?? null
  )
  const steps = computed(() => (data.value ? stepProgress(data.value.steps, state.value) : []))
  const current = computed(() => state.value.attempts.find((attempt) => !attempt.ended) ?? null)
  const nextStep = computed(() => steps.value.find((step) => step.state === 'todo') ?? null)
  const worked = computed(() => (session.school ? workedMinutes(state.value, session.school.now) : 0))
  const waitsAt = computed(() => {
    const next = nextStep.value
    const technique = next ? techniqueById(next.step.technique) : undefined
    return data.value?.holds.find((hold) => !hold.gate && hold.techniqueId === technique?.id) ?? null
  })

  /** why nobody may cut yet, whatever step comes next */
  const gate = computed(() => data.value?.holds.find((hold) => hold.gate) ?? null)

  /** One tap: one event, shown at once, sent when it can be. */
  function tap<K extends EventKind>(kind: K, payload: Payloads[K], undoLabel?: string): PracticeEvent {
    const event = outbox.make(id(), kind, payload, state.value.lastLamport)
    added.value = [...added.value, event]
    outbox.put(event)
    if (undoLabel) saved.offerUndo(undoLabel, () => void tap('undone', { eventId: event.id }))
    return event
  }
  // what the server refused is taken back from the screen, with its sentence beside it
  watch(
    () => outbox.refusal,
    (refusal) => {
      if (!refusal) return
      added.value = []
      void reload()
    }
  )
  return { data, error, loading, reload, events, state, standard, steps, current, nextStep, worked, waitsAt, gate, tap, outbox, session }
}
