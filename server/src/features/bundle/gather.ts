// Everything behind one certificate, as it stood when it was issued: what the rules were asked of, and what the trail holds of it.
import { attemptsOf, techniqueToday, type Behind, type BehindAttempt, type BehindMark, type BehindVisit } from '@peen/bundle'
import { retiredTechniques } from '@peen/content'
import type { PracticeEvent } from '@peen/core/practice'
import { group } from 'd3-array'
import { and, asc, eq, inArray, lte } from 'drizzle-orm'
import { localDate } from '../../clock'
import { tables, type Reader } from '../../db'
import { accountsOfOne } from '../accounts'
import { answersOf } from '../answers'
import { certificateAt, certificatesOf } from '../certificates'
import { eventFrom, standingRules } from '../derived'
import { allPeople, fullName } from '../people'
import { schoolRow, techniquesOf, trimNames } from '../school'
import { majorFaults } from '../techniques'

const { findings: f, signatures: s, revocations: r, gradings: g, gradingResults: gr, visits: v, dogs: d, events: e } = tables
type FindingRow = typeof f.$inferSelect
type GradingRow = typeof g.$inferSelect

/** When a certificate was issued: its last signature. */
export async function issuedWhen(db: Reader, findingId: string): Promise<{ at: Date; onDate: string }> {
  const rows = await db.select({ at: s.signedAt }).from(s).where(eq(s.findingId, findingId)).orderBy(asc(s.signedAt))
  const at = rows.at(-1)!.at
  return { at, onDate: localDate(at, (await schoolRow(db)).timeZone) }
}

/** The apprentice's visits up to a day, in the order in which their attempts count. */
async function visitsUntil(db: Reader, apprenticeId: string, onDate: string): Promise<BehindVisit[]> {
  const rows = await db
    .select({ visit: v, dog: d })
    .from(v)
    .innerJoin(d, eq(d.id, v.dogId))
    .where(and(eq(v.apprenticeId, apprenticeId), lte(v.onDate, onDate)))
    .orderBy(asc(v.onDate), asc(v.id))
  return rows.map(({ visit, dog }) => ({
    ...{ id: visit.id, onDate: visit.onDate, dog: { id: dog.id, name: dog.name, coat: dog.coat } },
    ...{ standardId: visit.standardId, standardVersion: visit.standardVersion }
  }))
}

/** Certificates that were held when another one was issued. */
async function heldThen(db: Reader, { id, apprenticeId }: FindingRow, { at, onDate }: { readonly at: Date; readonly onDate: string }) {
  const rows = await db
    .select({ row: f, revokedAt: r.at })
    .from(f)
    .leftJoin(r, eq(r.findingId, f.id))
    .where(and(eq(f.apprenticeId, apprenticeId), inArray(f.status, ['issued', 'revoked'])))
  const names = await namesOfCertificates(db)
  const held: Behind['held'][number][] = []
  for (const { row, revokedAt } of rows) {
    if (row.id === id || (revokedAt !== null && revokedAt <= at) || (row.validUntil !== null && row.validUntil < onDate)) continue
    if ((await issuedWhen(db, row.id)).at > at) continue
    held.push({ certificateId: row.certificateId, name: names.get(row.certificateId) ?? row.certificateId, until: row.validUntil })
  }
  return held
}

const namesOfCertificates = async (db: Reader) => new Map((await certificatesOf(db, true)).map(({ id, name }) => [id, name]))

/** What the rules of a certificate were asked of, besides events, marks and standards. */
export async function behindOf(db: Reader, finding: FindingRow): Promise<Behind> {
  const issued = await issuedWhen(db, finding.id)
  const { apprenticeId } = finding
  const certificate = { ...(await certificateAt(db, finding.certificateId, finding.certificateVersion)), rules: finding.rules }
  const people = await allPeople(db)
  const apprentice = people.find(({ id }) => id === apprenticeId)!
  const lifts = await db.select().from(tables.holdLifts).where(eq(tables.holdLifts.apprenticeId, apprenticeId))
  const answers = await answersOf(db, [apprenticeId])
  return {
    finding: finding.id,
    apprentice: { id: apprenticeId, name: fullName(apprentice), accounts: [...(await accountsOfOne(db))(apprenticeId)] },
    issuedAt: issued.at.toISOString(),
    issuedOn: issued.onDate,
    certificate,
    charts: await standingRules(db),
    visits: await visitsUntil(db, apprenticeId, issued.onDate),
    techniques: [...retiredTechniques, ...(await techniquesOf(db))].map(({ id, name }) => ({ id, name })),
    majorFaults: [...(await majorFaults(db))],
    lifts: lifts.filter(({ onDate }) => onDate <= issued.onDate).map(({ techniqueId, onDate }) => ({ techniqueId, onDate })),
    answers: answers.filter(({ at }) => at <= issued.at).map(({ questionId, right, onDate }) => ({ questionId, right, onDate })),
    held: await heldThen(db, finding, issued),
    certificates: [...(await namesOfCertificates(db))].map(([id, name]) => ({ id, name })),
    staff: people.filter(({ role }) => role !== 'apprentice').map((person) => ({ id: person.id, name: fullName(person) }))
  }
}

/** Signed marks of trims that count, begun before the certificate was issued; those set aside since among them. */
export async function gradingsBehind(db: Reader, { visits, certificate, issuedAt }: Behind): Promise<GradingRow[]> {
  if (visits.length === 0) return []
  const ids = visits.map(({ id }) => id)
  const rows = await db
    .select({ row: g })
    .from(g)
    .innerJoin(v, eq(v.id, g.visitId))
    .where(and(inArray(g.visitId, ids), inArray(g.status, ['signed', 'setAside']), lte(g.startedAt, new Date(issuedAt))))
    .orderBy(asc(v.onDate), asc(g.id))
  return rows.map(({ row }) => row).filter(({ standardId }) => certificate.standards.includes(standardId))
}

/** The events of some visits, in the order of the trail. */
export async function eventsBehind(db: Reader, { visits }: Behind): Promise<ReadonlyMap<string, PracticeEvent[]>> {
  if (visits.length === 0) return new Map()
  const ids = visits.map(({ id }) => id)
  const rows = await db.select().from(e).where(inArray(e.visitId, ids)).orderBy(asc(e.id))
  return group(rows.map(eventFrom), ({ visitId }) => visitId)
}

/** The attempts as the records have them today. */
export async function attemptsBehind(db: Reader, { visits }: Behind): Promise<BehindAttempt[]> {
  const { attempts: a } = tables
  if (visits.length === 0) return []
  const ids = visits.map(({ id }) => id)
  const rows = group(await db.select().from(a).where(inArray(a.visitId, ids)), ({ visitId }) => visitId)
  return visits.flatMap((visit) =>
    attemptsOf(
      visit,
      (rows.get(visit.id) ?? []).map(({ body }) => ({ ...body, techniqueId: techniqueToday(body.techniqueId) }))
    )
  )
}

export async function marksBehind(db: Reader, behind: Behind, gradings: readonly GradingRow[]): Promise<BehindMark[]> {
  if (gradings.length === 0) return []
  const ids = gradings.map(({ id }) => id)
  const results = new Map((await db.select().from(gr).where(inArray(gr.gradingId, ids))).map(({ gradingId, body }) => [gradingId, body]))
  const visits = new Map(behind.visits.map((visit) => [visit.id, visit]))
  const staff = new Map(behind.staff.map(({ id, name }) => [id, name]))
  const trimOf = await trimNames(
    db,
    gradings.map(({ standardId, standardVersion }) => ({ standardId, standardVersion }))
  )
  return gradings.map((row) => {
    const { onDate, dog } = visits.get(row.visitId)!
    const { total, outcome } = results.get(row.id)!
    return {
      ...{ gradingId: row.id, visitId: row.visitId, onDate, dog: dog.name, trim: trimOf(row), assessor: staff.get(row.assessorId) ?? '' },
      ...{ mark: total?.value ?? null, low: total?.interval[0] ?? null, high: total?.interval[1] ?? null },
      ...{ outcome, setAside: row.status === 'setAside' }
    }
  })
}
