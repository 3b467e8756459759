import canonicalize from 'canonicalize'
import { asc, eq } from 'drizzle-orm'
import { createHash } from 'node:crypto'
import { tables, type Reader, type Transaction } from '../../db'

/** What may be chained: ids, numbers and kinds. Names, owner data and free text never enter. */
export type AuditEntry = {
  readonly kind: string
  readonly at: string
  readonly by: string
  readonly ids: Readonly<Record<string, string | number>>
}

/**
 * Adds an entry to the hash chain and returns its hash: SHA-256 over the canonical bytes (RFC 8785), which hold the
 * hash before. Serialised on the head row.
 */
export async function appendAudit(tx: Transaction, entry: AuditEntry): Promise<string> {
  const [head] = await tx.select().from(tables.auditHead).for('update')
  const seq = head.seq + 1
  const bytes = canonicalize({ seq, previous: head.hash, ...entry })!
  const hash = sha256(bytes)
  await tx.insert(tables.auditLog).values({ seq, bytes, hash })
  await tx.update(tables.auditHead).set({ seq, hash }).where(eq(tables.auditHead.id, 1))
  return hash
}

export type AuditCheck = { readonly whole: boolean; readonly entries: number; readonly head: string; readonly brokenAt: number | null }

/** Walks the whole chain and names the first entry that does not fit. */
export async function checkAudit(db: Reader): Promise<AuditCheck> {
  const rows = await db.select().from(tables.auditLog).orderBy(asc(tables.auditLog.seq))
  const [head] = await db.select().from(tables.auditHead)
  let previous = ''
  for (const [i, row] of rows.entries()) {
    const entry = JSON.parse(row.bytes) as { seq: number; previous: string }
    if (sha256(row.bytes) !== row.hash || entry.previous !== previous || entry.seq !== i + 1) {
      return { whole: false, entries: rows.length, head: head.hash, brokenAt: row.seq }
    }
    previous = row.hash
  }
  const whole = head.hash === previous && head.seq === rows.length
  return { whole, entries: rows.length, head: head.hash, brokenAt: whole ? null : rows.length }
}

export function sha256(text: string): string {
  return createHash('sha256').update(text).digest('hex')
}
