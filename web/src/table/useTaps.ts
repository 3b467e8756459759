import type { PracticeEvent } from '@peen/core/practice'
import { computed, ref } from 'vue'
import { sentenceOf } from '../api/client'
import type { Table } from './useTable'
import { usePictureStore } from '../stores/pictures'
import { useAsking } from './useAsking'
import { useSteps } from './useSteps'
import { t } from '../words'

/** The taps at a table: each is one event at once; what it means more closely is asked afterwards, and may be left. */
export function useTaps(table: Table, id: () => string) {
  const { state, current, now, tap, outbox, reload } = table
  const pictures = usePictureStore()
  const problem = ref<string | null>(null)
  const { note, ...after } = useAsking(table)
  const attemptId = computed(() => current.value?.id ?? null)

  function press(key: 'fault' | 'prompt' | 'helped' | 'praise' | 'stress' | 'break' | 'stop'): void {
    problem.value = null
    if (key === 'break') return toggleBreak()
    if (key === 'stop') return stopOrGoOn()
    if (key === 'praise') return note('praise', 'praised', { attemptId: attemptId.value, text: '' }, 'praise')
    if (key === 'stress') return note('stress', 'stressNoted', { attemptId: attemptId.value, level: 'restless' }, 'stress')
    const attempt = current.value ?? state.value.attempts.findLast((one) => !one.cutShort) ?? null
    if (!attempt) return void (problem.value = t('table.noStepStartedYetStart'))
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
    after.asking.value = null
    tap('wentOn', {}, t('table.resuming'))
  }
  /** A picture is sent first: its tap names it. */
  async function picture(file: File): Promise<void> {
    problem.value = null
    try {
      const taken = { visitId: id(), moment: 'during', stance: 'left', file } as const
      let named: PracticeEvent | null = null
      const kept = await pictures.take(
        taken,
        (pictureId) => (named = table.make('pictureTaken', { attemptId: attemptId.value, pictureId }))
      )
      if (kept && named) table.show(named, 'picture')
      if (!kept) problem.value = t('table.peenNotAnsweringPictureSaved')
    } catch (caught) {
      problem.value = sentenceOf(caught)
    }
  }
  function release(hold: { readonly techniqueId: string; readonly hazardId: string }): void {
    tap('holdReleased', { techniqueId: hold.techniqueId, hazardId: hold.hazardId }, t('table.iAmHere'))
    void outbox.flush().then(reload)
  }
  /** "I am here": beside the step that waits if one does. */
  function arrive(): void {
    const waits = table.waitsAt.value
    if (waits) release(waits)
    else tap('lookedAt', {}, t('table.iAmHere'))
  }
  return { problem, ...after, ...useSteps(table), press, picture, release, arrive }
}
