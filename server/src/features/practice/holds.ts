import type { HoldView } from '@peen/contract'
import type { VisitState } from '@peen/core/practice'
import type { Reader, tables } from '../../db'
import { techniquesNow, type TechniqueNow } from '../standings'
import { gateAt, standardOfVisit } from './found'

const WAITS = ['new', 'lapsed', 'held']

/** What holds a visit: a dog that nobody has said is ready to cut, then hold points that no instructor has released yet: risky steps of techniques in which the apprentice is new, lapsed or held. Who knows the standings already gives them. */
export async function holdsFor(
  db: Reader,
  visit: typeof tables.visits.$inferSelect,
  state: VisitState,
  today: string,
  known?: ReadonlyMap<string, TechniqueNow>
): Promise<HoldView[]> {
  const standings = known ?? (await techniquesNow(db, [visit.apprenticeId], today)).get(visit.apprenticeId)!
  const standard = await standardOfVisit(db, visit)
  const planned = standard.plan.steps.flatMap((step) => standings.get(step.technique)?.technique ?? [])
  // an instructor who stands at a step stands there for every risk of it
  const released = new Set(state.released.map(({ techniqueId }) => techniqueId))
  const gates = planned.flatMap((technique) => {
    const why = gateAt(visit, technique.id)
    return why === null
      ? []
      : [{ gate: true as const, techniqueId: technique.id, hazardId: 'not-ready', hazardName: 'not ready to cut', caution: why }]
  })
  const hazards = planned.flatMap((technique) => {
    const standing = standings.get(technique.id)
    if (standing && !WAITS.includes(standing.state)) return []
    return technique.hazards
      .filter((hazard) => hazard.hold && !released.has(technique.id))
      .map((hazard) => ({ techniqueId: technique.id, hazardId: hazard.id, hazardName: hazard.name, caution: hazard.caution }))
  })
  return [...gates, ...hazards]
}
