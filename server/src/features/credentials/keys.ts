// The keys that sign certificates: public halves in the database, secret halves in files that the server alone reads.
import type { IssuerKeyView, Me, NewKey } from '@peen/contract'
import { fingerprintOf, makeKey, type SigningKey } from '@peen/credential'
import { count, desc, isNull } from 'drizzle-orm'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { inTransaction, tables, type Reader, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'

const { issuerKeys: k, credentials: c } = tables
type KeyRow = typeof k.$inferSelect

const fileOf = (folder: string, publicKey: string) => join(folder, `${fingerprintOf(publicKey)}.json`)

const keyLost = (fingerprint: string | null) =>
  refuse.conflict(
    'keyLost',
    fingerprint === null
      ? 'This server has no folder for signing keys, so it signs no certificate. Start Peen with npm start, or name a folder in PEEN_KEYS.'
      : `The signing key ${fingerprint} is not on this server. Bring it back from a backup, or have a lead assessor make a new key under Audit trail. Certificates signed so far stay valid.`
  )

/** The secret half from its file. @throws Refused where it is not there or cannot be read */
function secretOf(folder: string | undefined, publicKey: string): SigningKey {
  const fingerprint = fingerprintOf(publicKey)
  if (folder === undefined) throw keyLost(null)
  try {
    const { secretKey } = JSON.parse(readFileSync(fileOf(folder, publicKey), 'utf8')) as SigningKey
    if (typeof secretKey !== 'string') throw keyLost(fingerprint)
    return { publicKey, secretKey }
  } catch {
    throw keyLost(fingerprint)
  }
}

/** A new key whose secret half is on the disk before anything rests on it. */
async function write(folder: string): Promise<SigningKey> {
  const key = await makeKey()
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  writeFileSync(fileOf(folder, key.publicKey), JSON.stringify(key), { mode: 0o600, flag: 'wx' })
  return key
}

const inUse = async (db: Reader): Promise<KeyRow | null> =>
  (await db.select().from(k).where(isNull(k.endedAt)).orderBy(desc(k.madeAt)))[0] ?? null

/** The key in use; the first is made when it is first needed. Called with the head of the trail locked. */
export async function signingKey(tx: Transaction, folder: string | undefined, now: Date): Promise<SigningKey> {
  const row = await inUse(tx)
  if (row) return secretOf(folder, row.publicKey)
  if (folder === undefined) throw keyLost(null)
  const key = await write(folder)
  await tx.insert(k).values({ publicKey: key.publicKey, madeAt: now })
  await appendAudit(tx, { kind: 'key.made', at: now.toISOString(), by: 'peen', ids: { key: key.publicKey } })
  return key
}

/** The key in use for what is signed without a change: lists. Null while no certificate was ever issued. */
export async function listKey(db: Reader, folder: string | undefined): Promise<SigningKey | null> {
  const row = await inUse(db)
  return row && secretOf(folder, row.publicKey)
}

export const keyRows = (db: Reader): Promise<KeyRow[]> => db.select().from(k).orderBy(isNull(k.endedAt), desc(k.madeAt))

/** Every key, the one in use first. */
export async function keyViews({ db, keys: folder }: Services): Promise<IssuerKeyView[]> {
  const rows = await db
    .select()
    .from(k)
    .orderBy(desc(isNull(k.endedAt)), desc(k.madeAt))
  const many = await db.select({ publicKey: c.publicKey, n: count() }).from(c).groupBy(c.publicKey)
  return rows.map((row) => ({
    fingerprint: fingerprintOf(row.publicKey),
    publicKey: row.publicKey,
    madeAt: row.madeAt.toISOString(),
    endedAt: row.endedAt?.toISOString() ?? null,
    reason: row.reason,
    compromisedSince: row.compromisedSince?.toISOString() ?? null,
    isThere: folder !== undefined && existsSync(fileOf(folder, row.publicKey)),
    certificates: many.find(({ publicKey }) => publicKey === row.publicKey)?.n ?? 0
  }))
}

/** Makes a new key and ends the one in use. What the old one signed stays as it is; since when it was stolen is kept with it. */
export async function newKey(services: Services, actor: Me, { reason, compromisedSince }: NewKey): Promise<IssuerKeyView[]> {
  const { db, clock, keys: folder } = services
  if (folder === undefined) throw keyLost(null)
  const now = await clock.now()
  const since = compromisedSince === null ? null : new Date(`${compromisedSince}T00:00:00Z`)
  if (since && (Number.isNaN(since.getTime()) || since > now))
    throw refuse.invalid([{ path: 'compromisedSince', detail: `The date of theft is ${compromisedSince}; it must be today or earlier.` }])
  await inTransaction(db, async (tx) => {
    await tx.select().from(tables.auditHead).for('update')
    const key = await write(folder)
    await tx.update(k).set({ endedAt: now, endedBy: actor.id, reason, compromisedSince: since }).where(isNull(k.endedAt))
    await tx.insert(k).values({ publicKey: key.publicKey, madeAt: now, madeBy: actor.id })
    await appendAudit(tx, {
      kind: 'key.made',
      at: now.toISOString(),
      by: actor.id,
      ids: { key: key.publicKey, ...(compromisedSince && { compromisedSince }) }
    })
  })
  return keyViews(services)
}
