// Makes one backup: reads the school as of one moment, packs it, restores it to prove it, copies it, and lets old ones go.
import { generateX25519Identity, identityToRecipient } from 'age-encryption'
import { cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, statfsSync, statSync } from 'node:fs'
import { join } from 'node:path'
import mysql from 'mysql2/promise'
import { optionsOf, type DatabaseSettings } from '../db'
import { dumpTo } from './database'
import { backupsIn, keepFailure, nameOf, removeBackup, writeProof, type Backup } from './folder'
import { keyIn } from './key'
import { writeManifest } from './manifest'
import { pack } from './pack'
import { isProven, prove } from './prove'
import { mayGo, type Why } from './rotation'

/**
 * `folder`: where backups lie. `second`: a folder of another disk that gets a copy, or null. `room`: the keys of the room's
 * certificate. `issuer`: the keys that sign certificates.
 * `proofDatabase`: a name under which a throw-away database may be made.
 */
export type BackupPlace = {
  readonly settings: DatabaseSettings
  readonly folder: string
  readonly second: string | null
  readonly room: string | null
  readonly issuer?: string | null
  readonly proofDatabase: string
}
type Doing = { readonly why: Why; readonly say: (line: string) => void; readonly now: () => Date }

/** The dump, its packed form and what the proof unpacks lie on the disk at once. */
const ROOM_NEEDED = 4
const MB = 1024 ** 2
export const inMb = (bytes: number): string => `${(bytes / MB).toFixed(bytes < 10 * MB ? 1 : 0)} MB`

/** Makes and proves a backup. Throws a sentence; the failure is kept in the folder until one goes well. */
export async function backUp(place: BackupPlace, doing: Doing): Promise<Backup> {
  try {
    const made = await tryToBackUp(place, doing)
    keepFailure(place.folder, null)
    return made
  } catch (error) {
    keepFailure(place.folder, { at: doing.now().toISOString(), says: (error as Error).message })
    throw error
  }
}

/** Where the keys that sign certificates lie in a backup. */
export const ISSUER = 'issuer'
const UNDER_WAY = 'under-way-'
/** Made and restored, but something in the school is not as it should be. */
export class NotAsItShouldBe extends Error {}

/** What a program that was killed has left, the school in clear among it, does not stay. Throws where another one is at work. */
function clearLeftovers(folder: string): void {
  for (const name of readdirSync(folder)) {
    const pid = Number(new RegExp(`^${UNDER_WAY}(\\d+)-`).exec(name)?.[1])
    if (!(pid > 0) || pid === process.pid) continue
    // the number may belong to another program by now
    if (existsSync(`/proc/${pid}`) && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('backup/main.ts'))
      throw new Error('Another backup is under way. Wait until it is done.')
    rmSync(join(folder, name), { recursive: true, force: true })
  }
}

async function tryToBackUp(
  { settings, folder, second, room, issuer, proofDatabase }: BackupPlace,
  { why, say, now }: Doing
): Promise<Backup> {
  const key = await keyIn(folder)
  await refuseFullDisk(folder, settings)
  clearLeftovers(folder)
  const work = mkdtempSync(join(folder, `${UNDER_WAY}${process.pid}-`))
  try {
    const stage = join(work, 'stage')
    mkdirSync(stage, { mode: 0o700 })
    const at = now()
    say('Backup: reading the school.')
    await dumpTo(join(stage, 'database.sql'), settings)
    if (room && existsSync(room)) cpSync(room, join(stage, 'room'), { recursive: true })
    if (issuer && existsSync(issuer)) cpSync(issuer, join(stage, ISSUER), { recursive: true })
    await writeManifest(stage, { madeAt: at.toISOString(), why, database: settings.database })
    say(`Backup: packing and encrypting ${inMb(statSync(join(stage, 'database.sql')).size)}.`)
    // a second key that is never written down opens what was written, so that the proof reads the file itself
    const identity = await generateX25519Identity()
    const made = join(work, nameOf(at, why))
    const file = join(folder, nameOf(at, why))
    await pack(stage, made, key, { alsoFor: [await identityToRecipient(identity)], work: join(work, 'pack') })
    const own = { ...settings, database: proofDatabase }
    try {
      const proof = await prove(made, {
        opener: { identity: async () => identity, passphrase: null },
        settings: own,
        work: join(work, 'proof'),
        say,
        now
      })
      writeProof(file, proof)
    } finally {
      // also one that could not be proven is better than none
      renameSync(made, file)
    }
    if (second) copyTo(second, file, key.wrapped !== null)
    for (const old of mayGo(backupsIn(folder))) removeBackup(folder, old)
    const backup = backupsIn(folder).find((one) => join(folder, one.file) === file)!
    if (!isProven(backup.proof!)) throw new NotAsItShouldBe(unprovenWords(backup))
    return backup
  } finally {
    rmSync(work, { recursive: true, force: true })
  }
}

function unprovenWords({ file, proof }: Backup): string {
  const trail = proof!.trail.whole ? '' : ' Its audit trail does not match: look at the audit trail.'
  const derived = proof!.derived === 'other' ? ' Charts or coats come out differently when recalculated.' : ''
  return `${file} was made and restores, but something in it is wrong.${trail}${derived}`
}

/** Copies a backup to another disk. Throws a sentence where the disk is not there, or the copy would be open to who finds it. */
function copyTo(second: string, file: string, isWrapped: boolean): void {
  if (!isWrapped)
    throw new Error('The backup was made and proven, but not copied: choose a passphrase first (npm run backup -- --passphrase).')
  if (!existsSync(second))
    throw new Error(`The backup was made and proven, but not copied: ${second} is not there. Is the disk plugged in?`)
  for (const suffix of ['', '.proof.json']) cpSync(file + suffix, join(second, file.split('/').at(-1)! + suffix))
  for (const old of mayGo(backupsIn(second))) removeBackup(second, old)
}

async function refuseFullDisk(folder: string, settings: DatabaseSettings): Promise<void> {
  const connection = await mysql.createConnection(optionsOf(settings))
  const [rows] = await connection.query('SELECT SUM(data_length) AS bytes FROM information_schema.tables WHERE table_schema = DATABASE()')
  await connection.end()
  const needed = Number((rows as { bytes: string | null }[])[0]!.bytes ?? 0) * ROOM_NEEDED
  const { bavail, bsize } = statfsSync(folder)
  if (bavail * bsize < needed)
    throw new Error(
      `No backup was made: it needs ${inMb(needed)} on the disk of ${folder}, and ${inMb(bavail * bsize)} are free. Make room.`
    )
}
