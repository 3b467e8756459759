// What apprentices show outside the school, and who looked at it.
import { index, json, mysqlTable, varchar } from 'drizzle-orm/mysql-core'
import { day, name, utc, uuid } from './columns'
import { people } from './schema-school'

/** Ids of what was chosen; what they say is read when the link is opened. */
export type Shown = {
  readonly certificates: readonly string[]
  readonly trims: readonly { readonly gradingId: string; readonly pictures: readonly string[] }[]
  readonly charts: readonly string[]
}

export const portfolios = mysqlTable(
  'portfolios',
  {
    id: uuid('id').primaryKey(),
    apprenticeId: uuid('apprentice_id')
      .notNull()
      .references(() => people.id),
    title: name('title', 80).notNull(),
    shown: json('shown').$type<Shown>().notNull(),
    /** the secret itself is in the link alone */
    secretHash: varchar('secret_hash', { length: 64 }).notNull(),
    madeAt: utc('made_at').notNull(),
    /** the last day of the link */
    endsOn: day('ends_on').notNull(),
    takenBackAt: utc('taken_back_at')
  },
  (t) => [index('portfolios_apprentice').on(t.apprenticeId)]
)

export const portfolioOpens = mysqlTable(
  'portfolio_opens',
  {
    /** lets the pictures be read for a while */
    id: uuid('id').primaryKey(),
    portfolioId: uuid('portfolio_id')
      .notNull()
      .references(() => portfolios.id, { onDelete: 'cascade' }),
    /** as they named themselves */
    reader: name('reader', 80).notNull(),
    at: utc('at').notNull()
  },
  (t) => [index('portfolio_opens_portfolio').on(t.portfolioId)]
)
