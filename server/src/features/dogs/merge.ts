// A dog that was entered twice becomes one, with the history of both.
import { NO_PROFILE, type Me, type MergeDog } from '@peen/contract'
import { and, eq, inArray } from 'drizzle-orm'
import { inTransaction, tables, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'
import { rebuildCharts, rebuildCoat } from '../derived'

type Dog = typeof tables.dogs.$inferSelect

/** Takes a dog into another: visits, coat book, notes, burns and what is known of it go over; its own row is gone. */
export async function mergeDogs({ db, clock }: Services, actor: Me, goneId: string, { into }: MergeDog): Promise<{ readonly id: string }> {
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    if (goneId === into) throw refuse.invalid([{ path: 'into', detail: 'A dog is not taken into itself; choose the other one.' }])
    const rows = await tx.select().from(tables.dogs).for('update')
    const [gone, kept] = [goneId, into].map((id) => rows.find((one) => one.id === id))
    if (!gone || !kept) throw refuse.notFound('This dog')
    await moveHistory(tx, gone.id, kept.id)
    await tx.update(tables.dogs).set(together(kept, gone)).where(eq(tables.dogs.id, kept.id))
    await tx.insert(tables.dogMerges).values({ goneId: gone.id, goneName: gone.name, keptId: kept.id, by: actor.id, at })
    await tx.update(tables.dogMerges).set({ keptId: kept.id }).where(eq(tables.dogMerges.keptId, gone.id))
    await tx.delete(tables.dogs).where(eq(tables.dogs.id, gone.id))
    if (gone.ownerId && kept.ownerId) await tx.delete(tables.owners).where(eq(tables.owners.id, gone.ownerId))
    await appendAudit(tx, { kind: 'dog.merged', at: at.toISOString(), by: actor.id, ids: { dog: kept.id, gone: gone.id } })
    await rebuildCharts(tx)
    return { id: kept.id }
  })
}

async function moveHistory(tx: Transaction, gone: string, kept: string): Promise<void> {
  const { visits: s, coatEntries, coatStruck, coatAims, coatFromVisits, attempts, notes: n } = tables
  const moved = await tx.select({ id: s.id }).from(s).where(eq(s.dogId, gone))
  await tx.update(s).set({ dogId: kept }).where(eq(s.dogId, gone))
  for (const table of [coatEntries, coatStruck, coatFromVisits, attempts])
    await tx.update(table).set({ dogId: kept }).where(eq(table.dogId, gone))
  await tx
    .update(n)
    .set({ aboutId: kept })
    .where(and(eq(n.about, 'dog'), eq(n.aboutId, gone)))
  const [aim] = await tx.select().from(coatAims).where(eq(coatAims.dogId, kept))
  if (aim) await tx.delete(coatAims).where(eq(coatAims.dogId, gone))
  else await tx.update(coatAims).set({ dogId: kept }).where(eq(coatAims.dogId, gone))
  await tx.update(tables.daysOff).set({ aboutId: kept }).where(eq(tables.daysOff.aboutId, gone))
  // its sessions were worked out from its own book: the book is another one now
  await tx.delete(tables.coatPlans).where(inArray(tables.coatPlans.dogId, [gone, kept]))
  for (const { id } of moved) await rebuildCoat(tx, id)
}

/** What is known of both: the kept dog's own words come first, cautions of either hold. */
function together(kept: Dog, gone: Dog): Partial<Dog> {
  const [one, other] = [kept.profile ?? NO_PROFILE, gone.profile ?? NO_PROFILE]
  const first = <T>(a: T, b: T) => (a === null || a === '' ? b : a)
  const at = ({ region, side }: Dog['burns'][number]) => `${region} ${side}`
  const burned = new Set(kept.burns.map(at))
  return {
    burns: [...kept.burns, ...gone.burns.filter((burn) => !burned.has(at(burn)))],
    facts: [...new Set([...(kept.facts ?? []), ...(gone.facts ?? [])])],
    canStandMin: Math.min(kept.canStandMin, gone.canStandMin),
    dislikes: [...new Set([kept.dislikes, gone.dislikes].filter((words) => words !== ''))].join('; ').slice(0, 200),
    standing: kept.standing ?? gone.standing,
    ownerId: kept.ownerId ?? gone.ownerId,
    profile: {
      ...one,
      ...{ breed: first(one.breed, other.breed), coatType: first(one.coatType, other.coatType), bornOn: first(one.bornOn, other.bornOn) },
      ...{ weightKg: first(one.weightKg, other.weightKg), nose: first(one.nose, other.nose), skin: first(one.skin, other.skin) },
      own: { ...other.own, ...one.own },
      earHistory: first(one.earHistory, other.earHistory),
      nameOutside: one.nameOutside === true && other.nameOutside === true
    }
  }
}
