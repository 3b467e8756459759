import type { PlanStep } from '../standard'
import type { SessionState } from './types'

const MINUTE_MS = 60000

/** Whole minutes of work in a session up to `now` (ISO), breaks left out; 0 before it is opened. */
export function workedMinutes(state: SessionState, now: string): number {
  if (!state.openedAt) return 0
  const end = Date.parse(state.closedAt ?? now)
  const onBreak = state.onBreakSince ? Math.max(0, end - Date.parse(state.onBreakSince)) / MINUTE_MS : 0
  return Math.max(0, Math.round((end - Date.parse(state.openedAt)) / MINUTE_MS - onBreak - state.breakMin))
}

export type StepProgress = { readonly step: PlanStep; readonly state: 'done' | 'now' | 'todo'; readonly minutes: number | null }

/** The plan's steps as done (an attempt has ended), now (started, not ended) or still to do. */
export function stepProgress(steps: readonly PlanStep[], state: SessionState): StepProgress[] {
  return steps.map((step) => {
    const own = state.attempts.filter((attempt) => attempt.techniqueId === step.technique)
    const ended = own.filter((attempt) => attempt.ended)
    if (own.length > ended.length) return { step, state: 'now', minutes: null }
    if (ended.length === 0) return { step, state: 'todo', minutes: null }
    return { step, state: 'done', minutes: ended.reduce((sum, attempt) => sum + attempt.ended!.minutes, 0) }
  })
}
