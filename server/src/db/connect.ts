import { sql } from 'drizzle-orm'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import { drizzle, type MySql2Database } from 'drizzle-orm/mysql2'
import { migrate } from 'drizzle-orm/mysql2/migrator'
import mysql from 'mysql2/promise'
import { fileURLToPath } from 'node:url'
import { poolOver, type Node } from './cluster'
import * as schema from './schema'

export type Database = MySql2Database<typeof schema>
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]
/** Reads work on either. */
export type Reader = Database | Transaction

export type DatabaseSettings = {
  readonly host: string
  readonly port: number
  readonly user: string
  readonly password: string
  readonly database: string
  /** further nodes of the same database, in the order in which they are tried after the first */
  readonly others?: readonly Node[]
  /** PEM of the authority that vouches for a database on another machine; with it the connection is encrypted */
  readonly ca?: string
}

export type Connection = { readonly db: Database; readonly close: () => Promise<void> }

/** Hears every query with its values: tests alone, no log may hold values. */
export type Listening = { readonly logQuery: (query: string, values: unknown[]) => void }

/** A pool over the database, or over the nodes of one; times in UTC to the millisecond. */
export function connect({ others = [], ca, host, port, ...settings }: DatabaseSettings, logger?: Listening): Connection {
  const options = { ...settings, ...(ca ? { ssl: { ca } } : {}), timezone: 'Z', connectionLimit: 10, supportBigNumbers: true }
  const more = logger ? { logger } : {}
  if (others.length === 0) {
    const pool = mysql.createPool({ ...options, host, port })
    return { db: drizzle(pool, { schema, mode: 'default', ...more }), close: () => pool.end() }
  }
  const { client, end } = poolOver([{ host, port }, ...others], options)
  return { db: drizzle(client, { schema, mode: 'default', ...more }), close: end }
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
