import type { CertificateBook, DryRunRow, FindingView } from '@peen/contract'
import { certificates } from '@peen/content'
import type { Certificate } from '@peen/core/certify'
import { STANDING_DEFAULTS } from '@peen/core/competency'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let lena: Client
let ivo: Client
beforeAll(async () => {
  world = await smallSchool('certificates')
  ;[lena, ivo] = [await world.client('lena'), await world.client('ivo')]
})
afterAll(() => world.close())

const book = async () => (await lena.get('/certificates')).body as unknown as CertificateBook
const rowOf = async (id: string) => (await book()).certificates.find((row) => row.certificate.id === id)!
const own = (change: Partial<Certificate> = {}): Certificate => ({
  ...certificates[0],
  id: 'own-feet',
  version: 1,
  name: 'Feet',
  rules: [{ kind: 'fresh', name: 'Fresh', days: 60 }],
  renewal: [],
  ...change
})

describe('the certificates of a school', () => {
  it('are those that Peen ships, in their order, until it makes its own', async () => {
    expect((await book()).certificates.map((row) => row.certificate.id)).toEqual(certificates.map(({ id }) => id))
    expect((await ivo.get('/certificates')).status).toBe(200)
    expect((await (await world.client('abe')).get('/certificates')).status).toBe(403)
  })

  it('are tried on the cohort before use: who meets what today, and nothing is written', async () => {
    const rows = (await ivo.post('/certificates/dry-run', own())).body as unknown as DryRunRow[]
    expect(rows.map(({ apprentice, before, after, ready }) => [apprentice, before, after, ready])).toEqual([
      ['abe Test', null, { met: 0, of: 1 }, false],
      ['bea Test', null, { met: 0, of: 1 }, false]
    ])
    expect(rows[0].open).toEqual([{ name: 'Fresh', evidence: 'no work on record' }])
    expect((await book()).certificates).toHaveLength(certificates.length)
    const changed = { ...certificates[0], version: 2, rules: certificates[0].rules.slice(0, 1) }
    const again = (await ivo.post('/certificates/dry-run', changed)).body as unknown as DryRunRow[]
    expect(again[0]).toMatchObject({ before: { met: 1, of: 6 }, after: { met: 0, of: 1 } })
  })

  it('refuse a rule that could never be met, in a sentence that names it', async () => {
    const impossible = own({ rules: [{ kind: 'dogs', name: 'Many coats', dogs: 2, coats: 3 }] })
    for (const answer of [
      await ivo.post('/certificates/dry-run', impossible),
      await lena.send('PUT', '/certificates/own-feet', impossible)
    ]) {
      expect(answer.status).toBe(422)
      expect(answer.body.errors).toContainEqual({
        path: 'rules.0.coats',
        detail: 'Rule 1, “Many coats”: the number of coats is 3; it must be at most 2, one a dog. No one could ever meet it.'
      })
    }
  })

  it.each<[string, (good: Certificate) => object, RegExp]>([
    [
      'a kind nobody knows',
      (good) => ({ ...good, rules: [{ kind: 'luck', name: 'Luck' }] }),
      /Kind of rule is luck; it must be techniques/
    ],
    ['a stray field', (good) => ({ ...good, rules: [{ kind: 'fresh', name: 'Fresh', days: 3, because: 'x' }] }), /because/],
    ['no name', (good) => ({ ...good, name: '' }), /Name is missing/],
    ['no trim', (good) => ({ ...good, standards: [] }), /Trims that count: none chosen/]
  ])('refuse %s', async (_, spoil, words) => {
    const answer = await lena.send('PUT', '/certificates/own-feet', spoil(own()))
    expect(answer.status).toBe(422)
    expect(JSON.stringify(answer.body)).toMatch(words)
  })

  it('go into use by a lead, as versions: what was drafted by an earlier one keeps its rules', async () => {
    expect((await ivo.send('PUT', '/certificates/own-feet', own())).status).toBe(403)
    expect((await lena.send('PUT', '/certificates/own-feet', own())).body).toEqual({ version: 1 })
    const { id } = (await lena.post('/findings', { id: v7(), apprenticeId: world.ids.abe, certificateId: 'own-feet' })).body
    const next = own({ version: 2, name: 'Feet and pads', rules: [...own().rules, { kind: 'noSafety', name: 'Safe', days: 30 }] })
    expect((await lena.send('PUT', '/certificates/own-feet', next)).body).toEqual({ version: 2 })
    const finding = (await lena.get(`/findings/${id}`)).body as unknown as FindingView
    expect(finding.certificate).toMatchObject({ name: 'Feet', version: 1 })
    expect(finding.rules.map(({ name }) => name)).toEqual(['Fresh'])
    // somebody who wrote from version 1 is told
    const late = await lena.send('PUT', '/certificates/own-feet', next)
    expect(late.status).toBe(409)
    expect(late.body.detail).toMatch(/Version 2 of this certificate is now in use/)
    expect((await rowOf('own-feet')).versions.map(({ version, by }) => [version, by])).toEqual([
      [2, 'lena Test'],
      [1, 'lena Test']
    ])
  })

  it('are retired and given again; a retired one is drafted no more', async () => {
    expect((await lena.post('/certificates/own-feet/retire')).status).toBe(200)
    expect((await rowOf('own-feet')).retired).toBe(true)
    expect((await lena.post('/findings', { id: v7(), apprenticeId: world.ids.bea, certificateId: 'own-feet' })).status).toBe(404)
    expect((await lena.post('/certificates/own-feet/give-again')).status).toBe(200)
    expect((await lena.post('/certificates/moon/retire')).status).toBe(404)
  })
})

describe('the school’s own risks', () => {
  const put = (change: object, by = lena) => by.send('PUT', '/school/charts', { ...STANDING_DEFAULTS, ...change })
  it.each<[string, object, RegExp]>([
    ['rates out of order', { acceptable: 0.4 }, /The two rates are 0.4 and 0.3/],
    ['a risk of nothing', { risk: 0 }, /Risk is 0; it must be 0.001 to 0.9/],
    ['no time to lapse', { lapseDays: 1 }, /Days without practice until it lapses is 1; it must be 7 to 730/],
    ['a chart that cannot signal in time', { expectedAttempts: 5, risk: 0.001 }, /nobody reaches it in time/]
  ])('refuse %s', async (_, change, words) => {
    const answer = await put(change)
    expect(answer.status).toBe(422)
    expect(JSON.stringify(answer.body)).toMatch(words)
  })
  it('are kept by a lead alone', async () => {
    expect((await put({ expectedAttempts: 50 }, ivo)).status).toBe(403)
    expect((await put({ expectedAttempts: 50 })).status).toBe(200)
    expect((await book()).rules.expectedAttempts).toBe(50)
  })
})
