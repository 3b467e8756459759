import { questions } from '@peen/content'
import type { AnswerView } from '@peen/contract'
import type { Certificate, CertificateRule } from '@peen/core/certify'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallSchool, type Client, type World } from '../../testing/world'
import { findingFor } from '../evidence'
import { standingsOf } from '../standings'

let world: World
let ivo: Client
let abe: Client
beforeAll(async () => {
  world = await smallSchool('answers')
  ;[ivo, abe] = [await world.client('ivo'), await world.client('abe')]
})
afterAll(() => world.close())

const TODAY = '2026-04-14'
const [first] = questions
const tick = (right: boolean, change: object = {}, client = ivo) =>
  client.post(`/apprentices/${world.ids.abe}/answers`, { id: v7(), questionId: first.id, right, onDate: TODAY, note: '', ...change })
const told = async (client: Client) => (await client.get(`/apprentices/${world.ids.abe}/answers`)).body as unknown as AnswerView[]
const withRule = (rule: CertificateRule): Certificate => ({
  ...{ id: 'own', version: 1, name: 'Own', claim: 'knows', standardId: 'teddy', standards: ['teddy'], validMonths: null, renewal: [] },
  rules: [rule]
})
const meets = async (rule: CertificateRule) => (await findingFor(world.db, withRule(rule), world.ids.abe, TODAY)).rules[0]

describe('a question asked aloud', () => {
  const rule: CertificateRule = { kind: 'answered', name: 'Asked', questions: [first.id] }

  it('is ticked by staff alone, and read by the apprentice it was put to', async () => {
    expect((await tick(true, {}, abe)).status).toBe(403)
    expect((await tick(true, { questionId: 'juggling' })).body.detail).toMatch(/it must be on the list/)
    expect((await tick(true, { onDate: '2026-05-01' })).body.detail).toMatch(/Date is 2026-05-01; it must be 2026-04-14 or before/)
    expect(await told(abe)).toEqual([])
    expect((await (await world.client('bea')).get(`/apprentices/${world.ids.abe}/answers`)).status).toBe(403)
  })

  it('stands as it was last answered, and is evidence of its own', async () => {
    expect((await meets(rule)).met).toBe('missing')
    expect((await tick(true)).status).toBe(200)
    expect(await meets(rule)).toMatchObject({ met: 'met', onDate: TODAY })
    world.clock.set(new Date('2026-04-14T12:00:00.000Z'))
    await tick(false, { note: 'knew it last week' })
    expect(await meets(rule)).toMatchObject({ met: 'missing', evidence: expect.stringContaining(first.ask) })
    expect((await told(abe)).map(({ right, by }) => [right, by])).toEqual([
      [true, 'ivo Test'],
      [false, 'ivo Test']
    ])
    // no attempt and no chart comes of it
    expect([...(await standingsOf(world.db, world.ids.abe, TODAY)).values()].every(({ attempts }) => attempts.length === 0)).toBe(true)
  })

  it('stands for the technique that it was before, in a rule that still asks for that', async () => {
    const old: CertificateRule = { kind: 'techniques', name: 'Knows why', techniques: [first.was!] }
    expect((await meets(old)).met).toBe('missing')
    world.clock.set(new Date('2026-04-14T13:00:00.000Z'))
    await tick(true)
    expect((await meets(old)).met).toBe('met')
  })
})

describe('a technique that was renamed', () => {
  it('keeps its history under the name of today, in charts and in rules of before', async () => {
    const visit = await world.newVisit('abe', '2026-04-10')
    const event = (kind: string, payload: object, seq: number) => ({
      ...{ id: v7(), v: 1, kind, visitId: visit, by: ivo.me!.id, deviceId: 'old-tablet', seq, lamport: seq, payload },
      atDevice: '2026-04-10T09:00:00.000Z'
    })
    const attemptId = v7()
    const begun = { attemptId, techniqueId: 'ear-straight-up', regions: ['earOutside'], side: 'both', toolId: null, direction: null }
    const events = [
      event('attemptStarted', { ...begun, hands: 'apprentice', setting: 'live' }, 1),
      event('attemptEnded', { attemptId, minutes: 4, help: 'alone', witness: 'watched' }, 2)
    ]
    expect((await ivo.post(`/visits/${visit}/events`, { events })).status).toBe(200)
    const standings = await standingsOf(world.db, world.ids.abe, TODAY)
    expect(standings.has('ear-straight-up')).toBe(false)
    expect(standings.get('ear-lift')!.standing.attempts).toBe(1)
    const asks = (id: string): CertificateRule => ({
      ...{ kind: 'practised', name: 'Often', techniques: [id], count: 1, clean: true, mostHelp: 'alone', dogs: 1, coats: 1 },
      ...{ bothSides: true, withinWeeks: null }
    })
    for (const id of ['ear-straight-up', 'ear-lift']) expect((await meets(asks(id))).met, id).toBe('met')
  })
})
