// What a tablet may not do to what was recorded: by time, by others' work, by version, by odd content.
import type { Me } from '@peen/contract'
import type { EventKind, Payloads } from '@peen/core/practice'
import { v7 } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { PASSWORD, smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let ina: Client
let abe: Client
const NOW = new Date('2026-04-14T09:42:00.000Z')
beforeAll(async () => {
  world = await smallSchool('trust')
  ;[ivo, ina, abe] = [await world.client('ivo'), await world.client('ina'), await world.client('abe')]
})
beforeEach(() => world.clock.set(NOW))
afterAll(() => world.close())

let count = 0
function event<K extends EventKind>(visitId: string, by: Client, kind: K, payload: Payloads[K] | object, change: object = {}) {
  count++
  return {
    ...{ id: v7(), v: 1, kind, visitId, by: by.me!.id, deviceId: `of-${by.me!.givenName}`, seq: count, lamport: count },
    ...{ atDevice: '2026-04-14T09:00:00.000Z', payload },
    ...change
  }
}
const send = async (by: Client, visitId: string, ...events: unknown[]) => {
  const { status, body } = await by.post(`/visits/${visitId}/events`, { events })
  const answers = body.answers as { status: string; detail: string | null }[]
  return { status, said: answers?.map((one) => one.status) ?? [], details: answers?.map((one) => one.detail ?? '') ?? [] }
}
const start = (attemptId: string, hands = 'apprentice') => ({
  ...{ attemptId, techniqueId: 'skirt-line', regions: ['skirt'], side: 'both', toolId: 'scissors-straight', direction: null },
  ...{ hands, setting: 'live' }
})
const later = (seconds: number) => world.clock.set(new Date(NOW.getTime() + seconds * 1000))

describe('an undo', () => {
  it('comes in time by the server’s clock too, whatever the tablet says', async () => {
    const visit = await world.newVisit('abe')
    const tap = event(visit, ivo, 'attemptStarted', start(v7(), 'instructor'))
    await send(ivo, visit, tap)
    later(45)
    const undo = await send(ivo, visit, event(visit, ivo, 'undone', { eventId: tap.id }))
    expect([undo.said, undo.details]).toEqual([['conflict'], [expect.stringMatching(/^This came too late/)]])
  })

  it('of a tablet that was away comes with its tap, in one batch', async () => {
    const visit = await world.newVisit('abe')
    const tap = event(visit, ivo, 'attemptStarted', start(v7()))
    later(3600)
    expect((await send(ivo, visit, tap, event(visit, ivo, 'undone', { eventId: tap.id }))).said).toEqual(['stored', 'stored'])
  })

  it('does not take away what others went on from', async () => {
    const visit = await world.newVisit('abe')
    const attemptId = v7()
    const tap = event(visit, ivo, 'attemptStarted', start(attemptId))
    await send(ivo, visit, tap)
    await send(ina, visit, event(visit, ina, 'promptGiven', { attemptId }))
    expect((await send(ivo, visit, event(visit, ivo, 'undone', { eventId: tap.id }))).details[0]).toMatch(/^Other taps already follow/)
  })

  it('by striking at the end takes notes only: no step, no hands, no release', async () => {
    const visit = await world.newVisit('abe')
    const attemptId = v7()
    const mine = event(visit, ivo, 'attemptStarted', start(attemptId, 'instructor'))
    const fault = event(visit, ivo, 'faultNoted', { attemptId, faultId: null, region: null, side: null })
    await send(ivo, visit, mine, fault)
    const attempts = [{ attemptId, minutes: 4, help: 'alone', witness: 'watched', hands: 'instructor', side: 'both' }]
    const strike = (id: string) => send(ivo, visit, event(visit, ivo, 'attemptsConfirmed', { attempts, struck: [id] }))
    expect((await strike(mine.id)).details[0]).toMatch(/^Only a fault, a prompt, help, stress or praise/)
    expect((await strike(fault.id)).said).toEqual(['stored'])
  })
})

describe('an event', () => {
  it('of another version or an unknown kind comes from no apprentice', async () => {
    const visit = await world.newVisit('abe')
    expect((await send(abe, visit, event(visit, abe, 'lookedAt', {}, { v: 2 }))).said).toEqual(['refused'])
    expect((await send(abe, visit, event(visit, abe, 'heard' as never, {}, { v: 2 }))).said).toEqual(['refused'])
    expect((await send(ivo, visit, event(visit, ivo, 'heard' as never, {}, { v: 2 }))).said).toEqual(['stored'])
  })

  it('that counts far ahead is refused, and those after it are not harmed', async () => {
    const visit = await world.newVisit('abe')
    const far = event(visit, abe, 'helpAsked', {}, { lamport: 2_000_000_000 })
    expect((await send(abe, visit, far)).details[0]).toMatch(/^lamport is 2000000000; it can be up to \d+/)
    expect((await send(abe, visit, event(visit, abe, 'helpAsked', {}))).said).toEqual(['stored'])
  })

  it('is kept under the tablet that the server knows, whatever it says', async () => {
    const visit = await world.newVisit('abe')
    const forged = event(visit, ivo, 'lookedAt', {}, { deviceId: ina.me!.deviceId })
    expect((await send(ivo, visit, forged, event(visit, ivo, 'lookedAt', {}))).said).toEqual(['stored', 'stored'])
    // the same tap sent once more is known, under whichever name
    expect((await send(ivo, visit, forged)).said).toEqual(['alreadyThere'])
    await send(ina, visit, event(visit, ina, 'lookedAt', {}))
    const { events } = (await ivo.get(`/visits/${visit}/work`)).body as unknown as { events: { deviceId: string }[] }
    expect(ivo.me!.deviceId).toMatch(/^device-[0-9a-f]{16}$/)
    expect(events.map(({ deviceId }) => deviceId)).toEqual([ivo.me!.deviceId, ivo.me!.deviceId, ina.me!.deviceId])
    expect(ivo.me!.deviceId).not.toBe(ina.me!.deviceId)
  })

  it('keeps its tablet when another person signs in on it', async () => {
    const [device] = ivo.headers.cookie.split('; ').filter((one) => one.startsWith('peen_device='))
    const answer = await (await world.client()).send('POST', '/sign-in', { username: 'ina', password: PASSWORD }, { cookie: device })
    expect((answer.body as unknown as Me).deviceId).toBe(ivo.me!.deviceId)
    // a cookie that no server gave is another tablet, not an error
    const odd = { cookie: `peen_device=${'x'.repeat(3000)}` }
    const other = await (await world.client()).send('POST', '/sign-in', { username: 'ina', password: PASSWORD }, odd)
    expect((other.body as unknown as Me).deviceId).toMatch(/^device-[0-9a-f]{16}$/)
    expect((other.body as unknown as Me).deviceId).not.toBe(ivo.me!.deviceId)
  })

  it('of a step that two tablets started is taken under either id', async () => {
    const visit = await world.newVisit('abe')
    const [one, two] = [v7(), v7()]
    await send(ivo, visit, event(visit, ivo, 'attemptStarted', start(one)))
    await send(ina, visit, event(visit, ina, 'attemptStarted', start(two)))
    const hurt = { attemptId: two, hazardId: 'flank-fold', severity: 'near', region: 'skirt' }
    expect((await send(ina, visit, event(visit, ina, 'safetyNoted', hurt))).said).toEqual(['stored'])
  })

  // Symptom: one odd event in a batch was an error of the server, and the whole batch stayed unsent
  it('that is odd is answered alone, and never an error of the server', async () => {
    const visit = await world.newVisit('abe')
    const same = event(visit, abe, 'helpAsked', {})
    const deep = JSON.parse(`${'{"a":'.repeat(400)}1${'}'.repeat(400)}`) as object
    const odd = [
      event(visit, abe, 'noted', { text: 'half a letter \ud83d' }),
      event(visit, abe, 'noted', { text: 'long ago' }, { atDevice: '0001-01-01T00:00:00.000Z' }),
      event(visit, abe, 'noted', { text: 'no such month' }, { atDevice: '2026-13-41T00:00:00.000Z' }),
      event(visit, ivo, 'heard' as never, deep, { v: 2, by: abe.me!.id }),
      { ...same, id: 'no id' },
      null,
      'text',
      17
    ]
    const { status, said } = await send(
      abe,
      visit,
      same,
      ...odd,
      same,
      { ...same, seq: 9999 },
      event(visit, abe, 'noted', { text: 'well' })
    )
    expect(status).toBe(200)
    expect(said).toEqual(['stored', ...odd.map(() => 'refused'), 'alreadyThere', 'conflict', 'stored'])
  })
})
