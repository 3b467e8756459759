import type { CheckView, CredentialView, FindingRow, FindingView, IssuerKeyView, Problem, TrailView } from '@peen/contract'
import { achievementCredential, baked, isSealed, makeKey, readCredential, sign, standingIn, type Json, type Sealed } from '@peen/credential'
import canonicalize from 'canonicalize'
import { asc, eq } from 'drizzle-orm'
import { createHash } from 'node:crypto'
import { readdirSync, renameSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { patientFetch, smallSchool, type Client, type World } from '../../testing/world'

let world: World
let lena: Client
let ivo: Client
let abe: Client
let bea: Client
let outsider: Client
let numbers = 0

beforeAll(async () => {
  world = await smallSchool('credentials')
  ;[lena, ivo, abe, bea] = await Promise.all(['lena', 'ivo', 'abe', 'bea'].map((name) => world.client(name)))
  outsider = await world.client()
})
afterAll(() => world.close())

/** A finding of abe with both signatures, as the second one leaves it. */
async function issued(validUntil: string | null = '2027-04-14', signedOn = '2026-04-14'): Promise<{ id: string; number: string }> {
  const [id, number] = [v7(), `26-${String(++numbers).padStart(3, '0')}`]
  const at = new Date(`${signedOn}T09:00:00Z`)
  await world.db.insert(tables.findings).values({
    ...{ id, number, apprenticeId: world.ids.abe, certificateId: 'bearded-pet', certificateVersion: 1, rules: [] },
    ...{
      status: 'issued' as const,
      draftedBy: world.ids.ivo,
      draftedAt: at,
      decidedBy: world.ids.lena,
      auditHash: 'ab'.repeat(32),
      validUntil
    },
    evidence: [
      {
        kind: 'fresh' as const,
        name: 'Practised in the last 60 days',
        met: 'met' as const,
        evidence: 'Flint, 12 Apr',
        onDate: '2026-04-12'
      }
    ]
  })
  for (const [i, by] of ['ivo', 'lena'].entries())
    await world.db
      .insert(tables.signatures)
      .values({ findingId: id, personId: world.ids[by], note: 'marked', signedAt: new Date(at.getTime() + i * 60000) })
  return { id, number }
}

const bytesAt = async (by: Client, path: string) => {
  const answer = await patientFetch(`${world.url}/api${path}`, { headers: by.headers })
  return {
    status: answer.status,
    type: answer.headers.get('content-type'),
    name: answer.headers.get('content-disposition'),
    bytes: new Uint8Array(await answer.arrayBuffer())
  }
}
const fileOf = async (id: string) =>
  JSON.parse(new TextDecoder().decode((await bytesAt(lena, `/findings/${id}/credential/file`)).bytes)) as Json
async function checkFile(file: string | Uint8Array): Promise<CheckView & Problem> {
  const answer = await patientFetch(`${world.url}/api/check/file`, {
    method: 'POST',
    body: file as BodyInit,
    headers: { 'content-type': 'application/octet-stream' }
  })
  return (await answer.json()) as CheckView & Problem
}
const checkNumber = async (number: string, code: string) =>
  (await outsider.post('/check', { number, code })).body as unknown as CheckView & Problem
const codeOf = async (id: string) => ((await lena.get(`/findings/${id}/credential`)).body as unknown as CredentialView).code

describe('an issued certificate', () => {
  it('is a credential that verifies, made once, with its code and address', async () => {
    const { id, number } = await issued()
    const view = (await abe.get(`/findings/${id}/credential`)).body as unknown as CredentialView
    expect(view.code).toMatch(/^[0-9A-HJKMNP-TV-Z]{5}-[0-9A-HJKMNP-TV-Z]{5}$/)
    expect(view.checkUrl).toBe(`https://school.example/check/${number}/${view.code}`)
    const document = await fileOf(id)
    expect(await fileOf(id)).toEqual(document)
    expect(await readCredential(new TextEncoder().encode(JSON.stringify(document)))).toMatchObject({ unreadable: null, intact: true })
    expect(document).toMatchObject({
      id: `urn:uuid:${id}`,
      type: ['VerifiableCredential', 'AchievementCredential'],
      validUntil: '2027-04-14T23:59:59Z'
    })
    expect(JSON.stringify(document)).not.toContain('Flint')
  })

  it('goes out as a picture and on paper, to its holder and to staff only', async () => {
    const { id, number } = await issued()
    const badge = await bytesAt(abe, `/findings/${id}/badge`)
    expect(badge).toMatchObject({ status: 200, type: 'image/png', name: `attachment; filename=certificate-${number}.png` })
    expect(JSON.parse(baked(badge.bytes)!)).toEqual(await fileOf(id))
    expect((await checkFile(badge.bytes)).verdict).toBe('valid')
    for (const path of ['credential', 'credential/file', 'badge', 'paper']) {
      expect((await bytesAt(bea, `/findings/${id}/${path}`)).status, path).toBe(403)
      expect((await bytesAt(outsider, `/findings/${id}/${path}`)).status, path).toBe(401)
      expect((await bytesAt(ivo, `/findings/${id}/${path}`)).status, path).toBe(200)
    }
  })

  it('has no file before it is issued', async () => {
    const { id } = (await lena.post('/findings', { id: v7(), apprenticeId: world.ids.bea, certificateId: 'bearded-pet' }))
      .body as unknown as { id: string }
    expect((await lena.get(`/findings/${id}/credential`)).body).toMatchObject({
      code: 'notIssued',
      detail: 'This certificate has not been issued yet. It needs two signatures.'
    })
  })
})

describe('a check without an account', () => {
  it('by number and code, however the code is typed', async () => {
    const { id, number } = await issued()
    const code = await codeOf(id)
    const view = await checkNumber(number, code)
    expect(view).toMatchObject({
      verdict: 'valid',
      ours: true,
      number,
      holder: 'abe Test',
      school: 'Test school',
      issuedOn: '2026-04-14',
      validUntil: '2027-04-14',
      revoked: null
    })
    expect(view.signers.map(({ name, role }) => `${name}, ${role}`)).toEqual(['ivo Test, instructor', 'lena Test, lead'])
    const typed = code.toLowerCase().replace('-', ' ').replace(/0/g, 'o').replace(/1/g, 'l')
    expect((await checkNumber(` ${number} `, typed)).verdict).toBe('valid')
  })

  it('tells a changed file, with the parts that were changed', async () => {
    const { id } = await issued()
    const document = await fileOf(id)
    expect((await checkFile(JSON.stringify(document))).verdict).toBe('valid')
    const text = JSON.stringify(document)
    const other = await checkFile(text.replace('abe Test', 'ade Test'))
    expect(other).toMatchObject({ verdict: 'changed', ours: true, changed: ['holder'], holder: 'ade Test', number: null })
    expect(await checkFile(text.replace('2027-04-14T23', '2037-04-14T23'))).toMatchObject({ verdict: 'changed', changed: ['dates'] })
    expect(await checkFile(text.replace('https://www.w3.org/ns/credentials/v2', 'https://elsewhere.example/v2'))).toMatchObject({
      verdict: 'unreadable',
      unreadable: 'unknownWords'
    })
    expect(await checkFile('{')).toMatchObject({ verdict: 'unreadable', unreadable: 'broken' })
    expect(await checkFile('')).toMatchObject({ verdict: 'unreadable' })
    expect((await checkFile(new Uint8Array(16 * 1024 * 1024))).code).toBe('tooLarge')
  })

  it('with the days of the school’s own clock, as its paper has them', async () => {
    const { id, number } = await issued()
    // half past midnight in summer
    await world.db
      .update(tables.signatures)
      .set({ signedAt: new Date('2026-04-13T23:30:00Z') })
      .where(eq(tables.signatures.findingId, id))
    await world.db.update(tables.school).set({ timeZone: 'Europe/London' })
    const view = await checkNumber(number, await codeOf(id))
    expect([view.issuedOn, view.signers[0].on]).toEqual(['2026-04-14', '2026-04-14'])
  })

  it('of one that has ended', async () => {
    const { id, number } = await issued('2026-04-13', '2025-04-13')
    expect(await checkNumber(number, await codeOf(id))).toMatchObject({ verdict: 'expired', validUntil: '2026-04-13' })
    expect((await checkFile(JSON.stringify(await fileOf(id)))).verdict).toBe('expired')
  })

  it('of another school: the proof holds, and it is said not to be ours; one posing as ours is not in the records', async () => {
    const { id } = await issued()
    const own = await fileOf(id)
    const key = await makeKey(new Uint8Array(32).fill(3))
    const facts = {
      ...{ id: v7(), number: 'X-1', issuedAt: '2026-01-01T00:00:00Z', validUntil: null, holder: 'Ada Example', publicKey: key.publicKey },
      ...{ school: { name: 'Elsewhere', url: null }, certificate: { id: v7(), name: 'Clipping', claim: 'clips', version: 1 } },
      ...{ rules: [], signers: [], status: { list: 'urn:uuid:1', index: 1 }, trail: '' }
    }
    const foreign = await sign(achievementCredential(facts), key, new Date('2026-01-01T00:00:00Z'))
    expect(await checkFile(JSON.stringify(foreign))).toMatchObject({
      verdict: 'valid',
      ours: false,
      school: 'Elsewhere',
      holder: 'Ada Example',
      number: null
    })
    const late = await sign(achievementCredential({ ...facts, issuedAt: '2027-01-01T00:00:00Z' }), key, new Date('2027-01-01T00:00:00Z'))
    expect((await checkFile(JSON.stringify(late))).verdict).toBe('notYet')
    const posing = await checkFile(JSON.stringify({ ...foreign, issuer: own.issuer }))
    expect(posing).toMatchObject({ verdict: 'unreadable', unreadable: 'otherKey' })
  })

  it('tells nothing to who guesses', async () => {
    const { id, number } = await issued()
    const code = await codeOf(id)
    const wrong = await checkNumber(number, '00000-00000')
    const none = await checkNumber('26-999', '00000-00000')
    expect(wrong.detail).toBe(none.detail)
    const answers = []
    for (let i = 0; i < 1000; i++) answers.push((await outsider.post('/check', { number, code: String(i).padStart(10, '0') })).status)
    expect(answers.filter((status) => status === 404).length).toBeLessThan(20)
    expect(answers.at(-1)).toBe(429)
    // the right one is kept back, too, until the quarter of an hour is over
    expect((await checkNumber(number, code)).code).toBe('tooManyTries')
    world.clock.setReal(new Date(Date.now() + 16 * 60000))
    expect((await checkNumber(number, code)).verdict).toBe('valid')
    world.clock.setReal(null)
    await world.db.delete(tables.signInFailures)
  })
})

describe('revoking', () => {
  it('is for a lead, with a reason, once; anyone who checks is told when and why in a class', async () => {
    const { id, number } = await issued()
    const [code, document] = [await codeOf(id), await fileOf(id)]
    expect((await ivo.post(`/findings/${id}/revoke`, { kind: 'error', reason: 'Issued in error.' })).status).toBe(403)
    expect((await abe.post(`/findings/${id}/revoke`, { kind: 'error', reason: 'Issued in error.' })).status).toBe(403)
    expect((await lena.post(`/findings/${id}/revoke`, { kind: 'error', reason: ' ' })).body.detail).toBe(
      'Give a reason for revoking, in a few words.'
    )
    expect((await lena.post(`/findings/${id}/revoke`, { kind: 'mood', reason: 'Issued in error.' })).body.detail).toMatch(
      /^The kind of reason is mood; it must be/
    )
    const before = (await (await patientFetch(`${world.url}/api/status/1`, {})).json()) as Json
    expect(await standingIn(before, document)).toMatchObject({ revoked: false })
    expect((await lena.post(`/findings/${id}/revoke`, { kind: 'safety', reason: 'A dog was cut on purpose.' })).body).toEqual({
      status: 'revoked'
    })
    expect((await lena.post(`/findings/${id}/revoke`, { kind: 'error', reason: 'Once more.' })).body.code).toBe('revoked')
    const view = await checkNumber(number, code)
    expect(view).toMatchObject({ verdict: 'revoked', revoked: { on: '2026-04-14', kind: 'safety' } })
    expect(JSON.stringify(view)).not.toContain('on purpose')
    expect((await checkFile(JSON.stringify(document))).verdict).toBe('revoked')
    const list = (await (await patientFetch(`${world.url}/api/status/1`, {})).json()) as Json
    expect(await readCredential(new TextEncoder().encode(JSON.stringify(list)))).toMatchObject({ intact: true })
    expect(await standingIn(list, document)).toMatchObject({ revoked: true })
    const finding = (await lena.get(`/findings/${id}`)).body as unknown as FindingView
    expect(finding).toMatchObject({
      status: 'revoked',
      say: 'It was issued, and has been revoked.',
      revoked: { kind: 'safety', by: 'lena Test' }
    })
  })

  it('makes room for a new one, and the old one is held no more', async () => {
    for (const row of await world.db.select().from(tables.findings).where(eq(tables.findings.status, 'issued')))
      await lena.post(`/findings/${row.id}/revoke`, { kind: 'request', reason: 'Asked for by the holder.' })
    const again = (await lena.post('/findings', { id: v7(), apprenticeId: world.ids.abe, certificateId: 'bearded-pet' }))
      .body as unknown as { id: string }
    const rows = (await lena.get('/findings')).body as unknown as FindingRow[]
    expect(rows.find((row) => row.findingId === again.id)!.status).toBe('drafted')
    const record = (await lena.get(`/apprentices/${world.ids.abe}`)).body as unknown as { certificates: { issued: boolean }[] }
    expect(record.certificates.some(({ issued: held }) => held)).toBe(false)
  })
})

describe('the signing key', () => {
  it('lies in a file that the server alone reads', async () => {
    const [file] = readdirSync(world.keys)
    expect(statSync(join(world.keys, file)).mode & 0o777).toBe(0o600)
    const cells =
      JSON.stringify(await world.db.select().from(tables.issuerKeys)) + JSON.stringify(await world.db.select().from(tables.credentials))
    expect(cells).not.toMatch(/secret/i)
  })

  it('that is lost is said to be, and a lead makes a new one; what the old one signed stays valid', async () => {
    const { id: first, number } = await issued()
    const code = await codeOf(first)
    const [file] = readdirSync(world.keys)
    renameSync(join(world.keys, file), join(world.keys, `${file}.away`))
    const { id } = await issued()
    expect((await lena.get(`/findings/${id}/credential`)).body).toMatchObject({
      code: 'keyLost',
      detail: expect.stringMatching(/^The signing key [0-9A-F-]{24} is not on this server\./) as string
    })
    // a certificate made before needs no key
    expect((await bytesAt(lena, `/findings/${first}/credential/file`)).status).toBe(200)
    expect((await ivo.get('/issuer/keys')).status).toBe(403)
    expect((await lena.post('/issuer/keys', { reason: 'no', compromisedSince: null })).status).toBe(422)
    expect((await lena.post('/issuer/keys', { reason: 'Lost with the old disk.', compromisedSince: '2027-01-01' })).body.detail).toBe(
      'The date of theft is 2027-01-01; it must be today or earlier.'
    )
    const keys = (await lena.post('/issuer/keys', { reason: 'Lost with the old disk.', compromisedSince: '2026-04-01' }))
      .body as unknown as IssuerKeyView[]
    expect(keys).toHaveLength(2)
    expect(keys[0]).toMatchObject({ endedAt: null, isThere: true, certificates: 0 })
    expect(keys[1]).toMatchObject({ isThere: false, reason: 'Lost with the old disk.', compromisedSince: '2026-04-01T00:00:00.000Z' })
    expect((await lena.get(`/findings/${id}/credential`)).status).toBe(200)
    expect((await checkNumber(number, code)).verdict).toBe('valid')
    const list = (await (await patientFetch(`${world.url}/api/issuer`, {})).json()) as Sealed
    expect(isSealed(list)).toBe(true)
    expect((list.keys as object[]).length).toBe(2)
    expect(isSealed({ ...list, asOf: '2020' })).toBe(false)
  })

  it('signs the heads of the trail: who has the database alone cannot write the past again', async () => {
    const heads = await world.db.select().from(tables.signedHeads)
    expect(heads.length).toBeGreaterThan(3)
    const check = async () => ((await lena.post('/audit')).body as unknown as TrailView).checks[0]
    expect(await check()).toMatchObject({ whole: true, brokenAt: null })
    // every entry from the third on written again, each with the hash before it: the chain itself is whole
    const rows = await world.db.select().from(tables.auditLog).orderBy(asc(tables.auditLog.seq))
    const sha256 = (text: string) => createHash('sha256').update(text).digest('hex')
    let previous = rows[1].hash
    for (const { seq, bytes } of rows.slice(2)) {
      const entry = { ...(JSON.parse(bytes) as object), previous, ...(seq === 3 ? { by: 'someone else' } : {}) }
      const forged = canonicalize(entry)!
      previous = sha256(forged)
      await world.db.update(tables.auditLog).set({ bytes: forged, hash: previous }).where(eq(tables.auditLog.seq, seq))
    }
    await world.db.update(tables.auditHead).set({ hash: previous })
    expect(await check()).toMatchObject({ whole: false, brokenAt: heads[0].seq })
    for (const { seq, bytes, hash } of rows) await world.db.update(tables.auditLog).set({ bytes, hash }).where(eq(tables.auditLog.seq, seq))
    await world.db.update(tables.auditHead).set({ hash: rows.at(-1)!.hash })
    expect(await check()).toMatchObject({ whole: true })
  })

  it('and what it signed are held by the trail', async () => {
    const { checks } = (await lena.post('/audit')).body as unknown as TrailView
    expect(checks[0]).toMatchObject({ whole: true, changed: [] })
    await world.db.update(tables.credentials).set({ code: '0000000000' })
    const after = (await lena.post('/audit')).body as unknown as TrailView
    expect(after.checks[0].changed.some(({ name }) => name.startsWith('credential:'))).toBe(true)
  })
})
