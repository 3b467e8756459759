// What others make of our credentials, and we of theirs: Debian's python3-pyld canonicalises, its python3-cryptography signs.
import { execFileSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { beforeAll, describe, expect, it } from 'vitest'
import { ensureProgram } from '../../scripts/machine.mjs'
import { BADGE_CONTEXT, loadDocument, methodOf, VC_CONTEXT } from './contexts'
import { achievementCredential, makeKey, readCredential, sign, type CertificateFacts, type Json } from './index'

const PYTHON = '/usr/bin/python3'
const PROGRAM = fileURLToPath(new URL('../outside/other.py', import.meta.url))
const SEED = new Uint8Array(32).map((_, i) => i + 1)
const AT = new Date('2026-04-14T10:00:00Z')

const contexts: Record<string, object> = {}
const other = (asked: object): { verified?: boolean; document?: Json } =>
  JSON.parse(execFileSync(PYTHON, [PROGRAM], { input: JSON.stringify({ ...asked, contexts }), encoding: 'utf8' })) as {
    verified?: boolean
    document?: Json
  }

beforeAll(async () => {
  ensureProgram(['/usr/lib/python3/dist-packages/pyld/__init__.py'], 'python3-pyld')
  ensureProgram(['/usr/lib/python3/dist-packages/cryptography/__init__.py'], 'python3-cryptography')
  for (const url of [VC_CONTEXT, BADGE_CONTEXT]) contexts[url] = (await loadDocument(url)).document
})

const factsOf = (publicKey: string, holder: string): CertificateFacts => ({
  ...{
    id: '0190a3c2-0000-7000-8000-000000000001',
    number: '26-001',
    issuedAt: '2026-04-14T10:00:00Z',
    validUntil: '2027-04-14',
    holder,
    publicKey
  },
  school: { name: 'Ferrin Quay', url: 'https://school.example' },
  certificate: { id: '0190a3c2-0000-7000-8000-000000000002', name: 'Scissoring', claim: 'scissors a leg to a cylinder', version: 2 },
  rules: [
    { name: 'Two trims at 75 or more', onDate: '2026-04-01' },
    { name: 'Left and right alike', onDate: null }
  ],
  signers: [{ name: 'Ottilie Marsh', role: 'lead', onDate: '2026-04-14' }],
  ...{ status: { list: 'https://school.example/api/status/1', index: 94567 }, trail: 'cd'.repeat(32) }
})

describe('beside another implementation', () => {
  it.each(['Marek Sosna', 'Ингрид Ø’Néill', '김 지수'])('it verifies ours, of %s, and finds one letter changed', async (holder) => {
    const key = await makeKey(SEED)
    const document = await sign(achievementCredential(factsOf(key.publicKey, holder)), key, AT)
    expect(other({ do: 'verify', document })).toEqual({ verified: true })
    expect(other({ do: 'verify', document: { ...document, name: 'Scissoring, 26-002' } })).toEqual({ verified: false })
  })

  it('ours verifies what it signed', async () => {
    const key = await makeKey(SEED)
    const unsigned = achievementCredential(factsOf(key.publicKey, 'Ada Example'))
    const method = methodOf(key.publicKey)
    const options = {
      type: 'DataIntegrityProof',
      created: '2026-04-14T10:00:00Z',
      verificationMethod: method,
      cryptosuite: 'eddsa-rdfc-2022',
      proofPurpose: 'assertionMethod'
    }
    const { document } = other({ do: 'sign', document: unsigned, seed: [...SEED], options })
    const bytesOf = (value: unknown) => new TextEncoder().encode(JSON.stringify(value))
    expect(await readCredential(bytesOf(document))).toMatchObject({ unreadable: null, intact: true })
    expect(await readCredential(bytesOf({ ...document, validUntil: '2037-04-14T23:59:59Z' }))).toMatchObject({ intact: false })
  })
})
