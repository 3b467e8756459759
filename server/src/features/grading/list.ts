// Graded trims, the newest first, page by page, with marks where they may be seen.
import type { Me, TrimRow } from '@peen/contract'
import type { GradeResult } from '@peen/core/grade'
import { TRIMS_A_PAGE } from '@peen/contract'
import { and, count, desc, eq, inArray, ne, sql } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import type { Services } from '../../http'
import { allPeople, fullName } from '../people'
import { openAppeals } from '../corrections'
import { visitsBeingMarked } from '../standings'
import { unreadOf, waitsForOwnWord } from './blindness'

const { gradings: g, visits: s, people: p, dogs: d, gradingResults: r } = tables

/** One page of trims: of an apprentice their own that are signed, filtered before they are counted off. */
export async function trimList({ db, clock }: Services, actor: Me, page: number): Promise<TrimRow[]> {
  const rows = await pageOf(db, actor, page)
  const isStaff = actor.role !== 'apprentice'
  const today = await clock.today()
  const people = new Map((await allPeople(db)).map((person) => [person.id, fullName(person)]))
  const marking = await visitsBeingMarked(db)
  const visitIds = [...new Set(rows.map(({ visitId }) => visitId))]
  const signed = await signedIn(db, visitIds)
  const appealed = await openAppeals(
    db,
    rows.map(({ gradingId }) => gradingId)
  )
  const unsaid = isStaff ? new Set<string>() : await waitsForOwnWord(db, visitIds, today)
  const unread = isStaff
    ? await unreadOf(
        db,
        actor,
        rows.filter(({ status }) => status !== 'draft'),
        today
      )
    : new Set<string>()
  const hiddenOf = ({ gradingId, visitId, assessorId, outcome, status }: Listed): string | null => {
    const isOwn = assessorId === actor.id
    if (!isOwn && marking.has(visitId)) return 'hidden until both are signed'
    // who is asked to mark it a second time must not have read the first
    if (isStaff && !isOwn && status === 'signed' && outcome === 'secondAssessor' && signed.get(visitId) === 1)
      return 'hidden: it needs a second assessor'
    if (unread.has(gradingId)) return 'hidden so that you can still mark it blind'
    return unsaid.has(visitId) ? 'shown once you have rated it yourself' : null
  }
  return rows.map((row) => {
    const { gradingId, visitId, onDate, dog, status } = row
    const hidden = hiddenOf(row)
    const shown = hidden ? null : row
    return {
      ...{ gradingId, visitId, onDate, dog, status, hidden },
      apprentice: fullName(row),
      assessor: people.get(row.assessorId)!,
      mark: shown?.total?.value ?? null,
      interval: shown?.total?.interval ?? null,
      outcome: shown?.outcome ?? null,
      because: shown?.because ?? null,
      appealed: appealed.has(gradingId)
    }
  })
}

type Listed = Awaited<ReturnType<typeof pageOf>>[number]

/** Whole results are long: what a row shows is taken out of them by the database. */
function pageOf(db: Reader, actor: Me, page: number) {
  return db
    .select({
      ...{ gradingId: g.id, visitId: s.id, onDate: s.onDate, assessorId: g.assessorId, status: g.status },
      ...{ givenName: p.givenName, familyName: p.familyName, dog: d.name, outcome: r.outcome },
      total: sql<GradeResult['total']>`JSON_EXTRACT(${r.body}, '$.total')`,
      because: sql<string | null>`JSON_VALUE(${r.body}, '$.because')`
    })
    .from(g)
    .innerJoin(s, eq(s.id, g.visitId))
    .innerJoin(p, eq(p.id, s.apprenticeId))
    .innerJoin(d, eq(d.id, s.dogId))
    .leftJoin(r, eq(r.gradingId, g.id))
    .where(actor.role === 'apprentice' ? and(eq(s.apprenticeId, actor.id), ne(g.status, 'draft')) : undefined)
    .orderBy(desc(s.onDate), desc(g.startedAt), desc(g.id))
    .limit(TRIMS_A_PAGE)
    .offset(page * TRIMS_A_PAGE)
}

/** How many have signed a mark of each of some visits. */
async function signedIn(db: Reader, visitIds: readonly string[]): Promise<ReadonlyMap<string, number>> {
  if (visitIds.length === 0) return new Map()
  const rows = await db
    .select({ id: g.visitId, many: count() })
    .from(g)
    .where(and(inArray(g.visitId, [...visitIds]), eq(g.status, 'signed')))
    .groupBy(g.visitId)
  return new Map(rows.map(({ id, many }) => [id, many]))
}
