// Days of assessment: who marks whose trim, apart and blind, and how far they are.
import type { Appoint, AssessmentBook, AssessmentDay, AssessmentRow, Me, Marker } from '@peen/contract'
import { and, asc, desc, eq, inArray, or } from 'drizzle-orm'
import { inTransaction, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { accountsOfOne } from '../accounts'
import { appendAudit } from '../audit'
import { handsOn } from '../evidence'
import { allPeople, fullName, personById } from '../people'
import { visitRow } from '../practice'
import { standardOf } from '../school'

const {
  assessments: a,
  assessmentDays: days,
  visits: s,
  gradings: g,
  gradingResults: r,
  dogs: d,
  people: p,
  roomTables: t,
  gradingReads: gr
} = tables

/** Every trim of some days or visits, with who is appointed to mark it and how far they are. */

async function rowsOf(
  db: Reader,
  where: { readonly onDates?: readonly string[]; readonly visitIds?: readonly string[] }
): Promise<AssessmentRow[]> {
  const { onDates = [], visitIds = [] } = where
  if (onDates.length === 0 && visitIds.length === 0) return []
  const rows = await db
    .select({ visit: s, dog: d, person: p, table: t, appointed: a })
    .from(s)
    .innerJoin(d, eq(d.id, s.dogId))
    .innerJoin(p, eq(p.id, s.apprenticeId))
    .innerJoin(t, eq(t.id, s.tableId))
    .leftJoin(a, eq(a.visitId, s.id))
    .where(
      or(onDates.length > 0 ? inArray(s.onDate, [...onDates]) : undefined, visitIds.length > 0 ? inArray(s.id, [...visitIds]) : undefined)
    )
    .orderBy(desc(s.onDate), asc(t.number))
  const ids = rows.map(({ visit }) => visit.id)
  const marks =
    ids.length === 0
      ? []
      : await db
          .select({ visitId: g.visitId, assessorId: g.assessorId, status: g.status, outcome: r.outcome })
          .from(g)
          .leftJoin(r, eq(r.gradingId, g.id))
          .where(inArray(g.visitId, ids))
  const names = new Map((await allPeople(db)).map((person) => [person.id, fullName(person)]))
  const markerOf = (visitId: string, id: string): Marker => {
    // a mark that was set aside lets its two assessors go
    const status = marks.find((mark) => mark.visitId === visitId && mark.assessorId === id)?.status ?? 'notBegun'
    return { id, name: names.get(id) ?? 'a former member of staff', status: status === 'setAside' ? 'notBegun' : status }
  }
  const trims = new Map<string, string>()
  for (const { visit } of rows)
    if (!trims.has(`${visit.standardId} ${visit.standardVersion}`))
      trims.set(`${visit.standardId} ${visit.standardVersion}`, (await standardOf(db, visit.standardId, visit.standardVersion)).name)
  return rows.map(({ visit, dog, person, table, appointed }) => {
    const markers = appointed ? ([markerOf(visit.id, appointed.first), markerOf(visit.id, appointed.second)] as const) : null
    const own = marks.filter(({ visitId, status }) => visitId === visit.id && status !== 'setAside')
    return {
      visitId: visit.id,
      onDate: visit.onDate,
      tableNumber: table.number,
      candidate: fullName(person),
      candidateId: person.id,
      dog: dog.name,
      coat: dog.coat,
      trim: trims.get(`${visit.standardId} ${visit.standardVersion}`)!,
      markers,
      open: markers !== null && markers.every(({ status }) => status === 'signed'),
      outcome: appointed?.outcome ?? null,
      agreed: appointed?.agreedBy != null,
      asksSecond: appointed === null && own.length === 1 && own[0].outcome === 'secondAssessor'
    }
  })
}

export async function rowOf(db: Reader, visitId: string): Promise<AssessmentRow> {
  const [row] = await rowsOf(db, { visitIds: [visitId] })
  if (!row) throw refuse.notFound('This trim')
  return row
}

/** Days of assessment with all their tables, and on other days every trim that two people mark or that asks for a second. */
export async function assessmentBook({ db, clock }: Services): Promise<AssessmentBook> {
  const today = await clock.today()
  const own = await db.select().from(days).orderBy(desc(days.onDate))
  const alone = await db
    .select({ id: g.visitId })
    .from(g)
    .innerJoin(r, eq(r.gradingId, g.id))
    .where(and(eq(g.status, 'signed'), eq(r.outcome, 'secondAssessor')))
  const appointed = await db.select({ id: a.visitId }).from(a)
  const rows = await rowsOf(db, {
    onDates: own.map(({ onDate }) => onDate),
    visitIds: [...new Set([...alone, ...appointed].map(({ id }) => id))]
  })
  const isDay = new Set(own.map(({ onDate }) => onDate))
  const shown = rows.filter((row) => isDay.has(row.onDate) || row.markers !== null || row.asksSecond)
  const dates = [...new Set([...isDay, ...shown.map(({ onDate }) => onDate)])].sort().reverse()
  const people = (await allPeople(db)).filter((person) => person.active && person.role !== 'apprentice')
  return {
    today,
    days: dates.map((onDate): AssessmentDay => ({
      onDate,
      isAssessment: isDay.has(onDate),
      rows: shown.filter((row) => row.onDate === onDate)
    })),
    assessors: people.map((person) => ({ id: person.id, name: fullName(person), lead: person.role === 'lead' }))
  }
}

/** Makes a day one of assessment. */
export async function callDay({ db, clock }: Services, actor: Me, onDate: string): Promise<void> {
  const [today, at] = [await clock.today(), await clock.now()]
  if (onDate < today) throw refuse.invalid([{ path: 'onDate', detail: `Day is ${onDate}; it must be ${today} or later.` }])
  await db.insert(days).ignore().values({ onDate, by: actor.id, at })
}

/** A day is no longer one of assessment; refused while somebody is appointed on it. */
export async function dropDay({ db }: Services, onDate: string): Promise<void> {
  const taken = await db.select({ id: a.visitId }).from(a).innerJoin(s, eq(s.id, a.visitId)).where(eq(s.onDate, onDate))
  if (taken.length > 0)
    throw refuse.conflict(
      'appointed',
      `${taken.length} ${taken.length === 1 ? 'trim has' : 'trims have'} assessors on that day; remove them first. Nothing was changed.`
    )
  await db.delete(days).where(eq(days.onDate, onDate))
}

/** Appoints two assessors who mark a trim apart. Neither is the candidate, nor worked on that dog that day. */
export async function appoint({ db, clock }: Services, actor: Me, visitId: string, { first, second }: Appoint): Promise<void> {
  const at = await clock.now()
  await inTransaction(db, async (tx) => {
    const { visit } = await visitRow(tx, visitId)
    await tx.select().from(s).where(eq(s.id, visitId)).for('update')
    const problem = (path: string, detail: string) => refuse.invalid([{ path, detail }])
    const accountsOf = await accountsOfOne(tx)
    if (accountsOf(first).has(second)) throw problem('second', 'The second assessor is the same as the first; choose someone else.')
    for (const [path, id] of Object.entries({ first, second })) {
      const person = await personById(tx, id)
      if (person.role === 'apprentice' || !person.active)
        throw problem(path, `${fullName(person)} does not assess; choose an instructor or a lead assessor who works here.`)
      if (accountsOf(id).has(visit.apprenticeId)) throw problem(path, 'No one can mark their own work.')
      if ((await handsOn(tx, visitId)).has(id))
        throw problem(path, `${fullName(person)} worked on this dog that day; choose someone who did not.`)
    }
    const all = await tx.select({ by: g.assessorId, status: g.status }).from(g).where(eq(g.visitId, visitId))
    const marked = all.filter(({ status }) => status !== 'setAside')
    const aside = all.find(({ by, status }) => status === 'setAside' && (by === first || by === second))
    if (aside)
      throw problem(
        aside.by === first ? 'first' : 'second',
        `The mark of ${fullName(await personById(tx, aside.by))} was set aside; choose someone else.`
      )
    const stranger = marked.find(({ by }) => by !== first && by !== second)
    if (stranger)
      throw problem('first', `${fullName(await personById(tx, stranger.by))} is already marking this trim and must be one of the two.`)
    const reads = await tx
      .select({ by: gr.personId, of: g.assessorId })
      .from(gr)
      .innerJoin(g, eq(g.id, gr.gradingId))
      .where(eq(g.visitId, visitId))
    const markers = [...accountsOf(first), ...accountsOf(second)]
    const reader = reads.find(({ by, of }) => of !== by && markers.includes(by) && !marked.some((mark) => accountsOf(mark.by).has(by)))
    if (reader)
      throw problem('second', `${fullName(await personById(tx, reader.by))} has seen the marks for this trim; choose someone who has not.`)
    const known = (await tx.select().from(a).where(eq(a.visitId, visitId)))[0]
    if (known && marked.some(({ by }) => by === known.first || by === known.second) && !(known.first === first && known.second === second))
      throw refuse.conflict('begun', 'One of the two has started marking, so the assessors can no longer change. Nothing was changed.')
    if (known) await tx.update(a).set({ first, second }).where(eq(a.visitId, visitId))
    else await tx.insert(a).values({ visitId, first, second, askedBy: actor.id, askedAt: at })
    await appendAudit(tx, { kind: 'assessment.appointed', at: at.toISOString(), by: actor.id, ids: { visit: visitId, first, second } }, [
      `assessment:${visitId}`
    ])
  })
}

/** Lets both assessors go again, while neither has begun. */
export async function release({ db, clock }: Services, actor: Me, visitId: string): Promise<void> {
  const at = await clock.now()
  await inTransaction(db, async (tx) => {
    const [row] = await tx.select().from(a).where(eq(a.visitId, visitId)).for('update')
    if (!row) throw refuse.notFound('This appointment')
    const begun = await tx
      .select({ id: g.id })
      .from(g)
      .where(and(eq(g.visitId, visitId), inArray(g.assessorId, [row.first, row.second])))
    if (begun.length > 0)
      throw refuse.conflict('begun', 'One of the two has started marking, so the assessors can no longer change. Nothing was changed.')
    await tx.delete(a).where(eq(a.visitId, visitId))
    const entry = { kind: 'assessment.released', at: at.toISOString(), by: actor.id, ids: { visit: visitId } }
    await appendAudit(tx, entry, [`assessment:${visitId}`])
  })
}
