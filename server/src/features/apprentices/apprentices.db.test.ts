import { TRIMS_A_PAGE } from '@peen/contract'
import type { ApprenticeSummary, ApprenticeView, DogPage, FloorView, TableView, TrimRow } from '@peen/contract'
import type { EventKind } from '@peen/core/practice'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { fullSheet } from '../../testing/sheet'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let lena: Client
beforeAll(async () => {
  world = await smallSchool('apprentices')
  ;[ivo, lena] = [await world.client('ivo'), await world.client('lena')]
})
afterAll(() => world.close())

let count = 0
async function record(visitId: string, ...taps: (readonly [EventKind, object])[]) {
  const events = taps.map(([kind, payload]) => ({
    id: v7(),
    v: 1,
    kind,
    visitId,
    by: ivo.me!.id,
    deviceId: 'tablet',
    seq: ++count,
    lamport: count,
    atDevice: '2026-04-14T09:00:00.000Z',
    payload
  }))
  const answer = await ivo.post(`/visits/${visitId}/events`, { events })
  for (const one of answer.body.answers as { status: string; detail: string }[]) expect(one.status, one.detail).toBe('stored')
}
const start = (attemptId: string, change: object = {}) =>
  [
    'attemptStarted',
    {
      attemptId,
      techniqueId: 'skirt-line',
      regions: ['skirt'],
      side: 'both',
      toolId: null,
      direction: null,
      hands: 'apprentice',
      setting: 'live',
      ...change
    }
  ] as const
const end = (attemptId: string) => ['attemptEnded', { attemptId, minutes: 9, help: 'alone', witness: 'watched' }] as const
const standingOf = async (apprentice: string, technique = 'skirt-line') => {
  const view = (await lena.get(`/apprentices/${world.ids[apprentice]}`)).body as unknown as ApprenticeView
  return { view, standing: view.techniques.find((one) => one.techniqueId === technique)!.standing }
}

/** Days of clean practice of one technique, on two dogs in turn. */
async function practise(apprentice: string, days: number): Promise<string> {
  let last = ''
  for (let day = 1; day <= days; day++) {
    last = await world.newVisit(apprentice, `2026-03-${String(day).padStart(2, '0')}`)
    await world.db
      .update(tables.visits)
      .set({ dogId: day % 2 ? world.ids.flint : world.ids.ember })
      .where(eq(tables.visits.id, last))
    const attempt = v7()
    await record(last, start(attempt), end(attempt))
  }
  return last
}

describe('competency follows from what was recorded', () => {
  it('new, practising, ready by the chart, competent with a passed trim that shows it', async () => {
    expect((await standingOf('abe')).standing.state).toBe('new')
    const last = await practise('abe', 14)
    expect((await standingOf('abe')).standing).toMatchObject({ state: 'ready', attempts: 14, clean: 14, score: 14, dogs: 2 })
    await world.workOn(last, '2026-03-14')
    const id = (await ivo.post(`/visits/${last}/gradings`, { id: v7() })).body.id as string
    await ivo.send('PUT', `/gradings/${id}`, { version: 1, answers: fullSheet(), critical: [], globalRating: 'good' })
    await ivo.post(`/gradings/${id}/sign`, { version: 2 })
    const { standing, view } = await standingOf('abe')
    expect(standing.state).toBe('competent')
    expect(view.say).toContain('**competent in 1 technique**')
    expect(view.certificates[0].rules.find((rule) => rule.kind === 'passedTrim')).toMatchObject({ met: 'met' })
    expect(view.certificates[0].ready).toBe(false)
  })

  it('an undone attempt is gone from the chart', async () => {
    const visit = await world.newVisit('bea', '2026-04-01')
    const attempt = v7()
    await record(visit, start(attempt), end(attempt))
    expect((await standingOf('bea')).standing.attempts).toBe(1)
    const { events } = (await ivo.get(`/visits/${visit}/work`)).body as unknown as TableView
    await record(visit, ['undone', { eventId: events.find((event) => event.kind === 'attemptEnded')!.id }])
    expect((await standingOf('bea')).standing.attempts).toBe(0)
  })

  it('is held after a serious safety event; only a lead lifts it, with a reason', async () => {
    const visit = await world.newVisit('bea', '2026-04-02')
    const attempt = v7()
    await record(
      visit,
      start(attempt, { techniqueId: 'ear-leather', regions: ['earEdge'] }),
      ['safetyNoted', { attemptId: attempt, hazardId: 'ear-edge', severity: 'serious', region: 'earEdge' }],
      end(attempt)
    )
    expect((await standingOf('bea', 'ear-leather')).standing.state).toBe('held')
    const lift = (by: Client, body: object) => by.post(`/apprentices/${world.ids.bea}/lift-hold`, body)
    expect((await lift(ivo, { techniqueId: 'ear-leather', reason: 'Shown again.' })).status).toBe(403)
    expect(await lift(lena, { techniqueId: 'ear-leather', reason: '' })).toMatchObject({
      status: 422,
      body: { detail: 'Give a reason for lifting the hold, in a few words.' }
    })
    expect((await lift(lena, { techniqueId: 'skirt-line', reason: 'No reason at all.' })).body.code).toBe('notHeld')
    expect((await lift(lena, { techniqueId: 'ear-leather', reason: 'Shown again on three ears, calm hands.' })).status).toBe(200)
    expect((await standingOf('bea', 'ear-leather')).standing.state).toBe('practising')
  })

  it('lists everybody for staff, and an apprentice own self', async () => {
    const all = (await lena.get('/apprentices')).body as unknown as ApprenticeSummary[]
    expect(all.map((one) => one.givenName).sort()).toEqual(['abe', 'bea'])
    const own = (await (await world.client('bea')).get('/apprentices')).body as unknown as ApprenticeSummary[]
    expect(own.map((one) => one.givenName)).toEqual(['bea'])
  })
})

describe('the floor', () => {
  it('shows today only, with the hold that waits and the looks', async () => {
    const visit = await world.newVisit('bea')
    await record(visit, ['visitOpened', {}])
    const floor = (await ivo.get('/floor')).body as unknown as FloorView
    expect(floor.tables).toHaveLength(1)
    // bea is new to the rough clip of the ears, where the ear's edge is a hold point, and nothing is under way
    expect(floor.tables[0]).toMatchObject({
      visitId: visit,
      workedMin: 42,
      hold: { hazardId: 'toe-web' },
      next: { techniqueId: 'rough-clip' }
    })
    expect(floor.looks[0].say).toContain('waiting for you: toe web, ear edge')
    await record(visit, ['holdReleased', { techniqueId: 'rough-clip', hazardId: 'toe-web' }])
    expect(((await ivo.get('/floor')).body as unknown as FloorView).tables[0].hold).toBeNull()
    const own = (await (await world.client('abe')).get('/floor')).body as unknown as FloorView
    expect(own).toMatchObject({ tables: [], looks: [] })
  })

  it('counts a dog’s minutes over all its visits of the day', async () => {
    const before = ((await ivo.get('/floor')).body as unknown as FloorView).tables[0].canStandMin
    const other = await world.newVisit('abe')
    await record(other, ['visitOpened', {}], ['visitClosed', {}])
    await world.db
      .update(tables.events)
      .set({ atDevice: new Date('2026-04-14T09:10:00.000Z') })
      .where(eq(tables.events.kind, 'visitClosed'))
    const floor = (await ivo.get('/floor')).body as unknown as FloorView
    expect(Math.min(...floor.tables.map((table) => table.canStandMin))).toBe(before - 10)
  })
})

describe('the dog’s page', () => {
  it('keeps the owner to a given name, and from apprentices altogether', async () => {
    const owner = v7()
    await world.db.insert(tables.owners).values({ id: owner, givenName: 'Maren', contact: 'maren@post.invalid' })
    await world.db.update(tables.dogs).set({ ownerId: owner }).where(eq(tables.dogs.id, world.ids.flint))
    const page = await lena.get(`/dogs/${world.ids.flint}`)
    expect((page.body as unknown as DogPage).dog.ownerGivenName).toBe('Maren')
    expect(JSON.stringify(page.body)).not.toContain('post.invalid')
    expect(((await (await world.client('abe')).get(`/dogs/${world.ids.flint}`)).body as unknown as DogPage).dog.ownerGivenName).toBeNull()
    expect(JSON.stringify((await lena.get('/dogs')).body)).not.toContain('Maren')
  })

  it('shows what was measured, but nothing by which a colleague would lose their blindness', async () => {
    const visit = await world.newTrim('abe', '2026-04-10')
    const first = (await ivo.post(`/visits/${visit}/gradings`, { id: v7() })).body.id as string
    const measured = {
      ...fullSheet(),
      'back-length': { left: { kind: 'readings', mm: [7, 7, 7] }, right: { kind: 'readings', mm: [3, 3, 3] } }
    }
    await ivo.send('PUT', `/gradings/${first}`, { version: 1, answers: measured, critical: [], globalRating: 'good' })
    await ivo.post(`/gradings/${first}/sign`, { version: 2 })
    const back = async (by: Client) =>
      ((await by.get(`/dogs/${world.ids.flint}`)).body as unknown as DogPage).measured.find(
        (one) => one.region === 'back' && one.side === 'left'
      )?.mm
    const ina = await world.client('ina')
    const second = (await ina.post(`/visits/${visit}/gradings`, { id: v7() })).body.id as string
    expect(await back(lena)).not.toBe(7)
    await ina.send('PUT', `/gradings/${second}`, { version: 1, answers: fullSheet(), critical: [], globalRating: 'good' })
    await ina.post(`/gradings/${second}/sign`, { version: 2 })
    // looking at the dog costs nothing; who marked it, or has read the grading, sees its lengths
    expect(await back(lena)).not.toBe(7)
    const third = (await lena.post(`/visits/${visit}/gradings`, { id: v7() })).body.id as string
    expect((await lena.get(`/gradings/${third}`)).body.blind).toBe(true)
  })
})

describe('the list of trims', () => {
  it('comes page by page, and an apprentice’s own are not pushed out by those of others', async () => {
    const before = (await (await world.client('abe')).get('/trims')).body as unknown as TrimRow[]
    const [{ id: _id, visitId: _visit, assessorId: _by, ...like }] = await world.db.select().from(tables.gradings)
    for (let n = 0; n <= TRIMS_A_PAGE; n++) {
      const visitId = await world.newVisit('bea', '2026-04-14')
      await world.db.insert(tables.gradings).values({ ...like, id: v7(), visitId, assessorId: world.ids.lena, status: 'draft' })
    }
    expect((await (await world.client('abe')).get('/trims')).body).toEqual(before)
    const pages = [
      (await ivo.get('/trims')).body as unknown as TrimRow[],
      (await ivo.get('/trims?page=1')).body as unknown as TrimRow[],
      (await ivo.get('/trims?page=9')).body as unknown as TrimRow[]
    ]
    expect(pages.map(({ length }) => length)).toEqual([TRIMS_A_PAGE, pages[1].length, 0])
    const ids = pages.flat().map(({ gradingId }) => gradingId)
    expect(new Set(ids).size).toBe(ids.length)
    expect(ids.length).toBe((await world.db.select().from(tables.gradings)).length)
    // what is no page is the first
    expect((await ivo.get('/trims?page=-1')).body).toEqual(pages[0])
  })

  it('is for staff whole, for an apprentice own and signed', async () => {
    const staff = (await ivo.get('/trims')).body as unknown as TrimRow[]
    const own = (await (await world.client('abe')).get('/trims')).body as unknown as TrimRow[]
    expect(staff.length).toBeGreaterThan(own.length)
    expect(own.every((row) => row.apprentice === 'abe Test' && row.status === 'signed')).toBe(true)
    expect(((await (await world.client('bea')).get('/trims')).body as unknown as TrimRow[]).length).toBe(0)
  })
})
