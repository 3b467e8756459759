// Tables in the room: put in, taken out, and the tools that lie at them.
import type { NewTable, TableTools } from '@peen/contract'
import { freePlace } from '@peen/core/day'
import { sayDay } from '@peen/core/units'
import { and, eq, gte, isNull } from 'drizzle-orm'
import { inTransaction, orTaken, tables } from '../../db'
import { refuse, type Services } from '../../http'
import { rackOf, schoolRow } from '../school'

/** Puts another table into the room, where there is a place for it. */
export async function addTable({ db }: Services, { id }: NewTable): Promise<{ readonly id: string; readonly number: number }> {
  return inTransaction(db, async (tx) => {
    const room = await schoolRow(tx)
    const all = await tx.select().from(tables.roomTables).for('update')
    const stand = all.filter(({ removedOn }) => removedOn === null)
    const place = freePlace([room.roomWidthMm, room.roomDepthMm], stand)
    if (!place) throw refuse.conflict('roomFull', `The room is full with ${stand.length} tables. Nothing was changed.`)
    const number = Math.max(0, ...all.map((table) => table.number)) + 1
    await orTaken(tx.insert(tables.roomTables).values({ id, number, ...place, turnDeg: 0 }), refuse.taken('table'))
    return { id, number }
  })
}

/** Says which tools lie at a table; what the adviser advises there comes from these. */
export async function setTableTools({ db }: Services, id: string, { toolIds }: TableTools): Promise<TableTools> {
  const rack = new Set((await rackOf(db)).map((tool) => tool.id))
  const unknown = (toolIds ?? []).filter((toolId) => !rack.has(toolId))
  if (unknown.length > 0)
    throw refuse.invalid([
      { path: 'toolIds', detail: `${unknown[0]} is not in the rack; choose a tool from the rack. Nothing was changed.` }
    ])
  const one = (await db.select().from(tables.roomTables).where(eq(tables.roomTables.id, id)))[0]
  if (!one) throw refuse.notFound('This table')
  await db
    .update(tables.roomTables)
    .set({ toolIds: toolIds === null ? null : [...new Set(toolIds)] })
    .where(eq(tables.roomTables.id, id))
  return { toolIds }
}

/** Takes a table out of the room. What was done at it stays; one with a dog on it today, or planned for, is refused. */
export async function removeTable({ db, clock }: Services, id: string): Promise<{ readonly number: number }> {
  const today = await clock.today()
  return inTransaction(db, async (tx) => {
    const { roomTables: t, visits: s, dogs: d } = tables
    const [table] = await tx
      .select()
      .from(t)
      .where(and(eq(t.id, id), isNull(t.removedOn)))
      .for('update')
    if (!table) throw refuse.notFound('This table')
    const ahead = await tx
      .select({ onDate: s.onDate, dog: d.name })
      .from(s)
      .innerJoin(d, eq(d.id, s.dogId))
      .where(and(eq(s.tableId, id), gte(s.onDate, today)))
    if (ahead.length > 0) {
      const list = ahead.slice(0, 3).map(({ onDate, dog }) => `${dog} on ${sayDay(onDate)}`)
      throw refuse.conflict(
        'tableTaken',
        `Table ${table.number} is planned for ${list.join(', ')}${ahead.length > 3 ? ' and others' : ''}: move those visits first. Nothing was changed.`
      )
    }
    await tx.update(t).set({ removedOn: today }).where(eq(t.id, id))
    return { number: table.number }
  })
}
