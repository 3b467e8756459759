import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
beforeAll(async () => {
  world = await smallSchool('school')
  ivo = await world.client('ivo')
})
afterAll(() => world.close())

describe('the house', () => {
  it('answers every question, also one that came after the school was opened', async () => {
    const school = (await ivo.get('/school')).body as unknown as { houseRules: Record<string, number> }
    for (const id of ['bearded-skull', 'drop-body', 'eye-corners']) expect(school.houseRules[id], id).toBeTypeOf('number')
  })

  it('takes a side by a lead assessor only, and refuses a question or a side that is not there', async () => {
    const lena = await world.client('lena')
    const taken = await lena.send('PUT', '/school/house-rules', { rules: { 'bearded-skull': 1 } })
    expect((taken.body as unknown as { houseRules: Record<string, number> }).houseRules).toMatchObject({ 'bearded-skull': 1, stop: 0 })
    expect((await ivo.send('PUT', '/school/house-rules', { rules: { stop: 1 } })).status).toBe(403)
    const wrong = await lena.send('PUT', '/school/house-rules', { rules: { stop: 7, nonsense: 0 } })
    expect(wrong.status).toBe(422)
    expect(wrong.body.detail).toBe('Stop is 7; it must be 0 to 1. nonsense is not a house rule.')
    expect((await lena.send('PUT', '/school/house-rules', { rules: { stop: -1 } })).status).toBe(422)
  })
})
