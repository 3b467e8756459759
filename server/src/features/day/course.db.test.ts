import type { DaySummaryView, DayView, FloorView } from '@peen/contract'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallSchool, type Client, type World } from '../../testing/world'

const TODAY = '2026-04-14'
let world: World
let ivo: Client
let lena: Client
let abe: Client
beforeAll(async () => {
  world = await smallSchool('course')
  ;[ivo, lena, abe] = [await world.client('ivo'), await world.client('lena'), await world.client('abe')]
})
afterAll(() => world.close())

let count = 0
const record = (visitId: string, kind: string, payload: object = {}, by = ivo) => {
  count++
  const envelope = { id: v7(), v: 1, kind, visitId, by: by.me!.id, deviceId: 'tablet', seq: count, lamport: count, payload }
  return by.post(`/visits/${visitId}/events`, { events: [{ ...envelope, atDevice: '2026-04-14T09:00:00.000Z' }] })
}
const day = async (on = TODAY) => (await ivo.get(`/day/${on}`)).body as unknown as DayView
const visit = (apprentice: string, dog: string, tableId: string, onDate = '2026-04-15') => ({
  ...{ id: v7(), apprenticeId: world.ids[apprentice], dogId: world.ids[dog], tableId, standardId: 'bearded-pet' },
  ...{ weeksSince: 6, wishes: '', onDate }
})

describe('a day', () => {
  it('is opened on its own morning, once, by whoever comes first', async () => {
    expect(await day()).toMatchObject({ openedBy: null, absent: [] })
    expect((await ivo.post(`/day/${TODAY}/open`)).status).toBe(200)
    expect((await lena.post(`/day/${TODAY}/open`)).status).toBe(200)
    expect((await day()).openedBy).toBe('ivo')
    expect(((await ivo.get('/floor')).body as unknown as FloorView).openedBy).toBe('ivo')
    expect((await ivo.post('/day/2026-04-15/open')).body.detail).toMatch(/2026-04-15 can only be opened on the day/)
    expect((await abe.post(`/day/${TODAY}/open`)).status).toBe(403)
  })

  it('knows who is not here: their dogs are for somebody else, and nothing more is planned for them', async () => {
    const on = '2026-04-16'
    const wanted = visit('bea', 'flint', world.ids.table, on)
    await ivo.post('/visits', wanted)
    expect((await ivo.post(`/day/${on}/absent/${world.ids.bea}`)).status).toBe(200)
    const view = await day(on)
    expect(view.absent).toEqual([world.ids.bea])
    expect(view.visits[0].warnings[0]).toBe('bea is absent: give Flint to someone else, or cancel the visit.')
    expect((await ivo.post('/visits', visit('bea', 'ember', world.ids.table, on))).body.detail).toMatch(/bea is absent on 2026-04-16/)
    await ivo.send('PUT', `/visits/${wanted.id}`, { apprenticeId: world.ids.abe })
    expect((await day(on)).visits[0].warnings).toEqual([])
    await ivo.post(`/day/${on}/here/${world.ids.bea}`)
    expect((await day(on)).absent).toEqual([])
    const begun = await world.newVisit('abe')
    await record(begun, 'visitOpened')
    expect((await ivo.post(`/day/${TODAY}/absent/${world.ids.abe}`)).body.detail).toMatch(
      /abe is at table 1 with Flint: finish there first/
    )
    await record(begun, 'visitClosed')
    expect((await ivo.post(`/day/2026-04-01/absent/${world.ids.bea}`)).body.detail).toMatch(/2026-04-01 is over/)
  })

  it('swaps dogs before the work has begun, and tables at any time', async () => {
    const other = (await ivo.post('/tables', { id: v7() })).body as unknown as { id: string }
    const [one, two] = [visit('abe', 'flint', world.ids.table), visit('bea', 'ember', other.id)]
    for (const planned of [one, two]) expect((await ivo.post('/visits', planned)).status).toBe(200)
    const seen = async () =>
      (await day('2026-04-15')).visits.map(({ apprentice, dog, tableNumber }) => `${apprentice.split(' ')[0]} ${dog} ${tableNumber}`).sort()
    expect(await seen()).toEqual(['abe Flint 1', 'bea Ember 2'])
    await ivo.post(`/visits/${one.id}/swap`, { with: two.id, what: 'dogs' })
    expect(await seen()).toEqual(['abe Ember 1', 'bea Flint 2'])
    await record(one.id, 'visitOpened')
    expect((await ivo.post(`/visits/${one.id}/swap`, { with: two.id, what: 'dogs' })).body.detail).toMatch(/The visit of Flint has started/)
    await ivo.post(`/visits/${one.id}/swap`, { with: two.id, what: 'tables' })
    expect(await seen()).toEqual(['abe Ember 2', 'bea Flint 1'])
    expect((await ivo.post(`/visits/${one.id}/swap`, { with: one.id, what: 'tables' })).status).toBe(404)
    // a dog that is worked on goes to a free table, and to nobody else
    const free = (await ivo.post('/tables', { id: v7() })).body as unknown as { id: string }
    expect((await ivo.send('PUT', `/visits/${one.id}`, { tableId: free.id, apprenticeId: world.ids.bea })).status).toBe(200)
    expect(await seen()).toEqual(['abe Ember 2', 'bea Flint 3'])
    expect((await ivo.send('PUT', `/visits/${one.id}`, { apprenticeId: world.ids.abe })).status).toBe(409)
  })

  it('is closed with a letter to each apprentice that says their day, and sent again only where it has changed', async () => {
    const visit = await world.newVisit('abe')
    const attempt = v7()
    await record(visit, 'visitOpened')
    const started = { attemptId: attempt, techniqueId: 'skirt-line', regions: ['skirt'], side: 'both', toolId: null, direction: null }
    await record(visit, 'attemptStarted', { ...started, hands: 'apprentice', setting: 'live' })
    await record(visit, 'praised', { attemptId: null, text: 'Kept the leg low.' })
    await record(visit, 'attemptEnded', { attemptId: attempt, minutes: 9, help: 'alone', witness: 'watched' })
    expect((await ivo.post(`/day/${TODAY}/close`)).body.detail).toMatch(/Flint: finish at the table first/)
    await record(visit, 'visitClosed')
    const bea = await world.client('bea')
    const figure = { id: v7(), techniqueId: 'round-foot', side: 'both', minutes: 20, note: '' }
    expect((await bea.post(`/apprentices/${world.ids.bea}/figures`, figure)).status).toBe(200)
    expect((await ivo.post(`/day/${TODAY}/close`)).body).toMatchObject({ sent: 2 })
    const summaries = (await ivo.get(`/day/${TODAY}/summaries`)).body as unknown as DaySummaryView[]
    expect(summaries.map(({ person }) => person.givenName)).toEqual(['abe', 'bea'])
    expect(summaries[0].sentences).toContain('Done well: Kept the leg low.')
    expect(summaries[1].sentences).toEqual(['On figures: round foot, 20 minutes. Logged separately.'])
    const own = (await abe.get(`/day/${TODAY}/summaries`)).body as unknown as DaySummaryView[]
    expect(own.map(({ person }) => person.givenName)).toEqual(['abe'])
    const letters = async () =>
      ((await lena.get('/people')).body as unknown as { letters: { subject: string; body: string }[] }).letters.filter(({ subject }) =>
        subject.startsWith('Your day at')
      )
    expect((await letters()).map(({ body }) => body.split(',')[0]).sort()).toEqual(['Dear abe', 'Dear bea'])
    await lena.post(`/day/${TODAY}/reopen`)
    expect((await ivo.post(`/day/${TODAY}/close`)).body).toMatchObject({ sent: 0 })
    await lena.post(`/day/${TODAY}/reopen`)
  })
})

describe('practice on figures', () => {
  const figure = (change: object = {}) => ({ id: v7(), techniqueId: 'round-foot', side: 'left', minutes: 15, note: 'two feet', ...change })
  const path = () => `/apprentices/${world.ids.abe}/figures`
  type Practised = { id: string; technique: string; own: boolean }[]

  it('is logged by the apprentice or for them, apart from the chart, and taken out again by who wrote it', async () => {
    const mine = figure()
    const kept = (await abe.post(path(), mine)).body as unknown as Practised
    expect(kept).toMatchObject([{ id: mine.id, technique: 'Round foot', own: true, onDate: TODAY, minutes: 15 }])
    const theirs = figure({ techniqueId: 'cylinder-leg' })
    await ivo.post(path(), theirs)
    expect((await abe.post(`/figures/${theirs.id}/remove`)).status).toBe(403)
    expect(((await abe.post(`/figures/${mine.id}/remove`)).body as unknown as Practised).map(({ id }) => id)).toEqual([theirs.id])
    const view = (await ivo.get(`/apprentices/${world.ids.abe}`)).body as unknown as {
      techniques: { techniqueId: string; standing: { attempts: number } }[]
    }
    expect(view.techniques.find(({ techniqueId }) => techniqueId === 'cylinder-leg')?.standing.attempts ?? 0).toBe(0)
  })

  it.each<[string, object, RegExp]>([
    ['an unknown technique', { techniqueId: 'moonwalk' }, /Technique is moonwalk; it must be in the catalogue/],
    ['no minutes', { minutes: 0 }, /Minutes is 0; it must be 1 to 240 minutes/],
    ['a side no dog has', { side: 'top' }, /Side is "?top"?; it must be left, right or both/]
  ])('is refused with %s', async (_, change, words) => {
    const answer = await abe.post(path(), figure(change))
    expect(answer.status).toBe(422)
    expect(answer.body.detail).toMatch(words)
  })

  it('of another is not an apprentice’s to read or write', async () => {
    const bea = await world.client('bea')
    expect((await bea.get(path())).status).toBe(403)
    expect((await bea.post(path(), figure())).status).toBe(403)
  })
})
