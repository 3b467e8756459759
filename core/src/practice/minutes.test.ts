import { standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { attemptMinutes, foldVisit, runningAttempt, stepProgress, workedMinutes, type Attempt, type VisitState } from '.'
import { at, ended, event, started } from './testing'

const empty = foldVisit([])
const state = (change: Partial<VisitState>): VisitState => ({ ...empty, ...change })
const pause = (from: number, to: number | null) => ({ why: 'break' as const, from: at(from), to: to === null ? null : at(to) })

describe('minutes of work', () => {
  // Ref: hand calculation
  it.each<[string, Partial<VisitState>, number]>([
    ['not opened', {}, 0],
    ['running', { openedAt: at(0) }, 42],
    ['with a break behind', { openedAt: at(0), pauses: [pause(5, 12)] }, 35],
    ['on a break now', { openedAt: at(0), pauses: [pause(30, null)] }, 30],
    ['stopped during a break: that time counts once', { openedAt: at(0), pauses: [pause(10, 20), pause(15, 22)] }, 30],
    ['a break longer than the work', { openedAt: at(0), pauses: [pause(0, 90)] }, 0],
    // Symptom: closing the table later turned the minutes on again after the dog had gone
    ['closed after the dog’s minutes ran out', { openedAt: at(0), ranOut: { how: 'home', at: at(33) }, closedAt: at(41) }, 33],
    ['closed before its minutes ran out by another clock', { openedAt: at(0), ranOut: { how: 'home', at: at(33) }, closedAt: at(30) }, 30],
    ['closed', { openedAt: at(0), closedAt: at(20) }, 20],
    ['out of the dog’s minutes', { openedAt: at(0), ranOut: { how: 'home', at: at(33) } }, 33],
    ['closed before it was opened, by a wrong clock', { openedAt: at(30), closedAt: at(20) }, 0]
  ])('%s', (_, change, minutes) => expect(workedMinutes(state(change), at(42))).toBe(minutes))
})

describe('the clock of a step', () => {
  const minutesOf = (...events: Parameters<typeof foldVisit>[0]) => {
    const folded = foldVisit(events)
    return folded.attempts.map((attempt) => attemptMinutes(attempt, folded, at(42)))
  }

  // Ref: hand calculation
  it('runs from its start, and stands while it is paused, on a break or stopped', () => {
    expect(minutesOf(started('a', {}, 2))).toEqual([40])
    expect(minutesOf(started('a', {}, 2), event('attemptPaused', { attemptId: 'a' }, 12))).toEqual([10])
    expect(
      minutesOf(started('a', {}, 2), event('attemptPaused', { attemptId: 'a' }, 12), event('attemptResumed', { attemptId: 'a' }, 40))
    ).toEqual([12])
    expect(minutesOf(started('a', {}, 2), event('breakStarted', {}, 10), event('breakEnded', { minutes: 15 }, 25))).toEqual([25])
    // Symptom: a break said to be longer than the clock between its two taps ate the work after it
    expect(minutesOf(started('a', {}, 2), event('breakStarted', {}, 10), event('breakEnded', { minutes: 90 }, 25))).toEqual([25])
    expect(minutesOf(started('a', {}, 2), event('stopped', { reason: '' }, 12))).toEqual([10])
    expect(minutesOf(started('a', {}, 2), event('stopped', { reason: '' }, 12), event('wentOn', {}, 32))).toEqual([20])
  })

  it('opens the table where nobody has: the dog’s minutes run from the first step', () => {
    const state = foldVisit([started('a', {}, 2), event('visitOpened', {}, 5)])
    expect(state.openedAt).toBe(at(2))
    expect(workedMinutes(state, at(42))).toBe(40)
  })

  it('goes on where one goes back to a step that was ended', () => {
    const events = [started('a', {}, 2), ended('a', {}, 12), event('attemptReopened', { attemptId: 'a' }, 37)]
    expect(minutesOf(...events)).toEqual([15])
    expect(runningAttempt(foldVisit(events))?.id).toBe('a')
    expect(foldVisit(events).attempts[0].ended).toBeNull()
  })

  it('stands while another step is done by the same hands, and not while the instructor’s hands work', () => {
    const pads = { techniqueId: 'pads' }
    const other = [started('a', {}, 2), started('b', pads, 22)]
    expect(minutesOf(...other)).toEqual([20, 20])
    expect(runningAttempt(foldVisit(other))?.id).toBe('b')
    expect(minutesOf(started('a', {}, 2), started('b', { ...pads, hands: 'instructor' }, 22))).toEqual([40, 20])
  })
})

describe('the steps of the plan', () => {
  const walked = standards[0].plan.steps
  const steps = ['pads', 'nails', 'body-clip', 'skim-off'].map((id) => walked.find(({ technique }) => technique === id)!)
  const attempt = (techniqueId: string, minutes: number | null, isRunning = true): Attempt =>
    ({
      id: techniqueId,
      techniqueId,
      cutShort: false,
      spans: [{ from: at(0), to: minutes === null && isRunning ? null : at(9) }],
      ended: minutes === null ? null : { minutes, help: 'alone', witness: 'watched' }
    }) as unknown as Attempt

  it('are to do, now, then done with their minutes', () => {
    const progress = stepProgress(steps, state({ attempts: [attempt('pads', 9), attempt('pads', 3), attempt('nails', null)] }))
    expect(progress[0]).toMatchObject({ state: 'done', minutes: 12 })
    expect(progress[1]).toMatchObject({ state: 'now', minutes: null })
    expect(progress.slice(2).every((step) => step.state === 'todo')).toBe(true)
  })

  it('go back to now when a technique is taken up again, and wait where one is paused', () => {
    expect(stepProgress(steps, state({ attempts: [attempt('pads', 9), attempt('pads', null)] }))[0].state).toBe('now')
    expect(stepProgress(steps, state({ attempts: [attempt('pads', null, false)] }))[0].state).toBe('paused')
  })
})
