import type { Me, Revoke } from '@peen/contract'
import { seal, statusList, type Json } from '@peen/credential'
import { eq } from 'drizzle-orm'
import { inTransaction, tables } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'
import { schoolRow } from '../school'
import { listOf } from './issue'
import { keyRows, listKey } from './keys'

const { credentials: c, findings: f, revocations: r } = tables

/** Revokes an issued certificate: it counts for nothing from then on, and everyone who checks it is told. It is never undone. */
export async function revoke({ db, clock }: Services, actor: Me, id: string, { kind, reason }: Revoke): Promise<{ status: string }> {
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    await tx.select().from(tables.auditHead).for('update')
    const finding = (await tx.select().from(f).where(eq(f.id, id)).for('update'))[0]
    if (!finding) throw refuse.notFound('This certificate')
    if (finding.status === 'revoked') throw refuse.conflict('revoked', 'This certificate has already been revoked.')
    if (finding.status !== 'issued') throw refuse.conflict('notIssued', 'Only an issued certificate can be revoked.')
    await tx.insert(r).values({ findingId: id, at, by: actor.id, kind, reason })
    await tx.update(f).set({ status: 'revoked' }).where(eq(f.id, id))
    await appendAudit(
      tx,
      { kind: 'finding.revoked', at: at.toISOString(), by: actor.id, ids: { finding: id, apprentice: finding.apprenticeId, kind } },
      [`finding:${id}`, `revocation:${id}`]
    )
    return { status: 'revoked' }
  })
}

/** Which certificates were revoked, as a signed list; nothing about whose they are. */
export async function revokedList({ db, clock, keys, publicUrl }: Services): Promise<Json> {
  const key = await listKey(db, keys)
  if (!key) throw refuse.notFound('A list of revoked certificates')
  const { name } = await schoolRow(db)
  const revoked = await db.select({ place: c.place }).from(r).innerJoin(c, eq(c.findingId, r.findingId))
  const places = revoked.map(({ place }) => place)
  return statusList({ list: listOf(publicUrl, name), revoked: places, school: name }, key, await clock.now())
}

/** The school's keys as a list that the key in use has signed: former ones with their end, stolen ones with the day. */
async function keyList(services: Services): Promise<{ name: string; keys: Json[] }> {
  const { name } = await schoolRow(services.db)
  const rows = await keyRows(services.db)
  return {
    name,
    keys: rows.map(({ publicKey, madeAt, endedAt, compromisedSince }) => ({
      publicKey,
      madeAt: madeAt.toISOString(),
      endedAt: endedAt?.toISOString() ?? null,
      compromisedSince: compromisedSince?.toISOString() ?? null
    }))
  }
}

export async function keysFile(services: Services): Promise<object> {
  const key = await listKey(services.db, services.keys)
  if (!key) throw refuse.notFound('A list of signing keys')
  return seal({ ...(await keyList(services)), asOf: (await services.clock.now()).toISOString() }, key)
}
