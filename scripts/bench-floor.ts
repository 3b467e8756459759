// npm run bench: the events of the Floor. How fast they are folded, and how many tablets a server takes; each beside a named reference in the same run.
import { foldVisit, type EventKind, type PracticeEvent } from '@peen/core/practice'
import { connect, settingsFromEnvironment, tables } from '@peen/server'
import { count, desc, eq } from 'drizzle-orm'
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 } from 'uuid'
import { freePort, ROOT } from './machine.mjs'
import { startMariadb } from './mariadb.mjs'

const EVENTS = 100_000
const TABLETS = 200
const EVERY_MS = 2000
const FOR_MS = Number(process.env.PEEN_BENCH_SECONDS ?? 60) * 1000
const FULL_MS = Math.min(10_000, FOR_MS)
/** tablets that send without a pause, for the most that a server takes */
const AT_ONCE = 32
/** instructors' tablets that hear everything */
const LISTENERS = 6

const sorted = (values: readonly number[]) => [...values].sort((a, b) => a - b)
const quantile = (values: readonly number[], q: number) => sorted(values)[Math.min(values.length - 1, Math.floor(values.length * q))]
const median = (values: readonly number[]) => quantile(values, 0.5)

// ---- folding

const KINDS: readonly EventKind[] = ['promptGiven', 'faultNoted', 'helped', 'praised', 'lookedAt', 'noted']
function payloadOf(kind: EventKind, attemptId: string): object {
  if (kind === 'promptGiven') return { attemptId }
  if (kind === 'faultNoted') return { attemptId, faultId: null, region: 'skirt', side: 'left' }
  if (kind === 'helped') return { attemptId, help: 'talkedThrough', region: null, side: null }
  if (kind === 'praised') return { attemptId, text: 'Kept the leg low.' }
  return kind === 'noted' ? { text: 'Stands well today.' } : {}
}
const START = { techniqueId: 'pads', regions: ['pads'], side: 'both', toolId: null, direction: null, hands: 'apprentice', setting: 'live' }

function eventAt(visitId: string, by: string, deviceId: string, n: number, attemptId: string): PracticeEvent {
  const kind: EventKind = n === 0 ? 'visitOpened' : n === 1 ? 'attemptStarted' : KINDS[n % KINDS.length]
  const payload = n === 0 ? {} : n === 1 ? { attemptId, ...START } : payloadOf(kind, attemptId)
  return {
    ...{ id: v7(), v: 1, kind, visitId, by, deviceId, seq: n, lamport: n + 1 },
    ...{ atDevice: '2026-04-14T09:42:00.000Z', receivedAt: null, payload }
  } as PracticeEvent
}

/** Events of so many visits, as they come over the wire, and how long parsing and folding take. */
function foldBench(visits: number): void {
  const each = EVENTS / visits
  const texts = Array.from({ length: visits }, () => {
    const [id, by, attempt] = [v7(), v7(), v7()]
    return JSON.stringify(Array.from({ length: each }, (_, n) => eventAt(id, by, 'tablet', n, attempt)))
  })
  const parsing: number[] = []
  const folding: number[] = []
  for (let round = 0; round < 7; round++) {
    const start = performance.now()
    const parsed = texts.map((text) => JSON.parse(text) as PracticeEvent[])
    const middle = performance.now()
    for (const events of parsed) foldVisit(events)
    parsing.push(middle - start)
    folding.push(performance.now() - middle)
  }
  const ratio = median(folding) / median(parsing)
  console.log(
    `Fold ${EVENTS} events of ${visits} visits: ${median(folding).toFixed(0)} ms; reference: JSON.parse of the same ${median(parsing).toFixed(0)} ms; ${ratio.toFixed(2)} x (limit 1.5)`
  )
}

// ---- tablets

type Server = { readonly port: number; readonly stop: () => void }
const serving: Server[] = []
async function serve(script: string, database: object): Promise<Server> {
  const port = await freePort()
  const env = {
    ...process.env,
    NODE_ENV: 'production',
    PEEN_PORT: String(port),
    PEEN_DB: JSON.stringify(database),
    PEEN_DEMO_CLOCK: 'stands'
  }
  const child = spawn(process.execPath, ['--import', 'tsx', script], { cwd: ROOT, env, stdio: ['ignore', 'inherit', 'inherit', 'ipc'] })
  await new Promise((resolve) => child.once('message', resolve))
  const server = { port, stop: () => child.kill('SIGKILL') }
  serving.push(server)
  return server
}

const sentAt = new Map<string, number>()
type Tablet = { readonly visitId: string; readonly attemptId: string; n: number }
type Sent = { readonly ms: number[]; readonly failed: number; readonly tookMs: number }
const agent = new Agent({ keepAlive: true, maxSockets: TABLETS })

function post(
  port: number,
  path: string,
  body: object,
  headers: Record<string, string>
): Promise<{ status: number; cookie: string; body: string }> {
  return new Promise((resolve, reject) => {
    const text = JSON.stringify(body)
    const more = { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text), ...headers }
    const sending = request({ host: '127.0.0.1', port, path, method: 'POST', agent, headers: more }, (answer) => {
      let got = ''
      answer.on('data', (chunk) => (got += chunk))
      answer.on('end', () =>
        resolve({ status: answer.statusCode ?? 0, cookie: answer.headers['set-cookie']?.[0].split(';')[0] ?? '', body: got })
      )
    })
    sending.on('error', reject)
    sending.end(text)
  })
}

async function sendOne(port: number, tablet: Tablet, by: string, headers: Record<string, string>): Promise<number | null> {
  const event = eventAt(tablet.visitId, by, `tablet-${tablet.visitId.slice(-6)}`, tablet.n++, tablet.attemptId)
  const start = performance.now()
  sentAt.set(event.id, start)
  const { receivedAt: _none, ...wire } = event
  const answer = await post(port, `/api/visits/${tablet.visitId}/events`, { events: [wire], sentAt: event.atDevice }, headers)
  return answer.status === 200 && answer.body.includes('"stored"') ? performance.now() - start : null
}

/** Every tablet an event each two seconds for a minute, spread over the two seconds as tablets are. */
async function steady(port: number, all: readonly Tablet[], by: string, headers: Record<string, string>): Promise<Sent> {
  const ms: number[] = []
  let failed = 0
  const begin = performance.now()
  await Promise.all(
    all.map(async (tablet, i) => {
      for (let k = 0; k * EVERY_MS < FOR_MS; k++) {
        const due = begin + k * EVERY_MS + (i * EVERY_MS) / all.length
        await new Promise((resolve) => setTimeout(resolve, Math.max(0, due - performance.now())))
        const took = await sendOne(port, tablet, by, headers)
        if (took === null) failed++
        else ms.push(took)
      }
    })
  )
  return { ms, failed, tookMs: performance.now() - begin }
}

/** As many as it takes, one after another at each of some tablets. */
async function full(port: number, all: readonly Tablet[], by: string, headers: Record<string, string>): Promise<Sent> {
  const ms: number[] = []
  let failed = 0
  const begin = performance.now()
  await Promise.all(
    all.slice(0, AT_ONCE).map(async (tablet) => {
      while (performance.now() - begin < FULL_MS) {
        const took = await sendOne(port, tablet, by, headers)
        if (took === null) failed++
        else ms.push(took)
      }
    })
  )
  return { ms, failed, tookMs: performance.now() - begin }
}

/** Tablets that listen while the others send: how long after it was sent each hears an event, ms. */
function listening(port: number, cookie: string, sentAt: ReadonlyMap<string, number>) {
  const heard: number[] = []
  const open: Promise<unknown>[] = []
  const streams = Array.from({ length: LISTENERS }, () =>
    request({ host: '127.0.0.1', port, path: '/api/live', headers: { cookie } }, (answer) => {
      let text = ''
      // the server's first word: from then on it is told everything
      open.push(new Promise((resolve) => answer.once('data', resolve)))
      answer.on('data', (chunk) => {
        text += chunk
        const blocks = text.split('\n\n')
        text = blocks.pop()!
        for (const [, id] of blocks.join('\n').matchAll(/"id":"([0-9a-f-]{36})"/g)) {
          const at = sentAt.get(id)
          if (at !== undefined) heard.push(performance.now() - at)
        }
      })
    }).end()
  )
  return { heard, open, stop: () => streams.forEach((stream) => stream.destroy()) }
}

const perSecond = ({ ms, tookMs }: Sent) => (ms.length * 1000) / tookMs
const tell = (name: string, sent: Sent) =>
  `${name.padEnd(34)} ${perSecond(sent).toFixed(0).padStart(5)} a second, p50 ${median(sent.ms).toFixed(1)} ms, p95 ${quantile(sent.ms, 0.95).toFixed(1)} ms, ${sent.ms.length} stored, ${sent.failed} failed`

async function tabletBench(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'peen-bench-'))
  const mariadb = await startMariadb({ folder, port: await freePort() })
  try {
    await mariadb.createDatabase('peen_bench')
    const database = { host: '127.0.0.1', port: mariadb.port, user: mariadb.user, password: mariadb.password, database: 'peen_bench' }
    const env = { ...process.env, PEEN_DB: JSON.stringify(database) }
    const load = spawn(process.execPath, ['--import', 'tsx', 'demo/src/load.ts'], { cwd: ROOT, env, stdio: 'inherit' })
    await new Promise((resolve) => load.once('exit', resolve))
    process.env.PEEN_DB = env.PEEN_DB
    const { db, close } = connect(settingsFromEnvironment())
    const [pattern] = await db.select().from(tables.visits).orderBy(desc(tables.visits.onDate)).limit(1)
    const tablets: Tablet[] = Array.from({ length: TABLETS }, () => ({ visitId: v7(), attemptId: v7(), n: 0 }))
    await db.insert(tables.visits).values(tablets.map(({ visitId }) => ({ ...pattern, id: visitId, onDate: '2026-04-14' })))
    const peen = await serve('server/src/main.ts', database)
    const me = await post(peen.port, '/api/sign-in', { username: 'ruben', password: 'porcelain-7F' }, {})
    const { id, csrf } = JSON.parse(me.body) as { id: string; csrf: string }
    const headers = { cookie: me.cookie, 'x-peen-csrf': csrf }
    const [{ before }] = await db.select({ before: count() }).from(tables.events)
    const listeners = listening(peen.port, me.cookie, sentAt)
    while (listeners.open.length < LISTENERS) await new Promise((resolve) => setTimeout(resolve, 50))
    await Promise.all(listeners.open)
    const steadyPeen = await steady(peen.port, tablets, id, headers)
    await new Promise((resolve) => setTimeout(resolve, 1500))
    listeners.stop()
    const fullPeen = await full(peen.port, tablets, id, headers)
    const [{ after }] = await db.select({ after: count() }).from(tables.events)
    const [{ last }] = await db.select({ last: count() }).from(tables.events).where(eq(tables.events.visitId, tablets[0].visitId))
    peen.stop()
    const bare = await serve('scripts/bench-bare.ts', database)
    const again = tablets.map((tablet) => ({ ...tablet, n: 0 }))
    const steadyBare = await steady(bare.port, again, id, {})
    const fullBare = await full(bare.port, again, id, {})
    bare.stop()
    await close()
    console.log(
      `${TABLETS} tablets, an event each ${EVERY_MS / 1000} s for ${FOR_MS / 1000} s. Reference: Express + mysql2 that inserts and does nothing else.`
    )
    console.log(tell('Peen', steadyPeen))
    console.log(tell('reference', steadyBare))
    console.log(`throughput ${(perSecond(steadyPeen) / perSecond(steadyBare)).toFixed(2)} x reference (limit 0.6)`)
    const { heard } = listeners
    console.log(
      `${LISTENERS} tablets that listened heard ${heard.length} of ${LISTENERS * steadyPeen.ms.length}: p50 ${median(heard).toFixed(0)} ms, p95 ${quantile(heard, 0.95).toFixed(0)} ms, slowest ${Math.max(...heard).toFixed(0)} ms after they were sent (limit 2000)`
    )
    const missing = steadyPeen.ms.length + fullPeen.ms.length - (after - before)
    console.log(
      `answered as stored and in the database: ${after - before}, missing: ${missing}; at the first tablet ${last} of ${tablets[0].n}`
    )
    console.log(`${AT_ONCE} tablets without a pause for ${FULL_MS / 1000} s:`)
    console.log(tell('Peen', fullPeen))
    console.log(tell('reference', fullBare))
    console.log(`throughput ${(perSecond(fullPeen) / perSecond(fullBare)).toFixed(2)} x reference`)
  } finally {
    for (const { stop } of serving) stop()
    await mariadb.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}

foldBench(1)
foldBench(1000)
await tabletBench()
process.exit(0)
