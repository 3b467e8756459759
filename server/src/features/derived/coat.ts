// What a session writes into its dog's coat book: recomputed from its events, what was found, and what was read on the finished trim.
import { closingSteps, cutRegionsOf, pullTechniques } from '@peen/content'
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
import { planAgreed, standardAsWished, workFor, type Standard } from '@peen/core/standard'
import { houseFor, type AgreedTarget } from '@peen/core/setup'
import { and, asc, eq } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { agreedOf } from '../agreed'
import { knownOf, type Known } from './known'

type Session = typeof tables.sessions.$inferSelect

/** The coat lines of a session in place of those that were there. */
export async function storeCoat(db: Reader, session: Session, events: readonly PracticeEvent[], known = knownOf(db)): Promise<void> {
  const { coatFromSessions: c } = tables
  const wishes = session.found?.wishes ?? []
  const standard = standardAsWished(await known.standard(session.standardId, session.standardVersion), wishes)
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
  const agreed = await agreedOf(db, session.id)
  const day = await floorDay(known, session, standard, agreed)
  const works = [...attemptsDone(state, session), ...finishedByInstructor(state, standard, events, day)]
  return works.flatMap((work) => entriesOfWork(work, day))
}

/** What is known of the day a step was done on: the plan as it stood for house and coat, what was agreed, the rack. */
async function floorDay(known: Known, session: Session, { plan }: Standard, agreed: readonly AgreedTarget[] | null): Promise<FloorDay> {
  const coat = await known.coat(session.dogId)
  const { gate = null, wishes = [], purpose = 'pet' } = session.found ?? {}
  return {
    ...{ sessionId: session.id, on: session.onDate, rack: await known.rack(), pulls: pullTechniques, cutsAt: cutRegionsOf },
    lengthsMm: planAgreed(plan, agreed ?? []).lengthsMm,
    stepTools: Object.fromEntries(plan.steps.map(({ technique, toolId }) => [technique, toolId])),
    ...(agreed
      ? { agreed: agreed.map(({ region, part, mm, passes }) => ({ region, mm, ...(part ? { part } : {}), ...(passes ? { passes } : {}) })) }
      : {}),
    ...(plan.work ? { work: workFor(plan.work, { house: houseFor(gate?.house ?? {}, wishes), coat, isShow: purpose === 'show' }) } : {})
  }
}

function attemptsDone(state: SessionState, session: Session): readonly FloorWork[] {
  return state.attempts.filter(isWorked).map(({ id, techniqueId, regions, side, toolId, direction, hands, portion }) => ({
    ...{ attemptId: id, techniqueId, regions, side, toolId, direction, ...(portion ? { portion } : {}) },
    hands: hands === 'apprentice' ? session.apprenticeId : (state.confirmedBy ?? session.apprenticeId)
  }))
}

/** Places that the instructor finished: as every step of the trim that takes hair there does it. */
function finishedByInstructor(
  state: SessionState,
  { plan }: Standard,
  events: readonly PracticeEvent[],
  { work }: FloorDay
): readonly FloorWork[] {
  const by = new Map(events.map((event) => [event.id, event.by]))
  const closing = closingSteps({ steps: plan.steps, ...(work ? { work } : {}) })
  return state.byInstructor.flatMap(({ eventId, regions, side }) =>
    closing.flatMap(({ technique, regions: taken }, i): FloorWork[] => {
      const own = regions.filter((region) => taken.includes(region))
      const { toolId, direction } = plan.steps.find((step) => step.technique === technique)!
      // a line that was struck stays struck: the first step keeps the id it always had
      const attemptId =
        closing.findIndex((step) => step.regions.some((region) => regions.includes(region))) === i ? eventId : `${eventId}/${technique}`
      return own.length === 0 ? [] : [{ attemptId, techniqueId: technique, regions: own, side, toolId, direction, hands: by.get(eventId)! }]
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
    .orderBy(asc(g.id))
  return rows
    .map(({ gradingId, by, result }) => ({ gradingId, entries: entriesOfGrading(gradingId, session.onDate, result.parts, lengths, by) }))
    .filter(({ entries }) => entries.length > 0)
}
