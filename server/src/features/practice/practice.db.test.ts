import type { EventKind, Payloads } from '@peen/core/practice'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let abe: Client
beforeAll(async () => {
  world = await smallSchool('practice')
  ivo = await world.client('ivo')
  abe = await world.client('abe')
})
afterAll(() => world.close())

let count = 0
function event<K extends EventKind>(sessionId: string, by: Client, kind: K, payload: Payloads[K] | object, change: object = {}) {
  count++
  return {
    id: v7(),
    v: 1,
    kind,
    sessionId,
    by: by.me!.id,
    deviceId: 'tablet',
    seq: count,
    lamport: count,
    atDevice: '2026-04-14T09:00:00.000Z',
    payload,
    ...change
  }
}
const start = (attemptId: string, change: object = {}) => ({
  attemptId,
  techniqueId: 'skirt-line',
  regions: ['skirt'],
  side: 'both',
  toolId: 'scissors-straight',
  direction: null,
  hands: 'apprentice',
  setting: 'live',
  ...change
})
const end = (attemptId: string, witness = 'watched') => ({ attemptId, minutes: 9, help: 'alone', witness })
const record = (by: Client, sessionId: string, ...events: object[]) => by.post(`/sessions/${sessionId}/events`, { events })
const eventsIn = async (sessionId: string) => (await ivo.get(`/sessions/${sessionId}`)).body.events as { id: string; late: boolean }[]

describe('recording at the table', () => {
  it('stores taps with their envelope and makes an attempt of them', async () => {
    const session = await world.newSession('abe')
    const attempt = v7()
    const events = [
      event(session, ivo, 'sessionOpened', {}),
      event(session, ivo, 'attemptStarted', start(attempt)),
      event(session, ivo, 'attemptEnded', end(attempt))
    ]
    const answer = await record(ivo, session, ...events)
    expect(answer.status).toBe(200)
    expect((answer.body.answers as { status: string }[]).map((a) => a.status)).toEqual(['stored', 'stored', 'stored'])
    const stored = await eventsIn(session)
    expect(stored[1]).toMatchObject({ ...events[1], late: false })
    const view = (await ivo.get(`/apprentices/${world.ids.abe}`)).body as unknown as {
      techniques: { techniqueId: string; standing: object }[]
    }
    expect(view.techniques.find((t) => t.techniqueId === 'skirt-line')!.standing).toMatchObject({
      attempts: 1,
      clean: 1,
      state: 'practising'
    })
  })

  it('takes the same event once, and refuses the same id with other content', async () => {
    const session = await world.newSession('abe')
    const note = event(session, ivo, 'noted', { text: 'stands well' })
    expect((await record(ivo, session, note)).status).toBe(200)
    expect((await record(ivo, session, note)).body.answers).toMatchObject([{ status: 'alreadyThere' }])
    const changed = await record(ivo, session, { ...note, payload: { text: 'something else' } })
    expect(changed.status).toBe(409)
    expect(changed.body.answers).toMatchObject([{ status: 'conflict' }])
    expect((await eventsIn(session)).length).toBe(1)
  })

  it('stores an event once when two devices send it at the same moment', async () => {
    const session = await world.newSession('abe')
    const note = event(session, ivo, 'noted', { text: 'twice' })
    const answers = await Promise.all([record(ivo, session, note), record(ivo, session, note)])
    expect(answers.map((a) => (a.body.answers as { status: string }[])[0].status).sort()).toEqual(['alreadyThere', 'stored'])
  })

  it('keeps an event for a closed session as late until an instructor confirms it', async () => {
    const session = await world.newSession('abe')
    const attempt = v7()
    await record(
      ivo,
      session,
      event(session, ivo, 'attemptStarted', start(attempt)),
      event(session, ivo, 'attemptEnded', end(attempt)),
      event(session, ivo, 'sessionClosed', {})
    )
    const late = event(session, ivo, 'promptGiven', { attemptId: attempt })
    expect((await record(ivo, session, late)).body.answers).toMatchObject([{ status: 'late' }])
    expect((await eventsIn(session)).find((e) => e.id === late.id)!.late).toBe(true)
    expect((await record(ivo, session, event(session, ivo, 'lateConfirmed', { eventId: late.id }))).body.answers).toMatchObject([
      { status: 'stored' }
    ])
  })

  it('is open again when an instructor takes the finishing back', async () => {
    const session = await world.newSession('abe')
    const closing = event(session, ivo, 'sessionClosed', {})
    await record(ivo, session, event(session, ivo, 'sessionOpened', {}), closing)
    expect((await record(ivo, session, event(session, ivo, 'undone', { eventId: closing.id }))).body.answers).toMatchObject([
      { status: 'stored' }
    ])
    expect((await record(ivo, session, event(session, ivo, 'noted', { text: 'goes on' }))).body.answers).toMatchObject([
      { status: 'stored' }
    ])
  })

  it('keeps an unknown version, answers a batch event by event', async () => {
    const session = await world.newSession('abe')
    const answer = await record(
      ivo,
      session,
      event(session, ivo, 'noted', { anything: true }, { v: 9, kind: 'sniffed' }),
      event(session, ivo, 'noted', {})
    )
    expect(answer.status).toBe(200)
    expect((answer.body.answers as { status: string }[]).map((a) => a.status)).toEqual(['stored', 'refused'])
  })

  it.each<[string, () => [EventKind, object], RegExp]>([
    ['an unknown tool', () => ['attemptStarted', start(v7(), { toolId: 'blade-99' })], /toolId is blade-99; allowed is a tool of the rack/],
    ['an unknown technique', () => ['attemptStarted', start(v7(), { techniqueId: 'moonwalk' })], /payload\.techniqueId is "moonwalk"/],
    ['an attempt nobody started', () => ['attemptEnded', end(v7())], /payload\.attemptId names no attempt/],
    ['a region no dog has', () => ['attemptStarted', start(v7(), { regions: ['antler'] })], /payload\.regions\[0\] is "antler"/],
    ['minutes of -3', () => ['attemptEnded', { ...end(v7()), minutes: -3 }], /payload\.minutes is -3; allowed is 0 or more/]
  ])('refuses %s with a sentence', async (_, make, words) => {
    const session = await world.newSession('abe')
    const answer = await record(ivo, session, event(session, ivo, ...make()))
    expect(answer.status).toBe(422)
    expect((answer.body.answers as { detail: string }[])[0].detail).toMatch(words)
    expect(await eventsIn(session)).toEqual([])
  })
})

describe('what an apprentice may', () => {
  it('log own work, unwatched, and it never enters the chart', async () => {
    const session = await world.newSession('bea')
    const bea = await world.client('bea')
    const attempt = v7()
    const answer = await record(
      bea,
      session,
      event(session, bea, 'attemptStarted', start(attempt)),
      event(session, bea, 'attemptEnded', end(attempt, 'self'))
    )
    expect((answer.body.answers as { status: string }[]).map((a) => a.status)).toEqual(['stored', 'stored'])
    const view = (await bea.get(`/apprentices/${world.ids.bea}`)).body as unknown as {
      techniques: { techniqueId: string; standing: object }[]
    }
    expect(view.techniques.find((t) => t.techniqueId === 'skirt-line')!.standing).toMatchObject({
      attempts: 0,
      selfReported: 1,
      state: 'new'
    })
  })

  it('not read or write another’s record, nor vouch for own work, nor speak for another', async () => {
    const beas = await world.newSession('bea')
    const abes = await world.newSession('abe')
    const attempt = v7()
    expect((await abe.get(`/sessions/${beas}`)).status).toBe(403)
    expect((await abe.get(`/apprentices/${world.ids.bea}`)).body.detail).toBe('An apprentice reads own records only.')
    expect((await record(abe, beas, event(beas, abe, 'noted', { text: 'x' }))).status).toBe(403)
    await record(abe, abes, event(abes, abe, 'attemptStarted', start(attempt)))
    expect((await record(abe, abes, event(abes, abe, 'attemptEnded', end(attempt)))).body.answers).toMatchObject([
      { status: 'refused', detail: /for an instructor to say/ }
    ])
    expect((await record(abe, abes, event(abes, ivo, 'noted', { text: 'x' }))).status).toBe(403)
    expect((await record(abe, abes, event(abes, abe, 'praised', { attemptId: null, text: 'well done me' }))).status).toBe(403)
  })

  it('not start a risky step before the instructor has tapped "I am here"', async () => {
    const session = await world.newSession('abe')
    const risky = () =>
      event(session, abe, 'attemptStarted', start(v7(), { techniqueId: 'ear-leather', regions: ['earEdge'], toolId: 'blade-10' }))
    const waiting = await record(abe, session, risky())
    expect(waiting.status).toBe(403)
    expect((waiting.body.answers as { detail: string }[])[0].detail).toMatch(/Wait for the instructor: ear edge/)
    await record(ivo, session, event(session, ivo, 'holdReleased', { techniqueId: 'ear-leather', hazardId: 'ear-edge' }))
    expect((await record(abe, session, risky())).status).toBe(200)
  })
})
