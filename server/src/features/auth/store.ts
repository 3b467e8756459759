import { and, count, eq, gt, lt } from 'drizzle-orm'
import { v7 } from 'uuid'
import { tables, type Database, type Reader } from '../../db'

export async function personByUsername(db: Reader, username: string) {
  return (await db.select().from(tables.people).where(eq(tables.people.username, username)).limit(1))[0] ?? null
}

export async function countPeople(db: Reader): Promise<number> {
  return (await db.select({ n: count() }).from(tables.people))[0].n
}

export async function recentFailures(db: Database, key: string, since: Date): Promise<number> {
  const { signInFailures: f } = tables
  return (
    await db
      .select({ n: count() })
      .from(f)
      .where(and(eq(f.key, key), gt(f.at, since)))
  )[0].n
}

export async function recordFailure(db: Database, keys: readonly string[], at: Date): Promise<void> {
  await db.insert(tables.signInFailures).values(keys.map((key) => ({ id: v7(), key, at })))
}

export async function forgetFailures(db: Database, key: string): Promise<void> {
  await db.delete(tables.signInFailures).where(eq(tables.signInFailures.key, key))
}

export async function openSignIn(db: Database, row: typeof tables.signIns.$inferInsert, now: Date): Promise<void> {
  await db.delete(tables.signIns).where(lt(tables.signIns.expiresAt, now))
  await db.insert(tables.signIns).values(row)
}

export async function signInByHash(db: Database, tokenHash: string, now: Date) {
  const { signIns: s, people: p } = tables
  const rows = await db
    .select({ personId: p.id, givenName: p.givenName, familyName: p.familyName, role: p.role, csrf: s.csrf, settings: p.settings })
    .from(s)
    .innerJoin(p, eq(p.id, s.personId))
    .where(and(eq(s.tokenHash, tokenHash), gt(s.expiresAt, now), eq(p.active, true)))
  return rows[0] ?? null
}

export async function closeSignIn(db: Database, tokenHash: string): Promise<void> {
  await db.delete(tables.signIns).where(eq(tables.signIns.tokenHash, tokenHash))
}
