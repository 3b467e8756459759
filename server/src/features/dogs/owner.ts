// Erasing an owner: the person is gone from every text, what the dog and the apprentices did stays.
import { eq } from 'drizzle-orm'
import type { Me } from '@peen/contract'
import { inTransaction, tables } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'
import { scrubNotes, scrubVisits, withoutPerson } from '../erasure'

/** Who brings a dog and how to reach them: asked for by itself, and shown on the profile only. */
export async function ownerOf({ db }: Services, dogId: string): Promise<{ readonly givenName: string; readonly contact: string }> {
  const { dogs: d, owners: o } = tables
  const row = (
    await db.select({ givenName: o.givenName, contact: o.contact }).from(d).innerJoin(o, eq(o.id, d.ownerId)).where(eq(d.id, dogId))
  )[0]
  return row ?? { givenName: '', contact: '' }
}

/** Erases the owner of a dog. Gradings, attempts and certificates stay; no text of the dog's visits names the person any more. */
export async function eraseOwner({ db, clock }: Services, actor: Me, dogId: string): Promise<{ readonly erased: boolean }> {
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    const dog = (await tx.select().from(tables.dogs).where(eq(tables.dogs.id, dogId)).for('update'))[0]
    if (!dog) throw refuse.notFound('This dog')
    if (!dog.ownerId) return { erased: false }
    const owner = (await tx.select().from(tables.owners).where(eq(tables.owners.id, dog.ownerId)))[0]
    const names = [owner.contact.trim(), owner.givenName.trim()].filter((name) => name !== '')
    const person = { names, instead: 'the owner' }
    const { temperament, dislikes, profile, standing } = dog
    await tx
      .update(tables.dogs)
      .set({ ownerId: null, ...withoutPerson({ temperament, dislikes, profile, standing }, person) })
      .where(eq(tables.dogs.id, dogId))
    await tx.delete(tables.owners).where(eq(tables.owners.id, owner.id))
    const visits = await tx.select({ id: tables.visits.id }).from(tables.visits).where(eq(tables.visits.dogId, dogId))
    // when the dog was away says when its owner was
    await tx.delete(tables.daysOff).where(eq(tables.daysOff.aboutId, dogId))
    await scrubNotes(tx, [dogId], person)
    await scrubVisits(
      tx,
      visits.map(({ id: visit }) => visit),
      person
    )
    await appendAudit(tx, { kind: 'owner.erased', at: at.toISOString(), by: actor.id, ids: { dog: dogId } })
    return { erased: true }
  })
}
