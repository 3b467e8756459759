// Brings a school back from a backup: proven beside what is there, then put in its place in one step.
import { cpSync, existsSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import mysql from 'mysql2/promise'
import { connect, optionsOf, tables, type DatabaseSettings } from '../db'
import { v7 } from 'uuid'
import { inThrowAway, pourFrom } from './database'
import { ISSUER } from './make'
import { readManifest } from './manifest'
import { unpack, type Opened, type Opener } from './pack'
import { isProven, proofOf, type Proof } from './prove'

export type Restored = { readonly madeAt: string; readonly proof: Proof; readonly room: boolean; readonly opened: Opened }

/**
 * Restores `file` into the database of `settings`, which is made where it is missing.
 * `settle`: asked before a school that is there gives way, after the backup was proven; false leaves everything as it was.
 * Throws a sentence; until the last step nothing of what is there is touched.
 */
export async function restore(
  file: string,
  {
    opener,
    settings,
    room,
    issuer,
    scratch,
    say,
    now,
    settle
  }: {
    readonly opener: Opener
    readonly settings: DatabaseSettings
    readonly room: string
    readonly issuer?: string
    readonly scratch: { readonly folder: string; readonly database: string }
    readonly say: (line: string) => void
    readonly now: () => Date
    readonly settle: () => Promise<boolean>
  }
): Promise<Restored | null> {
  mkdirSync(scratch.folder, { recursive: true, mode: 0o700 })
  const work = mkdtempSync(join(scratch.folder, 'restoring-'))
  try {
    say('Restore: opening the backup.')
    const opened = await unpack(file, work, opener)
    const school = join(work, 'school')
    const { madeAt } = await readManifest(school)
    return await inThrowAway({ ...settings, database: scratch.database }, async (own) => {
      say('Restore: loading it beside the current database.')
      await pourFrom(join(school, 'database.sql'), own)
      const proof = await proofOf(own, say, now)
      if (!isProven(proof)) say('Restore: careful, something in this backup is wrong; the audit trail shows a lead assessor what.')
      if ((await hasTables(settings)) && !(await settle())) return null
      await markRestored(own, madeAt)
      say('Restore: putting it in its place.')
      await changePlaces(own, settings)
      if (issuer) bringKeys(join(school, ISSUER), issuer)
      return { madeAt, proof, opened, room: bringRoom(join(school, 'room'), room) }
    })
  } finally {
    rmSync(work, { recursive: true, force: true })
  }
}

/** Tablets see by this that the school has lost what came after the backup, and bring it back (web/src/outbox/bring-back.ts). */
async function markRestored(own: DatabaseSettings, madeAt: string): Promise<void> {
  const { db, close } = connect(own)
  await db.update(tables.school).set({ restored: { id: v7(), madeAt } })
  await close()
}

async function tablesOf(connection: mysql.Connection, database: string): Promise<readonly string[]> {
  const [rows] = await connection.query('SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ?', [database])
  return (rows as { name: string }[]).map(({ name }) => name)
}

async function hasTables({ database, ...server }: DatabaseSettings): Promise<boolean> {
  const connection = await mysql.createConnection(optionsOf(server))
  try {
    return (await tablesOf(connection, database)).length > 0
  } finally {
    await connection.end()
  }
}

/** The tables of one database in place of another's: one statement takes the old ones aside and brings the new ones in. */
async function changePlaces(from: DatabaseSettings, { database, ...server }: DatabaseSettings): Promise<void> {
  const aside = `${from.database}_aside`
  const connection = await mysql.createConnection(optionsOf(server))
  try {
    for (const name of [database, aside])
      await connection.query(`CREATE DATABASE IF NOT EXISTS \`${name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_520_ci`)
    const move = async (source: string, to: string) =>
      (await tablesOf(connection, source)).map((name) => `\`${source}\`.\`${name}\` TO \`${to}\`.\`${name}\``)
    const moves = [...(await move(database, aside)), ...(await move(from.database, database))]
    await connection.query(`RENAME TABLE ${moves.join(', ')}`)
    await connection.query(`DROP DATABASE \`${aside}\``)
  } finally {
    await connection.end()
  }
}

/** The keys of the room's certificate come along: tablets that trusted the old computer trust this one. */
function bringRoom(from: string, to: string): boolean {
  if (!existsSync(from)) return false
  rmSync(to, { recursive: true, force: true })
  cpSync(from, to, { recursive: true })
  return true
}

/** The keys that sign certificates join those that lie here: a certificate of either stays one that this school can take back. */
function bringKeys(from: string, to: string): void {
  if (!existsSync(from)) return
  mkdirSync(to, { recursive: true, mode: 0o700 })
  cpSync(from, to, { recursive: true })
}
