import type { StandardHead } from '@peen/contract'
import {
  foldVisit,
  runningAttempt,
  stepProgress,
  workedMinutes,
  type EventKind,
  type Payloads,
  type PracticeEvent
} from '@peen/core/practice'
import { computed, ref, watch } from 'vue'
import type { LiveNews } from '../stores/live'
import { useOutboxStore } from '../stores/outbox'
import { useSavedStore } from '../stores/saved'
import { useSessionStore } from '../stores/session'
import { techniqueById } from '../stores/techniques'
import { useAsked } from '../composables/useAsked'
import { useNow } from '../composables/useNow'

/** One table: its events folded here by the same code as on the server, the taps that add to them, and those of other tablets. */
export function useTable(id: () => string) {
  const outbox = useOutboxStore()
  const saved = useSavedStore()
  const session = useSessionStore()
  const now = useNow()
  // a tap is counted after every tap that is known: none from before may stand in for them
  const { data, error, loading, reload } = useAsked('visitWork', () => ({ id: id() }), { hears: heard, fresh: true })
  const added = ref<PracticeEvent[]>([])
  watch(id, () => (added.value = []))
  watch(data, (view) => view?.now && session.sync(view.now))

  /** Another tablet's tap is shown at once; what follows from it on the server (holds, gradings) is read after it. */
  function heard(news: LiveNews): boolean {
    if (news.kind !== 'practice') return true
    const { event } = news
    if (event.visitId !== id() || event.deviceId === outbox.deviceId) return false
    if (!events.value.some((one) => one.id === event.id)) added.value = [...added.value, event]
    return true
  }

  const events = computed(() => {
    const stored = data.value?.events ?? []
    const known = new Set(stored.map((event) => event.id))
    const mine = [...outbox.waiting.filter((event) => event.visitId === id()), ...added.value]
    const fresh = new Map(mine.filter((event) => !known.has(event.id)).map((event) => [event.id, event]))
    return [...stored, ...fresh.values()]
  })
  const state = computed(() => foldVisit(events.value))
  const standard = computed<StandardHead | null>(
    () => session.school?.standards.find((s) => s.id === data.value?.standardId && s.version === data.value?.standardVersion) ?? null
  )
  const steps = computed(() => (data.value ? stepProgress(data.value.steps, state.value) : []))
  /** the step that the clock runs for */
  const current = computed(() => runningAttempt(state.value))
  const nextStep = computed(
    () => steps.value.find((step) => step.state === 'paused') ?? steps.value.find((step) => step.state === 'todo') ?? null
  )
  const worked = computed(() => workedMinutes(state.value, now.value))
  /** minutes that the dog can still stand today, over all its sessions */
  const canStand = computed(() => (data.value ? data.value.dog.canStandMin - worked.value - (data.value.elsewhereMin ?? 0) : 0))
  const waitsAt = computed(() => {
    const next = nextStep.value
    const technique = next ? techniqueById(next.step.technique) : undefined
    return data.value?.holds.find((hold) => !hold.gate && hold.techniqueId === technique?.id) ?? null
  })

  /** why nobody may cut yet, whatever step comes next */
  const gate = computed(() => data.value?.holds.find((hold) => hold.gate) ?? null)

  /** One tap: one event, shown at once, sent when it can be. */
  function tap<K extends EventKind>(kind: K, payload: Payloads[K], undoLabel?: string): PracticeEvent {
    const event = make(kind, payload)
    if (outbox.put(event)) show(event, undoLabel)
    return event
  }
  const make = <K extends EventKind>(kind: K, payload: Payloads[K]): PracticeEvent =>
    outbox.make(id(), kind, payload, state.value.lastLamport)
  function show(event: PracticeEvent, undoLabel?: string): void {
    added.value = [...added.value, event]
    if (undoLabel) saved.offerUndo(undoLabel, () => void tap('undone', { eventId: event.id }))
  }
  // what the server refused is taken back from the screen, with its sentence beside it; the tap itself is kept until it is looked at
  watch(
    () => outbox.refused.filter(({ event }) => event.visitId === id()).map((tap) => tap.id),
    (refused, before) => {
      if (refused.every((one) => before.includes(one))) return
      added.value = added.value.filter((event) => !refused.includes(event.id))
      void reload()
    }
  )
  return {
    ...{ data, error, loading, reload, events, state, standard, steps, current, nextStep, now },
    ...{ worked, canStand, waitsAt, gate, tap, make, show, outbox, session }
  }
}

export type Table = ReturnType<typeof useTable>
