// What was signed and does not count any more, and what was said against it. Nothing of it is changed or removed.
import { mysqlTable, primaryKey, text } from 'drizzle-orm/mysql-core'
import { name, utc, uuid } from './columns'
import { findings, gradings } from './schema-grading'

export const setAsides = mysqlTable('set_asides', {
  gradingId: uuid('grading_id')
    .primaryKey()
    .references(() => gradings.id),
  at: utc('at').notNull(),
  by: uuid('by').notNull(),
  reason: text('reason').notNull()
})

/** One against a mark at most. */
export const appeals = mysqlTable('appeals', {
  gradingId: uuid('grading_id')
    .primaryKey()
    .references(() => gradings.id),
  by: uuid('by').notNull(),
  at: utc('at').notNull(),
  text: text('text').notNull(),
  /** which of the two marks counts; null while it is open */
  counts: name('counts', 10).$type<'first' | 'second'>(),
  /** the mark that someone else gave, blind */
  secondId: uuid('second_id'),
  decidedBy: uuid('decided_by'),
  decidedAt: utc('decided_at'),
  reason: text('reason')
})

/** A lead's word that a certificate holds though a mark behind it was set aside. */
export const keptCertificates = mysqlTable(
  'kept_certificates',
  {
    findingId: uuid('finding_id')
      .notNull()
      .references(() => findings.id),
    gradingId: uuid('grading_id')
      .notNull()
      .references(() => gradings.id),
    by: uuid('by').notNull(),
    at: utc('at').notNull(),
    reason: text('reason').notNull()
  },
  (t) => [primaryKey({ columns: [t.findingId, t.gradingId] })]
)
