// A dog's profile, and whether it may be worked on.
import { bodyById } from '@peen/content'
import type { DogProfile, DogView, Me, NewStanding } from '@peen/contract'
import { fitBody } from '@peen/core/figure'
import type { DogStanding } from '@peen/core/checkin'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { inTransaction, tables, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { knownLooks } from './intake'
import { dogView } from '../people'

async function lockedDog(tx: Transaction, id: string) {
  const row = (await tx.select().from(tables.dogs).where(eq(tables.dogs.id, id)).for('update'))[0]
  if (!row) throw refuse.notFound('This dog')
  return row
}

/** Keeps what is known of a dog. Proportions that its body type cannot have are refused with what is allowed. */
export async function keepProfile({ db, clock }: Services, id: string, profile: DogProfile): Promise<DogView> {
  knownLooks(profile)
  const { name, bodyType, coat, colour, withersMm, canStandMin, temperament, dislikes, burns, owner, contact } = profile
  const {
    backMm,
    muzzleMm,
    forelegMm,
    footMm,
    breed,
    coatType,
    bornOn,
    weightKg,
    nose,
    skin,
    flatFootMm,
    earHistory,
    nameOutside = false
  } = profile
  const today = await clock.today()
  if (bornOn !== null && bornOn > today)
    throw refuse.invalid([{ path: 'bornOn', detail: `Born on is ${bornOn}; it must be ${today} or earlier.` }])
  const own = Object.fromEntries(Object.entries({ backMm, muzzleMm, forelegMm, footMm }).filter(([, mm]) => mm !== null))
  // throws with the field, the value and what this body allows
  fitBody(bodyById(bodyType), { withersMm, ...own })
  return inTransaction(db, async (tx) => {
    const before = await lockedDog(tx, id)
    const ownerId = await keepOwner(tx, before.ownerId, owner, contact)
    const more = { breed, coatType, bornOn, weightKg, nose, skin, own, flatFootMm: flatFootMm ?? 0, earHistory, nameOutside }
    const set = { name, bodyType, coat, colour, withersMm, canStandMin, temperament, dislikes, burns: [...burns], profile: more, ownerId }
    await tx.update(tables.dogs).set(set).where(eq(tables.dogs.id, id))
    return dogView({ ...before, ...set }, owner === '' ? null : owner)
  })
}

async function keepOwner(tx: Transaction, ownerId: string | null, givenName: string, contact: string): Promise<string | null> {
  // emptying the name does not erase: that is asked for in its own words
  if (givenName === '') return ownerId
  if (ownerId) {
    await tx.update(tables.owners).set({ givenName, contact }).where(eq(tables.owners.id, ownerId))
    return ownerId
  }
  const id = v7()
  await tx.insert(tables.owners).values({ id, givenName, contact })
  return id
}

/**
 * Limits or refuses a dog, or frees it. A refusal holds by a vet's word or when a second person says it too; freeing a dog that is
 * refused takes a lead assessor.
 */
export async function decideStanding({ db, clock }: Services, actor: Me, id: string, { kind, reason, vet }: NewStanding): Promise<DogView> {
  const onDate = await clock.today()
  return inTransaction(db, async (tx) => {
    const dog = await lockedDog(tx, id)
    const before = dog.standing
    if (before?.kind === 'refused' && kind !== 'refused' && actor.role !== 'lead')
      throw refuse.forbidden(`${dog.name} is refused; only a lead assessor can clear it. Nothing was changed.`)
    const by = before?.kind === kind ? [...new Set([...before.by, actor.id])] : [actor.id]
    const standing: DogStanding | null =
      kind === 'free' ? null : { kind, reason, vet: vet || (before?.kind === kind && before.vet), by, onDate }
    await tx.update(tables.dogs).set({ standing }).where(eq(tables.dogs.id, id))
    return dogView({ ...dog, standing })
  })
}
