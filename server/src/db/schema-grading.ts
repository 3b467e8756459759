// Gradings with what they were signed as, findings and their signatures.
import type { CertificateRule, Finding } from '@peen/core/certify'
import type { Answers, GlobalRating, GradedWith, GradeResult } from '@peen/core/grade'
import type { AgreedTarget } from '@peen/core/setup'
import type { Asked } from '@peen/core/standard'
import { boolean, double, int, json, mysqlTable, primaryKey, text, uniqueIndex, varchar } from 'drizzle-orm/mysql-core'
import { day, name, utc, uuid } from './columns'
import { people, visits } from './schema-school'

export const gradings = mysqlTable(
  'gradings',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    assessorId: uuid('assessor_id')
      .notNull()
      .references(() => people.id),
    standardId: name('standard_id').notNull(),
    standardVersion: int('standard_version').notNull(),
    houseRules: json('house_rules').$type<Record<string, number>>().notNull(),
    /** lengths that were asked for, as they stood when the grading was opened */
    wishes: json('wishes').$type<Asked['wishes']>(),
    /** what was agreed at set-up, as it stood when the grading was opened; null where nothing was */
    agreed: json('agreed').$type<readonly AgreedTarget[]>(),
    /** by what it was computed when it was signed; null in a draft, and where the first method signed it */
    gradedWith: json('graded_with').$type<GradedWith>(),
    status: name('status', 10).$type<'draft' | 'signed' | 'setAside'>().notNull(),
    blind: boolean('blind').notNull(),
    version: int('version').notNull(),
    answers: json('answers').$type<Answers>().notNull(),
    critical: json('critical').$type<string[]>().notNull(),
    globalRating: name('global_rating', 20).$type<GlobalRating>(),
    ratedAtAnswers: int('rated_at_answers'),
    startedAt: utc('started_at').notNull(),
    signedAt: utc('signed_at')
  },
  (t) => [uniqueIndex('gradings_one_each').on(t.visitId, t.assessorId)]
)

/** What a grading came to when it was signed. Never computed again: no later code may change a signed mark or verdict. */
export const gradingResults = mysqlTable('grading_results', {
  gradingId: uuid('grading_id').primaryKey(),
  value: double('value').notNull(),
  /** of the body, so that it can be asked for without reading it */
  outcome: name('outcome', 20).$type<GradeResult['outcome']>(),
  body: json('body').$type<GradeResult>().notNull()
})

/** the text of a draft that lost against another device's write: kept, never overwritten */
export const gradingConflicts = mysqlTable('grading_conflicts', {
  id: uuid('id').primaryKey(),
  gradingId: uuid('grading_id')
    .notNull()
    .references(() => gradings.id),
  by: uuid('by_person').notNull(),
  at: utc('at').notNull(),
  draft: json('draft').$type<object>().notNull()
})

/** who has read another assessor's grading: a grading of the same trim started later is not blind */
export const gradingReads = mysqlTable(
  'grading_reads',
  {
    gradingId: uuid('grading_id')
      .notNull()
      .references(() => gradings.id),
    personId: uuid('person_id').notNull(),
    at: utc('at').notNull()
  },
  (t) => [primaryKey({ columns: [t.gradingId, t.personId] })]
)

export const findings = mysqlTable('findings', {
  id: uuid('id').primaryKey(),
  number: name('number', 20).notNull(),
  apprenticeId: uuid('apprentice_id')
    .notNull()
    .references(() => people.id),
  certificateId: name('certificate_id').notNull(),
  certificateVersion: int('certificate_version').notNull(),
  rules: json('rules').$type<CertificateRule[]>().notNull(),
  status: name('status', 10).$type<'drafted' | 'issued' | 'declined' | 'revoked'>().notNull(),
  draftedBy: uuid('drafted_by').notNull(),
  draftedAt: utc('drafted_at').notNull(),
  decidingGradingId: uuid('deciding_grading_id'),
  /** the rules with their evidence as they stood when it was issued or declined */
  evidence: json('evidence').$type<Finding['rules']>(),
  decidedBy: uuid('decided_by'),
  reason: text('reason'),
  auditHash: varchar('audit_hash', { length: 64 }),
  /** the last day on which an issued certificate stands; null where it does not run out */
  validUntil: day('valid_until'),
  /** the finding that this one renews */
  renews: uuid('renews')
})

export const signatures = mysqlTable(
  'signatures',
  {
    findingId: uuid('finding_id')
      .notNull()
      .references(() => findings.id),
    personId: uuid('person_id').notNull(),
    note: name('note', 120).notNull(),
    signedAt: utc('signed_at').notNull()
  },
  (t) => [primaryKey({ columns: [t.findingId, t.personId] })]
)
