import { standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { foldSession, stepProgress, workedMinutes, type Attempt, type SessionState } from '.'

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
