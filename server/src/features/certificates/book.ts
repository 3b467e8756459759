// Certificates written, tried on the cohort, put into use, retired; and the risks that every chart is made by.
import { questions, retiredTechniques } from '@peen/content'
import { chartProblem, sayCertificateIssue, type CertificateBook, type DryRunRow, type Me, type StandingRulesBody } from '@peen/contract'
import { certificateIssues, type Certificate, type KnownForCertificates } from '@peen/core/certify'
import { and, count, countDistinct, desc, eq, ne } from 'drizzle-orm'
import { inTransaction, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'
import { findingsFor } from '../evidence'
import { rebuildCharts, standingRules } from '../derived'
import { allPeople, fullName } from '../people'
import { newestStandards, techniquesOf } from '../school'
import { certificatesOf, newestCertificate, retiredIds } from './store'

const { certificates: c, findings: f, retiredCertificates: r } = tables

/** What a certificate of this school may refer to. */
export async function knownHere(db: Reader): Promise<KnownForCertificates> {
  const [{ coats }] = await db.select({ coats: countDistinct(tables.dogs.coat) }).from(tables.dogs)
  const [{ assessors }] = await db
    .select({ assessors: count() })
    .from(tables.people)
    .where(and(ne(tables.people.role, 'apprentice'), eq(tables.people.active, true)))
  return {
    // a rule of before may still name what left the catalogue: its history is kept
    techniques: new Set([...(await techniquesOf(db)), ...retiredTechniques].map(({ id }) => id)),
    questions: new Set(questions.map(({ id }) => id)),
    standards: new Map((await newestStandards(db, true)).map(({ body }) => [body.id, new Set(body.criteria.map(({ id }) => id))])),
    certificates: new Map((await certificatesOf(db, true)).map(({ id, rules }) => [id, rules])),
    coats,
    assessors
  }
}

/** Every certificate with its versions, how often it was issued, and what the editor must know. */
export async function certificateBook({ db }: Services): Promise<CertificateBook> {
  const retired = await retiredIds(db)
  const known = await knownHere(db)
  const versions = await db.select({ id: c.id, version: c.version, by: c.by, at: c.at }).from(c).orderBy(desc(c.version))
  const issued = await db.select({ id: f.certificateId, n: count() }).from(f).where(eq(f.status, 'issued')).groupBy(f.certificateId)
  const names = new Map((await db.select().from(tables.people)).map((person) => [person.id, fullName(person)]))
  return {
    certificates: (await certificatesOf(db, true)).map((certificate) => ({
      certificate,
      retired: retired.has(certificate.id),
      versions: versions
        .filter(({ id }) => id === certificate.id)
        .map(({ version, by, at }) => ({ version, by: by && (names.get(by) ?? null), at: at?.toISOString() ?? null })),
      issued: issued.find(({ id }) => id === certificate.id)?.n ?? 0
    })),
    coats: known.coats,
    assessors: known.assessors,
    criteria: Object.fromEntries(
      (await newestStandards(db, true)).map(({ body }) => [body.id, body.criteria.map(({ id, label }) => ({ id, label }))])
    ),
    rules: await standingRules(db)
  }
}

async function refuseUnmeetable(db: Reader, certificate: Certificate): Promise<void> {
  const issues = certificateIssues(certificate, await knownHere(db))
  if (issues.length > 0)
    throw refuse.invalid(issues.map((issue) => ({ path: issue.path, detail: sayCertificateIssue(issue, certificate) })))
}

/** What a certificate would say of every apprentice today, beside what the one in use says. Nothing is written. */
export async function dryRun({ db, clock }: Services, certificate: Certificate): Promise<DryRunRow[]> {
  await refuseUnmeetable(db, certificate)
  const today = await clock.today()
  const people = (await allPeople(db)).filter((person) => person.role === 'apprentice' && person.active)
  const inUse = (await certificatesOf(db)).find(({ id }) => id === certificate.id)
  const ask = (one: Certificate) =>
    findingsFor(
      db,
      people.map(({ id }) => ({ certificate: one, apprenticeId: id })),
      today
    )
  const after = await ask(certificate)
  const before = inUse ? await ask(inUse) : null
  const met = (finding: (typeof after)[number]) => ({
    met: finding.rules.filter((rule) => rule.met === 'met').length,
    of: finding.rules.length
  })
  return people
    .map((person, i) => ({
      apprenticeId: person.id,
      apprentice: fullName(person),
      cohort: person.cohort,
      before: before && met(before[i]),
      after: met(after[i]),
      ready: after[i].ready,
      open: after[i].rules.filter((rule) => rule.met !== 'met').map(({ name, evidence }) => ({ name, evidence }))
    }))
    .sort((a, b) => b.after.met - a.after.met || a.apprentice.localeCompare(b.apprentice))
}

/** Puts a certificate into use as its next version; what was issued or drafted by an earlier one keeps that one. */
export async function useCertificate(
  { db, clock }: Services,
  actor: Me,
  id: string,
  certificate: Certificate
): Promise<{ version: number }> {
  if (certificate.id !== id)
    throw refuse.invalid([{ path: 'id', detail: `id is “${certificate.id}”; it must be “${id}”, as in the address.` }])
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    await tx.select().from(tables.auditHead).for('update')
    await refuseUnmeetable(tx, certificate)
    const [last] = await tx.select({ version: c.version }).from(c).where(eq(c.id, id)).orderBy(desc(c.version)).limit(1)
    const basis = last?.version ?? 0
    if (certificate.version !== basis + 1)
      throw refuse.conflict(
        'versionTaken',
        `Version ${basis} of this certificate is now in use; yours would be ${certificate.version}. Reload it, then apply your changes. Nothing was changed.`
      )
    await tx.insert(c).values({ id, version: certificate.version, body: certificate, by: actor.id, at })
    await tx.delete(r).where(eq(r.id, id))
    await appendAudit(
      tx,
      {
        kind: 'certificate.used',
        at: at.toISOString(),
        by: actor.id,
        ids: { certificate: id, version: certificate.version }
      },
      [`certificate:${id}@${certificate.version}`]
    )
    return { version: certificate.version }
  })
}

/** A certificate is no longer given, or given again; those that were issued stand. */
export async function retireCertificate({ db, clock }: Services, actor: Me, id: string, retired: boolean): Promise<void> {
  await newestCertificate(db, id)
  const at = await clock.now()
  if (retired) await db.insert(r).ignore().values({ id, by: actor.id, at })
  else await db.delete(r).where(eq(r.id, id))
}

/** The school's own risks and expected attempts: every chart is made anew by them. */
export async function keepStandingRules({ db, clock }: Services, actor: Me, rules: StandingRulesBody): Promise<void> {
  const problem = chartProblem(rules)
  if (problem) throw refuse.invalid([{ path: problem.path, detail: problem.say }])
  const at = await clock.now()
  await inTransaction(db, async (tx) => {
    await tx.select().from(tables.auditHead).for('update')
    await tx.update(tables.school).set({ competency: rules })
    await rebuildCharts(tx)
    await appendAudit(tx, { kind: 'school.charts', at: at.toISOString(), by: actor.id, ids: {} })
  })
}
