// Is everything that was derived still what the records come to? Asked of a restored copy, which may be rebuilt.
import canonicalize from 'canonicalize'
import { asc } from 'drizzle-orm'
import { createHash } from 'node:crypto'
import { tables, type Database } from '../../db'
import { DERIVED_BY } from '../school'
import { rebuildAll } from './derived'

/** Another machine may compute the last digits otherwise: so many are compared. */
const DIGITS = 9
/** Rows that are read at once. */
const AT_ONCE = 500

/** Derives everything again. @returns whether it came out the same; `older`: other code had derived it, so that it may differ. */
export async function derivedAgain(db: Database): Promise<'same' | 'other' | 'older'> {
  const [school] = await db.select({ derivedBy: tables.school.derivedBy }).from(tables.school).limit(1)
  if (!school) return 'same'
  const before = await digest(db)
  await rebuildAll(db)
  if (school.derivedBy !== DERIVED_BY) return 'older'
  return (await digest(db)) === before ? 'same' : 'other'
}

async function digest(db: Database): Promise<string> {
  const { attempts: a, charts: c, coatFromVisits: v } = tables
  const hash = createHash('sha256')
  const pages = [
    (from: number) => db.select().from(a).orderBy(asc(a.visitId), asc(a.techniqueId), asc(a.setting)).limit(AT_ONCE).offset(from),
    (from: number) => db.select().from(c).orderBy(asc(c.apprenticeId), asc(c.techniqueId)).limit(AT_ONCE).offset(from),
    (from: number) => db.select().from(v).orderBy(asc(v.visitId)).limit(AT_ONCE).offset(from)
  ]
  for (const page of pages) {
    for (let from = 0; ; from += AT_ONCE) {
      const rows: readonly object[] = await page(from)
      for (const row of rows) hash.update(canonicalize(rounded(row))!)
      if (rows.length < AT_ONCE) break
    }
  }
  return hash.digest('hex')
}

function rounded(value: unknown): unknown {
  if (typeof value === 'number') return Number.isInteger(value) ? value : Number(value.toPrecision(DIGITS))
  if (Array.isArray(value)) return value.map(rounded)
  if (value !== null && typeof value === 'object' && !(value instanceof Date))
    return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, rounded(one)]))
  return value
}
