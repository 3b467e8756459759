// The wrong apprentice or the wrong dog on a visit, put right as long as nothing of it is signed.
import { countedOf } from '@peen/bundle'
import type { CorrectVisit, Me } from '@peen/contract'
import { and, eq } from 'drizzle-orm'
import { inTransaction, tables, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'
import { eventsOf, rebuildCoat, storeAttempts } from '../derived'
import { majorFaults } from '../techniques'
import { agreeOn } from '../visits'

/**
 * Gives a visit, begun or not, to the apprentice or the dog that it was. What was recorded stays as it is and counts for
 * whom it belongs to; what was agreed is agreed for the right dog. A visit with a signed grading stays.
 */
export async function correctVisit({ db, clock }: Services, actor: Me, id: string, right: CorrectVisit): Promise<{ readonly id: string }> {
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    const visit = (await tx.select().from(tables.visits).where(eq(tables.visits.id, id)).for('update'))[0]
    if (!visit) throw refuse.notFound('This visit')
    const { apprenticeId = visit.apprenticeId, dogId = visit.dogId } = right
    await refuseWrong(tx, id, apprenticeId, dogId)
    const put = { ...visit, apprenticeId, dogId }
    await tx.update(tables.visits).set({ apprenticeId, dogId }).where(eq(tables.visits.id, id))
    const events = (await eventsOf(tx, [id])).get(id)!
    // taken from the one who had them, then given to the one they belong to: both charts are made again
    await storeAttempts(tx, visit, [])
    await storeAttempts(tx, put, countedOf(events, await majorFaults(tx)))
    if (dogId !== visit.dogId) {
      const agreed = await agreeOn(tx, put, actor.id, at)
      await tx
        .update(tables.gradings)
        .set({ agreed })
        .where(and(eq(tables.gradings.visitId, id), eq(tables.gradings.status, 'draft')))
    }
    await rebuildCoat(tx, id)
    const ids = { visit: id, apprentice: apprenticeId, before: visit.apprenticeId, dog: dogId, dogBefore: visit.dogId }
    await appendAudit(tx, { kind: 'visit.corrected', at: at.toISOString(), by: actor.id, ids })
    return { id }
  })
}

async function refuseWrong(tx: Transaction, id: string, apprenticeId: string, dogId: string): Promise<void> {
  const { gradings: g, people: p, dogs: d } = tables
  const signed = await tx
    .select({ id: g.id })
    .from(g)
    .where(and(eq(g.visitId, id), eq(g.status, 'signed')))
  if (signed.length > 0)
    throw refuse.conflict(
      'graded',
      'A mark of this visit is signed. Have a lead assessor set it aside first; then correct the visit. Nothing was changed.'
    )
  const [person] = await tx.select().from(p).where(eq(p.id, apprenticeId))
  if (!person || person.role !== 'apprentice') throw refuse.notFound('This apprentice')
  const marks = await tx.select({ by: g.assessorId }).from(g).where(eq(g.visitId, id))
  if (marks.some(({ by }) => by === apprenticeId)) throw refuse.forbidden('No one can grade their own work.')
  const [dog] = await tx.select({ id: d.id }).from(d).where(eq(d.id, dogId))
  if (!dog) throw refuse.notFound('This dog')
}
