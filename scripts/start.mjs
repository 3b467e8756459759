// npm start: install what is missing, start MariaDB, migrate, load the demo if empty, build, serve.
//   npm start                 the demo school
//   npm start -- --empty      an empty school of your own, in its own database
//   npm start -- --room       for tablets of the local network, by https; with --empty for your own school
import { spawn } from 'node:child_process'
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import {
  checkNode,
  ensurePackages,
  ensureWebBuilt,
  isAlive,
  makePrivateFolder,
  PRIVATE,
  Refusal,
  refuseTakenPort,
  ROOT,
  runOrExplain,
  say
} from './machine.mjs'
import { startCamera } from './camera.mjs'
import { startMariadb, stopLeftover } from './mariadb.mjs'
import { backupsOf, keysOf, ROOM_KEYS, SCRATCH } from './open-database.mjs'
import { sharedDatabase } from './shared-database.mjs'

const empty = process.argv.includes('--empty')
const room = process.argv.includes('--room')
const port = portFrom('PEEN_PORT', 4760)
const databasePort = portFrom('PEEN_DB_PORT', 47606)

await runOrExplain(async () => {
  checkNode()
  makePrivateFolder()
  refuseSecondStart()
  await refuseTakenPort(port, 'the web application', 'PEEN_PORT')
  if (room) await refuseTakenPort(port + 1, 'the page that brings tablets in', 'PEEN_PORT, which is one less,')
  ensurePackages()
  let database
  let server
  let camera
  let stopping = false
  const stop = async (code) => {
    if (stopping) return
    stopping = true
    if (server) await endChild(server)
    if (camera) await endChild(camera)
    if (database) await database.stop()
    rmSync(lock(), { force: true })
    process.exit(code)
  }
  process.on('SIGINT', () => stop(0))
  process.on('SIGTERM', () => stop(0))
  try {
    writeFileSync(lock(), String(process.pid))
    const shared = sharedDatabase(process.env.PEEN_DATABASE)
    if (shared && !empty) throw new Refusal('PEEN_DATABASE is for a school of your own: start with --empty. The demo has its own database.')
    const name = empty ? 'peen_school' : 'peen_demo'
    database = shared
      ? null
      : await ownDatabase(
          () => stopping,
          (again) => (database = again)
        )
    if (database) {
      await database.createDatabase(name)
      await database.allowDatabases(SCRATCH)
    }
    ensureWebBuilt()
    const env = {
      ...process.env,
      NODE_ENV: 'production',
      PEEN_PORT: String(port),
      PEEN_LOGS: join(PRIVATE, 'logs'),
      PEEN_WATCH_PORT: String(portFrom('PEEN_WATCH_PORT', port + 2)),
      ...(room && { PEEN_ROOM: ROOM_KEYS }),
      ...{
        PEEN_BACKUPS: backupsOf(name),
        PEEN_ROOM_KEYS: ROOM_KEYS,
        PEEN_KEYS: keysOf(name),
        PEEN_SCRATCH: SCRATCH,
        PEEN_BACKUP_NIGHTLY: empty ? 'yes' : 'no'
      },
      PEEN_DB: JSON.stringify(
        shared ?? { host: '127.0.0.1', port: database.port, user: database.user, password: database.password, database: name }
      )
    }
    await runToEnd(['server/src/backup/main.ts', 'beforeMigration'], env)
    await runToEnd(empty ? ['server/src/prepare.ts'] : ['demo/src/load.ts'], env)
    // the demo has a simulated camera over its tables; a school connects its own by PEEN_CAMERA_URL
    const seen = empty ? null : await startCamera()
    camera = seen?.child
    server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
      cwd: ROOT,
      env: { ...(seen && { PEEN_CAMERA_URL: seen.url }), ...env },
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
      detached: true
    })
    server.once('message', ({ says }) => announce(says, shared !== null))
    server.once('exit', (code) => !stopping && stop(code ?? 1))
  } catch (error) {
    if (database) await database.stop()
    rmSync(lock(), { force: true })
    throw error
  }
})

function announce(says, isShared) {
  const scheme = room || process.env.PEEN_TLS_CERT ? 'https' : 'http'
  say(`\nPeen is open at ${scheme}://127.0.0.1:${port}   (Ctrl-C stops it${isShared ? '' : ' and its database'})`)
  for (const sentence of says) say(sentence)
  if (empty) return say('The school is empty: the page asks for the first lead assessor.')
  if (room) say('This is the demo, and its password is known to everyone: start with --empty --room for a school of your own.')
  say('Sign in to the demo school with one of these, password for all "porcelain-7F":')
  say('  ottilie   lead assessor\n  ruben     instructor\n  ines      apprentice')
}

function portFrom(setting, fallback) {
  const value = process.env[setting] ?? String(fallback)
  if (/^\d+$/.test(value) && Number(value) > 0 && Number(value) < 65536) return Number(value)
  process.stderr.write(`Peen: ${setting} is "${value}"; it must be a whole number from 1 to 65535.\n`)
  process.exit(1)
}

/** The database of this computer. One that ended by itself is started again: screens keep what is typed until it answers. */
async function ownDatabase(isStopping, isBack) {
  const place = { folder: join(PRIVATE, 'mariadb'), port: await checkedDatabasePort() }
  const revive = async () => {
    for (let tries = 0; !isStopping(); tries++) {
      say(`The database has ended by itself. Starting it again${tries > 0 ? `, try ${tries + 1}` : ''} ...`)
      try {
        isBack(await startMariadb({ ...place, whenEnded: revive }))
        return say('The database is back.')
      } catch (error) {
        say(`Peen: ${error.message}`)
        await new Promise((resolve) => setTimeout(resolve, Math.min(60000, 2000 * 2 ** tries)))
      }
    }
  }
  return startMariadb({ ...place, whenEnded: revive })
}

async function checkedDatabasePort() {
  await stopLeftover(join(PRIVATE, 'mariadb'))
  await refuseTakenPort(databasePort, 'the database', 'PEEN_DB_PORT')
  return databasePort
}

function lock() {
  return join(PRIVATE, 'start.pid')
}

function refuseSecondStart() {
  if (!existsSync(lock())) return
  const pid = Number(readFileSync(lock(), 'utf8'))
  if (pid && pid !== process.pid && isAlive(pid) && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs')) {
    throw new Refusal(`Peen is already running here (process ${pid}). Stop that one first.`)
  }
}

function runToEnd([script, ...words], env) {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--import', 'tsx', script, ...words], { cwd: ROOT, env, stdio: 'inherit' })
    child.once('exit', (code) => (code === 0 ? resolve() : reject(new Refusal(`${script} failed; the lines above say why.`))))
  })
}

function endChild(child) {
  return new Promise((resolve) => {
    if (child.exitCode !== null) return resolve()
    child.once('exit', resolve)
    child.kill('SIGTERM')
    setTimeout(() => child.kill('SIGKILL'), 8000).unref()
  })
}
