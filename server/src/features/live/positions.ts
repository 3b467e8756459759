// The order in which tablets are told what happened. Decision 0025 says why it is given afterwards.
import type { PracticeEvent } from '@peen/core/practice'
import { asc, desc, eq, gt, isNull, sql } from 'drizzle-orm'
import { inTransaction, tables, type Database, type Reader } from '../../db'
import { eventFrom } from '../derived'

/** Events numbered in one go. More wait for the next: the head is held for a short time only. */
const MOST_AT_ONCE = 500

/**
 * Numbers what has been committed and has no place yet, one after another without a gap, and returns the last position
 * given. Writers never wait for each other here: an event gets its number after its transaction, so that no reader can
 * have passed a number whose row appears later. One numberer at a time, in however many processes: it holds the head.
 */
export async function givePositions(db: Database): Promise<number> {
  const [open] = await db.select({ id: tables.events.id }).from(tables.events).where(isNull(tables.events.position)).limit(1)
  if (!open) return lastPosition(db)
  return inTransaction(db, async (tx) => {
    const [head] = await tx.select().from(tables.liveHead).where(eq(tables.liveHead.id, 1)).for('update')
    // read after the head is held: what another numberer has just placed is seen as placed
    const waiting = await tx
      .select({ id: tables.events.id })
      .from(tables.events)
      .where(isNull(tables.events.position))
      .orderBy(asc(tables.events.receivedAt), asc(tables.events.lamport), asc(tables.events.id))
      .limit(MOST_AT_ONCE)
    if (waiting.length === 0) return head.position
    const cases = waiting.map(({ id }, i) => sql`WHEN ${id} THEN ${sql.raw(String(head.position + i + 1))}`)
    const ids = waiting.map(({ id }) => sql`${id}`)
    await tx.execute(
      sql`UPDATE practice_events SET position = CASE id ${sql.join(cases, sql` `)} END WHERE id IN (${sql.join(ids, sql`, `)})`
    )
    const position = head.position + waiting.length
    await tx.update(tables.liveHead).set({ position }).where(eq(tables.liveHead.id, 1))
    return position
  })
}

/** Numbers everything that has no place yet, however much it is: before a server opens, so that no tablet is told old things as new. */
export async function placeAll(db: Database): Promise<number> {
  let position = await givePositions(db)
  for (let before = -1; position !== before;) [before, position] = [position, await givePositions(db)]
  return position
}

export async function lastPosition(db: Reader): Promise<number> {
  const [head] = await db.select().from(tables.liveHead).orderBy(desc(tables.liveHead.position)).limit(1)
  return head?.position ?? 0
}

/** An event in its place, with whose table it is at: an apprentice is told of the own table only. */
export type Placed = { readonly position: number; readonly apprenticeId: string; readonly event: PracticeEvent }

/** The events after a position, in order. */
export async function eventsAfter(db: Reader, position: number, most = MOST_AT_ONCE): Promise<Placed[]> {
  const { events: e, visits: s } = tables
  const rows = await db
    .select({ event: e, apprenticeId: s.apprenticeId })
    .from(e)
    .innerJoin(s, eq(s.id, e.visitId))
    .where(gt(e.position, position))
    .orderBy(asc(e.position))
    .limit(most)
  return rows.map(({ event, apprenticeId }) => ({ position: event.position!, apprenticeId, event: eventFrom(event) }))
}

/** Something that changes whenever the day or the calendar ahead does beside its events: visits, check-ins, tables, gradings, who is here or away. */
export async function dayStamp(db: Reader, today: string): Promise<string> {
  const [rows] = (await db.execute(sql`
    SELECT CONCAT_WS('|',
      (SELECT CONCAT(COUNT(*), '.', COALESCE(SUM(setup_version), 0), '.', COALESCE(BIT_XOR(CRC32(CONCAT(id, table_id, apprentice_id, dog_id, standard_id))), 0))
         FROM visits WHERE on_date = ${today}),
      (SELECT COALESCE(BIT_XOR(CRC32(CONCAT(id, x_mm, '.', y_mm, '.', turn_deg))), 0) FROM room_tables),
      (SELECT CONCAT(COUNT(*), '.', COALESCE(SUM(status = 'signed'), 0)) FROM gradings g JOIN visits s ON s.id = g.visit_id WHERE s.on_date = ${today}),
      (SELECT COALESCE(BIT_XOR(CRC32(CONCAT(id, on_date, table_id, apprentice_id, dog_id, standard_id, COALESCE(comes_at, '')))), 0)
         FROM visits WHERE on_date >= ${today}),
      (SELECT CONCAT(COUNT(*), '.', COALESCE(BIT_XOR(CRC32(id)), 0)) FROM days_off),
      (SELECT COUNT(*) FROM absences WHERE on_date = ${today}),
      (SELECT COUNT(*) FROM opened_days WHERE on_date = ${today}),
      (SELECT COUNT(*) FROM closed_days WHERE on_date = ${today}),
      (SELECT COALESCE(CRC32(CONCAT(COALESCE(demo_now, ''), COALESCE(rounds, ''), house_rules)), 0) FROM school LIMIT 1)) AS stamp`)) as unknown as [
    readonly { readonly stamp: string }[]
  ]
  return rows[0].stamp
}
