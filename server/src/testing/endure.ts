// Kills the server and its database at random while tablets tap and gradings are signed, and counts what came of it. Only zero passes.
import { answersAtTarget } from '@peen/core/grade'
import { standards } from '@peen/content'
import { eq, sql } from 'drizzle-orm'
import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { v7 } from 'uuid'
import { freePort } from '../../../scripts/machine.mjs'
import { startMariadb } from '../../../scripts/mariadb.mjs'
import { tables } from '../db'
import { checkAudit } from '../features/audit'
import { derivedAgain } from '../features/derived'
import { smallSchool, type Client, type World } from './world'

export const CALAMITIES = ['none', 'serverKilled', 'databaseKilled', 'bothKilled', 'cut', 'wrongClock'] as const
type Calamity = (typeof CALAMITIES)[number]

/** `lost`: acknowledged and not there. `doubled`: there twice. `foreign`: there and never sent. `halfSigned`: a signature without its result or its entry. */
export type Endured = {
  readonly rounds: number
  readonly acknowledged: number
  readonly lost: number
  readonly doubled: number
  readonly foreign: number
  readonly refused: number
  readonly signed: number
  readonly halfSigned: number
  readonly trail: boolean
  readonly derived: string
  readonly met: Readonly<Record<Calamity, number>>
}

const EACH = 8
/** A round ends when everything is answered for; so long it is waited for on a machine that is slow for a while. */
const ROUND_MS = 400000
const ROOT = fileURLToPath(new URL('../../..', import.meta.url))
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** Numbers from 0 to 1 that a seed decides (mulberry32). */
function drawn(seed: number): () => number {
  let a = seed
  return () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

type Tap = { readonly id: string; readonly seq: number; readonly text: string; readonly atDevice: string }
type Device = {
  readonly client: Client
  readonly queue: Tap[]
  readonly sent: Set<string>
  readonly acknowledged: Set<string>
  seq: number
}

/** A database and a server of their own, each of which may be killed and comes back. */
async function machine() {
  const folder = mkdtempSync(join(tmpdir(), 'peen-endure-'))
  const [databasePort, port] = [await freePort(), await freePort()]
  let database: Awaited<ReturnType<typeof startMariadb>>
  let server: ChildProcess | null = null
  const openDatabase = async () => (database = await startMariadb({ folder, port: databasePort, durable: true }))
  await openDatabase()
  await database!.allowDatabases('peen_test_')
  const { user, password } = database!
  const settings = { host: '127.0.0.1', port: databasePort, user, password }
  const PEEN_DB = JSON.stringify({ ...settings, database: 'peen_test_endure' })
  const openServer = async () => {
    const env = { ...process.env, NODE_ENV: 'production', PEEN_PORT: String(port), PEEN_DB, PEEN_LOG: 'silent', PEEN_DEMO_CLOCK: 'stands' }
    const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
      cwd: ROOT,
      env,
      stdio: ['ignore', 'ignore', 'inherit', 'ipc']
    })
    server = child
    await new Promise((resolve) => child.once('message', resolve))
  }
  const ended = (child: ChildProcess) => new Promise((resolve) => (child.exitCode !== null ? resolve(null) : child.once('exit', resolve)))
  const kill = {
    server: async () => {
      const child = server!
      child.kill('SIGKILL')
      await ended(child)
    },
    database: async () => {
      process.kill(Number(readFileSync(join(folder, 'mariadb.pid'), 'utf8')), 'SIGKILL')
      await pause(300)
    }
  }
  const close = async () => {
    server?.kill('SIGKILL')
    await database.stop()
    rmSync(folder, { recursive: true, force: true })
  }
  return { settings, url: `http://127.0.0.1:${port}/api`, openDatabase, openServer, kill, close }
}

/** Taps are sent in batches, sometimes out of order, sometimes cut, until each one was answered for. */
async function sendAll(
  url: string,
  visitId: string,
  device: Device,
  draw: () => number,
  isCut: boolean,
  told: { refused: number }
): Promise<void> {
  const until = Date.now() + ROUND_MS
  while (device.queue.length > 0 && Date.now() < until) {
    const batch = device.queue.slice(0, 1 + Math.floor(draw() * 5))
    if (draw() < 0.3) batch.reverse()
    const events = batch.map(({ id, seq, text, atDevice }) => ({
      ...{ id, v: 1, kind: 'noted', visitId, by: device.client.me!.id, deviceId: device.client.me!.deviceId, seq, lamport: seq },
      ...{ atDevice, receivedAt: null, payload: { text } }
    }))
    for (const { id } of batch) device.sent.add(id)
    const cut = isCut && draw() < 0.5 ? AbortSignal.timeout(1 + Math.floor(draw() * 25)) : AbortSignal.timeout(30000)
    try {
      const headers = { ...device.client.headers, 'content-type': 'application/json' }
      const response = await fetch(`${url}/visits/${visitId}/events`, {
        method: 'POST',
        headers,
        body: JSON.stringify({ events }),
        signal: cut
      })
      const { answers } = (await response.json()) as { answers?: { id: string; status: string }[] }
      if (!answers) throw new Error(String(response.status))
      for (const { id, status } of answers) {
        if (status === 'stored' || status === 'alreadyThere') device.acknowledged.add(id)
        else told.refused++
        const at = device.queue.findIndex((tap) => tap.id === id)
        if (at >= 0) device.queue.splice(at, 1)
      }
    } catch {
      await pause(50 + draw() * 200)
    }
  }
}

/** Signs a sheet again and again until the server says that it is signed. */
async function signThrough(url: string, by: Client, gradingId: string, version: number): Promise<void> {
  const until = Date.now() + ROUND_MS
  while (Date.now() < until) {
    try {
      const init = { method: 'POST', headers: { ...by.headers, 'content-type': 'application/json' }, body: JSON.stringify({ version }) }
      const response = await fetch(`${url}/gradings/${gradingId}/sign`, { ...init, signal: AbortSignal.timeout(30000) })
      const body = (await response.json()) as { code?: string }
      if (response.ok || body.code === 'signed') return
    } catch {
      await pause(100)
    }
    await pause(20)
  }
}

/** A grading that only waits for its signature. */
async function readySheet(world: World, by: Client): Promise<{ readonly id: string; readonly version: number }> {
  const visit = await world.newTrim('bea')
  const id = (await by.post(`/visits/${visit}/gradings`, { id: v7() })).body.id as string
  const body = { version: 1, answers: answersAtTarget(standards[0], 4), critical: [], globalRating: 'pass' }
  const { body: kept } = await by.send('PUT', `/gradings/${id}`, body)
  return { id, version: kept.version as number }
}

async function isHalfSigned(world: World, id: string): Promise<boolean> {
  const [grading] = await world.db.select({ status: tables.gradings.status }).from(tables.gradings).where(eq(tables.gradings.id, id))
  const results = await world.db.$count(tables.gradingResults, eq(tables.gradingResults.gradingId, id))
  const seals = await world.db.$count(tables.auditSeals, eq(tables.auditSeals.name, `grading:${id}`))
  return grading!.status !== 'signed' || results !== 1 || seals !== 1
}

/** Runs so many rounds. Prints a line for each by `say`. The same seed draws the same calamities; when they strike is the machine's. */
export async function endure({
  rounds,
  seed,
  say
}: {
  readonly rounds: number
  readonly seed: number
  readonly say: (line: string) => void
}): Promise<Endured> {
  const draw = drawn(seed)
  const at = await machine()
  const before = process.env.PEEN_TEST_DB
  process.env.PEEN_TEST_DB = JSON.stringify(at.settings)
  const world = await smallSchool('endure').finally(() => (process.env.PEEN_TEST_DB = before))
  try {
    await at.openServer()
    const met = Object.fromEntries(CALAMITIES.map((one) => [one, 0])) as Record<Calamity, number>
    const devices: Device[] = []
    for (const who of ['ivo', 'ina', 'lena'])
      devices.push({ client: await world.client(who), queue: [], sent: new Set(), acknowledged: new Set(), seq: 0 })
    const told = { refused: 0 }
    const signed: string[] = []
    const visitId = await world.newVisit('abe')
    for (let round = 1; round <= rounds; round++) {
      const calamity = CALAMITIES[round % CALAMITIES.length]!
      met[calamity]++
      const offMs = calamity === 'wrongClock' ? (draw() - 0.5) * 4 * 3600000 : 0
      for (const device of devices)
        for (let i = 0; i < EACH; i++) {
          const seq = ++device.seq
          device.queue.push({
            id: v7(),
            seq,
            text: `${device.client.me!.givenName} ${seq}`,
            atDevice: new Date(Date.parse('2026-04-14T09:42:00Z') + offMs).toISOString()
          })
        }
      const sheet = round % 2 === 0 ? await readySheet(world, devices[0]!.client) : null
      const strike = async () => {
        await pause(draw() * 150)
        if (calamity === 'serverKilled' || calamity === 'bothKilled') await at.kill.server()
        if (calamity === 'databaseKilled' || calamity === 'bothKilled') await at.kill.database()
        await pause(draw() * 200)
        if (calamity === 'databaseKilled' || calamity === 'bothKilled') await at.openDatabase()
        if (calamity === 'serverKilled' || calamity === 'bothKilled') await at.openServer()
      }
      await Promise.all([
        strike(),
        ...devices.map((device) => sendAll(at.url, visitId, device, draw, calamity === 'cut', told)),
        sheet && signThrough(at.url, devices[0]!.client, sheet.id, sheet.version)
      ])
      if (sheet) signed.push(sheet.id)
      say(`round ${round} of ${rounds}: ${calamity}, ${devices.reduce((sum, { acknowledged }) => sum + acknowledged.size, 0)} acknowledged`)
    }
    const [rows] = (await world.db.execute(
      sql`SELECT id, JSON_VALUE(payload, '$.text') AS text FROM practice_events WHERE visit_id = ${visitId}`
    )) as unknown as [{ id: string; text: string }[]]
    const there = new Set(rows.map(({ id }) => id))
    const all = (of: (device: Device) => Iterable<string>) => devices.flatMap((device) => [...of(device)])
    const sent = new Set(all(({ sent: ids }) => ids))
    const halves = await Promise.all(signed.map((id) => isHalfSigned(world, id)))
    return {
      ...{ rounds, refused: told.refused, signed: signed.length, met },
      acknowledged: all(({ acknowledged }) => acknowledged).length,
      lost:
        all(({ acknowledged }) => acknowledged).filter((id) => !there.has(id)).length +
        devices.reduce((n, { queue }) => n + queue.length, 0),
      doubled: rows.length - new Set(rows.map(({ text }) => text)).size,
      foreign: rows.filter(({ id }) => !sent.has(id)).length,
      halfSigned: halves.filter(Boolean).length,
      trail: (await checkAudit(world.db)).whole,
      derived: await derivedAgain(world.db)
    }
  } finally {
    await world.close().catch(() => undefined)
    await at.close()
  }
}
