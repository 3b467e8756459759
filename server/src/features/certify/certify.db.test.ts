import { certificates } from '@peen/content'
import type { FindingRow, FindingView, TrailView } from '@peen/contract'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let lena: Client
let ivo: Client
beforeAll(async () => {
  world = await smallSchool('certify')
  ;[lena, ivo] = [await world.client('lena'), await world.client('ivo')]
})
afterAll(() => world.close())

const draft = (by: Client, apprentice = 'abe', certificateId = 'bearded-pet') =>
  by.post('/findings', { id: v7(), apprenticeId: world.ids[apprentice], certificateId })

describe('drafting a finding', () => {
  it('is open once for each apprentice and certificate', async () => {
    const first = await draft(ivo)
    expect((await draft(lena)).body.id).toBe(first.body.id)
    const view = (await lena.get(`/findings/${first.body.id}`)).body as unknown as FindingView
    expect(view).toMatchObject({ status: 'drafted', number: '26-001', draftedBy: 'ivo Test', ready: false, deciding: null, signatures: [] })
    expect(view.rules.map((rule) => rule.met)).toEqual(['missing', 'missing', 'missing', 'missing', 'met', 'missing'])
    expect(view.people.every((person) => person.role !== 'apprentice' && person.may.may === false)).toBe(true)
  })

  it.each<[string, () => object, number, RegExp]>([
    [
      'an unknown certificate',
      () => ({ id: v7(), apprenticeId: world.ids.abe, certificateId: 'moon' }),
      404,
      /The certificate "moon" does not exist/
    ],
    [
      'somebody who is no apprentice',
      () => ({ id: v7(), apprenticeId: world.ids.ivo, certificateId: 'bearded-pet' }),
      404,
      /This apprentice does not exist/
    ],
    ['a bad id', () => ({ id: '7', apprenticeId: world.ids.abe, certificateId: 'bearded-pet' }), 422, /id is "7"; it must be a UUID/],
    [
      'an extra field',
      () => ({ id: v7(), apprenticeId: world.ids.abe, certificateId: 'bearded-pet', force: true }),
      422,
      /force is not a known field/
    ]
  ])('refuses %s', async (_, body, status, words) => {
    const answer = await lena.post('/findings', body())
    expect(answer.status).toBe(status)
    expect(answer.body.detail).toMatch(words)
  })

  it('takes an id once', async () => {
    const id = v7()
    await world.client('lars').then((lars) => lars.post('/findings', { id, apprenticeId: world.ids.bea, certificateId: 'bearded-pet' }))
    const view = (await lena.get(`/findings/${id}`)).body as unknown as FindingView
    await lena.post(`/findings/${id}/decline`, { reason: 'Only to free the place.' })
    expect(view.number).toMatch(/^26-\d{3}$/)
    expect((await lena.post('/findings', { id, apprenticeId: world.ids.bea, certificateId: 'bearded-pet' })).body.code).toBe('idTaken')
  })

  it('lists everybody with what is met', async () => {
    const rows = (await lena.get('/findings')).body as unknown as FindingRow[]
    const first = rows.filter((row) => row.certificateId === 'bearded-pet')
    expect(first.map((row) => row.apprentice).sort()).toEqual(['abe Test', 'bea Test'])
    expect(first.find((row) => row.apprentice === 'abe Test')!.status).toBe('drafted')
    expect(rows).toHaveLength(2 * certificates.length)
  })
})

describe('deciding', () => {
  it('nobody signs before every rule is met', async () => {
    const { id } = (await draft(lena)).body
    for (const by of [lena, ivo]) expect((await by.post(`/findings/${id}/sign`)).body.detail).toMatch(/not every rule is met/)
  })

  it('an apprentice reads the own finding only, and decides nothing', async () => {
    const { id } = (await draft(lena)).body
    const [abe, bea] = [await world.client('abe'), await world.client('bea')]
    expect((await abe.get(`/findings/${id}`)).status).toBe(200)
    expect((await bea.get(`/findings/${id}`)).status).toBe(403)
    expect((await abe.post(`/findings/${id}/sign`)).status).toBe(403)
    expect((await abe.post(`/findings/${id}/decline`, { reason: 'I would rather not.' })).status).toBe(403)
  })

  it('is declined by a lead with a reason, once; a new one may follow; the audit chain holds', async () => {
    const { id } = (await draft(lena)).body
    expect((await ivo.post(`/findings/${id}/decline`, { reason: 'Not yet.' })).status).toBe(403)
    expect((await lena.post(`/findings/${id}/decline`, { reason: 'no' })).body.detail).toBe('Give a reason for declining, in a few words.')
    expect((await lena.post(`/findings/${id}/decline`, { reason: 'No trim has been graded yet.' })).status).toBe(200)
    expect((await lena.post(`/findings/${id}/decline`, { reason: 'Twice is too much.' })).body.code).toBe('decided')
    expect((await lena.post(`/findings/${id}/sign`)).body.code).toBe('decided')
    const view = (await lena.get(`/findings/${id}`)).body as unknown as FindingView
    expect(view.declined).toEqual({ reason: 'No trim has been graded yet.', by: 'lena Test' })
    expect((await draft(lena)).body.id).not.toBe(id)
    const { checks } = (await lena.post('/audit')).body as unknown as TrailView
    expect(checks[0]).toMatchObject({ whole: true, changed: [] })
    expect((await ivo.get('/audit')).status).toBe(403)
  })
})
