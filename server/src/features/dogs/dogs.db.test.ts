import type { DogPage, DogView, VisitLine } from '@peen/contract'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { everythingIn } from '../../testing/everything'
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
    expect(JSON.stringify(refused.body)).toContain('facts[0] is purple; it must be light, pink')
    expect((await ivo.send('PUT', `/dogs/${dog.id}/facts`, {})).status).toBe(422)
    expect(((await ivo.get('/dogs')).body as unknown as DogView[])[0].facts).toEqual(before)
  })

  it('is not for apprentices to say, and not of a dog that is not there', async () => {
    const [dog] = (await ivo.get('/dogs')).body as unknown as DogView[]
    expect((await abe.send('PUT', `/dogs/${dog.id}/facts`, { facts: [] })).status).toBe(403)
    expect((await ivo.send('PUT', '/dogs/00000000-0000-7000-8000-000000000000/facts', { facts: [] })).status).toBe(404)
  })
})

const profile = (change: object = {}) => ({
  name: 'Flint',
  breed: 'bearded terrier',
  bodyType: 'bearded',
  coat: 'wire',
  coatType: null,
  colour: 'pepper',
  bornOn: '2020-05-02',
  weightKg: 8.4,
  nose: 'black',
  skin: 'patched',
  withersMm: 340,
  backMm: null,
  muzzleMm: 88,
  forelegMm: null,
  footMm: null,
  flatFootMm: 4,
  canStandMin: 130,
  temperament: 'steady',
  dislikes: '',
  earHistory: 'inflamed in 2025',
  burns: [{ region: 'cheek', side: 'left' }],
  owner: 'Marenka',
  contact: 'marenka@post.invalid',
  ...change
})
const save = (change: object = {}, id = world.ids.flint) => ivo.send('PUT', `/dogs/${id}/profile`, profile(change))

describe('the profile', () => {
  it('keeps own measurements, pigment and history, and draws by them', async () => {
    expect((await save()).status).toBe(200)
    const dog = ((await abe.get('/dogs')).body as unknown as DogView[]).find(({ id }) => id === world.ids.flint)!
    expect(dog).toMatchObject({ own: { muzzleMm: 88 }, flatFootMm: 4, coatType: 'wire', skin: 'patched', earHistory: 'inflamed in 2025' })
    expect(JSON.stringify((await abe.get(`/dogs/${dog.id}`)).body)).not.toContain('Marenka')
  })

  it.each([
    [{ muzzleMm: 400 }, /muzzleMm is 400; it must be \d+ to \d+ mm/],
    [{ withersMm: 90 }, /Height at the withers is 90; it must be 150 to 900 mm/],
    [{ weightKg: 900 }, /Weight is 900; it must be 0.5 to 120 kg/],
    [{ flatFootMm: 60 }, /Flat part of the foot is 60; it must be 0 to 20 mm/],
    [{ bornOn: '2027-01-01' }, /Born on is 2027-01-01; it must be 2026-04-14 or earlier/],
    [{ bodyType: 'griffin' }, /Body type is griffin; it must be terrier/],
    [{ burns: [{ region: 'moon', side: 'left' }] }, /Burn place is moon/],
    [{ nose: 'green' }, /Nose is green; it must be black, brown/]
  ])('refuses %j', async (change, sentence) => {
    const answer = await save(change)
    expect(answer.status).toBe(422)
    expect(answer.body.detail).toMatch(sentence)
  })
})

describe('a dog that is refused', () => {
  const decide = (who: Client, kind: string, reason = 'bites at the clipper', vet = false) =>
    who.send('PUT', `/dogs/${world.ids.ember}/standing`, { kind, reason, vet })
  it('takes a reason, and two people or a vet; a lead assessor frees it', async () => {
    expect((await decide(ivo, 'refused', '')).body.detail).toMatch(/Give a reason/)
    expect((await decide(ivo, 'refused')).body).toMatchObject({ standing: { by: [world.ids.ivo] } })
    expect((await decide(ivo, 'refused')).body).toMatchObject({ standing: { by: [world.ids.ivo] } })
    const ina = await world.client('ina')
    expect((await decide(ina, 'refused')).body).toMatchObject({ standing: { by: [world.ids.ivo, world.ids.ina] } })
    expect((await decide(ina, 'free', '')).status).toBe(403)
    expect((await decide(abe, 'limited')).status).toBe(403)
    const plan = {
      id: v7(),
      apprenticeId: world.ids.abe,
      dogId: world.ids.ember,
      tableId: world.ids.table,
      standardId: 'bearded-pet',
      weeksSince: 6,
      wishes: ''
    }
    expect((await ivo.post('/visits', plan)).body.detail).toMatch(
      /Ember must not be worked on: bites at the clipper, decided by two people/
    )
    expect((await decide(await world.client('lena'), 'free', '')).body).toMatchObject({ standing: null })
    expect((await decide(ivo, 'limited', 'old')).status).toBe(200)
    expect((await ivo.post('/visits', plan)).body).toMatchObject({ warnings: ['Ember can be worked on only with limits: old.'] })
  })
})

describe('a visit of before', () => {
  it('carries the name of its own version of the trim', async () => {
    await world.newVisit('abe')
    const lines = async () => (await ivo.get(`/dogs/${world.ids.flint}/visits`)).body as unknown as VisitLine[]
    const [{ trim }] = await lines()
    const [{ body }] = await world.db.select().from(tables.standards).where(eq(tables.standards.id, 'bearded-pet'))
    const renamed = { ...body, version: 900, name: 'Another name' }
    await world.db.insert(tables.standards).values({ id: body.id, version: 900, body: renamed })
    expect((await lines()).map((line) => line.trim)).toEqual((await lines()).map(() => trim))
    const page = (await ivo.get(`/dogs/${world.ids.flint}`)).body as unknown as DogPage
    expect(page.visits.map((visit) => visit.trim)).not.toContain('Another name')
    await world.db.delete(tables.standards).where(eq(tables.standards.version, 900))
  })
})

describe('erasing an owner', () => {
  it('leaves no trace of the person anywhere in the database, and every grading as it was', async () => {
    await save()
    const id = await world.newTrim('abe')
    const wishes = [{ what: 'Marenka’s wish: brows longer', askedBy: 'Marenka', length: null, rule: null }]
    await ivo.send('PUT', `/visits/${id}/found`, { version: 0, weeksSince: 6, purpose: 'pet', coat: [], skin: [], nailsOwed: [], wishes })
    await ivo.send('PUT', `/visits/${id}/closing`, {
      version: 1,
      used: '',
      nextTime: 'ask MARENKA first',
      backInWeeks: 6,
      handOver: 'told Marenka',
      nailsDone: true
    })
    const event = {
      id: v7(),
      v: 1,
      kind: 'noted',
      visitId: id,
      by: ivo.me!.id,
      deviceId: 't',
      seq: 1,
      lamport: 1,
      atDevice: '2026-04-14T09:00:00.000Z',
      receivedAt: null
    }
    expect(
      (await ivo.post(`/visits/${id}/events`, { events: [{ ...event, payload: { text: 'Marenka rang: marenka@post.invalid' } }] })).status
    ).toBe(200)
    const grading = (await ivo.post(`/visits/${id}/gradings`, { id: v7() })).body as unknown as { id: string }
    const answers = {
      nails: { whole: { kind: 'excused', reason: 'as Marenka wished' } },
      'beard-length': { whole: { kind: 'readings', mm: [55, 55, 55] } }
    }
    await ivo.send('PUT', `/gradings/${grading.id}`, { version: 1, answers, critical: [], globalRating: null })
    const before = await everythingIn(world.db)
    expect(before.match(/marenka/gi)!.length).toBeGreaterThan(6)
    expect((await ivo.post(`/dogs/${world.ids.flint}/owner/erase`)).body).toEqual({ erased: true })
    expect((await everythingIn(world.db)).match(/marenka/gi)).toBeNull()
    const [kept] = await world.db.select().from(tables.gradings).where(eq(tables.gradings.id, grading.id))
    expect(kept.answers).toMatchObject({ 'beard-length': answers['beard-length'], nails: { whole: { reason: 'as the owner wished' } } })
    expect((await ivo.post(`/dogs/${world.ids.flint}/owner/erase`)).body).toEqual({ erased: false })
  })
})
