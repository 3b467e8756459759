// Certificates of the school, days of assessment, and what attempts come to.
import type { Certificate } from '@peen/core/certify'
import type { ChartRow } from '@peen/core/competency'
import { index, int, json, mysqlTable, primaryKey, text } from 'drizzle-orm/mysql-core'
import { day, name, utc, uuid } from './columns'
import { people, visits } from './schema-school'

/** every version that was ever in use stays; what Peen ships has no author */
export const certificates = mysqlTable(
  'certificates',
  {
    id: name('id').notNull(),
    version: int('version').notNull(),
    body: json('body').$type<Certificate>().notNull(),
    by: uuid('by_person'),
    at: utc('at')
  },
  (t) => [primaryKey({ columns: [t.id, t.version] })]
)

/** certificates that are no longer given; those that were issued stay */
export const retiredCertificates = mysqlTable('retired_certificates', {
  id: name('id').primaryKey(),
  by: uuid('by_person').notNull(),
  at: utc('at').notNull()
})

/** Days on which finished trims are marked by two people apart. */
export const assessmentDays = mysqlTable('assessment_days', {
  onDate: day('on_date').primaryKey(),
  by: uuid('by_person').notNull(),
  at: utc('at').notNull()
})

/** A trim that two assessors mark, each blind to the other until both have signed; then they settle it, and both marks stay. */
export const assessments = mysqlTable(
  'assessments',
  {
    visitId: uuid('visit_id')
      .primaryKey()
      .references(() => visits.id),
    first: uuid('first_assessor')
      .notNull()
      .references(() => people.id),
    second: uuid('second_assessor')
      .notNull()
      .references(() => people.id),
    askedBy: uuid('asked_by').notNull(),
    askedAt: utc('asked_at').notNull(),
    /** null until both have signed and one of them has written what they agreed on */
    outcome: name('outcome', 10).$type<'passed' | 'notPassed'>(),
    reason: text('reason'),
    settledBy: uuid('settled_by'),
    /** the other assessor, who agrees to it */
    agreedBy: uuid('agreed_by'),
    settledAt: utc('settled_at')
  },
  (t) => [index('assessments_first').on(t.first), index('assessments_second').on(t.second)]
)

/** Derived: what all attempts of one apprentice at one technique come to. */
export const charts = mysqlTable(
  'derived_charts',
  {
    apprenticeId: uuid('apprentice_id').notNull(),
    techniqueId: name('technique_id').notNull(),
    attempts: int('attempts').notNull(),
    clean: int('clean').notNull(),
    score: int('score').notNull(),
    mode: name('mode', 12).$type<ChartRow['mode']>().notNull(),
    signalOn: day('signal_on'),
    lastOn: day('last_on'),
    heldOn: day('held_on'),
    prompts: int('prompts').notNull().default(0),
    found: json('found').$type<ChartRow['found']>()
  },
  (t) => [primaryKey({ columns: [t.apprenticeId, t.techniqueId] })]
)
