// Where a visit begins: what the one before left undone, and which places are out of step.
import { closingSteps } from '@peen/content'
import type { Me, OpenEnds, VisitCoatStart } from '@peen/contract'
import { coatModel, doneIn, lagAt, trimInterval, trimParts, undoneOf, type CoatModel } from '@peen/core/coat'
import { foldVisit } from '@peen/core/practice'
import { isRegionId, type RegionId } from '@peen/core/regions'
import type { Standard } from '@peen/core/standard'
import { and, desc, eq, lt, ne } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { eventsOf } from '../derived'
import { offOf, openingOf } from '../opening'
import { dogView, fullName, personById } from '../people'
import { visitRow, standardOfVisit, workOfVisit } from '../practice'
import { standardAgreed } from '../agreed'
import { houseOf } from '../school'
import { coatRulesOf, sproutDaysOf } from './limits'
import { aimOf, aimsOf, linesOf } from './lines'

type Visit = typeof tables.visits.$inferSelect

/** What a visit left undone, place by place and side by side; null where nothing was begun or nothing is left. */
async function openEndsOf(
  db: Reader,
  visit: Visit,
  dog: typeof tables.dogs.$inferSelect,
  standard: Standard,
  apprentice: string | null
): Promise<OpenEnds | null> {
  const state = foldVisit((await eventsOf(db, [visit.id])).get(visit.id)!)
  if (state.attempts.length === 0) return null
  const { steps } = standard.plan
  const work = workOfVisit(visit, dog, standard.plan, await houseOf(db))
  const undone = undoneOf(closingSteps({ steps, ...(work ? { work } : {}) }), doneIn(state))
  return undone.length === 0 ? null : { visitId: visit.id, onDate: visit.onDate, apprentice, undone }
}

/** With what one visit begins: the open ends of the visit before it, in the same trim, and places whose sides are apart. No length is sent: whoever reads it stays blind. */
export async function visitStart({ db, clock }: Services, actor: Me, id: string): Promise<VisitCoatStart> {
  const { visit, person, dog } = await visitRow(db, id)
  if (actor.role === 'apprentice' && person.id !== actor.id) throw refuse.forbidden('This is another apprentice’s table.')
  const { visits: s } = tables
  const [before] = await db
    .select()
    .from(s)
    .where(and(eq(s.dogId, dog.id), eq(s.standardId, visit.standardId), lt(s.onDate, visit.onDate), ne(s.id, id)))
    .orderBy(desc(s.onDate), desc(s.id))
    .limit(1)
  const openEnds = before
    ? await openEndsOf(db, before, dog, await standardOfVisit(db, before), await whoWorked(db, actor, before.apprenticeId))
    : null
  const model = await modelOf({ db, clock }, actor, dog)
  const { brushing } = aimOf(await aimsOf(db), dog.id)
  const parts = trimParts(await standardAgreed(db, visit))
  const growthAt = (region: RegionId) => model.places.get(region)?.growth ?? model.growth
  // when an owner is away is the staff's to know
  const [opening, off] = [await openingOf(db), await offOf(db, visit.onDate, actor.role === 'apprentice' ? null : dog.id)]
  const interval = trimInterval(parts, dogView(dog).coatType, brushing, growthAt)
  return { openEnds, outOfStep: placesOutOfStep(model), interval, opening, off }
}

/** Whose hands left it so: an apprentice reads no other apprentice's name. */
async function whoWorked(db: Reader, actor: Me, apprenticeId: string): Promise<string | null> {
  const mayKnow = actor.role !== 'apprentice' || actor.id === apprenticeId
  return mayKnow ? fullName(await personById(db, apprenticeId)) : null
}

async function modelOf({ db, clock }: Pick<Services, 'db' | 'clock'>, actor: Me, dog: typeof tables.dogs.$inferSelect): Promise<CoatModel> {
  const { coatType, bornOn } = dogView(dog)
  const entries = (await linesOf({ db, actor, today: await clock.today() }, [dog.id]))
    .get(dog.id)!
    .lines.filter(({ struck }) => struck === null)
  const [rules, sproutDays, today] = [await coatRulesOf(db), await sproutDaysOf(db), await clock.today()]
  return coatModel({ entries, dog: { bornOn, today }, isWire: coatType === 'wire', sproutDays, rules })
}

function placesOutOfStep(model: CoatModel): readonly RegionId[] {
  return [...model.places.values()]
    .filter(({ place, isStripped }) => isStripped && Math.abs(lagAt(model, place, model.today).days) > model.rules.lagDays)
    .flatMap(({ place }) => (isRegionId(place) ? [place] : []))
}
