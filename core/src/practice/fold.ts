import { EVENT_KINDS, EVENT_VERSION, STAFF_KINDS, type Attempt, type PracticeEvent, type SessionState } from './types'

const EMPTY: SessionState = Object.freeze({
  openedAt: null,
  closedAt: null,
  stopped: null,
  onBreakSince: null,
  seenAt: null,
  askedAt: null,
  breakMin: 0,
  attempts: [],
  safety: [],
  praises: [],
  notes: [],
  released: [],
  tally: { fault: 0, prompt: 0, helped: 0, praise: 0, break: 0 },
  waiting: [],
  unknown: [],
  lastLamport: 0
})

/** Order of events: lamport, then device, then that device's own count; never clocks or ids. */
export function eventOrder(a: PracticeEvent, b: PracticeEvent): number {
  return a.lamport - b.lamport || (a.deviceId < b.deviceId ? -1 : a.deviceId > b.deviceId ? 1 : 0) || a.seq - b.seq
}

/**
 * The state of one session, folded from its events; the same code in browser and server.
 * Undone events count for nothing; an undo can itself be undone. A late event waits until it is confirmed. Events of an
 * unknown version or kind are kept in `unknown`. The order in which events are passed does not matter.
 */
export function foldSession(events: readonly PracticeEvent[]): SessionState {
  const ordered = [...events].sort(eventOrder)
  const undone = undoneIds(ordered)
  const confirmed = new Set(
    ordered.flatMap((event) => (event.kind === 'lateConfirmed' && !undone.has(event.id) ? [event.payload.eventId] : []))
  )
  const lastLamport = ordered.reduce((most, event) => Math.max(most, event.lamport), 0)
  let state: SessionState = { ...EMPTY, lastLamport }
  for (const event of ordered) {
    if (!isKnown(event)) state = { ...state, unknown: [...state.unknown, event.id] }
    else if (undone.has(event.id)) continue
    else if (event.late && !confirmed.has(event.id)) state = { ...state, waiting: [...state.waiting, event.id] }
    else state = seen(apply(state, event), event)
  }
  return state
}

/** Who notes a fault, releases a hold or vouches for a step stands there: the table is seen, and who asked is answered. */
function seen(state: SessionState, event: PracticeEvent): SessionState {
  const vouches = event.kind === 'attemptEnded' && event.payload.witness !== 'self'
  return vouches || STAFF_KINDS.has(event.kind) ? { ...state, seenAt: event.atDevice, askedAt: null } : state
}

function isKnown(event: PracticeEvent): boolean {
  return event.v === EVENT_VERSION && (EVENT_KINDS as readonly string[]).includes(event.kind)
}

// Read from the newest back: an undo that was itself undone undoes nothing.
function undoneIds(ordered: readonly PracticeEvent[]): ReadonlySet<string> {
  const undone = new Set<string>()
  for (const event of [...ordered].reverse()) {
    if (event.kind === 'undone' && isKnown(event) && !undone.has(event.id)) undone.add(event.payload.eventId)
  }
  return undone
}

function apply(state: SessionState, event: PracticeEvent): SessionState {
  switch (event.kind) {
    case 'sessionOpened':
      return { ...state, openedAt: state.openedAt ?? event.atDevice }
    case 'sessionClosed':
      return { ...state, closedAt: event.atDevice }
    case 'attemptStarted': {
      const { attemptId, ...rest } = event.payload
      const attempt: Attempt = {
        id: attemptId,
        ...rest,
        startedAt: event.atDevice,
        ended: null,
        prompts: 0,
        helps: [],
        faults: [],
        safety: []
      }
      return { ...state, attempts: [...state.attempts, attempt] }
    }
    case 'attemptEnded': {
      const { attemptId, ...ended } = event.payload
      return onAttempt(state, attemptId, (attempt) => ({ ...attempt, ended }))
    }
    case 'faultNoted': {
      const { attemptId, ...seen } = event.payload
      return onAttempt(counted(state, 'fault'), attemptId, (attempt) => ({
        ...attempt,
        faults: [...attempt.faults, { eventId: event.id, ...seen }]
      }))
    }
    case 'promptGiven':
      return onAttempt(counted(state, 'prompt'), event.payload.attemptId, (attempt) => ({ ...attempt, prompts: attempt.prompts + 1 }))
    case 'helped':
      return onAttempt(counted(state, 'helped'), event.payload.attemptId, (attempt) => ({
        ...attempt,
        helps: [...attempt.helps, event.payload.help]
      }))
    case 'safetyNoted': {
      const seen = { eventId: event.id, ...event.payload }
      const next = { ...state, safety: [...state.safety, seen] }
      return seen.attemptId ? onAttempt(next, seen.attemptId, (attempt) => ({ ...attempt, safety: [...attempt.safety, seen] })) : next
    }
    case 'praised': {
      const next = counted(state, 'praise')
      return { ...next, praises: [...next.praises, { eventId: event.id, ...event.payload }] }
    }
    case 'breakStarted':
      return { ...counted(state, 'break'), onBreakSince: event.atDevice }
    case 'breakEnded':
      return { ...state, onBreakSince: null, breakMin: state.breakMin + event.payload.minutes }
    case 'stopped':
      return { ...state, stopped: event.payload.reason }
    case 'helpAsked':
      return { ...state, askedAt: state.askedAt ?? event.atDevice }
    case 'holdReleased':
      return { ...state, released: [...state.released, { ...event.payload, by: event.by }] }
    case 'noted':
      return { ...state, notes: [...state.notes, { eventId: event.id, text: event.payload.text, by: event.by }] }
    case 'lookedAt':
    case 'undone':
    case 'lateConfirmed':
      return state
  }
}

function counted(state: SessionState, what: keyof SessionState['tally']): SessionState {
  return { ...state, tally: { ...state.tally, [what]: state.tally[what] + 1 } }
}

function onAttempt(state: SessionState, id: string, change: (attempt: Attempt) => Attempt): SessionState {
  return { ...state, attempts: state.attempts.map((attempt) => (attempt.id === id ? change(attempt) : attempt)) }
}
