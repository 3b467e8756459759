import type { AssessmentBook, AssessmentPage, BorderlineView, TrimRow } from '@peen/contract'
import type { Answers } from '@peen/core/grade'
import { v7 } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { fullSheet } from '../../testing/sheet'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let lena: Client
let ivo: Client
let ina: Client
beforeAll(async () => {
  world = await smallSchool('assessments')
  ;[lena, ivo, ina] = [await world.client('lena'), await world.client('ivo'), await world.client('ina')]
})
afterAll(() => world.close())

let visit: string
beforeEach(async () => {
  visit = await world.newTrim('abe')
})
const appoint = (first: string, second: string, by = lena) =>
  by.send('PUT', `/assessments/${visit}`, { first: world.ids[first], second: world.ids[second] })
const page = async (by: Client) => (await by.get(`/assessments/${visit}`)).body as unknown as AssessmentPage
const open = async (by: Client) => (await by.post(`/visits/${visit}/gradings`, { id: v7() })).body.id as string
async function sign(by: Client, id: string, answers: Answers = fullSheet()): Promise<void> {
  await by.send('PUT', `/gradings/${id}`, { version: 1, answers, critical: [], globalRating: 'good' })
  expect((await by.post(`/gradings/${id}/sign`, { version: 2 })).status).toBe(200)
}
const trimsOf = async (by: Client) => ((await by.get('/trims')).body as unknown as TrimRow[]).filter((row) => row.visitId === visit)

describe('a day of assessment', () => {
  it('is called by a lead for today or later, with every table of it, and dropped while nobody is appointed', async () => {
    expect((await ivo.post('/assessments/days', { onDate: '2026-04-14' })).status).toBe(403)
    const early = await lena.post('/assessments/days', { onDate: '2026-04-13' })
    expect(early.body.detail).toBe('Day is 2026-04-13; it must be 2026-04-14 or later.')
    expect((await lena.post('/assessments/days', { onDate: '2026-04-14' })).status).toBe(200)
    const book = (await ivo.get('/assessments')).body as unknown as AssessmentBook
    expect(book.days[0]).toMatchObject({ onDate: '2026-04-14', isAssessment: true })
    expect(book.days[0].rows.find((row) => row.visitId === visit)).toMatchObject({
      candidate: 'abe Test',
      dog: 'Flint',
      markers: null,
      open: false
    })
    expect(book.assessors.map(({ name }) => name).sort()).toEqual(['ina Test', 'ivo Test', 'lars Test', 'lena Test'])
    await appoint('ivo', 'ina')
    expect((await lena.post('/assessments/days/2026-04-14/drop')).body.code).toBe('appointed')
    await lena.post(`/assessments/${visit}/release`)
    expect((await lena.post('/assessments/days/2026-04-14/drop')).status).toBe(200)
    expect((await (await world.client('abe')).get('/assessments')).status).toBe(403)
  })
})

describe('appointing', () => {
  it.each<[string, string, string, RegExp]>([
    ['one person twice', 'ivo', 'ivo', /The second assessor is the same as the first/],
    ['an apprentice', 'ivo', 'bea', /bea Test does not assess/],
    ['the candidate', 'abe', 'ivo', /abe Test does not assess/]
  ])('refuses %s', async (_, first, second, words) => {
    const answer = await appoint(first, second)
    expect([answer.status, answer.body.detail]).toEqual([422, expect.stringMatching(words)])
  })

  it('refuses who has read the marks, and leaves out nobody who marks already', async () => {
    await sign(ivo, await open(ivo))
    const [row] = await trimsOf(ina)
    // it says what reading costs before it costs it
    expect((await ina.get(`/gradings/${row.gradingId}`)).body.code).toBe('notRead')
    expect((await ina.post(`/gradings/${row.gradingId}/read`)).status).toBe(200)
    expect((await ina.get(`/gradings/${row.gradingId}`)).status).toBe(200)
    expect((await appoint('ivo', 'ina')).body.detail).toMatch(/ina Test has seen the marks for this trim/)
    expect((await appoint('lena', 'lars')).body.detail).toMatch(/ivo Test is already marking this trim/)
    expect((await appoint('ivo', 'lars')).status).toBe(200)
  })

  it('does not change once one of the two has begun', async () => {
    await appoint('ivo', 'ina')
    expect((await appoint('ivo', 'lars')).status).toBe(200)
    await open(ivo)
    expect((await appoint('ivo', 'ina')).body.code).toBe('begun')
    expect((await lena.post(`/assessments/${visit}/release`)).body.code).toBe('begun')
    expect((await ina.post(`/visits/${visit}/gradings`, { id: v7() })).body.detail).toMatch(/you are not one of them/)
  })
})

describe('two assessors', () => {
  it('are blind until both have signed, also while the second has not begun', async () => {
    await appoint('ivo', 'ina')
    const id = await open(ivo)
    await sign(ivo, id)
    // the second, a lead and the candidate read nothing of it
    for (const by of [ina, lena, await world.client('abe')]) expect((await by.get(`/gradings/${id}`)).status).toBe(403)
    expect((await trimsOf(ina))[0]).toMatchObject({ mark: null, hidden: 'hidden until both are signed' })
    expect(await page(ina)).toMatchObject({
      marks: null,
      may: 'wait',
      say: 'Both mark blind until both have signed. Still to sign: ina Test.'
    })
    expect((await ivo.post(`/assessments/${visit}/settle`, { outcome: 'passed', reason: 'We agree on it.' })).body.code).toBe('blind')
    await sign(ina, await open(ina))
    expect((await page(ina)).marks!.map(({ assessor, blind }) => [assessor, blind])).toEqual([
      ['ivo Test', true],
      ['ina Test', true]
    ])
    expect((await lena.get(`/gradings/${id}`)).status).toBe(200)
  })

  it('see where they differ, and settle it together with both marks kept', async () => {
    await appoint('ivo', 'ina')
    await sign(ivo, await open(ivo))
    const harsh = { ...fullSheet(), belly: { whole: { kind: 'level' as const, level: 1 } } }
    await sign(ina, await open(ina), harsh)
    const seen = await page(ivo)
    expect(seen.differences[0]).toMatchObject({ criterionId: 'belly', by: expect.any(Number) })
    expect(seen.differences[0].by).toBeLessThan(0)
    expect(seen.may).toBe('settle')
    expect((await lena.post(`/assessments/${visit}/settle`, { outcome: 'passed', reason: 'As a lead.' })).body.detail).toMatch(
      /Only the two who marked/
    )
    expect((await ivo.post(`/assessments/${visit}/settle`, { outcome: 'passed', reason: 'ok' })).body.detail).toBe(
      'Give a reason, in a few words.'
    )
    await ivo.post(`/assessments/${visit}/settle`, { outcome: 'passed', reason: 'The belly was seen from above.' })
    expect((await ivo.post(`/assessments/${visit}/agree`)).body.detail).toMatch(/You cannot agree with yourself/)
    expect((await page(ina)).may).toBe('agree')
    // the other may write otherwise instead; then the first agrees
    await ina.post(`/assessments/${visit}/settle`, { outcome: 'notPassed', reason: 'The belly was left long.' })
    expect((await page(ivo)).may).toBe('agree')
    expect((await ivo.post(`/assessments/${visit}/agree`)).status).toBe(200)
    const after = await page(lena)
    expect(after.settled).toEqual({ outcome: 'notPassed', reason: 'The belly was left long.', by: 'ina Test', agreedBy: 'ivo Test' })
    expect(after.marks!.map(({ mark }) => mark)).toEqual(seen.marks!.map(({ mark }) => mark))
    expect((await ina.post(`/assessments/${visit}/settle`, { outcome: 'passed', reason: 'Once more.' })).body.code).toBe('settled')
    expect((await lena.post('/audit')).body).toMatchObject({ checks: [{ whole: true, changed: [] }] })
  })
})

describe('first impressions against marks', () => {
  it('are hidden under thirty trims', async () => {
    const [view] = (await lena.get('/borderlines')).body as unknown as BorderlineView[]
    expect(view).toMatchObject({ standardId: 'bearded-pet', needed: 30, points: [], found: null })
    expect(view.n).toBeGreaterThan(3)
  })
})
