// The school's certificates: every version that was in use stays.
import { certificates as shipped } from '@peen/content'
import type { Certificate } from '@peen/core/certify'
import { and, asc, desc, eq } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { refuse } from '../../http'

const { certificates: c, retiredCertificates: r } = tables

export async function retiredIds(db: Reader): Promise<ReadonlySet<string>> {
  return new Set((await db.select({ id: r.id }).from(r)).map(({ id }) => id))
}

/** The newest version of every certificate that is given; as Peen ships them, then the school's own. */
export async function certificatesOf(db: Reader, withRetired = false): Promise<Certificate[]> {
  const gone = withRetired ? new Set<string>() : await retiredIds(db)
  const rows = await db.select().from(c).orderBy(asc(c.id), desc(c.version))
  const newest = rows.filter((row, i) => row.id !== rows[i - 1]?.id && !gone.has(row.id)).map(({ body }) => body)
  const place = (id: string) => shipped.findIndex((one) => one.id === id)
  const order = ({ id }: Certificate) => (place(id) < 0 ? shipped.length : place(id))
  return newest.sort((a, b) => order(a) - order(b) || a.name.localeCompare(b.name))
}

/** One version of a certificate. */
export async function certificateAt(db: Reader, id: string, version: number): Promise<Certificate> {
  const [row] = await db
    .select()
    .from(c)
    .where(and(eq(c.id, id), eq(c.version, version)))
  if (!row) throw refuse.notFound(`The certificate "${id}", version ${version},`)
  return row.body
}

export async function newestCertificate(db: Reader, id: string): Promise<Certificate> {
  const [row] = await db.select().from(c).where(eq(c.id, id)).orderBy(desc(c.version)).limit(1)
  if (!row) throw refuse.notFound(`The certificate "${id}"`)
  return row.body
}
