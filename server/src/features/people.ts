// Names and dogs as every feature shows them.
import { NO_PROFILE, type DogView, type PersonName } from '@peen/contract'
import { coatTypeOf } from '@peen/core/advice'
import { eq } from 'drizzle-orm'
import { tables, type Reader } from '../db'
import { refuse } from '../http'

type PersonRow = typeof tables.people.$inferSelect
type DogRow = typeof tables.dogs.$inferSelect

export function personName({ id, givenName, familyName, role }: PersonRow): PersonName {
  return { id, givenName, familyName, role }
}

export const fullName = (person: { givenName: string; familyName: string }) => `${person.givenName} ${person.familyName}`

export function dogView(dog: DogRow, ownerGivenName: string | null = null): DogView {
  const { id, name, bodyType, coat, colour, withersMm, canStandMin, temperament, dislikes, burns, facts, profile, standing } = dog
  const more = profile ?? NO_PROFILE
  return {
    id,
    name,
    bodyType,
    coat,
    colour,
    withersMm,
    canStandMin,
    temperament,
    dislikes,
    burns,
    facts: facts ?? [],
    ownerGivenName,
    ...more,
    coatType: more.coatType ?? coatTypeOf(coat),
    standing: standing ?? null
  }
}

export async function personById(db: Reader, id: string): Promise<PersonRow> {
  const row = (await db.select().from(tables.people).where(eq(tables.people.id, id)))[0]
  if (!row) throw refuse.notFound('This person')
  return row
}

export async function allPeople(db: Reader): Promise<PersonRow[]> {
  return db.select().from(tables.people)
}
