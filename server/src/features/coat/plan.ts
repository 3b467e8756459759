// The sessions that are kept for a coat and its date, and what has moved since.
import type { CoatPlan, KeptPlan, Me } from '@peen/contract'
import { coatModel, dayOf } from '@peen/core/coat'
import { backFor, caseOf, movedOf, type Back } from '@peen/core/plan'
import { eq } from 'drizzle-orm'
import { tables } from '../../db'
import { refuse, type Services } from '../../http'
import { fullName, personById } from '../people'
import { coatPage } from './book'

const { coatPlans: t } = tables

/** What follows from the book of a coat today; null where nothing is stripped, or no date lies ahead. */
async function backOf(services: Services, actor: Me, dogId: string): Promise<{ readonly back: Back; readonly aimOn: string } | null> {
  const page = await coatPage(services, actor, dogId)
  const back = backFor(page, coatModel(caseOf(page)))
  return typeof back === 'string' ? null : { back, aimOn: page.aim.aimOn! }
}

export async function keptPlan(services: Services, actor: Me, dogId: string): Promise<KeptPlan | null> {
  const { db, clock } = services
  const [row] = await db.select().from(t).where(eq(t.dogId, dogId))
  if (!row) return null
  const now = await backOf(services, actor, dogId)
  const today = dayOf(await clock.today())
  // a date that is over, or was taken away, leaves the sessions as they were kept
  const moved = now ? movedOf(row.sessions, now.back.sessions, today) : []
  return { aimOn: row.aimOn, keptOn: row.onDate, keptBy: fullName(await personById(db, row.by)), sessions: row.sessions, moved }
}

/** Keeps the sessions as they follow from the book now; one plan for a dog, the new one in place of the old. */
export async function keepPlan(services: Services, actor: Me, dogId: string): Promise<CoatPlan> {
  const { db, clock } = services
  const now = await backOf(services, actor, dogId)
  if (!now) throw refuse.conflict('noPlan', 'There is nothing to plan: set a date ahead, and a trim that is stripped. Nothing was changed.')
  if (now.back.sessions.length === 0)
    throw refuse.conflict('noPlan', 'No session is needed, or none fits in before the date. Nothing was changed.')
  const kept = { aimOn: now.aimOn, sessions: now.back.sessions, by: actor.id, onDate: await clock.today() }
  await db
    .insert(t)
    .values({ dogId, ...kept })
    .onDuplicateKeyUpdate({ set: kept })
  return { plan: await keptPlan(services, actor, dogId) }
}

export async function dropPlan({ db }: Services, dogId: string): Promise<CoatPlan> {
  await db.delete(t).where(eq(t.dogId, dogId))
  return { plan: null }
}
