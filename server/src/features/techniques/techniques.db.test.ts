import { techniqueById } from '@peen/content'
import type { SchoolView, TechniquePage } from '@peen/contract'
import type { Technique } from '@peen/core/technique'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let abe: Client
beforeAll(async () => {
  world = await smallSchool('techniques')
  ;[ivo, abe] = [await world.client('ivo'), await world.client('abe')]
})
afterAll(() => world.close())

const shipped = techniqueById('round-foot')!
const own: Technique = {
  ...shipped,
  name: 'Round foot, our way',
  steps: [...shipped.steps, 'Let the dog walk three steps.'],
  faults: [...shipped.faults, { id: 'own-slipper', name: 'A slipper', major: true, cause: 'hair left behind', cure: 'tips past the pad' }],
  hazards: [...shipped.hazards, { id: 'own-dewclaw', name: 'dewclaw', caution: 'Thumb over it.', hold: true }]
}
const keep = (version: number, body: unknown, client = ivo) => client.send('PUT', '/techniques/round-foot', { version, body })

describe('a technique', () => {
  it('is read by everyone, with its versions', async () => {
    const { technique, versions } = (await abe.get('/techniques/round-foot')).body as unknown as TechniquePage
    expect(technique).toEqual({ ...shipped, version: 1 })
    expect(versions).toEqual([{ version: 1, by: null, at: null, body: shipped }])
    expect((await abe.get('/techniques/juggling')).status).toBe(404)
  })

  it('is worded by the school as its own version, and holds at the table', async () => {
    expect((await keep(1, own, abe)).status).toBe(403)
    const kept = await keep(1, own)
    expect(kept.status).toBe(200)
    expect((kept.body as unknown as TechniquePage).versions.map(({ version, by }) => [version, by])).toEqual([
      [2, 'ivo Test'],
      [1, null]
    ])
    const school = (await abe.get('/school')).body as unknown as SchoolView
    expect(school.techniques.find(({ id }) => id === 'round-foot')).toEqual({ ...own, version: 2 })
    // the added hold point holds a new apprentice
    const visit = await world.newVisit('abe')
    const view = (await ivo.get(`/visits/${visit}/work`)).body as unknown as { holds: { techniqueId: string; hazardId: string }[] }
    expect(view.holds).toContainEqual(expect.objectContaining({ techniqueId: 'round-foot', hazardId: 'own-dewclaw' }))
  })

  it('tells a second device that it was overtaken', async () => {
    expect(await keep(1, own)).toMatchObject({
      status: 409,
      body: { code: 'overtaken', detail: expect.stringMatching(/^Version 2 has been saved since/) }
    })
  })

  it.each<[string, unknown, RegExp]>([
    ['a caution taken away', { ...own, hazards: [] }, /a caution stays at its step/],
    ['a fault taken away', { ...own, faults: own.faults.slice(1) }, /notes may name it/],
    ['a tool nobody has', { ...own, tools: ['chainsaw'] }, /tools is chainsaw; it must be a tool of the rack/],
    ['a circle of prerequisites', { ...own, after: ['cylinder-leg'] }, /no circle of prerequisites/],
    ['no steps', { ...own, steps: [] }, /at least one step/],
    ['minutes of -3', { ...own, usualMinutes: -3 }, /Usual minutes is -3; it must be 1 to 240/]
  ])('refuses %s, and nothing is changed', async (_, body, words) => {
    const answer = await keep(2, body)
    expect(answer.status).toBe(422)
    expect(answer.body.detail).toMatch(words)
    const { versions } = (await ivo.get('/techniques/round-foot')).body as unknown as TechniquePage
    expect(versions.length).toBe(2)
  })
})
