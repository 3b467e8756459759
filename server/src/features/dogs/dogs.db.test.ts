import type { DogView } from '@peen/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let abe: Client
beforeAll(async () => {
  world = await smallSchool('dogs')
  ;[ivo, abe] = [await world.client('ivo'), await world.client('abe')]
})
afterAll(() => world.close())

describe('what a dog is known for', () => {
  it('is kept by an instructor, once each, and read by everybody', async () => {
    const [dog] = (await ivo.get('/dogs')).body as unknown as DogView[]
    expect(dog.facts).toEqual([])
    const kept = await ivo.send('PUT', `/dogs/${dog.id}/facts`, { facts: ['light', 'pink', 'light'] })
    expect(kept.status).toBe(200)
    expect((kept.body as unknown as DogView).facts).toEqual(['light', 'pink'])
    const seen = (await abe.get('/dogs')).body as unknown as DogView[]
    expect(seen.find(({ id }) => id === dog.id)!.facts).toEqual(['light', 'pink'])
  })

  it('is refused in a sentence that names the field, the value and what is allowed', async () => {
    const [dog] = (await ivo.get('/dogs')).body as unknown as DogView[]
    const before = dog.facts
    const refused = await ivo.send('PUT', `/dogs/${dog.id}/facts`, { facts: ['purple'] })
    expect(refused.status).toBe(422)
    expect(JSON.stringify(refused.body)).toContain('facts[0] is purple; allowed is light, pink')
    expect((await ivo.send('PUT', `/dogs/${dog.id}/facts`, {})).status).toBe(422)
    expect(((await ivo.get('/dogs')).body as unknown as DogView[])[0].facts).toEqual(before)
  })

  it('is not for apprentices to say, and not of a dog that is not there', async () => {
    const [dog] = (await ivo.get('/dogs')).body as unknown as DogView[]
    expect((await abe.send('PUT', `/dogs/${dog.id}/facts`, { facts: [] })).status).toBe(403)
    expect((await ivo.send('PUT', '/dogs/00000000-0000-7000-8000-000000000000/facts', { facts: [] })).status).toBe(404)
  })
})
