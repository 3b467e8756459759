import type { PlanStep } from '../standard'
import { mostHelp, tappedHelp } from './attempts'
import { attemptMinutes } from './minutes'
import type { Attempt, ConfirmedAttempt, VisitState } from './types'

/** An attempt as the events tell it, for an instructor to confirm or correct at the end of the table. */
export type ProposedAttempt = ConfirmedAttempt & {
  readonly techniqueId: string
  readonly regions: Attempt['regions']
  readonly setting: Attempt['setting']
  readonly prompts: number
  readonly faults: Attempt['faults']
  readonly cutShort: boolean
  /** what stands behind the proposal, or is still open, in sentences */
  readonly say: readonly string[]
}

/**
 * Each attempt of a visit with minutes, help, side, hands and who vouches, as its events propose them. Minutes are
 * those said at the end of the step where they were said, else those of its clock; help is the most that was tapped;
 * it was watched where an instructor was at the table while it ran, else nobody vouches yet. Cut-short attempts are
 * told and are not to be confirmed: they are no evidence.
 */
export function proposeAttempts(state: VisitState, now: string): ProposedAttempt[] {
  return state.attempts.map((attempt) => {
    const clock = attemptMinutes(attempt, state, now)
    const tapped = tappedHelp(attempt)
    const witness = attempt.ended && attempt.ended.witness !== 'self' ? attempt.ended.witness : attempt.watched ? 'watched' : 'self'
    const unsaid = attempt.faults.filter(({ faultId }) => faultId === null).length + attempt.helps.filter((help) => help === null).length
    return {
      ...{ attemptId: attempt.id, techniqueId: attempt.techniqueId, regions: attempt.regions, setting: attempt.setting },
      minutes: attempt.ended?.minutes ?? clock,
      help: attempt.confirmed ? attempt.ended!.help : mostHelp([attempt.ended?.help ?? 'alone', tapped]),
      ...{
        witness,
        hands: attempt.hands,
        side: attempt.side,
        ...(attempt.portion ? { portion: attempt.portion } : {}),
        prompts: attempt.prompts,
        faults: attempt.faults,
        cutShort: attempt.cutShort
      },
      say: [
        attempt.cutShort ? 'Cut short because the dog had had enough: not evidence, and no marks lost.' : '',
        !attempt.ended && !attempt.cutShort ? 'No one ended this step, so these are the minutes on its clock.' : '',
        attempt.ended && clock > 0 && Math.abs(attempt.ended.minutes - clock) > 5
          ? `Entered as ${attempt.ended.minutes} minutes; the clock ran ${clock}.`
          : '',
        unsaid > 0 ? 'One tap still needs its fault or help.' : ''
      ].filter((sentence) => sentence !== '')
    }
  })
}

/** The steps of the plan that nobody finished: what goes home undone, and where the next visit begins. */
export function undoneSteps(steps: readonly PlanStep[], state: VisitState): PlanStep[] {
  return steps.filter(
    (step) => !state.attempts.some((attempt) => attempt.techniqueId === step.technique && attempt.ended && !attempt.cutShort)
  )
}

/** What stands against closing a table, in sentences; empty when it can be closed. */
export function stillOpen(state: VisitState): string[] {
  const open = state.attempts.filter((attempt) => !attempt.cutShort && !attempt.confirmed && attempt.hands === 'apprentice')
  return [
    ...(open.length > 0 ? [`${open.length} ${open.length === 1 ? 'attempt is' : 'attempts are'} not confirmed yet.`] : []),
    ...(state.waiting.length > 0 ? ['Something arrived late and needs your confirmation.'] : [])
  ]
}
