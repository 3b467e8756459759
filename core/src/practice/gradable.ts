// Whether a finished trim may be graded, and how much of it its apprentice is recorded to have worked on.
import type { Found } from '../checkin'
import type { RegionId } from '../regions'
import type { PlanStep } from '../standard'
import { undoneSteps } from './end'
import type { Attempt, VisitState } from './types'

/** Work of the apprentice's own on the live dog: a step that was ended and not cut short. Practice on a figure is none. */
function isOwnWork(attempt: Attempt): boolean {
  return attempt.setting === 'live' && attempt.hands === 'apprentice' && attempt.ended !== null && !attempt.cutShort
}

/**
 * What stands against grading a trim, in sentences; empty when it can be graded: somebody has said that the dog was ready,
 * and at least one step that takes hair, or that the trim plans, was ended by the apprentice's own hands on the live dog.
 */
export function notGradable(
  state: VisitState,
  found: Found,
  steps: readonly PlanStep[],
  { apprentice, cuts }: { readonly apprentice: string; readonly cuts: (technique: string) => boolean }
): readonly string[] {
  const { gate } = found
  const planned = new Set(steps.map(({ technique }) => technique))
  const own = state.attempts.filter(isOwnWork)
  const counts = own.some(({ techniqueId }) => planned.has(techniqueId) || cuts(techniqueId))
  const onFigures = state.attempts.some(({ setting }) => setting === 'figure')
  const running = state.attempts.some((one) => one.setting === 'live' && one.hands === 'apprentice' && !one.ended && !one.cutShort)
  return [
    ...(found.wishes.some(({ work }) => work === 'reset')
      ? ['The coat comes off today, so there is no trim to grade. Each step still counts as practice.']
      : []),
    ...(gate?.dry && gate.combed ? [] : ['No one confirmed at check-in that this dog was dry, combed out and ready to cut.']),
    ...(counts
      ? []
      : running
        ? [`${apprentice} has not finished a step yet. End one, then grade.`]
        : onFigures
          ? [`${apprentice} only worked on a practice figure, which cannot be graded.`]
          : [`No step is recorded as done by ${apprentice}, so there is nothing of theirs to grade.`])
  ]
}

/** The places that steps of the trim cut and that no step ended by the apprentice's own hands has worked on. */
export function unworkedRegions(
  state: VisitState,
  steps: readonly PlanStep[],
  regionsOf: (technique: string) => readonly RegionId[]
): readonly RegionId[] {
  const own = state.attempts.filter(isOwnWork)
  const worked = new Set(own.flatMap(({ techniqueId, regions }) => [...regions, ...regionsOf(techniqueId)]))
  const undone = undoneSteps(steps, { ...state, attempts: own }).flatMap(({ technique }) => regionsOf(technique))
  return [...new Set(undone)].filter((region) => !worked.has(region))
}
