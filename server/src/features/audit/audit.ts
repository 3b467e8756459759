import { sha256, walkTrail } from '@peen/bundle'
import canonicalize from 'canonicalize'
import { asc, desc, eq } from 'drizzle-orm'
import { inTransaction, tables, type Database, type Reader, type Transaction } from '../../db'
import { unfitHead } from './heads'
import { sealOf, type Seal, type SealName } from './seals'

/** What may be chained: ids, numbers and kinds. Names, owner data and free text never enter. */
export type AuditEntry = {
  readonly kind: string
  readonly at: string
  readonly by: string
  readonly ids: Readonly<Record<string, string | number>>
}

/**
 * Adds an entry to the hash chain and returns its hash: SHA-256 over the canonical bytes (RFC 8785), which hold the hash before, and a
 * hash of the content of each thing it speaks of, as that stands now. Called when everything is written. Serialised on the head row.
 */
export async function appendAudit(tx: Transaction, entry: AuditEntry, of: readonly SealName[] = []): Promise<string> {
  const [head] = await tx.select().from(tables.auditHead).for('update')
  const seals: Seal[] = []
  for (const name of of) {
    // what is gone by now is sealed as gone
    seals.push((await sealOf(tx, name)) ?? { name, hash: GONE, parts: null })
  }
  const seq = head.seq + 1
  const sealed = seals.length > 0 ? { seals: Object.fromEntries(seals.map(({ name, hash }) => [name, hash])) } : {}
  const bytes = canonicalize({ seq, previous: head.hash, ...entry, ...sealed })!
  const hash = sha256(bytes)
  await tx.insert(tables.auditLog).values({ seq, bytes, hash })
  if (seals.length > 0) await tx.insert(tables.auditSeals).values(seals.map(({ name, parts }) => ({ seq, name, parts })))
  await tx.update(tables.auditHead).set({ seq, hash }).where(eq(tables.auditHead.id, 1))
  return hash
}

/** In the place of a hash: the thing was taken away by the application itself. */
const GONE = ''

/** Something of which the trail holds another content than the database has now; `missing`: it is not there any more. */
export type Changed = { readonly name: string; readonly seq: number; readonly missing: boolean }
export type AuditCheck = {
  /** no entry was changed, lost or put in, and everything that entries speak of is as it was */
  readonly whole: boolean
  readonly entries: number
  readonly head: string
  /** the first entry that does not fit */
  readonly brokenAt: number | null
  readonly changed: readonly Changed[]
}

/** Walks the whole chain, names the first entry that does not fit, and compares what the newest entry about each thing holds with what is there. */
export async function checkAudit(db: Reader): Promise<AuditCheck> {
  const rows = await db.select().from(tables.auditLog).orderBy(asc(tables.auditLog.seq))
  const [head] = await db.select().from(tables.auditHead)
  const { brokenAt: broken, last, newest } = walkTrail(rows)
  let brokenAt = broken
  if (brokenAt === null && (head?.hash !== last || head.seq !== rows.length)) brokenAt = rows.length
  const unfit = await unfitHead(
    db,
    rows.map(({ hash }) => hash)
  )
  if (unfit !== null && (brokenAt === null || unfit < brokenAt)) brokenAt = unfit
  const changed = [...(await changedSince(db, newest)), ...(await unsealedAccounts(db, newest))]
  return { whole: brokenAt === null && changed.length === 0, entries: rows.length, head: head?.hash ?? '', brokenAt, changed }
}

async function changedSince(db: Reader, newest: ReadonlyMap<string, { readonly seq: number; readonly hash: string }>): Promise<Changed[]> {
  const { auditSeals: s } = tables
  const parts = new Map((await db.select().from(s)).map((row) => [`${row.seq} ${row.name}`, row.parts]))
  const found: Changed[] = []
  for (const [name, { seq, hash }] of newest) {
    const now = await sealOf(db, name as SealName, parts.get(`${seq} ${name}`) ?? null)
    if ((now?.hash ?? GONE) !== hash) found.push({ name, seq, missing: now === null })
  }
  return found.sort((a, b) => a.seq - b.seq)
}

/** Accounts that were put in past the application: something happened to them, and no entry says so. */
async function unsealedAccounts(db: Reader, newest: ReadonlyMap<string, unknown>): Promise<Changed[]> {
  const rows = await db.selectDistinct({ id: tables.accountEvents.personId }).from(tables.accountEvents)
  return rows.flatMap(({ id }) => (newest.has(`account:${id}`) ? [] : [{ name: `account:${id}`, seq: 0, missing: false }]))
}

/** Checks now, and keeps what came of it with the day, for the lead assessors to see. */
export async function checkAndKeep(db: Database, at: Date): Promise<AuditCheck> {
  const check = await checkAudit(db)
  const { whole, entries, head, brokenAt, changed } = check
  await db.insert(tables.auditChecks).values({ at, whole, entries, head, brokenAt, changed: [...changed] })
  return check
}

/** What the last checks came to, the newest first. */
export async function lastChecks(db: Reader, most = 10) {
  const { auditChecks: c } = tables
  const rows = await db.select().from(c).orderBy(desc(c.seq)).limit(most)
  return rows.map(({ seq: _seq, at, ...row }) => ({ ...row, at: at.toISOString() }))
}

/** As many seals as one entry holds, with room to spare. */
const SEALS_AN_ENTRY = 200

/** Once, in a school whose trail held no content yet: what is signed by now is sealed as it stands. */
export async function beginSeals(db: Database, at: Date): Promise<void> {
  await inTransaction(db, async (tx) => {
    await tx.select().from(tables.auditHead).for('update')
    const [any] = await tx.select({ seq: tables.auditSeals.seq }).from(tables.auditSeals).limit(1)
    if (any) return
    await sealed(tx, 'trail.begun', await allSigned(tx), at)
  })
}

/** What the application itself has just written into things that were signed: the trail holds them from now on as they are. */
export const resealed = (tx: Transaction, names: readonly SealName[], at: Date): Promise<void> => sealed(tx, 'record.upgraded', names, at)

async function sealed(tx: Transaction, kind: string, names: readonly SealName[], at: Date): Promise<void> {
  for (let i = 0; i < names.length; i += SEALS_AN_ENTRY)
    await appendAudit(tx, { kind, at: at.toISOString(), by: '', ids: {} }, names.slice(i, i + SEALS_AN_ENTRY))
}

async function allSigned(tx: Transaction): Promise<SealName[]> {
  const { gradings: g, findings: f, signatures: s, assessments: a, accountEvents: e } = tables
  const gradings = await tx.select({ id: g.id, visitId: g.visitId }).from(g).where(eq(g.status, 'signed'))
  const findings = await tx.select({ id: f.id }).from(f)
  const signatures = await tx.select({ findingId: s.findingId, personId: s.personId }).from(s)
  const assessments = await tx.select({ id: a.visitId }).from(a)
  const accounts = await tx.selectDistinct({ id: e.personId }).from(e)
  return [
    ...gradings.map(({ id }): SealName => `grading:${id}`),
    ...[...new Set(gradings.map(({ visitId }) => visitId))].map((id): SealName => `events:${id}`),
    ...[...new Set(gradings.map(({ visitId }) => visitId))].map((id): SealName => `pictures:${id}`),
    ...findings.map(({ id }): SealName => `finding:${id}`),
    ...signatures.map(({ findingId, personId }): SealName => `signature:${findingId}/${personId}`),
    ...assessments.map(({ id }): SealName => `assessment:${id}`),
    ...accounts.map(({ id }): SealName => `account:${id}`)
  ]
}
