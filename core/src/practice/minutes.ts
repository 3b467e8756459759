import type { PlanStep } from '../standard'
import type { Attempt, VisitState, Span } from './types'

const MINUTE_MS = 60000
type Stretch = readonly [fromMs: number, toMs: number]

/** Milliseconds of stretches of time that do not lie in any of the others; overlaps count once. */
function outside(work: readonly Stretch[], pauses: readonly Stretch[]): number {
  const joined: [number, number][] = []
  for (const [from, to] of [...pauses].sort(([a], [b]) => a - b)) {
    const last = joined.at(-1)
    if (last && from <= last[1]) last[1] = Math.max(last[1], to)
    else joined.push([from, to])
  }
  const overlap = ([from, to]: Stretch) =>
    joined.reduce((sum, [start, end]) => sum + Math.max(0, Math.min(to, end) - Math.max(from, start)), 0)
  return work.reduce((sum, stretch) => sum + Math.max(0, stretch[1] - stretch[0]) - overlap(stretch), 0)
}

function stretches(spans: readonly Span[], endMs: number): Stretch[] {
  return spans.map(({ from, to }) => [Date.parse(from), to === null ? Math.max(Date.parse(from), endMs) : Date.parse(to)])
}

/** Work is over when the dog can stand no longer, and at the latest when the table is closed: closing later adds no minute. */
function endOf({ closedAt, ranOut }: VisitState, now: string): number {
  const ends = [closedAt, ranOut?.at ?? null].flatMap((at) => (at === null ? [] : [Date.parse(at)]))
  return ends.length > 0 ? Math.min(...ends) : Date.parse(now)
}

/** Whole minutes of work in a visit up to `now` (ISO), breaks and stops left out; 0 before it is opened. */
export function workedMinutes(state: VisitState, now: string): number {
  if (!state.openedAt) return 0
  // a clock that was set wrong may put the end before the beginning: no minutes, never less than none
  const end = endOf(state, now)
  return Math.max(0, Math.round(outside([[Date.parse(state.openedAt), end]], stretches(state.pauses, end)) / MINUTE_MS))
}

/** Whole minutes that a step was worked at up to `now` (ISO): pauses of its own, breaks and stops left out. */
export function attemptMinutes(attempt: Attempt, state: VisitState, now: string): number {
  const end = endOf(state, now)
  return Math.max(0, Math.round(outside(stretches(attempt.spans, end), stretches(state.pauses, end)) / MINUTE_MS))
}

/** The attempt under way: not ended, not paused, not cut short. */
export function runningAttempt(state: VisitState): Attempt | null {
  return state.attempts.find((attempt) => isOpen(attempt) && attempt.spans.at(-1)?.to === null) ?? null
}

const isOpen = (attempt: Attempt) => attempt.ended === null && !attempt.cutShort

export type StepState = 'done' | 'now' | 'paused' | 'todo'
export type StepProgress = { readonly step: PlanStep; readonly state: StepState; readonly minutes: number | null }

/** The plan's steps as done (an attempt has ended), now (started, not ended), paused, or still to do. */
export function stepProgress(steps: readonly PlanStep[], state: VisitState): StepProgress[] {
  const running = runningAttempt(state)
  return steps.map((step) => {
    const own = state.attempts.filter((attempt) => attempt.techniqueId === step.technique)
    const ended = own.filter((attempt) => attempt.ended)
    if (running && own.includes(running)) return { step, state: 'now', minutes: null }
    if (own.some(isOpen)) return { step, state: 'paused', minutes: null }
    if (ended.length === 0) return { step, state: 'todo', minutes: null }
    return { step, state: 'done', minutes: ended.reduce((sum, attempt) => sum + attempt.ended!.minutes, 0) }
  })
}
