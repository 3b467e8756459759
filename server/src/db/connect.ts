import { sql } from 'drizzle-orm'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import { drizzle, type MySql2Database } from 'drizzle-orm/mysql2'
import { migrate } from 'drizzle-orm/mysql2/migrator'
import mysql from 'mysql2/promise'
import { fileURLToPath } from 'node:url'
import { checkNodes, firstThatAnswers, poolOver, type Node } from './cluster'
import { hearing, type Heard } from './heard'
import { optionsOf, type DatabaseSettings } from './settings'
import * as schema from './schema'

export type Database = MySql2Database<typeof schema>
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]
/** Reads work on either. */
export type Reader = Database | Transaction

export type Connection = { readonly db: Database; readonly close: () => Promise<void> }

/** `logQuery` hears every query with its values: tests alone, no log may hold values. `heard` hears how long each took. */
export type Listening = { readonly logQuery?: (query: string, values: unknown[]) => void; readonly heard?: Heard }

/** A pool over the database, or over the nodes of one; times in UTC to the millisecond. */
export function connect(settings: DatabaseSettings, { logQuery, heard }: Listening = {}): Connection {
  const options = { ...optionsOf(settings), timezone: 'Z', connectionLimit: 10, supportBigNumbers: true }
  const { client, end } = settings.others?.length ? poolOver(nodesOf(settings), options) : onePool(options)
  const own = { schema, mode: 'default' as const, ...(logQuery ? { logger: { logQuery } } : {}) }
  return { db: drizzle(heard ? hearing(client, heard) : client, own), close: end }
}

const nodesOf = ({ host, port, others = [] }: DatabaseSettings): readonly Node[] => [{ host, port }, ...others]

function onePool(options: mysql.PoolOptions) {
  const client = mysql.createPool(options)
  // a transaction that would write over what it has not seen is told so (1020); a MariaDB that does not know this yet goes on without
  client.pool.on('connection', (one) => one.query('SET SESSION innodb_snapshot_isolation = ON', () => undefined))
  return { client, end: () => client.end() }
}

const MIGRATIONS = { migrationsFolder: fileURLToPath(new URL('../../drizzle', import.meta.url)) }

/** One server at a time prepares a database; the next waits so long for it, seconds. */
const PREPARED_WITHIN_S = 3600

/** Applies the numbered migrations that are still missing. */
export async function migrateUp(db: Database): Promise<void> {
  // a lock of the connection: what a migration changes commits by itself
  await db.transaction(async (tx) => {
    await tx.execute(sql`SELECT GET_LOCK(CONCAT('peen prepares ', DATABASE()), ${PREPARED_WITHIN_S})`)
    await migrate(db, MIGRATIONS).finally(() => tx.execute(sql`SELECT RELEASE_LOCK(CONCAT('peen prepares ', DATABASE()))`))
  })
}

/** How many numbered migrations a database lacks; `isNew`: none was ever applied. */
export async function migrationsMissing(db: Database): Promise<{ readonly isNew: boolean; readonly count: number }> {
  const all = readMigrationFiles(MIGRATIONS)
  const [known] = (await db.execute(sql`SHOW TABLES LIKE '\\_\\_drizzle\\_migrations'`)) as unknown as [unknown[]]
  if (known.length === 0) return { isNew: true, count: all.length }
  const [rows] = (await db.execute(sql`SELECT MAX(created_at) AS newest FROM __drizzle_migrations`)) as unknown as [
    { newest: string | null }[]
  ]
  const newest = Number(rows[0]?.newest ?? 0)
  return { isNew: newest === 0, count: all.filter(({ folderMillis }) => folderMillis > newest).length }
}

/** The settings that npm start and npm test hand over. */
export function settingsFromEnvironment(): DatabaseSettings {
  const text = process.env.PEEN_DB
  if (!text) throw new Error('PEEN_DB is not set; start Peen with "npm start".')
  return JSON.parse(text) as DatabaseSettings
}

/** Refuses a database of several nodes that are not set up for it. */
export async function checkDatabase(settings: DatabaseSettings): Promise<void> {
  if (settings.others?.length) await checkNodes(nodesOf(settings), optionsOf(settings))
}

/** The same database by the first of its nodes that answers; by the first of all where none does. */
export async function byOneNode(settings: DatabaseSettings): Promise<DatabaseSettings> {
  const { others: _others, ...one } = settings
  return settings.others?.length ? { ...one, ...(await firstThatAnswers(nodesOf(settings), optionsOf(settings))) } : settings
}

/** MariaDB's error number inside Drizzle's wrapping, such as 1062 for a unique key. */
function errorNumber(error: unknown): number | null {
  const cause = (error as { cause?: { errno?: number } })?.cause ?? (error as { errno?: number })
  return cause?.errno ?? null
}

const DUPLICATE_KEY = 1062
/** A deadlock (1213), and a row that changed since the transaction began to read (1020). */
const CLASHES: ReadonlySet<number> = new Set([1213, 1020])

/** Was a write refused because a unique key is taken? */
export const isTaken = (error: unknown): boolean => errorNumber(error) === DUPLICATE_KEY

/** Waits for a write; a unique key that is taken becomes the given refusal. */
export async function orTaken<T>(write: Promise<T>, refusal: Error): Promise<T> {
  return write.catch((error: unknown) => {
    throw isTaken(error) ? refusal : error
  })
}

/** Which database a transaction runs in: what is kept of a database in memory is kept by it. */
const homes = new WeakMap<Transaction, Database>()

/** The database behind a reader; null for a transaction that was begun elsewhere. */
export const homeOf = (reader: Reader): Database | null =>
  '$client' in reader ? (reader as Database) : (homes.get(reader as Transaction) ?? null)

/** So often a transaction is run before its clash is told. Chosen: on several nodes a clash is found at the end only. */
const MOST_TRIES = 6

/** Runs a transaction, again from its start after a clash with another: MariaDB asks for exactly that. */
export async function inTransaction<T>(db: Database, work: (tx: Transaction) => Promise<T>): Promise<T> {
  const known = (tx: Transaction) => {
    homes.set(tx, db)
    return work(tx)
  }
  for (let tries = 1; ; tries++) {
    try {
      return await db.transaction(known)
    } catch (error) {
      if (!CLASHES.has(errorNumber(error) ?? 0) || tries === MOST_TRIES) throw error
      // those who clashed do not meet again in step
      await new Promise((resolve) => setTimeout(resolve, Math.random() * 20 * 2 ** tries))
    }
  }
}
