import { check, eventSchema, type EventAnswer, type Me } from '@peen/contract'
import { CoreError } from '@peen/core/error'
import { clockOff, isNote, type PracticeEvent } from '@peen/core/practice'
import canonicalize from 'canonicalize'
import { eq, inArray } from 'drizzle-orm'
import { validate as isUuid } from 'uuid'
import { inTransaction, isTaken, tables, type Transaction } from '../../db'
import { Refused, refuse, type Services } from '../../http'
import { countedIn, inFirstWords, sha256 } from '@peen/bundle'
import { storeAttempts, storeCoat } from '../derived'
import { rackOf, techniquesOf } from '../school'
import { majorFaults } from '../techniques'
import { allow, whyLate, type Facts } from './allow'
import { countedText, keepFold, takeFold, type Fold } from './folds'
import { markInstructorsParts } from './instructor'

/** A conflict, a refusal and what was lost against neither: answered event by event. */
export type Recorded = { readonly answers: readonly EventAnswer[]; readonly status: number }

/** How a batch came: the tablet's clock as it sent, and which tablet it is as the server knows it. */
export type Sent = { readonly sentAt?: string | null; readonly deviceId?: string }

/**
 * Stores a batch of events of one visit, each once. The same id with the same content is "already there", with other
 * content a conflict; one that arrives after the visit was closed is kept as late. `sentAt` is the tablet's clock when
 * it sent: one that is wrong is put right, event by event. Attempts are recomputed where the events change them.
 * A batch of one event answers with that event's own HTTP status.
 */
export async function recordEvents(
  services: Services,
  actor: Me,
  visitId: string,
  incoming: readonly unknown[],
  { sentAt = null, deviceId }: Sent = {}
): Promise<Recorded> {
  const receivedAt = await services.clock.now()
  const sent: Batched = { actor, visitId, incoming, sentAt, deviceId, receivedAt }
  try {
    return await recordBatch(services, sent, false)
  } catch (error) {
    // an id that another visit has: found by the key itself, and only then asked for
    if (!isTaken(error)) throw error
    return recordBatch(services, sent, true)
  }
}

type Batched = {
  readonly actor: Me
  readonly visitId: string
  readonly incoming: readonly unknown[]
  readonly sentAt: string | null
  readonly deviceId: string | undefined
  readonly receivedAt: Date
}

async function recordBatch(services: Services, sent: Batched, asksIds: boolean): Promise<Recorded> {
  const { actor, visitId, incoming, sentAt, deviceId, receivedAt } = sent
  const { db } = services
  const { recorded, version, fold } = await inTransaction(db, async (tx) => {
    const visit = (await tx.select().from(tables.visits).where(eq(tables.visits.id, visitId)).for('update'))[0]
    if (!visit) throw refuse.notFound('This visit')
    if (actor.role === 'apprentice' && visit.apprenticeId !== actor.id) throw refuse.forbidden('This is another apprentice’s table.')
    const fold = await takeFold(db, tx, visit)
    const read = { rack: once(() => rackOf(tx)), techniques: once(() => techniquesOf(tx)) }
    const facts: Facts = { tx, visit, actor, receivedAt, sentAt, fold: fold.folding, closed: await whyLate(tx, visit), ...read }
    const elsewhere = asksIds ? await hashesOf(tx, incoming) : []
    const batch: Batch = { known: new Map([...elsewhere, ...fold.hashes]), rows: [], deviceId }
    const answers: EventAnswer[] = []
    const statuses: number[] = []
    for (const raw of incoming) {
      try {
        answers.push(await recordOne(facts, batch, raw))
        statuses.push(200)
      } catch (error) {
        if (!isAnswer(error)) throw error
        const id = String((raw as { id?: unknown } | null)?.id ?? '').slice(0, 60)
        const isConflict = error instanceof Refused && error.status === 409
        answers.push({ id, status: isConflict ? 'conflict' : 'refused', detail: error instanceof Error ? error.message : '' })
        statuses.push(error instanceof Refused ? error.status : 422)
      }
    }
    if (batch.rows.length > 0) await write(tx, visit, fold, batch.rows)
    const recorded = { answers, status: answers.length === 1 ? statuses[0] : 200 }
    return { recorded, fold, version: visit.eventsVersion + (batch.rows.length > 0 ? 1 : 0) }
  })
  keepFold(db, visitId, version, fold)
  return recorded
}

/** Writes new events and what follows from them. */
async function write(tx: Transaction, visit: Visit, fold: Fold, rows: Batch['rows']): Promise<void> {
  await tx.insert(tables.events).values(rows)
  await tx
    .update(tables.visits)
    .set({ eventsVersion: visit.eventsVersion + 1 })
    .where(eq(tables.visits.id, visit.id))
  for (const { id, contentHash } of rows) fold.hashes.set(id, contentHash)
  await updateAttempts(tx, visit, fold)
  if (rows.some(({ kind }) => COAT_KINDS.has(kind))) await storeCoat(tx, visit, fold.folding.events)
}
type Visit = typeof tables.visits.$inferSelect

/** Writes the attempts of a visit only where new events have changed them: most taps do not. */
async function updateAttempts(tx: Transaction, visit: Visit, fold: Fold): Promise<void> {
  const state = fold.folding.state()
  const counted = countedText(state)
  if (counted === fold.counted) return
  fold.counted = counted
  await storeAttempts(tx, visit, countedIn(state, await majorFaults(tx)))
}

/** Kinds that say that hair was taken, or take it back. */
const COAT_KINDS: ReadonlySet<string> = new Set([
  'attemptEnded',
  'attemptsConfirmed',
  'instructorFinished',
  'ranOut',
  'undone',
  'attemptReopened',
  'lateConfirmed'
])
/** What is said of one event alone; anything else concerns the whole batch. */
const isAnswer = (error: unknown): error is Refused | CoreError => error instanceof Refused || error instanceof CoreError

/** What is stored already of the ids that came, and the rows that are written in one go. */
type Batch = {
  readonly known: Map<string, string>
  readonly rows: (typeof tables.events.$inferInsert)[]
  readonly deviceId: string | undefined
}

async function hashesOf(tx: Transaction, incoming: readonly unknown[]): Promise<Map<string, string>> {
  const ids = incoming.flatMap((raw) => {
    const id = (raw as { id?: unknown } | null)?.id
    return typeof id === 'string' && isUuid(id) ? [id] : []
  })
  if (ids.length === 0) return new Map()
  const { events: e } = tables
  const rows = await tx.select({ id: e.id, contentHash: e.contentHash }).from(e).where(inArray(e.id, ids))
  return new Map(rows.map(({ id, contentHash }) => [id, contentHash]))
}

function once<T>(read: () => Promise<T>): () => Promise<T> {
  let kept: Promise<T> | null = null
  return () => (kept ??= read())
}

/** Halves of a letter, depths that no event has, days before any dog here: said, and never an error of the server's. */
function refuseOdd(event: PracticeEvent): void {
  if (isOdd(event)) throw refuse.invalid([{ path: 'payload', detail: 'The text contains half a character. Type it again.' }])
  const year = new Date(event.atDevice).getUTCFullYear()
  if (!(year >= FIRST_YEAR && year <= LAST_YEAR))
    throw refuse.invalid([
      {
        path: 'atDevice',
        detail: `atDevice is ${event.atDevice}; it must be from ${FIRST_YEAR} to ${LAST_YEAR}. Set the tablet’s clock.`
      }
    ])
}
const [FIRST_YEAR, LAST_YEAR] = [2000, 2100]
const DEEPEST = 12

function isOdd(value: unknown, depth = 0): boolean {
  if (typeof value === 'string') return /\p{Surrogate}/u.test(value)
  if (typeof value !== 'object' || value === null) return false
  return depth > DEEPEST || Object.entries(value).some(([key, own]) => isOdd(key, depth) || isOdd(own, depth + 1))
}

async function recordOne(facts: Facts, { known, rows, deviceId }: Batch, raw: unknown): Promise<EventAnswer> {
  const checked = check(eventSchema as never, raw)
  if (!checked.ok) throw refuse.invalid(checked.issues)
  refuseOdd(checked.value as PracticeEvent)
  const { receivedAt: _none, late: _late, clockOffMs: _off, position: _place, away, ...rest } = checked.value as PracticeEvent
  const event = away ? { ...rest, away } : rest
  const contentHash = sha256(canonicalize(inFirstWords(event))!)
  const before = known.get(event.id)
  if (before === contentHash) return { id: event.id, status: 'alreadyThere', detail: null }
  if (before)
    throw refuse.conflict(
      'eventConflict',
      'A different event with this id is already stored. The stored one stays; this one was not saved.'
    )
  const state = facts.fold.state()
  const clockOffMs = clockOff(event.atDevice, facts.receivedAt.toISOString(), facts.sentAt)
  // which tablet it was is not the tap's to say
  const moved = { ...event, clockOffMs, ...(deviceId ? { deviceId } : {}) } as PracticeEvent
  await allow(facts, moved, state)
  const why = lateness(facts, moved, state.closedAt !== null)
  const late = why !== null
  const row = {
    ...event,
    deviceId: moved.deviceId,
    payload: event.payload as object,
    atDevice: new Date(event.atDevice),
    receivedAt: facts.receivedAt,
    late,
    contentHash,
    clockOffMs
  }
  rows.push(row)
  known.set(event.id, contentHash)
  facts.fold.add({ ...moved, late, receivedAt: facts.receivedAt.toISOString() } as PracticeEvent)
  if (moved.kind === 'instructorFinished' && !late) await markInstructorsParts(facts.tx, facts.visit, moved.payload)
  const clock = clockOffMs === null ? null : sayClock(clockOffMs)
  return { id: event.id, status: late ? 'late' : 'stored', detail: why ?? clock }
}

/** Why an event is kept as late and does not count until an instructor confirms it; null where it counts at once. */
function lateness({ closed, actor, fold: { events: stored } }: Facts, event: PracticeEvent, isFinished: boolean): string | null {
  if (event.kind === 'lateConfirmed') return null
  if (closed !== null) return closed
  if (!isFinished) return null
  // how the apprentice sees the own trim is said after it is finished; taking the closing itself back reopens it
  if (event.kind === 'selfRated') return null
  const named = event.kind === 'undone' ? stored.find(({ id }) => id === event.payload.eventId) : undefined
  // a note that is taken back with a reason after the end: the instructor's word, at once
  if (named && isNote(named) && actor.role !== 'apprentice') return null
  const reopens = event.kind === 'undone' && stored.some(({ id, kind }) => id === event.payload.eventId && kind === 'visitClosed')
  if (reopens && actor.role !== 'apprentice') return null
  return 'The visit was closed before this arrived. It is recorded as late until an instructor confirms it.'
}

function sayClock(offMs: number): string {
  const minutes = Math.max(1, Math.round(Math.abs(offMs) / 60000))
  return `This tablet’s clock is ${minutes} minutes ${offMs < 0 ? 'ahead' : 'behind'}, so the event is recorded at the school’s time. Set the tablet’s clock.`
}
