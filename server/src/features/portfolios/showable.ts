// What an apprentice may show outside the school: what is issued, marked and no longer blind to anyone.
import type { PortfolioPicture } from '@peen/contract'
import { and, asc, desc, eq, inArray, ne } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { appealedVisits } from '../corrections'
import { canStillBeBlind, waitsForOwnWord } from '../grading'
import { signedTrims, type SignedTrim } from '../standings'

const { findings: f, pictures: p } = tables

export const issuedTo = (db: Reader, apprenticeId: string) =>
  db
    .select()
    .from(f)
    .where(and(eq(f.apprenticeId, apprenticeId), inArray(f.status, ['issued', 'revoked'])))
    .orderBy(asc(f.number))

/**
 * Marked trims that may be shown to anyone, and how many not yet: everyone who has the link reads the mark, also an assessor who could still
 * mark that trim blind. Of two marks of one trim the one that was signed first is shown; a result without a mark is not.
 */
export async function showableTrims(
  db: Reader,
  apprenticeId: string,
  today: string
): Promise<{ readonly trims: readonly SignedTrim[]; readonly notYet: number }> {
  const marked = (await signedTrims(db, [apprenticeId])).filter(({ result }) => result.total !== null)
  const once = [...new Map(marked.map((trim) => [trim.visitId, trim])).values()]
  const visitIds = once.map(({ visitId }) => visitId)
  const unsaid = await waitsForOwnWord(db, visitIds, today)
  const appealed = await appealedVisits(db, visitIds)
  const trims = once.filter(({ visitId, onDate }) => !canStillBeBlind(onDate, today) && !unsaid.has(visitId) && !appealed.has(visitId))
  return { trims, notYet: once.length - trims.length }
}

/** Photographs of some visits before and after, the newest of each view. */
export async function picturesOf(db: Reader, visitIds: readonly string[]): Promise<ReadonlyMap<string, PortfolioPicture[]>> {
  const found = new Map<string, PortfolioPicture[]>()
  if (visitIds.length === 0) return found
  const rows = await db
    .select({ id: p.id, visitId: p.visitId, moment: p.moment, stance: p.stance })
    .from(p)
    .where(and(inArray(p.visitId, [...visitIds]), ne(p.moment, 'during')))
    .orderBy(desc(p.moment), asc(p.stance), asc(p.at))
  for (const { visitId, ...picture } of rows) {
    const others = (found.get(visitId) ?? []).filter((one) => one.moment !== picture.moment || one.stance !== picture.stance)
    found.set(visitId, [...others, picture])
  }
  return found
}
