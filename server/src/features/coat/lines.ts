// The lines of coat books: what people wrote and what sessions left behind, in the order in which they were written.
import { NO_AIM, type BookLine, type CoatAim, type LineSource, type Me } from '@peen/contract'
import type { CoatEntry } from '@peen/core/coat'
import { asc, inArray } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { allPeople, fullName } from '../people'
import { sessionsBeingMarked } from '../standings'

/** Lines of one dog; those of gradings with the grading they were read for. */
export type DogLines = { readonly lines: readonly BookLine[]; readonly readGradings: readonly string[] }

type Written = { readonly at: string; readonly entry: CoatEntry; readonly source: LineSource; readonly by: string | null }

/** The books of some dogs. Lengths of a trim that somebody is still marking stay out; an apprentice reads none: a mark is shown on its own sheet, in its own time. */
export async function linesOf(db: Reader, dogIds: readonly string[], actor: Me): Promise<ReadonlyMap<string, DogLines>> {
  const { coatEntries: e, coatStruck: x, coatFromSessions: c } = tables
  const found = new Map<string, DogLines>()
  if (dogIds.length === 0) return found
  const ids = [...dogIds]
  const people = new Map((await allPeople(db)).map((person) => [person.id, fullName(person)]))
  const struck = new Map((await db.select().from(x).where(inArray(x.dogId, ids))).map((row) => [row.entryId, row]))
  const own = await db.select().from(e).where(inArray(e.dogId, ids)).orderBy(asc(e.at), asc(e.id))
  const sessions = await db.select().from(c).where(inArray(c.dogId, ids)).orderBy(asc(c.onDate), asc(c.sessionId))
  const marking = await sessionsBeingMarked(db)
  const written = new Map<string, Written[]>(ids.map((id) => [id, []]))
  const reads = new Map<string, string[]>(ids.map((id) => [id, []]))
  for (const { body, dogId, onDate, sessionId } of sessions) {
    const add = (source: LineSource, entries: readonly CoatEntry[]) =>
      written.get(dogId)!.push(...entries.map((entry) => ({ at: onDate, entry, source, by: null })))
    add('found', body.found)
    add('floor', body.floor)
    const mayRead = actor.role !== 'apprentice' && !marking.has(sessionId)
    for (const { gradingId, entries } of mayRead ? body.gradings : []) {
      add('grading', entries)
      reads.get(dogId)!.push(gradingId)
    }
  }
  for (const { dogId, onDate, at, by, ...rest } of own) {
    const { id, place, side, act, hands } = rest
    written.get(dogId)!.push({ at: at.toISOString(), entry: { id, on: onDate, place, side, act, hands }, source: 'written', by })
  }
  for (const id of ids) {
    const lines = written
      .get(id)!
      .sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))
      .map(({ entry, source, by }): BookLine => {
        const gone = struck.get(entry.id)
        return {
          ...entry,
          source,
          handsName: entry.hands ? (people.get(entry.hands) ?? null) : null,
          writtenBy: by ? (people.get(by) ?? null) : null,
          struck: gone ? { by: people.get(gone.by) ?? '', reason: gone.reason } : null
        }
      })
    found.set(id, { lines, readGradings: reads.get(id)! })
  }
  return found
}

export async function aimsOf(db: Reader): Promise<ReadonlyMap<string, CoatAim>> {
  return new Map((await db.select().from(tables.coatAims)).map(({ dogId, ...aim }) => [dogId, aim]))
}

export const aimOf = (aims: ReadonlyMap<string, CoatAim>, dogId: string): CoatAim => aims.get(dogId) ?? NO_AIM
