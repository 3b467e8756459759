// The lines of coat books: what people wrote and what visits left behind, in the order in which they were written.
import { NO_AIM, type BookLine, type CoatAim, type LineSource, type Me, type UnreadLengths } from '@peen/contract'
import type { CoatEntry } from '@peen/core/coat'
import { asc, eq, getTableColumns, inArray } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { unreadOf } from '../grading'
import { allPeople, fullName } from '../people'
import { visitsBeingMarked } from '../standings'

/** Lines of one dog, and the gradings whose lengths are left out because this reader could still mark those trims blind. */
export type DogLines = { readonly lines: readonly BookLine[]; readonly unread: readonly UnreadLengths[] }

type Written = { readonly at: string; readonly entry: CoatEntry; readonly source: LineSource; readonly by: string | null }
type Reading = { readonly db: Reader; readonly actor: Me; readonly today: string }

/**
 * The books of some dogs. Lengths of a trim that is still being marked stay out, and those of a colleague's grading that this reader
 * has not read. An apprentice reads no lengths (a mark is shown on its own sheet, in its own time), no hands but their own, and nothing
 * of another's visit that is not over.
 */
export async function linesOf(reading: Reading, dogIds: readonly string[]): Promise<ReadonlyMap<string, DogLines>> {
  const { db } = reading
  const found = new Map<string, DogLines>()
  if (dogIds.length === 0) return found
  const { coatEntries: e, coatStruck: x } = tables
  const ids = [...dogIds]
  const struck = new Map((await db.select().from(x).where(inArray(x.dogId, ids))).map((row) => [row.entryId, row]))
  const own = await db.select().from(e).where(inArray(e.dogId, ids)).orderBy(asc(e.at), asc(e.id))
  const written = new Map<string, Written[]>(ids.map((id) => [id, []]))
  const unread = await fromVisits(reading, ids, written)
  for (const { dogId, onDate, at, by, ...rest } of own) {
    const { id, place, side, act, hands } = rest
    written.get(dogId)!.push({ at: at.toISOString(), entry: { id, on: onDate, place, side, act, hands }, source: 'written', by })
  }
  const shown = await asShown(reading, struck)
  for (const id of ids) {
    const lines = written.get(id)!.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))
    found.set(id, { lines: lines.map(shown), unread: unread.get(id) ?? [] })
  }
  return found
}

/** Adds what visits left behind to `written`; returns what had to stay out, by dog. */
async function fromVisits(
  { db, actor, today }: Reading,
  dogIds: readonly string[],
  written: ReadonlyMap<string, Written[]>
): Promise<ReadonlyMap<string, UnreadLengths[]>> {
  const { coatFromVisits: c, visits: s } = tables
  const isStaff = actor.role !== 'apprentice'
  const visits = await db
    .select({ ...getTableColumns(c), apprenticeId: s.apprenticeId, closing: s.closing })
    .from(c)
    .innerJoin(s, eq(s.id, c.visitId))
    .where(inArray(c.dogId, [...dogIds]))
    .orderBy(asc(c.onDate), asc(c.visitId))
  const marking = await visitsBeingMarked(db)
  const readable = isStaff ? visits.filter(({ visitId }) => !marking.has(visitId)) : []
  const marked = readable.flatMap(({ onDate, body }) =>
    // a reading is by the hands of its assessor
    body.gradings.map(({ gradingId, entries }) => ({ gradingId, onDate, assessorId: entries[0].hands ?? '' }))
  )
  const blindTo = await unreadOf(db, actor, marked, today)
  const unread = new Map<string, UnreadLengths[]>()
  for (const { body, dogId, onDate, visitId, apprenticeId, closing } of visits) {
    const isOver = onDate < today || closing !== null
    if (!isStaff && apprenticeId !== actor.id && !isOver) continue
    const add = (source: LineSource, entries: readonly CoatEntry[]) =>
      written.get(dogId)!.push(...entries.map((entry) => ({ at: onDate, entry, source, by: null })))
    add('found', body.found)
    add('floor', body.floor)
    if (!isStaff || marking.has(visitId)) continue
    for (const { gradingId, entries } of body.gradings)
      if (!blindTo.has(gradingId)) add('grading', entries)
      else unread.set(dogId, [...(unread.get(dogId) ?? []), { gradingId, onDate, lengths: entries.length }])
  }
  return unread
}

async function asShown({ db, actor }: Reading, struck: ReadonlyMap<string, typeof tables.coatStruck.$inferSelect>) {
  const people = new Map((await allPeople(db)).map((person) => [person.id, fullName(person)]))
  const mayKnow = (id: string) => actor.role !== 'apprentice' || id === actor.id
  return ({ entry, source, by }: Written): BookLine => {
    const gone = struck.get(entry.id)
    const hands = entry.hands && mayKnow(entry.hands) ? entry.hands : null
    return {
      ...entry,
      hands,
      source,
      handsName: hands ? (people.get(hands) ?? null) : null,
      writtenBy: by ? (people.get(by) ?? null) : null,
      struck: gone ? { by: people.get(gone.by) ?? '', reason: gone.reason } : null
    }
  }
}

export async function aimsOf(db: Reader): Promise<ReadonlyMap<string, CoatAim>> {
  return new Map((await db.select().from(tables.coatAims)).map(({ dogId, ...aim }) => [dogId, aim]))
}

export const aimOf = (aims: ReadonlyMap<string, CoatAim>, dogId: string): CoatAim => aims.get(dogId) ?? NO_AIM
