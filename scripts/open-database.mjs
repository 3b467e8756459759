// The school's database for a command at the terminal: an open school has it open; a closed one is opened for this alone.
import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { hostname } from 'node:os'
import { join } from 'node:path'
import { PRIVATE, portInUse, Refusal, ROOT } from './machine.mjs'
import { readSecret, startMariadb } from './mariadb.mjs'
import { sharedDatabase } from './shared-database.mjs'

/** Under this beginning throw-away databases are made, to prove and to restore backups; where machines share a database, each has its own. */
export const SCRATCH = process.env.PEEN_DATABASE ? `peen_scratch_${hostname().replace(/\W/g, '_')}_` : 'peen_scratch_'
/** Where backups lie, and the keys of the room's certificate. */
export const BACKUPS = process.env.PEEN_BACKUPS ?? join(PRIVATE, 'backups')
export const ROOM_KEYS = join(PRIVATE, 'room')

/** Which of the two schools of this computer a command is about. */
export const databaseNamed = (words) => (words.includes('--demo') ? 'peen_demo' : 'peen_school')

/** Where the backups of a school lie: the demo's apart from the school's own. */
export const backupsOf = (database) => (database === 'peen_demo' ? join(BACKUPS, 'demo') : BACKUPS)

/** Where the keys lie that sign the certificates of a school; several servers of one school each have a copy. */
export const keysOf = (database) => process.env.PEEN_KEYS ?? join(PRIVATE, 'issuer', database)

/** Runs with the settings of a database of this computer. `mayMake`: also where no school was ever started here. */
export async function withDatabase(database, work, { mayMake = false } = {}) {
  const shared = database === 'peen_demo' ? null : sharedDatabase(process.env.PEEN_DATABASE)
  if (shared) return work(shared)
  const port = Number(process.env.PEEN_DB_PORT ?? 47606)
  const folder = join(PRIVATE, 'mariadb')
  if (!existsSync(folder) && !mayMake) throw new Refusal('There is no school here yet: npm start makes one.')
  const own = (await portInUse(port)) ? null : await startMariadb({ folder, port })
  try {
    if (own) await own.allowDatabases(SCRATCH)
    if (own && mayMake) await own.createDatabase(database)
    return await work({ host: '127.0.0.1', port, user: 'peen', password: readSecret(folder), database })
  } finally {
    await own?.stop()
  }
}

/** Runs a program of the server with a database. @returns its exit code */
export function runServer(script, words, settings, env = {}) {
  const child = spawn(process.execPath, ['--import', 'tsx', script, ...words], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...env, PEEN_DB: JSON.stringify(settings) }
  })
  return new Promise((resolve) => child.once('exit', (code) => resolve(code ?? 1)))
}
