// npm run bench:years: a school of ten years beside the demo's one. How long a start, the screens that are read most, the check of the
// trail and a backup take in each: nothing may grow faster than what it serves.
//   PEEN_BENCH_SHARE=0.1   a tenth of it
import { connect, databaseClock, makeApp, tables, checkAudit, rebuildAll, type DatabaseSettings } from '@peen/server'
import { eq } from 'drizzle-orm'
import { spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pino from 'pino'
import { freePort, ROOT } from './machine.mjs'
import { startMariadb } from './mariadb.mjs'
import { growTo } from './years'

const SHARE = Number(process.env.PEEN_BENCH_SHARE ?? 1)
const SIZE = { years: 10, apprentices: 300 * SHARE, dogs: 1500 * SHARE, events: 3_000_000 * SHARE }
const TIMES = 7

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!
async function timed(work: () => Promise<unknown>): Promise<number> {
  const begun = performance.now()
  await work()
  return performance.now() - begun
}

/** A program of Peen from its start to its end, ms. */
function run(script: string, words: readonly string[], env: object): Promise<number> {
  return timed(
    () =>
      new Promise<void>((resolve, reject) => {
        const child = spawn(process.execPath, ['--import', 'tsx', script, ...words], {
          cwd: ROOT,
          env: { ...process.env, ...env },
          stdio: ['ignore', 'ignore', 'inherit']
        })
        child.once('exit', (code) => (code === 0 ? resolve() : reject(new Error(`${script}: ${code}`))))
      })
  )
}

type Measured = Readonly<Record<string, number>>

async function measure(settings: DatabaseSettings, folder: string): Promise<{ readonly counts: Measured; readonly ms: Measured }> {
  const env = { PEEN_DB: JSON.stringify(settings), PEEN_BACKUPS: folder, PEEN_SCRATCH: 'peen_scratch_', NODE_ENV: 'production' }
  const { db, close } = connect(settings)
  const counts = {
    apprentices: (await db.$count(tables.people)) as number,
    dogs: await db.$count(tables.dogs),
    visits: await db.$count(tables.visits),
    events: await db.$count(tables.events),
    'signed trims': await db.$count(tables.gradingResults)
  }
  const ms: Record<string, number> = { start: await run('server/src/prepare.ts', [], env) }
  const server = makeApp({ db, clock: databaseClock(db, true), log: pino({ level: 'silent' }) }, null).listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
  const signedIn = await fetch(`${url}/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ username: 'ottilie', password: 'porcelain-7F' })
  })
  const cookie = signedIn.headers.getSetCookie()[0]!.split(';')[0]!
  const [ines] = await db.select({ id: tables.people.id }).from(tables.people).where(eq(tables.people.username, 'ines'))
  const { id } = ines!
  for (const path of ['/floor', '/apprentices', `/apprentices/${id}`, '/wall', '/trims', '/dogs', '/coats', '/search?q=in']) {
    const took: number[] = []
    for (let i = 0; i < TIMES; i++)
      took.push(
        await timed(async () => {
          const answer = await fetch(url + path, { headers: { cookie } })
          if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
          await answer.text()
        })
      )
    ms[path.replace(id, ':id')] = median(took)
  }
  server.closeAllConnections()
  server.close()
  ms['check of the trail'] = await timed(async () => {
    if (!(await checkAudit(db)).whole) throw new Error('the trail is not whole')
  })
  await close()
  ms['backup, proven'] = await run('server/src/backup/main.ts', ['byHand'], env)
  return { counts, ms }
}

const folder = mkdtempSync(join(tmpdir(), 'peen-years-'))
const mariadb = await startMariadb({ folder, port: await freePort(), more: ['--innodb-buffer-pool-size=1G', '--max-allowed-packet=256M'] })
const say = (line: string) => void process.stdout.write(`${line}\n`)
try {
  await mariadb.createDatabase('peen_years')
  await mariadb.allowDatabases('peen_scratch_')
  const settings = { host: '127.0.0.1', port: mariadb.port, user: mariadb.user, password: mariadb.password, database: 'peen_years' }
  const backups = (name: string) => (mkdirSync(join(folder, name)), join(folder, name))
  await run('demo/src/load.ts', [], { PEEN_DB: JSON.stringify(settings) })
  const one = await measure(settings, backups('one'))
  const { db, close } = connect(settings)
  const made = await timed(() => growTo(db, SIZE, say))
  await rebuildAll(db)
  await close()
  const ten = await measure(settings, backups('ten'))
  say(
    `\nMade in ${Math.round(made / 1000)} s. One year is the demo; times are medians of ${TIMES} in ms, of start, trail and backup one run.`
  )
  const line = (name: string, a: number, b: number) =>
    say(
      `${name.padEnd(22)} ${Math.round(a).toLocaleString('en').padStart(10)} ${Math.round(b).toLocaleString('en').padStart(12)}   ${(b / a).toFixed(1)} x`
    )
  say(`${''.padEnd(22)} ${'one year'.padStart(10)} ${'ten years'.padStart(12)}`)
  for (const [name, value] of Object.entries(one.counts)) line(name, value, ten.counts[name]!)
  for (const [name, value] of Object.entries(one.ms)) line(name, value, ten.ms[name]!)
} finally {
  await mariadb.stop()
  rmSync(folder, { recursive: true, force: true })
}
