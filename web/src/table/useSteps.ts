import { attemptMinutes, tappedHelp } from '@peen/core/practice'
import type { RegionId } from '@peen/core/regions'
import { v7 } from 'uuid'
import type { Table } from './useTable'
import { techniqueById } from '../stores/techniques'
import { t } from '../words'

/** Steps of a trim at the table: started, paused, ended, gone back to, each by one tap. */
export function useSteps({ data, state, steps, current, nextStep, now, tap, session }: Table) {
  /** The places that this trim has for a step; those that the technique is used at, where it takes no hair or is not planned. */
  const regionsOf = (techniqueId: string): readonly RegionId[] =>
    data.value?.closing.find(({ technique }) => technique === techniqueId)?.regions ?? techniqueById(techniqueId)?.regions ?? []

  function startPlanned(techniqueId: string): void {
    const paused = state.value.attempts.find((one) => one.techniqueId === techniqueId && !one.ended && !one.cutShort)
    if (paused) return void tap('attemptResumed', { attemptId: paused.id }, t('table.resuming'))
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
    tap('attemptEnded', { attemptId: attempt.id, minutes, help: tappedHelp(attempt), witness }, t('table.endStep3'))
  }
  const pause = () => current.value && tap('attemptPaused', { attemptId: current.value.id }, t('table.pause2'))
  /** Back to a step that was ended: its clock goes on. */
  function back(techniqueId: string): void {
    const last = state.value.attempts.findLast((one) => one.techniqueId === techniqueId && one.ended && !one.cutShort)
    if (last) tap('attemptReopened', { attemptId: last.id }, t('table.goingBack'))
    else startPlanned(techniqueId)
  }
  const next = () => (current.value ? end() : nextStep.value && startPlanned(nextStep.value.step.technique))
  return { startPlanned, end, pause, back, next }
}
