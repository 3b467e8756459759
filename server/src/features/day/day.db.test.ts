import type { DayView, DogPage, FloorView, Planned, VisitPage } from '@peen/contract'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let lena: Client
let abe: Client
beforeAll(async () => {
  world = await smallSchool('day')
  ;[ivo, lena, abe] = [await world.client('ivo'), await world.client('lena'), await world.client('abe')]
})
afterAll(() => world.close())

const person = (change: object = {}) => ({
  id: v7(),
  givenName: 'Nel',
  familyName: 'Aster',
  username: `nel${Math.floor(performance.now() * 1000)}`,
  password: 'long enough 7F',
  role: 'apprentice',
  cohort: 'Spring',
  ...change
})
const dog = (change: object = {}) => ({
  id: v7(),
  name: 'Moth',
  bodyType: 'bearded',
  coat: 'wire',
  breed: '',
  coatType: null,
  colour: 'pepper',
  withersMm: 340,
  canStandMin: 150,
  temperament: 'steady',
  dislikes: '',
  owner: 'Orla',
  contact: 'orla@post.invalid',
  ...change
})
const day = async () => (await ivo.get('/day/today')).body as unknown as DayView
const visit = (view: DayView, change: object = {}) => ({
  id: v7(),
  apprenticeId: view.people.find(({ role }) => role === 'apprentice')!.id,
  dogId: view.dogs[0].id,
  tableId: view.tables[0].id,
  standardId: view.trims[0].id,
  weeksSince: 6,
  wishes: '',
  ...change
})

describe('people', () => {
  it('are let in and can sign in at once', async () => {
    const nel = person()
    expect((await ivo.post('/people', nel)).status).toBe(200)
    expect((await day()).people.find(({ id }) => id === nel.id)).toMatchObject({ givenName: 'Nel', cohort: 'Spring', role: 'apprentice' })
    const answer = await (await world.client()).post('/sign-in', { username: nel.username, password: nel.password })
    expect(answer.status).toBe(200)
    expect(JSON.stringify(answer.body)).not.toContain('long enough')
  })

  it('are refused in words: a name that is taken, a short password, a role nobody has, an id that is in use', async () => {
    const nel = person()
    await ivo.post('/people', nel)
    const twice = await ivo.post('/people', person({ username: nel.username }))
    expect([twice.status, twice.body.detail]).toEqual([409, `Username “${nel.username}” is taken; choose another. Nothing was changed.`])
    expect((await ivo.post('/people', person({ id: nel.id }))).status).toBe(409)
    const short = await ivo.post('/people', person({ password: 'short', role: 'king' }))
    expect(short.status).toBe(422)
    expect(short.body.detail).toContain('Password is too short; it must have at least 10 characters.')
    expect(short.body.detail).toContain('Role is king; it must be lead, instructor or apprentice.')
  })

  it('of the staff are let in by a lead assessor only, and an apprentice lets in nobody', async () => {
    expect((await ivo.post('/people', person({ role: 'instructor' }))).status).toBe(403)
    expect((await lena.post('/people', person({ role: 'instructor' }))).status).toBe(200)
    expect((await abe.post('/people', person())).status).toBe(403)
    expect((await abe.get('/day/today')).status).toBe(403)
  })
})

describe('dogs', () => {
  it('stand on their own page before their first visit, as unknown', async () => {
    const moth = dog()
    expect((await ivo.post('/dogs', moth)).status).toBe(200)
    const page = (await ivo.get(`/dogs/${moth.id}`)).body as unknown as DogPage
    expect(page.known).toBe(false)
    expect(page.dog).toMatchObject({ name: 'Moth', ownerGivenName: 'Orla', burns: [], facts: [] })
    expect(page.plan.lengthsMm.back).toBeGreaterThan(0)
  })

  it('are refused with every field that is wrong, its value and what is allowed', async () => {
    const wrong = await ivo.post('/dogs', dog({ withersMm: 5000, canStandMin: 2.5 }))
    expect(wrong.status).toBe(422)
    expect(wrong.body.detail).toContain('Height at the withers is 5000; it must be 150 to 900 mm.')
    expect(wrong.body.detail).toContain('Minutes it can be worked on is 2.5; it must be 5 to 300 minutes.')
    const unknown = await ivo.post('/dogs', dog({ bodyType: 'griffin', colour: 'plaid' }))
    expect(unknown.body.detail).toMatch(/Body type is griffin; it must be terrier, highland, .* Colour is plaid/)
  })
})

describe('tables and visits', () => {
  it('are planned, stand on the floor, and clash in words', async () => {
    const table = await ivo.post('/tables', { id: v7() })
    expect(table.body).toMatchObject({ number: 2 })
    const view = await day()
    const first = visit(view)
    const planned = await ivo.post('/visits', first)
    expect(planned.status).toBe(200)
    expect((planned.body as unknown as Planned).warnings).toEqual([])
    const floor = (await ivo.get('/floor')).body as unknown as FloorView
    expect(floor.tables.find(({ tableId }) => tableId === first.tableId)).toMatchObject({ visitId: first.id, trim: view.trims[0].name })
    const again = await ivo.post('/visits', visit(view))
    expect(again.status).toBe(409)
    expect(again.body.detail).toMatch(
      /is already on another table\. .* is already working on another dog\. Table 1 is taken\. Nothing was changed\./
    )
    expect((await day()).visits.length).toBe(1)
  })

  it('say when a dog would stand longer than it can, and plan it all the same', async () => {
    const old = dog({ name: 'Bracken', canStandMin: 40 })
    await ivo.post('/dogs', old)
    const view = await day()
    const free = view.people.filter(
      ({ role, id }) =>
        role === 'apprentice' && !view.visits.some((one) => one.apprentice.startsWith(view.people.find((p) => p.id === id)!.givenName))
    )
    const answer = await ivo.post('/visits', visit(view, { dogId: old.id, apprenticeId: free[0].id, tableId: view.tables[1].id }))
    expect(answer.status).toBe(200)
    expect((answer.body as unknown as Planned).warnings[0]).toMatch(/Bracken would be on the table for \d+ minutes today and can manage 40/)
  })

  it('are refused for what is not there', async () => {
    const view = await day()
    for (const change of [{ dogId: v7() }, { tableId: v7() }, { apprenticeId: ivo.me!.id }, { standardId: 'no-such-trim' }])
      expect((await ivo.post('/visits', visit(view, change))).status).toBe(404)
    expect((await ivo.post('/visits', visit(view, { weeksSince: -1 }))).body.detail).toContain(
      'Weeks since the last groom is -1; it must be 0 to 520 weeks.'
    )
  })

  it('fill the room until it is full', async () => {
    const answers = []
    for (let i = 0; i < 14; i++) answers.push(await ivo.post('/tables', { id: v7() }))
    const last = answers.at(-1)!
    expect([last.status, last.body.detail]).toEqual([409, expect.stringMatching(/^The room is full with \d+ tables/)])
  })
})

describe('other days, moving and closing', () => {
  const on = async (date: string) => (await ivo.get(`/day/${date}`)).body as unknown as DayView
  it('plan ahead, move to another table, apprentice or day, and are taken back', async () => {
    const view = await on('2026-04-20')
    const one = visit(view, { onDate: '2026-04-20' })
    expect((await ivo.post('/visits', one)).status).toBe(200)
    const [, second] = view.people.filter(({ role }) => role === 'apprentice')
    expect((await ivo.send('PUT', `/visits/${one.id}`, { tableId: view.tables[1].id, apprenticeId: second.id })).status).toBe(200)
    expect((await on('2026-04-20')).visits).toMatchObject([{ tableNumber: view.tables[1].number, apprenticeId: second.id, begun: false }])
    await ivo.send('PUT', `/visits/${one.id}`, { onDate: '2026-04-21' })
    expect([(await on('2026-04-20')).visits.length, (await on('2026-04-21')).visits.length]).toEqual([0, 1])
    const curly = dog({ name: 'Fable', coat: 'soft curly', bodyType: 'poodle' })
    await ivo.post('/dogs', curly)
    const poodle = visit(view, {
      onDate: '2026-04-21',
      dogId: curly.id,
      apprenticeId: view.people.find(({ role }) => role === 'apprentice')!.id,
      tableId: view.tables[3].id,
      standardId: 'bearded-pet'
    })
    await ivo.post('/visits', poodle)
    expect((await ivo.send('PUT', `/visits/${poodle.id}`, { standardId: 'clean-face' })).status).toBe(200)
    expect((await on('2026-04-21')).visits.find(({ id }) => id === poodle.id)!.trimId).toBe('clean-face')
    await ivo.post(`/visits/${poodle.id}/cancel`)
    const other = visit(view, { onDate: '2026-04-21', dogId: view.dogs[1].id, tableId: view.tables[2].id })
    await ivo.post('/visits', other)
    const clash = await ivo.send('PUT', `/visits/${other.id}`, { tableId: view.tables[1].id })
    expect(clash.body.detail).toMatch(/Table 2 is taken\. Nothing was changed\./)
    expect((await ivo.post(`/visits/${other.id}/cancel`)).status).toBe(200)
    expect((await on('2026-04-21')).visits.length).toBe(1)
  })

  it('refuse a day that is over or closed, and what is no day', async () => {
    const view = await on('2026-04-22')
    expect((await ivo.post('/visits', visit(view, { onDate: '2026-04-01' }))).body.detail).toMatch(
      /^2026-04-01 is over; plan a visit for an open day from 2026-04-14 on/
    )
    expect((await ivo.post('/day/2026-04-22/close')).status).toBe(200)
    expect((await on('2026-04-22')).closedDay).toBe(true)
    expect((await ivo.post('/visits', visit(view, { onDate: '2026-04-22' }))).body).toMatchObject({ code: 'dayClosed' })
    expect((await ivo.post('/day/2026-04-22/reopen')).status).toBe(403)
    await lena.post('/day/2026-04-22/reopen')
    expect((await on('2026-04-22')).closedDay).toBe(false)
    expect((await ivo.get('/day/2026-02-30')).body.detail).toMatch(/Day is 2026-02-30; it must be a date/)
  })

  it('stay where they are once somebody has begun', async () => {
    const id = await world.newVisit('bea', '2026-04-14')
    const event = { id: v7(), v: 1, kind: 'visitOpened', visitId: id, by: ivo.me!.id, deviceId: 't', seq: 1, lamport: 1 }
    await ivo.post(`/visits/${id}/events`, {
      events: [{ ...event, atDevice: '2026-04-14T09:00:00.000Z', receivedAt: null, payload: {} }]
    })
    expect((await ivo.post(`/visits/${id}/cancel`)).body).toMatchObject({ code: 'visitBegun' })
    expect((await ivo.post('/day/2026-04-14/close')).body.detail).toMatch(/finish at the table first, then close the day/)
  })

  it('warn of a coat that the trim does not fit, and refuse where it cannot be cut', async () => {
    const view = await on('2026-05-04')
    const wire = view.dogs.find(({ coat }) => coat === 'wire')!
    const warned = await ivo.post('/visits', visit(view, { onDate: '2026-05-04', dogId: wire.id, standardId: 'clean-face' }))
    expect(warned.body).toMatchObject({ warnings: expect.arrayContaining([expect.stringMatching(/A wire coat stands badly to scissors/)]) })
    const smooth = dog({ name: 'Glide', coat: 'smooth' })
    await ivo.post('/dogs', smooth)
    const refused = await ivo.post('/visits', visit(view, { onDate: '2026-05-05', dogId: smooth.id, standardId: 'clean-face' }))
    expect([refused.status, refused.body.detail]).toEqual([409, expect.stringMatching(/Glide: A smooth coat has no hair/)])
    expect(refused.body.code).toBe('trimUnfit')
    expect(refused.body.detail).toMatch(/To plan it anyway, give a reason\./)
    // gone on with by a written word, which stays with the visit; a word of two letters is none
    const wanted = visit(view, { dogId: smooth.id, standardId: 'bracelets', onDate: '2026-05-05' })
    expect((await ivo.post('/visits', { ...wanted, allTheSame: 'ok' })).status).toBe(422)
    const reason = 'A smooth coat for the figure class: shown, not cut.'
    const planned = await ivo.post('/visits', { ...wanted, allTheSame: reason })
    expect(planned).toMatchObject({
      status: 200,
      body: { warnings: [expect.stringMatching(/Glide: This coat has no hair that a bracelet/)] }
    })
    const page = (await ivo.get(`/visits/${wanted.id}`)).body as unknown as VisitPage
    expect(page.checkIn.allTheSame).toEqual({ reason, by: ivo.me!.id })
    // the word was given for one trim
    expect((await ivo.send('PUT', `/visits/${wanted.id}`, { standardId: 'clean-face' })).body).toMatchObject({ code: 'trimUnfit' })
  })

  it('take tools that lie at a table from the rack only', async () => {
    const [table] = (await day()).tables
    expect((await ivo.send('PUT', `/tables/${table.id}/tools`, { toolIds: ['blade-10', 'blade-15'] })).status).toBe(200)
    expect((await day()).tables[0].toolIds).toEqual(['blade-10', 'blade-15'])
    expect((await ivo.send('PUT', `/tables/${table.id}/tools`, { toolIds: ['laser'] })).body.detail).toMatch(/laser is not in the rack/)
  })
})
