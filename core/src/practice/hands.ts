// Whose hands of the staff were on a trim, from the folded state and from what stands behind it.
import { foldVisit } from './fold'
import type { PracticeEvent } from './types'

/**
 * Everybody of the staff whose own hands worked on the dog in a visit. A step counts for who started it with the instructor's hands,
 * and, where the end of the table says that an instructor's hands did it, for who said so and for the person who started it. What one once said
 * of one's own hands is taken back by another person only, or by an undo that stands.
 * @param apprenticeId whose table it is: their own starts are no staff's
 */
export function staffHands(events: readonly PracticeEvent[], apprenticeId: string): ReadonlySet<string> {
  const state = foldVisit(events)
  const stands = new Set(state.attempts.flatMap(({ id }) => [id, ...aliasesOf(state.aliases, id)]))
  const undone = new Set(state.undone)
  const hands = new Set<string>()
  for (const event of events) {
    if (event.kind === 'attemptStarted' && event.payload.hands === 'instructor' && stands.has(event.payload.attemptId)) {
      const corrected = correctedBy(events, event.payload.attemptId, undone)
      // only another's word clears the person who started it with their own hands
      if (corrected === null || corrected === event.by) hands.add(event.by)
    }
    if (event.kind === 'attemptsConfirmed' && !undone.has(event.id))
      for (const { attemptId, hands: whose } of event.payload.attempts) {
        if (whose !== 'instructor' || !stands.has(attemptId)) continue
        hands.add(event.by)
        const start = events.find((one) => one.kind === 'attemptStarted' && one.payload.attemptId === attemptId)
        if (start) hands.add(start.by)
      }
    // the dog can stand no longer, and the person who says so finishes it
    if (event.kind === 'ranOut' && event.payload.how === 'instructor' && !undone.has(event.id)) hands.add(event.by)
    if (event.kind === 'instructorFinished' && state.byInstructor.some(({ eventId }) => eventId === event.id)) hands.add(event.by)
  }
  hands.delete(apprenticeId)
  return hands
}

const aliasesOf = (aliases: Readonly<Record<string, string>>, id: string) =>
  Object.entries(aliases).flatMap(([alias, real]) => (real === id ? [alias] : []))

/** Who said last at the end of a table that the apprentice's hands did a step; null where it was never said. */
function correctedBy(events: readonly PracticeEvent[], attemptId: string, undone: ReadonlySet<string>): string | null {
  const said = events.findLast(
    (event) =>
      event.kind === 'attemptsConfirmed' &&
      !undone.has(event.id) &&
      event.payload.attempts.some((one) => one.attemptId === attemptId && one.hands === 'apprentice')
  )
  return said?.by ?? null
}
