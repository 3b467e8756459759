import { BADGE_CONTEXT, didOf, VC_CONTEXT } from './contexts'

/** What a certificate says, before it is a credential. Days as yyyy-mm-dd. */
export type CertificateFacts = {
  /** uuid */
  readonly id: string
  readonly number: string
  /** ISO */
  readonly issuedAt: string
  /** the last day on which it holds; null: for good */
  readonly validUntil: string | null
  readonly holder: string
  readonly school: { readonly name: string; readonly url: string | null }
  readonly publicKey: string
  /** the certificate: `id` a uuid of this version */
  readonly certificate: { readonly id: string; readonly name: string; readonly claim: string; readonly version: number }
  /** rules that were met, and since when */
  readonly rules: readonly { readonly name: string; readonly onDate: string | null }[]
  readonly signers: readonly { readonly name: string; readonly role: string; readonly onDate: string }[]
  readonly status: { readonly list: string; readonly index: number }
  /** hash of the school's trail at the second signature */
  readonly trail: string
}

export type Json = { readonly [name: string]: unknown }

/** The last day counts whole, by Greenwich time. */
const endOf = (day: string) => `${day}T23:59:59Z`

/**
 * A certificate as an AchievementCredential, not signed yet. It names the holder and nothing else of a person but who signed.
 * Source: Open Badges 3.0, 1EdTech, AchievementCredential; Verifiable Credentials Data Model 2.0, W3C; Bitstring Status List 1.0, W3C.
 */
export function achievementCredential(facts: CertificateFacts): Json {
  const { certificate, school, rules } = facts
  const own = (i: number) => `urn:uuid:${facts.id}#rule-${i + 1}`
  return {
    '@context': [VC_CONTEXT, BADGE_CONTEXT],
    id: `urn:uuid:${facts.id}`,
    type: ['VerifiableCredential', 'AchievementCredential'],
    name: `${certificate.name}, ${facts.number}`,
    issuer: { id: didOf(facts.publicKey), type: ['Profile'], name: school.name, ...(school.url && { url: school.url }) },
    validFrom: facts.issuedAt,
    ...(facts.validUntil && { validUntil: endOf(facts.validUntil) }),
    credentialSubject: {
      type: ['AchievementSubject'],
      identifier: [{ type: 'IdentityObject', identityType: 'name', identityHash: facts.holder, hashed: false }],
      achievement: {
        id: `urn:uuid:${certificate.id}`,
        type: ['Achievement'],
        achievementType: 'Certificate',
        name: certificate.name,
        version: String(certificate.version),
        description: certificate.claim,
        criteria: { narrative: rules.map(({ name }) => name).join('\n') },
        resultDescription: rules.map(({ name }, i) => ({ id: own(i), type: ['ResultDescription'], name, resultType: 'Status' }))
      },
      result: rules.map((_, i) => ({ type: ['Result'], resultDescription: own(i), status: 'Completed' }))
    },
    evidence: [
      ...rules.flatMap(({ name, onDate }) => (onDate ? [{ type: ['Evidence'], name, narrative: onDate }] : [])),
      ...facts.signers.map(({ name, role, onDate }) => ({
        type: ['Evidence'],
        name: `${name}, ${role}`,
        narrative: onDate,
        genre: 'signature'
      })),
      { type: ['Evidence'], name: facts.trail, genre: 'trail' }
    ],
    credentialStatus: {
      id: `${facts.status.list}#${facts.status.index}`,
      type: 'BitstringStatusListEntry',
      statusPurpose: 'revocation',
      statusListIndex: String(facts.status.index),
      statusListCredential: facts.status.list
    }
  }
}
