// A certificate behind which a mark was set aside asks a lead: does it still hold, or is it revoked?
import type { KeepCertificate, Me } from '@peen/contract'
import { and, eq, inArray } from 'drizzle-orm'
import { inTransaction, orTaken, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'
import { certificateAt } from '../certificates'
import { whyNotDecide } from './set-aside'

const { gradings: g, setAsides: sa, keptCertificates: kc, visits: v, dogs: d, findings: f } = tables
type FindingRow = typeof f.$inferSelect
export type Undecided = {
  readonly findingId: string
  readonly gradingId: string
  readonly onDate: string
  readonly dog: string
  readonly reason: string
}

/**
 * Marks behind some issued certificates that were set aside, and about which no lead has decided: the deciding trim, and every trim
 * of the holder that such a certificate counts and that was worked before it was issued.
 */
export async function undecidedOf(db: Reader, findings: readonly FindingRow[]): Promise<Undecided[]> {
  const issued = findings.filter(({ status }) => status === 'issued')
  if (issued.length === 0) return []
  const holders = [...new Set(issued.map(({ apprenticeId }) => apprenticeId))]
  const aside = await db
    .select({ gradingId: g.id, standardId: g.standardId, apprenticeId: v.apprenticeId, onDate: v.onDate, dog: d.name, reason: sa.reason })
    .from(sa)
    .innerJoin(g, eq(g.id, sa.gradingId))
    .innerJoin(v, eq(v.id, g.visitId))
    .innerJoin(d, eq(d.id, v.dogId))
    .where(inArray(v.apprenticeId, holders))
  if (aside.length === 0) return []
  const ids = issued.map(({ id }) => id)
  const kept = new Set((await db.select().from(kc).where(inArray(kc.findingId, ids))).map((row) => `${row.findingId} ${row.gradingId}`))
  const signed = await db.select().from(tables.signatures).where(inArray(tables.signatures.findingId, ids))
  const found: Undecided[] = []
  for (const finding of issued) {
    const { standards } = await certificateAt(db, finding.certificateId, finding.certificateVersion)
    const days = signed.filter(({ findingId }) => findingId === finding.id).map(({ signedAt }) => signedAt.toISOString().slice(0, 10))
    const issuedOn = days.sort().at(-1) ?? ''
    for (const { gradingId, standardId, apprenticeId, onDate, dog, reason } of aside) {
      const counted = apprenticeId === finding.apprenticeId && standards.includes(standardId) && onDate <= issuedOn
      if ((counted || gradingId === finding.decidingGradingId) && !kept.has(`${finding.id} ${gradingId}`))
        found.push({ findingId: finding.id, gradingId, onDate, dog, reason })
    }
  }
  return found
}

/** A lead who did not sign that mark says that the certificate holds all the same, with a reason. */
export async function keepCertificate(
  { db, clock }: Services,
  actor: Me,
  id: string,
  { gradingId, reason }: KeepCertificate
): Promise<{ id: string }> {
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    await tx.select().from(tables.auditHead).for('update')
    const [finding] = await tx.select().from(f).where(eq(f.id, id)).for('update')
    if (!finding) throw refuse.notFound('This certificate')
    if (finding.status !== 'issued') throw refuse.conflict('notIssued', 'Only an issued certificate can be kept.')
    const asked = (await undecidedOf(tx, [finding])).some((one) => one.gradingId === gradingId)
    const [grading] = await tx
      .select()
      .from(g)
      .where(and(eq(g.id, gradingId)))
    if (!asked || !grading) throw refuse.notFound('A mark behind this certificate that awaits a decision')
    const not = await whyNotDecide(tx, actor, grading)
    if (not) throw refuse.forbidden(not)
    await orTaken(tx.insert(kc).values({ findingId: id, gradingId, by: actor.id, at, reason }), refuse.taken('decision'))
    await appendAudit(tx, { kind: 'finding.kept', at: at.toISOString(), by: actor.id, ids: { finding: id, grading: gradingId } }, [
      `kept:${id}/${gradingId}`
    ])
    return { id }
  })
}
