import { questions, retiredTechniques } from '@peen/content'
import { findingOf, type Certificate, type CertifyFacts, type Finding, type Held, type TechniqueState } from '@peen/core/certify'
import { designLearningChart } from '@peen/core/competency'
import { staffHands } from '@peen/core/practice'
import { successorOf } from '@peen/core/technique'
import { group } from 'd3-array'
import { and, eq, inArray } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { accountsOfOne } from '../accounts'
import { answeredBy } from '../answers'
import { attemptRows, eventsOf, recordFrom, standingRules, techniqueToday } from '../derived'
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
  const names = new Map([...retiredTechniques, ...(await techniquesOf(db))].map(({ id, name }) => [id, name]))
  const rows = ids.length === 0 ? [] : (await attemptRows(db, ids)).filter(({ row }) => row.onDate <= today && row.body.setting === 'live')
  const live = group(rows, ({ row }) => row.apprenticeId)
  const trims = group(await signedTrims(db, ids), (trim) => trim.apprenticeId)
  const held = await heldBy(db, ids, today)
  const answered = await answeredBy(db, ids, today)
  const certificateNames = await namesOfCertificates(db)
  const accountsOf = await accountsOfOne(db)
  const known = new Map(ids.map((id) => [id, knownOf(id)]))
  return (certificate, apprenticeId) => {
    const { counted, ...facts } = known.get(apprenticeId)!
    const wanted = new Set(certificate.rules.flatMap((rule) => ('techniques' in rule ? rule.techniques.map(techniqueToday) : [])))
    const dogs = new Map(
      counted
        .filter(({ row }) => wanted.has(row.techniqueId))
        .map(({ row, dogName, coat }) => [row.dogId, { id: row.dogId, name: dogName, coat }])
    )
    return {
      today,
      ...facts,
      techniqueNames: names,
      trims: (trims.get(apprenticeId) ?? []).filter(
        (trim) => certificate.standards.includes(trim.standardId) && trim.blind && !accountsOf(trim.assessorId).has(apprenticeId)
      ),
      dogs: [...dogs.values()].sort((x, y) => x.name.localeCompare(y.name)),
      certificateNames,
      questionWords
    }
  }

  /** What does not depend on the certificate. */
  function knownOf(apprenticeId: string) {
    const own = live.get(apprenticeId) ?? []
    const counted = own.filter(({ row }) => row.body.counts)
    const right = answered.get(apprenticeId) ?? new Map<string, string>()
    const standings = (states.get(apprenticeId) ?? []).map((one): [string, TechniqueState] => [
      one.techniqueId,
      { state: one.state, signalOn: one.signalOn, risk }
    ])
    const attempts = group(counted, ({ row }) => row.techniqueId)
    return {
      counted,
      standings: withRetired(new Map(standings), right),
      attempts: renamedToo(new Map([...attempts].map(([id, some]) => [id, some.map(recordFrom)]))),
      lastSafetyOn: latest(own.filter(({ row }) => row.body.safetyEvents > 0).map(({ row }) => row.onDate)),
      lastWorkOn: latest(counted.map(({ row }) => row.onDate)),
      held: held.get(apprenticeId) ?? new Map<string, Held>(),
      answered: right
    }
  }
}

/** What was kept under a technique's name of today, under its former name as well: a school's rule may still ask by that. */
function renamedToo<T>(known: ReadonlyMap<string, T>): ReadonlyMap<string, T> {
  const former = retiredTechniques.flatMap(({ id }): [string, T][] => {
    const today = techniqueToday(id)
    return today !== id && known.has(today) ? [[id, known.get(today)!]] : []
  })
  return new Map([...known, ...former])
}

/** A retired technique stands where its successor stands, and no lower than it stood itself: what was shown is not lost. */
function withRetired(
  known: ReadonlyMap<string, TechniqueState>,
  answered: ReadonlyMap<string, string>
): ReadonlyMap<string, TechniqueState> {
  const own = renamedToo(known)
  const former = retiredTechniques.flatMap(({ id }): [string, TechniqueState][] => {
    const to = successorOf(id, retiredTechniques)
    const successor = to === null ? answeredAs(id, answered) : own.get(to)
    return successor?.state === 'competent' && own.get(id)?.state !== 'competent' ? [[id, successor]] : []
  })
  return new Map([...own, ...former])
}

/** Knowledge that became a question: shown by its answer, without any luck in it. */
function answeredAs(id: string, answered: ReadonlyMap<string, string>): TechniqueState | undefined {
  const question = questions.find(({ was }) => was === id)
  const signalOn = question === undefined ? undefined : answered.get(question.id)
  return signalOn === undefined ? undefined : { state: 'competent', signalOn, risk: 0 }
}
const questionWords: ReadonlyMap<string, string> = new Map(questions.map(({ id, ask }) => [id, ask]))

const latest = (dates: readonly string[]) => [...dates].sort().at(-1) ?? null

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
