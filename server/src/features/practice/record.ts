import { check, eventSchema, type EventAnswer, type Me } from '@peen/contract'
import { CoreError } from '@peen/core/error'
import { EVENT_VERSION, foldSession, type PracticeEvent, type SessionState } from '@peen/core/practice'
import { toolById, type Tool } from '@peen/core/tools'
import canonicalize from 'canonicalize'
import { eq } from 'drizzle-orm'
import { inTransaction, tables, type Transaction } from '../../db'
import { Refused, refuse, type Services } from '../../http'
import { sha256 } from '../audit'
import { eventsOf, rebuildAttempts } from '../derived'
import { rackOf, techniquesOf } from '../school'
import { holdsFor } from './holds'

const OWN_KINDS = ['attemptStarted', 'attemptEnded', 'breakStarted', 'breakEnded', 'noted', 'stopped', 'helpAsked', 'undone'] as const

/** A conflict, a refusal and what was lost against neither: answered event by event. */
export type Recorded = { readonly answers: readonly EventAnswer[]; readonly status: number }

/**
 * Stores a batch of events of one session, each once. The same id with the same content is "already there", with other
 * content a conflict; one that arrives after the session was closed is kept as late. Attempts are recomputed.
 * A batch of one event answers with that event's own HTTP status.
 */
export async function recordEvents(services: Services, actor: Me, sessionId: string, incoming: readonly unknown[]): Promise<Recorded> {
  const receivedAt = await services.clock.now()
  return inTransaction(services.db, async (tx) => {
    const session = (await tx.select().from(tables.sessions).where(eq(tables.sessions.id, sessionId)).for('update'))[0]
    if (!session) throw refuse.notFound('This session')
    if (actor.role === 'apprentice' && session.apprenticeId !== actor.id) throw refuse.forbidden('This is another apprentice’s table.')
    const facts: Facts = {
      tx,
      session,
      actor,
      tools: await rackOf(tx),
      receivedAt,
      stored: (await eventsOf(tx, [sessionId])).get(sessionId)!
    }
    const answers: EventAnswer[] = []
    const statuses: number[] = []
    for (const raw of incoming) {
      try {
        answers.push(await recordOne(facts, raw))
        statuses.push(200)
      } catch (error) {
        if (!(error instanceof Refused) && !(error instanceof CoreError)) throw error
        const id = String((raw as { id?: unknown })?.id ?? '')
        const isConflict = error instanceof Refused && error.status === 409
        answers.push({ id, status: isConflict ? 'conflict' : 'refused', detail: error.message })
        statuses.push(error instanceof Refused ? error.status : 422)
      }
    }
    await rebuildAttempts(tx, sessionId)
    return { answers, status: answers.length === 1 ? statuses[0] : 200 }
  })
}

type Facts = {
  readonly tx: Transaction
  readonly session: typeof tables.sessions.$inferSelect
  readonly actor: Me
  readonly tools: readonly Tool[]
  readonly receivedAt: Date
  readonly stored: PracticeEvent[]
}

async function recordOne(facts: Facts, raw: unknown): Promise<EventAnswer> {
  const checked = check(eventSchema as never, raw)
  if (!checked.ok) throw refuse.invalid(checked.issues)
  const { receivedAt: _none, late: _late, ...event } = checked.value as PracticeEvent
  const contentHash = sha256(canonicalize(event)!)
  const before = (
    await facts.tx.select({ contentHash: tables.events.contentHash }).from(tables.events).where(eq(tables.events.id, event.id))
  )[0]
  if (before?.contentHash === contentHash) return { id: event.id, status: 'alreadyThere', detail: null }
  if (before)
    throw refuse.conflict(
      'eventConflict',
      'An event with this id and other content is stored already. The stored one stands; this one was not taken.'
    )
  const state = foldSession(facts.stored)
  await allow(facts, event as PracticeEvent, state)
  // an instructor's confirming, and taking the closing itself back, are about the closed session: never late
  const reopens =
    event.kind === 'undone' &&
    facts.stored.some((stored) => stored.id === (event.payload as { eventId: string }).eventId && stored.kind === 'sessionClosed')
  const late = state.closedAt !== null && event.kind !== 'lateConfirmed' && !(reopens && facts.actor.role !== 'apprentice')
  const row = {
    ...event,
    payload: event.payload as object,
    atDevice: new Date(event.atDevice),
    receivedAt: facts.receivedAt,
    late,
    contentHash
  }
  await facts.tx.insert(tables.events).values(row)
  facts.stored.push({ ...event, late, receivedAt: facts.receivedAt.toISOString() } as PracticeEvent)
  const detail = late ? 'The session was closed before this came. It is kept as late; an instructor confirms it.' : null
  return { id: event.id, status: late ? 'late' : 'stored', detail }
}

/** Permission and sense of one event; throws the refusal. */
async function allow(facts: Facts, event: PracticeEvent, state: SessionState): Promise<void> {
  const { actor, session } = facts
  if (event.sessionId !== session.id)
    throw refuse.invalid([{ path: 'sessionId', detail: 'sessionId names another session than the address.' }])
  if (event.by !== actor.id) throw refuse.forbidden('An event is recorded by the person who signs in, nobody else.')
  if (event.v !== EVENT_VERSION) return
  if (actor.role === 'apprentice') allowApprentice(event)
  switch (event.kind) {
    case 'attemptStarted': {
      const technique = await techniqueOf(facts.tx, event.payload.techniqueId)
      if (event.payload.toolId !== null) toolById(facts.tools, event.payload.toolId)
      if (state.attempts.some((attempt) => attempt.id === event.payload.attemptId))
        throw refuse.conflict('attemptExists', 'This attempt has been started already.')
      if (session.apprenticeId === actor.id && event.payload.setting === 'live') await allowHold(facts, technique.id, state)
      return
    }
    case 'faultNoted': {
      const attempt = state.attempts.find((candidate) => candidate.id === event.payload.attemptId)
      const faults = attempt ? (await techniqueOf(facts.tx, attempt.techniqueId)).faults : []
      if (attempt && !faults.some((fault) => fault.id === event.payload.faultId)) {
        throw refuse.invalid([
          {
            path: 'payload.faultId',
            detail: `payload.faultId is "${event.payload.faultId}"; allowed is ${faults.map((f) => f.id).join(', ')}.`
          }
        ])
      }
      return requireAttempt(state, event.payload.attemptId)
    }
    case 'attemptEnded':
    case 'promptGiven':
    case 'helped':
      return requireAttempt(state, event.payload.attemptId)
    case 'safetyNoted':
    case 'praised':
      return event.payload.attemptId === null ? undefined : requireAttempt(state, event.payload.attemptId)
    case 'undone':
    case 'lateConfirmed': {
      const target = facts.stored.find((stored) => stored.id === event.payload.eventId)
      if (!target) throw refuse.invalid([{ path: 'payload.eventId', detail: 'payload.eventId names no event of this session.' }])
      if (event.kind === 'undone' && actor.role === 'apprentice' && target.by !== actor.id)
        throw refuse.forbidden('An apprentice takes back own taps only.')
      return
    }
  }
}

async function techniqueOf(tx: Facts['tx'], id: string) {
  const technique = (await techniquesOf(tx)).find((one) => one.id === id)
  if (!technique)
    throw refuse.invalid([
      { path: 'payload.techniqueId', detail: `payload.techniqueId is "${id}"; allowed is a technique of the catalogue.` }
    ])
  return technique
}

function requireAttempt(state: SessionState, id: string): void {
  if (!state.attempts.some((attempt) => attempt.id === id)) {
    throw refuse.invalid([{ path: 'payload.attemptId', detail: 'payload.attemptId names no attempt of this session; start it first.' }])
  }
}

function allowApprentice(event: PracticeEvent): void {
  if (!(OWN_KINDS as readonly string[]).includes(event.kind)) throw refuse.forbidden('This is for an instructor to record.')
  if (event.kind === 'attemptStarted' && event.payload.hands !== 'apprentice')
    throw refuse.forbidden('An apprentice records own hands only.')
  if (event.kind === 'attemptEnded' && event.payload.witness !== 'self')
    throw refuse.forbidden('“Watched” and “inspected” are for an instructor to say.')
}

/** A new, lapsed or held apprentice may not start a risky step until the instructor has tapped "I am here". */
async function allowHold(facts: Facts, techniqueId: string, state: SessionState): Promise<void> {
  const holds = await holdsFor(facts.tx, facts.session, state, facts.session.onDate)
  const hold = holds.find((candidate) => candidate.techniqueId === techniqueId)
  if (hold?.gate) throw refuse.forbidden(`Not ready to cut. ${hold.caution}`)
  if (hold) throw refuse.forbidden(`Wait for the instructor: ${hold.hazardName}. ${hold.caution}`)
}
