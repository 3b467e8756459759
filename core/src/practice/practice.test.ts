import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { countedAttempts, foldSession, type EventKind, type Payloads, type PracticeEvent } from '.'

let made = 0
function event<K extends EventKind>(kind: K, payload: Payloads[K], change: Partial<PracticeEvent> = {}): PracticeEvent {
  made++
  return {
    id: `e${made}`,
    v: 1,
    kind,
    sessionId: 's',
    by: 'ruben',
    deviceId: 'tablet',
    seq: made,
    lamport: made,
    atDevice: '2026-04-14T08:00:00.000Z',
    receivedAt: null,
    payload,
    ...change
  } as PracticeEvent
}
const start = (attemptId: string, change: object = {}) =>
  event('attemptStarted', {
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
const end = (attemptId: string, change: object = {}) =>
  event('attemptEnded', { attemptId, minutes: 9, help: 'alone', witness: 'watched', ...change })
const fault = (attemptId: string, faultId: string) => event('faultNoted', { attemptId, faultId, region: 'skirt', side: 'left' })

const major = new Set(['too-short'])
const counted = (events: PracticeEvent[]) => countedAttempts(foldSession(events), major)

describe('folding a session', () => {
  it('does not depend on the order in which events arrive', () => {
    const events = [
      event('sessionOpened', {}),
      start('a'),
      fault('a', 'line-wavy'),
      end('a'),
      event('breakStarted', {}),
      event('breakEnded', { minutes: 5 })
    ]
    const expected = foldSession(events)
    fc.assert(
      fc.property(
        fc.shuffledSubarray(events, { minLength: events.length }),
        (shuffled) => void expect(foldSession(shuffled)).toEqual(expected)
      )
    )
    expect(expected.attempts[0].faults.length).toBe(1)
    expect(expected.breakMin).toBe(5)
  })

  it('orders by lamport, device and count, never by clock', () => {
    const late = event(
      'attemptEnded',
      { attemptId: 'x', minutes: 3, help: 'alone', witness: 'watched' },
      { lamport: 9, atDevice: '2020-01-01T00:00:00.000Z' }
    )
    const first = event(
      'attemptStarted',
      {
        attemptId: 'x',
        techniqueId: 'pads',
        regions: [],
        side: 'both',
        toolId: null,
        direction: null,
        hands: 'apprentice',
        setting: 'live'
      },
      { lamport: 1 }
    )
    expect(foldSession([late, first]).attempts[0].ended?.minutes).toBe(3)
  })

  it('undoes, and undoes the undoing', () => {
    const begun = start('a')
    const f = fault('a', 'line-wavy')
    const undo = event('undone', { eventId: f.id })
    const base = [begun, f]
    expect(foldSession([...base, undo]).tally.fault).toBe(0)
    expect(foldSession([...base, undo, event('undone', { eventId: undo.id })]).tally.fault).toBe(1)
  })

  it('keeps what it does not know, and what came late until confirmed', () => {
    const begun = start('a')
    const strange = event('noted', { text: 'x' }, { v: 7 })
    const late = event('promptGiven', { attemptId: 'a' }, { late: true })
    const state = foldSession([begun, strange, late])
    expect(state.unknown).toEqual([strange.id])
    expect(state.waiting).toEqual([late.id])
    expect(state.attempts[0].prompts).toBe(0)
    expect(foldSession([begun, late, event('lateConfirmed', { eventId: late.id })]).attempts[0].prompts).toBe(1)
  })
})

describe('who looked', () => {
  const at = (minute: number) => ({ atDevice: `2026-04-14T08:${String(minute).padStart(2, '0')}:00.000Z` })
  const opened = event('sessionOpened', {}, at(0))
  const ask = (minute: number) => event('helpAsked', {}, at(minute))

  it('is known from what only somebody who stands there records', () => {
    const begun = start('a')
    expect(foldSession([opened, begun]).seenAt).toBeNull()
    const byOne = (one: PracticeEvent) => foldSession([opened, begun, one]).seenAt
    expect(byOne(event('lookedAt', {}, at(9)))).toBe(at(9).atDevice)
    expect(byOne(event('promptGiven', { attemptId: 'a' }, at(4)))).toBe(at(4).atDevice)
    expect(byOne({ ...end('a'), ...at(7) })).toBe(at(7).atDevice)
    expect(byOne({ ...end('a', { witness: 'self' }), ...at(7) })).toBeNull()
  })

  it('is asked for from the first asking until somebody comes, and not when it is taken back', () => {
    const first = ask(10)
    expect(foldSession([opened, first, ask(12)]).askedAt).toBe(at(10).atDevice)
    expect(foldSession([opened, first, event('lookedAt', {}, at(13))]).askedAt).toBeNull()
    expect(foldSession([opened, first, event('undone', { eventId: first.id })]).askedAt).toBeNull()
    const again = foldSession([opened, first, event('lookedAt', {}, at(13)), ask(15)])
    expect([again.askedAt, again.seenAt]).toEqual([at(15).atDevice, at(13).atDevice])
  })
})

describe('what counts as an attempt', () => {
  it('is one per technique: four feet are one', () => {
    expect(counted([start('a', { side: 'left' }), end('a'), start('b', { side: 'right' }), end('b', { minutes: 4 })])).toMatchObject([
      { clean: true, counts: true, minutes: 13 }
    ])
  })

  it.each<[string, () => PracticeEvent[], boolean]>([
    ['no fault', () => [], true],
    ['one prompt', () => [event('promptGiven', { attemptId: 'a' })], true],
    ['two prompts', () => [event('promptGiven', { attemptId: 'a' }), event('promptGiven', { attemptId: 'a' })], false],
    ['a small fault', () => [fault('a', 'line-wavy')], true],
    ['a major fault', () => [fault('a', 'too-short')], false],
    ['hands guided once', () => [event('helped', { attemptId: 'a', help: 'handsGuided', region: null, side: null })], false],
    ['a safety event', () => [event('safetyNoted', { attemptId: 'a', hazardId: 'nipples', severity: 'near', region: null })], false]
  ])('with %s', (_, more, clean) => {
    const [attempt] = counted([start('a'), ...more(), end('a')])
    expect(attempt.clean).toBe(clean)
    expect(attempt.because === '').toBe(clean)
  })

  it('leaves out the instructor’s hands, what did not end, figures and self-report', () => {
    expect(counted([start('a', { hands: 'instructor' }), end('a')])).toEqual([])
    expect(counted([start('a')])).toEqual([])
    expect(counted([start('a', { setting: 'figure' }), end('a')])[0].counts).toBe(false)
    expect(counted([start('a'), end('a', { witness: 'self' })])[0].counts).toBe(false)
  })
})
