// What a school makes its own: rack, standards, techniques.
import type { Technique } from '@peen/content'
import type { Standard } from '@peen/core/standard'
import type { Tool } from '@peen/core/tools'
import { int, json, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core'
import { name, utc, uuid } from './columns'

export const tools = mysqlTable('tools', {
  id: name('id').primaryKey(),
  position: int('position').notNull(),
  body: json('body').$type<Tool>().notNull()
})

/** Tools that Peen has brought along once: what a school then took out does not come back. */
export const offeredTools = mysqlTable('offered_tools', { id: name('id').primaryKey() })

/** The whole rack as it was before a change, so that the change can be taken back. */
export const rackChanges = mysqlTable('rack_changes', {
  seq: int('seq').primaryKey(),
  at: utc('at').notNull(),
  by: uuid('by_person').notNull(),
  what: varchar('what', { length: 200 }).notNull(),
  before: json('rack_before').$type<Tool[]>().notNull()
})

/** every version that was ever used stays; what Peen ships has no author */
export const standards = mysqlTable(
  'standards',
  {
    id: name('id').notNull(),
    version: int('version').notNull(),
    body: json('body').$type<Standard>().notNull(),
    by: uuid('by_person'),
    at: utc('at')
  },
  (t) => [primaryKey({ columns: [t.id, t.version] })]
)

/** trims that are no longer planned; what was graded by them stays */
export const retiredStandards = mysqlTable('retired_standards', {
  id: name('id').primaryKey(),
  by: uuid('by_person').notNull(),
  at: utc('at').notNull()
})

/** a standard that is being written; it may be wrong, and nothing is graded by it */
export const standardDrafts = mysqlTable('standard_drafts', {
  id: uuid('id').primaryKey(),
  version: int('version').notNull(),
  /** the standard it becomes the next version of, or a new one */
  standardId: name('standard_id').notNull(),
  basedOn: json('based_on').$type<{ id: string; version: number } | null>(),
  body: json('body').$type<Standard>().notNull(),
  by: uuid('by_person').notNull(),
  at: utc('at').notNull()
})

/** the school's own versions of techniques, from 2 on; 1 is what Peen ships */
export const schoolTechniques = mysqlTable(
  'school_techniques',
  {
    id: name('id').notNull(),
    version: int('version').notNull(),
    body: json('body').$type<Technique>().notNull(),
    by: uuid('by_person').notNull(),
    at: utc('at').notNull()
  },
  (t) => [primaryKey({ columns: [t.id, t.version] })]
)
