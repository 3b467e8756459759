// What an entry of the trail speaks of, as a hash of its content: whatever is changed past the application shows.
import { contentHash, eventsAsSealed, inFirstWords, withoutTexts } from '@peen/bundle'
import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import { tables, type Reader } from '../../db'

/** "grading:1f…", "events:1f…": a kind of thing and which one. */
export type SealName = `${SealKind}:${string}`
export const SEAL_KINDS = [
  'grading',
  'events',
  'pictures',
  'finding',
  'signature',
  'credential',
  'revocation',
  'setAside',
  'appeal',
  'kept',
  'assessment',
  'account',
  'standard',
  'certificate'
] as const
export type SealKind = (typeof SEAL_KINDS)[number]
/** `parts`: the ids that belonged to it when it was sealed, where more may come later. */
export type Seal = { readonly name: SealName; readonly hash: string; readonly parts: readonly string[] | null }

type Content = { readonly content: unknown; readonly parts?: readonly string[] } | null
type Contents = Readonly<Record<SealKind, (db: Reader, id: string, parts: readonly string[] | null) => Promise<Content>>>

const CONTENTS: Contents = {
  grading: async (db, id) => {
    const { gradings: g, gradingResults: r } = tables
    const [row] = await db.select().from(g).where(eq(g.id, id))
    const [result] = await db.select().from(r).where(eq(r.gradingId, id))
    if (!row || !result) return null
    const { version: _version, ratedAtAnswers: _at, ...signed } = row
    return {
      content: withoutTexts({ ...inFirstWords(signed), result: { value: result.value, outcome: result.outcome, body: result.body } })
    }
  },
  // events that come later are no part of what was signed
  events: async (db, visitId, parts) => {
    const { events: e } = tables
    const here = parts ? and(eq(e.visitId, visitId), inArray(e.id, [...parts, NO_ID])) : eq(e.visitId, visitId)
    const rows = await db.select().from(e).where(here).orderBy(asc(e.id))
    return { content: eventsAsSealed(rows), parts: rows.map(({ id }) => id) }
  },
  // the photographs that were there when a mark was signed; the database hashes them, so that none travels
  pictures: async (db, visitId, parts) => {
    const { pictures: p } = tables
    const here = parts ? inArray(p.id, [...parts, NO_ID]) : eq(p.visitId, visitId)
    const rows = await db
      .select({ id: p.id, visitId: p.visitId, moment: p.moment, stance: p.stance, bytes: sql<string>`SHA2(${p.bytes}, 256)` })
      .from(p)
      .where(here)
      .orderBy(asc(p.id))
    return { content: rows.map(inFirstWords), parts: rows.map(({ id }) => id) }
  },
  finding: async (db, id) => {
    const [row] = await db.select().from(tables.findings).where(eq(tables.findings.id, id))
    if (!row) return null
    const { auditHash: _hash, draftedAt: _at, ...content } = row
    return { content: withoutTexts(content) }
  },
  signature: async (db, id) => {
    const { signatures: s } = tables
    const [findingId, personId] = id.split('/')
    const [row] = await db
      .select()
      .from(s)
      .where(and(eq(s.findingId, findingId), eq(s.personId, personId)))
    return row ? { content: row } : null
  },
  credential: async (db, id) => {
    const [row] = await db.select().from(tables.credentials).where(eq(tables.credentials.findingId, id))
    return row ? { content: row } : null
  },
  revocation: async (db, id) => {
    const [row] = await db.select().from(tables.revocations).where(eq(tables.revocations.findingId, id))
    return row ? { content: withoutTexts(row) } : null
  },
  setAside: async (db, id) => {
    const [row] = await db.select().from(tables.setAsides).where(eq(tables.setAsides.gradingId, id))
    return row ? { content: withoutTexts(row) } : null
  },
  appeal: async (db, id) => {
    const [row] = await db.select().from(tables.appeals).where(eq(tables.appeals.gradingId, id))
    return row ? { content: withoutTexts(row) } : null
  },
  kept: async (db, id) => {
    const { keptCertificates: k } = tables
    const [findingId, gradingId] = id.split('/')
    const [row] = await db
      .select()
      .from(k)
      .where(and(eq(k.findingId, findingId), eq(k.gradingId, gradingId)))
    return row ? { content: withoutTexts(row) } : null
  },
  assessment: async (db, id) => {
    const [row] = await db.select().from(tables.assessments).where(eq(tables.assessments.visitId, id))
    return row ? { content: withoutTexts(inFirstWords(row)) } : null
  },
  account: async (db, id) => {
    const [person] = await db
      .select({ role: tables.people.role, username: tables.people.username })
      .from(tables.people)
      .where(eq(tables.people.id, id))
    if (!person) return null
    const { accountEvents: a } = tables
    const rows = await db.select().from(a).where(eq(a.personId, id)).orderBy(asc(a.seq))
    // an account of before there were second accounts is sealed without the field
    const events = rows.map(({ otherId, ...event }) => (otherId === null ? event : { ...event, otherId }))
    return { content: { ...person, events } }
  },
  standard: (db, id) => bodyOf(db, tables.standards, id),
  certificate: (db, id) => bodyOf(db, tables.certificates, id)
}

const NO_ID = '00000000-0000-0000-0000-000000000000'

async function bodyOf(db: Reader, table: typeof tables.standards | typeof tables.certificates, idAt: string): Promise<Content> {
  const [id, version] = idAt.split('@')
  const [row] = await db
    .select({ body: table.body })
    .from(table)
    .where(and(eq(table.id, id), eq(table.version, Number(version))))
  return row ? { content: row.body } : null
}

/** What the trail holds of a thing, as that stands now; null where it is not there. `parts` names what belonged to it. */
export async function contentOf(db: Reader, name: SealName, parts: readonly string[] | null = null): Promise<Content> {
  const [kind, id] = [name.slice(0, name.indexOf(':')) as SealKind, name.slice(name.indexOf(':') + 1)]
  return (await CONTENTS[kind]?.(db, id, parts)) ?? null
}

/** The seal of a thing as it stands now. */
export async function sealOf(db: Reader, name: SealName, parts: readonly string[] | null = null): Promise<Seal | null> {
  const found = await contentOf(db, name, parts)
  return found ? { name, hash: contentHash(found.content), parts: found.parts ?? null } : null
}
