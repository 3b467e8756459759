import type { EventKind, Payloads } from '@peen/core/practice'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { fullSheet } from '../../testing/sheet'
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
function event<K extends EventKind>(visitId: string, by: Client, kind: K, payload: Payloads[K] | object, change: object = {}) {
  count++
  return {
    id: v7(),
    v: 1,
    kind,
    visitId,
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
const record = (by: Client, visitId: string, ...events: object[]) => by.post(`/visits/${visitId}/events`, { events })
const eventsIn = async (visitId: string) => (await ivo.get(`/visits/${visitId}/work`)).body.events as { id: string; late: boolean }[]

describe('recording at the table', () => {
  it('stores taps with their envelope and makes an attempt of them', async () => {
    const visit = await world.newVisit('abe')
    const attempt = v7()
    const events = [
      event(visit, ivo, 'visitOpened', {}),
      event(visit, ivo, 'attemptStarted', start(attempt)),
      event(visit, ivo, 'attemptEnded', end(attempt))
    ]
    const answer = await record(ivo, visit, ...events)
    expect(answer.status).toBe(200)
    expect((answer.body.answers as { status: string }[]).map((a) => a.status)).toEqual(['stored', 'stored', 'stored'])
    const stored = await eventsIn(visit)
    expect(stored[1]).toMatchObject({ ...events[1], deviceId: ivo.me!.deviceId, late: false })
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
    const visit = await world.newVisit('abe')
    const note = event(visit, ivo, 'noted', { text: 'stands well' })
    expect((await record(ivo, visit, note)).status).toBe(200)
    expect((await record(ivo, visit, note)).body.answers).toMatchObject([{ status: 'alreadyThere' }])
    const changed = await record(ivo, visit, { ...note, payload: { text: 'something else' } })
    expect(changed.status).toBe(409)
    expect(changed.body.answers).toMatchObject([{ status: 'conflict' }])
    expect((await eventsIn(visit)).length).toBe(1)
  })

  it('stores an event once when two devices send it at the same moment', async () => {
    const visit = await world.newVisit('abe')
    const note = event(visit, ivo, 'noted', { text: 'twice' })
    const answers = await Promise.all([record(ivo, visit, note), record(ivo, visit, note)])
    expect(answers.map((a) => (a.body.answers as { status: string }[])[0].status).sort()).toEqual(['alreadyThere', 'stored'])
  })

  it('keeps an event for a closed visit as late until an instructor confirms it', async () => {
    const visit = await world.newVisit('abe')
    const attempt = v7()
    await record(
      ivo,
      visit,
      event(visit, ivo, 'attemptStarted', start(attempt)),
      event(visit, ivo, 'attemptEnded', end(attempt)),
      event(visit, ivo, 'visitClosed', {})
    )
    const late = event(visit, ivo, 'promptGiven', { attemptId: attempt })
    expect((await record(ivo, visit, late)).body.answers).toMatchObject([{ status: 'late' }])
    expect((await eventsIn(visit)).find((e) => e.id === late.id)!.late).toBe(true)
    expect((await record(ivo, visit, event(visit, ivo, 'lateConfirmed', { eventId: late.id }))).body.answers).toMatchObject([
      { status: 'stored' }
    ])
  })

  it('is open again when an instructor takes the finishing back', async () => {
    const visit = await world.newVisit('abe')
    const closing = event(visit, ivo, 'visitClosed', {})
    await record(ivo, visit, event(visit, ivo, 'visitOpened', {}), closing)
    expect((await record(ivo, visit, event(visit, ivo, 'undone', { eventId: closing.id }))).body.answers).toMatchObject([
      { status: 'stored' }
    ])
    expect((await record(ivo, visit, event(visit, ivo, 'noted', { text: 'goes on' }))).body.answers).toMatchObject([{ status: 'stored' }])
  })

  it('keeps an unknown version, answers a batch event by event', async () => {
    const visit = await world.newVisit('abe')
    const answer = await record(
      ivo,
      visit,
      event(visit, ivo, 'noted', { anything: true }, { v: 9, kind: 'sniffed' }),
      event(visit, ivo, 'noted', {})
    )
    expect(answer.status).toBe(200)
    expect((answer.body.answers as { status: string }[]).map((a) => a.status)).toEqual(['stored', 'refused'])
  })

  it.each<[string, () => [EventKind, object], RegExp]>([
    ['an unknown tool', () => ['attemptStarted', start(v7(), { toolId: 'blade-99' })], /toolId is blade-99; it must be a tool of the rack/],
    ['an unknown technique', () => ['attemptStarted', start(v7(), { techniqueId: 'moonwalk' })], /payload\.techniqueId is “moonwalk”/],
    ['an attempt nobody started', () => ['attemptEnded', end(v7())], /payload\.attemptId is not an attempt/],
    ['a region no dog has', () => ['attemptStarted', start(v7(), { regions: ['antler'] })], /payload\.regions\[0\] is "antler"/],
    ['minutes of -3', () => ['attemptEnded', { ...end(v7()), minutes: -3 }], /payload\.minutes is -3; it must be 0 or more/]
  ])('refuses %s with a sentence', async (_, make, words) => {
    const visit = await world.newVisit('abe')
    const answer = await record(ivo, visit, event(visit, ivo, ...make()))
    expect(answer.status).toBe(422)
    expect((answer.body.answers as { detail: string }[])[0].detail).toMatch(words)
    expect(await eventsIn(visit)).toEqual([])
  })
})

describe('what an apprentice may', () => {
  it('log own work, unwatched, and it never enters the chart', async () => {
    const visit = await world.newVisit('bea')
    const bea = await world.client('bea')
    const attempt = v7()
    const answer = await record(
      bea,
      visit,
      event(visit, bea, 'attemptStarted', start(attempt)),
      event(visit, bea, 'attemptEnded', end(attempt, 'self'))
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
    const beas = await world.newVisit('bea')
    const abes = await world.newVisit('abe')
    const attempt = v7()
    expect((await abe.get(`/visits/${beas}/work`)).status).toBe(403)
    expect((await abe.get(`/apprentices/${world.ids.bea}`)).body.detail).toBe('Apprentices can read only their own records.')
    expect((await record(abe, beas, event(beas, abe, 'noted', { text: 'x' }))).status).toBe(403)
    await record(abe, abes, event(abes, abe, 'attemptStarted', start(attempt)))
    expect((await record(abe, abes, event(abes, abe, 'attemptEnded', end(attempt)))).body.answers).toMatchObject([
      { status: 'refused', detail: /for an instructor to say/ }
    ])
    expect((await record(abe, abes, event(abes, ivo, 'noted', { text: 'x' }))).status).toBe(403)
    expect((await record(abe, abes, event(abes, abe, 'praised', { attemptId: null, text: 'well done me' }))).status).toBe(403)
  })

  it('not start a risky step before the instructor has tapped "I am here"', async () => {
    const visit = await world.newVisit('abe')
    const risky = () =>
      event(visit, abe, 'attemptStarted', start(v7(), { techniqueId: 'ear-leather', regions: ['earEdge'], toolId: 'blade-10' }))
    const waiting = await record(abe, visit, risky())
    expect(waiting.status).toBe(403)
    expect((waiting.body.answers as { detail: string }[])[0].detail).toMatch(/Wait for the instructor: ear edge/)
    // who stands there stands there for every risk of the step: the pocket of the ear as well
    await record(ivo, visit, event(visit, ivo, 'holdReleased', { techniqueId: 'ear-leather', hazardId: 'ear-edge' }))
    expect((await record(abe, visit, risky())).status).toBe(200)
    // who stood by, and when, is kept and told by name
    const view = (await abe.get(`/visits/${visit}/work`)).body as unknown as { events: { kind: string; by: string }[]; names: object }
    expect(view.events.find(({ kind }) => kind === 'holdReleased')).toMatchObject({ by: ivo.me!.id })
    expect(view.names).toMatchObject({ [ivo.me!.id]: 'ivo' })
  })
})

describe('one tap and what is said later', () => {
  const fault = (attemptId: string, faultId: string | null) => ({ attemptId, faultId, region: 'skirt', side: 'left' })
  const at = (seconds: number) => ({ atDevice: new Date(Date.parse('2026-04-14T09:00:00.000Z') + seconds * 1000).toISOString() })
  async function begun() {
    const visit = await world.newVisit('abe')
    const attempt = v7()
    await record(ivo, visit, event(visit, ivo, 'attemptStarted', start(attempt)))
    return { visit, attempt }
  }

  it('of work is taken back for ten seconds, then stays; a note until the table is finished, then with a reason', async () => {
    const { visit, attempt } = await begun()
    const finish = event(visit, ivo, 'attemptEnded', end(attempt), at(0))
    await record(ivo, visit, finish)
    const answer = async (...events: object[]) => {
      const { status, body } = await record(ivo, visit, ...events)
      return [status, (body.answers as { status: string; detail: string }[])[0]] as const
    }
    expect(await answer(event(visit, ivo, 'undone', { eventId: finish.id }, at(12)))).toEqual([
      409,
      expect.objectContaining({
        detail: 'A tap is taken back within 10 seconds. It stays; say more of it, or strike it when the table ends.'
      })
    ])
    const [wrong, second] = [1, 2].map(() => event(visit, ivo, 'faultNoted', fault(attempt, null), at(20)))
    await record(ivo, visit, wrong, second)
    expect((await answer(event(visit, ivo, 'undone', { eventId: wrong.id }, at(900))))[1].status).toBe('stored')
    await record(ivo, visit, event(visit, ivo, 'visitClosed', {}, at(1000)))
    expect((await answer(event(visit, ivo, 'undone', { eventId: second.id }, at(1100))))[1].detail).toMatch(
      /give a reason for withdrawing this/
    )
    const undo = event(visit, ivo, 'undone', { eventId: second.id, reason: 'the wrong tablet' }, at(1100))
    expect((await answer(undo))[1].status).toBe('stored')
  })

  it('stays and is annotated, with words where no list knows the fault', async () => {
    const { visit, attempt } = await begun()
    const tap = event(visit, ivo, 'faultNoted', fault(attempt, null), at(0))
    await record(ivo, visit, tap)
    const wordless = await record(ivo, visit, event(visit, ivo, 'annotated', { eventId: tap.id, faultId: 'other' }))
    expect((wordless.body.answers as { detail: string }[])[0].detail).toMatch(/Say in words what the other fault is/)
    const other = event(visit, ivo, 'annotated', { eventId: tap.id, faultId: 'other', text: 'comb left in the coat' })
    expect((await record(ivo, visit, other)).status).toBe(200)
    const wrong = await record(ivo, visit, event(visit, ivo, 'annotated', { eventId: tap.id, faultId: 'no-such' }))
    expect((wrong.body.answers as { detail: string }[])[0].detail).toMatch(/payload\.faultId is "no-such"; it must be/)
    const { faults } = (await ivo.get('/techniques/skirt-line')).body.technique as { faults: { id: string }[] }
    expect((await record(ivo, visit, event(visit, ivo, 'annotated', { eventId: tap.id, faultId: faults[0].id }))).status).toBe(200)
    const second = event(visit, ivo, 'promptGiven', { attemptId: attempt }, at(30))
    await record(ivo, visit, second)
    expect((await record(ivo, visit, event(visit, ivo, 'undone', { eventId: second.id }, at(39)))).status).toBe(200)
  })

  it('of an apprentice: stress, a pause, more of the own; not more of another’s, and nothing that an instructor says', async () => {
    const { visit, attempt } = await begun()
    const prompt = event(visit, ivo, 'promptGiven', { attemptId: attempt })
    await record(ivo, visit, prompt)
    const stress = event(visit, abe, 'stressNoted', { attemptId: attempt, level: 'fights' })
    for (const mine of [
      stress,
      event(visit, abe, 'attemptPaused', { attemptId: attempt }),
      event(visit, abe, 'annotated', { eventId: stress.id, text: 'at the feet' })
    ])
      expect((await record(abe, visit, mine)).status).toBe(200)
    expect((await record(abe, visit, event(visit, abe, 'annotated', { eventId: prompt.id, text: 'no' }))).status).toBe(403)
    for (const [kind, payload] of [
      ['ranOut', { how: 'home' }],
      ['instructorFinished', { regions: ['skirt'], side: 'left' }],
      ['attemptsConfirmed', { attempts: [], struck: [] }]
    ] as const)
      expect((await record(abe, visit, event(visit, abe, kind, payload))).status, kind).toBe(403)
  })

  it('is confirmed at the end of the table, and then counts', async () => {
    const { visit, attempt } = await begun()
    const prompts = [1, 2].map(() => event(visit, ivo, 'promptGiven', { attemptId: attempt }))
    await record(ivo, visit, ...prompts, event(visit, abe, 'attemptEnded', end(attempt, 'self')))
    await record(abe, visit, event(visit, abe, 'attemptEnded', end(attempt, 'self')))
    const mine = { attemptId: attempt, minutes: 12, help: 'onePrompt', witness: 'inspected', hands: 'apprentice', side: 'both' }
    const before = (await ivo.get(`/apprentices/${world.ids.abe}`)).body as unknown as Standings
    const body = { attempts: [mine], struck: [prompts[1].id] }
    expect((await record(ivo, visit, event(visit, ivo, 'attemptsConfirmed', body))).status).toBe(200)
    const after = (await ivo.get(`/apprentices/${world.ids.abe}`)).body as unknown as Standings
    expect(skirt(after).attempts - skirt(before).attempts).toBe(1)
    expect(skirt(after).clean - skirt(before).clean).toBe(1)
    const strange = { attempts: [{ ...mine, attemptId: v7() }], struck: [] }
    expect((await record(ivo, visit, event(visit, ivo, 'attemptsConfirmed', strange))).status).toBe(422)
  })
  type Standings = { techniques: { techniqueId: string; standing: { attempts: number; clean: number } }[] }
  const skirt = (view: Standings) => view.techniques.find((one) => one.techniqueId === 'skirt-line')!.standing
})

describe('what comes at the wrong time', () => {
  const clockOf = async (visitId: string, id: string) =>
    ((await ivo.get(`/visits/${visitId}/work`)).body.events as { id: string; clockOffMs: number | null }[]).find((e) => e.id === id)!
      .clockOffMs

  it('from the future, or from a clock that is wrong, is kept at the school’s time and said', async () => {
    const visit = await world.newVisit('abe')
    const future = event(visit, ivo, 'noted', { text: 'x' }, { atDevice: '2026-04-14T11:42:00.000Z' })
    const answer = await record(ivo, visit, future)
    expect(answer.body.answers).toMatchObject([{ status: 'stored', detail: /The clock of this tablet is 120 minutes ahead/ }])
    expect(await clockOf(visit, future.id)).toBe(-120 * 60000)
    const behind = event(visit, ivo, 'noted', { text: 'x' }, { atDevice: '2026-04-14T06:30:00.000Z' })
    const sent = { events: [behind], sentAt: '2026-04-14T06:42:00.000Z' }
    expect((await ivo.post(`/visits/${visit}/events`, sent)).body.answers).toMatchObject([
      { status: 'stored', detail: /180 minutes behind/ }
    ])
    expect(await clockOf(visit, behind.id)).toBe(180 * 60000)
    const waited = event(visit, ivo, 'noted', { text: 'x' }, { atDevice: '2026-04-14T08:00:00.000Z' })
    await ivo.post(`/visits/${visit}/events`, { events: [waited], sentAt: '2026-04-14T09:42:00.000Z' })
    expect(await clockOf(visit, waited.id)).toBeNull()
  })

  it('on a closed day, or at the table of somebody who has left, is kept as late', async () => {
    const lena = await world.client('lena')
    const visit = await world.newVisit('abe', '2026-04-18')
    await ivo.post('/day/2026-04-18/close')
    const note = () => event(visit, ivo, 'noted', { text: 'x' })
    expect((await record(ivo, visit, note())).body.answers).toMatchObject([{ status: 'late', detail: /2026-04-18 is closed/ }])
    await lena.post('/day/2026-04-18/reopen')
    expect((await record(ivo, visit, note())).body.answers).toMatchObject([{ status: 'stored' }])
    await lena.send('PUT', `/people/${world.ids.abe}/active`, { active: false })
    expect((await record(ivo, visit, note())).body.answers).toMatchObject([{ status: 'late', detail: /abe has left the school/ }])
    await lena.send('PUT', `/people/${world.ids.abe}/active`, { active: true })
    abe = await world.client('abe')
  })
})

describe('the end of a trim', () => {
  const mine = (visit: string) => event(visit, ivo, 'instructorFinished', { regions: ['skirt'], side: 'left' })
  type Answered = { answers: Record<string, Record<string, { kind: string; reason?: string }>> }
  const readGrading = async (id: string) => (await ivo.get(`/gradings/${id}`)).body as unknown as Answered & { version: number }

  it('is graded before the instructor corrects it; what is corrected then is no evidence where nobody has answered', async () => {
    const visit = await world.newTrim('abe')
    const refused = await record(ivo, visit, mine(visit))
    expect(refused.status).toBe(409)
    expect((refused.body.answers as { detail: string }[])[0].detail).toMatch(/^Grade first: open this trim’s grading/)
    const { id } = (await ivo.post(`/visits/${visit}/gradings`, { id: v7() })).body as unknown as { id: string }
    expect((await readGrading(id)).answers).toEqual({})
    expect((await record(ivo, visit, mine(visit))).status).toBe(200)
    const { answers, version } = await readGrading(id)
    expect(version).toBe(2)
    expect(Object.keys(answers).length).toBeGreaterThan(0)
    expect(Object.values(answers).every((sides) => sides.left?.kind === 'instructor' && sides.right === undefined)).toBe(true)
  })

  it('that came too soon for the dog is excused where nobody came to', async () => {
    const visit = await world.newVisit('abe')
    const attempt = v7()
    await record(ivo, visit, event(visit, ivo, 'attemptStarted', start(attempt)), event(visit, ivo, 'attemptEnded', end(attempt)))
    await record(ivo, visit, event(visit, ivo, 'ranOut', { how: 'instructor' }), mine(visit))
    const { id } = (await ivo.post(`/visits/${visit}/gradings`, { id: v7() })).body as unknown as { id: string }
    const { answers } = await readGrading(id)
    const kinds = new Set(Object.values(answers).flatMap((sides) => Object.values(sides).map(({ kind }) => kind)))
    expect([...kinds].sort()).toEqual(['excused', 'instructor'])
    expect(Object.values(answers).some(({ whole }) => whole?.reason === 'the dog had had enough')).toBe(true)
  })

  it('shows its mark to the apprentice once they have said how they see it', async () => {
    const visit = await world.newTrim('bea')
    const bea = await world.client('bea')
    const { id } = (await ivo.post(`/visits/${visit}/gradings`, { id: v7() })).body as unknown as { id: string }
    const { version } = (await ivo.send('PUT', `/gradings/${id}`, { version: 1, answers: fullSheet(), critical: [], globalRating: 'good' }))
      .body
    expect((await ivo.post(`/gradings/${id}/sign`, { version })).status).toBe(200)
    await record(ivo, visit, event(visit, ivo, 'visitClosed', {}))
    const hidden = await bea.get(`/gradings/${id}`)
    expect(hidden.status).toBe(403)
    expect(hidden.body.detail).toMatch(/^Rate this trim yourself first/)
    const row = async () =>
      ((await bea.get('/trims')).body as unknown as { gradingId: string; mark: number | null; hidden: string | null }[]).find(
        (one) => one.gradingId === id
      )!
    expect(await row()).toMatchObject({ mark: null, hidden: 'shown once you have rated it yourself' })
    const rated = { rating: 'good', best: 'The feet.', mend: 'The skirt.' }
    expect((await record(ivo, visit, event(visit, ivo, 'selfRated', rated))).status).toBe(403)
    expect((await record(bea, visit, event(visit, bea, 'selfRated', rated))).body.answers).toMatchObject([{ status: 'stored' }])
    expect((await bea.get(`/gradings/${id}`)).status).toBe(200)
    expect((await row()).mark).not.toBeNull()
  })
})
