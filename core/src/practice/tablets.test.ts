// Two or three tablets at one table: whatever they tap, in whatever order it arrives and however often, one state comes of it.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { attemptMinutes, foldingOf, foldVisit, workedMinutes, type EventKind, type Payloads, type PracticeEvent } from '.'
import { at } from './testing'

type Move =
  | { readonly do: 'tap'; readonly tablet: number; readonly what: number; readonly pick: number; readonly clock: number }
  | { readonly do: 'send'; readonly tablet: number }
  | { readonly do: 'receive'; readonly tablet: number }

const TECHNIQUES = ['skirt-line', 'pads', 'nails']
const tap = fc.record({
  do: fc.constant('tap' as const),
  tablet: fc.nat(2),
  what: fc.nat(15),
  pick: fc.nat(40),
  // every tablet's clock says what it likes
  clock: fc.integer({ min: -30, max: 200 })
})
const exchange = (what: 'send' | 'receive') => fc.record({ do: fc.constant(what), tablet: fc.nat(2) })
const moves = fc.array(fc.oneof({ weight: 3, arbitrary: tap }, exchange('send'), exchange('receive')), { minLength: 1, maxLength: 60 })

/** Plays the moves on three tablets and a server that keeps each event once; returns everything that was tapped. */
function play(plan: readonly Move[]): { readonly all: PracticeEvent[]; readonly tablets: PracticeEvent[][] } {
  const server: PracticeEvent[] = []
  const tablets: PracticeEvent[][] = [[], [], []]
  const take = (to: PracticeEvent[], from: readonly PracticeEvent[]) => {
    for (const event of from) if (!to.some(({ id }) => id === event.id)) to.push(event)
  }
  plan.forEach((move, n) => {
    const known = tablets[move.tablet]
    if (move.do === 'send') return take(server, known)
    if (move.do === 'receive') return take(known, server)
    const kinds = tapOf(move, known, n)
    if (!kinds) return
    const lamport = known.reduce((most, event) => Math.max(most, event.lamport), 0) + 1
    const seq = known.filter(({ deviceId }) => deviceId === `tablet-${move.tablet}`).length
    known.push({
      ...{ id: `e${n}`, v: 1, visitId: 's', by: `p${move.tablet}`, deviceId: `tablet-${move.tablet}`, seq, lamport },
      ...{ atDevice: at(move.clock), receivedAt: null, kind: kinds[0], payload: kinds[1] }
    } as PracticeEvent)
  })
  for (const known of tablets) take(server, known)
  for (const known of tablets) take(known, server)
  return { all: server, tablets }
}

function tapOf({ what, pick }: Move & { do: 'tap' }, known: readonly PracticeEvent[], n: number): [EventKind, Payloads[EventKind]] | null {
  const attempts = known.flatMap((event) => (event.kind === 'attemptStarted' ? [event.payload.attemptId] : []))
  const attemptId = attempts[pick % Math.max(1, attempts.length)]
  const other = known[pick % Math.max(1, known.length)]
  const none = {}
  const hands = pick % 3 === 0 ? 'instructor' : 'apprentice'
  const begun = { regions: [], side: pick % 2 ? 'left' : 'right', toolId: null, direction: null, hands, setting: 'live' } as const
  if (what === 0) return ['visitOpened', none]
  if (what < 4 || !attemptId) return ['attemptStarted', { attemptId: `a${n}`, techniqueId: TECHNIQUES[pick % 3], ...begun }]
  if (what === 4) return ['attemptEnded', { attemptId, minutes: pick, help: 'alone', witness: pick % 2 ? 'watched' : 'self' }]
  if (what === 5) return ['attemptPaused', { attemptId }]
  if (what === 6) return [pick % 2 ? 'attemptResumed' : 'attemptReopened', { attemptId }]
  if (what === 7) return ['faultNoted', { attemptId, faultId: pick % 2 ? 'line-wavy' : null, region: null, side: null }]
  if (what === 8) return ['annotated', { eventId: other.id, faultId: 'line-wavy', text: 'there' }]
  if (what === 9) return [pick % 2 ? 'breakStarted' : 'stopped', pick % 2 ? none : { reason: '' }]
  if (what === 10) return pick % 2 ? ['breakEnded', { minutes: pick }] : ['wentOn', none]
  if (what === 11) return ['helpAsked', none]
  if (what === 12) return ['lookedAt', none]
  if (what === 13) return ['undone', { eventId: other.id }]
  if (what === 14) return [pick % 2 ? 'visitClosed' : 'ranOut', pick % 2 ? none : { how: 'home' }]
  const done = { attemptId, minutes: pick, help: 'onePrompt', witness: 'inspected', hands: 'apprentice', side: 'both' } as const
  return ['attemptsConfirmed', { attempts: [done], struck: pick % 4 === 0 ? [other.id] : [] }]
}

describe('tablets at one table', () => {
  it('come to one state in every order of arrival, with anything sent twice', () => {
    let cases = 0
    fc.assert(
      fc.property(moves, fc.infiniteStream(fc.nat(1000)), (plan, chance) => {
        const { all, tablets } = play(plan)
        const expected = foldVisit(all)
        for (const known of tablets) expect(foldVisit(known)).toEqual(expected)
        const twice = [...all, ...all.filter(() => chance.next().value! % 3 === 0)]
        const shuffled = twice.map((event) => [chance.next().value!, event] as const).sort(([a], [b]) => a - b)
        expect(foldVisit(shuffled.map(([, event]) => event))).toEqual(expected)
        cases++
      }),
      { seed: 6, numRuns: 300 }
    )
    expect(cases).toBeGreaterThanOrEqual(300)
  })

  it('leave at most one step running for each pair of hands, and no clock below nought, whatever the clocks say', () => {
    let ran = 0
    fc.assert(
      fc.property(moves, (plan) => {
        const { all } = play(plan)
        const frozen = all.map((event) => Object.freeze(event))
        const state = foldVisit(Object.freeze(frozen) as PracticeEvent[])
        for (const hands of ['apprentice', 'instructor'])
          expect(state.attempts.filter((one) => one.hands === hands && !one.ended && one.spans.at(-1)?.to === null).length).toBeLessThan(2)
        for (const attempt of state.attempts) {
          expect(attemptMinutes(attempt, state, at(90))).toBeGreaterThanOrEqual(0)
          expect(attempt.ended === null || !Number.isNaN(attempt.ended.minutes)).toBe(true)
          ran++
        }
        expect(workedMinutes(state, at(90))).toBeGreaterThanOrEqual(0)
        expect(state.tally.fault).toBe(state.attempts.reduce((sum, one) => sum + one.faults.length, 0))
      }),
      { seed: 7, numRuns: 300 }
    )
    expect(ran).toBeGreaterThan(300)
  })

  it('is the same whether its events are folded at once or as they come', () => {
    fc.assert(
      fc.property(moves, (plan) => {
        const { all } = play(plan)
        // late ones among them, as the server marks them
        const came = all.map((event, i) => (i % 7 === 3 ? { ...event, late: true } : event))
        const folding = foldingOf([])
        came.forEach((event, i) => {
          folding.add(event)
          expect(folding.state()).toEqual(foldVisit(came.slice(0, i + 1)))
          folding.add(event)
        })
        expect(folding.events).toEqual(came)
      })
    )
  })
})
