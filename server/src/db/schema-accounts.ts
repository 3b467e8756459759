// What happened to accounts: made, reset, confirmed, retired. Nothing in it is ever changed.
import type { AccountEventKind } from '@peen/core/certify'
import { index, int, mysqlTable } from 'drizzle-orm/mysql-core'
import { name, utc, uuid } from './columns'

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
