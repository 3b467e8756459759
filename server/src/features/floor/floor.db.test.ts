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
const record = (by: Client, sessionId: string, kind: string, minute: number, payload: object = {}) => {
  count++
  const envelope = { id: v7(), v: 1, kind, sessionId, by: by.me!.id, deviceId: 'tablet', seq: count, lamport: count, payload }
  return by.post(`/sessions/${sessionId}/events`, {
    events: [{ ...envelope, atDevice: `2026-04-14T09:${String(minute).padStart(2, '0')}:00.000Z` }]
  })
}
const floor = async (by: Client) => (await by.get('/floor')).body as unknown as FloorView

describe('the rounds', () => {
  it('send an instructor at once to who asks, until somebody comes', async () => {
    const session = await world.newSession('abe')
    await record(ivo, session, 'sessionOpened', 0)
    expect((await floor(ivo)).looks[0]?.say ?? '').not.toMatch(/asked for you/)
    expect((await record(abe, session, 'helpAsked', 20)).status).toBe(200)
    const asked = await floor(ivo)
    expect(asked.looks[0].say).toMatch(/who asked for you/)
    expect(asked.tables.find((table) => table.sessionId === session)?.asked).toBe(true)
    expect((await record(abe, session, 'lookedAt', 21)).status).toBe(403)
    expect((await record(ivo, session, 'lookedAt', 21)).status).toBe(200)
    const answered = await floor(ivo)
    expect(answered.tables.find((table) => table.sessionId === session)?.asked).toBe(false)
    expect(answered.looks.every((look) => !/asked for you/.test(look.say))).toBe(true)
  })

  it('are ranked by numbers that a lead assessor sets, within what is allowed, and an apprentice gets none', async () => {
    expect((await floor(ivo)).rounds).toEqual(ROUNDS_DEFAULTS)
    const own = { ...ROUNDS_DEFAULTS, capMin: 30, mishap: { ...ROUNDS_DEFAULTS.mishap, new: 0.4 } }
    expect((await ivo.send('PUT', '/floor/rounds', own)).status).toBe(403)
    expect((await lena.send('PUT', '/floor/rounds', own)).status).toBe(200)
    expect((await floor(ivo)).rounds).toEqual(own)
    const wrong = await lena.send('PUT', '/floor/rounds', { ...own, capMin: 500 })
    expect([wrong.status, wrong.body.detail]).toEqual([422, 'capMin is 500; allowed is 90 or less.'])
    const strange = await lena.send('PUT', '/floor/rounds', { ...own, mishap: { ...own.mishap, new: 'often' } })
    expect([strange.status, strange.body.detail]).toEqual([422, expect.stringMatching(/mishap\.new/)])
    expect((await floor(ivo)).rounds).toEqual(own)
    expect((await floor(abe)).looks).toEqual([])
  })
})
