import { techniqueById } from '@peen/content'
import type { HoldView } from '@peen/contract'
import type { SessionState } from '@peen/core/practice'
import type { Reader, tables } from '../../db'
import { standingsOf } from '../standings'
import { standardOf } from '../school'

const WAITS = ['new', 'lapsed', 'held']

/** The hold points of a session that no instructor has released yet: risky steps of techniques in which the apprentice is new, lapsed or held. */
export async function holdsFor(
  db: Reader,
  session: typeof tables.sessions.$inferSelect,
  state: SessionState,
  today: string
): Promise<HoldView[]> {
  const standings = await standingsOf(db, session.apprenticeId, today)
  const standard = await standardOf(db, session.standardId, session.standardVersion)
  const planned = standard.plan.steps.map((step) => techniqueById(step.technique)).filter((technique) => technique !== undefined)
  const released = new Set(state.released.map((release) => `${release.techniqueId}|${release.hazardId}`))
  return planned.flatMap((technique) => {
    const standing = standings.get(technique.id)
    if (standing && !WAITS.includes(standing.standing.state)) return []
    return technique.hazards
      .filter((hazard) => hazard.hold && !released.has(`${technique.id}|${hazard.id}`))
      .map((hazard) => ({ techniqueId: technique.id, hazardId: hazard.id, hazardName: hazard.name, caution: hazard.caution }))
  })
}
