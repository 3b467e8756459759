// Held against the client library for the Experience API in the registry: its words, and the shape of its statements.
import XAPI, { type Statement } from '@xapi/xapi'
import { validate } from 'uuid'
import { describe, expect, it } from 'vitest'
import type { Behind, BehindAttempt, BehindMark } from './shapes'
import { statementsOf } from './xapi'

const VISIT = '019d5d57-ac00-769b-8532-b9a7dc64c160'
const behind = {
  apprentice: { id: '019864a5-2000-7636-8a8d-f4c60657f476', name: 'Abe Test', accounts: [] },
  techniques: [{ id: 'body-clip', name: 'Body clip' }]
} as unknown as Behind
const attempt = {
  ...{ visitId: VISIT, onDate: '2026-04-14', dogId: VISIT, techniqueId: 'body-clip', clean: true, counts: true, setting: 'live' },
  ...{
    minutes: 21,
    prompts: 1,
    help: 'onePrompt',
    sides: 'both',
    majorFaults: [],
    faults: [],
    safetyEvents: 0,
    seriousSafety: false,
    because: ''
  }
} as BehindAttempt
const mark = (outcome: string, more: Partial<BehindMark> = {}): BehindMark => ({
  ...{ gradingId: VISIT, visitId: VISIT, onDate: '2026-04-14', dog: 'Flint', trim: 'Teddy', assessor: 'Ivo Test' },
  ...{ mark: 81.5, low: 77, high: 86, outcome, setAside: false },
  ...more
})
const statements = (marks: readonly BehindMark[]) =>
  statementsOf({
    ...{ behind, attempts: [attempt], marks, home: 'https://school.example' },
    endedAt: () => '2026-04-14T11:04:00.000Z',
    signedAt: () => null
  }) as Statement[]

describe('statements of the Experience API', () => {
  it('say an attempt and a mark in the published words', () => {
    const { COMPLETED, PASSED, FAILED, SCORED } = XAPI.Verbs
    const verbs = statements([mark('passed'), mark('notPassed'), mark('secondAssessor')]).map(({ verb }) => verb.id)
    expect(verbs).toEqual([COMPLETED, PASSED, FAILED, SCORED].map(({ id }) => id))
  })

  it('carry ids, durations and scores as the specification has them', () => {
    const all = statements([mark('passed')])
    for (const { id, actor, object } of all) {
      expect(validate(id!)).toBe(true)
      expect(actor).toMatchObject({ objectType: 'Agent', account: { homePage: 'https://school.example' } })
      expect(new URL((object as { id: string }).id).protocol).toBe('https:')
    }
    const [tried, marked] = all
    expect(tried!.result).toMatchObject({
      success: true,
      completion: true,
      duration: XAPI.calculateISO8601Duration(new Date(0), new Date(21 * 60_000)).replace(/0\.?0*S$/, '')
    })
    expect(tried!.timestamp).toBe('2026-04-14T11:04:00.000Z')
    const { scaled, raw, min, max } = marked!.result!.score!
    expect(scaled).toBeGreaterThanOrEqual(-1)
    expect(scaled).toBeLessThanOrEqual(1)
    expect([raw, min, max]).toEqual([81.5, 0, 100])
    expect(all.map(({ id }) => id)).toEqual(statements([mark('passed')]).map(({ id }) => id))
  })

  it('leave out what was set aside or has no mark yet', () => {
    expect(statements([mark('passed', { setAside: true }), mark('unfinished', { mark: null })])).toHaveLength(1)
  })
})
