// The evidence behind a certificate of the demo: everything in it holds, and whatever is changed in it is found.
import { pack, textOf, toBytes, unpack, verifyBundle, type Files, type Manifest, type Verified } from '@peen/bundle'
import { makeKey } from '@peen/credential'
import { tables } from '@peen/server'
import { eq, isNull } from 'drizzle-orm'
import { writeFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { servedDemo, type ServedDemo } from './testing/served'

let demo: ServedDemo
let id: string
let zip: Uint8Array
let files: Files

const NO_ID = '00000000-0000-7000-8000-000000000000'
const bytesOf = async (answer: Response) => new Uint8Array(await answer.arrayBuffer())

beforeAll(async () => {
  demo = await servedDemo('evidence')
  const { findings: f, people: p } = tables
  const [row] = await demo.fresh.db.select({ id: f.id }).from(f).innerJoin(p, eq(p.id, f.apprenticeId)).where(eq(p.username, 'tove'))
  id = row!.id
  for (const who of ['ruben', 'ottilie']) {
    const signed = await (await demo.signIn(who))(`/findings/${id}/sign`, {})
    expect(signed.status, await signed.clone().text()).toBe(200)
  }
  zip = await bytesOf(await (await demo.signIn('ottilie'))(`/findings/${id}/evidence`))
  if (process.env.PEEN_KEEP_EVIDENCE) writeFileSync(process.env.PEEN_KEEP_EVIDENCE, zip)
  files = (unpack(zip) as { files: Files }).files
})
afterAll(() => demo?.close())

const manifest = () => JSON.parse(textOf(files.get('manifest.json')!)) as Manifest
/** What fails, by kind of check. */
const failing = (found: Verified): string[] =>
  found.unreadable === null ? found.checks.filter(({ verdict }) => verdict === 'fails').map(({ kind }) => kind) : [found.unreadable]

/** The bundle as someone with another key would pack it again, with some files changed. */
async function forged(change: (path: string, text: string) => string): Promise<Verified> {
  const { school, number, finding, madeAt } = manifest()
  const changed = new Map(
    [...files]
      .filter(([path]) => path !== 'manifest.json')
      .map(([path, bytes]) => {
        if (!path.endsWith('.json')) return [path, bytes]
        const text = change(path, textOf(bytes))
        return [path, text === textOf(bytes) ? bytes : new TextEncoder().encode(text)]
      })
  )
  return verifyBundle(await pack(changed, { school, number, finding, madeAt }, await makeKey()))
}

describe('the evidence behind a certificate', () => {
  it('holds in every part, with nothing but the file', async () => {
    const found = await verifyBundle(zip)
    expect(found.unreadable).toBeNull()
    if (found.unreadable !== null) return
    expect(found.checks.map(({ kind, verdict, wrong }) => ({ kind, verdict, wrong }))).toEqual(
      ['files', 'certificate', 'trail', 'heads', 'contents', 'pictures', 'attempts', 'marks', 'rules'].map((kind) => ({
        ...{ kind, verdict: 'holds', wrong: [] }
      }))
    )
    expect(found).toMatchObject({ holder: 'Tove Lind', holds: true, revokedAt: null, keyStolen: false })
    const counts = Object.fromEntries(found.checks.map(({ kind, of }) => [kind, of]))
    expect(counts.attempts).toBeGreaterThan(20)
    expect(counts.marks).toBeGreaterThan(2)
    expect(counts.rules).toBeGreaterThan(3)
  })

  it('says nothing of owners, and of others no more than that something happened', async () => {
    const owners = await demo.fresh.db.select().from(tables.owners)
    const people = await demo.fresh.db.select().from(tables.people)
    const texts = [...files].filter(([path]) => /\.(?:json|csv|txt)$/.test(path)).map(([path, bytes]) => [path, textOf(bytes)] as const)
    expect(owners.length).toBeGreaterThan(3)
    for (const [path, text] of texts) {
      for (const { contact } of owners) expect(text.includes(contact), `${path}: ${contact}`).toBe(false)
      for (const { role, username, givenName, familyName } of people)
        if (role === 'apprentice' && username !== 'tove')
          expect(text.includes(`${givenName} ${familyName}`), `${path}: ${username}`).toBe(false)
    }
  })

  it('makes who reads it know its marks, and waits while one of them is marked again', async () => {
    const { db } = demo.fresh
    const { gradingReads: r, people: p, gradings: g, visits: v } = tables
    const marks = JSON.parse(textOf(files.get('marks.json')!)) as readonly { readonly gradingId: string; readonly assessor: string }[]
    const read = await db.select({ id: r.gradingId }).from(r).innerJoin(p, eq(p.id, r.personId)).where(eq(p.username, 'ottilie'))
    const known = new Set(read.map(({ id: one }) => one))
    for (const { gradingId, assessor } of marks) expect(known.has(gradingId) || assessor === 'Ottilie Marsh', gradingId).toBe(true)
    const [{ visit }] = await db.select({ visit: v.id }).from(g).innerJoin(v, eq(v.id, g.visitId)).where(eq(g.id, marks[0]!.gradingId))
    const [{ id: hollis }] = await db.select({ id: p.id }).from(p).where(eq(p.username, 'hollis'))
    const [grading] = await db.select().from(g).where(eq(g.id, marks[0]!.gradingId))
    const draft = { ...grading!, id: NO_ID, visitId: visit, assessorId: hollis, status: 'draft' as const, signedAt: null }
    await db.insert(g).values(draft)
    const answer = await (await demo.signIn('ruben'))(`/findings/${id}/evidence`)
    expect([answer.status, ((await answer.json()) as { detail: string }).detail]).toEqual([
      409,
      'A trim behind this certificate is being marked again. Its evidence can be downloaded once that mark is signed.'
    ])
    await db.delete(g).where(eq(g.id, NO_ID))
  })

  it('is given to its holder, once every own trim is rated, and to no other apprentice', async () => {
    const bram = await (await demo.signIn('bram'))(`/findings/${id}/evidence`)
    expect(bram.status).toBe(403)
    const tove = await (await demo.signIn('tove'))(`/findings/${id}/evidence`)
    expect([200, 409]).toContain(tove.status)
    if (tove.status === 409)
      expect(await tove.json()).toMatchObject({ code: 'blind', detail: expect.stringMatching(/^Rate your own trims first/) })
  })
})

describe('what came after the certificate', () => {
  const again = async () => verifyBundle(await bytesOf(await (await demo.signIn('ottilie'))(`/findings/${id}/evidence`)))

  it('a mark set aside since counts as it did then, and is told; a revoked certificate says so', async () => {
    const { gradings: g, visits: v, people: p } = tables
    const rows = await demo.fresh.db
      .select({ id: g.id, by: p.username })
      .from(g)
      .innerJoin(v, eq(v.id, g.visitId))
      .innerJoin(p, eq(p.id, g.assessorId))
    const marks = JSON.parse(textOf(files.get('marks.json')!)) as readonly { readonly gradingId: string }[]
    const [one] = rows.filter((row) => marks.some(({ gradingId }) => gradingId === row.id) && row.by !== 'ottilie')
    const lead = await demo.signIn('ottilie')
    const aside = await lead(`/gradings/${one!.id}/set-aside`, { reason: 'The gauge stood on the wrong side.' })
    expect(aside.status, await aside.clone().text()).toBe(200)
    const after = await again()
    expect(failing(after)).toEqual([])
    expect(after).toMatchObject({ holds: true, revokedAt: null })
    const revoked = await lead(`/findings/${id}/revoke`, { kind: 'evidence', reason: 'A mark behind it was wrong.' })
    expect(revoked.status, await revoked.clone().text()).toBe(200)
    const gone = await again()
    expect(failing(gone)).toEqual([])
    expect(gone).toMatchObject({ holds: true, revokedAt: expect.stringMatching(/^2026-/) })
  })

  it('a new signing key signs the next bundle; one stolen before that is told', async () => {
    const lead = await demo.signIn('ottilie')
    const made = await lead('/issuer/keys', { reason: 'The laptop was lost.', compromisedSince: null })
    expect(made.status, await made.clone().text()).toBe(200)
    expect(failing(await again())).toEqual([])
    // the first key was in other hands by then: what it signed before is named, not believed
    const { issuerKeys: k } = tables
    await demo.fresh.db
      .update(k)
      .set({ compromisedSince: new Date('2026-04-01T00:00:00Z') })
      .where(isNull(k.endedAt))
    expect(await again()).toMatchObject({ keyStolen: true, holds: false })
  })
})

describe('a change in a bundle', () => {
  it.each(['attempts.csv', 'behind.json', 'xapi.json', 'certificate.pdf'])('of one byte of %s is found by the manifest', async (path) => {
    const bytes = new Uint8Array(files.get(path)!)
    bytes[Math.floor(bytes.length / 2)]! ^= 1
    const { unlisted } = await import('../../bundle/src/files')
    expect(unlisted(new Map([...files, [path, bytes]]), manifest())).toEqual([path])
  })

  it('shows under a key that is not the school’s, even where nothing else was changed', async () => {
    const found = await forged((_, text) => text)
    expect(failing(found)).toEqual(['files'])
    expect(found).toMatchObject({ holds: false })
  })

  it.each<[string, string, (path: string, text: string) => string]>([
    ['a mark', 'contents', (path, text) => (path.startsWith('sealed/grading/') ? text.replace(/"value": (\d)/, '"value": 1$1') : text)],
    ['an event', 'attempts', (path, text) => (path.startsWith('events/') ? text.replace(/"minutes": \d+/, '"minutes": 199') : text)],
    ['the holder', 'certificate', (path, text) => (path === 'behind.json' ? text.replace('Tove Lind', 'Bram Voss') : text)],
    [
      'an entry of the trail',
      'trail',
      (path, text) => (path === 'trail/entries.json' ? text.replace('finding.issued', 'finding.signed') : text)
    ],
    ['a head', 'heads', (path, text) => (path === 'trail/heads.json' ? text.replace(/"hash": "./, '"hash": "x') : text)],
    ['the school’s list of keys', 'files', (path, text) => (path === 'issuer.json' ? text.replace(/"name": "/, '"name": "The ') : text)],
    ['a rule', 'certificate', (path, text) => (path === 'behind.json' ? text.replace(/"dogs": 3/, '"dogs": 2') : text)],
    [
      'who is faulted',
      'rules',
      (path, text) =>
        path === 'behind.json'
          ? text.replace(/"onDate": "2025/g, '"onDate": "2019').replace(/"onDate": "2026-0[1-4]/g, '"onDate": "2019-01')
          : text
    ]
  ])('of %s is found though the manifest was made again', async (_, kind, change) => {
    const found = await forged(change)
    const wrong = failing(found)
    expect(wrong.includes(kind) || wrong.includes('misshapen'), wrong.join()).toBe(true)
  })

  it('refuses what is no bundle', async () => {
    expect(await verifyBundle(new Uint8Array([80, 75, 3, 4, 9, 9]))).toMatchObject({ unreadable: 'noZip' })
    expect(await verifyBundle(new TextEncoder().encode('hello'))).toMatchObject({ unreadable: 'noZip' })
    const { school, number, finding, madeAt } = manifest()
    const alone = await pack(new Map([['a.json', toBytes({})]]), { school, number, finding, madeAt }, await makeKey())
    expect(await verifyBundle(alone)).toMatchObject({ unreadable: 'misshapen', what: expect.stringContaining('issuer.json') })
  })
})
