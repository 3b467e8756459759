import { describe, expect, it } from 'vitest'
import type { EventKind, Payloads, PracticeEvent } from '.'
import { staffHands } from '.'

let count = 0
const tap = <K extends EventKind>(by: string, kind: K, payload: Payloads[K]): PracticeEvent =>
  ({
    ...{ id: `e${++count}`, v: 1, kind, visitId: 's', by, deviceId: `of-${by}`, seq: count, lamport: count },
    ...{ atDevice: '2026-04-14T09:00:00.000Z', receivedAt: null, payload }
  }) as PracticeEvent
const start = (by: string, attemptId: string, hands: 'apprentice' | 'instructor') =>
  tap(by, 'attemptStarted', {
    ...{ attemptId, techniqueId: 'body-clip', regions: ['back'], side: 'both', toolId: null, direction: null, hands, setting: 'live' }
  })
const confirm = (by: string, attemptId: string, hands: 'apprentice' | 'instructor', struck: string[] = []) =>
  tap(by, 'attemptsConfirmed', {
    attempts: [{ attemptId, minutes: 5, help: 'alone', witness: 'watched', hands, side: 'both' }],
    struck
  })
const hands = (...events: PracticeEvent[]) => [...staffHands(events, 'abe')].sort()
const undo = (by: string, eventId: string) => tap(by, 'undone', { eventId })

describe('whose hands were on a trim', () => {
  it('are those that started a step with the instructor’s hands', () => {
    expect(hands(start('ivo', 'a', 'instructor'), start('ina', 'b', 'apprentice'))).toEqual(['ivo'])
  })

  it('are found where the trim was finished by hand, or for a dog that could stand no longer', () => {
    expect(hands(tap('ivo', 'instructorFinished', { regions: ['back'], side: 'both' }))).toEqual(['ivo'])
    expect(hands(tap('ina', 'ranOut', { how: 'instructor' }))).toEqual(['ina'])
    expect(hands(tap('ina', 'ranOut', { how: 'home' }))).toEqual([])
  })

  it('are found where the end of the table says so: who said it, and who started the step', () => {
    expect(hands(start('ina', 'a', 'apprentice'), confirm('ivo', 'a', 'instructor'))).toEqual(['ina', 'ivo'])
    expect(hands(start('abe', 'a', 'apprentice'), confirm('ivo', 'a', 'instructor'))).toEqual(['ivo'])
  })

  it('are not washed off by one’s own word at the end, only by another’s', () => {
    const mine = start('ivo', 'a', 'instructor')
    expect(hands(mine, confirm('ivo', 'a', 'apprentice'))).toEqual(['ivo'])
    expect(hands(mine, confirm('ina', 'a', 'apprentice'))).toEqual([])
    expect(hands(mine, confirm('ina', 'a', 'apprentice'), confirm('ivo', 'a', 'apprentice'))).toEqual(['ivo'])
  })

  it('are gone by an undo that stands, and back by an undo of the undo', () => {
    const mine = start('ivo', 'a', 'instructor')
    const away = undo('ivo', mine.id)
    expect(hands(mine, away)).toEqual([])
    expect(hands(mine, away, undo('ivo', away.id))).toEqual(['ivo'])
    const finished = tap('ivo', 'instructorFinished', { regions: ['back'], side: 'both' })
    const back = undo('ivo', finished.id)
    expect(hands(finished, back, undo('ivo', back.id))).toEqual(['ivo'])
  })

  it('are found under the second start of the same step from another tablet', () => {
    const one = start('abe', 'a', 'apprentice')
    const other = { ...start('ivo', 'b', 'instructor') }
    expect(hands(one, other)).toContain('ivo')
  })
})
