// Certificates that go out of the house: the keys that sign them, what was signed, and what was revoked.
import type { RevokeKind } from '@peen/contract'
import type { Sealed } from '@peen/credential'
import { int, json, mysqlTable, text } from 'drizzle-orm/mysql-core'
import { name, utc, uuid } from './columns'
import { findings } from './schema-grading'

/** The public half of each signing key; the secret half lies in a file that the server alone reads. */
export const issuerKeys = mysqlTable('issuer_keys', {
  /** Multikey, Ed25519 */
  publicKey: name('public_key', 64).primaryKey(),
  madeAt: utc('made_at').notNull(),
  /** null: by the server itself, when the first one was needed */
  madeBy: uuid('made_by'),
  /** from then on another key signs */
  endedAt: utc('ended_at'),
  endedBy: uuid('ended_by'),
  reason: text('reason'),
  /** from then on someone else may have had it */
  compromisedSince: utc('compromised_since')
})

export const credentials = mysqlTable('credentials', {
  findingId: uuid('finding_id')
    .primaryKey()
    .references(() => findings.id),
  /** asked for beside the number, so that guessing numbers tells nothing */
  code: name('code', 16).notNull(),
  publicKey: name('public_key', 64)
    .notNull()
    .references(() => issuerKeys.publicKey),
  /** its place in the list of what was revoked */
  place: int('place').notNull().unique(),
  /** the credential as it was signed */
  document: json('document').$type<Readonly<Record<string, unknown>>>().notNull(),
  issuedAt: utc('issued_at').notNull()
})

export const revocations = mysqlTable('revocations', {
  findingId: uuid('finding_id')
    .primaryKey()
    .references(() => findings.id),
  at: utc('at').notNull(),
  by: uuid('by').notNull(),
  kind: name('kind', 20).$type<RevokeKind>().notNull(),
  /** for the school alone */
  reason: text('reason').notNull()
})

/** Heads of the trail as the signing key has signed them, one a day and one at each certificate: who has the database alone makes none. */
export const signedHeads = mysqlTable('signed_heads', {
  seq: int('seq').primaryKey(),
  at: utc('at').notNull(),
  document: json('document').$type<Sealed>().notNull()
})
