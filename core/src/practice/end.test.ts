import { standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import {
  clockOff,
  OTHER_FAULT,
  countedAttempts,
  daySummary,
  foldVisit,
  mayUndo,
  proposeAttempts,
  stillOpen,
  undoneSteps,
  type DayFacts
} from '.'
import { at, ended, event, fault, started } from './testing'

const prompt = (attemptId: string) => event('promptGiven', { attemptId }, 5)
const confirmed = (attemptId: string, change: object = {}, struck: string[] = []) =>
  event('attemptsConfirmed', {
    attempts: [{ attemptId, minutes: 11, help: 'onePrompt', witness: 'inspected', hands: 'apprentice', side: 'both', ...change }],
    struck
  })
const major = new Set(['too-short'])

describe('the end of a table', () => {
  it('proposes minutes by the clock of a step, the most help that was tapped, and who was there', () => {
    const [one] = proposeAttempts(foldVisit([started('a', {}, 0), prompt('a'), prompt('a')]), at(14))
    expect(one).toMatchObject({ minutes: 14, help: 'talkedThrough', witness: 'watched', prompts: 2, side: 'both', hands: 'apprentice' })
    expect(one.say).toEqual(['No one ended this step, so these are the minutes on its clock.'])
    expect(proposeAttempts(foldVisit([started('a'), ended('a', { minutes: 13, witness: 'self' }, 14)]), at(20))[0]).toMatchObject({
      minutes: 13,
      help: 'alone',
      witness: 'self',
      say: []
    })
    expect(proposeAttempts(foldVisit([started('a'), ended('a', { minutes: 30 }, 14)]), at(20))[0].say).toEqual([
      'Entered as 30 minutes; the clock ran 14.'
    ])
  })

  it('was watched only while somebody was there: a look before the start vouches for nothing', () => {
    const look = event('lookedAt', {}, 1)
    expect(proposeAttempts(foldVisit([look, started('a', {}, 2)]), at(9))[0].witness).toBe('self')
    expect(proposeAttempts(foldVisit([started('a', {}, 0), event('lookedAt', {}, 1)]), at(9))[0].witness).toBe('watched')
  })

  it('is what the instructor confirms: help, hands and witness stand, struck notes count for nothing', () => {
    const begun = started('a')
    const noted = fault('a', 'too-short', 3)
    const log = [begun, noted, ended('a', { witness: 'self' }, 9)]
    expect(countedAttempts(foldVisit(log), major)[0]).toMatchObject({ clean: false, counts: false })
    const after = foldVisit([...log, confirmed('a', {}, [noted.id])])
    expect(countedAttempts(after, major)[0]).toMatchObject({ clean: true, counts: true, minutes: 11, help: 'onePrompt' })
    expect(after.confirmedBy).toBe('ruben')
    expect(countedAttempts(foldVisit([...log, confirmed('a', { hands: 'instructor' })]), major)).toEqual([])
    const shown = () => event('helped', { attemptId: 'a', help: 'shown', region: null, side: null }, 4)
    expect(countedAttempts(foldVisit([started('a'), shown(), ended('a')]), major)[0].help).toBe('shown')
    expect(countedAttempts(foldVisit([started('a'), shown(), ended('a'), confirmed('a', { help: 'alone' })]), major)[0].help).toBe('alone')
    expect(stillOpen(foldVisit(log))).toEqual(['1 attempt is not confirmed yet.'])
    expect(stillOpen(after)).toEqual([])
  })

  it('keeps one tap that says nothing more, until it is said', () => {
    const begun = started('a')
    const tap = fault('a', null, 3)
    const helped = event('helped', { attemptId: 'a', help: null, region: null, side: null }, 4)
    const open = foldVisit([begun, tap, helped])
    expect(open.unsaid).toEqual([tap.id, helped.id])
    expect(proposeAttempts(open, at(9))[0]).toMatchObject({ help: 'talkedThrough' })
    expect(proposeAttempts(open, at(9))[0].say).toContain('One tap still needs its fault or help.')
    const said = foldVisit([
      ...[begun, tap, helped],
      event('annotated', { eventId: tap.id, faultId: 'too-short', side: 'right', text: 'by the elbow' }),
      event('annotated', { eventId: helped.id, help: 'shown' })
    ])
    expect(said.unsaid).toEqual([])
    expect(said.attempts[0].faults).toMatchObject([{ faultId: 'too-short', side: 'right' }])
    expect(said.attempts[0].helps).toEqual(['shown'])
    expect(said.remarks[tap.id]).toEqual(['by the elbow'])
  })

  it('keeps a stop without its reason open until somebody says it', () => {
    const stop = event('stopped', { reason: '' }, 5)
    expect(foldVisit([stop])).toMatchObject({ stopped: '', unsaid: [stop.id] })
    const why = event('annotated', { eventId: stop.id, text: 'Bleeding.' })
    expect(foldVisit([stop, why])).toMatchObject({ stopped: 'Bleeding.', unsaid: [] })
    expect(foldVisit([stop, why, event('wentOn', {}, 9)]).stopped).toBeNull()
  })

  it('of a dog that can stand no longer loses nobody a mark', () => {
    const log = [started('a'), ended('a'), started('b', { techniqueId: 'pads' }, 10), fault('b', 'too-short', 12)]
    const state = foldVisit([...log, event('ranOut', { how: 'home' }, 20), ended('b', {}, 21)])
    expect(countedAttempts(state, major).map(({ techniqueId }) => techniqueId)).toEqual(['skirt-line'])
    expect(proposeAttempts(state, at(40)).find(({ cutShort }) => cutShort)!.say[0]).toMatch(/no marks lost/)
    const { steps } = standards[0].plan
    const undone = undoneSteps(steps, state).map(({ technique }) => technique)
    expect(undone).toContain('pads')
    expect(undone).not.toContain('skirt-line')
  })
})

describe('taking a tap back', () => {
  const atSecond = (seconds: number, clockOffMs: number | null = null) => ({
    atDevice: new Date(Date.parse(at(10)) + seconds * 1000).toISOString(),
    clockOffMs
  })
  const open = { isFinished: false, hasReason: false, isStaff: true }
  const target = ended('a', {}, 10)

  it('goes for ten seconds, by the same clock however wrong it is', () => {
    expect(mayUndo(target, atSecond(10), open)).toBe(true)
    expect(mayUndo(target, atSecond(11), open)).toBe(false)
    expect(mayUndo({ ...target, clockOffMs: 3600000 }, atSecond(9, 3600000), open)).toBe(true)
    expect(mayUndo({ ...target, clockOffMs: 3600000 }, atSecond(9), open)).toBe(false)
  })

  it('goes at any time for what a table is in: finished, asked for help, out of minutes', () => {
    expect(mayUndo(event('visitClosed', {}, 10), atSecond(3000), open)).toBe(true)
    expect(mayUndo(event('helpAsked', {}, 10), atSecond(3000), open)).toBe(true)
    expect(mayUndo(event('stopped', { reason: '' }, 10), atSecond(3000), open)).toBe(false)
  })

  // Symptom: a fault tapped by mistake stood after ten seconds, and nobody could take it back before the end of the table
  it('goes for a note as long as the table is not finished, later for staff with a reason', () => {
    const note = fault('a', 'line-wavy', 10)
    expect(mayUndo(note, atSecond(3000), open)).toBe(true)
    expect(mayUndo(note, atSecond(3000), { ...open, isFinished: true })).toBe(false)
    expect(mayUndo(note, atSecond(3000), { isFinished: true, hasReason: true, isStaff: true })).toBe(true)
    expect(mayUndo(note, atSecond(3000), { isFinished: true, hasReason: true, isStaff: false })).toBe(false)
    expect(mayUndo(ended('a', {}, 10), atSecond(3000), { isFinished: true, hasReason: true, isStaff: true })).toBe(false)
  })
})

describe('a fault that no list knows', () => {
  it('stays open until its words are said, and is told by them', () => {
    const begun = started('a')
    const noted = fault('a', null, 3)
    const before = foldVisit([begun, noted])
    expect(before.unsaid).toEqual([noted.id])
    const said = event('annotated', { eventId: noted.id, faultId: OTHER_FAULT, text: 'comb left in the coat' }, 5)
    const state = foldVisit([begun, noted, said, ended('a', {}, 9)])
    expect(state.unsaid).toEqual([])
    expect(state.attempts[0].faults).toMatchObject([{ faultId: 'other', words: 'comb left in the coat' }])
    expect(countedAttempts(state, new Set())[0]).toMatchObject({ faults: ['comb left in the coat'], clean: true })
    expect(foldVisit([begun, noted, event('undone', { eventId: noted.id }, 8)]).unsaid).toEqual([])
  })
})

describe('a wrong clock', () => {
  // Ref: hand calculation
  it('is found by what it says when it sends, however long the event waited', () => {
    expect(clockOff(at(0), at(60), at(60))).toBeNull()
    expect(clockOff(at(0), at(60), at(90))).toBe(-30 * 60000)
    expect(clockOff(at(-200), at(60), at(-140))).toBe(200 * 60000)
  })
  it('shows without that only where an event comes from the future', () => {
    expect(clockOff(at(0), at(60), null)).toBeNull()
    expect(clockOff(at(70), at(60), null)).toBe(-10 * 60000)
    expect(clockOff('no time', at(60), null)).toBeNull()
  })
  it('moves what is folded', () => {
    const ahead = event('visitOpened', {}, 30, { clockOffMs: -30 * 60000 })
    expect(foldVisit([ahead]).openedAt).toBe(at(0))
  })
})

describe('the day of an apprentice', () => {
  const attempt = (technique: string, change: object = {}) => ({ technique, clean: true, counts: true, because: '', faults: [], ...change })
  const visit = { dog: 'Flint', trim: 'bearded terrier pet trim', workedMin: 82, standardMin: 95, praises: [], ranOut: null, undone: [] }
  const day: DayFacts = {
    name: 'Bram',
    absent: false,
    figures: [],
    visits: [{ ...visit, attempts: [attempt('Pads'), attempt('Body clip')] }]
  }

  it('is told in sentences: what was done, what was good', () => {
    expect(daySummary(day)).toEqual([
      'Flint in bearded terrier pet trim: 2 techniques, 2 clean, in 82 of 95 minutes.',
      'Done well: pads and body clip, clean.'
    ])
  })

  it('holds three things to mend at the most, the major and the frequent first', () => {
    const small = { name: 'Line wavy', major: false }
    const notClean = { clean: false, because: 'more than one prompt' }
    const attempts = [
      attempt('Nails', notClean),
      attempt('Skirt line', { faults: [small, small] }),
      attempt('Ear leather', { clean: false, because: 'a major fault', faults: [{ name: 'Edge cut into', major: true }] }),
      attempt('Pads', { faults: [{ name: 'Hair left', major: false }] })
    ]
    const sentences = daySummary({ ...day, visits: [{ ...visit, attempts, praises: ['Kept the leg low.'] }] })
    expect(sentences[1]).toBe('Done well: Kept the leg low.')
    expect(sentences[2]).toBe('To improve: ear leather, edge cut into; skirt line, line wavy (2 times); pads, hair left.')
  })

  it('tells an absence, no dog, figures apart, and a dog that could stand no longer', () => {
    expect(daySummary({ ...day, absent: true, visits: [] })).toEqual(['Bram was not here today.'])
    const figures = [{ technique: 'Round foot', minutes: 20 }]
    expect(daySummary({ ...day, visits: [], figures: [] })).toEqual(['Bram had no dog today.'])
    expect(daySummary({ ...day, visits: [], figures })).toEqual(['On figures: round foot, 20 minutes. Logged separately.'])
    const cut = { ...visit, attempts: [], ranOut: 'home' as const, undone: ['Skirt line', 'Blend'] }
    expect(daySummary({ ...day, visits: [cut] })).toEqual([
      'Flint in bearded terrier pet trim: no step was finished, in 82 of 95 minutes.',
      'Flint had had enough and went home as it was. This costs no marks. Left to do: skirt line and blend.'
    ])
  })
})
