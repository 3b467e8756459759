// The school's own rack: changed as a whole, taken back step by step.
import type { Me, NewRack, RackView } from '@peen/contract'
import { SKIN_FAULTS } from '@peen/content'
import type { EventKind, Payloads } from '@peen/core/practice'
import type { Tool } from '@peen/core/tools'
import { desc, eq } from 'drizzle-orm'
import { inTransaction, tables, type Reader, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { newestStandards, rackOf } from '../school'
import { rackFromCsv, rackIssues, rackToCsv } from './csv'

const KEPT_CHANGES = 50

export async function rackView(db: Reader): Promise<RackView> {
  const { rackChanges: c } = tables
  const [last] = await db.select({ what: c.what }).from(c).orderBy(desc(c.seq)).limit(1)
  return { tools: await rackOf(db), undo: last?.what ?? null, nicks: await nicksByTool(db) }
}

/** How often a nick or a burn was noted with each tool, over everything that is on record; what was taken back is not counted. */
async function nicksByTool(db: Reader): Promise<Readonly<Record<string, number>>> {
  const { events: e } = tables
  const of = async (kind: EventKind) => db.select({ id: e.id, payload: e.payload }).from(e).where(eq(e.kind, kind))
  const noted = (await of('faultNoted')) as unknown as { readonly id: string; readonly payload: Payloads['faultNoted'] }[]
  const nicks = noted.filter(({ payload }) => payload.faultId !== null && SKIN_FAULTS.has(payload.faultId))
  if (nicks.length === 0) return {}
  const undone = new Set(((await of('undone')) as unknown as { payload: Payloads['undone'] }[]).map(({ payload }) => payload.eventId))
  const started = (await of('attemptStarted')) as unknown as { payload: Payloads['attemptStarted'] }[]
  const toolOf = new Map(started.map(({ payload }) => [payload.attemptId, payload.toolId]))
  const counts: Record<string, number> = {}
  for (const { id, payload } of nicks) {
    const tool = toolOf.get(payload.attemptId)
    if (tool && !undone.has(id)) counts[tool] = (counts[tool] ?? 0) + 1
  }
  return counts
}

/** Puts a whole rack in the place of the one that is there. Refuses one without a tool that a trim names. */
export async function keepRack({ db, clock }: Services, actor: Me, { tools, what }: NewRack): Promise<RackView> {
  const issues = rackIssues(tools)
  if (issues.length > 0)
    throw refuse.invalid(issues.map(({ at, detail }) => ({ path: `tools.${at}`, detail: `Tool ${at + 1}: ${detail}` })))
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    await tx.select().from(tables.school).for('update')
    await refuseMissing(tx, tools)
    const { rackChanges: c } = tables
    const [last] = await tx.select({ seq: c.seq }).from(c).orderBy(desc(c.seq)).limit(1)
    const seq = (last?.seq ?? 0) + 1
    await tx.insert(c).values({ seq, at, by: actor.id, what: what === '' ? 'a change of the rack' : what, before: await rackOf(tx) })
    await tx.delete(c).where(eq(c.seq, seq - KEPT_CHANGES))
    await writeRack(tx, tools)
    return rackView(tx)
  })
}

async function refuseMissing(tx: Transaction, tools: readonly Tool[]): Promise<void> {
  const ids = new Set(tools.map(({ id }) => id))
  const going = new Set((await rackOf(tx)).flatMap(({ id }) => (ids.has(id) ? [] : [id])))
  for (const { body } of await newestStandards(tx)) {
    const step = body.plan.steps.find(({ toolId }) => toolId !== null && going.has(toolId))
    if (step)
      throw refuse.conflict(
        'toolNeeded',
        `${step.toolId} cannot be removed: “${body.name}” uses it for ${step.label.toLowerCase()}. Nothing was changed.`
      )
  }
}

async function writeRack(tx: Transaction, tools: readonly Tool[]): Promise<void> {
  await tx.delete(tables.tools)
  await tx.insert(tables.tools).values(tools.map((body, position) => ({ id: body.id, position, body })))
}

/** Takes the last change of the rack back. */
export async function undoRack({ db }: Services): Promise<RackView> {
  return inTransaction(db, async (tx) => {
    await tx.select().from(tables.school).for('update')
    const { rackChanges: c } = tables
    const [last] = await tx.select().from(c).orderBy(desc(c.seq)).limit(1)
    if (!last) throw refuse.conflict('nothingToUndo', 'There is no rack change to undo.')
    await writeRack(tx, last.before)
    await tx.delete(c).where(eq(c.seq, last.seq))
    return rackView(tx)
  })
}

/** Takes a rack from a table, the whole of it or nothing. */
export async function importRack(services: Services, actor: Me, text: unknown): Promise<RackView> {
  if (typeof text !== 'string' || text.trim() === '')
    throw refuse.invalid([
      { path: 'line 1', detail: 'Line 1: the table is empty; it must be a CSV table with a heading. Nothing was changed.' }
    ])
  const read = rackFromCsv(text)
  if (!read.ok) throw refuse.invalid([...read.issues.slice(0, 20), { path: '', detail: 'Nothing was changed.' }])
  return keepRack(services, actor, { tools: read.tools, what: `${read.tools.length} tools from a table` })
}

export async function exportRack({ db }: Services): Promise<string> {
  return rackToCsv(await rackOf(db))
}
