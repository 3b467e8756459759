// A database as a file and back, by MariaDB's own programs.
import { spawn } from 'node:child_process'
import { createReadStream, createWriteStream } from 'node:fs'
import { pipeline } from 'node:stream/promises'
import mysql from 'mysql2/promise'
import { optionsOf, type DatabaseSettings } from '../db'

function clientOf(program: string, { host, port, user, password, database, caFile }: DatabaseSettings, more: readonly string[]) {
  const secure = caFile ? [`--ssl-ca=${caFile}`, '--ssl-verify-server-cert'] : []
  const child = spawn(program, ['--no-defaults', `--host=${host}`, `--port=${port}`, `--user=${user}`, ...secure, ...more, database], {
    env: { ...process.env, MYSQL_PWD: password },
    stdio: ['pipe', 'pipe', 'pipe']
  })
  let words = ''
  child.stderr.on('data', (data) => (words = `${words}${data}`.slice(-2000)))
  const ended = new Promise<void>((resolve, reject) => {
    child.once('error', (error) => reject(new Error(`${program} could not be started: ${error.message}.`)))
    child.once('close', (code) => (code === 0 ? resolve() : reject(new Error(`${program} failed: ${words.trim().split('\n').at(-1)}`))))
  })
  return { child, ended }
}

/** Writes every row as of one moment while others go on working. */
export async function dumpTo(file: string, settings: DatabaseSettings): Promise<void> {
  const { child, ended } = clientOf('mariadb-dump', settings, ['--single-transaction', '--quick', '--hex-blob', '--no-tablespaces'])
  child.stdin.end()
  await Promise.all([pipeline(child.stdout, createWriteStream(file, { mode: 0o600 })), ended])
}

/** Pours a dump into a database that is there and empty. */
export async function pourFrom(file: string, settings: DatabaseSettings): Promise<void> {
  const { child, ended } = clientOf('mariadb', settings, [])
  child.stdout.resume()
  await Promise.all([pipeline(createReadStream(file), child.stdin), ended])
}

/** Runs with a database of that name which is made for it and dropped after, whatever happens. */
export async function inThrowAway<T>(settings: DatabaseSettings, work: (own: DatabaseSettings) => Promise<T>): Promise<T> {
  const { database, ...server } = settings
  const admin = await mysql.createConnection(optionsOf(server))
  try {
    await admin.query(`DROP DATABASE IF EXISTS \`${database}\``)
    await admin.query(`CREATE DATABASE \`${database}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_520_ci`)
    return await work(settings)
  } finally {
    await admin.query(`DROP DATABASE IF EXISTS \`${database}\``).catch(() => undefined)
    await admin.end()
  }
}
