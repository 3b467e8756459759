import type { GradingView } from '@peen/contract'
import type { Answers, GradeResult } from '@peen/core/grade'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { rebuildAll } from '../derived'
import { fullSheet } from '../../testing/sheet'
import { smallSchool, type Client, type World } from '../../testing/world'
import { keepGradedWith } from '.'

let world: World
let ivo: Client
let ina: Client
let lena: Client
beforeAll(async () => {
  world = await smallSchool('grading')
  ;[ivo, ina, lena] = [await world.client('ivo'), await world.client('ina'), await world.client('lena')]
})
afterAll(() => world.close())

const open = async (by: Client, visit: string) => (await by.post(`/visits/${visit}/gradings`, { id: v7() })).body.id as string
const save = (by: Client, id: string, version: number, answers: Answers, more: object = {}) =>
  by.send('PUT', `/gradings/${id}`, { version, answers, critical: [], globalRating: null, ...more })
const read = async (by: Client, id: string) => (await by.get(`/gradings/${id}`)).body as unknown as GradingView

describe('a draft', () => {
  it('is kept half done, with no mark shown before the global rating', async () => {
    const id = await open(ivo, await world.newTrim('abe'))
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
    const id = await open(ivo, await world.newTrim('abe'))
    const first = { belly: { whole: { kind: 'level' as const, level: 4 } } }
    const second = { belly: { whole: { kind: 'level' as const, level: 1 } } }
    const [a, b] = await Promise.all([save(ivo, id, 1, first), save(ivo, id, 1, second)])
    expect([a.status, b.status].sort()).toEqual([200, 409])
    const lost = a.status === 409 ? a : b
    expect(lost.body).toMatchObject({ code: 'draftConflict', stored: { version: 2 } })
    const kept = await world.db.select().from(tables.gradingConflicts).where(eq(tables.gradingConflicts.gradingId, id))
    // the one that lost, and the one that stands: its person may still put the other in its place
    const texts = kept.map(({ draft }) => JSON.stringify((draft as { answers: Answers }).answers)).sort()
    expect(texts).toEqual([JSON.stringify(first), JSON.stringify(second)].sort())
    expect((await read(ivo, id)).answers).toEqual(a.status === 409 ? second : first)
  })

  it.each<[string, Answers, RegExp]>([
    [
      'a length of -3 mm',
      { 'back-length': { left: { kind: 'readings', mm: [-3] } } },
      /answers\.back-length\.left\.mm\[0\] is -3; it must be 0 to 300 mm/
    ],
    ['a length of 900 mm', { 'back-length': { left: { kind: 'readings', mm: [900] } } }, /is 900; it must be 0 to 300 mm/],
    ['a mark of 5', { belly: { whole: { kind: 'level', level: 5 } } }, /answers\.belly\.whole\.level is 5; it must be 4 or less/],
    ['an unknown criterion', { tusks: { whole: { kind: 'asItShouldBe' } } }, /it must be a criterion of bearded-pet/],
    ['a level where a length belongs', { 'back-length': { left: { kind: 'level', level: 3 } } }, /it must be readings in mm/]
  ])('refuses %s, and what was saved stays', async (_, answers, words) => {
    const id = await open(ivo, await world.newTrim('abe'))
    await save(ivo, id, 1, { belly: { whole: { kind: 'level', level: 3 } } })
    const answer = await save(ivo, id, 2, answers)
    expect(answer.status).toBe(422)
    expect(answer.body.detail).toMatch(words)
    expect((await read(ivo, id)).answers).toEqual({ belly: { whole: { kind: 'level', level: 3 } } })
  })

  it('takes an id once: another visit’s id is a clear conflict', async () => {
    const id = v7()
    expect((await ivo.post(`/visits/${await world.newTrim('abe')}/gradings`, { id })).status).toBe(200)
    const again = await ivo.post(`/visits/${await world.newTrim('abe')}/gradings`, { id })
    expect(again).toMatchObject({
      status: 409,
      body: { code: 'idTaken', detail: 'The id of this grading is already in use. Choose another; nothing was changed.' }
    })
  })

  it('opens one grading for one assessor, however often and at once it is asked', async () => {
    const visit = await world.newTrim('abe')
    const answers = await Promise.all([1, 2, 3].map(() => ivo.post(`/visits/${visit}/gradings`, { id: v7() })))
    expect(new Set(answers.map((answer) => answer.body.id)).size).toBe(1)
  })

  it('belongs to its assessor', async () => {
    const id = await open(ivo, await world.newTrim('abe'))
    expect((await save(ina, id, 1, {})).status).toBe(403)
    expect((await ina.get(`/gradings/${id}`)).body.detail).toBe('This grading is still being written.')
  })
})

describe('signing a grading', () => {
  it('needs every answer and the global rating, then never changes', async () => {
    const id = await open(ivo, await world.newTrim('abe'))
    const sign = (version: number) => ivo.post(`/gradings/${id}/sign`, { version })
    expect((await sign(1)).body.detail).toMatch(/Give your overall impression first/)
    await save(ivo, id, 1, { belly: { whole: { kind: 'level', level: 3 } } }, { globalRating: 'pass' })
    expect((await sign(2)).body.detail).toMatch(/answers are still missing/)
    await save(ivo, id, 2, fullSheet(), { globalRating: 'pass' })
    expect((await sign(2)).body.code).toBe('draftConflict')
    expect((await sign(3)).body).toMatchObject({ outcome: 'passed' })
    expect((await save(ivo, id, 4, fullSheet(0))).body.code).toBe('signed')
  })

  it('is blind: neither assessor reads the other before both have signed, and a later look is remembered', async () => {
    const visit = await world.newTrim('abe')
    const first = await open(ivo, visit)
    const second = await open(ina, visit)
    await save(ivo, first, 1, fullSheet(), { globalRating: 'pass' })
    await ivo.post(`/gradings/${first}/sign`, { version: 2 })
    expect((await ina.get(`/gradings/${first}`)).body.detail).toMatch(/blind to the other until both have signed/)
    expect((await lena.get(`/gradings/${first}`)).status).toBe(403)
    const hidden = ((await ina.get('/trims')).body as unknown as { gradingId: string; mark: number | null }[]).find(
      (row) => row.gradingId === first
    )!
    expect(hidden.mark).toBeNull()
    await save(ina, second, 1, fullSheet(3), { globalRating: 'pass' })
    await ina.post(`/gradings/${second}/sign`, { version: 2 })
    expect((await read(ina, first)).result!.total!.value).toBeGreaterThan(97)
    // lena asks to read a grading of this trim: hers is not blind
    expect((await lena.get(`/gradings/${first}`)).body.code).toBe('notRead')
    await lena.post(`/gradings/${first}/read`)
    expect((await lena.get(`/gradings/${first}`)).status).toBe(200)
    expect((await read(lena, await open(lena, visit))).blind).toBe(false)
  })

  it('is no longer blind after two weeks, when marks are shown freely', async () => {
    const visit = await world.newTrim('abe', '2026-03-31')
    const first = await open(ivo, visit)
    expect((await read(lena, await open(lena, visit))).blind).toBe(true)
    await save(ivo, first, 1, fullSheet(), { globalRating: 'pass' })
    await ivo.post(`/gradings/${first}/sign`, { version: 2 })
    expect((await read(ina, await open(ina, visit))).blind).toBe(false)
  })

  it('is not for one’s own work', async () => {
    const visit = await world.newVisit('ivo')
    expect((await ivo.post(`/visits/${visit}/gradings`, { id: v7() })).body.detail).toBe('No one can grade their own work.')
  })

  it('shows an apprentice own results and nobody else’s; after two weeks without their own word', async () => {
    const visit = await world.newTrim('abe', '2026-03-31')
    const id = await open(lena, visit)
    await save(lena, id, 1, fullSheet(), { globalRating: 'good' })
    await lena.post(`/gradings/${id}/sign`, { version: 2 })
    expect((await (await world.client('abe')).get(`/gradings/${id}`)).status).toBe(200)
    expect((await (await world.client('bea')).get(`/gradings/${id}`)).status).toBe(403)
  })
})

describe('what can be graded', () => {
  const refusal = async (visit: string) => {
    const { status, body } = await ivo.post(`/visits/${visit}/gradings`, { id: v7() })
    return [status, body.code, body.detail]
  }
  type Step = { technique: string; hands?: 'apprentice' | 'instructor'; setting?: 'live' | 'figure'; ended?: boolean }
  let seq = 0
  async function work(visit: string, { technique, hands = 'apprentice', setting = 'live', ended = true }: Step) {
    const attemptId = v7()
    const head = { v: 1, visitId: visit, by: ivo.me!.id, deviceId: 'by-hand', atDevice: '2026-04-14T09:00:00.000Z' }
    const event = (kind: string, payload: object) => ({ ...head, id: v7(), kind, payload, seq: ++seq, lamport: seq })
    const start = { attemptId, techniqueId: technique, regions: ['skirt'], side: 'both', toolId: null, direction: null, hands, setting }
    const events = [event('attemptStarted', start), event('attemptEnded', { attemptId, minutes: 9, help: 'alone', witness: 'watched' })]
    return ivo.post(`/visits/${visit}/events`, { events: ended ? events : events.slice(0, 1) })
  }

  // Symptom: an apprentice who had not come, or a dog that was not ready, was graded, signed, passed and certified
  it.each<[string, Step[], RegExp]>([
    ['nobody worked', [], /^This trim cannot be graded\. No step is recorded as done by abe/],
    ['the work was on a figure', [{ technique: 'skirt-line', setting: 'figure' }], /which cannot be graded/],
    ['the hands were the instructor’s', [{ technique: 'skirt-line', hands: 'instructor' }], /nothing of theirs to grade/],
    ['only handling was practised', [{ technique: 'leg-control' }], /nothing of theirs to grade/],
    ['the step still runs', [{ technique: 'skirt-line', ended: false }], /abe has not finished a step yet/]
  ])('is nothing where %s', async (_, steps, sentence) => {
    const visit = await world.newVisit('abe')
    for (const step of steps) await work(visit, step)
    expect(await refusal(visit)).toEqual([409, 'notGradable', expect.stringMatching(sentence)])
  })

  it('is no dog that nobody has said was ready', async () => {
    const visit = await world.newTrim('abe')
    await world.db.update(tables.visits).set({ found: null }).where(eq(tables.visits.id, visit))
    expect(await refusal(visit)).toEqual([409, 'notGradable', expect.stringMatching(/ready to cut/)])
  })

  it('is feedback only where most steps of the trim are not the apprentice’s', async () => {
    const visit = await world.newVisit('abe')
    await work(visit, { technique: 'skirt-line' })
    const id = await open(ivo, visit)
    const version = (await save(ivo, id, 1, fullSheet(), { globalRating: 'good' })).body.version as number
    const result = (await ivo.post(`/gradings/${id}/sign`, { version })).body as unknown as GradeResult
    expect(result.outcome).toBe('feedbackOnly')
    expect(result.because).toMatch(/where this apprentice has no recorded step/)
  })

  it('is asked again at the signature', async () => {
    const visit = await world.newVisit('abe')
    await work(visit, { technique: 'skirt-line' })
    const id = await open(ivo, visit)
    const version = (await save(ivo, id, 1, fullSheet(), { globalRating: 'good' })).body.version as number
    await world.db.delete(tables.events).where(eq(tables.events.visitId, visit))
    expect((await ivo.post(`/gradings/${id}/sign`, { version })).body.code).toBe('notGradable')
  })
})

describe('the method of a mark', () => {
  const signed = async () => {
    const id = await open(ivo, await world.newTrim('abe'))
    const version = (await save(ivo, id, 1, fullSheet(), { globalRating: 'good' })).body.version as number
    await ivo.post(`/gradings/${id}/sign`, { version })
    return id
  }
  const stored = async (id: string) =>
    (await world.db.select().from(tables.gradingResults).where(eq(tables.gradingResults.gradingId, id)))[0].body

  it('is kept with what it was signed by, whatever the school sets later', async () => {
    const id = await signed()
    const before = await stored(id)
    await lena.send('PUT', '/grade-rules', { passAt01: 0.9, failAt01: 0.1, severityLevels: 0.6 })
    await world.db.update(tables.dogs).set({ burns: [{ region: 'back', side: 'both' }] })
    await rebuildAll(world.db)
    expect(await stored(id)).toEqual(before)
    expect((await read(ivo, id)).gradedWith).toMatchObject({ method: 2, rules: { severityLevels: 0.2 } })
    const draft = await open(ivo, await world.newTrim('abe'))
    expect((await read(ivo, draft)).gradedWith).toMatchObject({ rules: { severityLevels: 0.6 } })
    await lena.send('PUT', '/grade-rules', { passAt01: 0.95, failAt01: 0.05, severityLevels: 0.2 })
  })

  it('of a grading from before is the first one; what the newest would say is told to a lead', async () => {
    const id = await signed()
    await world.db.update(tables.gradings).set({ gradedWith: null }).where(eq(tables.gradings.id, id))
    // the first method showed the best estimate, and knew no chance
    const body = { ...(await stored(id)), total: { value: 100, interval: [95, 100] as const, n: 2000 }, passChance01: null }
    await world.db.update(tables.gradingResults).set({ body }).where(eq(tables.gradingResults.gradingId, id))
    await keepGradedWith(world.db, new Date())
    await rebuildAll(world.db)
    expect(await stored(id)).toEqual(body)
    await lena.post(`/gradings/${id}/read`)
    expect((await read(lena, id)).result).toMatchObject({ total: { value: 100 } })
    const rows = (await lena.get('/gradings/by-method')).body as unknown as { gradingId: string; signed: object; now: object }[]
    const row = rows.find(({ gradingId }) => gradingId === id)!
    expect(row.signed).toMatchObject({ method: 1 })
    expect(row.now).toMatchObject({ method: 2 })
    expect((await ivo.get('/gradings/by-method')).status).toBe(403)
  })

  it.each([
    [{ passAt01: 1.2, failAt01: 0.05, severityLevels: 0.2 }, /Passes at is 1\.2; it must be 0\.8 to 0\.99/],
    [{ passAt01: 0.95, failAt01: 0.05, severityLevels: -1 }, /Severity is -1; it must be 0 to 1 levels/],
    [{ passAt01: 0.95, failAt01: 0.05 }, /Severity is missing/]
  ])('is not set to %j', async (rules, sentence) => {
    const { status, body } = await lena.send('PUT', '/grade-rules', rules)
    expect([status, body.detail]).toEqual([422, expect.stringMatching(sentence)])
  })
})
