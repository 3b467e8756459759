// The school's library of standards: read, copied, written as drafts, used, retired. What is used is never edited.
import { retiredTechniques } from '@peen/content'
import type { DraftView, Imported, KeptDraft, Me, NewDraft, StandardPage, StandardRow } from '@peen/contract'
import { sayStandardIssue, standardIssues, unsaidWork, type Standard } from '@peen/core/standard'
import { successorOf } from '@peen/core/technique'
import { and, count, desc, eq } from 'drizzle-orm'
import { inTransaction, orTaken, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'
import { fullName, personById } from '../people'
import { inShippedOrder, knownTo, newestStandards, retiredOf, standardOf } from '../school'

/** Every trim of the school, the planned ones first. */
export async function standardRows({ db }: Services): Promise<StandardRow[]> {
  const { standards: s, standardDrafts: d } = tables
  const retired = await retiredOf(db)
  const drafts = new Map((await db.select({ id: d.id, standardId: d.standardId }).from(d)).map((row) => [row.standardId, row.id]))
  const planned = await newestStandards(db)
  const versions = await db.select({ id: s.id, version: s.version, by: s.by }).from(s)
  const own = new Set(versions.flatMap(({ id, version, by }) => (by ? [`${id} ${version}`] : [])))
  const gone = await Promise.all(
    [...retired].map(async (id) => {
      const [row] = await db.select({ version: s.version }).from(s).where(eq(s.id, id)).orderBy(desc(s.version)).limit(1)
      return row ? [await standardOf(db, id, row.version)] : []
    })
  )
  return inShippedOrder([...planned.map(({ body }) => body), ...gone.flat()]).map(
    ({ id, version, name, bodyType, standardMin, makes, ownFault, criteria, plan }) => ({
      ...{ id, version, name, bodyType, standardMin, makes, ownFault, plan },
      criteria: criteria.length,
      shipped: !own.has(`${id} ${version}`),
      retired: retired.has(id),
      draftId: drafts.get(id) ?? null
    })
  )
}

export async function standardPage({ db }: Services, id: string, version: number): Promise<StandardPage> {
  const { standards: s, gradings: g } = tables
  const standard = await standardOf(db, id, version)
  const rows = await db.select({ version: s.version, by: s.by, at: s.at }).from(s).where(eq(s.id, id)).orderBy(desc(s.version))
  const names = new Map((await db.select().from(tables.people)).map((person) => [person.id, fullName(person)]))
  const [{ n }] = await db
    .select({ n: count() })
    .from(g)
    .where(and(eq(g.standardId, id), eq(g.standardVersion, version)))
  return {
    standard,
    retired: (await retiredOf(db)).has(id),
    versions: rows.map(({ version: v, by, at }) => ({ version: v, by: by && (names.get(by) ?? null), at: at?.toISOString() ?? null })),
    graded: n
  }
}

/** Makes a draft: the next version of a standard, or a copy under a name of its own. */
export async function makeDraft({ db, clock }: Services, actor: Me, { id, from, copyAs }: NewDraft): Promise<{ id: string }> {
  const at = await clock.now()
  const base = await standardOf(db, from.id, from.version)
  return inTransaction(db, async (tx) => {
    const body = toWrite(copyAs ? { ...base, ...copyAs, version: 1 } : { ...base, version: (await lastVersion(tx, base.id)) + 1 })
    if (copyAs && (await lastVersion(tx, copyAs.id)) > 0)
      throw refuse.invalid([{ path: 'copyAs.id', detail: `id is ${copyAs.id}; it must be one that no other trim of the school has.` }])
    await refuseSecondDraft(tx, body.id)
    const row = tx.insert(tables.standardDrafts).values({ id, version: 1, standardId: body.id, basedOn: from, body, by: actor.id, at })
    await orTaken(row, refuse.taken('draft'))
    return { id }
  })
}

/** Reads a standard from a file as a draft; where the school knows its id, as the next version of it. */
export async function importDraft({ db, clock }: Services, actor: Me, { id, standard }: Imported): Promise<{ id: string }> {
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    await refuseSecondDraft(tx, standard.id)
    const body = toWrite({ ...standard, version: (await lastVersion(tx, standard.id)) + 1 })
    const row = tx.insert(tables.standardDrafts).values({ id, version: 1, standardId: body.id, basedOn: null, body, by: actor.id, at })
    await orTaken(row, refuse.taken('draft'))
    return { id }
  })
}

/**
 * A trim as it is written on: one from before there were plans of work has "not written yet" at every place, and nothing is
 * guessed; steps of techniques that left the catalogue go by their successors.
 */
function toWrite(standard: Standard): Standard {
  const { plan } = standard
  const seen = new Set<string>()
  const steps = plan.steps.flatMap((step) => {
    const technique = successorOf(step.technique, retiredTechniques)
    return technique === null || seen.has(technique) || !seen.add(technique) ? [] : [{ ...step, technique }]
  })
  return { ...standard, plan: { ...plan, work: plan.work ?? unsaidWork(plan.lengthsMm), steps } }
}

async function refuseSecondDraft(tx: Reader, standardId: string): Promise<void> {
  const [other] = await tx.select().from(tables.standardDrafts).where(eq(tables.standardDrafts.standardId, standardId)).limit(1)
  if (!other) return
  const { givenName, familyName } = await personById(tx, other.by)
  throw refuse.conflict('draftThere', `${givenName} ${familyName} is already writing a version of this trim. Nothing was changed.`, {
    draftId: other.id
  })
}

async function lastVersion(db: Reader, id: string): Promise<number> {
  const { standards: s } = tables
  const [row] = await db.select({ version: s.version }).from(s).where(eq(s.id, id)).orderBy(desc(s.version)).limit(1)
  return row?.version ?? 0
}

async function draftRow(db: Reader, id: string) {
  const [row] = await db.select().from(tables.standardDrafts).where(eq(tables.standardDrafts.id, id))
  if (!row) throw refuse.notFound('This draft')
  return row
}

export async function draftView({ db }: Services, id: string): Promise<DraftView> {
  const { version, body: kept, basedOn, by } = await draftRow(db, id)
  const body = toWrite(kept)
  const issues = standardIssues(body, await knownTo(db)).map((issue) => ({ path: issue.path, say: sayStandardIssue(body, issue) }))
  return { id, version, body, basedOn, by: fullName(await personById(db, by)), issues }
}

/** Keeps a draft, right or wrong: nothing is lost while it is being written. Its id and version number stay its own. */
export async function keepDraft(services: Services, actor: Me, id: string, { version, body }: KeptDraft): Promise<DraftView> {
  const at = await services.clock.now()
  await inTransaction(services.db, async (tx) => {
    const [row] = await tx.select().from(tables.standardDrafts).where(eq(tables.standardDrafts.id, id)).for('update')
    if (!row) throw refuse.notFound('This draft')
    if (row.version !== version)
      throw refuse.conflict('draftConflict', 'Another device has changed this draft since. Its version stays; reload it.')
    const own: Standard = { ...body, id: row.body.id, version: row.body.version }
    await tx
      .update(tables.standardDrafts)
      .set({ version: version + 1, body: own, by: actor.id, at })
      .where(eq(tables.standardDrafts.id, id))
  })
  return draftView(services, id)
}

export async function dropDraft({ db }: Services, id: string): Promise<object> {
  await draftRow(db, id)
  await db.delete(tables.standardDrafts).where(eq(tables.standardDrafts.id, id))
  return {}
}

/** Puts a draft into use as a version that is never edited again. Refuses one that cannot be used, each reason with its place. */
export async function useDraft({ db, clock }: Services, actor: Me, id: string, version: number) {
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    const [row] = await tx.select().from(tables.standardDrafts).where(eq(tables.standardDrafts.id, id)).for('update')
    if (!row) throw refuse.notFound('This draft')
    if (row.version !== version)
      throw refuse.conflict('draftConflict', 'Another device has changed this draft since. Read it again before you use it.')
    const written = toWrite(row.body)
    const issues = standardIssues(written, await knownTo(tx))
    if (issues.length > 0)
      throw refuse.invalid(issues.slice(0, 20).map((issue) => ({ path: issue.path, detail: sayStandardIssue(written, issue) })))
    const body = { ...written, version: (await lastVersion(tx, row.standardId)) + 1 }
    await tx.insert(tables.standards).values({ id: body.id, version: body.version, body, by: actor.id, at })
    await tx.delete(tables.standardDrafts).where(eq(tables.standardDrafts.id, id))
    await appendAudit(
      tx,
      {
        kind: 'standard.used',
        at: at.toISOString(),
        by: actor.id,
        ids: { standard: body.id, standardVersion: body.version }
      },
      [`standard:${body.id}@${body.version}`]
    )
    return { id: body.id, version: body.version }
  })
}

/** Takes a trim out of planning, or back into it. What was graded by it stays. */
export async function retire({ db, clock }: Services, actor: Me, id: string, retired: boolean): Promise<object> {
  if ((await lastVersion(db, id)) === 0) throw refuse.notFound(`The trim ${id.slice(0, 60)}`)
  const { retiredStandards: r } = tables
  if (!retired) {
    await db.delete(r).where(eq(r.id, id))
    return {}
  }
  if ((await newestStandards(db)).filter((row) => row.id !== id).length === 0)
    throw refuse.conflict('lastTrim', 'A school must keep one trim that can be planned. Nothing was changed.')
  await db
    .insert(r)
    .ignore()
    .values({ id, by: actor.id, at: await clock.now() })
  return {}
}
