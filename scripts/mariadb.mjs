// Our own MariaDB on loopback: a private data directory, port and socket. Debian's own service is never touched.
import { spawn, spawnSync } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir, userInfo } from 'node:os'
import { join } from 'node:path'
import { ensureProgram, isAlive, PRIVATE, Refusal, say } from './machine.mjs'

const SERVER = ['/usr/sbin/mariadbd', '/usr/local/sbin/mariadbd']
const INSTALLER = ['/usr/bin/mariadb-install-db', '/usr/local/bin/mariadb-install-db']
const CHARACTERS = ['--character-set-server=utf8mb4', '--collation-server=utf8mb4_unicode_520_ci']
/** A transaction that would write over what another wrote since it began to read is told so, and begins again (db/connect.ts). */
const ONE_AFTER_ANOTHER = ['--innodb-snapshot-isolation=ON']

/**
 * Starts MariaDB in `folder` and makes sure the application user exists. `whenEnded`: called when it ends without being stopped;
 * `user`: who it runs as; `more`: further options; `isReady`: asked of a connection until it says yes.
 * @returns {Promise<{port: number, user: string, password: string, createDatabase: (name: string) => Promise<void>, allowDatabases: (prefix: string) => Promise<void>, status: (name: string) => Promise<string>, stop: () => Promise<void>}>}
 */
export async function startMariadb({
  folder,
  port,
  durable = true,
  whenEnded = () => undefined,
  user = userInfo().username,
  more = [],
  isReady = async () => true
}) {
  const server = ensureProgram(SERVER, 'mariadb-server')
  const data = join(folder, 'data')
  makeDataDirectory(folder, data, user)
  const pidFile = pidFileOf(folder)
  const socket = socketPath(folder)
  const log = join(folder, 'mariadb.log')
  const logFile = openSync(log, 'a')
  const child = spawn(
    server,
    [
      '--no-defaults',
      `--user=${user}`,
      `--datadir=${data}`,
      `--tmpdir=${join(folder, 'tmp')}`,
      `--socket=${socket}`,
      `--pid-file=${pidFile}`,
      '--bind-address=127.0.0.1',
      `--port=${port}`,
      '--skip-name-resolve',
      '--default-time-zone=+00:00',
      ...CHARACTERS,
      ...ONE_AFTER_ANOTHER,
      ...more,
      ...(durable ? [] : ['--innodb-flush-log-at-trx-commit=0', '--skip-log-bin'])
    ],
    // its own process group: Ctrl-C reaches us alone, and we stop the server before the database
    { stdio: ['ignore', logFile, logFile], detached: true }
  )
  closeSync(logFile)
  let ended = false
  let isUp = false
  let stopping = false
  child.once('exit', () => {
    ended = true
    if (isUp && !stopping) whenEnded()
  })
  const secret = readSecret(folder)
  const mysql = (await import('mysql2/promise')).default
  await waitUntilUp(mysql, socket, secret, () => ended, log, isReady)
  const admin = () => connectAsRoot(mysql, socket, secret)
  await prepareUsers(admin, secret)
  isUp = true
  return {
    port,
    user: 'peen',
    password: secret,
    createDatabase: async (name) => {
      const connection = await admin()
      await connection.query(`CREATE DATABASE IF NOT EXISTS \`${name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_520_ci`)
      await connection.query(`GRANT ALL ON \`${name}\`.* TO 'peen'@'127.0.0.1'`)
      await connection.end()
    },
    /** Lets the application user make databases of its own whose names begin so (tests only). */
    allowDatabases: async (prefix) => {
      const connection = await admin()
      await connection.query(`GRANT ALL ON \`${prefix.replaceAll('_', '\\_')}%\`.* TO 'peen'@'127.0.0.1'`)
      await connection.end()
    },
    /** One of the server's own status values, as it writes it. */
    status: async (name) => {
      const connection = await admin()
      const [rows] = await connection.query('SHOW STATUS LIKE ?', [name]).finally(() => connection.end())
      return rows[0]?.Value ?? ''
    },
    stop: () => {
      stopping = true
      return stopChild(child, () => ended)
    }
  }
}

function makeDataDirectory(folder, data, user) {
  const marker = join(folder, 'data-is-complete')
  if (existsSync(marker) && existsSync(join(data, 'mysql'))) return
  if (existsSync(data)) {
    throw new Refusal(`The data directory ${data} is only half made (an earlier start was cut short). Remove ${folder} and start again.`)
  }
  const installer = ensureProgram(INSTALLER, 'mariadb-server')
  mkdirSync(join(folder, 'tmp'), { recursive: true, mode: 0o700 })
  mkdirSync(data, { recursive: true, mode: 0o700 })
  say('Making a private MariaDB data directory ...')
  const run = spawnSync(
    installer,
    [
      '--no-defaults',
      `--user=${user}`,
      `--datadir=${data}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
      '--skip-name-resolve'
    ],
    { encoding: 'utf8' }
  )
  if (run.status !== 0) {
    throw new Refusal(
      `MariaDB's data directory could not be made in ${data}: ${(run.stderr || run.stdout || '').trim().split('\n').at(-1)}`
    )
  }
  const secret = join(folder, 'secret')
  if (!existsSync(secret)) writeFileSync(secret, randomBytes(24).toString('base64url'), { mode: 0o600 })
  if (user !== userInfo().username) spawnSync('chown', ['-R', user, folder])
  writeFileSync(marker, 'made by scripts/mariadb.mjs\n')
}

export function readSecret(folder) {
  try {
    return readFileSync(join(folder, 'secret'), 'utf8').trim()
  } catch {
    throw new Refusal(`${join(folder, 'secret')} is missing: the data directory is only half made. Remove ${folder} and start again.`)
  }
}

const pidFileOf = (folder) => join(folder, 'mariadb.pid')

/** Stops a database that a killed start left running in this folder, so that its port is free again. */
export async function stopLeftover(folder) {
  const pidFile = pidFileOf(folder)
  if (!existsSync(pidFile)) return
  const pid = Number(readFileSync(pidFile, 'utf8'))
  if (!pid || !isAlive(pid) || !isOurs(pid, join(folder, 'data'))) return
  process.kill(pid, 'SIGTERM')
  for (let i = 0; i < 200 && isAlive(pid); i++) await pause(50)
}

/** Does a starter of this folder run? */
export function starterRuns() {
  const lock = join(PRIVATE, 'start.pid')
  if (!existsSync(lock)) return false
  const cmdline = `/proc/${Number(readFileSync(lock, 'utf8'))}/cmdline`
  return existsSync(cmdline) && readFileSync(cmdline, 'utf8').includes('start.mjs')
}

/** Another program may have the number by now, or another MariaDB: only the one over our own data is ours. */
export function isOurs(pid, data) {
  try {
    const words = readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0')
    return words[0].includes('mariadbd') && words.includes(`--datadir=${data}`)
  } catch {
    return false
  }
}

// a Unix socket path may hold 107 characters at the most
function socketPath(folder) {
  const near = join(folder, 'mariadb.sock')
  if (near.length < 100) return near
  return join(tmpdir(), `peen-${createHash('sha256').update(folder).digest('hex').slice(0, 12)}.sock`)
}

async function waitUntilUp(mysql, socket, secret, hasEnded, log, isReady) {
  for (let i = 0; i < 600; i++) {
    if (hasEnded()) throw new Refusal(`MariaDB did not start. Its own words are in ${log}.`)
    try {
      const connection = await connectAsRoot(mysql, socket, secret)
      const ready = await isReady(connection).finally(() => connection.end())
      if (ready) return
    } catch (error) {
      if (error.code === 'ER_ACCESS_DENIED_ERROR') throw new Refusal('MariaDB refuses our own password: the data directory is not ours.')
    }
    await pause(50)
  }
  throw new Refusal(`MariaDB did not answer within 30 seconds. Its own words are in ${log}.`)
}

async function connectAsRoot(mysql, socketPathValue, secret) {
  const options = { socketPath: socketPathValue, user: 'root' }
  try {
    return await mysql.createConnection({ ...options, password: secret })
  } catch (error) {
    if (error.code !== 'ER_ACCESS_DENIED_ERROR') throw error
    return mysql.createConnection(options) // the very first time: root has no password yet
  }
}

async function prepareUsers(admin, secret) {
  const connection = await admin()
  const [roots] = await connection.query("SELECT host FROM mysql.global_priv WHERE user='root' AND host<>'localhost'")
  for (const { host } of roots) await connection.query('DROP USER ?@?', ['root', host])
  await connection.query("ALTER USER 'root'@'localhost' IDENTIFIED BY ?", [secret])
  await connection.query("CREATE USER IF NOT EXISTS 'peen'@'127.0.0.1' IDENTIFIED BY ?", [secret])
  await connection.end()
}

async function stopChild(child, hasEnded) {
  if (hasEnded()) return
  child.kill('SIGTERM')
  for (let i = 0; i < 400 && !hasEnded(); i++) await pause(50)
  if (!hasEnded()) child.kill('SIGKILL')
}

const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms))
