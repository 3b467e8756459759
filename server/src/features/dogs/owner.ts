// Erasing an owner: the person is gone from every text, what the dog and the apprentices did stays.
import { eq, inArray } from 'drizzle-orm'
import type { Me } from '@peen/contract'
import { inTransaction, tables, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit, withSentences, withTexts } from '../audit'

/** Who brings a dog and how to reach them: asked for by itself, and shown on the profile only. */
export async function ownerOf({ db }: Services, dogId: string): Promise<{ readonly givenName: string; readonly contact: string }> {
  const { dogs: d, owners: o } = tables
  const row = (
    await db.select({ givenName: o.givenName, contact: o.contact }).from(d).innerJoin(o, eq(o.id, d.ownerId)).where(eq(d.id, dogId))
  )[0]
  return row ?? { givenName: '', contact: '' }
}

const INSTEAD = 'the owner'

/**
 * Replaces a person's name and address wherever they stand as words inside a value's free texts. What an answer is (a side, a level, a
 * kind, a number, an id) is never touched, whatever the person is called.
 */
export const withoutPerson = <T>(value: T, names: readonly string[]): T =>
  withTexts(value, (text) => names.reduce((rest, name) => replaceName(rest, name), text))

// letters of any script count as part of a word: "Ana" is not in "Anton"
function replaceName(text: string, name: string): string {
  const escaped = name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
  return text.replace(new RegExp(`(?<![\\p{L}\\p{N}])${escaped}(?![\\p{L}\\p{N}])`, 'giu'), INSTEAD)
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
    const { temperament, dislikes, profile, standing } = dog
    await tx
      .update(tables.dogs)
      .set({ ownerId: null, ...withoutPerson({ temperament, dislikes, profile, standing }, names) })
      .where(eq(tables.dogs.id, dogId))
    await tx.delete(tables.owners).where(eq(tables.owners.id, owner.id))
    await scrubVisits(tx, dogId, names)
    await appendAudit(tx, { kind: 'owner.erased', at: at.toISOString(), by: actor.id, ids: { dog: dogId } })
    return { erased: true }
  })
}

/** Notes on the dog and on its visits, as everything else that was said in words. */
async function scrubNotes(tx: Transaction, ids: readonly string[], names: readonly string[]): Promise<void> {
  const { notes: n } = tables
  for (const { id, text, struck } of await tx
    .select()
    .from(n)
    .where(inArray(n.aboutId, [...ids])))
    await tx.update(n).set(withoutPerson({ text, struck }, names)).where(eq(n.id, id))
}

async function scrubVisits(tx: Transaction, dogId: string, names: readonly string[]): Promise<void> {
  const { sessions: s, events: e, gradings: g, gradingResults: r, gradingConflicts: c } = tables
  const visits = await tx.select().from(s).where(eq(s.dogId, dogId))
  const ids = visits.map(({ id }) => id)
  await scrubNotes(tx, [dogId, ...ids], names)
  if (ids.length === 0) return
  for (const { id, checkIn, found, closing } of visits)
    await tx.update(s).set(withoutPerson({ checkIn, found, closing }, names)).where(eq(s.id, id))
  // an event's content hash stays as it came: it tells a tablet that its tap is there already, nothing more
  for (const { id, payload } of await tx.select().from(e).where(inArray(e.sessionId, ids))) {
    const clean = withoutPerson(payload, names)
    if (JSON.stringify(clean) !== JSON.stringify(payload)) await tx.update(e).set({ payload: clean }).where(eq(e.id, id))
  }
  const { agreedTargets: t } = tables
  for (const { id, lines } of await tx.select({ id: t.id, lines: t.lines }).from(t).where(inArray(t.sessionId, ids))) {
    const clean = withoutPerson(lines, names)
    if (JSON.stringify(clean) !== JSON.stringify(lines)) await tx.update(t).set({ lines: clean }).where(eq(t.id, id))
  }
  const gradings = await tx.select({ id: g.id, answers: g.answers, agreed: g.agreed }).from(g).where(inArray(g.sessionId, ids))
  for (const { id, ...words } of gradings) {
    const clean = withoutPerson(words, names)
    if (JSON.stringify(clean) !== JSON.stringify(words)) await tx.update(g).set(clean).where(eq(g.id, id))
  }
  const gradingIds = gradings.map(({ id }) => id)
  if (gradingIds.length === 0) return
  // a result says in sentences what was written as a reason: those words alone are changed in it
  const reasons = reasonsIn(gradings.map(({ answers }) => answers))
  for (const { gradingId, body } of await tx.select().from(r).where(inArray(r.gradingId, gradingIds))) {
    const clean = withSentences(body, (said) =>
      reasons.reduce((text, reason) => text.replaceAll(reason, withoutPerson({ reason }, names).reason), said)
    )
    if (JSON.stringify(clean) !== JSON.stringify(body)) await tx.update(r).set({ body: clean }).where(eq(r.gradingId, gradingId))
  }
  for (const { id, draft } of await tx.select().from(c).where(inArray(c.gradingId, gradingIds)))
    await tx
      .update(c)
      .set({ draft: withoutPerson(draft, names) })
      .where(eq(c.id, id))
}

/** Every reason that stands in answers. */
function reasonsIn(value: unknown): readonly string[] {
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, own]) => (key === 'reason' && typeof own === 'string' && own !== '' ? [own] : reasonsIn(own)))
}
