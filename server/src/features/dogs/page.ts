import { type DogFacts, type DogPage, type DogView, type Me } from '@peen/contract'
import { planAgreed } from '@peen/core/standard'
import { and, asc, desc, eq, ne } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { dogView, fullName } from '../people'
import { agreedOf } from '../agreed'
import { unreadOf, waitsForOwnWord } from '../grading'
import { newestStandards, standardOf, trimNames } from '../school'
import { visitsBeingMarked } from '../standings'

export async function dogList({ db }: Services): Promise<DogView[]> {
  return (await db.select().from(tables.dogs).orderBy(asc(tables.dogs.name))).map((row) => dogView(row))
}

/** One dog: its coat as planned and as last measured, flags and visits. Owner: the given name, no more. */
export async function dogPage({ db, clock }: Services, actor: Me, id: string): Promise<DogPage> {
  const { dogs: d, owners: o, visits: s, people: p, gradings: g, gradingResults: r } = tables
  const row = (await db.select({ dog: d, owner: o.givenName }).from(d).leftJoin(o, eq(o.id, d.ownerId)).where(eq(d.id, id)))[0]
  if (!row) throw refuse.notFound('This dog')
  const visits = await db
    .select({ visit: s, person: p, gradingId: r.gradingId, assessorId: g.assessorId, result: r.body })
    .from(s)
    .innerJoin(p, eq(p.id, s.apprenticeId))
    .leftJoin(g, and(eq(g.visitId, s.id), ne(g.status, 'setAside')))
    .leftJoin(r, eq(r.gradingId, g.id))
    .where(eq(s.dogId, id))
    .orderBy(desc(s.onDate), desc(s.id))
  const seen = visits.filter(({ person }) => actor.role !== 'apprentice' || person.id === actor.id)
  // a dog that was never here is shown in the trim that its body usually wears
  const usual = await newestStandards(db)
  const standard = seen[0]
    ? await standardOf(db, seen[0].visit.standardId, seen[0].visit.standardVersion)
    : (usual.find(({ body }) => body.bodyType === row.dog.bodyType) ?? usual[0]).body
  const trimOf = await trimNames(
    db,
    seen.map(({ visit }) => visit)
  )
  const open = await visitsBeingMarked(db)
  const today = await clock.today()
  const signed = seen.filter((visit) => visit.result !== null && !open.has(visit.visit.id))
  const blind = await stillBlind(db, actor, signed, today)
  const graded = signed.find(({ visit, gradingId }) => !blind.has(visit.id) && !blind.has(gradingId!))
  const isLength = new Set(standard.criteria.filter((criterion) => criterion.how.kind === 'length').map((criterion) => criterion.id))
  return {
    known: visits.some(({ visit }) => visit.onDate < today),
    dog: dogView(row.dog, actor.role === 'apprentice' ? null : row.owner),
    plan: standard.plan,
    worked: planAgreed(standard.plan, seen[0] ? ((await agreedOf(db, seen[0].visit.id)) ?? []) : []),
    visits: seen.map(({ visit, person, gradingId }) => ({
      visitId: visit.id,
      onDate: visit.onDate,
      apprentice: fullName(person),
      trim: trimOf(visit),
      checkIn: visit.checkIn,
      gradingId
    })),
    measured: (graded?.result?.parts ?? [])
      .filter((part) => isLength.has(part.criterionId) && part.valueMm !== null && part.basis === 'readings')
      .map((part) => ({ region: part.region, side: part.side, mm: part.valueMm! }))
  }
}

type Signed = {
  readonly visit: { readonly id: string; readonly onDate: string }
  readonly gradingId: string | null
  readonly assessorId: string | null
}

/**
 * Visits or gradings whose lengths this reader must not see by looking at a dog: a colleague who has not read that grading could still
 * mark the trim blind, and an apprentice has not said how they see it.
 */
async function stillBlind(db: Reader, actor: Me, signed: readonly Signed[], today: string): Promise<ReadonlySet<string>> {
  if (actor.role === 'apprentice')
    return waitsForOwnWord(
      db,
      signed.map(({ visit }) => visit.id),
      today
    )
  const marked = signed.map(({ visit, gradingId, assessorId }) => ({
    gradingId: gradingId!,
    assessorId: assessorId!,
    onDate: visit.onDate
  }))
  return unreadOf(db, actor, marked, today)
}

/** Keeps what a dog is known for. */
export async function keepFacts({ db }: Services, id: string, { facts }: DogFacts): Promise<DogView> {
  const { dogs: d } = tables
  await db
    .update(d)
    .set({ facts: [...new Set(facts)] })
    .where(eq(d.id, id))
  const row = (await db.select().from(d).where(eq(d.id, id)))[0]
  if (!row) throw refuse.notFound('This dog')
  return dogView(row)
}
