// Standards in memory: a version never changes, so it is read from the database and completed once.
import type { Criterion, Standard } from '@peen/core/standard'
import { and, asc, desc, eq } from 'drizzle-orm'
import { homeOf, tables, type Database, type Reader } from '../../db'
import { refuse } from '../../http'

/** By database, since tests serve several; what a transaction reads may be rolled back and is not kept. */
const kept = new WeakMap<Database, Map<string, Standard>>()

const keyOf = (id: string, version: number) => `${id}@${version}`

function keptFor(db: Reader): Map<string, Standard> | null {
  const home = homeOf(db)
  if (!home) return null
  const own = kept.get(home) ?? new Map<string, Standard>()
  kept.set(home, own)
  return own
}

/** A standard in one of its versions; refuses an unknown one. */
export async function standardOf(db: Reader, id: string, version: number): Promise<Standard> {
  const known = keptFor(db)
  const key = keyOf(id, version)
  const before = known?.get(key)
  if (before) return before
  const { standards: s } = tables
  const row = (
    await db
      .select()
      .from(s)
      .where(and(eq(s.id, id), eq(s.version, version)))
  )[0]
  if (!row) throw refuse.notFound(`Standard ${id}, version ${version},`)
  const body = complete(row.body)
  if (homeOf(db) === db) known?.set(key, body)
  return body
}

type Worn = { readonly standardId: string; readonly standardVersion: number }
/** What a trim was called in the version in which it was worked. */
export type TrimName = (worn: Worn) => string

/** The names of some trims, each in its own version: a trim that was renamed keeps its name on visits of before. */
export async function trimNames(db: Reader, worn: readonly Worn[]): Promise<TrimName> {
  const names = new Map<string, string>()
  for (const { standardId, standardVersion } of worn) {
    const key = keyOf(standardId, standardVersion)
    if (!names.has(key)) names.set(key, (await standardOf(db, standardId, standardVersion)).name)
  }
  return ({ standardId, standardVersion }) => names.get(keyOf(standardId, standardVersion)) ?? standardId
}

/** Standards that are no longer planned. */
export async function retiredOf(db: Reader): Promise<ReadonlySet<string>> {
  return new Set((await db.select({ id: tables.retiredStandards.id }).from(tables.retiredStandards)).map(({ id }) => id))
}

/** Every version of every standard, by id, the newest first. */
export async function everyStandard(db: Reader): Promise<Standard[]> {
  const { standards: s } = tables
  const rows = await db.select({ id: s.id, version: s.version }).from(s).orderBy(asc(s.id), desc(s.version))
  const found: Standard[] = []
  for (const { id, version } of rows) found.push(await standardOf(db, id, version))
  return found
}

/** The newest version of every standard that is still planned; of the retired ones too where they must be named. */
export async function newestStandards(db: Reader, withRetired = false) {
  const { standards: s } = tables
  const retired = withRetired ? new Set<string>() : await retiredOf(db)
  const rows = await db.select({ id: s.id, version: s.version, by: s.by, at: s.at }).from(s).orderBy(asc(s.id), desc(s.version))
  const newest = rows.filter((row, i) => row.id !== rows[i - 1]?.id && !retired.has(row.id))
  const found = []
  for (const row of newest) found.push({ ...row, body: await standardOf(db, row.id, row.version) })
  return found
}

/** A standard that was kept before grown-out lengths, variants and what makes it were asked for: they are filled in, not guessed at. */
function complete(body: Standard): Standard {
  const grown = (criterion: Criterion): Criterion => {
    const { how } = criterion
    if (how.kind !== 'length' || how.grownOutMm !== undefined) return criterion
    return { ...criterion, how: { ...how, grownOutMm: how.limit[1] ?? how.targetMm * 2 } }
  }
  const first = body.criteria[0]
  return {
    ...{ makes: [], variants: [], ownFault: { name: first.label, criterion: first.id } },
    ...body,
    plan: { ...body.plan, drawnAs: body.plan.drawnAs ?? body.id },
    criteria: body.criteria.map(grown)
  }
}
