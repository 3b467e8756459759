// The attempts that a visit's events come to.
import { countedAttempts, foldVisit, type CountedAttempt, type PracticeEvent, type VisitState } from '@peen/core/practice'
import { techniqueToday } from './facts'

/** They keep the word that was used then; what is derived goes by the names of today. `major`: ids of faults that make an attempt unclean. */
export const countedOf = (events: readonly PracticeEvent[], major: ReadonlySet<string>): CountedAttempt[] =>
  countedIn(foldVisit(events), major)

/** The same of a state that is folded already. */
export function countedIn(state: VisitState, major: ReadonlySet<string>): CountedAttempt[] {
  const attempts = state.attempts.map((attempt) => ({ ...attempt, techniqueId: techniqueToday(attempt.techniqueId) }))
  return countedAttempts({ ...state, attempts }, major)
}
