import type { GradingView } from '@peen/contract'
import type { Answers } from '@peen/core/grade'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { fullSheet } from '../../testing/sheet'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let ina: Client
let lena: Client
beforeAll(async () => {
  world = await smallSchool('grading')
  ;[ivo, ina, lena] = [await world.client('ivo'), await world.client('ina'), await world.client('lena')]
})
afterAll(() => world.close())

const open = async (by: Client, session: string) => (await by.post(`/sessions/${session}/gradings`, { id: v7() })).body.id as string
const save = (by: Client, id: string, version: number, answers: Answers, more: object = {}) =>
  by.send('PUT', `/gradings/${id}`, { version, answers, critical: [], globalRating: null, ...more })
const read = async (by: Client, id: string) => (await by.get(`/gradings/${id}`)).body as unknown as GradingView

describe('a draft', () => {
  it('is kept half done, with no mark shown before the global rating', async () => {
    const id = await open(ivo, await world.newSession('abe'))
    expect((await save(ivo, id, 1, { belly: { whole: { kind: 'level', level: 3 } } })).body.version).toBe(2)
    const half = await read(ivo, id)
    expect(half.answers).toEqual({ belly: { whole: { kind: 'level', level: 3 } } })
    expect(half.result).toBeNull()
    await save(ivo, id, 2, half.answers, { globalRating: 'pass' })
    expect((await read(ivo, id)).result!.outcome).toBe('unfinished')
    const change = await save(ivo, id, 3, half.answers, { globalRating: 'outstanding' })
    expect(change).toMatchObject({ status: 409, body: { code: 'ratingGiven' } })
  })

  it('written by two devices: the later gets 409 and both texts are kept', async () => {
    const id = await open(ivo, await world.newSession('abe'))
    const first = { belly: { whole: { kind: 'level' as const, level: 4 } } }
    const second = { belly: { whole: { kind: 'level' as const, level: 1 } } }
    const [a, b] = await Promise.all([save(ivo, id, 1, first), save(ivo, id, 1, second)])
    expect([a.status, b.status].sort()).toEqual([200, 409])
    const lost = a.status === 409 ? a : b
    expect(lost.body).toMatchObject({ code: 'draftConflict', stored: { version: 2 } })
    const kept = await world.db.select().from(tables.gradingConflicts).where(eq(tables.gradingConflicts.gradingId, id))
    expect(kept.length).toBe(1)
    expect(kept[0].draft).toMatchObject({ answers: a.status === 409 ? first : second })
    expect((await read(ivo, id)).answers).toEqual(a.status === 409 ? second : first)
  })

  it.each<[string, Answers, RegExp]>([
    [
      'a length of -3 mm',
      { 'back-length': { left: { kind: 'readings', mm: [-3] } } },
      /answers\.back-length\.left\.mm\[0\] is -3; allowed is 0 to 300 mm/
    ],
    ['a length of 900 mm', { 'back-length': { left: { kind: 'readings', mm: [900] } } }, /is 900; allowed is 0 to 300 mm/],
    ['a mark of 5', { belly: { whole: { kind: 'level', level: 5 } } }, /answers\.belly\.whole\.level is 5; allowed is 4 or less/],
    ['an unknown criterion', { tusks: { whole: { kind: 'asItShouldBe' } } }, /allowed is a criterion of bearded-pet/],
    ['a level where a length belongs', { 'back-length': { left: { kind: 'level', level: 3 } } }, /allowed is readings in mm/]
  ])('refuses %s, and what was saved stays', async (_, answers, words) => {
    const id = await open(ivo, await world.newSession('abe'))
    await save(ivo, id, 1, { belly: { whole: { kind: 'level', level: 3 } } })
    const answer = await save(ivo, id, 2, answers)
    expect(answer.status).toBe(422)
    expect(answer.body.detail).toMatch(words)
    expect((await read(ivo, id)).answers).toEqual({ belly: { whole: { kind: 'level', level: 3 } } })
  })

  it('takes an id once: another session’s id is a clear conflict', async () => {
    const id = v7()
    expect((await ivo.post(`/sessions/${await world.newSession('abe')}/gradings`, { id })).status).toBe(200)
    const again = await ivo.post(`/sessions/${await world.newSession('abe')}/gradings`, { id })
    expect(again).toMatchObject({
      status: 409,
      body: { code: 'idTaken', detail: 'The id of this grading is in use already. Make another; nothing was changed.' }
    })
  })

  it('opens one grading for one assessor, however often and at once it is asked', async () => {
    const session = await world.newSession('abe')
    const answers = await Promise.all([1, 2, 3].map(() => ivo.post(`/sessions/${session}/gradings`, { id: v7() })))
    expect(new Set(answers.map((answer) => answer.body.id)).size).toBe(1)
  })

  it('belongs to its assessor', async () => {
    const id = await open(ivo, await world.newSession('abe'))
    expect((await save(ina, id, 1, {})).status).toBe(403)
    expect((await ina.get(`/gradings/${id}`)).body.detail).toBe('This grading is still being written.')
  })
})

describe('signing a grading', () => {
  it('needs every answer and the global rating, then never changes', async () => {
    const id = await open(ivo, await world.newSession('abe'))
    const sign = (version: number) => ivo.post(`/gradings/${id}/sign`, { version })
    expect((await sign(1)).body.detail).toMatch(/Say first how you call this trim/)
    await save(ivo, id, 1, { belly: { whole: { kind: 'level', level: 3 } } }, { globalRating: 'pass' })
    expect((await sign(2)).body.detail).toMatch(/answers are still missing/)
    await save(ivo, id, 2, fullSheet(), { globalRating: 'pass' })
    expect((await sign(2)).body.code).toBe('draftConflict')
    expect((await sign(3)).body).toMatchObject({ outcome: 'passed' })
    expect((await save(ivo, id, 4, fullSheet(0))).body.code).toBe('signed')
  })

  it('is blind: neither assessor reads the other before both have signed, and a later look is remembered', async () => {
    const session = await world.newSession('abe')
    const first = await open(ivo, session)
    const second = await open(ina, session)
    await save(ivo, first, 1, fullSheet(), { globalRating: 'pass' })
    await ivo.post(`/gradings/${first}/sign`, { version: 2 })
    expect((await ina.get(`/gradings/${first}`)).body.detail).toMatch(/blind to the other until both are signed/)
    expect((await lena.get(`/gradings/${first}`)).status).toBe(403)
    const hidden = ((await ina.get('/trims')).body as unknown as { gradingId: string; mark: number | null }[]).find(
      (row) => row.gradingId === first
    )!
    expect(hidden.mark).toBeNull()
    await save(ina, second, 1, fullSheet(3), { globalRating: 'pass' })
    await ina.post(`/gradings/${second}/sign`, { version: 2 })
    expect((await read(ina, first)).result!.total!.value).toBeCloseTo(100, 6)
    // lena has read a grading of this trim: hers would not be blind
    await lena.get(`/gradings/${first}`)
    expect((await read(lena, await open(lena, session))).blind).toBe(false)
  })

  it('is not for one’s own work', async () => {
    const session = await world.newSession('ivo')
    expect((await ivo.post(`/sessions/${session}/gradings`, { id: v7() })).body.detail).toBe('Nobody grades their own work.')
  })

  it('shows an apprentice own results and nobody else’s; after two weeks without their own word', async () => {
    const session = await world.newSession('abe', '2026-03-31')
    const id = await open(lena, session)
    await save(lena, id, 1, fullSheet(), { globalRating: 'good' })
    await lena.post(`/gradings/${id}/sign`, { version: 2 })
    expect((await (await world.client('abe')).get(`/gradings/${id}`)).status).toBe(200)
    expect((await (await world.client('bea')).get(`/gradings/${id}`)).status).toBe(403)
  })
})
