import canonicalize from 'canonicalize'
import { createHash } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables, type Connection } from '../../db'
import { freshDatabase } from '../../testing/world'
import { appendAudit, checkAudit } from '.'

let connection: Connection
beforeAll(async () => (connection = await freshDatabase('audit')))
afterAll(() => connection.close())

const entry = (n: number) => ({ kind: 'grading.signed', at: '2026-04-14T09:42:00.000Z', by: `person-${n}`, ids: { grading: `g${n}` } })
const append = (n: number) => connection.db.transaction((tx) => appendAudit(tx, entry(n)))

describe('the audit chain', () => {
  it('is whole while empty', async () =>
    expect(await checkAudit(connection.db)).toEqual({ whole: true, entries: 0, head: '', brokenAt: null, changed: [] }))

  // Ref: SHA-256 over the RFC 8785 bytes, computed here apart from the code under test
  it('hashes the canonical bytes with the hash before', async () => {
    const first = await append(1)
    const bytes = canonicalize({ seq: 1, previous: '', ...entry(1) })!
    expect(first).toBe(createHash('sha256').update(bytes).digest('hex'))
    const second = await append(2)
    expect(second).toBe(
      createHash('sha256')
        .update(canonicalize({ seq: 2, previous: first, ...entry(2) })!)
        .digest('hex')
    )
  })

  it('keeps its order when many write at once', async () => {
    await Promise.all(Array.from({ length: 8 }, (_, i) => append(10 + i)))
    expect(await checkAudit(connection.db)).toMatchObject({ whole: true, entries: 10 })
  })

  it('names the first entry that was changed, and notices a lost one', async () => {
    const row = (await connection.db.select().from(tables.auditLog).where(eq(tables.auditLog.seq, 5)))[0]
    await connection.db
      .update(tables.auditLog)
      .set({ bytes: row.bytes.replace('person', 'nobody') })
      .where(eq(tables.auditLog.seq, 5))
    expect(await checkAudit(connection.db)).toMatchObject({ whole: false, brokenAt: 5 })
    await connection.db.update(tables.auditLog).set({ bytes: row.bytes }).where(eq(tables.auditLog.seq, 5))
    await connection.db.delete(tables.auditLog).where(eq(tables.auditLog.seq, 10))
    expect(await checkAudit(connection.db)).toMatchObject({ whole: false, brokenAt: 9 })
  })

  // Symptom: one broken row made the check itself an error of the server
  it('answers where a row is no entry at all', async () => {
    await connection.db.update(tables.auditLog).set({ bytes: 'torn {' }).where(eq(tables.auditLog.seq, 3))
    expect(await checkAudit(connection.db)).toMatchObject({ whole: false, brokenAt: 3 })
  })
})
