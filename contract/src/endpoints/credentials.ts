// Certificates outside the house: files, paper, and checking them without an account.
import type { CheckView, CredentialView, IssuerKeyView } from '../evidence/credentials'
import { ALL, ANYONE, get, LEAD, post } from './endpoint'

const GONE = { problems: ['notIssued', 'keyLost'] } as const

export const credentialEndpoints = {
  credential: get('/findings/:id/credential', ALL, 'The code and the address by which an issued certificate is checked.', GONE),
  credentialFile: get('/findings/:id/credential/file', ALL, 'An issued certificate as a signed credential (Open Badges 3.0).', {
    gives: 'file',
    ...GONE
  }),
  badge: get('/findings/:id/badge', ALL, 'The credential in a picture.', { gives: 'png', ...GONE }),
  paper: get('/findings/:id/paper', ALL, 'The certificate on A4 paper, with its evidence where that is asked for.', {
    gives: 'pdf',
    query: ['evidence'],
    ...GONE
  }),
  evidence: get('/findings/:id/evidence', ALL, 'Everything behind an issued certificate, as a ZIP that anyone can check.', {
    gives: 'zip',
    problems: ['notIssued', 'keyLost', 'blind']
  }),
  revoke: post('/findings/:id/revoke', LEAD, 'Revokes an issued certificate, with a reason.', {
    needs: 'password',
    problems: ['notIssued', 'revoked']
  }),
  keepCertificate: post('/findings/:id/keep', LEAD, 'Says that a certificate holds though a mark behind it was set aside.', {
    needs: 'password',
    problems: ['notIssued']
  }),
  issuerKeys: get('/issuer/keys', LEAD, 'The keys that sign certificates, the one in use first.'),
  newIssuerKey: post('/issuer/keys', LEAD, 'Makes a new signing key; the one before it signs nothing more.', { needs: 'password' }),
  issuer: get('/issuer', ANYONE, 'The keys that signed and sign certificates, as a list that is signed itself.', {
    gives: 'file',
    problems: ['keyLost']
  }),
  statusList: get('/status/1', ANYONE, 'Which certificates were revoked, signed (Bitstring Status List 1.0).', {
    gives: 'file',
    problems: ['keyLost']
  }),
  checkNumber: post('/check', ANYONE, 'Checks a certificate by its number and its code.', { problems: ['tooManyTries'] }),
  checkFile: post('/check/file', ANYONE, 'Checks a credential: JSON, or baked into a picture.', {
    reads: 'picture',
    problems: ['tooManyTries']
  })
}

export type CredentialReplies = {
  readonly credential: CredentialView
  readonly credentialFile: never
  readonly badge: never
  readonly paper: never
  readonly evidence: never
  readonly revoke: { readonly status: string }
  readonly keepCertificate: { readonly id: string }
  readonly issuerKeys: readonly IssuerKeyView[]
  readonly newIssuerKey: readonly IssuerKeyView[]
  readonly issuer: never
  readonly statusList: never
  readonly checkNumber: CheckView
  readonly checkFile: CheckView
}
