import type { FloorView } from '@peen/contract'
import { ROUNDS_DEFAULTS } from '@peen/core/practice'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let lena: Client
let abe: Client
beforeAll(async () => {
  world = await smallSchool('floor')
  ivo = await world.client('ivo')
  lena = await world.client('lena')
  abe = await world.client('abe')
})
afterAll(() => world.close())

let count = 0
const record = (by: Client, visitId: string, kind: string, minute: number, payload: object = {}) => {
  count++
  const envelope = { id: v7(), v: 1, kind, visitId, by: by.me!.id, deviceId: 'tablet', seq: count, lamport: count, payload }
  return by.post(`/visits/${visitId}/events`, {
    events: [{ ...envelope, atDevice: `2026-04-14T09:${String(minute).padStart(2, '0')}:00.000Z` }]
  })
}
const floor = async (by: Client) => (await by.get('/floor')).body as unknown as FloorView

describe('the rounds', () => {
  it('send an instructor at once to who asks, until somebody comes', async () => {
    const visit = await world.newVisit('abe')
    await record(ivo, visit, 'visitOpened', 0)
    expect((await floor(ivo)).looks[0]?.say ?? '').not.toMatch(/asked for you/)
    expect((await record(abe, visit, 'helpAsked', 20)).status).toBe(200)
    const asked = await floor(ivo)
    expect(asked.looks[0].say).toMatch(/who needs you/)
    expect(asked.tables.find((table) => table.visitId === visit)?.asked).toBe(true)
    expect((await record(abe, visit, 'lookedAt', 21)).status).toBe(403)
    expect((await record(ivo, visit, 'lookedAt', 21)).status).toBe(200)
    const answered = await floor(ivo)
    expect(answered.tables.find((table) => table.visitId === visit)?.asked).toBe(false)
    expect(answered.looks.every((look) => !/asked for you/.test(look.say))).toBe(true)
  })

  it('are ranked by numbers that a lead assessor sets, within what is allowed, and an apprentice gets none', async () => {
    expect((await floor(ivo)).rounds).toEqual(ROUNDS_DEFAULTS)
    const own = { ...ROUNDS_DEFAULTS, capMin: 30, mishap: { ...ROUNDS_DEFAULTS.mishap, new: 0.4 } }
    expect((await ivo.send('PUT', '/floor/rounds', own)).status).toBe(403)
    expect((await lena.send('PUT', '/floor/rounds', own)).status).toBe(200)
    expect((await floor(ivo)).rounds).toEqual(own)
    const wrong = await lena.send('PUT', '/floor/rounds', { ...own, capMin: 500 })
    expect([wrong.status, wrong.body.detail]).toEqual([422, 'capMin is 500; it must be 90 or less.'])
    const strange = await lena.send('PUT', '/floor/rounds', { ...own, mishap: { ...own.mishap, new: 'often' } })
    expect([strange.status, strange.body.detail]).toEqual([422, expect.stringMatching(/mishap\.new/)])
    expect((await floor(ivo)).rounds).toEqual(own)
    expect((await floor(abe)).looks).toEqual([])
  })
})

describe('the room', () => {
  const place = (to: object, by = ivo) => by.send('PUT', `/tables/${world.ids.table}/place`, { xMm: 400, yMm: 400, turnDeg: 0, ...to })
  it('keeps a table where it is put, and refuses a wall, another table and an apprentice', async () => {
    const moved = (await place({ xMm: 4000, yMm: 3000, turnDeg: -12 })).body as unknown as FloorView
    expect(moved.tables[0]).toMatchObject({ xMm: 4000, yMm: 3000, turnDeg: -12 })
    expect((await floor(ivo)).tables[0]).toMatchObject({ xMm: 4000, turnDeg: -12 })
    const wall = await place({ xMm: 11900 })
    expect(wall.status).toBe(422)
    expect(wall.body.detail).toMatch(/From the left wall is 11900 mm; it must be 0 to \d+ mm\. The table stays where it was\./)
    await ivo.post('/tables', { id: v7() })
    const other = (await floor(ivo)).tables.find(({ tableId }) => tableId !== world.ids.table)!
    expect((await place({ xMm: other.xMm, yMm: other.yMm })).body.detail).toMatch(/^Table 2 is in the way/)
    expect((await place({}, abe)).status).toBe(403)
    expect((await place({ turnDeg: 90 })).status).toBe(422)
    expect((await ivo.send('PUT', `/tables/${v7()}/place`, { xMm: 0, yMm: 0, turnDeg: 0 })).status).toBe(404)
  })

  it('adds up what a dog has stood today at every table, without breaks, and sends nobody to one that can stand no longer', async () => {
    const [first, second] = [await world.newVisit('abe'), await world.newVisit('bea')]
    await record(ivo, first, 'visitOpened', 0)
    await record(ivo, first, 'breakStarted', 10)
    await record(ivo, first, 'breakEnded', 15, { minutes: 5 })
    await record(ivo, first, 'visitClosed', 20)
    await record(ivo, second, 'visitOpened', 30)
    const visit = (await ivo.get(`/visits/${second}/work`)).body as unknown as { elsewhereMin: number; now: string }
    // the visits of the test above are of the same dog: it stood there as well
    const before = (await ivo.get(`/visits/${first}/work`)).body as unknown as { elsewhereMin: number }
    expect(visit.elsewhereMin).toBe(before.elsewhereMin - 12 + 15)
    expect(visit.now).toBe('2026-04-14T09:42:00.000Z')
    await record(ivo, second, 'ranOut', 41, { how: 'home' })
    const view = await floor(ivo)
    expect(view.looks.some(({ visitId }) => visitId === second)).toBe(false)
  })
})
