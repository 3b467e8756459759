// Checking a certificate without an account: by its number and code, or by its file.
import type { CheckNumber, CheckView } from '@peen/contract'
import { changedParts, fingerprintOf, readCredential, saysOf, timeOf, type Json } from '@peen/credential'
import { and, eq } from 'drizzle-orm'
import { localDate } from '../../clock'
import { tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { tryFew } from '../auth'
import { schoolRow } from '../school'
import { credentialRow, readCode, signersOf, type CredentialRow } from './issue'
import { keyRows } from './keys'

const { credentials: c, findings: f, revocations: r } = tables

/** Wrong numbers and codes from one address, and files, in a quarter of an hour. Chosen. */
const MOST_WRONG = 20
const MOST_FILES = 60

const NOTHING: CheckView = {
  ...{ verdict: 'unreadable', ours: false, unreadable: null, what: null, changed: [], number: null },
  ...{ holder: '', name: '', claim: '', school: '', issuedOn: null, validUntil: null, signers: [], revoked: null, fingerprint: null }
}

/** What a credential says of itself. */
function said(document: Json, publicKey: string): CheckView {
  const { holder, name, claim, issuer, from, until } = saysOf(document)
  return {
    ...NOTHING,
    ...{ holder, name, claim, school: issuer, issuedOn: from.slice(0, 10) || null, validUntil: until?.slice(0, 10) ?? null },
    fingerprint: fingerprintOf(publicKey)
  }
}

/** A certificate of this school, as its records have it today. */
async function ofRecord(db: Reader, row: CredentialRow, today: string): Promise<CheckView> {
  const [finding] = await db.select().from(f).where(eq(f.id, row.findingId))
  const [revoked] = await db.select().from(r).where(eq(r.findingId, row.findingId))
  const isOver = finding.validUntil !== null && finding.validUntil < today
  const signers = await signersOf(db, row.findingId)
  const { timeZone } = await schoolRow(db)
  return {
    ...said(row.document, row.publicKey),
    ...{ verdict: revoked ? 'revoked' : isOver ? 'expired' : 'valid', ours: true, number: finding.number, validUntil: finding.validUntil },
    // days as the paper has them, by the school's own clock
    issuedOn: signers.at(-1)?.onDate ?? localDate(row.issuedAt, timeZone),
    signers: signers.map(({ name, role, onDate }) => ({ name, role, on: onDate })),
    revoked: revoked ? { on: localDate(revoked.at, timeZone), kind: revoked.kind } : null
  }
}

const keyOf = (what: string, ip: string) => ({ kind: 'address', value: `${what} ${ip}` }) as const

/** By number and code; a wrong one of either tells nothing of the other. */
export async function checkNumber({ db, clock }: Services, ip: string, { number, code }: CheckNumber): Promise<CheckView> {
  const today = await clock.today()
  const view = await tryFew(db, keyOf('check', ip), { now: clock.real(), most: MOST_WRONG }, async () => {
    const [found] = await db
      .select({ row: c })
      .from(c)
      .innerJoin(f, eq(f.id, c.findingId))
      .where(and(eq(f.number, number.trim()), eq(c.code, readCode(code))))
    return { right: found !== undefined, value: found ? await ofRecord(db, found.row, today) : null }
  })
  if (!view) throw refuse.notFound('A certificate with this number and this code')
  return view
}

const idOf = (document: Json): string => /^urn:uuid:([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$/.exec(String(document.id))?.[1] ?? ''

/** By its file, of this school or of another. */
export async function checkFile({ db, clock }: Services, ip: string, bytes: Uint8Array): Promise<CheckView> {
  const [now, today] = [await clock.now(), await clock.today()]
  return tryFew(db, keyOf('file', ip), { now: clock.real(), most: MOST_FILES }, async () => ({
    // each costs work, whatever comes of it
    right: false,
    value: await ofFile(db, bytes, now, today)
  }))
}

async function ofFile(db: Reader, bytes: Uint8Array, now: Date, today: string): Promise<CheckView> {
  const read = await readCredential(bytes)
  if (read.unreadable !== null) return { ...NOTHING, unreadable: read.unreadable, what: read.what ?? null }
  const { credential, publicKey, intact } = read
  const view = said(credential, publicKey)
  const id = idOf(credential)
  const row = id === '' ? null : await credentialRow(db, id)
  const isOurs = row !== null || (await keyRows(db)).some((key) => key.publicKey === publicKey)
  if (!intact) return { ...view, verdict: 'changed', ours: isOurs, changed: row ? changedParts(row.document, credential) : [] }
  if (row && row.publicKey === publicKey) return ofRecord(db, row, today)
  if (isOurs) return { ...view, verdict: 'notInRecords', ours: true }
  const time = timeOf(credential, now)
  return { ...view, verdict: time === 'now' ? 'valid' : time }
}
