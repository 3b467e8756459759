// Taking a person's name out of everything that people wrote: free texts alone, never an answer.
import { eq, inArray, sql } from 'drizzle-orm'
import { tables, type Transaction } from '../../db'
import { withSentences, withTexts } from '@peen/bundle'

/** Names and addresses of a person, and the words that stand in their place. */
export type Person = { readonly names: readonly string[]; readonly instead: string }

/**
 * Replaces a person's name and address wherever they stand as words inside a value's free texts. What an answer is (a side, a level, a
 * kind, a number, an id) is never touched, whatever the person is called.
 */
export const withoutPerson = <T>(value: T, person: Person): T => withTexts(value, (text) => withoutNames(text, person))

/** The same for one text. The longest name first: a full name is one person, not two words. */
export const withoutNames = (text: string, { names, instead }: Person): string =>
  [...names].sort((a, b) => b.length - a.length).reduce((rest, name) => replaceName(rest, name, instead), text)

// letters of any script count as part of a word: "Ana" is not in "Anton"
function replaceName(text: string, name: string, instead: string): string {
  const escaped = name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
  return text.replace(new RegExp(`(?<![\\p{L}\\p{N}])${escaped}(?![\\p{L}\\p{N}])`, 'giu'), instead)
}

/** Notes on some dogs, people or visits. */
export async function scrubNotes(tx: Transaction, ids: readonly string[], person: Person): Promise<void> {
  if (ids.length === 0) return
  const { notes: n } = tables
  for (const { id, text, struck } of await tx
    .select()
    .from(n)
    .where(inArray(n.aboutId, [...ids])))
    await tx.update(n).set(withoutPerson({ text, struck }, person)).where(eq(n.id, id))
}

/** Everything that was said in words at some visits: findings, closing, taps, lengths, sheets and what was computed from them. */
export async function scrubVisits(tx: Transaction, visitIds: readonly string[], person: Person): Promise<void> {
  const { visits: s, events: e, gradings: g, gradingResults: r, gradingConflicts: c } = tables
  if (visitIds.length === 0) return
  const ids = [...visitIds]
  const visits = await tx.select().from(s).where(inArray(s.id, ids))
  await scrubNotes(tx, ids, person)
  for (const { id, checkIn, found, closing } of visits)
    await tx
      .update(s)
      .set({ ...withoutPerson({ checkIn, found, closing }, person), eventsVersion: sql`${s.eventsVersion} + 1` })
      .where(eq(s.id, id))
  // an event's content hash stays as it came: it tells a tablet that its tap is there already, nothing more
  for (const { id, payload } of await tx.select().from(e).where(inArray(e.visitId, ids))) {
    const clean = withoutPerson(payload, person)
    if (JSON.stringify(clean) !== JSON.stringify(payload)) await tx.update(e).set({ payload: clean }).where(eq(e.id, id))
  }
  const { agreedTargets: t } = tables
  for (const { id, lines } of await tx.select({ id: t.id, lines: t.lines }).from(t).where(inArray(t.visitId, ids))) {
    const clean = withoutPerson(lines, person)
    if (JSON.stringify(clean) !== JSON.stringify(lines)) await tx.update(t).set({ lines: clean }).where(eq(t.id, id))
  }
  const gradings = await tx.select({ id: g.id, answers: g.answers, agreed: g.agreed }).from(g).where(inArray(g.visitId, ids))
  for (const { id, ...words } of gradings) {
    const clean = withoutPerson(words, person)
    if (JSON.stringify(clean) !== JSON.stringify(words)) await tx.update(g).set(clean).where(eq(g.id, id))
  }
  const gradingIds = gradings.map(({ id }) => id)
  if (gradingIds.length === 0) return
  await scrubCorrections(tx, gradingIds, person)
  // a result says in sentences what was written as a reason: those words alone are changed in it
  const reasons = reasonsIn(gradings.map(({ answers }) => answers))
  for (const { gradingId, body } of await tx.select().from(r).where(inArray(r.gradingId, gradingIds))) {
    const clean = withSentences(body, (said) =>
      reasons.reduce((text, reason) => text.replaceAll(reason, withoutPerson({ reason }, person).reason), said)
    )
    if (JSON.stringify(clean) !== JSON.stringify(body)) await tx.update(r).set({ body: clean }).where(eq(r.gradingId, gradingId))
  }
  for (const { id, draft } of await tx.select().from(c).where(inArray(c.gradingId, gradingIds)))
    await tx
      .update(c)
      .set({ draft: withoutPerson(draft, person) })
      .where(eq(c.id, id))
}

/** What was written when marks were set aside, appealed, or kept behind a certificate. */
async function scrubCorrections(tx: Transaction, gradingIds: readonly string[], person: Person): Promise<void> {
  const { setAsides: sa, appeals: ap, keptCertificates: kc } = tables
  const ids = [...gradingIds]
  for (const { gradingId, reason } of await tx.select().from(sa).where(inArray(sa.gradingId, ids)))
    await tx.update(sa).set(withoutPerson({ reason }, person)).where(eq(sa.gradingId, gradingId))
  for (const { gradingId, text, reason } of await tx.select().from(ap).where(inArray(ap.gradingId, ids)))
    await tx.update(ap).set(withoutPerson({ text, reason }, person)).where(eq(ap.gradingId, gradingId))
  for (const { gradingId, reason } of await tx.select().from(kc).where(inArray(kc.gradingId, ids)))
    await tx.update(kc).set(withoutPerson({ reason }, person)).where(eq(kc.gradingId, gradingId))
}

/** Every reason that stands in answers. */
function reasonsIn(value: unknown): readonly string[] {
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, own]) => (key === 'reason' && typeof own === 'string' && own !== '' ? [own] : reasonsIn(own)))
}
