import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { countedAttempts, foldVisit, workedMinutes, type PracticeEvent } from '.'
import { at as minuteOf, ended, event, fault, started } from './testing'

const start = started
const end = ended

const major = new Set(['too-short'])
const counted = (events: PracticeEvent[]) => countedAttempts(foldVisit(events), major)

describe('folding a visit', () => {
  it('does not depend on the order in which events arrive', () => {
    const events = [
      event('visitOpened', {}),
      start('a'),
      fault('a', 'line-wavy'),
      end('a'),
      event('breakStarted', {}),
      event('breakEnded', { minutes: 5 }, 5)
    ]
    const expected = foldVisit(events)
    fc.assert(
      fc.property(
        fc.shuffledSubarray(events, { minLength: events.length }),
        (shuffled) => void expect(foldVisit(shuffled)).toEqual(expected)
      )
    )
    expect(expected.attempts[0].faults.length).toBe(1)
    expect(expected.pauses).toEqual([{ why: 'break', from: minuteOf(0), to: minuteOf(5) }])
    expect(workedMinutes(expected, minuteOf(12))).toBe(7)
  })

  it('orders by lamport, device and count, never by clock', () => {
    const late = event('attemptEnded', { attemptId: 'x', minutes: 3, help: 'alone', witness: 'watched' }, 0, {
      lamport: 9,
      atDevice: '2020-01-01T00:00:00.000Z'
    })
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
      0,
      { lamport: 1 }
    )
    expect(foldVisit([late, first]).attempts[0].ended?.minutes).toBe(3)
  })

  it('undoes, and undoes the undoing', () => {
    const begun = start('a')
    const f = fault('a', 'line-wavy')
    const undo = event('undone', { eventId: f.id })
    const base = [begun, f]
    expect(foldVisit([...base, undo]).tally.fault).toBe(0)
    expect(foldVisit([...base, undo, event('undone', { eventId: undo.id })]).tally.fault).toBe(1)
  })

  it('keeps what it does not know, and what came late until confirmed', () => {
    const begun = start('a')
    const strange = event('noted', { text: 'x' }, 0, { v: 7 })
    const late = event('promptGiven', { attemptId: 'a' }, 0, { late: true })
    const state = foldVisit([begun, strange, late])
    expect(state.unknown).toEqual([strange.id])
    expect(state.waiting).toEqual([late.id])
    expect(state.attempts[0].prompts).toBe(0)
    expect(foldVisit([begun, late, event('lateConfirmed', { eventId: late.id })]).attempts[0].prompts).toBe(1)
  })
})

describe('who looked', () => {
  const at = (minute: number) => ({ atDevice: minuteOf(minute) })
  const opened = event('visitOpened', {}, 0)
  const ask = (minute: number) => event('helpAsked', {}, minute)

  it('is known from what only somebody who stands there records', () => {
    const begun = start('a')
    expect(foldVisit([opened, begun]).seenAt).toBeNull()
    const byOne = (one: PracticeEvent) => foldVisit([opened, begun, one]).seenAt
    expect(byOne(event('lookedAt', {}, 9))).toBe(at(9).atDevice)
    expect(byOne(event('promptGiven', { attemptId: 'a' }, 4))).toBe(at(4).atDevice)
    expect(byOne({ ...end('a'), ...at(7) })).toBe(at(7).atDevice)
    expect(byOne({ ...end('a', { witness: 'self' }), ...at(7) })).toBeNull()
  })

  it('is asked for from the first asking until somebody comes, and not when it is taken back', () => {
    const first = ask(10)
    expect(foldVisit([opened, first, ask(12)]).askedAt).toBe(at(10).atDevice)
    expect(foldVisit([opened, first, event('lookedAt', {}, 13)]).askedAt).toBeNull()
    expect(foldVisit([opened, first, event('undone', { eventId: first.id })]).askedAt).toBeNull()
    const again = foldVisit([opened, first, event('lookedAt', {}, 13), ask(15)])
    expect([again.askedAt, again.seenAt]).toEqual([at(15).atDevice, at(13).atDevice])
  })
})

describe('a dog that panics', () => {
  it('is so until somebody comes or it comes down, whether it was said at once or after', () => {
    const uneasy = event('stressNoted', { attemptId: null, level: 'restless' }, 5)
    const more = event('annotated', { eventId: uneasy.id, level: 'panics' }, 6)
    expect(foldVisit([uneasy]).panicsSince).toBeNull()
    expect(foldVisit([uneasy, more]).panicsSince).toBe(minuteOf(5))
    expect(foldVisit([uneasy, more, event('lookedAt', {}, 8)]).panicsSince).toBeNull()
    expect(foldVisit([uneasy, more, event('stressNoted', { attemptId: null, level: 'restless' }, 9)]).panicsSince).toBeNull()
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
