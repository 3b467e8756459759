// The stretch of the trail that speaks of one certificate's evidence, with the contents that it holds.
import { walkTrail, type TrailEntry } from '@peen/bundle'
import { and, asc, eq, gte, inArray } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { contentOf, type SealName } from '../audit'

export type SealedThing = { readonly name: string; readonly parts: readonly string[] | null; readonly content?: unknown }
export type Stretch = {
  readonly entries: readonly TrailEntry[]
  readonly sealed: readonly SealedThing[]
  readonly heads: readonly object[]
}

/** From the first entry that is needed to the last one there is: those of others among them hold kinds, times, ids and hashes, no name and no word. */
export async function stretchOf(db: Reader, names: readonly SealName[]): Promise<Stretch> {
  const rows = await db.select().from(tables.auditLog).orderBy(asc(tables.auditLog.seq))
  const { newest } = walkTrail(rows)
  const held = names.flatMap((name) => (newest.has(name) ? [{ name, seq: newest.get(name)!.seq }] : []))
  const from = Math.min(rows.length, ...held.map(({ seq }) => seq))
  const heads = await db.select().from(tables.signedHeads).where(gte(tables.signedHeads.seq, from)).orderBy(asc(tables.signedHeads.seq))
  const sealed: SealedThing[] = []
  for (const { name, seq } of held) sealed.push(await sealedThing(db, name, seq))
  return { entries: rows.filter(({ seq }) => seq >= from), sealed, heads: heads.map(({ document }) => document) }
}

async function sealedThing(db: Reader, name: SealName, seq: number): Promise<SealedThing> {
  const { auditSeals: a } = tables
  const [row] = await db
    .select()
    .from(a)
    .where(and(eq(a.seq, seq), eq(a.name, name)))
  const found = await contentOf(db, name, row?.parts ?? null)
  const isEvents = name.startsWith('events:')
  return { name, parts: found?.parts ?? null, ...(isEvents ? {} : { content: found?.content ?? null }) }
}

/** Names of what the trail may hold of a certificate and of the marks behind it. */
export async function sealNames(
  db: Reader,
  finding: { readonly id: string },
  gradings: readonly { readonly id: string; readonly visitId: string }[]
): Promise<SealName[]> {
  const { signatures: s, keptCertificates: k, setAsides, appeals } = tables
  const ids = gradings.map(({ id }) => id)
  const visits = [...new Set(gradings.map(({ visitId }) => visitId))]
  const signers = await db.select({ id: s.personId }).from(s).where(eq(s.findingId, finding.id)).orderBy(asc(s.signedAt))
  const kept = await db.select({ id: k.gradingId }).from(k).where(eq(k.findingId, finding.id))
  const spoken =
    ids.length === 0 ? [] : await db.select({ id: setAsides.gradingId }).from(setAsides).where(inArray(setAsides.gradingId, ids))
  const appealed = ids.length === 0 ? [] : await db.select({ id: appeals.gradingId }).from(appeals).where(inArray(appeals.gradingId, ids))
  return [
    ...(['finding', 'credential', 'revocation'] as const).map((kind): SealName => `${kind}:${finding.id}`),
    ...signers.map(({ id }): SealName => `signature:${finding.id}/${id}`),
    ...kept.map(({ id }): SealName => `kept:${finding.id}/${id}`),
    ...ids.map((id): SealName => `grading:${id}`),
    ...spoken.map(({ id }): SealName => `setAside:${id}`),
    ...appealed.map(({ id }): SealName => `appeal:${id}`),
    ...visits.flatMap((id): SealName[] => [`events:${id}`, `pictures:${id}`, `assessment:${id}`])
  ]
}
