import { attemptMinutes, tappedHelp, UNDO_SECONDS, type Attempt, type EventKind, type Payloads } from '@peen/core/practice'
import type { RegionId } from '@peen/core/regions'
import { computed, onScopeDispose, ref } from 'vue'
import { v7 } from 'uuid'
import { ask as send, sentenceOf } from '../api/client'
import type { Table } from '../composables/useTable'
import { useSavedStore } from '../stores/saved'
import { techniqueById } from '../stores/techniques'

export type Asked = 'fault' | 'helped' | 'praise' | 'stress' | 'stop'
/** A tap of which more can be said: which fault, how it was helped, why the work was stopped. */
export type Asking = { readonly what: Asked; readonly eventId: string; readonly attempt: Attempt | null }

/** The taps at a table: each is one event at once; what it means more closely is asked afterwards, and may be left. */
export function useTaps(table: Table, id: () => string) {
  const { data, state, steps, current, nextStep, now, tap, outbox, reload, session } = table
  const saved = useSavedStore()
  const asking = ref<Asking | null>(null)
  const problem = ref<string | null>(null)
  let timer: ReturnType<typeof setTimeout> | undefined
  onScopeDispose(() => clearTimeout(timer))

  /** Asks more of a tap for as long as it can be undone; a stop is asked after until it is said. */
  function ask(what: Asked, eventId: string, attempt: Attempt | null): void {
    clearTimeout(timer)
    asking.value = { what, eventId, attempt }
    // a stop and a fault are asked after until they are said, or taken back
    if (what !== 'stop' && what !== 'fault')
      timer = setTimeout(() => asking.value?.eventId === eventId && (asking.value = null), UNDO_SECONDS * 1000)
  }
  /** Tapped by mistake: it counts for nothing, and is asked after no more. */
  function takeBack(): void {
    if (asking.value) tap('undone', { eventId: asking.value.eventId })
    asking.value = null
  }
  /** Somebody is choosing: it is asked until they have. */
  const hold = () => clearTimeout(timer)
  function say(more: Omit<Payloads['annotated'], 'eventId'>): void {
    if (asking.value) tap('annotated', { eventId: asking.value.eventId, ...more })
    asking.value = null
  }
  function note<K extends EventKind>(what: Asked, kind: K, payload: Payloads[K], label: string, attempt = current.value): void {
    const { id: eventId } = tap(kind, payload, label)
    // what was undone is not asked after
    const undo = saved.undo
    if (undo) saved.offerUndo(label, () => ((asking.value = null), undo.run()))
    ask(what, eventId, attempt)
  }

  const attemptId = computed(() => current.value?.id ?? null)

  /** The places that this trim has for a step; those that the technique is used at, where it takes no hair or is not planned. */
  const regionsOf = (techniqueId: string): readonly RegionId[] =>
    data.value?.closing.find(({ technique }) => technique === techniqueId)?.regions ?? techniqueById(techniqueId)?.regions ?? []

  function startPlanned(techniqueId: string): void {
    const paused = state.value.attempts.find((one) => one.techniqueId === techniqueId && !one.ended && !one.cutShort)
    if (paused) return void tap('attemptResumed', { attemptId: paused.id }, 'going on')
    const step = steps.value.find((one) => one.step.technique === techniqueId)?.step
    tap(
      'attemptStarted',
      {
        ...{ attemptId: v7(), techniqueId, regions: regionsOf(techniqueId), side: 'both' },
        ...{ toolId: step?.toolId ?? null, direction: step?.direction ?? null, hands: 'apprentice', setting: 'live' }
      },
      'start'
    )
  }
  /** One tap ends a step: its minutes are its clock's, its help what was tapped; the end of the table corrects both. */
  function end(): void {
    const attempt = current.value
    if (!attempt) return
    const minutes = attemptMinutes(attempt, state.value, now.value)
    const witness = session.isStaff ? 'watched' : 'self'
    tap('attemptEnded', { attemptId: attempt.id, minutes, help: tappedHelp(attempt), witness }, 'the end of the step')
  }
  const pause = () => attemptId.value && tap('attemptPaused', { attemptId: attemptId.value }, 'the pause')
  /** Back to a step that was ended: its clock goes on. */
  function back(techniqueId: string): void {
    const last = state.value.attempts.findLast((one) => one.techniqueId === techniqueId && one.ended && !one.cutShort)
    if (last) tap('attemptReopened', { attemptId: last.id }, 'going back')
    else startPlanned(techniqueId)
  }

  function press(key: 'fault' | 'prompt' | 'helped' | 'praise' | 'stress' | 'break' | 'stop'): void {
    problem.value = null
    if (key === 'break') return toggleBreak()
    if (key === 'stop') return stopOrGoOn()
    if (key === 'praise') return note('praise', 'praised', { attemptId: attemptId.value, text: '' }, 'praise')
    if (key === 'stress') return note('stress', 'stressNoted', { attemptId: attemptId.value, level: 'restless' }, 'stress')
    const attempt = current.value ?? state.value.attempts.findLast((one) => !one.cutShort) ?? null
    if (!attempt) return void (problem.value = 'No step has been started yet: start one, then note what you see in it.')
    if (key === 'prompt') return void tap('promptGiven', { attemptId: attempt.id }, 'prompt')
    const at = { attemptId: attempt.id, region: attempt.regions[0] ?? null, side: null }
    if (key === 'fault') note('fault', 'faultNoted', { ...at, faultId: null }, 'fault', attempt)
    else note('helped', 'helped', { ...at, help: null }, 'help', attempt)
  }
  function toggleBreak(): void {
    const since = state.value.onBreakSince
    if (!since) return void tap('breakStarted', {}, 'break')
    tap('breakEnded', { minutes: Math.max(0, Math.round((Date.parse(now.value) - Date.parse(since)) / 60000)) })
  }
  function stopOrGoOn(): void {
    if (state.value.stopped === null) return note('stop', 'stopped', { reason: '' }, 'stop')
    asking.value = null
    tap('wentOn', {}, 'going on')
  }
  /** A picture is sent first: its tap names it. */
  async function picture(file: File): Promise<void> {
    problem.value = null
    try {
      const kept = await saved.track(send('addPicture', { id: id(), moment: 'during', stance: 'left', file }))
      tap('pictureTaken', { attemptId: attemptId.value, pictureId: kept.id }, 'picture')
    } catch (caught) {
      problem.value = sentenceOf(caught)
    }
  }
  function release(hold: { readonly techniqueId: string; readonly hazardId: string }): void {
    tap('holdReleased', { techniqueId: hold.techniqueId, hazardId: hold.hazardId }, 'I am here')
    void outbox.flush().then(reload)
  }
  /** "I am here": beside the step that waits if one does. */
  function arrive(): void {
    const waits = table.waitsAt.value
    if (waits) release(waits)
    else tap('lookedAt', {}, 'I am here')
  }
  const next = () => (current.value ? end() : nextStep.value && startPlanned(nextStep.value.step.technique))
  return { asking, problem, ask, hold, say, takeBack, startPlanned, end, pause, back, press, picture, release, arrive, next }
}

type Press = Parameters<ReturnType<typeof useTaps>['press']>[0]
const STAFF_KEYS: readonly (readonly [key: string, label: string, press: Press])[] = [
  ['1', 'Fault', 'fault'],
  ['2', 'Prompt', 'prompt'],
  ['3', 'Helped', 'helped'],
  ['4', 'Praise', 'praise']
]

/** The keys of a table: every tap has one. */
export function tableKeys({ state, session, tap }: Table, taps: ReturnType<typeof useTaps>) {
  const press = ([key, label, what]: (typeof STAFF_KEYS)[number]) => ({ key, label, run: () => taps.press(what) })
  return [
    ...(session.isStaff
      ? [...STAFF_KEYS.map(press), { key: 'i', label: 'I am here', run: () => taps.arrive() }]
      : [{ key: '1', label: 'Ask for help', run: () => void (state.value.askedAt ?? tap('helpAsked', {}, 'asking')) }]),
    press(['5', 'Break, or back to work', 'break']),
    press(['6', 'Stop, or go on', 'stop']),
    press(['7', 'Dog uneasy', 'stress']),
    { key: '8', label: 'Picture', run: () => document.querySelector<HTMLInputElement>('[data-key=picture] input')?.click() },
    { key: 'n', label: 'Start the next step, or end this one', run: () => void taps.next() },
    { key: 'p', label: 'Pause this step', run: () => void taps.pause() },
    {
      key: 'w',
      label: 'Say more of the last tap',
      run: () =>
        document.querySelector<HTMLElement>('[data-testid=say-more] button:not(:first-of-type), [data-testid=say-more] button')?.focus()
    },
    { key: 'z', label: 'Undo the last tap, for ten seconds', run: () => useSavedStore().undo?.run() }
  ]
}
