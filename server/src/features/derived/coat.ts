// What a session writes into its dog's coat book: recomputed from its events, what was found, and what was read on the finished trim.
import { coatWorks, cutRegionsOf } from '@peen/content'
import {
  entriesOfFindings,
  entriesOfGrading,
  entriesOfWork,
  isWorked,
  type CoatEntry,
  type FloorDay,
  type FloorWork
} from '@peen/core/coat'
import { foldSession, type PracticeEvent, type SessionState } from '@peen/core/practice'
import { planAgreed, workFor, type Standard } from '@peen/core/standard'
import { and, eq } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { agreedOf } from '../agreed'
import { knownOf, type Known } from './known'

type Session = typeof tables.sessions.$inferSelect

/** The coat lines of a session in place of those that were there. */
export async function storeCoat(db: Reader, session: Session, events: readonly PracticeEvent[], known = knownOf(db)): Promise<void> {
  const { coatFromSessions: c } = tables
  const standard = await known.standard(session.standardId, session.standardVersion)
  const floor = await floorLines(db, known, session, standard, events)
  const found = session.found
    ? entriesOfFindings(session.id, session.onDate, session.found.coat, session.found.gate?.by ?? null)
    : entriesOfFindings(session.id, session.onDate, session.checkIn.excused.map(asFound), null)
  const gradings = await gradingLines(db, session, standard)
  await db.delete(c).where(eq(c.sessionId, session.id))
  if (floor.length + found.length + gradings.length === 0) return
  const { id: sessionId, dogId, onDate } = session
  await db.insert(c).values({ sessionId, dogId, onDate, body: { floor, found, gradings } })
}

/** A place that was excused because a mat had been cut out there, from before findings were kept with their width. */
const asFound = ({ region, side }: Session['checkIn']['excused'][number]) =>
  ({ kind: 'matCut', region, side, widthMm: UNMEASURED_MM }) as const
/** Nobody measured it. Chosen: a mat as wide as two fingers. */
const UNMEASURED_MM = 30

async function floorLines(
  db: Reader,
  known: Known,
  session: Session,
  standard: Standard,
  events: readonly PracticeEvent[]
): Promise<readonly CoatEntry[]> {
  const state = foldSession(events)
  const works = [...attemptsDone(state, session), ...finishedByInstructor(state, standard, events)]
  if (works.length === 0) return []
  const day: FloorDay = {
    sessionId: session.id,
    on: session.onDate,
    standardId: session.standardId,
    lengthsMm: planAgreed(standard.plan, (await agreedOf(db, session.id)) ?? []).lengthsMm,
    rack: await known.rack(),
    works: coatWorks,
    ...(standard.plan.work ? { work: workFor(standard.plan.work, { house: session.found?.gate?.house ?? {} }) } : {})
  }
  return works.flatMap((work) => entriesOfWork(work, day))
}

function attemptsDone(state: SessionState, session: Session): readonly FloorWork[] {
  return state.attempts.filter(isWorked).map(({ id, techniqueId, regions, side, toolId, direction, hands }) => ({
    ...{ attemptId: id, techniqueId, regions, side, toolId, direction },
    hands: hands === 'apprentice' ? session.apprenticeId : (state.confirmedBy ?? session.apprenticeId)
  }))
}

/** Places that the instructor finished: as the step of the trim that goes over them does it. */
function finishedByInstructor(state: SessionState, standard: Standard, events: readonly PracticeEvent[]): readonly FloorWork[] {
  const by = new Map(events.map((event) => [event.id, event.by]))
  return state.byInstructor.flatMap(({ eventId, regions, side }) =>
    regions.flatMap((region): FloorWork[] => {
      const step = standard.plan.steps.find(({ technique }) => coatWorks[technique] && cutRegionsOf(technique).includes(region))
      const { technique: techniqueId, toolId, direction } = step ?? { technique: null, toolId: null, direction: null }
      return techniqueId === null
        ? []
        : [{ attemptId: eventId, techniqueId, regions: [region], side, toolId, direction, hands: by.get(eventId)! }]
    })
  )
}

async function gradingLines(db: Reader, session: Session, standard: Standard) {
  const { gradings: g, gradingResults: r } = tables
  const lengths = new Set(standard.criteria.filter(({ how }) => how.kind === 'length').map(({ id }) => id))
  const rows = await db
    .select({ gradingId: g.id, by: g.assessorId, result: r.body })
    .from(g)
    .innerJoin(r, eq(r.gradingId, g.id))
    .where(and(eq(g.sessionId, session.id), eq(g.status, 'signed')))
  return rows
    .map(({ gradingId, by, result }) => ({ gradingId, entries: entriesOfGrading(gradingId, session.onDate, result.parts, lengths, by) }))
    .filter(({ entries }) => entries.length > 0)
}
