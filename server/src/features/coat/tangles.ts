// How a dog came in, visit by visit: weeks since its groom, mats or none, and what getting them out took.
import { techniqueToday } from '@peen/bundle'
import type { Me } from '@peen/contract'
import type { CameIn } from '@peen/core/coat'
import { daysBetween } from '@peen/core/competency'
import { and, asc, eq, inArray, lte } from 'drizzle-orm'
import { tables, type Reader } from '../../db'

/** Longer ago than this a groom says nothing of mats, weeks. Chosen. */
const MOST_WEEKS = 52
const MATS = 'mats'

/** Visits at which someone looked; of another's visit an apprentice reads nothing before it is over. */
export async function tanglesOf(db: Reader, actor: Me, dogId: string, today: string): Promise<readonly CameIn[]> {
  const { visits: v, attempts: a } = tables
  const all = await db
    .select()
    .from(v)
    .where(and(eq(v.dogId, dogId), lte(v.onDate, today)))
    .orderBy(asc(v.onDate), asc(v.id))
  const mayRead = (visit: (typeof all)[number]) =>
    actor.role !== 'apprentice' || visit.apprenticeId === actor.id || visit.onDate < today || visit.closing !== null
  const ids = all.map(({ id }) => id)
  const worked = ids.length === 0 ? [] : await db.select().from(a).where(inArray(a.visitId, ids))
  const minutesOf = (id: string) =>
    worked
      .filter(({ visitId, techniqueId }) => visitId === id && techniqueToday(techniqueId) === MATS)
      .reduce((sum, { body }) => sum + body.minutes, 0)
  return all.flatMap((visit, i) => {
    const before = all[i - 1]
    const weeks = visit.checkIn.weeksSince ?? (before ? Math.round(daysBetween(before.onDate, visit.onDate) / 7) : null)
    if (visit.found === null || weeks === null || weeks > MOST_WEEKS || !mayRead(visit)) return []
    const matted = visit.found.coat.some(({ kind }) => kind === 'mat' || kind === 'matCut')
    return [{ weeks, matted, minutes: Math.round(minutesOf(visit.id)) }]
  })
}
