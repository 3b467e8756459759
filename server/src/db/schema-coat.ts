// The coat book: what people wrote, what they struck, and what the coat is kept for.
import type { Brushing, CoatAct, CoatEntry, CoatPlace } from '@peen/core/coat'
import { index, int, json, mysqlTable, text, varchar } from 'drizzle-orm/mysql-core'
import { day, name, utc, uuid } from './columns'
import { dogs, people } from './schema-school'

/** Lines written by hand. Never changed: one that is wrong is struck and written anew. */
export const coatEntries = mysqlTable(
  'coat_entries',
  {
    id: uuid('id').primaryKey(),
    dogId: uuid('dog_id')
      .notNull()
      .references(() => dogs.id),
    onDate: day('on_date').notNull(),
    place: name('place').$type<CoatPlace>().notNull(),
    side: name('side', 10).$type<CoatEntry['side']>().notNull(),
    act: json('act').$type<CoatAct>().notNull(),
    hands: uuid('hands').references(() => people.id),
    by: uuid('by_person')
      .notNull()
      .references(() => people.id),
    at: utc('at').notNull()
  },
  (t) => [index('coat_entries_dog').on(t.dogId)]
)

/** Lines that count no more, written by hand or taken from the floor. */
export const coatStruck = mysqlTable(
  'coat_struck',
  {
    entryId: varchar('entry_id', { length: 160 }).primaryKey(),
    dogId: uuid('dog_id')
      .notNull()
      .references(() => dogs.id),
    reason: text('reason').notNull(),
    by: uuid('by_person')
      .notNull()
      .references(() => people.id),
    at: utc('at').notNull()
  },
  (t) => [index('coat_struck_dog').on(t.dogId)]
)

export const coatAims = mysqlTable('coat_aims', {
  dogId: uuid('dog_id')
    .primaryKey()
    .references(() => dogs.id),
  aimOn: day('aim_on'),
  aim: name('aim').notNull(),
  nextOn: day('next_on'),
  everyDays: int('every_days').notNull(),
  brushing: name('brushing', 10).$type<Brushing>().notNull()
})

/** Derived: what a visit wrote into its dog's coat book; dropped and recomputed at any time. */
export const coatFromVisits = mysqlTable(
  'derived_coat',
  {
    visitId: uuid('visit_id').primaryKey(),
    dogId: uuid('dog_id').notNull(),
    onDate: day('on_date').notNull(),
    body: json('body').$type<VisitCoat>().notNull()
  },
  (t) => [index('derived_coat_dog').on(t.dogId)]
)

/** Lines by where they come from; lengths with the grading they were read for. */
export type VisitCoat = {
  readonly floor: readonly CoatEntry[]
  readonly found: readonly CoatEntry[]
  readonly gradings: readonly { readonly gradingId: string; readonly entries: readonly CoatEntry[] }[]
}
