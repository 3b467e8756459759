// What the check-in of a visit says, for whoever asks: holds, sheet, grading.
import { NOTHING_FOUND, readyToCut, type Found } from '@peen/core/checkin'
import { houseFor, orderedSteps, stepsByTargets, type AgreedTarget } from '@peen/core/setup'
import { standardAsWished, workFor, type PlacePlan, type Plan, type PlanStep, type Standard } from '@peen/core/standard'
import { waitsForGate } from '@peen/core/technique'
import type { Tool } from '@peen/core/tools'
import { cutRegionsOf, techniqueName, techniqueById } from '@peen/content'
import type { Reader, tables } from '../../db'
import { dogView } from '../people'
import { standardOf } from '../school'

type Visit = Pick<typeof tables.visits.$inferSelect, 'found' | 'checkIn'>

/** What was found; before anybody looked, what was said when the visit was planned. */
export function foundIn({ found, checkIn }: Visit): Found {
  if (found) return found
  const wishes = checkIn.wishes === '' ? [] : [{ what: checkIn.wishes, askedBy: 'the owner', length: null, rule: null }]
  return { ...NOTHING_FOUND, wishes }
}

/** The trim of a visit, with other work where it was asked for. */
export async function standardOfVisit(
  db: Reader,
  visit: Pick<typeof tables.visits.$inferSelect, 'found' | 'checkIn' | 'standardId' | 'standardVersion'>
): Promise<Standard> {
  return standardAsWished(await standardOf(db, visit.standardId, visit.standardVersion), foundIn(visit).wishes)
}

/** The school's sides as they stood when the dog was said ready; until then as they stand. */
export function houseAtGate({ gate }: Found, school: Readonly<Record<string, number>>): Readonly<Record<string, number>> {
  return { ...school, ...gate?.house }
}

/** The house rules by which a visit is worked and graded: the school's, or the other side where somebody asked for it. */
export function houseOfVisit(visit: Visit, school: Readonly<Record<string, number>>): Readonly<Record<string, number>> {
  const found = foundIn(visit)
  return houseFor(houseAtGate(found, school), found.wishes)
}

/** What the school has that decides how steps are ordered and named. */
export type Workshop = { readonly house: Readonly<Record<string, number>>; readonly rack: readonly Tool[] }

/**
 * The steps of a visit in the order in which this house works on this coat, with the tools that were agreed: on the sheet,
 * at the table and on the floor alike.
 */
export function stepsOfVisit(
  visit: Visit,
  steps: readonly PlanStep[],
  { house, rack }: Workshop,
  agreed: readonly AgreedTarget[] | null
): readonly PlanStep[] {
  const ordered = orderedSteps(steps, houseOfVisit(visit, house))
  return agreed ? stepsByTargets(ordered, agreed, rack, { nameOf: techniqueName, regionsOf: cutRegionsOf }) : ordered
}

/** What is done at each place on this visit: the rows and passes that stand for its house and its coat. */
export function workOfVisit(
  visit: Visit,
  dog: typeof tables.dogs.$inferSelect,
  { work }: Pick<Plan, 'work'>,
  school: Readonly<Record<string, number>>
): readonly PlacePlan[] | undefined {
  return (
    work && workFor(work, { house: houseOfVisit(visit, school), coat: dogView(dog).coatType, isShow: foundIn(visit).purpose === 'show' })
  )
}

/** A step that puts a blade, scissors or a knife to the dog. */
export const cuts = (techniqueId: string) => {
  const family = techniqueById(techniqueId)?.family
  return family !== undefined && family !== 'handling'
}

/**
 * Why this step may not begin yet; null where it need not wait, or once the dog is ready. What is pulled does not wait, unless it
 * is done with blade or scissors today.
 */
export function gateAt(visit: Visit, techniqueId: string, tool: Pick<Tool, 'kind'> | null = null): string | null {
  const technique = techniqueById(techniqueId)
  if (!technique) return null
  const isCutAnyway = technique.family === 'stripping' && tool !== null && CUTTING_TOOLS.has(tool.kind)
  if (!waitsForGate(technique) && !isCutAnyway) return null
  const { ready, missing } = readyToCut(foundIn(visit))
  return ready ? null : missing.join(' ')
}
const CUTTING_TOOLS: ReadonlySet<Tool['kind']> = new Set(['blade', 'comb', 'scissors'])
