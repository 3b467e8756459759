// npm run bench: the routes that are read most, 32 at once, each beside a bare Express that runs the same SQL.
import { connect, databaseClock, makeApp, tables } from '@peen/server'
import { eq } from 'drizzle-orm'
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pino from 'pino'
import { freePort, ROOT } from './machine.mjs'
import { startMariadb } from './mariadb.mjs'

const AT_ONCE = 32
const FOR_MS = Number(process.env.PEEN_BENCH_SECONDS ?? 10) * 1000
const LIMIT = 0.6
const agent = new Agent({ keepAlive: true, maxSockets: AT_ONCE })

type Database = {
  readonly host: string
  readonly port: number
  readonly user: string
  readonly password: string
  readonly database: string
}
type Heard = {
  readonly path: string
  readonly queries: readonly { readonly query: string; readonly values: unknown[] }[]
  readonly text: string
}

function ask(port: number, path: string, cookie: string): Promise<{ readonly status: number; readonly text: string }> {
  return new Promise((resolve, reject) => {
    const sending = request({ host: '127.0.0.1', port, path, agent, headers: { cookie } }, (answer) => {
      let text = ''
      answer.on('data', (chunk) => (text += chunk))
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, text }))
    })
    sending.on('error', reject)
    sending.end()
  })
}

async function signIn(port: number): Promise<string> {
  const answer = await fetch(`http://127.0.0.1:${port}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ username: 'ruben', password: 'porcelain-7F' })
  })
  return answer.headers.getSetCookie()[0].split(';')[0]
}

async function serve(script: string, database: Database, more: object = {}) {
  const port = await freePort()
  const env = {
    ...process.env,
    NODE_ENV: 'production',
    PEEN_PORT: String(port),
    PEEN_DB: JSON.stringify(database),
    PEEN_DEMO_CLOCK: 'stands',
    ...more
  }
  const child = spawn(process.execPath, ['--import', 'tsx', script], { cwd: ROOT, env, stdio: ['ignore', 'inherit', 'inherit', 'ipc'] })
  await new Promise((resolve) => child.once('message', resolve))
  return { port, stop: () => child.kill('SIGKILL') }
}

/** What each path asks of the database when it is asked a second time, as the application is once it is warm. */
async function heardAt(database: Database, paths: readonly string[]): Promise<readonly Heard[]> {
  const queries: { readonly query: string; readonly values: unknown[] }[] = []
  const { db, close } = connect(database, { logQuery: (query, values) => void queries.push({ query, values }) })
  const server = makeApp({ db, clock: databaseClock(db), log: pino({ level: 'silent' }) }, null).listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const { port } = server.address() as AddressInfo
  const cookie = await signIn(port)
  const heard: Heard[] = []
  for (const path of paths) {
    await ask(port, path, cookie)
    queries.length = 0
    const { text } = await ask(port, path, cookie)
    heard.push({ path, queries: [...queries], text })
  }
  server.closeAllConnections()
  server.close()
  await close()
  return heard
}

/** Requests a second, so many at once. */
async function perSecond(port: number, path: string, cookie: string): Promise<number> {
  const end = performance.now() + FOR_MS
  let done = 0
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (performance.now() < end) {
        const { status } = await ask(port, path, cookie)
        if (status !== 200) throw new Error(`${path}: ${status}`)
        done++
      }
    })
  )
  return (done * 1000) / FOR_MS
}

const folder = mkdtempSync(join(tmpdir(), 'peen-bench-'))
const mariadb = await startMariadb({ folder, port: await freePort() })
const serving: { readonly stop: () => void }[] = []
try {
  await mariadb.createDatabase('peen_bench')
  const database = { host: '127.0.0.1', port: mariadb.port, user: mariadb.user, password: mariadb.password, database: 'peen_bench' }
  const load = spawn(process.execPath, ['--import', 'tsx', 'demo/src/load.ts'], {
    cwd: ROOT,
    env: { ...process.env, PEEN_DB: JSON.stringify(database) },
    stdio: 'inherit'
  })
  await new Promise((resolve) => load.once('exit', resolve))
  const { db, close } = connect(database)
  const [{ id }] = await db.select({ id: tables.people.id }).from(tables.people).where(eq(tables.people.username, 'ines'))
  await close()
  const heard = await heardAt(database, ['/api/floor', `/api/apprentices/${id}`, '/api/dogs', '/api/coats'])
  const file = join(folder, 'heard.json')
  writeFileSync(file, JSON.stringify(heard))
  const peen = await serve('server/src/main.ts', database)
  const bare = await serve('scripts/bench-replay.ts', database, { PEEN_BENCH_HEARD: file })
  serving.push(peen, bare)
  const cookie = await signIn(peen.port)
  console.log(
    `${AT_ONCE} requests at once, ${FOR_MS / 1000} s each. Reference: Express + mysql2 with the same SQL that sends the same text.`
  )
  for (const { path, queries, text } of heard) {
    await ask(peen.port, path, cookie)
    const [own, reference] = [await perSecond(peen.port, path, cookie), await perSecond(bare.port, path, '')]
    const name = path.replace(id, ':id').padEnd(24)
    console.log(
      `${name} ${own.toFixed(0)} a second, reference ${reference.toFixed(0)} (${queries.length} queries, ${Math.round(text.length / 1000)} kB): ${(own / reference).toFixed(2)} x (limit ${LIMIT} for floor and one apprentice)`
    )
  }
} finally {
  for (const { stop } of serving) stop()
  await mariadb.stop()
  rmSync(folder, { recursive: true, force: true })
}
process.exit(0)
