import type { Decline, DraftFinding, FindingRow, FindingView, Me } from '@peen/contract'
import {
  maySign,
  missingSigners,
  sameAccounts,
  signingRight,
  type Certificate,
  type SigningFacts,
  type SigningPerson
} from '@peen/core/certify'
import { daysBetween } from '@peen/core/competency'
import { foldVisit, workedMinutes } from '@peen/core/practice'
import { addMonths, formatISO, parseISO } from 'date-fns'
import { and, asc, count, eq, notInArray } from 'drizzle-orm'
import { inTransaction, orTaken, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { accountEvents } from '../accounts'
import { appendAudit } from '../audit'
import { certificateAt, certificatesOf } from '../certificates'
import { undecidedOf } from '../corrections'
import { eventsOf, gradedBy } from '../derived'
import { allPeople, dogView, fullName, personById, personName } from '../people'
import { visitRow } from '../practice'
import { findingFor, findingsFor, handsOn } from '../evidence'

type FindingRecord = typeof tables.findings.$inferSelect

/** A certificate that is given in this school, in its newest version. */
async function certificateById(db: Reader, id: string): Promise<Certificate> {
  const certificate = (await certificatesOf(db)).find((candidate) => candidate.id === id)
  if (!certificate) throw refuse.notFound(`The certificate "${id}"`)
  return certificate
}

/** Every apprentice against every certificate: how many rules are met, and whether a finding has been drafted. */
export async function findingList({ db, clock }: Services): Promise<FindingRow[]> {
  const today = await clock.today()
  const apprentices = (await allPeople(db)).filter((person) => person.role === 'apprentice' && person.active)
  const drafted = await db.select().from(tables.findings)
  const asked = (await certificatesOf(db)).flatMap((certificate) =>
    apprentices.map((apprentice) => ({ certificate, apprentice, apprenticeId: apprentice.id }))
  )
  const findings = await findingsFor(db, asked, today)
  const undecided = new Set((await undecidedOf(db, drafted)).map(({ findingId }) => findingId))
  const rows = asked.map(({ certificate, apprentice }, i): FindingRow => {
    const record = drafted.filter((row) => row.apprenticeId === apprentice.id && row.certificateId === certificate.id).at(-1)
    return {
      findingId: record?.id ?? null,
      apprenticeId: apprentice.id,
      apprentice: fullName(apprentice),
      certificateId: certificate.id,
      certificate: certificate.name,
      met: findings[i].rules.filter((rule) => rule.met === 'met').length,
      missing: findings[i].rules.filter((rule) => rule.met === 'missing').map(({ name }) => name),
      unknown: findings[i].rules.filter((rule) => rule.met === 'cannotTell').map(({ name }) => name),
      of: findings[i].rules.length,
      status: record?.status ?? 'none',
      undecided: record !== undefined && undecided.has(record.id),
      say: findings[i].say
    }
  })
  return rows.sort((a, b) => b.met - a.met || a.apprentice.localeCompare(b.apprentice))
}

/** Chosen: a certificate is renewed from three months before it runs out. */
const RENEW_DAYS = 92

const mayRenew = ({ validUntil }: FindingRecord, today: string) => validUntil !== null && daysBetween(today, validUntil) <= RENEW_DAYS

/** Drafts a finding, or returns the open one; one that runs out soon or has run out is renewed by its own rules. */
export async function draftFinding({ db, clock }: Services, actor: Me, body: DraftFinding): Promise<{ id: string }> {
  const certificate = await certificateById(db, body.certificateId)
  const apprentice = await personById(db, body.apprenticeId)
  if (apprentice.role !== 'apprentice') throw refuse.notFound('This apprentice')
  const draftedAt = await clock.now()
  const today = await clock.today()
  return inTransaction(db, async (tx) => {
    await tx.select().from(tables.auditHead).for('update')
    const { findings: f } = tables
    const earlier = await tx
      .select()
      .from(f)
      .where(and(eq(f.apprenticeId, apprentice.id), eq(f.certificateId, certificate.id), notInArray(f.status, ['declined', 'revoked'])))
      .orderBy(asc(f.draftedAt))
    const last = earlier.at(-1) ?? null
    if (last?.status === 'drafted') return { id: last.id }
    if (last && !mayRenew(last, today)) return { id: last.id }
    const rules = last && certificate.renewal.length > 0 ? certificate.renewal : certificate.rules
    const [{ n }] = await tx.select({ n: count() }).from(f)
    const { id } = body
    const number = `${String(draftedAt.getUTCFullYear()).slice(2)}-${String(n + 1).padStart(3, '0')}`
    const row = tx.insert(f).values({
      id,
      number,
      apprenticeId: apprentice.id,
      certificateId: certificate.id,
      certificateVersion: certificate.version,
      rules: [...rules],
      status: 'drafted',
      draftedBy: actor.id,
      draftedAt,
      decidingGradingId: null,
      evidence: null,
      decidedBy: null,
      reason: null,
      auditHash: null,
      validUntil: null,
      renews: last?.id ?? null
    })
    await orTaken(row, refuse.taken('finding'))
    return { id }
  })
}

async function findingRecord(db: Reader, id: string): Promise<FindingRecord> {
  const row = (await db.select().from(tables.findings).where(eq(tables.findings.id, id)))[0]
  if (!row) throw refuse.notFound('This finding')
  return row
}

type Gathered = {
  readonly record: FindingRecord
  readonly certificate: Certificate
  readonly finding: Awaited<ReturnType<typeof findingFor>>
  readonly facts: SigningFacts
  readonly signatures: readonly (typeof tables.signatures.$inferSelect)[]
  readonly people: readonly SigningPerson[]
}

/** Everything a decision about a finding stands on, gathered before any rule is asked. */
async function gather(db: Reader, record: FindingRecord, today: string, wallClock: Date): Promise<Gathered> {
  const certificate = { ...(await certificateAt(db, record.certificateId, record.certificateVersion)), rules: record.rules }
  const finding = await findingFor(db, certificate, record.apprenticeId, today)
  const events = await accountEvents(db)
  const unsettledOf = ({ id, role }: { readonly id: string; readonly role: Me['role'] }) => {
    const right = role === 'apprentice' ? null : signingRight(id, events, wallClock)
    return right && !right.signs ? right.because : null
  }
  const people = (await allPeople(db))
    .filter((person) => person.active)
    .map((person) => ({ id: person.id, name: fullName(person), role: person.role, unsettled: unsettledOf(person) }))
  const signatures = await db
    .select()
    .from(tables.signatures)
    .where(eq(tables.signatures.findingId, record.id))
    .orderBy(asc(tables.signatures.signedAt))
  const facts: SigningFacts = {
    accountsOf: sameAccounts(events),
    candidateId: record.apprenticeId,
    markedBy: finding.deciding?.assessorId ?? null,
    workedOnDog: finding.deciding ? await handsOn(db, finding.deciding.visitId) : new Set(),
    ready: finding.ready && record.status === 'drafted',
    signed: signatures.map((signature) => people.find((person) => person.id === signature.personId)!)
  }
  return { record, certificate, finding, facts, signatures, people }
}

const DECIDED: Readonly<Partial<Record<FindingRecord['status'], string>>> = {
  issued: 'It has been issued.',
  declined: 'It was declined.',
  revoked: 'It was issued, and has been revoked.'
}

/** The finding as a screen reads it: the claim, the rules with evidence, who may sign. */
export async function findingView({ db, clock }: Services, actor: Me, id: string): Promise<FindingView> {
  const record = await findingRecord(db, id)
  if (actor.role === 'apprentice' && record.apprenticeId !== actor.id)
    throw refuse.forbidden('Apprentices can read only their own records.')
  const today = await clock.today()
  const { certificate, finding, facts, signatures, people } = await gather(db, record, today, clock.real())
  const rules = record.evidence ?? finding.rules
  const name = (personId: string | null) => people.find((person) => person.id === personId)?.name ?? 'a former member of staff'
  const assessors = people.filter((person) => person.role !== 'apprentice')
  const [revoked] = await db.select().from(tables.revocations).where(eq(tables.revocations.findingId, id))
  return {
    id,
    number: record.number,
    status: record.status,
    apprentice: personName(await personById(db, record.apprenticeId)),
    certificate: {
      id: certificate.id,
      name: certificate.name,
      claim: certificate.claim,
      standardId: certificate.standardId,
      version: record.certificateVersion
    },
    draftedBy: name(record.draftedBy),
    rules,
    ready: finding.ready,
    say: DECIDED[record.status] ?? finding.say,
    deciding: finding.deciding ? await decidingView(db, finding.deciding.gradingId, finding.deciding.visitId) : null,
    signatures: signatures.map((signature) => ({
      personId: signature.personId,
      name: name(signature.personId),
      role: people.find((person) => person.id === signature.personId)!.role,
      note: signature.note,
      signedAt: signature.signedAt.toISOString()
    })),
    people: assessors.map((person) => ({ ...person, may: maySign(person, facts) })),
    missing: record.status === 'drafted' ? missingSigners(people, facts) : null,
    declined: record.status === 'declined' ? { reason: record.reason ?? '', by: name(record.decidedBy) } : null,
    undecided: (await undecidedOf(db, [record])).map(({ findingId: _id, ...one }) => one),
    revoked: revoked ? { kind: revoked.kind, reason: revoked.reason, by: name(revoked.by), at: revoked.at.toISOString() } : null,
    auditHash: record.auditHash,
    validUntil: record.status === 'issued' || record.status === 'revoked' ? record.validUntil : untilOf(certificate, today),
    renews: record.renews
  }
}

async function decidingView(db: Reader, gradingId: string, visitId: string): Promise<FindingView['deciding']> {
  const { visit, dog } = await visitRow(db, visitId)
  const grading = (await db.select().from(tables.gradings).where(eq(tables.gradings.id, gradingId)))[0]
  const { standard } = await gradedBy(db, grading)
  const state = foldVisit((await eventsOf(db, [visitId])).get(visitId)!)
  return {
    gradingId,
    onDate: visit.onDate,
    dog: dogView(dog),
    plan: standard.plan,
    minutes: workedMinutes(state, state.closedAt ?? state.openedAt ?? new Date(0).toISOString())
  }
}

/** The last day on which a certificate stands that is issued today. */
const untilOf = ({ validMonths }: Certificate, today: string) =>
  validMonths === null ? null : formatISO(addMonths(parseISO(today), validMonths), { representation: 'date' })

/** Puts a signature under a finding; the second one issues it. */
export async function signFinding({ db, clock }: Services, actor: Me, id: string): Promise<{ status: string }> {
  const signedAt = await clock.now()
  const today = await clock.today()
  return inTransaction(db, async (tx) => {
    const record = (await tx.select().from(tables.findings).where(eq(tables.findings.id, id)).for('update'))[0]
    if (!record) throw refuse.notFound('This finding')
    if (record.status !== 'drafted') throw refuse.conflict('decided', 'This finding has already been decided.')
    const { certificate, finding, facts, people, signatures } = await gather(tx, record, today, clock.real())
    const person = people.find((candidate) => candidate.id === actor.id)!
    const answer = maySign(person, facts)
    if (!answer.may) throw refuse.forbidden(answer.because)
    const deciding = finding.deciding!.gradingId
    if (signatures.length > 0 && record.decidingGradingId !== deciding) {
      throw refuse.conflict(
        'evidenceChanged',
        'The deciding trim has changed since the first signature. Decline this finding and draft it again.'
      )
    }
    await tx.insert(tables.signatures).values({ findingId: id, personId: actor.id, note: answer.note, signedAt })
    const isSecond = signatures.length === 1
    const validUntil = untilOf(certificate, today)
    const issued = isSecond ? { status: 'issued' as const, evidence: [...finding.rules], decidedBy: actor.id, validUntil } : {}
    await tx
      .update(tables.findings)
      .set({ decidingGradingId: deciding, ...issued })
      .where(eq(tables.findings.id, id))
    const auditHash = await appendAudit(
      tx,
      {
        ...{ kind: isSecond ? 'finding.issued' : 'finding.signed', at: signedAt.toISOString(), by: actor.id },
        ids: { finding: id, apprentice: record.apprenticeId, grading: deciding }
      },
      [`finding:${id}`, `signature:${id}/${actor.id}`]
    )
    if (isSecond) await tx.update(tables.findings).set({ auditHash }).where(eq(tables.findings.id, id))
    return { status: isSecond ? 'issued' : 'drafted' }
  })
}

/** Declines a finding with a reason; a new one may be drafted later. */
export async function declineFinding({ db, clock }: Services, actor: Me, id: string, { reason }: Decline): Promise<void> {
  const at = await clock.now()
  const today = await clock.today()
  await inTransaction(db, async (tx) => {
    const record = (await tx.select().from(tables.findings).where(eq(tables.findings.id, id)).for('update'))[0]
    if (!record) throw refuse.notFound('This finding')
    if (record.status !== 'drafted') throw refuse.conflict('decided', 'This finding has already been decided.')
    const { finding } = await gather(tx, record, today, clock.real())
    await tx
      .update(tables.findings)
      .set({ status: 'declined', evidence: [...finding.rules], decidedBy: actor.id, reason })
      .where(eq(tables.findings.id, id))
    const auditHash = await appendAudit(
      tx,
      { kind: 'finding.declined', at: at.toISOString(), by: actor.id, ids: { finding: id, apprentice: record.apprenticeId } },
      [`finding:${id}`]
    )
    await tx.update(tables.findings).set({ auditHash }).where(eq(tables.findings.id, id))
  })
}
