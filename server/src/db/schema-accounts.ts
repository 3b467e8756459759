// What happened to accounts: made, reset, confirmed, retired; nothing in it is ever changed. And the tablets that people share.
import type { AccountEventKind } from '@peen/core/certify'
import { index, int, mysqlTable } from 'drizzle-orm/mysql-core'
import { name, utc, uuid } from './columns'
import { people, roomTables } from './schema-school'

export const accountEvents = mysqlTable(
  'account_events',
  {
    /** the order in which they happened */
    seq: int('seq').autoincrement().primaryKey(),
    personId: uuid('person_id').notNull(),
    kind: name('kind', 12).$type<AccountEventKind>().notNull(),
    /** null on the server's own console, and where the person did it */
    by: uuid('by_person'),
    /** the other account, where two were said to be one person's or not */
    otherId: uuid('other_id'),
    /** by the wall clock */
    at: utc('at').notNull()
  },
  (t) => [index('account_events_person').on(t.personId)]
)

/** Tablets that people share, by the name that the server knows each under. */
export const tablets = mysqlTable('tablets', {
  id: name('id', 64).primaryKey(),
  name: name('name', 40).notNull(),
  /** the table it belongs to; null for the whole room */
  tableId: uuid('table_id').references(() => roomTables.id),
  locksAfterMin: int('locks_after_min').notNull(),
  enrolledBy: uuid('enrolled_by')
    .notNull()
    .references(() => people.id),
  enrolledAt: utc('enrolled_at').notNull(),
  revokedAt: utc('revoked_at'),
  revokedBy: uuid('revoked_by')
})
