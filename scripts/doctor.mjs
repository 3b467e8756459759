// npm run doctor: is this machine well enough to run Peen? One line each, and what to do where something is wrong.
import { spawnSync } from 'node:child_process'
import { X509Certificate } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statfsSync, statSync } from 'node:fs'
import { connect } from 'node:net'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { PRIVATE, ROOT } from './machine.mjs'
import { starterRuns } from './mariadb.mjs'
import { BACKUPS } from './open-database.mjs'

const GB = 1024 ** 3
const DAY_MS = 86400000
/** A school's year with photographs takes about this much. */
const ENOUGH_GB = 5
const FEW_GB = 1
/** A leaf of the room is made again 30 days before its end by a Peen that runs. */
const SOON_DAYS = 14
/** A school that is closed over a weekend has made none since Friday. */
const BACKUP_DAYS = 4

/**
 * What a machine is like, judged: `well`, `care` or `bad`, with a sentence.
 * @param {{ node: string, packages: boolean, mariadb: string | null, ports: readonly {port: number, what: string, taken: boolean}[],
 *   runs: boolean, freeBytes: number, now: Date, newest: Date | null, leafEnds: Date | null, disk: string, room: boolean, backup: {at: Date, isProven: boolean, hasPassphrase: boolean} | null }} facts
 * @returns {readonly {how: 'well' | 'care' | 'bad', says: string}[]}
 */
export function judged(facts) {
  return [nodeOf(facts), packagesOf(facts), databaseOf(facts), ...facts.ports.map((port) => portOf(port, facts.runs))]
    .concat([diskOf(facts), clockOf(facts), certificateOf(facts), backupOf(facts)])
    .filter((one) => one !== null)
}

const well = (says) => ({ how: 'well', says })
const care = (says) => ({ how: 'care', says })
const bad = (says) => ({ how: 'bad', says })

function nodeOf({ node }) {
  const [major, minor] = node.split('.').map(Number)
  const isNew = major > 20 || (major === 20 && minor >= 19)
  return isNew ? well(`Node.js ${node}.`) : bad(`Node.js ${node} is too old. Install 20.19 or newer.`)
}
const packagesOf = ({ packages }) =>
  packages ? well('npm packages are installed.') : care('npm packages are missing or older than the lock file; npm start installs them.')
const databaseOf = ({ mariadb }) =>
  mariadb ? well(`MariaDB: ${mariadb}.`) : care('MariaDB is not installed; npm start installs it from Debian’s packages.')

function portOf({ port, what, taken }, runs) {
  if (!taken)
    return runs
      ? bad(`Peen’s starter runs, but nothing listens on port ${port} (${what}). Stop it and start again.`)
      : well(`Port ${port} is free (${what}).`)
  return runs
    ? well(`Port ${port} answers (${what}).`)
    : bad(`Port ${port} (${what}) is taken by another program. Stop it, or choose another port.`)
}
function diskOf({ freeBytes, disk }) {
  const free = `${(freeBytes / GB).toFixed(1)} GB free where Peen keeps its data (${disk})`
  if (freeBytes < FEW_GB * GB) return bad(`${free}. Make room at once: a full disk stops all recording.`)
  return freeBytes < ENOUGH_GB * GB ? care(`${free}. ${ENOUGH_GB} GB are enough for a year with photographs.`) : well(`${free}.`)
}
function clockOf({ now, newest }) {
  const stamp = now.toISOString().slice(0, 16).replace('T', ' ')
  if (newest && newest.getTime() - now.getTime() > DAY_MS)
    return bad(
      `The clock says ${stamp} UTC, but files of ${newest.toISOString().slice(0, 10)} are here. Set the clock before anything is recorded.`
    )
  return well(`The clock says ${stamp} UTC.`)
}
function certificateOf({ leafEnds, room, now }) {
  if (!room) return null
  if (!leafEnds) return bad('The room’s certificate cannot be read. Remove .peen/room/leaf.crt and start with --room again.')
  const days = Math.floor((leafEnds.getTime() - now.getTime()) / DAY_MS)
  const ends = `The room’s certificate ends on ${leafEnds.toISOString().slice(0, 10)}`
  if (days < 0) return bad(`${ends}: tablets are turned away. Start Peen with --room; it makes a new one.`)
  return days < SOON_DAYS
    ? care(`${ends}, in ${days} days. Start Peen with --room; it makes a new one.`)
    : well(`${ends}, in ${days} days.`)
}
function backupOf({ backup, now }) {
  if (!backup) return care('There is no backup of a school yet: npm run backup makes and proves one; an open school makes one every night.')
  const days = Math.floor((now.getTime() - backup.at.getTime()) / DAY_MS)
  const made = `The last backup is of ${backup.at.toISOString().slice(0, 10)}`
  if (!backup.isProven) return bad(`${made}, and was not proven. Run npm run backup, and read what it says.`)
  if (days > BACKUP_DAYS) return bad(`${made}, ${days} days ago. Run npm run backup; an open school makes one every night.`)
  return backup.hasPassphrase
    ? well(`${made}, proven by restoring it.`)
    : care(`${made}, proven, but it can be restored only on this computer: npm run backup -- --passphrase.`)
}

/** The newest backup of the school, by its file and the proof beside it; null where there is none. */
export function newestBackup(folder) {
  const files = existsSync(folder) ? readdirSync(folder).filter((name) => /^peen-\d{8}T\d{6}Z-.*\.tar$/.test(name)) : []
  const newest = files.sort().at(-1)
  if (!newest) return null
  const [, y, m, d, h, min, s] = /(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)/.exec(newest)
  const proof = join(folder, `${newest}.proof.json`)
  const { trail, derived } = existsSync(proof) ? JSON.parse(readFileSync(proof, 'utf8')) : {}
  return {
    at: new Date(`${y}-${m}-${d}T${h}:${min}:${s}Z`),
    isProven: trail?.whole === true && derived !== 'other',
    hasPassphrase: existsSync(join(folder, 'key.age'))
  }
}

/** Does something listen on a port of this machine? */
function answers(port) {
  return new Promise((resolve) => {
    const socket = connect({ port, host: '127.0.0.1' }, () => (socket.destroy(), resolve(true)))
    socket.once('error', () => resolve(false))
  })
}

function leafEnd(file) {
  try {
    return new Date(new X509Certificate(readFileSync(file)).validTo)
  } catch {
    return null
  }
}

async function factsHere() {
  const [web, database] = [Number(process.env.PEEN_PORT ?? 4760), Number(process.env.PEEN_DB_PORT ?? 47606)]
  const version = spawnSync('mariadbd', ['--version'], { encoding: 'utf8', env: { ...process.env, PATH: `${process.env.PATH}:/usr/sbin` } })
  const disk = existsSync(PRIVATE) ? PRIVATE : ROOT
  const { bavail, bsize } = statfsSync(disk)
  const logs = existsSync(PRIVATE) ? readdirSync(PRIVATE).map((name) => statSync(join(PRIVATE, name)).mtimeMs) : []
  const leaf = join(PRIVATE, 'room', 'leaf.crt')
  return {
    node: process.versions.node,
    packages: existsSync(join(ROOT, 'node_modules', '.peen-installed')),
    mariadb: version.status === 0 ? (/\d+\.\d+\.\d+-MariaDB/.exec(version.stdout)?.[0] ?? 'installed') : null,
    ports: [
      { port: web, what: 'the web application', taken: await answers(web) },
      ...(process.env.PEEN_DATABASE ? [] : [{ port: database, what: 'the database', taken: await answers(database) }])
    ],
    runs: starterRuns(),
    freeBytes: bavail * bsize,
    disk,
    now: new Date(),
    newest: logs.length > 0 ? new Date(Math.max(...logs)) : null,
    room: existsSync(leaf),
    backup: newestBackup(BACKUPS),
    leafEnds: leafEnd(leaf)
  }
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const found = judged(await factsHere())
  const MARKS = { well: 'well', care: 'care', bad: 'BAD ' }
  for (const { how, says } of found) process.stdout.write(`${MARKS[how]}  ${says}\n`)
  process.exit(found.some(({ how }) => how === 'bad') ? 1 : 0)
}
