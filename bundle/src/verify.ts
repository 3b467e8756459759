// Checks an evidence bundle with nothing but the file: no network, no database.
import { fingerprintOf, isSealed, readCredential, saysOf, type Json, type Sealed } from '@peen/credential'
import type { PracticeEvent } from '@peen/core/practice'
import type { Standard } from '@peen/core/standard'
import { marksAgain, rulesAgain, unlikeTheirEvents, type Evidence } from './again'
import { isSigned, MANIFEST, unlisted, unpack, type Files } from './files'
import { Misshapen, readJson, readShaped } from './read'
import {
  pathOfSeal,
  unlikeTheTrail,
  type SealedAssessment,
  type SealedFile,
  type SealedFinding,
  type SealedGrading,
  type SealedSetAside
} from './sealed'
import type { Behind, BehindAttempt, BehindMark, Manifest } from './shapes'
import { contentHash, sha256, walkTrail, type TrailEntry } from './trail'

/** What is checked, in this order. */
export const CHECKS = ['files', 'certificate', 'trail', 'heads', 'contents', 'pictures', 'attempts', 'marks', 'rules'] as const
export type CheckKind = (typeof CHECKS)[number]
/** `cannotTell`: what would be needed is not in the bundle. */
export type Checked = {
  readonly kind: CheckKind
  readonly verdict: 'holds' | 'fails' | 'cannotTell'
  /** how many were looked at */
  readonly of: number
  /** which of them do not fit, by path, name or id */
  readonly wrong: readonly string[]
}

export type Verified =
  | { readonly unreadable: 'noZip' | 'tooLarge' | 'noManifest' | 'misshapen'; readonly what: string }
  | {
      readonly unreadable: null
      readonly school: string
      readonly number: string
      readonly holder: string
      readonly claim: string
      readonly madeAt: string
      /** of the key that signed the certificate: it stands on the paper too */
      readonly fingerprint: string
      /** revoked when the bundle was made */
      readonly revokedAt: string | null
      /** days that the key had been in other hands when the bundle was signed */
      readonly keyStolen: boolean
      readonly checks: readonly Checked[]
      readonly holds: boolean
    }

/** Checks everything in a bundle. @param bytes of the ZIP */
export async function verifyBundle(bytes: Uint8Array): Promise<Verified> {
  const unpacked = unpack(bytes)
  if ('unreadable' in unpacked) return { unreadable: unpacked.unreadable, what: '' }
  const { files } = unpacked
  if (!files.has(MANIFEST)) return { unreadable: 'noManifest', what: MANIFEST }
  try {
    return await verified(files)
  } catch (caught) {
    // a file that is not what its schema says, or that the reckoning refuses
    return { unreadable: 'misshapen', what: caught instanceof Misshapen ? caught.what : '' }
  }
}

async function verified(files: Files): Promise<Verified> {
  const manifest = readShaped(files, 'manifest.json') as Manifest & Sealed
  const keys = jsonAt<Sealed & { readonly keys: readonly Key[] }>(files, 'issuer.json')
  const credential = await readCredential(files.get('certificate.json') ?? new Uint8Array())
  const held = bundleOf(files)
  const trail = readShaped(files, 'trail/entries.json') as TrailEntry[]
  const checks = [
    filesCheck(files, manifest, keys),
    certificateCheck(files, credential, held, keys),
    trailCheck(trail),
    headsCheck(files, trail, keys, held),
    contentsCheck(files, trail, held),
    picturesCheck(files, held),
    ...reckoned(files, held)
  ]
  const said = credential.unreadable === null ? saysOf(credential.credential) : null
  const revocation = held.sealed.find(({ name }) => name.startsWith('revocation:'))?.content as { readonly at?: string } | undefined
  const stolen = keys.keys.find(({ publicKey }) => publicKey === manifest.signedBy)?.compromisedSince ?? null
  const keyStolen = stolen !== null && stolen <= manifest.madeAt
  return {
    ...{ unreadable: null, school: manifest.school, number: manifest.number, madeAt: manifest.madeAt },
    ...{ holder: said?.holder ?? '', claim: said?.claim ?? '' },
    fingerprint: credential.unreadable === null ? fingerprintOf(credential.publicKey) : '',
    ...{ revokedAt: revocation?.at ?? null, keyStolen, checks },
    holds: !keyStolen && checks.every(({ verdict }) => verdict !== 'fails')
  }
}

type Key = { readonly publicKey: string; readonly compromisedSince: string | null }
type Held = {
  readonly behind: Behind
  readonly sealed: readonly SealedFile[]
  readonly evidence: Evidence
  readonly finding: SealedFinding | null
}

const jsonAt = <T>(files: Files, path: string): T => readJson(files, path) as T
const under = (files: Files, folder: string): string[] =>
  [...files.keys()].filter((path) => path.startsWith(folder) && path.endsWith('.json'))

function bundleOf(files: Files): Held {
  const behind = readShaped(files, 'behind.json') as Behind
  const sealed = under(files, 'sealed/').map((path) => jsonAt<SealedFile>(files, path))
  const contents = <T>(kind: string): T[] => sealed.filter(({ name }) => name.startsWith(`${kind}:`)).map(({ content }) => content as T)
  const evidence: Evidence = {
    behind,
    events: new Map(behind.visits.map(({ id }) => [id, eventsAt(files, id)])),
    gradings: contents<SealedGrading>('grading'),
    assessments: contents<SealedAssessment>('assessment'),
    setAsides: contents<SealedSetAside>('setAside'),
    standards: new Map(
      under(files, 'standards/')
        .map((path) => jsonAt<Standard>(files, path))
        .map((one) => [`${one.id}@${one.version}`, one])
    )
  }
  const finding = contents<SealedFinding>('finding').find(({ id }) => id === behind.finding) ?? null
  return { behind, sealed, evidence, finding }
}

const eventsAt = (files: Files, visitId: string): readonly PracticeEvent[] => {
  const path = `events/${visitId}.json`
  return files.has(path) ? jsonAt<PracticeEvent[]>(files, path) : []
}

const checked = (kind: CheckKind, of: number, wrong: readonly string[], verdict?: Checked['verdict']): Checked => ({
  ...{ kind, of, wrong, verdict: verdict ?? (wrong.length > 0 ? 'fails' : 'holds') }
})

/** Every file as the manifest has it, and the manifest under a key of the school's list. */
function filesCheck(files: Files, manifest: Manifest & Sealed, keys: Sealed & { readonly keys: readonly Key[] }): Checked {
  const known = new Set(keys.keys.map(({ publicKey }) => publicKey))
  const wrong = [
    ...(isSigned(manifest) && known.has(manifest.signedBy) ? [] : [MANIFEST]),
    ...(isSealed(keys) && known.has(keys.signedBy) ? [] : ['issuer.json']),
    ...unlisted(files, manifest)
  ]
  return checked('files', manifest.files.length, wrong)
}

/** The certificate as it was signed, of this finding, for this person, under a key of the list. */
function certificateCheck(
  files: Files,
  read: Awaited<ReturnType<typeof readCredential>>,
  { behind, sealed, finding }: Held,
  { keys }: { readonly keys: readonly Key[] }
): Checked {
  if (read.unreadable !== null) return checked('certificate', 1, ['certificate.json'])
  const kept = sealed.find(({ name }) => name === `credential:${behind.finding}`)?.content as { readonly document?: Json } | undefined
  const fits =
    read.intact &&
    keys.some(({ publicKey }) => publicKey === read.publicKey) &&
    read.credential.id === `urn:uuid:${behind.finding}` &&
    contentHash(kept?.document ?? null) === contentHash(read.credential) &&
    saysOf(read.credential).holder === behind.apprentice.name &&
    finding?.apprenticeId === behind.apprentice.id &&
    contentHash(finding.rules) === contentHash(behind.certificate.rules) &&
    jsonAt<Manifest>(files, MANIFEST).finding === behind.finding
  return checked('certificate', 1, fits ? [] : ['certificate.json'])
}

function trailCheck(entries: readonly TrailEntry[]): Checked {
  const { brokenAt } = walkTrail(entries, entries[0]?.seq)
  return checked('trail', entries.length, brokenAt === null && entries.length > 0 ? [] : [String(brokenAt ?? 0)])
}

/** Signed heads fit the trail; one of them was signed after the certificate was issued. */
function headsCheck(files: Files, entries: readonly TrailEntry[], { keys }: { readonly keys: readonly Key[] }, { behind }: Held): Checked {
  const heads = readShaped(files, 'trail/heads.json') as (Sealed & { readonly seq: number; readonly hash: string })[]
  const known = new Set(keys.map(({ publicKey }) => publicKey))
  const hashes = new Map(entries.map(({ seq, hash }) => [seq, hash]))
  const wrong = heads.filter((head) => !isSealed(head) || !known.has(head.signedBy) || hashes.get(head.seq) !== head.hash)
  const { newest } = walkTrail(entries, entries[0]?.seq)
  const issuedIn = newest.get(`finding:${behind.finding}`)?.seq ?? Infinity
  const covers = heads.some(({ seq }) => seq >= issuedIn)
  const names = wrong.map(({ seq }) => String(seq))
  return checked('heads', heads.length, names, wrong.length === 0 && !covers ? 'cannotTell' : undefined)
}

/** Contents are what the newest entry about each holds; the certificate, its two signatures and every mark are among them. */
function contentsCheck(files: Files, entries: readonly TrailEntry[], { behind, sealed, evidence }: Held): Checked {
  const walked = walkTrail(entries, entries[0]?.seq)
  const there = new Set(sealed.map(({ name }) => name))
  const marks = readShaped(files, 'marks.json') as BehindMark[]
  const signed = [...there].filter((name) => name.startsWith(`signature:${behind.finding}/`))
  const needed = [`finding:${behind.finding}`, `credential:${behind.finding}`, ...marks.map(({ gradingId }) => `grading:${gradingId}`)]
  const missing = [...needed.filter((name) => !there.has(name)), ...(signed.length < 2 ? [`signature:${behind.finding}`] : [])]
  const misplaced = sealed.filter(({ name }) => !files.has(pathOfSeal(name))).map(({ name }) => name)
  const wrong = [...missing, ...misplaced, ...unlikeTheTrail(sealed, walked, (id) => evidence.events.get(id) ?? [])]
  return checked('contents', sealed.length, wrong)
}

/** Photographs have the hashes that were sealed. */
function picturesCheck(files: Files, { sealed }: Held): Checked {
  const kept = sealed.filter(({ name }) => name.startsWith('pictures:')).flatMap(({ content }) => content as readonly Picture[])
  const wrong = kept.filter(({ id, bytes }) => sha256(files.get(`pictures/${id}.jpg`) ?? new Uint8Array()) !== bytes)
  return checked(
    'pictures',
    kept.length,
    wrong.map(({ id }) => `pictures/${id}.jpg`)
  )
}
type Picture = { readonly id: string; readonly bytes: string }

/** Attempts, marks and rules, computed once more. */
function reckoned(files: Files, { evidence, finding }: Held): Checked[] {
  const attempts = readShaped(files, 'attempts.json') as BehindAttempt[]
  const marks = marksAgain(evidence)
  const told = marks.filter(({ verdict }) => verdict !== 'cannotTell')
  const otherMarks = told.filter(({ verdict }) => verdict === 'other').map(({ gradingId }) => gradingId)
  const rules = rulesAgain(evidence)
  const issued = new Map(finding?.evidence.map((rule) => [rule.name, rule]))
  const otherRules = rules.filter(({ name, met }) => met !== issued.get(name)?.met).map(({ name }) => name)
  return [
    checked('attempts', attempts.length, unlikeTheirEvents(evidence, attempts)),
    checked('marks', marks.length, otherMarks, told.length === 0 && marks.length > 0 ? 'cannotTell' : undefined),
    checked('rules', rules.length, rules.length === issued.size ? otherRules : ['rules'])
  ]
}
