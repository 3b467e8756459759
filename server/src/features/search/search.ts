// What a search finds among people, dogs and visits; trims and techniques are known to every screen already.
import type { Me, SearchHit } from '@peen/contract'
import { and, desc, eq, like, or } from 'drizzle-orm'
import { tables } from '../../db'
import { type Services } from '../../http'
import { fullName } from '../people'

const MOST_OF_A_KIND = 8
/** A name with the signs of LIKE taken as they are. */
const beginsIn = (words: string) => `%${words.replace(/[\\%_]/g, (sign) => `\\${sign}`)}%`

/** An apprentice finds dogs and own visits; staff find everybody. The newest visits first. */
export async function search({ db }: Services, actor: Me, words: string): Promise<SearchHit[]> {
  const asked = words.trim().slice(0, 60)
  if (asked === '') return []
  const { people: p, dogs: d, visits: s } = tables
  const isStaff = actor.role !== 'apprentice'
  const text = beginsIn(asked)
  const byName = or(like(p.givenName, text), like(p.familyName, text), like(p.username, text))
  const people = isStaff ? await db.select().from(p).where(byName).orderBy(p.givenName).limit(MOST_OF_A_KIND) : []
  const dogs = await db.select().from(d).where(like(d.name, text)).orderBy(d.name).limit(MOST_OF_A_KIND)
  const meant = or(like(d.name, text), like(p.givenName, text), like(p.familyName, text), like(s.onDate, text))
  const visits = await db
    .select({ id: s.id, onDate: s.onDate, dog: d.name, givenName: p.givenName, familyName: p.familyName })
    .from(s)
    .innerJoin(d, eq(d.id, s.dogId))
    .innerJoin(p, eq(p.id, s.apprenticeId))
    .where(isStaff ? meant : and(meant, eq(s.apprenticeId, actor.id)))
    .orderBy(desc(s.onDate))
    .limit(MOST_OF_A_KIND)
  return [
    ...people.map((one): SearchHit => ({
      kind: 'person',
      name: fullName(one),
      more: `${one.cohort}${one.active ? '' : ', retired'}`,
      to: one.role === 'apprentice' ? `/apprentices/${one.id}` : '/people'
    })),
    ...dogs.map(({ id, name, coat }): SearchHit => ({ kind: 'dog', name, more: coat, to: `/dogs/${id}` })),
    ...visits.map((one): SearchHit => ({
      kind: 'visit',
      name: `${one.dog} with ${fullName(one)}`,
      more: one.onDate,
      to: `/table/${one.id}`
    }))
  ]
}
