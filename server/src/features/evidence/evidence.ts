import { factsOf } from '@peen/bundle'
import { retiredTechniques } from '@peen/content'
import { findingOf, type Certificate, type CertifyFacts, type Finding, type Held } from '@peen/core/certify'
import { designLearningChart } from '@peen/core/competency'
import { staffHands } from '@peen/core/practice'
import { group } from 'd3-array'
import { and, eq, inArray } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { accountsOfOne } from '../accounts'
import { answeredBy } from '../answers'
import { attemptRows, eventsOf, recordFrom, standingRules } from '../derived'
import { techniquesOf } from '../school'
import { cohortStates, signedTrims } from '../standings'

type Asked = { readonly certificate: Certificate; readonly apprenticeId: string }

/** Gathers the facts for one certificate and one apprentice, then asks core to decide. */
export async function findingFor(db: Reader, certificate: Certificate, apprenticeId: string, today: string): Promise<Finding> {
  return (await findingsFor(db, [{ certificate, apprenticeId }], today))[0]
}

/** The same for many certificates and apprentices: what is known of an apprentice is read once. Answers stand as they were asked. */
export async function findingsFor(db: Reader, asked: readonly Asked[], today: string): Promise<Finding[]> {
  const factsOf = await factsFor(
    db,
    asked.map(({ apprenticeId }) => apprenticeId),
    today
  )
  return asked.map(({ certificate, apprenticeId }) => findingOf(certificate, factsOf(certificate, apprenticeId)))
}

/** What is known of some apprentices today, as a certificate looks at it. */
export async function factsFor(
  db: Reader,
  apprenticeIds: readonly string[],
  today: string
): Promise<(certificate: Certificate, apprenticeId: string) => CertifyFacts> {
  const ids = [...new Set(apprenticeIds)]
  const risk = designLearningChart(await standingRules(db)).falseCompetentRisk
  const states = group(await cohortStates(db, ids, today), ({ apprenticeId }) => apprenticeId)
  const techniqueNames = new Map([...retiredTechniques, ...(await techniquesOf(db))].map(({ id, name }) => [id, name]))
  const rows = ids.length === 0 ? [] : (await attemptRows(db, ids)).filter(({ row }) => row.onDate <= today && row.body.setting === 'live')
  const live = group(rows, ({ row }) => row.apprenticeId)
  const trims = group(await signedTrims(db, ids), (trim) => trim.apprenticeId)
  const held = await heldBy(db, ids, today)
  const answered = await answeredBy(db, ids, today)
  const certificateNames = await namesOfCertificates(db)
  const accountsOf = await accountsOfOne(db)
  const asked = new Map(
    ids.map((id) => {
      const standings = (states.get(id) ?? []).map(({ techniqueId, state, signalOn }) => [techniqueId, { state, signalOn, risk }] as const)
      const known = {
        today,
        live: (live.get(id) ?? []).map((row) => ({ techniqueId: row.row.techniqueId, record: recordFrom(row) })),
        standings: new Map(standings),
        answered: answered.get(id) ?? new Map<string, string>(),
        held: held.get(id) ?? new Map<string, Held>(),
        trims: trims.get(id) ?? [],
        isOwn: (assessorId: string) => accountsOf(assessorId).has(id)
      }
      return [id, factsOf(known, { techniqueNames, certificateNames })]
    })
  )
  return (certificate, apprenticeId) => asked.get(apprenticeId)!(certificate)
}

async function namesOfCertificates(db: Reader): Promise<ReadonlyMap<string, string>> {
  const { certificates: c } = tables
  const rows = await db.select().from(c).orderBy(c.version)
  return new Map(rows.map(({ id, body }) => [id, body.name]))
}

/** Certificates that are held on a day: issued, and not run out. */
async function heldBy(db: Reader, ids: readonly string[], today: string): Promise<ReadonlyMap<string, ReadonlyMap<string, Held>>> {
  if (ids.length === 0) return new Map()
  const { findings: f } = tables
  const rows = await db
    .select()
    .from(f)
    .where(and(inArray(f.apprenticeId, [...ids]), eq(f.status, 'issued')))
  const names = await namesOfCertificates(db)
  const standing = rows.filter(({ validUntil }) => validUntil === null || validUntil >= today)
  return new Map(
    [...group(standing, ({ apprenticeId }) => apprenticeId)].map(([id, own]) => [
      id,
      new Map(own.map((row) => [row.certificateId, { name: names.get(row.certificateId) ?? row.certificateId, until: row.validUntil }]))
    ])
  )
}

/** Whose work a trim is, besides its apprentice: every account of those of the staff whose own hands were on the dog, and every other account of the apprentice. */
export async function handsOn(db: Reader, visitId: string): Promise<Set<string>> {
  const { visits: s } = tables
  const [visit] = await db.select({ apprenticeId: s.apprenticeId }).from(s).where(eq(s.id, visitId))
  const apprenticeId = visit?.apprenticeId ?? ''
  const events = (await eventsOf(db, [visitId])).get(visitId)!
  const accountsOf = await accountsOfOne(db)
  const all = new Set([apprenticeId, ...staffHands(events, apprenticeId)].flatMap((id) => [...accountsOf(id)]))
  all.delete(apprenticeId)
  return all
}
