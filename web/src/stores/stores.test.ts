import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ask, ApiError, isUnreachable, rememberMe, sentenceOf, whenAsked, whenChanging } from '../api/client'
import { ok, RUBEN, SCHOOL, signedIn, stubServer, unstub, type Asked } from '../testing/server'
import { useOutboxStore } from './outbox'
import { useReachStore } from './reach'
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
    server.answer = () => ({ status: 422, body: { detail: 'minutes is -3; it must be 0 or more.', status: 422, code: 'invalid' } })
    const error = await ask('placeTable', { id: VISIT, body: { xMm: -3, yMm: 0, turnDeg: 0 } }).catch((caught: unknown) => caught)
    expect(server.asked[0].headers['x-peen-csrf']).toBe('token')
    expect(error).toBeInstanceOf(ApiError)
    expect(sentenceOf(error)).toBe('minutes is -3; it must be 0 or more.')
  })

  it('says what is kept when nobody answers', async () => {
    server.answer = () => 'offline'
    const error = (await ask('floor').catch((caught: unknown) => caught)) as ApiError
    expect(isUnreachable(error)).toBe(true)
    expect(sentenceOf(error)).toBe('Peen is not answering.')
  })
})

describe('a server that cannot save', () => {
  const refusing = (status: number, code: string, detail: string) => (server.answer = () => ({ status, body: { status, code, detail } }))

  it('is told from a network that is gone: its database is down', async () => {
    const reach = useReachStore()
    whenAsked(reach.told)
    refusing(503, 'databaseAway', 'Peen’s database does not answer for the moment.')
    await ask('floor').catch(() => undefined)
    expect([reach.isLost, reach.lostBy]).toEqual([true, 'database'])
    server.answer = () => 'offline'
    await ask('floor').catch(() => undefined)
    expect([reach.isLost, reach.lostBy]).toEqual([true, 'network'])
    server.answer = () => ok({})
    await ask('floor')
    expect(reach.isLost).toBe(false)
    whenAsked(() => undefined)
  })

  it('for a full disk says so, and the tap is kept', async () => {
    signedIn()
    const outbox = useOutboxStore()
    refusing(507, 'diskFull', 'The disk of Peen’s computer is full: nothing can be saved.')
    outbox.put(outbox.make(VISIT, 'noted', { text: 'a' }, 1))
    await vi.waitFor(() => expect(outbox.refusal).toBe('The disk of Peen’s computer is full: nothing can be saved.'))
    expect(outbox.waiting).toHaveLength(1)
    expect(outbox.refused).toEqual([])
    server.answer = answered('stored')
    await outbox.flush()
    expect(outbox.waiting).toEqual([])
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

  it('sends what waits and forgets it when it is answered', async () => {
    signedIn()
    const outbox = useOutboxStore()
    const saved = useSavedStore()
    outbox.put(outbox.make(VISIT, 'noted', { text: 'a' }, 1))
    outbox.put(outbox.make(VISIT, 'noted', { text: 'b' }, 2))
    expect(saved.words).toBe('Sending 2')
    await outbox.flush()
    const sent = server.asked.filter((request) => request.path.endsWith('/events')).flatMap(eventsOf)
    expect(sent).toHaveLength(2)
    expect(outbox.waiting).toEqual([])
    expect(saved.words).toBe('Everything is saved')
  })

  it('keeps everything without an answer, as the top line says, and sends the same events again', async () => {
    vi.useFakeTimers()
    signedIn()
    const outbox = useOutboxStore()
    server.answer = () => 'offline'
    outbox.put(outbox.make(VISIT, 'noted', { text: 'a' }, 1))
    await vi.waitFor(() => expect(useSavedStore().words).toBe('1 waiting here'))
    expect(outbox.refusal).toBeNull()
    expect(outbox.waiting).toHaveLength(1)
    const first = eventsOf(server.asked[0])[0].id
    server.answer = answered('alreadyThere')
    await vi.advanceTimersByTimeAsync(5100)
    expect(eventsOf(server.asked.at(-1)!)[0].id).toBe(first)
    expect(outbox.waiting).toEqual([])
  })

  it('keeps what is refused with its reason, and sends the rest', async () => {
    signedIn()
    const outbox = useOutboxStore()
    server.answer = (one) =>
      ok({
        answers: eventsOf(one).map(({ id, kind }) => ({
          id,
          status: kind === 'noted' ? 'refused' : 'stored',
          detail: kind === 'noted' ? 'Wait for the instructor: ear edge.' : null
        }))
      })
    outbox.put(outbox.make(VISIT, 'noted', { text: 'a' }, 1))
    outbox.put(outbox.make(VISIT, 'helpAsked', {}, 1))
    await outbox.flush()
    expect(outbox.waiting).toEqual([])
    expect(outbox.refused.map(({ refused }) => refused)).toEqual(['Wait for the instructor: ear edge.'])
    expect(useSavedStore().words).toBe('1 refused: check')
    // what stood against it is gone
    server.answer = answered('stored')
    await outbox.again(outbox.refused[0].id)
    expect([outbox.refused, useSavedStore().words]).toEqual([[], 'Everything is saved'])
  })

  it('lets a refused tap go with a note of what it was, and a refused note without', async () => {
    signedIn()
    const outbox = useOutboxStore()
    server.answer = answered('refused', 'This visit was cancelled.')
    outbox.put(outbox.make(VISIT, 'helpAsked', {}, 1))
    await outbox.flush()
    server.answer = answered('stored')
    await outbox.letGo(outbox.refused[0], 'Help asked for, 9:42', 'The dog went home.')
    expect(eventsOf(server.asked.at(-1)!)).toMatchObject([
      { kind: 'noted', payload: { text: 'Discarded: Help asked for, 9:42. The dog went home.' } }
    ])
    server.answer = answered('refused', 'This visit was cancelled.')
    outbox.put(outbox.make(VISIT, 'noted', { text: 'x' }, 1))
    await outbox.flush()
    const before = server.asked.length
    await outbox.letGo(outbox.refused[0], 'Note, 9:42', 'No need.')
    expect([outbox.taps, server.asked.length]).toEqual([[], before])
  })

  it('sends only one’s own taps, and says whose others wait here', async () => {
    signedIn()
    const outbox = useOutboxStore()
    server.answer = () => 'offline'
    outbox.put(outbox.make(VISIT, 'helpAsked', {}, 1))
    await outbox.flush()
    server.asked.length = 0
    server.answer = answered('stored')
    const session = useSessionStore()
    session.me = { ...me, id: '019d8a3e-0000-7000-8000-000000000002', givenName: 'Tove' }
    await outbox.flush()
    expect(server.asked.filter(({ path }) => path.endsWith('/events'))).toEqual([])
    expect(outbox.others).toEqual([{ name: 'Ruben', taps: 1 }])
    session.me = me
    await outbox.flush()
    expect([outbox.taps, outbox.others]).toEqual([[], []])
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
    expect(saved.words).toBe('Saving …')
    saved.keep('taps', 2)
    expect(saved.words).toBe('Sending 2')
    saved.refused = 1
    expect(saved.words).toBe('1 refused: check, Sending 2')
    saved.refused = 0
    saved.keep('taps', 0)
    const other = saved.begin()
    done()
    done()
    // two pieces of work are under way until both have been answered
    expect(saved.words).toBe('Saving …')
    other()
    expect(saved.words).toBe('Everything is saved')
  })

  it('is true of a change that any screen sends, and of nothing that is only read', async () => {
    signedIn()
    const saved = useSavedStore()
    whenChanging(() => saved.begin())
    const during: string[] = []
    server.answer = () => {
      during.push(saved.words)
      return 'offline'
    }
    await ask('keepSettings', { body: me.settings }).catch(() => undefined)
    await ask('floor').catch(() => undefined)
    whenChanging(() => () => undefined)
    expect(during).toEqual(['Saving …', 'Everything is saved'])
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
