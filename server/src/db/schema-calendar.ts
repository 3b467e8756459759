// Days off, the sessions that are kept for a coat, and how other calendars read ours.
import type { SessionBack } from '@peen/core/plan'
import type { OffAbout } from '@peen/contract'
import { boolean, index, int, json, mysqlTable, varchar } from 'drizzle-orm/mysql-core'
import { day, name, utc, uuid } from './columns'
import { dogs, people } from './schema-school'

/** Days on which the school is closed, or a dog or a person is away. Of a person's and an owner's plans only the days are kept. */
export const daysOff = mysqlTable(
  'days_off',
  {
    id: uuid('id').primaryKey(),
    about: name('about', 10).$type<OffAbout>().notNull(),
    /** null for the school */
    aboutId: uuid('about_id'),
    fromOn: day('from_on').notNull(),
    toOn: day('to_on').notNull(),
    /** of the school's own days */
    name: name('name', 60).notNull(),
    isFromFile: boolean('is_from_file').notNull(),
    by: uuid('by_person').notNull(),
    at: utc('at').notNull()
  },
  (t) => [index('days_off_about').on(t.about, t.aboutId)]
)

/** The sessions that were agreed for a coat and its date: one plan for a dog. */
export const coatPlans = mysqlTable('coat_plans', {
  dogId: uuid('dog_id')
    .primaryKey()
    .references(() => dogs.id),
  aimOn: day('aim_on').notNull(),
  sessions: json('sessions').$type<readonly SessionBack[]>().notNull(),
  by: uuid('by_person')
    .notNull()
    .references(() => people.id),
  onDate: day('on_date').notNull()
})

/** Addresses by which a person's calendar is read elsewhere. */
export const feeds = mysqlTable(
  'calendar_feeds',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => people.id),
    name: name('name', 60).notNull(),
    /** the secret itself is in the address alone */
    secretHash: varchar('secret_hash', { length: 64 }).notNull(),
    madeAt: utc('made_at').notNull(),
    lastReadAt: utc('last_read_at'),
    withdrawnAt: utc('withdrawn_at')
  },
  (t) => [index('calendar_feeds_person').on(t.personId)]
)

/** What other calendars were told of an entry: they learn of a change by its number, and of one that is gone by its being told so. */
export const calendarMarks = mysqlTable(
  'calendar_marks',
  {
    uid: varchar('uid', { length: 120 }).primaryKey(),
    sequence: int('sequence').notNull(),
    /** SHA-256 of what was told */
    told: varchar('told', { length: 64 }).notNull(),
    onDate: day('on_date').notNull(),
    /** the apprentice whose entry it is; null for one of the staff's only */
    personId: uuid('person_id'),
    changedAt: utc('changed_at').notNull(),
    goneAt: utc('gone_at')
  },
  (t) => [index('calendar_marks_date').on(t.onDate)]
)
