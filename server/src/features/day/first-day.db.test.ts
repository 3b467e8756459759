// What a school meets on its first day: notes, search, own settings, dogs from a table, tables taken out, what was entered wrong put right.
import type { DogPage, DogView, NoteView, SearchHit, VisitLine } from '@peen/contract'
import { USUAL_READING, USUAL_SETTINGS, type Settings } from '@peen/contract'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { PASSWORD, smallSchool, type Client, type World } from '../../testing/world'
import { checkAudit } from '../audit'

let world: World
let lena: Client
let ivo: Client
let abe: Client
beforeAll(async () => {
  world = await smallSchool('first_day')
  ;[lena, ivo, abe] = [await world.client('lena'), await world.client('ivo'), await world.client('abe')]
})
afterAll(() => world.close())

describe('people', () => {
  const person = { givenName: 'Ida', familyName: 'Neu', email: 'ida@post.invalid' }
  // Symptom: whoever invited an instructor was asked for a cohort
  it('are invited without a cohort where they are staff, and not without one where they learn', async () => {
    const staff = { id: v7(), ...person, username: 'ida', role: 'instructor', cohort: '' }
    expect((await lena.post('/invitations', staff)).status).toBe(200)
    const learner = { id: v7(), ...person, username: 'ida2', role: 'apprentice', cohort: '' }
    expect(await lena.post('/invitations', learner)).toMatchObject({ status: 422, body: { detail: 'Cohort is missing.' } })
  })

  it('keep settings of their own, wherever they sign in', async () => {
    const settings = { ...USUAL_SETTINGS, lengths: 'in', text: 'large', call: 'both' }
    expect((await abe.send('PUT', '/me/settings', settings)).body).toEqual(settings)
    expect((await (await world.client('abe')).get('/me')).body.settings).toEqual(settings)
    const wrong = await abe.send('PUT', '/me/settings', { ...settings, lengths: 'furlongs' })
    expect(wrong).toMatchObject({ status: 422, body: { detail: 'Lengths is furlongs; it must be mm or in.' } })
  })

  it('read Peen as the school does until they choose for themselves', async () => {
    const readingOf = async (who: string) => (await (await world.client(who)).get('/me')).body.settings as unknown as Settings
    const usual = { language: 'en-US', lengths: 'in', clock: '12', week: 'sunday' } as const
    expect((await (await world.client('lena')).send('PUT', '/school/reading', usual)).body).toEqual(usual)
    expect(await readingOf('bea')).toMatchObject({ ...usual, theme: 'device' })
    // the door of a tablet reads so as well
    expect((await (await world.client()).get('/session')).body.reading).toEqual(usual)
    // who chooses one thing keeps that, and follows the school in the rest
    const bea = await world.client('bea')
    await bea.send('PUT', '/me/settings', { ...USUAL_SETTINGS, ...usual, clock: '24' })
    await (await world.client('lena')).send('PUT', '/school/reading', { ...usual, lengths: 'mm' })
    expect(await readingOf('bea')).toMatchObject({ language: 'en-US', lengths: 'mm', clock: '24' })
    // what abe had chosen before stays theirs
    expect(await readingOf('abe')).toMatchObject({ language: 'en-US', lengths: 'in', text: 'large' })
    expect((await bea.send('PUT', '/school/reading', usual)).status).toBe(403)
    const wrong = await (await world.client('lena')).send('PUT', '/school/reading', { ...usual, language: 'tlh' })
    expect(wrong.body.detail).toBe('Language is tlh; it must be en-GB or en-US.')
    await (await world.client('lena')).send('PUT', '/school/reading', USUAL_READING)
  })

  it('change their own password; every other sign-in ends', async () => {
    const bea = await world.client('bea')
    const other = await world.client('bea')
    expect((await bea.post('/me/password', { now: 'not this one', next: 'another long one' })).body.detail).toMatch(/not your password/)
    expect((await bea.post('/me/password', { now: PASSWORD, next: 'short' })).body.detail).toMatch(/too short/)
    expect((await bea.post('/me/password', { now: PASSWORD, next: 'another long one' })).status).toBe(200)
    expect((await bea.get('/me')).status).toBe(200)
    expect((await other.get('/me')).status).toBe(401)
    await bea.post('/me/password', { now: 'another long one', next: PASSWORD })
  })
})

describe('notes', () => {
  it('stand with their date on a dog, a person and a visit; struck with a reason', async () => {
    const visit = await world.newVisit('abe')
    const on = { dog: world.ids.flint, person: world.ids.abe, visit }
    for (const [about, id] of Object.entries(on)) {
      const note = { id: v7(), onDate: '2026-04-14', text: `about the ${about}` }
      expect((await ivo.post(`/notes/${about}/${id}`, note)).status).toBe(200)
      const [read] = (await ivo.get(`/notes/${about}/${id}`)).body as unknown as NoteView[]
      expect(read).toMatchObject({ onDate: '2026-04-14', text: `about the ${about}`, by: 'ivo Test', struck: null })
    }
    const [note] = (await ivo.get(`/notes/dog/${on.dog}`)).body as unknown as NoteView[]
    expect((await lena.post(`/note/${note.id}/strike`, { reason: '' })).body.detail).toMatch(/Reason is missing/)
    await lena.post(`/note/${note.id}/strike`, { reason: 'another dog' })
    const [struck] = (await abe.get(`/notes/dog/${on.dog}`)).body as unknown as NoteView[]
    expect(struck.struck).toEqual({ by: 'lena Test', reason: 'another dog' })
    expect((await abe.get(`/notes/visit/${visit}`)).status).toBe(200)
    expect((await abe.get(`/notes/person/${world.ids.abe}`)).status).toBe(403)
    expect((await abe.post(`/notes/dog/${on.dog}`, { id: v7(), onDate: '2026-04-14', text: 'x' })).status).toBe(403)
    expect((await ivo.post(`/notes/moon/${on.dog}`, { id: v7(), onDate: '2026-04-14', text: 'x' })).status).toBe(404)
    expect((await ivo.post(`/notes/dog/${v7()}`, { id: v7(), onDate: '2026-04-14', text: 'x' })).status).toBe(404)
    expect((await ivo.post(`/notes/dog/${on.dog}`, { id: v7(), onDate: '2026-02-30', text: 'x' })).body.detail).toMatch(/it must be a date/)
  })
})

describe('the search', () => {
  const hits = async (who: Client, words: string) =>
    ((await who.get(`/search?words=${encodeURIComponent(words)}`)).body as unknown as SearchHit[]).map(
      ({ kind, name }) => `${kind} ${name}`
    )
  it('finds people, dogs and visits, for an apprentice dogs and own visits', async () => {
    await world.newVisit('abe', '2026-03-05')
    await world.newVisit('bea', '2026-03-06')
    expect(await hits(ivo, 'abe')).toEqual(expect.arrayContaining(['person abe Test', 'visit Flint with abe Test']))
    expect(await hits(ivo, 'flin')).toContain('dog Flint')
    expect(await hits(ivo, '2026-03-06')).toEqual(['visit Flint with bea Test'])
    expect(await hits(abe, 'bea')).toEqual([])
    expect(await hits(abe, 'flint')).not.toContain('visit Flint with bea Test')
    expect(await hits(ivo, '%')).toEqual([])
    expect(await hits(ivo, '')).toEqual([])
  })
})

describe('the dated list', () => {
  it('says what an apprentice did, and on which dog', async () => {
    const id = await world.newTrim('bea', '2026-04-09')
    const lines = (await ivo.get(`/apprentices/${world.ids.bea}/visits`)).body as unknown as VisitLine[]
    const line = lines.find(({ visitId }) => visitId === id)!
    expect(line).toMatchObject({ onDate: '2026-04-09', dog: 'Flint', state: 'begun' })
    expect(line.did.length).toBeGreaterThan(8)
    expect(line.did[0]).toMatchObject({ clean: true, counts: true })
    expect(((await ivo.get(`/dogs/${world.ids.flint}/visits`)).body as unknown as VisitLine[]).some(({ visitId }) => visitId === id)).toBe(
      true
    )
    expect((await abe.get(`/apprentices/${world.ids.bea}/visits`)).status).toBe(403)
    const own = (await abe.get(`/dogs/${world.ids.flint}/visits`)).body as unknown as VisitLine[]
    expect(own.every(({ apprenticeId }) => apprenticeId === world.ids.abe)).toBe(true)
  })
})

describe('tables', () => {
  it('are taken out of the room once nobody is planned at them; what was done there stays', async () => {
    const id = v7()
    const { number } = (await ivo.post('/tables', { id })).body as unknown as { number: number }
    const visit = { id: v7(), apprenticeId: world.ids.bea, dogId: world.ids.ember, tableId: id, standardId: 'bearded-pet' }
    expect((await ivo.post('/visits', { ...visit, weeksSince: null, wishes: '', onDate: '2026-04-20' })).status).toBe(200)
    const refused = await ivo.post(`/tables/${id}/remove`)
    expect(refused.body.detail).toMatch(/is planned for Ember on 20 April 2026: move those visits first/)
    await ivo.post(`/visits/${visit.id}/cancel`)
    expect((await ivo.post(`/tables/${id}/remove`)).body.number).toBe(number)
    expect(((await ivo.get('/day/today')).body.tables as { id: string }[]).some((table) => table.id === id)).toBe(false)
    expect((await ivo.post(`/tables/${id}/remove`)).status).toBe(404)
    expect((await ivo.post('/visits', { ...visit, id: v7(), weeksSince: null, wishes: '', onDate: '2026-04-20' })).status).toBe(404)
  })
})

describe('a visit with the wrong apprentice or dog', () => {
  const attemptsOf = async (who: string) =>
    (await world.db.select().from(tables.attempts).where(eq(tables.attempts.apprenticeId, world.ids[who]))).length

  it('is put right, begun or not, and what was done counts for whom it belongs to', async () => {
    const id = await world.newTrim('abe', '2026-04-07')
    const [abes, beas] = [await attemptsOf('abe'), await attemptsOf('bea')]
    expect((await ivo.send('PUT', `/visits/${id}/correct`, { apprenticeId: world.ids.bea, dogId: world.ids.ember })).status).toBe(200)
    expect(await attemptsOf('abe')).toBeLessThan(abes)
    expect(await attemptsOf('bea')).toBeGreaterThan(beas)
    const row = (await world.db.select().from(tables.visits).where(eq(tables.visits.id, id)))[0]
    expect(row).toMatchObject({ apprenticeId: world.ids.bea, dogId: world.ids.ember })
    expect((await checkAudit(world.db)).whole).toBe(true)
  })

  it('stays once a grading of it is signed', async () => {
    const id = await world.newTrim('abe', '2026-04-08')
    const grading = (await ivo.post(`/visits/${id}/gradings`, { id: v7() })).body.id as string
    await world.db.update(tables.gradings).set({ status: 'signed' }).where(eq(tables.gradings.id, grading))
    const refused = await ivo.send('PUT', `/visits/${id}/correct`, { apprenticeId: world.ids.bea })
    expect(refused).toMatchObject({ status: 409, body: { code: 'graded' } })
    expect((await ivo.send('PUT', `/visits/${id}/correct`, { apprenticeId: world.ids.ivo })).status).not.toBe(200)
    expect((await abe.send('PUT', `/visits/${id}/correct`, { apprenticeId: world.ids.bea })).status).toBe(403)
  })
})

describe('dogs', () => {
  const dog = (change: object = {}) => ({
    ...{ id: v7(), name: 'Wren', breed: 'a mix', bodyType: 'bearded', coat: 'wire', coatType: 'wire', colour: 'pepper', withersMm: 356 },
    ...{ canStandMin: 60, temperament: 'steady', dislikes: '', owner: '', contact: '' },
    ...change
  })
  it('are asked for breed and coat type as on their profile', async () => {
    const wanted = dog()
    expect((await ivo.post('/dogs', wanted)).status).toBe(200)
    const page = (await ivo.get(`/dogs/${wanted.id}`)).body as unknown as DogPage
    expect(page.dog).toMatchObject({ breed: 'a mix', coatType: 'wire', withersMm: 356 })
    expect((await ivo.post('/dogs', dog({ withersMm: NaN }))).body.detail).toMatch(/^Height at the withers is/)
  })

  it('come in from a table: shown first, every wrong line named, all or none', async () => {
    const csv = (path: string, text: string) =>
      fetch(`${world.url}/api${path}`, { method: 'POST', headers: { ...ivo.headers, 'content-type': 'text/csv' }, body: text })
    const head = 'name,breed,bodyType,coat,colour,withersMm,canStandMin,temperament\n'
    const good = `${head}Alder,a mix,bearded,wire,pepper,340,60,steady\nBirch,,bearded,soft wire,black,330,45,keen\n`
    expect(await (await csv('/dogs/preview', good)).json()).toMatchObject({
      ok: true,
      dogs: [{ line: 2, name: 'Alder' }, { name: 'Birch' }]
    })
    const bad = await (
      await csv('/dogs/preview', `${head}Alder,,bearded,wire,plaid,340,60,steady\n,,bearded,wire,black,9,45,keen\n`)
    ).json()
    const details = (bad.issues as { detail: string }[]).map(({ detail }) => detail)
    expect(details).toEqual(expect.arrayContaining([expect.stringMatching(/^Line 2: Colour is plaid/), 'Line 3: Name is missing.']))
    const before = ((await ivo.get('/dogs')).body as unknown as DogView[]).length
    expect((await csv('/dogs/csv', `${head}Alder,,bearded,wire,plaid,340,60,steady\n`)).status).toBe(422)
    expect(await (await csv('/dogs/csv', good)).json()).toEqual({ takenIn: 2 })
    expect(((await ivo.get('/dogs')).body as unknown as DogView[]).length).toBe(before + 2)
  })

  it('that were entered twice become one, with visits, notes, burns and coat book of both', async () => {
    const twice = dog({ name: 'Flint again' })
    await ivo.post('/dogs', twice)
    const visit = await world.newTrim('abe', '2026-04-02')
    await world.db.update(tables.visits).set({ dogId: twice.id }).where(eq(tables.visits.id, visit))
    await world.db
      .update(tables.dogs)
      .set({ burns: [{ region: 'throat', side: 'both' }] })
      .where(eq(tables.dogs.id, twice.id))
    await ivo.post(`/notes/dog/${twice.id}`, { id: v7(), onDate: '2026-04-02', text: 'shy of the dryer' })
    expect((await ivo.post(`/dogs/${twice.id}/merge`, { into: twice.id })).body.detail).toMatch(/not taken into itself/)
    expect((await ivo.post(`/dogs/${twice.id}/merge`, { into: world.ids.flint })).status).toBe(200)
    expect((await ivo.get(`/dogs/${twice.id}`)).status).toBe(404)
    const page = (await ivo.get(`/dogs/${world.ids.flint}`)).body as unknown as DogPage
    expect(page.visits.some(({ visitId }) => visitId === visit)).toBe(true)
    expect(page.dog.burns).toEqual([{ region: 'throat', side: 'both' }])
    const notes = (await ivo.get(`/notes/dog/${world.ids.flint}`)).body as unknown as NoteView[]
    expect(notes.map(({ text }) => text)).toContain('shy of the dryer')
    expect((await checkAudit(world.db)).whole).toBe(true)
    expect((await world.db.select().from(tables.dogMerges))[0]).toMatchObject({ goneName: 'Flint again', keptId: world.ids.flint })
  })
})
