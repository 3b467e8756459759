import type { Json } from './achievement'
import { baked, isPng } from './bake'
import { DID_KEY, isKnownContext } from './contexts'
import { isAsSigned } from './proof'

/** Why a file is no credential that can be checked, before anything in it is believed. */
export type Unreadable = 'tooLarge' | 'broken' | 'noCredential' | 'unknownWords' | 'otherKey'
/** Letters of a credential that is looked at. Chosen: twenty times what a long one has. */
const MOST_LETTERS = 300_000

export type Read =
  | { readonly unreadable: Unreadable; readonly what?: string }
  /** `intact`: nothing in it was changed since the key that it names signed it */
  | { readonly unreadable: null; readonly credential: Json; readonly publicKey: string; readonly intact: boolean }

/** The credential in a file: JSON as it is, or baked into a PNG. */
function textOf(bytes: Uint8Array): string | null {
  if (isPng(bytes)) return baked(bytes)
  return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
}

function parsed(bytes: Uint8Array): Json | Unreadable {
  try {
    const text = textOf(bytes)
    if (text === null) return 'noCredential'
    if (text.length > MOST_LETTERS) return 'tooLarge'
    const value: unknown = JSON.parse(text)
    return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Json) : 'noCredential'
  } catch {
    return 'broken'
  }
}

/**
 * Reads a file and verifies the proof in it. No address is fetched: words come from packages, the key from the issuer's own name.
 * @returns what keeps it from being checked, or the credential with whether it is as it was signed
 */
export async function readCredential(bytes: Uint8Array): Promise<Read> {
  const credential = parsed(bytes)
  if (typeof credential === 'string') return { unreadable: credential }
  const { proof, issuer } = credential as { proof?: { verificationMethod?: unknown }; issuer?: unknown }
  const types = [credential.type].flat()
  if (!proof || Array.isArray(proof) || !types.includes('VerifiableCredential')) return { unreadable: 'noCredential' }
  const words = [credential['@context']].flat()
  const strange = words.find((word) => !isKnownContext(word))
  if (words.length === 0 || strange !== undefined) return { unreadable: 'unknownWords', what: String(strange ?? '').slice(0, 120) }
  const id = typeof issuer === 'string' ? issuer : String((issuer as { id?: unknown } | undefined)?.id ?? '')
  // a key that must be looked up elsewhere, or that is not the issuer's own, proves nothing here
  const method = String(proof.verificationMethod ?? '')
  if (!id.startsWith(DID_KEY) || method.split('#')[0] !== id) return { unreadable: 'otherKey', what: id.slice(0, 120) }
  const intact = await isAsSigned(credential).catch(() => false)
  return { unreadable: null, credential, publicKey: id.slice(DID_KEY.length), intact }
}

/** What a credential says of its own time: a day before it begins, or after it ended. */
export function timeOf(credential: Json, now: Date): 'now' | 'notYet' | 'expired' {
  const from = Date.parse(String(credential.validFrom ?? ''))
  const until = Date.parse(String(credential.validUntil ?? ''))
  if (from > now.getTime()) return 'notYet'
  return until < now.getTime() ? 'expired' : 'now'
}

/** What a credential is about, for people; nothing where it does not say. */
export function saysOf(credential: Json): {
  readonly holder: string
  readonly name: string
  readonly claim: string
  readonly issuer: string
  readonly from: string
  readonly until: string | null
} {
  const subject = first(credential.credentialSubject)
  const achievement = first(subject.achievement)
  const issuer = first(credential.issuer)
  return {
    holder: text(first(subject.identifier).identityHash),
    name: text(achievement.name) || text(credential.name),
    claim: text(achievement.description),
    issuer: text(issuer.name),
    from: text(credential.validFrom),
    until: text(credential.validUntil) || null
  }
}

const first = (value: unknown): Json => {
  const one: unknown = Array.isArray(value) ? value[0] : value
  return typeof one === 'object' && one !== null ? (one as Json) : {}
}
/** Bounded: what stands in a stranger's file is shown, not believed. */
const text = (value: unknown): string => (typeof value === 'string' ? value.slice(0, 300) : '')

/** The parts of a credential that are told apart when it was changed. */
export const PARTS = ['holder', 'claim', 'dates', 'issuer', 'rules', 'evidence', 'status', 'proof', 'other'] as const
export type Part = (typeof PARTS)[number]

const PART_OF: readonly (readonly [RegExp, Part])[] = [
  [/^credentialSubject\.identifier/, 'holder'],
  [/^(credentialSubject\.(achievement\.resultDescription|achievement\.criteria|result))/, 'rules'],
  [/^(name|credentialSubject)/, 'claim'],
  [/^valid(From|Until)/, 'dates'],
  [/^issuer/, 'issuer'],
  [/^evidence/, 'evidence'],
  [/^credentialStatus/, 'status'],
  [/^proof/, 'proof']
]

/** Which parts of a file differ from the credential that was issued. */
export function changedParts(issued: unknown, shown: unknown): Part[] {
  const paths = differing(issued, shown, '')
  const found = new Set(paths.map((path) => PART_OF.find(([pattern]) => pattern.test(path))?.[1] ?? 'other'))
  return PARTS.filter((part) => found.has(part))
}

function differing(a: unknown, b: unknown, path: string): string[] {
  if (Object.is(a, b)) return []
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return [path]
  const names = new Set([...Object.keys(a), ...Object.keys(b)])
  return [...names].flatMap((name) => differing((a as Json)[name], (b as Json)[name], path ? `${path}.${name}` : name))
}
