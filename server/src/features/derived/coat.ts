// What a visit writes into its dog's coat book: recomputed from its events, what was found, and what was read on the finished trim.
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
import { foldVisit, type PracticeEvent, type VisitState } from '@peen/core/practice'
import { planAgreed, standardAsWished, workFor, type Standard } from '@peen/core/standard'
import { houseFor, type AgreedTarget } from '@peen/core/setup'
import { and, asc, eq } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { agreedOf } from '../agreed'
import { knownOf, type Known } from './known'

type Visit = typeof tables.visits.$inferSelect

/** The coat lines of a visit in place of those that were there. */
export async function storeCoat(db: Reader, visit: Visit, events: readonly PracticeEvent[], known = knownOf(db)): Promise<void> {
  const { coatFromVisits: c } = tables
  const wishes = visit.found?.wishes ?? []
  const standard = standardAsWished(await known.standard(visit.standardId, visit.standardVersion), wishes)
  const floor = await floorLines(db, known, visit, standard, events)
  const found = visit.found
    ? entriesOfFindings(visit.id, visit.onDate, visit.found.coat, visit.found.gate?.by ?? null)
    : entriesOfFindings(visit.id, visit.onDate, visit.checkIn.excused.map(asFound), null)
  const gradings = await gradingLines(db, visit, standard)
  await db.delete(c).where(eq(c.visitId, visit.id))
  if (floor.length + found.length + gradings.length === 0) return
  const { id: visitId, dogId, onDate } = visit
  await db.insert(c).values({ visitId, dogId, onDate, body: { floor, found, gradings } })
}

/** A place that was excused because a mat had been cut out there, from before findings were kept with their width. */
const asFound = ({ region, side }: Visit['checkIn']['excused'][number]) =>
  ({ kind: 'matCut', region, side, widthMm: UNMEASURED_MM }) as const
/** Nobody measured it. Chosen: a mat as wide as two fingers. */
const UNMEASURED_MM = 30

async function floorLines(
  db: Reader,
  known: Known,
  visit: Visit,
  standard: Standard,
  events: readonly PracticeEvent[]
): Promise<readonly CoatEntry[]> {
  const state = foldVisit(events)
  const agreed = await agreedOf(db, visit.id)
  const day = await floorDay(known, visit, standard, agreed)
  const works = [...attemptsDone(state, visit), ...finishedByInstructor(state, standard, events, day)]
  return works.flatMap((work) => entriesOfWork(work, day))
}

/** What is known of the day a step was done on: the plan as it stood for house and coat, what was agreed, the rack. */
async function floorDay(known: Known, visit: Visit, { plan }: Standard, agreed: readonly AgreedTarget[] | null): Promise<FloorDay> {
  const coat = await known.coat(visit.dogId)
  const { gate = null, wishes = [], purpose = 'pet' } = visit.found ?? {}
  return {
    ...{ visitId: visit.id, on: visit.onDate, rack: await known.rack(), pulls: pullTechniques, cutsAt: cutRegionsOf },
    lengthsMm: planAgreed(plan, agreed ?? []).lengthsMm,
    stepTools: Object.fromEntries(plan.steps.map(({ technique, toolId }) => [technique, toolId])),
    ...(agreed
      ? { agreed: agreed.map(({ region, part, mm, passes }) => ({ region, mm, ...(part ? { part } : {}), ...(passes ? { passes } : {}) })) }
      : {}),
    ...(plan.work ? { work: workFor(plan.work, { house: houseFor(gate?.house ?? {}, wishes), coat, isShow: purpose === 'show' }) } : {})
  }
}

function attemptsDone(state: VisitState, visit: Visit): readonly FloorWork[] {
  return state.attempts.filter(isWorked).map(({ id, techniqueId, regions, side, toolId, direction, hands, portion }) => ({
    ...{ attemptId: id, techniqueId, regions, side, toolId, direction, ...(portion ? { portion } : {}) },
    hands: hands === 'apprentice' ? visit.apprenticeId : (state.confirmedBy ?? visit.apprenticeId)
  }))
}

/** Places that the instructor finished: as every step of the trim that takes hair there does it. */
function finishedByInstructor(
  state: VisitState,
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

async function gradingLines(db: Reader, visit: Visit, standard: Standard) {
  const { gradings: g, gradingResults: r } = tables
  const lengths = new Set(standard.criteria.filter(({ how }) => how.kind === 'length').map(({ id }) => id))
  const rows = await db
    .select({ gradingId: g.id, by: g.assessorId, result: r.body })
    .from(g)
    .innerJoin(r, eq(r.gradingId, g.id))
    .where(and(eq(g.visitId, visit.id), eq(g.status, 'signed')))
    .orderBy(asc(g.id))
  return rows
    .map(({ gradingId, by, result }) => ({ gradingId, entries: entriesOfGrading(gradingId, visit.onDate, result.parts, lengths, by) }))
    .filter(({ entries }) => entries.length > 0)
}
