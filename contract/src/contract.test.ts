import { EVENT_KINDS, type EventKind, type Payloads } from '@peen/core/practice'
import { describe, expect, it } from 'vitest'
import { check, draftSchema, eventSchema, signInSchema, type FieldIssue } from '.'

const uuid = '019d8a3e-0000-7000-8000-000000000001'
const event = (change: object = {}) => ({
  id: uuid,
  v: 1,
  kind: 'noted',
  visitId: uuid,
  by: uuid,
  deviceId: 'tablet',
  seq: 1,
  lamport: 1,
  atDevice: '2026-04-14T09:42:00.000Z',
  payload: { text: 'stands well' },
  ...change
})
const issuesOf = (schema: never, value: unknown): readonly FieldIssue[] => {
  const result = check(schema, value)
  return result.ok ? [] : result.issues
}
const eventIssues = (value: unknown) =>
  issuesOf(eventSchema as never, value)
    .map((issue) => issue.detail)
    .join(' ')
const draftIssues = (value: unknown) =>
  issuesOf(draftSchema as never, value)
    .map((issue) => issue.detail)
    .join(' ')

describe('an event on the wire', () => {
  it('is taken when well formed, and an unknown version is kept with any payload', () => {
    expect(eventIssues(event())).toBe('')
    expect(eventIssues(event({ v: 2, kind: 'somethingNew', payload: { anything: 1 } }))).toBe('')
  })

  it.each<[string, object, RegExp]>([
    ['an unknown kind', { kind: 'barked' }, /kind is "barked"; it must be visitOpened/],
    ['no payload text', { payload: {} }, /payload\.text is missing/],
    ['an extra field', { payload: { text: 'x', owner: 'Jo' } }, /owner is not a known field/],
    ['a bad id', { id: '7' }, /id is "7"; it must be a UUID/],
    ['a clock without a zone', { atDevice: 'yesterday' }, /atDevice must be a UTC time/],
    [
      'minutes below nought',
      { kind: 'attemptEnded', payload: { attemptId: uuid, minutes: -3, help: 'alone', witness: 'watched' } },
      /payload\.minutes is -3; it must be 0 or more/
    ],
    [
      'an unknown help level',
      { kind: 'attemptEnded', payload: { attemptId: uuid, minutes: 3, help: 'a bit', witness: 'watched' } },
      /payload\.help is "a bit"; it must be shown/
    ]
  ])('is refused with %s', (_, change, words) => expect(eventIssues(event(change))).toMatch(words))

  it('has a shape for every kind', () => {
    for (const kind of EVENT_KINDS) expect(eventIssues(event({ kind, payload: { nonsense: 1 } })), kind).toMatch(/nonsense/)
    expect(EVENT_KINDS.length).toBe(29)
  })
})

describe('each kind of event', () => {
  const attemptId = '019d8a3e-0000-7000-8000-000000000002'
  const examples: { readonly [K in EventKind]: Payloads[K] } = {
    visitOpened: {},
    visitClosed: {},
    attemptStarted: {
      attemptId,
      techniqueId: 'skirt-line',
      regions: ['skirt'],
      side: 'both',
      toolId: null,
      direction: 'with',
      hands: 'apprentice',
      setting: 'live'
    },
    attemptEnded: { attemptId, minutes: 9, help: 'alone', witness: 'watched' },
    attemptPaused: { attemptId },
    attemptResumed: { attemptId },
    attemptReopened: { attemptId },
    faultNoted: { attemptId, faultId: 'line-wavy', region: null, side: null },
    promptGiven: { attemptId },
    helped: { attemptId, help: 'handsGuided', region: 'skirt', side: 'left' },
    safetyNoted: { attemptId: null, hazardId: 'quick', severity: 'minor', region: 'foreFoot' },
    stressNoted: { attemptId, level: 'restless' },
    pictureTaken: { attemptId: null, pictureId: attemptId },
    praised: { attemptId: null, text: 'Kept the leg low.' },
    breakStarted: {},
    breakEnded: { minutes: 5 },
    stopped: { reason: 'The dog has had enough.' },
    wentOn: {},
    ranOut: { how: 'home' },
    instructorFinished: { regions: ['skirt'], side: 'left' },
    selfRated: { rating: 'pass', best: 'The feet.', mend: '' },
    attemptsConfirmed: {
      attempts: [{ attemptId, minutes: 9, help: 'alone', witness: 'inspected', hands: 'apprentice', side: 'both' }],
      struck: []
    },
    lookedAt: {},
    helpAsked: {},
    holdReleased: { techniqueId: 'pads', hazardId: 'toe-web' },
    noted: { text: 'x' },
    annotated: { eventId: attemptId, faultId: 'line-wavy', text: 'At the elbow.' },
    undone: { eventId: attemptId },
    lateConfirmed: { eventId: attemptId }
  }
  it.each(EVENT_KINDS)('%s is taken whole and refused with a field too many', (kind) => {
    expect(eventIssues(event({ kind, payload: examples[kind] }))).toBe('')
    expect(eventIssues(event({ kind, payload: { ...examples[kind], ownerName: 'Jo' } }))).toMatch(/ownerName is not a known field/)
  })
  it.each(EVENT_KINDS.filter((kind) => Object.keys(examples[kind]).length > 0))('%s is refused with a field missing', (kind) => {
    const [gone] = Object.keys(examples[kind])
    const rest = Object.fromEntries(Object.entries(examples[kind]).filter(([key]) => key !== gone))
    expect(eventIssues(event({ kind, payload: rest }))).toMatch(new RegExp(`payload\\.${gone}`))
  })
  it.each([
    ['seq', -1],
    ['lamport', 1.5],
    ['lamport', 3_000_000_000],
    ['v', 0]
  ])('%s of %f is refused', (field, value) => expect(eventIssues(event({ [field]: value }))).toMatch(new RegExp(field)))
})

describe('a draft grading on the wire', () => {
  const draft = (answers: unknown) => ({ version: 1, answers, critical: [], globalRating: null })
  it('is taken half done', () => {
    expect(
      draftIssues(draft({ belly: { whole: { kind: 'level', level: 3 } }, 'back-length': { left: { kind: 'readings', mm: [3.1] } } }))
    ).toBe('')
  })

  it.each<[string, unknown, RegExp]>([
    [
      'a length of -3 mm',
      { 'back-length': { left: { kind: 'readings', mm: [-3] } } },
      /answers\.back-length\.left\.mm\[0\] is -3; it must be 0 to 300 mm/
    ],
    ['a length of 900 mm', { 'back-length': { left: { kind: 'readings', mm: [900] } } }, /is 900; it must be 0 to 300 mm/],
    ['a level of 7', { belly: { whole: { kind: 'level', level: 7 } } }, /is 7; it must be 4 or less/],
    ['an excuse without a reason', { belly: { whole: { kind: 'excused' } } }, /Say what was there on arrival/],
    ['an unknown side', { belly: { middle: { kind: 'asItShouldBe' } } }, /middle is not a known field/]
  ])('is refused with %s', (_, answers, words) => expect(draftIssues(draft(answers))).toMatch(words))
})

it('collects every issue at once', () => {
  expect(issuesOf(signInSchema as never, {}).map((issue) => issue.detail)).toEqual(['Username is missing.', 'Password is missing.'])
})
