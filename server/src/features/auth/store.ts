import { USUAL_READING, type Reading } from '@peen/contract'
import { and, count, eq, gt, lt } from 'drizzle-orm'
import { tables, type Database, type Reader } from '../../db'

export async function personByUsername(db: Reader, username: string) {
  return (await db.select().from(tables.people).where(eq(tables.people.username, username)).limit(1))[0] ?? null
}

export async function countPeople(db: Reader): Promise<number> {
  return (await db.select({ n: count() }).from(tables.people))[0].n
}

/** How the school reads Peen until a person chooses otherwise. */
export async function readingOf(db: Reader): Promise<Reading> {
  const [row] = await db.select({ reading: tables.school.reading }).from(tables.school).limit(1)
  return { ...USUAL_READING, ...row?.reading }
}

export async function openSignIn(db: Database, row: typeof tables.signIns.$inferInsert, now: Date): Promise<void> {
  await db.delete(tables.signIns).where(lt(tables.signIns.expiresAt, now))
  await db.insert(tables.signIns).values(row)
}

export async function signInByHash(db: Database, tokenHash: string, now: Date) {
  const { signIns: s, people: p, school } = tables
  const rows = await db
    .select({
      personId: p.id,
      givenName: p.givenName,
      familyName: p.familyName,
      role: p.role,
      csrf: s.csrf,
      settings: p.settings,
      reading: school.reading,
      byPin: s.byPin
    })
    .from(s)
    .innerJoin(p, eq(p.id, s.personId))
    .leftJoin(school, eq(school.id, 1))
    .where(and(eq(s.tokenHash, tokenHash), gt(s.expiresAt, now), eq(p.active, true)))
  return rows[0] ?? null
}

export async function closeSignIn(db: Database, tokenHash: string): Promise<void> {
  await db.delete(tables.signIns).where(eq(tables.signIns.tokenHash, tokenHash))
}
