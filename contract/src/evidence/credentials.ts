import { chosen, reasonIn } from '../shape/fields'
import { object, string, type InferType } from '../shape/yup'

/** Why a certificate was revoked, as anyone who checks it is told. */
export const REVOKE_KINDS = ['error', 'evidence', 'safety', 'request'] as const
export type RevokeKind = (typeof REVOKE_KINDS)[number]

const REASON = 'Give a reason for revoking, in a few words.'
export const revokeSchema = object({
  kind: chosen('The kind of reason', REVOKE_KINDS),
  reason: reasonIn(REASON, 500)
}).noUnknown()
export type Revoke = InferType<typeof revokeSchema>

const KEY_REASON = 'Say why the school needs a new signing key, in a few words.'
export const newKeySchema = object({
  reason: reasonIn(KEY_REASON, 500),
  compromisedSince: string()
    .matches(/^\d{4}-\d\d-\d\d$/, 'The date of theft must be a date, such as 2026-04-14.')
    .nullable()
    .defined()
}).noUnknown()
export type NewKey = InferType<typeof newKeySchema>

export const checkNumberSchema = object({
  number: string().required('Enter the number of the certificate.').max(20),
  code: string().required('Enter the code of the certificate.').max(24)
}).noUnknown()
export type CheckNumber = InferType<typeof checkNumberSchema>

/** An issued certificate as it goes out of the house. */
export type CredentialView = {
  readonly code: string
  /** of the key that signed it */
  readonly fingerprint: string
  /** where anyone checks it; null where the school has no address of its own */
  readonly checkUrl: string | null
}

export type CheckSigner = { readonly name: string; readonly role: string; readonly on: string }
/** What a check of a certificate comes to. */
export type CheckVerdict = 'valid' | 'expired' | 'revoked' | 'changed' | 'notYet' | 'notInRecords' | 'unreadable'

export type CheckView = {
  readonly verdict: CheckVerdict
  /** it is a certificate of this school */
  readonly ours: boolean
  /** why a file could not be checked, with the address that stands in the way */
  readonly unreadable: string | null
  readonly what: string | null
  /** parts in which a file differs from what was issued; empty where that cannot be told */
  readonly changed: readonly string[]
  readonly number: string | null
  readonly holder: string
  readonly name: string
  readonly claim: string
  readonly school: string
  /** days */
  readonly issuedOn: string | null
  readonly validUntil: string | null
  readonly signers: readonly CheckSigner[]
  readonly revoked: { readonly on: string; readonly kind: RevokeKind } | null
  readonly fingerprint: string | null
}

export type IssuerKeyView = {
  readonly fingerprint: string
  readonly publicKey: string
  readonly madeAt: string
  readonly endedAt: string | null
  readonly reason: string | null
  readonly compromisedSince: string | null
  /** the server has the secret half */
  readonly isThere: boolean
  readonly certificates: number
}
