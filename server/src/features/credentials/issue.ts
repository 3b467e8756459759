// An issued certificate as a credential that anyone can verify, made once and never again.
import type { CredentialView } from '@peen/contract'
import { achievementCredential, didOf, fingerprintOf, sign, STATUS_PLACES } from '@peen/credential'
import { asc, eq } from 'drizzle-orm'
import { randomInt } from 'node:crypto'
import { v5 } from 'uuid'
import { localDate } from '../../clock'
import { inTransaction, tables, type Reader, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'
import { certificateAt } from '../certificates'
import { fullName, personById } from '../people'
import { schoolRow } from '../school'
import { signHeadWith } from './heads'
import { signingKey } from './keys'

const { credentials: c, findings: f, signatures: s, people } = tables
type FindingRow = typeof f.$inferSelect
export type CredentialRow = typeof c.$inferSelect

/** Crockford's letters: none is taken for another. */
const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'
const CODE_LETTERS = 10
const newCode = () => Array.from({ length: CODE_LETTERS }, () => LETTERS[randomInt(LETTERS.length)]).join('')

/** A code as it was typed, with what is easily mistaken put right. */
export const readCode = (typed: string): string =>
  typed
    .toUpperCase()
    .replace(/[^0-9A-Z]/g, '')
    .replace(/O/g, '0')
    .replace(/[IL]/g, '1')
/** "7K3Q9-F2MX1" */
export const sayCode = (code: string): string => `${code.slice(0, CODE_LETTERS / 2)}-${code.slice(CODE_LETTERS / 2)}`

/** Where the school's list of revoked certificates lies; a name that is no address where the school has none. */
export const listOf = (publicUrl: string | null | undefined, schoolName: string): string =>
  publicUrl ? `${publicUrl}/api/status/1` : `urn:uuid:${v5(`${schoolName}/status/1`, v5.URL)}`

export const checkUrlOf = (publicUrl: string | null | undefined, { number }: { readonly number: string }, code: string): string | null =>
  publicUrl ? `${publicUrl}/check/${number}/${sayCode(code)}` : null

export const credentialRow = async (db: Reader, findingId: string): Promise<CredentialRow | null> =>
  (await db.select().from(c).where(eq(c.findingId, findingId)))[0] ?? null

/** Who signed a certificate, in order, with the day. */
export async function signersOf(db: Reader, findingId: string): Promise<{ name: string; role: string; onDate: string }[]> {
  const rows = await db
    .select({ person: people, at: s.signedAt })
    .from(s)
    .innerJoin(people, eq(people.id, s.personId))
    .where(eq(s.findingId, findingId))
    .orderBy(asc(s.signedAt), asc(s.personId))
  const { timeZone } = await schoolRow(db)
  return rows.map(({ person, at }) => ({ name: fullName(person), role: person.role, onDate: localDate(at, timeZone) }))
}

async function freePlace(tx: Transaction): Promise<number> {
  const taken = new Set((await tx.select({ place: c.place }).from(c)).map(({ place }) => place))
  for (;;) {
    const place = randomInt(STATUS_PLACES)
    if (!taken.has(place)) return place
  }
}

async function documentOf(tx: Transaction, { publicUrl }: Services, finding: FindingRow, publicKey: string, place: number) {
  const school = await schoolRow(tx)
  const certificate = await certificateAt(tx, finding.certificateId, finding.certificateVersion)
  const signers = await signersOf(tx, finding.id)
  const issuedAt = (await tx.select({ at: s.signedAt }).from(s).where(eq(s.findingId, finding.id)).orderBy(asc(s.signedAt))).at(-1)!.at
  const credential = achievementCredential({
    id: finding.id,
    number: finding.number,
    issuedAt: `${issuedAt.toISOString().slice(0, 19)}Z`,
    validUntil: finding.validUntil,
    holder: fullName(await personById(tx, finding.apprenticeId)),
    school: { name: school.name, url: publicUrl ?? null },
    publicKey,
    certificate: {
      id: v5(`${certificate.id}@${certificate.version}`, v5(didOf(publicKey), v5.URL)),
      name: certificate.name,
      claim: certificate.claim,
      version: certificate.version
    },
    rules: (finding.evidence ?? []).map(({ name, onDate }) => ({ name, onDate })),
    signers,
    status: { list: listOf(publicUrl, school.name), index: place },
    trail: finding.auditHash ?? ''
  })
  return { credential, issuedAt }
}

/** The credential of an issued certificate; made the first time. @throws Refused where it was never issued, or the key is not there */
export async function credentialOf(services: Services, findingId: string): Promise<CredentialRow> {
  const { db, keys, clock } = services
  const there = await credentialRow(db, findingId)
  if (there) return there
  const now = await clock.now()
  return inTransaction(db, async (tx) => {
    await tx.select().from(tables.auditHead).for('update')
    const meanwhile = await credentialRow(tx, findingId)
    if (meanwhile) return meanwhile
    const finding = (await tx.select().from(f).where(eq(f.id, findingId)))[0]
    if (!finding) throw refuse.notFound('This certificate')
    if (finding.status !== 'issued') throw refuse.conflict('notIssued', NOT_ISSUED[finding.status])
    const key = await signingKey(tx, keys, now)
    const place = await freePlace(tx)
    const { credential, issuedAt } = await documentOf(tx, services, finding, key.publicKey, place)
    const document = await sign(credential, key, issuedAt)
    await tx.insert(c).values({ findingId, code: newCode(), publicKey: key.publicKey, place, document, issuedAt })
    await appendAudit(
      tx,
      {
        kind: 'credential.made',
        at: now.toISOString(),
        by: finding.decidedBy!,
        ids: { finding: findingId, apprentice: finding.apprenticeId }
      },
      [`credential:${findingId}`]
    )
    await signHeadWith(tx, key, now)
    return (await credentialRow(tx, findingId))!
  })
}

const NOT_ISSUED: Readonly<Record<FindingRow['status'], string>> = {
  drafted: 'This certificate has not been issued yet. It needs two signatures.',
  declined: 'This certificate was declined.',
  revoked: 'This certificate was revoked before its file was made.',
  issued: ''
}

/** The code and the address by which it is checked. */
export async function credentialView(
  services: Services,
  finding: { readonly id: string; readonly number: string }
): Promise<CredentialView> {
  const { code, publicKey } = await credentialOf(services, finding.id)
  return { code: sayCode(code), fingerprint: fingerprintOf(publicKey), checkUrl: checkUrlOf(services.publicUrl, finding, code) }
}
