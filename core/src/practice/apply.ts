// One event after another into a draft of the state. The draft is the fold's own and never leaves it unfinished.
import { STAFF_KINDS, type Attempt, type PracticeEvent, type VisitState, type Span, type Tallied } from './types'

type Mutable<T> = { -readonly [K in keyof T]: T[K] }
type Lists<T> = { -readonly [K in keyof T]: T[K] extends readonly (infer U)[] ? U[] : T[K] }
type OpenAttempt = Omit<Mutable<Attempt>, 'spans' | 'helps' | 'faults' | 'safety'> & {
  spans: Mutable<Span>[]
  helps: Attempt['helps'][number][]
  faults: Attempt['faults'][number][]
  safety: Attempt['safety'][number][]
}

/** The state while it is folded; `byId` finds an attempt under every id it was started with, `open` the ones not ended. */
export type Draft = Omit<Lists<VisitState>, 'attempts' | 'pauses' | 'remarks' | 'tally' | 'undone' | 'aliases'> & {
  attempts: OpenAttempt[]
  pauses: Mutable<VisitState['pauses'][number]>[]
  remarks: Record<string, string[]>
  tally: Record<Tallied, number>
  byId: Map<string, OpenAttempt>
  open: Set<OpenAttempt>
}

export function startedWith(lastLamport: number): Draft {
  return {
    ...{ openedAt: null, closedAt: null, stopped: null, onBreakSince: null, seenAt: null, askedAt: null, panicsSince: null },
    ...{ pauses: [], attempts: [], safety: [], stresses: [], pictures: [], praises: [], notes: [], remarks: {}, unsaid: [] },
    ...{ released: [], byInstructor: [], ranOut: null, selfRating: null, confirmedBy: null },
    tally: { fault: 0, prompt: 0, helped: 0, praise: 0, stress: 0, picture: 0, break: 0 },
    ...{ waiting: [], unknown: [], lastLamport, byId: new Map(), open: new Set() }
  }
}

/** When something happened, ISO: by the device's clock, moved where the server found that clock wrong. */
export function eventTime({ atDevice, clockOffMs }: PracticeEvent): string {
  return clockOffMs ? new Date(Date.parse(atDevice) + clockOffMs).toISOString() : atDevice
}

/** Adds one event to the draft. An event about an attempt that is not there is kept in the log and changes nothing. */
export function apply(draft: Draft, event: PracticeEvent): void {
  const at = eventTime(event)
  if (event.kind.startsWith('attempt')) applyStep(draft, event, at)
  else applyNote(draft, event, at)
  if (isSeen(event)) {
    draft.seenAt = at
    draft.askedAt = null
    draft.panicsSince = null
    for (const attempt of draft.open) attempt.watched = true
  }
}

/** Who notes a fault, releases a hold or vouches for a step stands there: the table is seen, and who asked is answered. */
function isSeen(event: PracticeEvent): boolean {
  return STAFF_KINDS.has(event.kind) || (event.kind === 'attemptEnded' && event.payload.witness !== 'self')
}

function applyStep(draft: Draft, event: PracticeEvent, at: string): void {
  if (event.kind === 'attemptStarted') return start(draft, event.payload, at)
  if (event.kind === 'attemptsConfirmed') return confirm(draft, event, at)
  const attempt = draft.byId.get((event.payload as { readonly attemptId: string }).attemptId)
  if (!attempt) return
  switch (event.kind) {
    case 'attemptEnded': {
      const { attemptId: _id, ...ended } = event.payload
      attempt.ended = ended
      halt(attempt, at)
      draft.open.delete(attempt)
      return
    }
    case 'attemptPaused':
      return halt(attempt, at)
    case 'attemptResumed':
      return attempt.ended ? undefined : run(draft, attempt, at)
    case 'attemptReopened':
      attempt.ended = null
      return run(draft, attempt, at)
  }
}

/** A second start of what runs already, from another tablet, is the same work: one attempt, both places. */
function start(draft: Draft, payload: Extract<PracticeEvent, { kind: 'attemptStarted' }>['payload'], at: string): void {
  const { attemptId, ...rest } = payload
  // whoever starts a step has begun with the dog, whether or not somebody opened the table first
  draft.openedAt ??= at
  const same = [...draft.open].find(
    (one) => one.techniqueId === rest.techniqueId && one.hands === rest.hands && one.setting === rest.setting
  )
  if (same) {
    same.regions = [...new Set([...same.regions, ...rest.regions])]
    if (same.side !== rest.side) same.side = 'both'
    draft.byId.set(attemptId, same)
    return run(draft, same, at)
  }
  const attempt: OpenAttempt = {
    ...{ id: attemptId, ...rest, startedAt: at, spans: [], ended: null, cutShort: false, confirmed: false, watched: false },
    ...{ prompts: 0, helps: [], faults: [], safety: [] }
  }
  draft.attempts.push(attempt)
  draft.byId.set(attemptId, attempt)
  run(draft, attempt, at)
}

// two hands do one step at a time: what else ran by the same hands waits
function run(draft: Draft, attempt: OpenAttempt, at: string): void {
  for (const other of draft.open) if (other !== attempt && other.hands === attempt.hands) halt(other, at)
  draft.open.add(attempt)
  if (attempt.spans.at(-1)?.to !== null) attempt.spans.push({ from: at, to: null })
}

function halt(attempt: OpenAttempt, at: string): void {
  const last = attempt.spans.at(-1)
  if (last?.to === null) last.to = at
}

function confirm(draft: Draft, event: Extract<PracticeEvent, { kind: 'attemptsConfirmed' }>, at: string): void {
  for (const { attemptId, hands, side, portion, ...ended } of event.payload.attempts) {
    const attempt = draft.byId.get(attemptId)
    if (!attempt) continue
    Object.assign(attempt, { hands, side, ended, confirmed: true }, portion ? { portion } : {})
    halt(attempt, at)
    draft.open.delete(attempt)
  }
  draft.confirmedBy = event.by
}

function applyNote(draft: Draft, event: PracticeEvent, at: string): void {
  switch (event.kind) {
    case 'visitOpened':
      draft.openedAt ??= at
      return
    case 'visitClosed':
      draft.closedAt = at
      for (const attempt of draft.open) halt(attempt, at)
      return
    case 'faultNoted':
    case 'promptGiven':
    case 'helped':
      return noteStep(draft, event)
    case 'safetyNoted': {
      const seen = { eventId: event.id, ...event.payload }
      draft.safety.push(seen)
      if (seen.attemptId) draft.byId.get(seen.attemptId)?.safety.push(seen)
      return
    }
    case 'stressNoted':
      draft.tally.stress++
      draft.panicsSince = event.payload.level === 'panics' ? (draft.panicsSince ?? at) : null
      draft.stresses.push({ eventId: event.id, level: event.payload.level, at })
      return
    case 'pictureTaken':
      draft.tally.picture++
      draft.pictures.push({ eventId: event.id, pictureId: event.payload.pictureId })
      return
    case 'praised':
      draft.tally.praise++
      draft.praises.push({ eventId: event.id, ...event.payload })
      return
    case 'noted':
      draft.notes.push({ eventId: event.id, text: event.payload.text, by: event.by })
      return
    case 'annotated':
      if (event.payload.text) (draft.remarks[event.payload.eventId] ??= []).push(event.payload.text)
      return
    case 'helpAsked':
      draft.askedAt ??= at
      return
    case 'holdReleased':
      draft.released.push({ ...event.payload, by: event.by, at })
      return
    case 'instructorFinished':
      draft.byInstructor.push({ eventId: event.id, ...event.payload })
      return
    case 'selfRated':
      draft.selfRating = event.payload
      return
    default:
      return applyClock(draft, event, at)
  }
}

function noteStep(draft: Draft, event: Extract<PracticeEvent, { kind: 'faultNoted' | 'promptGiven' | 'helped' }>): void {
  const attempt = draft.byId.get(event.payload.attemptId)
  if (!attempt) return
  if (event.kind === 'promptGiven') {
    draft.tally.prompt++
    attempt.prompts++
  } else if (event.kind === 'helped') {
    draft.tally.helped++
    if (event.payload.help === null) draft.unsaid.push(event.id)
    attempt.helps.push(event.payload.help)
  } else {
    const { attemptId: _id, text, ...seen } = event.payload
    draft.tally.fault++
    if (seen.faultId === null) draft.unsaid.push(event.id)
    attempt.faults.push({ eventId: event.id, ...seen, ...(text ? { words: text } : {}) })
  }
}

function applyClock(draft: Draft, event: PracticeEvent, at: string): void {
  switch (event.kind) {
    case 'breakStarted':
      if (draft.onBreakSince !== null) return
      draft.tally.break++
      draft.onBreakSince = at
      draft.pauses.push({ why: 'break', from: at, to: null })
      return
    case 'breakEnded': {
      const pause = draft.pauses.findLast(({ why, to }) => why === 'break' && to === null)
      // a break that is said to be longer than it was takes no work from what came after it
      const said = pause ? Date.parse(pause.from) + event.payload.minutes * 60000 : 0
      if (pause) pause.to = new Date(Math.min(said, Math.max(Date.parse(at), Date.parse(pause.from)))).toISOString()
      draft.onBreakSince = null
      return
    }
    case 'stopped':
      if (draft.stopped === null) draft.pauses.push({ why: 'stop', from: at, to: null })
      if (event.payload.reason === '') draft.unsaid.push(event.id)
      draft.stopped = draft.stopped || event.payload.reason
      return
    case 'wentOn': {
      const pause = draft.pauses.findLast(({ why, to }) => why === 'stop' && to === null)
      if (pause) pause.to = at
      draft.stopped = null
      return
    }
    case 'ranOut':
      draft.ranOut = { how: event.payload.how, at }
      for (const attempt of draft.open) {
        halt(attempt, at)
        attempt.cutShort = true
      }
      return
  }
}
