// Techniques that left the catalogue, and what became of each.
import type { CoreIssue } from '../error'
import type { RetiredTechnique, Technique } from './types'

/** The id under which a technique's history is kept today: another one only where it was renamed. */
export function nowCalled(id: string, retired: readonly RetiredTechnique[]): string {
  const gone = retired.find((one) => one.id === id)?.retired
  return gone?.how === 'renamed' ? nowCalled(gone.to, retired) : id
}

/** The technique that is asked for today where this id is named; null where it became a question. */
export function successorOf(id: string, retired: readonly RetiredTechnique[]): string | null {
  const gone = retired.find((one) => one.id === id)?.retired
  if (!gone) return id
  return gone.how === 'asked' ? null : successorOf(gone.to, retired)
}

/** A list of techniques as it reads today: each retired id by its successor, each once, questions left out. */
export const successorsOf = (ids: readonly string[], retired: readonly RetiredTechnique[]): readonly string[] => [
  ...new Set(ids.flatMap((id) => successorOf(id, retired) ?? []))
]

/**
 * A school's own wording of a technique as it stands today: prerequisites by their successors, and no caution or fault lost that
 * Peen has added since.
 */
export function upToDate<T extends Technique>(own: T, shipped: Technique, retired: readonly RetiredTechnique[]): T {
  const lacks = <Item extends { readonly id: string }>(has: readonly Item[], all: readonly Item[]) =>
    all.filter(({ id }) => !has.some((one) => one.id === id))
  return {
    ...own,
    id: shipped.id,
    family: shipped.family,
    ...(shipped.beforeGate === undefined ? {} : { beforeGate: shipped.beforeGate }),
    after: successorsOf(own.after, retired).filter((id) => id !== shipped.id),
    faults: [...own.faults, ...lacks(own.faults, shipped.faults)],
    hazards: [...own.hazards, ...lacks(own.hazards, shipped.hazards)]
  }
}

/** Everything wrong with a table of retired techniques: ids that are still in use, successors that are unknown. */
export function retirementIssues(retired: readonly RetiredTechnique[], techniques: readonly Technique[]): CoreIssue[] {
  const ids = new Set(techniques.map(({ id }) => id))
  const refuse = (id: string, got: unknown, limit: string): CoreIssue => ({
    code: 'invalidTechnique',
    path: `retired.${id}`,
    got,
    limit
  })
  return retired.flatMap((one, i) => {
    const issues: CoreIssue[] = []
    if (ids.has(one.id)) issues.push(refuse(one.id, one.id, 'an id that no technique in use has'))
    if (retired.findIndex(({ id }) => id === one.id) !== i) issues.push(refuse(one.id, one.id, 'an id used once'))
    // one step is enough: a successor is in use today, so that no chain and no circle can arise
    if (one.retired.how !== 'asked' && !ids.has(one.retired.to)) issues.push(refuse(one.id, one.retired.to, 'a technique in use'))
    return issues
  })
}
