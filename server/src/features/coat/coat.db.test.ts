import type { BookLine, CoatAim, CoatList, CoatPage, VisitCoatStart } from '@peen/contract'
import { COAT_RULES, coatModel, dayOf, lagAt, type CoatEntry } from '@peen/core/coat'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { rebuildAll } from '../derived'
import { fullSheet } from '../../testing/sheet'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let [ivo, ina, lena, abe]: Client[] = []
beforeAll(async () => {
  world = await smallSchool('coat')
  ;[ivo, ina, lena, abe] = await Promise.all(['ivo', 'ina', 'lena', 'abe'].map((who) => world.client(who)))
  await world.db
    .update(tables.dogs)
    .set({ profile: { ...NO_MORE, bornOn: '2022-05-01' } })
    .where(eq(tables.dogs.id, world.ids.ember))
})
afterAll(() => world.close())

const NO_MORE = { breed: '', coatType: null, weightKg: null, nose: null, skin: null, own: {}, flatFootMm: 0, earHistory: '' }
const line = (on: string, place: string, side: string, act: object, hands: string | null = null) => ({
  id: v7(),
  on,
  place,
  side,
  act,
  hands
})
const pulled = (how = 'all') => ({ kind: 'pulled', how })
const write = (who: Client, dog: string, ...entries: object[]) => who.post(`/coats/${world.ids[dog]}/lines`, { entries })
const page = async (dog: string, who = ivo) => (await who.get(`/coats/${world.ids[dog]}`)).body as unknown as CoatPage
const linesOf = async (dog: string, who = ivo) => (await page(dog, who)).lines

let count = 0
/** A table's events: attempts with their technique, places, side and tool. */
async function work(
  visitId: string,
  ...attempts: { technique: string; regions: string[]; side?: string; toolId?: string | null; hands?: string }[]
) {
  const event = (kind: string, payload: object) => {
    count++
    return {
      ...{ id: v7(), v: 1, kind, visitId, by: ivo.me!.id, deviceId: 'tablet', seq: count, lamport: count },
      atDevice: '2026-04-14T09:00:00.000Z',
      payload
    }
  }
  const events = attempts.flatMap(({ technique, regions, side = 'both', toolId = 'fingers', hands = 'apprentice' }) => {
    const attemptId = v7()
    return [
      event('attemptStarted', {
        attemptId,
        techniqueId: technique,
        regions,
        side,
        toolId,
        direction: toolId?.startsWith('blade') ? 'with' : null,
        hands,
        setting: 'live'
      }),
      event('attemptEnded', { attemptId, minutes: 9, help: 'alone', witness: 'watched' })
    ]
  })
  const answer = await ivo.post(`/visits/${visitId}/events`, { events })
  expect((answer.body.answers as { status: string }[]).every(({ status }) => status === 'stored')).toBe(true)
  return events
}

describe('writing into a coat book', () => {
  it('keeps lines with whose hands and who wrote them, and reads them back', async () => {
    const answer = await write(
      ivo,
      'ember',
      line('2026-03-02', 'back', 'right', pulled(), world.ids.abe),
      line('2026-03-13', 'back', 'left', pulled(), world.ids.abe)
    )
    expect([answer.status, answer.body.written]).toEqual([200, 2])
    const lines = await linesOf('ember')
    expect(lines).toHaveLength(2)
    expect(lines[0]).toMatchObject({
      place: 'back',
      side: 'right',
      handsName: 'abe Test',
      writtenBy: 'ivo Test',
      source: 'written',
      struck: null
    })
  })
  it('writes the same lines once when they are sent twice', async () => {
    const entries = [line('2026-03-20', 'chest', 'middle', { kind: 'carded' })]
    expect((await write(ivo, 'ember', ...entries)).body.written).toBe(1)
    expect((await write(ivo, 'ember', ...entries)).body.written).toBe(0)
  })
  it('refuses what cannot be, naming field, value and what is allowed, and keeps none of the batch', async () => {
    const before = (await linesOf('ember')).length
    const cases = [
      [
        line('2021-12-24', 'back', 'both', pulled()),
        'entries.1.on',
        'Back, 24 Dec 2021: the dog was born on 1 May 2022, so nothing was done to its coat before then.'
      ],
      [
        line('2026-04-15', 'back', 'both', pulled()),
        'entries.1.on',
        'Back, 15 Apr 2026: this date is in the future. The book is for work already done; to try out a plan, use Compare plans.'
      ],
      [
        line('2026-04-01', 'back', 'both', { kind: 'length', mm: 420, uMm: 0.6 }),
        'entries[1].act.mm',
        'Length is 420; it must be 0 to 300 mm.'
      ],
      [line('2026-04-01', 'flank', 'both', pulled()), 'entries[1].place', undefined],
      [line('2026-04-01', 'back', 'both', { kind: 'plucked' }), 'entries[1].act.kind', undefined],
      [line('1 April', 'back', 'both', pulled()), 'entries[1].on', 'Day is 1 April; it must be a date such as 2026-04-14.'],
      [line('2026-04-01', 'back', 'both', pulled(), v7()), 'entries', 'Whose hands is someone who is not at this school.']
    ] as const
    for (const [wrong, path, detail] of cases) {
      const answer = await write(ivo, 'ember', line('2026-04-01', 'ribs', 'both', pulled()), wrong)
      expect([answer.status, answer.body.errors?.[0].path]).toEqual([422, path])
      if (detail) expect(answer.body.errors![0].detail).toBe(detail)
    }
    expect(await linesOf('ember')).toHaveLength(before)
  })
  it('an apprentice reads and does not write', async () => {
    expect((await write(abe, 'ember', line('2026-04-01', 'back', 'both', pulled()))).status).toBe(403)
    expect(await linesOf('ember', abe)).toHaveLength(3)
    expect((await ivo.get(`/coats/${v7()}`)).status).toBe(404)
  })
  it('strikes a line with a reason; it stays to be read, and can be taken back', async () => {
    const [first] = await linesOf('ember')
    const path = `/coats/${world.ids.ember}`
    expect((await ivo.post(`${path}/struck`, { entryIds: [first.id], reason: '' })).status).toBe(422)
    expect((await ivo.post(`${path}/struck`, { entryIds: [first.id], reason: 'the wrong dog' })).status).toBe(200)
    expect((await linesOf('ember'))[0].struck).toEqual({ by: 'ivo Test', reason: 'the wrong dog' })
    const again = await ina.post(`${path}/struck`, { entryIds: [first.id], reason: 'twice' })
    expect([again.status, again.body.detail]).toEqual([409, 'This line has already been struck out, by ivo Test: the wrong dog'])
    expect((await ivo.post(`/coats/${world.ids.flint}/struck`, { entryIds: [first.id], reason: 'another dog' })).status).toBe(404)
    await ivo.post(`${path}/unstruck`, { entryIds: [first.id] })
    expect((await linesOf('ember'))[0].struck).toBeNull()
  })
})

describe('what the floor writes', () => {
  let visit: string
  it('attempts by their technique, side and tool, in whose hands', async () => {
    visit = await world.newVisit('abe', '2026-04-13')
    await work(
      visit,
      { technique: 'roll-coat', regions: ['back', 'ribs'], side: 'right' },
      { technique: 'body-clip', regions: ['loin'], toolId: 'blade-7f' },
      { technique: 'nails', regions: ['foreFoot'], toolId: null }
    )
    const lines = await linesOf('flint')
    expect(lines.map(({ place, side, act, handsName, source }) => [place, side, act.kind, handsName, source])).toEqual([
      ['back', 'right', 'pulled', 'abe Test', 'floor'],
      ['ribs', 'right', 'pulled', 'abe Test', 'floor'],
      ['loin', 'both', 'cut', 'abe Test', 'floor']
    ])
    expect(lines[2].act).toEqual({ kind: 'cut', toMm: 3.2 })
  })
  it('an end that is taken back takes its line with it', async () => {
    const second = await world.newVisit('abe', '2026-04-13')
    const events = await work(second, { technique: 'roll-coat', regions: ['croup'] })
    const undo = { ...events[1], id: v7(), kind: 'undone', seq: ++count, lamport: count, payload: { eventId: events[1].id } }
    expect((await linesOf('flint')).some(({ place }) => place === 'croup')).toBe(true)
    await ivo.post(`/visits/${second}/events`, { events: [undo] })
    expect((await linesOf('flint')).some(({ place }) => place === 'croup')).toBe(false)
  })
  it('a hole that came in, when it is found', async () => {
    const third = await world.newVisit('abe', '2026-04-14')
    await world.db.update(tables.visits).set({ found: null }).where(eq(tables.visits.id, third))
    const found = { version: 0, weeksSince: 7, purpose: 'pet', skin: [], nailsOwed: [], wishes: [] }
    await ivo.send('PUT', `/visits/${third}/found`, { ...found, coat: [{ kind: 'matCut', region: 'ribs', side: 'left', widthMm: 40 }] })
    const hole = (await linesOf('flint')).find(({ act }) => act.kind === 'hole')!
    expect(hole).toMatchObject({ place: 'ribs', side: 'left', source: 'found', act: { widthMm: 40, cause: 'matCut' } })
  })
  it('lengths that an assessor read; a colleague asks for them, which is remembered, and an apprentice reads none', async () => {
    const id = v7()
    await ina.post(`/visits/${visit}/gradings`, { id })
    const { version } = (await ina.send('PUT', `/gradings/${id}`, { version: 1, answers: fullSheet(), critical: [], globalRating: 'good' }))
      .body
    expect((await linesOf('flint', ivo)).some(({ source }) => source === 'grading')).toBe(false)
    expect((await ina.post(`/gradings/${id}/sign`, { version })).status).toBe(200)
    const own = (await linesOf('flint', ina)).filter(({ source }) => source === 'grading')
    expect(own.length).toBeGreaterThan(3)
    expect(own[0]).toMatchObject({ act: { kind: 'length' }, handsName: 'ina Test' })
    // a colleague's page says that lengths are left out, and costs nothing; asked for, they are shown and remembered
    expect((await linesOf('flint', ivo)).some(({ source }) => source === 'grading')).toBe(false)
    expect((await page('flint', ivo)).unread).toEqual([{ gradingId: id, onDate: '2026-04-13', lengths: own.length }])
    const readers = async () =>
      (await world.db.select().from(tables.gradingReads).where(eq(tables.gradingReads.gradingId, id))).map(({ personId }) => personId)
    expect(await readers()).toEqual([])
    expect((await abe.post(`/coats/${world.ids.flint}/lengths/read`, {})).status).toBe(403)
    expect((await ivo.post(`/coats/${world.ids.flint}/lengths/read`, {})).body).toEqual({ read: 1 })
    expect(await readers()).toEqual([world.ids.ivo])
    expect((await linesOf('flint', ivo)).filter(({ source }) => source === 'grading')).toEqual(own)
    expect((await page('flint', ivo)).unread).toEqual([])
    expect((await linesOf('flint', abe)).some(({ source }) => source === 'grading')).toBe(false)
  })
  it('a line of the floor can be struck too', async () => {
    const [first] = await linesOf('flint')
    await ivo.post(`/coats/${world.ids.flint}/struck`, { entryIds: [first.id], reason: 'it was the other dog' })
    expect((await linesOf('flint'))[0].struck).not.toBeNull()
  })
  it('gives the next visit its start: what was left, side by side, and which places are out of step', async () => {
    await work(visit, { technique: 'skirt-line', regions: ['skirt'], side: 'left', toolId: 'scissors-straight' })
    const fourth = await world.newVisit('bea', '2026-04-14')
    await work(fourth, { technique: 'skirt-line', regions: ['skirt'], side: 'left', toolId: 'scissors-straight' })
    const next = await world.newVisit('abe', '2026-04-16')
    const staffs = (await ivo.get(`/visits/${next}/coat`)).body as unknown as VisitCoatStart
    expect(staffs.openEnds).toMatchObject({ visitId: fourth, apprentice: 'bea Test' })
    expect(staffs.openEnds!.undone.find(({ region, technique }) => region === 'skirt' && technique === 'skirt-line')).toMatchObject({
      side: 'right'
    })
    const start = (await abe.get(`/visits/${next}/coat`)).body as unknown as VisitCoatStart
    // whose hands those were is not told to another apprentice
    expect(start.openEnds).toMatchObject({ onDate: '2026-04-14', apprentice: null })
    expect(start.openEnds!.undone.some(({ region, side }) => region === 'skirt' && side === 'right')).toBe(true)
    // the roll of 13 April went over the right side alone
    expect(start.outOfStep).toContain('ribs')
    expect((await (await world.client('bea')).get(`/visits/${next}/coat`)).status).toBe(403)
  })
  it('tells when the trim comes back, and leaves whoever asks blind to what another assessor measured', async () => {
    const lars = await world.client('lars')
    const start = (await lars.get(`/visits/${visit}/coat`)).body as unknown as VisitCoatStart
    // the head of the bearded pattern is out first: 3.2 mm to 9 mm
    expect(start.interval).toMatchObject({ ends: 'grownOut' })
    expect(start.interval!.longestWeeks).toBeGreaterThan(1)
    const reads = () => world.db.select().from(tables.gradingReads).where(eq(tables.gradingReads.personId, world.ids.lars))
    expect(await reads()).toEqual([])
    await linesOf('flint', lars)
    expect(await reads()).toEqual([])
  })
  it('comes to the same when everything derived is made anew', async () => {
    const before = await linesOf('flint')
    await rebuildAll(world.db)
    expect(await linesOf('flint')).toEqual(before)
  })
})

describe('the coat from its book', () => {
  it('tells the days that the sides are apart, in the list too', async () => {
    const { lines, rules, sproutDays, isWire, today } = await page('ember')
    const entries: CoatEntry[] = lines.filter(({ struck }: BookLine) => struck === null)
    const model = coatModel({ entries, dog: { bornOn: '2022-05-01', today }, isWire, sproutDays, rules })
    expect(lagAt(model, 'back', dayOf(today)).days).toBe(11)
    const list = (await ivo.get('/coats')).body as unknown as CoatList
    const head = list.heads.find(({ dog }) => dog.id === world.ids.ember)!
    expect(head).toMatchObject({ isStripped: true, lag: { place: 'back', days: 11 }, lastOn: '2026-03-20' })
    expect(head.warnings.map(({ kind }) => kind)).toContain('outOfStep')
  })
  it('sprouts by the school’s side of the house rule', async () => {
    expect((await page('ember')).sproutDays).toBe(42)
    await lena.send('PUT', '/school/house-rules', { rules: { 'sprout-weeks': 0 } })
    expect((await page('ember')).sproutDays).toBe(28)
    await lena.send('PUT', '/school/house-rules', { rules: { 'sprout-weeks': 1 } })
  })
  it('keeps what the coat is for, and refuses days that are over', async () => {
    const aim: CoatAim = { aimOn: '2026-05-30', aim: 'Spring show', nextOn: '2026-04-21', everyDays: 14, brushing: 'weekly' }
    const path = `/coats/${world.ids.ember}/aim`
    expect((await ivo.send('PUT', path, aim)).status).toBe(200)
    expect((await page('ember')).aim).toEqual(aim)
    const late = await ivo.send('PUT', path, { ...aim, aimOn: '2026-04-01' })
    expect([late.status, late.body.errors?.[0].detail]).toEqual([
      422,
      'The date that counts is 2026-04-01; it must be 2026-04-14 or later.'
    ])
    const often = await ivo.send('PUT', path, { ...aim, everyDays: 2 })
    expect(often.body.errors?.[0].detail).toBe('Days between visits is 2; it must be 7 to 84 days.')
    expect((await page('ember')).aim).toEqual(aim)
  })
  it('lets a lead set the school’s limits, within what makes sense', async () => {
    expect((await ivo.send('PUT', '/coat-rules', COAT_RULES)).status).toBe(403)
    const wrong = await lena.send('PUT', '/coat-rules', { ...COAT_RULES, lagDays: 90 })
    expect([wrong.status, wrong.body.errors?.[0].detail]).toEqual([422, 'lagDays is 90; it must be 0 to 30 days.'])
    expect((await lena.send('PUT', '/coat-rules', { ...COAT_RULES, lagDays: 14 })).status).toBe(200)
    const list = (await ivo.get('/coats')).body as unknown as CoatList
    expect(list.heads.find(({ dog }) => dog.id === world.ids.ember)!.lag).toBeNull()
  })
})
