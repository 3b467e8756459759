import { standards } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { foldSession, LOW_STAND_MIN, rankLooks, stepProgress, workedMinutes, type Attempt, type SessionState, type TableFacts } from '.'

const quiet: TableFacts = {
  tableNumber: 1,
  sessionId: 's1',
  apprentice: 'Bram',
  dog: 'Flint',
  workedMin: 30,
  standardMin: 95,
  canStandMin: 60,
  leftMin: 40,
  waitingAt: null,
  comingHold: null,
  nextHazard: null,
  attemptsAtNext: 12,
  promptsAtNext: 1,
  stopped: null
}
const table = (change: Partial<TableFacts>): TableFacts => ({ ...quiet, ...change })
const first = (...tables: TableFacts[]) => rankLooks(tables)[0]

describe('the next three looks', () => {
  it('leave a quiet table alone', () => expect(rankLooks([quiet])).toEqual([]))

  it.each<[string, Partial<TableFacts>, RegExp, boolean]>([
    ['stopped work', { stopped: 'Skin is red.' }, /the work was stopped/, true],
    ['somebody waiting at a hold point', { waitingAt: 'ear edge' }, /who waits for you: ear edge/, true],
    ['a dog that has had nearly enough', { canStandMin: LOW_STAND_MIN }, /Flint can stand 6 more/, true],
    ['a dog past its minutes', { canStandMin: -4 }, /Flint can stand 0 more/, true],
    ['a hold point soon', { comingHold: { name: 'throat folds', inMin: 8 } }, /in about 8 minutes, before the throat folds/, false],
    ['a hold point now', { comingHold: { name: 'throat folds', inMin: 0 } }, /now, before the throat folds/, false],
    ['a risky step by somebody new to it', { nextHazard: 'toe web', attemptsAtNext: 0 }, /soon: toe web/, false],
    ['much over time', { workedMin: 110, leftMin: 5 }, /is 15 minutes over/, false],
    ['more work than the dog can stand', { leftMin: 81, canStandMin: 62 }, /81 minutes of work, Flint can stand 62/, false]
  ])('name %s', (_, change, words, danger) => {
    const look = first(table(change))
    expect(look.say).toMatch(words)
    expect(look.danger).toBe(danger)
  })

  it('put the waiting before the tired, the tired before the coming, and three at the most', () => {
    const looks = rankLooks([
      table({ tableNumber: 1, workedMin: 120, leftMin: 1 }),
      table({ tableNumber: 2, comingHold: { name: 'ear edge', inMin: 5 } }),
      table({ tableNumber: 3, canStandMin: 3 }),
      table({ tableNumber: 4, waitingAt: 'toe web' })
    ])
    expect(looks.map((look) => look.tableNumber)).toEqual([4, 3, 2])
  })

  it('say how often somebody has done it', () => {
    expect(first(table({ waitingAt: 'ear edge', attemptsAtNext: 0 })).why).toBe('Never on a live dog so far.')
    expect(first(table({ waitingAt: 'ear edge', attemptsAtNext: 2, promptsAtNext: 3 })).why).toBe('2 on a live dog so far, 3 prompts.')
  })

  it('never depend on the order of the tables', () => {
    const some = [1, 2, 3, 4, 5].map((n) => table({ tableNumber: n, canStandMin: 3 + 20 * (n % 3), workedMin: 60 + 13 * n }))
    const expected = rankLooks(some)
    fc.assert(
      fc.property(fc.shuffledSubarray(some, { minLength: some.length }), (shuffled) => void expect(rankLooks(shuffled)).toEqual(expected))
    )
  })
})

const empty = foldSession([])
const state = (change: Partial<SessionState>): SessionState => ({ ...empty, ...change })

describe('minutes of work', () => {
  const opened = '2026-04-14T08:00:00.000Z'
  // Ref: hand calculation
  it.each<[string, Partial<SessionState>, number]>([
    ['not opened', {}, 0],
    ['running', { openedAt: opened }, 42],
    ['with a break behind', { openedAt: opened, breakMin: 7 }, 35],
    ['on a break now', { openedAt: opened, onBreakSince: '2026-04-14T08:30:00.000Z' }, 30],
    ['closed', { openedAt: opened, closedAt: '2026-04-14T08:20:00.000Z' }, 20]
  ])('%s', (_, change, minutes) => expect(workedMinutes(state(change), '2026-04-14T08:42:00.000Z')).toBe(minutes))
})

describe('the steps of the plan', () => {
  const { steps } = standards[0].plan
  const attempt = (techniqueId: string, minutes: number | null): Attempt =>
    ({ id: techniqueId, techniqueId, ended: minutes === null ? null : { minutes, help: 'alone', witness: 'watched' } }) as Attempt

  it('are to do, now, then done with their minutes', () => {
    const progress = stepProgress(steps, state({ attempts: [attempt('pads', 9), attempt('pads', 3), attempt('nails', null)] }))
    expect(progress[0]).toMatchObject({ state: 'done', minutes: 12 })
    expect(progress[1]).toMatchObject({ state: 'now', minutes: null })
    expect(progress.slice(2).every((step) => step.state === 'todo')).toBe(true)
  })

  it('go back to now when a technique is taken up again', () => {
    expect(stepProgress(steps, state({ attempts: [attempt('pads', 9), attempt('pads', null)] }))[0].state).toBe('now')
  })
})
