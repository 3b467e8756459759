// Who may record what at a table, and whether it makes sense there.
import { retiredTechniques } from '@peen/content'
import type { Me, TechniqueVersion } from '@peen/contract'
import {
  EVENT_VERSION,
  isNote,
  mayUndo,
  OTHER_FAULT,
  UNDO_SECONDS,
  VOUCHING_KINDS,
  type EventKind,
  type Folding,
  type PracticeEvent,
  type VisitState
} from '@peen/core/practice'
import { toolById, type Tool } from '@peen/core/tools'
import { eq } from 'drizzle-orm'
import { tables, type Reader, type Transaction } from '../../db'
import { refuse } from '../../http'
import { gateAt } from './found'
import { holdsFor } from './holds'

export type Facts = {
  readonly tx: Transaction
  readonly visit: typeof tables.visits.$inferSelect
  readonly actor: Me
  readonly receivedAt: Date
  readonly sentAt: string | null
  readonly fold: Folding
  /** read once for a batch, and only where an event asks */
  readonly rack: () => Promise<readonly Tool[]>
  readonly techniques: () => Promise<readonly TechniqueVersion[]>
  /** why nothing counts at once at this visit any more; null where it does */
  readonly closed: string | null
}

/** What an apprentice records at the own table. */
const OWN_KINDS: ReadonlySet<EventKind> = new Set([
  ...(['attemptStarted', 'attemptEnded', 'attemptPaused', 'attemptResumed', 'attemptReopened'] as const),
  ...(['breakStarted', 'breakEnded', 'stressNoted', 'pictureTaken', 'noted', 'stopped', 'wentOn'] as const),
  ...(['helpAsked', 'selfRated', 'annotated', 'undone'] as const)
])
/** No tablet counts so far ahead of what a visit holds, however long it was away. */
const MOST_AHEAD = 20000
/** How much later than the tap the server may hear of its undo, s, unless both came together. Chosen: a slow network, not a second thought. */
const UNDO_ARRIVES_SECONDS = 30

/** What an instructor alone says, though it does not vouch for a step. */
const STAFF_WORDS = 'Only an instructor can record this.'

/** Why everything at a visit is late now: its day is closed, or its apprentice has left. Null on an ordinary day. */
export async function whyLate(db: Reader, { onDate, apprenticeId }: Facts['visit']): Promise<string | null> {
  const { people: p, closedDays: d } = tables
  const [{ name, active, closed }] = await db
    .select({ name: p.givenName, active: p.active, closed: d.onDate })
    .from(p)
    .leftJoin(d, eq(d.onDate, onDate))
    .where(eq(p.id, apprenticeId))
  if (closed) return `${onDate} is closed. This is recorded as late until an instructor confirms it.`
  return active ? null : `${name} has left the school. This is recorded as late until an instructor confirms it.`
}

/** Permission and sense of one event; throws the refusal. */
export async function allow(facts: Facts, event: PracticeEvent, state: VisitState): Promise<void> {
  const { actor, visit } = facts
  if (event.visitId !== visit.id) throw refuse.invalid([{ path: 'visitId', detail: 'visitId names another visit than the address.' }])
  if (event.by !== actor.id) throw refuse.forbidden('Events can be recorded only by the person signed in.')
  if (event.away === 'picked' && VOUCHING_KINDS.has(event.kind))
    throw refuse.forbidden('This was tapped under a name picked without a PIN. Sign in and do it again yourself.')
  // whatever its version: an apprentice sends only kinds that are an apprentice's
  if (actor.role === 'apprentice') allowApprentice(event)
  else if (event.kind === 'selfRated') throw refuse.forbidden('Only the apprentice can rate their own trim.')
  const most = state.lastLamport + MOST_AHEAD
  if (event.lamport > most)
    throw refuse.invalid([{ path: 'lamport', detail: `lamport is ${event.lamport}; it can be up to ${most} at this visit now.` }])
  if (event.v !== EVENT_VERSION) return
  switch (event.kind) {
    case 'attemptStarted':
      return allowStart(facts, event, state)
    case 'attemptResumed':
    case 'attemptReopened': {
      const attempt = attemptOf(state, event.payload.attemptId)
      const isOwn = visit.apprenticeId === actor.id && attempt.hands === 'apprentice' && attempt.setting === 'live'
      if (!isOwn) return
      const tool = (await facts.rack()).find(({ id }) => id === attempt.toolId) ?? null
      return allowHold(facts, attempt.techniqueId, state, tool)
    }
    case 'faultNoted':
      return allowFault(facts, attemptOf(state, event.payload.attemptId).techniqueId, event.payload.faultId, event.payload.text)
    case 'attemptEnded':
    case 'attemptPaused':
    case 'promptGiven':
    case 'helped':
      return void attemptOf(state, event.payload.attemptId)
    case 'safetyNoted':
    case 'praised':
    case 'stressNoted':
    case 'pictureTaken':
      return event.payload.attemptId === null ? undefined : void attemptOf(state, event.payload.attemptId)
    case 'attemptsConfirmed':
      for (const { attemptId } of event.payload.attempts) attemptOf(state, attemptId)
      for (const id of event.payload.struck)
        if (!isNote(eventNamed(facts, id, 'struck')))
          throw refuse.conflict(
            'notANote',
            'Only a fault, a prompt, help, stress or praise can be struck out at the end of a table. Nothing was changed.'
          )
      return
    case 'instructorFinished':
      return allowFinishing(facts, state)
    case 'annotated':
      return allowAnnotation(facts, event, state)
    case 'undone':
      return allowUndo(facts, event, state)
    case 'lateConfirmed':
      return void eventNamed(facts, event.payload.eventId, 'eventId')
  }
}

async function allowStart(facts: Facts, event: Extract<PracticeEvent, { kind: 'attemptStarted' }>, state: VisitState): Promise<void> {
  const { visit, actor } = facts
  const { techniqueId, toolId, attemptId, setting } = event.payload
  const technique = await techniqueOf(facts, techniqueId)
  const tool = toolId === null ? null : toolById(await facts.rack(), toolId)
  if (attemptId in state.aliases || state.attempts.some((attempt) => attempt.id === attemptId))
    throw refuse.conflict('attemptExists', 'This attempt has already started.')
  if (visit.apprenticeId === actor.id && setting === 'live') await allowHold(facts, technique.id, state, tool)
}

async function techniqueOf({ techniques }: Facts, id: string) {
  // a tablet that was away may still send a name of before
  const technique = [...(await techniques()), ...retiredTechniques].find((one) => one.id === id)
  if (!technique)
    throw refuse.invalid([{ path: 'payload.techniqueId', detail: `payload.techniqueId is “${id}”; it must be in the catalogue.` }])
  return technique
}

async function allowFault(facts: Facts, techniqueId: string, faultId: string | null | undefined, words?: string): Promise<void> {
  if (faultId === null || faultId === undefined) return
  if (faultId === OTHER_FAULT) {
    if (words?.trim()) return
    throw refuse.invalid([{ path: 'payload.text', detail: 'Say in words what the other fault is.' }])
  }
  const { faults } = await techniqueOf(facts, techniqueId)
  if (faults.some((fault) => fault.id === faultId)) return
  const allowed = [...faults.map((fault) => fault.id), `${OTHER_FAULT} with its words`].join(', ')
  throw refuse.invalid([{ path: 'payload.faultId', detail: `payload.faultId is "${faultId}"; it must be ${allowed}.` }])
}

/** What may be said of an earlier tap: more words of any, a fault of the technique it was noted at. */
async function allowAnnotation(facts: Facts, event: Extract<PracticeEvent, { kind: 'annotated' }>, state: VisitState): Promise<void> {
  const target = eventNamed(facts, event.payload.eventId, 'eventId')
  if (facts.actor.role === 'apprentice' && target.by !== facts.actor.id)
    throw refuse.forbidden('Apprentices can add detail only to their own taps.')
  if (target.kind === 'faultNoted')
    await allowFault(facts, attemptOf(state, target.payload.attemptId).techniqueId, event.payload.faultId, event.payload.text)
}

/** A wrong note before the table is finished, later with a reason; all else within ten seconds. */
function allowUndo(facts: Facts, event: Extract<PracticeEvent, { kind: 'undone' }>, state: VisitState): void {
  const target = eventNamed(facts, event.payload.eventId, 'eventId')
  if (facts.actor.role === 'apprentice' && target.by !== facts.actor.id) throw refuse.forbidden('Apprentices can undo only their own taps.')
  const hasReason = (event.payload.reason ?? '').trim() !== ''
  const isFinished = state.closedAt !== null
  const isStaff = facts.actor.role !== 'apprentice'
  if (isFinished && isNote(target) && isStaff && !hasReason && !mayUndo(target, event, { isFinished, hasReason, isStaff }))
    throw refuse.conflict('reasonMissing', 'This table is finished: give a reason for withdrawing this. Nothing was changed.')
  if (!mayUndo(target, event, { isFinished, hasReason, isStaff }))
    throw refuse.conflict(
      'undoTooLate',
      `A tap is taken back within ${UNDO_SECONDS} seconds. It stays; say more of it, or strike it when the table ends.`
    )
  const isFree = isNote(target) || UNDONE_ANY_TIME.has(target.kind)
  if (!isFree && !arrivedInTime(facts, target))
    throw refuse.conflict(
      'undoTooLate',
      `This came too late: more than ${UNDO_ARRIVES_SECONDS} seconds have passed since the tap was sent. It stays.`
    )
  const others = facts.fold.events.find((one) => one.by !== facts.actor.id && refersTo(one, target))
  if (others)
    throw refuse.conflict(
      'referredTo',
      'Other taps already follow from this one, so it stays. Add detail to it, or correct it when the table ends.'
    )
}
/** What a table is in, and not what was seen. */
const UNDONE_ANY_TIME: ReadonlySet<EventKind> = new Set(['visitClosed', 'helpAsked', 'ranOut'])

/** By the server's own clock; a tablet that was away sends both at once. */
function arrivedInTime({ receivedAt }: Facts, target: PracticeEvent): boolean {
  return target.receivedAt === null || receivedAt.getTime() - Date.parse(target.receivedAt) <= UNDO_ARRIVES_SECONDS * 1000
}

/** Does an event go on from another: from the step that it started, or from the tap itself? */
function refersTo(event: PracticeEvent, target: PracticeEvent): boolean {
  const payload = event.payload as {
    readonly attemptId?: string | null
    readonly eventId?: string
    readonly attempts?: readonly { attemptId: string }[]
  }
  if (payload.eventId === target.id) return true
  if (target.kind !== 'attemptStarted' || event.id === target.id) return false
  const { attemptId } = target.payload
  return payload.attemptId === attemptId || (payload.attempts ?? []).some((one) => one.attemptId === attemptId)
}

/** What the instructor's hands finish is no evidence: the trim is graded as the apprentice left it, so the grading comes first. */
async function allowFinishing({ tx, visit }: Facts, state: VisitState): Promise<void> {
  if (state.ranOut !== null) return
  const { gradings: g } = tables
  const [begun] = await tx.select({ id: g.id }).from(g).where(eq(g.visitId, visit.id)).limit(1)
  if (!begun)
    throw refuse.conflict(
      'gradeFirst',
      'Grade first: open this trim’s grading before you correct it, so that it is marked as the apprentice left it. Nothing was changed.'
    )
}

function attemptOf(state: VisitState, id: string) {
  // a step that two tablets started is one attempt under either id
  const attempt = state.attempts.find((one) => one.id === (state.aliases[id] ?? id))
  if (!attempt)
    throw refuse.invalid([{ path: 'payload.attemptId', detail: 'payload.attemptId is not an attempt of this visit; start it first.' }])
  return attempt
}

function eventNamed({ fold }: Facts, id: string, field: string): PracticeEvent {
  const target = fold.events.find((one) => one.id === id)
  if (!target) throw refuse.invalid([{ path: `payload.${field}`, detail: `payload.${field} is not an event of this visit.` }])
  return target
}

function allowApprentice(event: PracticeEvent): void {
  if (!OWN_KINDS.has(event.kind)) throw refuse.forbidden(STAFF_WORDS)
  if (event.kind === 'attemptStarted' && event.payload.hands !== 'apprentice')
    throw refuse.forbidden('Apprentices can record only their own work.')
  if (event.kind === 'attemptEnded' && event.payload.witness !== 'self')
    throw refuse.forbidden('Only an instructor can say “watched” or “inspected”.')
}

/** A new, lapsed or held apprentice may not start a risky step until the instructor has tapped "I am here". */
async function allowHold(facts: Facts, techniqueId: string, state: VisitState, tool: Pick<Tool, 'kind'> | null): Promise<void> {
  // whether the trim plans this step or not
  const waits = gateAt(facts.visit, techniqueId, tool)
  if (waits !== null) throw refuse.forbidden(`Not ready to cut. ${waits}`)
  const holds = await holdsFor(facts.tx, facts.visit, state, facts.visit.onDate)
  const hold = holds.find((candidate) => !candidate.gate && candidate.techniqueId === techniqueId)
  if (hold) throw refuse.forbidden(`Wait for the instructor: ${hold.hazardName}. ${hold.caution}`)
}
