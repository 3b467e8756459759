// Taps through cuts, reloads, two people, two tabs and refusals: each is with the server once and in order, or here to be looked at.
import type { EventAnswer } from '@peen/contract'
import type { PracticeEvent } from '@peen/core/practice'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { browserDatabase } from '../testing/browser-database'
import { inTodaysWords, keptInBrowser, type Kept, type KeptTap } from './kept'
import { sendWaiting, type Reply } from './send'

browserDatabase()

type Play =
  | { readonly does: 'tap'; readonly by: number; readonly visit: number; readonly bad: boolean }
  | { readonly does: 'send'; readonly by: number; readonly tab: number; readonly how: readonly How[] }
  | { readonly does: 'reload' }
/** How the server answers each of the posts to come; afterwards it answers well. */
type How = 'well' | 'cut before' | 'cut after' | 'busy' | 'signed out'

const who = fc.nat({ max: 1 })
const plays = fc.array(
  fc.oneof(
    { weight: 5, arbitrary: fc.record({ does: fc.constant('tap' as const), by: who, visit: fc.nat({ max: 2 }), bad: fc.boolean() }) },
    {
      weight: 2,
      arbitrary: fc.record({
        does: fc.constant('send' as const),
        by: who,
        tab: who,
        how: fc.array(fc.constantFrom<How>('well', 'cut before', 'cut after', 'busy', 'signed out'), { maxLength: 4 })
      })
    },
    { weight: 1, arbitrary: fc.constant({ does: 'reload' as const }) }
  ),
  { maxLength: 24 }
)

/** A server that takes good taps once, refuses bad ones, and refuses a whole batch at the visit that is closed to all. */
function madeServer() {
  const stored: PracticeEvent[] = []
  const how: How[] = []
  const isBad = ({ payload }: PracticeEvent) => (payload as { bad?: boolean }).bad === true
  const post = async (visitId: string, events: readonly PracticeEvent[]): Promise<Reply> => {
    const now = how.shift() ?? 'well'
    if (now === 'cut before' || now === 'busy') return { kind: 'none', why: now }
    if (now === 'signed out') return { kind: 'signedOut' }
    if (visitId === 'visit 2') return { kind: 'refused', why: 'This visit is not there.' }
    const answers = events.map((event): EventAnswer => {
      if (isBad(event)) return { id: event.id, status: 'refused', detail: 'It is bad.' }
      const isThere = stored.some(({ id }) => id === event.id)
      if (!isThere) stored.push(event)
      return { id: event.id, status: isThere ? 'alreadyThere' : 'stored', detail: null }
    })
    return now === 'cut after' ? { kind: 'none', why: 'lost on the way' } : { kind: 'answers', answers }
  }
  return { stored, how, post, isBad }
}

let runs = 0
async function play(moves: readonly Play[]) {
  const name = `taps ${++runs}`
  const server = madeServer()
  let tabs: readonly Kept[] = [await keptInBrowser(name), await keptInBrowser(name)]
  const tapped: KeptTap[] = []
  const send = (tab: Kept, by: string) => sendWaiting({ kept: tab, by, post: server.post, answered: () => undefined })
  for (const [i, move] of moves.entries()) {
    if (move.does === 'reload') tabs = [await keptInBrowser(name), await keptInBrowser(name)]
    else if (move.does === 'send') {
      server.how.splice(0, server.how.length, ...move.how)
      await send(tabs[move.tab]!, `person ${move.by}`)
    } else {
      const [id, by] = [`tap ${String(i).padStart(3, '0')}`, `person ${move.by}`]
      const event = { id, by, visitId: `visit ${move.visit}`, lamport: i, seq: i, payload: { bad: move.bad } } as unknown as PracticeEvent
      tapped.push({ id, by, name: by, event, refused: null })
      await tabs[i % 2]!.add(tapped.at(-1)!)
    }
  }
  server.how.length = 0
  for (const by of ['person 0', 'person 1']) expect(await send(tabs[0]!, by)).toBeNull()
  const left = await tabs[1]!.all()
  return { server, tapped, left }
}

describe('the outbox', () => {
  it('brings every tap to the server once and in order, or keeps it with the reason', async () => {
    await fc.assert(
      fc.asyncProperty(plays, async (moves) => {
        const { server, tapped, left } = await play(moves)
        const isTaken = ({ event }: KeptTap) => !server.isBad(event) && event.visitId !== 'visit 2'
        const order = (events: readonly PracticeEvent[]) =>
          ['person 0', 'person 1'].flatMap((by) =>
            ['visit 0', 'visit 1'].map((visit) => events.filter((one) => one.by === by && one.visitId === visit).map(({ id }) => id))
          )
        expect(order(server.stored)).toEqual(order(tapped.filter(isTaken).map(({ event }) => event)))
        expect(new Set(left.map(({ id }) => id))).toEqual(new Set(tapped.filter((tap) => !isTaken(tap)).map(({ id }) => id)))
        for (const tap of left) expect(tap.refused).toMatch(/bad|not there/)
      }),
      { numRuns: 40 }
    )
  })

  it('does not ask for ever where the answer says nothing of what was sent', async () => {
    const kept = await keptInBrowser('odd')
    const event = { id: 'a', by: 'p', visitId: 'v', lamport: 1, seq: 1, payload: {} } as unknown as PracticeEvent
    await kept.add({ id: 'a', by: 'p', name: 'P', event, refused: null })
    const post = async (): Promise<Reply> => ({ kind: 'answers', answers: [{ id: 'another', status: 'stored', detail: null }] })
    expect(await sendWaiting({ kept, by: 'p', post, answered: () => undefined })).toMatch(/kept here and sent again/)
    expect(await kept.all()).toHaveLength(1)
  })

  it('knows what an older Peen has left', () => {
    const old = { id: 'a', sessionId: 'v', kind: 'sessionClosed', seq: 4 } as unknown as PracticeEvent
    expect(inTodaysWords(old)).toEqual({ id: 'a', visitId: 'v', kind: 'visitClosed', seq: 4 })
    expect(inTodaysWords({ ...old, sessionId: undefined } as never)).toMatchObject({ kind: 'sessionClosed' })
  })
})
