import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ask, ApiError, rememberMe, sentenceOf } from '../api/client'
import { ok, RUBEN, SCHOOL, signedIn, stubServer, unstub, type Asked } from '../testing/server'
import { useOutboxStore } from './outbox'
import { useSavedStore } from './saved'
import { useSessionStore } from './session'

const me = RUBEN
const school = SCHOOL
const VISIT = '019d8a3e-0000-7000-8000-0000000000aa'
type Batch = { readonly events: readonly { readonly id: string; readonly kind: string }[] }
const eventsOf = ({ body }: Asked) => (body as Batch).events
const answered =
  (status: string, detail: string | null = null) =>
  (one: Asked) =>
    ok({ answers: eventsOf(one).map(({ id }) => ({ id, status, detail })) })

let server: ReturnType<typeof stubServer>
beforeEach(() => (server = stubServer((one) => (one.path.endsWith('/events') ? answered('stored')(one) : ok({})))))
afterEach(unstub)

describe('asking the server', () => {
  it('carries the session’s token, and tells a refusal by its sentence', async () => {
    rememberMe(me)
    server.answer = () => ({ status: 422, body: { detail: 'minutes is -3; allowed is 0 or more.', status: 422, code: 'invalid' } })
    const error = await ask('placeTable', { id: VISIT, body: { xMm: -3, yMm: 0, turnDeg: 0 } }).catch((caught: unknown) => caught)
    expect(server.asked[0].headers['x-peen-csrf']).toBe('token')
    expect(error).toBeInstanceOf(ApiError)
    expect(sentenceOf(error)).toBe('minutes is -3; allowed is 0 or more.')
  })

  it('says what is kept when nobody answers', async () => {
    server.answer = () => 'offline'
    const error = (await ask('floor').catch((caught: unknown) => caught)) as ApiError
    expect(error.isOffline).toBe(true)
    expect(sentenceOf(error)).toMatch(/kept here and sent later/)
  })
})

describe('the outbox', () => {
  it('makes whole envelopes, each later than everything seen', () => {
    signedIn()
    const outbox = useOutboxStore()
    const a = outbox.make(VISIT, 'promptGiven', { attemptId: VISIT }, 41)
    const b = outbox.make(VISIT, 'noted', { text: 'x' }, 50)
    expect(a).toMatchObject({
      v: 1,
      kind: 'promptGiven',
      visitId: VISIT,
      by: me.id,
      lamport: 42,
      atDevice: school.now,
      receivedAt: null
    })
    expect(b.lamport).toBe(51)
    expect(b.seq).toBe(a.seq + 1)
    expect(a.id).not.toBe(b.id)
    expect(a.deviceId).toBe(b.deviceId)
  })

  it('sends what waits in one batch and forgets it when it is answered', async () => {
    signedIn()
    const outbox = useOutboxStore()
    const saved = useSavedStore()
    outbox.waiting = [outbox.make(VISIT, 'noted', { text: 'a' }, 1), outbox.make(VISIT, 'noted', { text: 'b' }, 2)]
    await outbox.flush()
    expect(server.asked.filter((request) => request.path.endsWith('/events'))).toHaveLength(1)
    expect(eventsOf(server.asked[0])).toHaveLength(2)
    expect(outbox.waiting).toEqual([])
    expect(saved.words).toBe('Everything is saved')
  })

  it('keeps everything without an answer, says so, and sends the same events again', async () => {
    vi.useFakeTimers()
    signedIn()
    const outbox = useOutboxStore()
    server.answer = () => 'offline'
    outbox.put(outbox.make(VISIT, 'noted', { text: 'a' }, 1))
    await vi.waitFor(() => expect(outbox.refusal).toMatch(/kept here/))
    expect(outbox.waiting).toHaveLength(1)
    const first = eventsOf(server.asked[0])[0].id
    server.answer = answered('alreadyThere')
    await vi.advanceTimersByTimeAsync(5100)
    expect(eventsOf(server.asked.at(-1)!)[0].id).toBe(first)
    expect(outbox.waiting).toEqual([])
  })

  it('takes a refusal as settled and shows its sentence', async () => {
    signedIn()
    const outbox = useOutboxStore()
    server.answer = (one) => ({ ...(answered('refused', 'Wait for the instructor: ear edge.')(one) as { body: object }), status: 403 })
    outbox.waiting = [outbox.make(VISIT, 'noted', { text: 'a' }, 1)]
    await outbox.flush()
    expect(outbox.waiting).toEqual([])
    expect(outbox.refusal).toBe('Wait for the instructor: ear edge.')
  })

  it('sends nothing while nobody is signed in', async () => {
    const outbox = useOutboxStore()
    await outbox.flush()
    expect(server.asked).toEqual([])
  })
})

describe('the top line', () => {
  it('says what is not saved yet', () => {
    const saved = useSavedStore()
    const done = saved.begin()
    expect(saved.words).toBe('Saving ...')
    saved.kept = 2
    expect(saved.words).toBe('2 kept here')
    saved.kept = 0
    const other = saved.begin()
    done()
    done()
    // two pieces of work are under way until both have been answered
    expect(saved.words).toBe('Saving ...')
    other()
    expect(saved.words).toBe('Everything is saved')
  })

  it('offers to take a tap back for ten seconds', () => {
    vi.useFakeTimers()
    const saved = useSavedStore()
    const run = vi.fn()
    saved.offerUndo('prompt', run)
    expect(saved.undo?.label).toBe('prompt')
    saved.undo!.run()
    expect(run).toHaveBeenCalledOnce()
    expect(saved.undo).toBeNull()
    saved.offerUndo('fault', run)
    vi.advanceTimersByTime(9900)
    expect(saved.undo).not.toBeNull()
    vi.advanceTimersByTime(200)
    expect(saved.undo).toBeNull()
  })
})

describe('the session', () => {
  it('finds out once who is here', async () => {
    server.answer = ({ path }) => (path === '/session' ? { status: 200, body: { me, needsSetup: false } } : { status: 200, body: school })
    const session = useSessionStore()
    await session.find()
    await session.find()
    expect(server.asked.map((request) => request.path)).toEqual(['/session', '/school'])
    expect(session.isStaff).toBe(true)
    expect(session.isLead).toBe(false)
  })

  it('knows an empty school', async () => {
    server.answer = () => ({ status: 200, body: { me: null, needsSetup: true } })
    const session = useSessionStore()
    await session.find()
    expect(session.me).toBeNull()
    expect(session.needsSetup).toBe(true)
  })
})
