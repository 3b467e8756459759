import fc from 'fast-check'
import { createHash, createPrivateKey, createPublicKey, sign as signByNode } from 'node:crypto'
import { Socket } from 'node:net'
import jsonld from 'jsonld'
import sharp from 'sharp'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { loadDocument } from './contexts'
import {
  achievementCredential,
  bake,
  baked,
  changedParts,
  fingerprintOf,
  makeKey,
  readCredential,
  saysOf,
  sign,
  standingIn,
  statusList,
  timeOf
} from './index'
import type { CertificateFacts, Json } from './index'

const SEED = new Uint8Array(32).fill(7)
const AT = new Date('2026-04-14T10:00:00Z')
const LIST = 'https://school.example/api/status/1'
const facts = (publicKey: string): CertificateFacts => ({
  id: '0190a3c2-0000-7000-8000-000000000001',
  number: '26-001',
  issuedAt: AT.toISOString(),
  validUntil: '2027-04-14',
  holder: 'Marek Sosna',
  school: { name: 'Ferrin Quay', url: null },
  publicKey,
  certificate: { id: '0190a3c2-0000-7000-8000-000000000002', name: 'Clipping', claim: 'clips a pet trim safely', version: 3 },
  rules: [
    { name: 'Six clipping techniques competent', onDate: '2026-04-01' },
    { name: 'No safety event for 90 days', onDate: null }
  ],
  signers: [{ name: 'Ottilie Marsh', role: 'lead assessor', onDate: '2026-04-14' }],
  status: { list: LIST, index: 4711 },
  trail: 'ab'.repeat(32)
})
const bytesOf = (value: unknown) => new TextEncoder().encode(JSON.stringify(value))
const key = await makeKey(SEED)
const signed = await sign(achievementCredential(facts(key.publicKey)), key, AT)

/** Every place of a text in a document: its path. */
const textsOf = (value: unknown, path: readonly string[] = []): string[][] =>
  typeof value === 'string'
    ? [[...path]]
    : value && typeof value === 'object'
      ? Object.entries(value).flatMap(([name, own]) => textsOf(own, [...path, name]))
      : []

function withChanged(path: readonly string[], change: (text: string) => string): Json {
  const copy = structuredClone(signed) as Record<string, unknown>
  let at = copy
  for (const name of path.slice(0, -1)) at = at[name] as Record<string, unknown>
  at[path.at(-1)!] = change(at[path.at(-1)!] as string)
  return copy
}

afterEach(() => vi.restoreAllMocks())

describe('a credential', () => {
  it('is read back as it was signed, with what it says and when it ends, without opening a connection', async () => {
    const connect = vi.spyOn(Socket.prototype, 'connect').mockImplementation(() => {
      throw new Error('a connection was opened')
    })
    const read = await readCredential(bytesOf(signed))
    expect(read).toMatchObject({ unreadable: null, intact: true, publicKey: key.publicKey })
    expect(saysOf(signed)).toMatchObject({
      holder: 'Marek Sosna',
      name: 'Clipping',
      issuer: 'Ferrin Quay',
      claim: 'clips a pet trim safely'
    })
    expect(timeOf(signed, new Date('2027-04-14T20:00:00Z'))).toBe('now')
    expect(timeOf(signed, new Date('2027-04-15T00:00:00Z'))).toBe('expired')
    expect(timeOf(signed, new Date('2026-04-14T09:00:00Z'))).toBe('notYet')
    expect(connect).not.toHaveBeenCalled()
  })

  it('holds the name of the holder and of who signed, and nothing else of a person', () => {
    const text = JSON.stringify(signed)
    expect(text).toContain('Marek Sosna')
    for (const word of ['birth', 'address', 'email', 'phone', 'dog']) expect(text.toLowerCase()).not.toContain(word)
  })

  it('is found changed by any one letter', async () => {
    const paths = textsOf(signed)
    expect(paths.length).toBeGreaterThan(40)
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...paths), fc.nat(), fc.constantFrom('x', '7', 'é'), async (path, at, letter) => {
        const shown = withChanged(path, (text) => {
          const place = at % text.length
          return text.slice(0, place) + (text[place] === letter ? 'Q' : letter) + text.slice(place + 1)
        })
        const read = await readCredential(bytesOf(shown))
        expect(read.unreadable !== null || !read.intact, path.join('.')).toBe(true)
        expect(changedParts(signed, shown).length).toBeGreaterThan(0)
      }),
      { numRuns: 60 }
    )
  })

  it('tells which part was changed', () => {
    const parts = (path: string[]) =>
      changedParts(
        signed,
        withChanged(path, () => 'another')
      )
    expect(parts(['credentialSubject', 'identifier', '0', 'identityHash'])).toEqual(['holder'])
    expect(parts(['credentialSubject', 'achievement', 'description'])).toEqual(['claim'])
    expect(parts(['credentialSubject', 'achievement', 'criteria', 'narrative'])).toEqual(['rules'])
    expect(parts(['validUntil'])).toEqual(['dates'])
    expect(parts(['evidence', '0', 'narrative'])).toEqual(['evidence'])
    expect(changedParts(signed, { ...signed, more: 1 })).toEqual(['other'])
    expect(changedParts(signed, structuredClone(signed))).toEqual([])
  })

  it('is refused under the words or the key of another', async () => {
    const words = { ...signed, '@context': [...(signed['@context'] as string[]), 'https://elsewhere.example/words'] }
    expect(await readCredential(bytesOf(words))).toEqual({ unreadable: 'unknownWords', what: 'https://elsewhere.example/words' })
    expect(await readCredential(bytesOf({ ...signed, '@context': [{ name: 'x' }] }))).toMatchObject({ unreadable: 'unknownWords' })
    const other = await makeKey(new Uint8Array(32).fill(8))
    const posed = await sign({ ...achievementCredential(facts(key.publicKey)) }, other, AT)
    expect(await readCredential(bytesOf(posed))).toMatchObject({ unreadable: 'otherKey' })
    expect(await readCredential(bytesOf({ ...signed, issuer: { id: 'https://school.example/issuer' } }))).toMatchObject({
      unreadable: 'otherKey'
    })
    await expect(loadDocument('https://www.w3.org/anything')).rejects.toThrow('Not allowed')
  })

  it('is told from files that are none', async () => {
    const read = async (text: string) => (await readCredential(new TextEncoder().encode(text))).unreadable
    expect(await read('')).toBe('broken')
    expect(await read('{"a":')).toBe('broken')
    expect(await read('[1]')).toBe('noCredential')
    expect(await read('{"type":["VerifiableCredential"]}')).toBe('noCredential')
    expect(await read(`{"a":"${'x'.repeat(300_000)}"}`)).toBe('tooLarge')
    expect(await read('['.repeat(200_000))).toBe('broken')
    expect((await readCredential(new Uint8Array([0xff, 0xfe, 0x00]))).unreadable).toBe('broken')
    const unsigned = { ...signed, proof: { type: 'DataIntegrityProof', verificationMethod: (signed.proof as Json).verificationMethod } }
    expect(await readCredential(bytesOf(unsigned))).toMatchObject({ unreadable: null, intact: false })
  })
})

describe('a baked badge', () => {
  it('carries the credential, replaces one that was in it, and stays a picture', async () => {
    const png = new Uint8Array(
      await sharp({ create: { width: 8, height: 8, channels: 3, background: '#0a5c43' } })
        .png()
        .toBuffer()
    )
    expect(baked(png)).toBeNull()
    expect((await readCredential(png)).unreadable).toBe('noCredential')
    const once = bake(png, { old: true })
    const twice = bake(once, signed)
    expect(JSON.parse(baked(twice)!)).toEqual(signed)
    expect(await readCredential(twice)).toMatchObject({ unreadable: null, intact: true })
    expect((await sharp(twice).metadata()).width).toBe(8)
    expect((await readCredential(twice.slice(0, 60))).unreadable).toBe('broken')
  })
})

describe('the list of what was revoked', () => {
  it('says revoked of the one place and of no other, as of its date', async () => {
    const list = await statusList({ list: LIST, revoked: [4711], school: 'Ferrin Quay' }, key, AT)
    expect(await readCredential(bytesOf(list))).toMatchObject({ unreadable: null, intact: true })
    expect(await standingIn(list, signed)).toEqual({ revoked: true, asOf: AT.toISOString() })
    const other = achievementCredential({ ...facts(key.publicKey), status: { list: LIST, index: 4712 } })
    expect(await standingIn(list, other)).toMatchObject({ revoked: false })
    expect(await standingIn({ ...list, id: 'urn:other' }, signed)).toBeNull()
  })
})

describe('beside what others compute', () => {
  // Data Integrity EdDSA Cryptosuites 1.0, W3C, B.1: the hash of the canonical AlumniCredential (from memory; it holds, and no other document has it)
  it('canonical form has the published hash', async () => {
    const examples = { '@context': { '@vocab': 'https://www.w3.org/ns/credentials/examples#' } }
    const url = 'https://www.w3.org/ns/credentials/examples/v2'
    const alumni = {
      '@context': ['https://www.w3.org/ns/credentials/v2', url],
      id: 'urn:uuid:58172aac-d8ba-11ed-83dd-0b3aef56cc33',
      type: ['VerifiableCredential', 'AlumniCredential'],
      name: 'Alumni Credential',
      description: 'A minimum viable example of an Alumni Credential.',
      issuer: 'https://vc.example/issuers/5678',
      validFrom: '2023-01-01T00:00:00Z',
      credentialSubject: { id: 'did:example:abcdefgh', alumniOf: 'The School of Examples' }
    }
    const documentLoader = async (asked: string) =>
      asked === url ? { contextUrl: null, documentUrl: url, document: examples } : loadDocument(asked)
    const canonical = await jsonld.canonize(alumni, {
      algorithm: 'RDFC-1.0',
      format: 'application/n-quads',
      documentLoader,
      safe: true,
      base: null
    })
    expect(createHash('sha256').update(canonical).digest('hex')).toBe('517744132ae165a5349155bef0bb0cf2258fff99dfe1dbd914b938d775a36017')
  })

  it('the signature is the one that Node signs with the same key, over the two hashes', async () => {
    // PKCS#8 of an Ed25519 key: RFC 8410
    const pkcs8 = Buffer.concat([Buffer.from('302e020100300506032b657004220420', 'hex'), SEED])
    const secret = createPrivateKey({ key: pkcs8, format: 'der', type: 'pkcs8' })
    const raw = createPublicKey(secret).export({ format: 'der', type: 'spki' }).subarray(-32)
    const { proof, ...document } = signed as { proof: Json & { proofValue: string } } & Json
    const { proofValue, ...options } = proof
    const hash = async (value: Json) =>
      createHash('sha256')
        .update(
          await jsonld.canonize(value, {
            algorithm: 'RDFC-1.0',
            format: 'application/n-quads',
            documentLoader: loadDocument,
            safe: true,
            base: null
          })
        )
        .digest()
    const data = Buffer.concat([await hash({ '@context': document['@context'], ...options }), await hash(document)])
    const { decode, encode } = await import('base58-universal')
    expect(Buffer.from(decode(proofValue.slice(1)))).toEqual(signByNode(null, data, secret))
    // Multikey: 0xed01 before the key
    expect(key.publicKey).toBe(`z${encode(Buffer.concat([Buffer.from([0xed, 0x01]), raw]))}`)
    expect(fingerprintOf(key.publicKey)).toBe(
      createHash('sha256').update(key.publicKey).digest('hex').slice(0, 20).toUpperCase().match(/.{4}/g)!.join('-')
    )
  })
})
