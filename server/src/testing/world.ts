// A small school in a database of its own, and a client that talks to the real server over http. For tests.
import { standards, techniqueById } from '@peen/content'
import { USUAL_SETTINGS, type Me, type Problem, type Role } from '@peen/contract'
import { NOTHING_FOUND } from '@peen/core/checkin'
import type { EventKind, Payloads, PracticeEvent } from '@peen/core/practice'
import mysql from 'mysql2/promise'
import { mkdtempSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pino from 'pino'
import { v7 } from 'uuid'
import { makeApp } from '../app'
import { settableClock } from '../clock'
import { connect, migrateUp, optionsOf, tables, type Connection, type DatabaseSettings } from '../db'
import { hashPassword } from '../features/auth'
import { recordAccount } from '../features/accounts'
import { recordEvents } from '../features/practice'
import { ensureSchool, loadContent } from '../features/school'

export const PASSWORD = 'long enough 7F'
const NOW = new Date('2026-04-14T09:42:00.000Z')

/** A fresh, migrated database on the test server. */
export async function freshDatabase(name: string): Promise<Connection> {
  const server = JSON.parse(process.env.PEEN_TEST_DB!) as Omit<DatabaseSettings, 'database'>
  const database = `peen_test_${name}`
  const admin = await mysql.createConnection(optionsOf(server))
  await admin.query(`DROP DATABASE IF EXISTS \`${database}\``)
  await admin.query(`CREATE DATABASE \`${database}\``)
  await admin.end()
  const connection = connect({ ...server, database })
  await migrateUp(connection.db)
  await loadContent(connection.db)
  return connection
}

export type Answer = { readonly status: number; readonly body: Problem & Record<string, unknown>; readonly headers: Headers }
export type Client = {
  readonly me: Me | null
  /** what a request of this person carries, for bodies that are no JSON */
  readonly headers: Readonly<Record<string, string>>
  readonly send: (method: string, path: string, body?: unknown, headers?: Record<string, string>) => Promise<Answer>
  readonly get: (path: string) => Promise<Answer>
  readonly post: (path: string, body?: unknown) => Promise<Answer>
}

export type Served = {
  readonly url: string
  readonly client: (username?: string) => Promise<Client>
  /** the client of the person who signed in by an answer */
  readonly clientOf: (answer: Answer) => Client
  readonly close: () => Promise<void>
}

/** Serves the application on a free port, with a folder of its own for signing keys. */
export async function serve(
  connection: Connection,
  clock = settableClock(NOW, 'Europe/London')
): Promise<Served & { readonly clock: typeof clock; readonly keys: string }> {
  const keys = mkdtempSync(join(tmpdir(), 'peen-keys-'))
  const app = makeApp(
    { db: connection.db, clock, log: pino({ level: 'silent' }), keys, publicUrl: 'https://school.example', solverSeconds: 120 },
    null
  )
  const server = app.listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  const clientOf = ({ headers, body }: Answer) =>
    clientFor(
      url,
      headers
        .getSetCookie()
        .map((one) => one.split(';')[0])
        .join('; '),
      body as unknown as Me
    )
  const client = async (username?: string): Promise<Client> => {
    if (!username) return clientFor(url, '', null)
    const answer = await clientFor(url, '', null).post('/sign-in', { username, password: PASSWORD })
    if (answer.status !== 200) throw new Error(`sign-in of ${username}: ${answer.body.detail}`)
    return clientOf(answer)
  }
  const close = async () => {
    server.closeAllConnections()
    await new Promise((resolve) => server.close(resolve))
    await connection.close()
    rmSync(keys, { recursive: true, force: true })
  }
  return { url, client, clientOf, close, clock, keys }
}

/** A body that is refused unread may lose its connection before the answer is read: asked again, three times at most. */
export async function patientFetch(url: string, init: RequestInit): Promise<Response> {
  for (let left = 3; ; left--) {
    try {
      return await fetch(url, init)
    } catch (error) {
      if (left === 0) throw error
    }
  }
}

function clientFor(url: string, cookie: string, me: Me | null): Client {
  const own = { ...(cookie ? { cookie } : {}), ...(me ? { 'x-peen-csrf': me.csrf } : {}) }
  const send: Client['send'] = async (method, path, body, headers = {}) => {
    const response = await patientFetch(`${url}/api${path}`, {
      method,
      headers: {
        ...own,
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...headers
      },
      body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body)
    })
    return { status: response.status, body: await response.json(), headers: response.headers }
  }
  return { me, headers: own, send, get: (path) => send('GET', path), post: (path, body) => send('POST', path, body) }
}

const CAST: readonly (readonly [username: string, role: Role])[] = [
  ['lena', 'lead'],
  ['lars', 'lead'],
  ['ivo', 'instructor'],
  ['ina', 'instructor'],
  ['abe', 'apprentice'],
  ['bea', 'apprentice']
]

export type World = Served & {
  readonly db: Connection['db']
  readonly ids: Readonly<Record<string, string>>
  readonly clock: ReturnType<typeof settableClock>
  /** the folder of its signing keys */
  readonly keys: string
  readonly newVisit: (apprentice: string, onDate?: string) => Promise<string>
  /** every step of the trim, done by the apprentice's own hands and watched by ivo */
  readonly workOn: (visitId: string, onDate?: string) => Promise<void>
  /** a visit in which the apprentice's own hands have done every step of the trim, watched by ivo */
  readonly newTrim: (apprentice: string, onDate?: string) => Promise<string>
}

const ivo = (ids: Readonly<Record<string, string>>): Me => ({
  csrf: '',
  settings: USUAL_SETTINGS,
  id: ids.ivo,
  givenName: 'ivo',
  familyName: 'Test',
  role: 'instructor'
})

let trims = 0
/** Every step of the first trim, done in turn. */
function wholeTrim(visitId: string, by: string, onDate = '2026-04-14'): PracticeEvent[] {
  const deviceId = `trim-${trims++}`
  const at = `${onDate}T08:30:00.000Z`
  const events: PracticeEvent[] = []
  const add = <K extends EventKind>(kind: K, payload: Payloads[K]) => {
    const seq = events.length + 1
    const head = { id: v7(), v: 1, visitId, by, deviceId, seq, lamport: seq, atDevice: at, receivedAt: null }
    events.push({ ...head, kind, payload } as PracticeEvent)
  }
  for (const { technique, toolId, direction, minutes } of standards[0].plan.steps) {
    const attemptId = v7()
    const regions = techniqueById(technique)!.regions
    add('attemptStarted', {
      attemptId,
      techniqueId: technique,
      regions,
      side: 'both',
      toolId,
      direction,
      hands: 'apprentice',
      setting: 'live'
    })
    add('attemptEnded', { attemptId, minutes, help: 'alone', witness: 'watched' })
  }
  return events
}

/** Two leads, two instructors, two apprentices, two dogs and a table. */
export async function smallSchool(name: string): Promise<World> {
  const connection = await freshDatabase(name)
  const { db } = connection
  await db.transaction((tx) => ensureSchool(tx, 'Test school'))
  const passwordHash = await hashPassword(PASSWORD)
  const ids: Record<string, string> = { flint: v7(), ember: v7(), table: v7() }
  for (const [username, role] of CAST) {
    ids[username] = v7()
    await db.insert(tables.people).values({
      id: ids[username],
      givenName: username,
      familyName: 'Test',
      username,
      passwordHash,
      role,
      cohort: 'Test',
      startedOn: '2026-01-05',
      handed: 'right',
      active: true
    })
    if (role !== 'apprentice') {
      const founded = { kind: 'founded' as const, personId: ids[username], by: null, at: new Date('2026-01-05T08:00:00.000Z') }
      await db.transaction((tx) => recordAccount(tx, founded))
    }
  }
  const dog = {
    bodyType: 'bearded',
    coat: 'wire',
    colour: 'pepper',
    withersMm: 340,
    canStandMin: 130,
    temperament: 'steady',
    dislikes: '',
    ownerId: null
  }
  await db.insert(tables.dogs).values([
    { ...dog, id: ids.flint, name: 'Flint', burns: [] },
    { ...dog, id: ids.ember, name: 'Ember', burns: [{ region: 'cheek', side: 'left' }] }
  ])
  await db.insert(tables.roomTables).values({ id: ids.table, number: 1, xMm: 0, yMm: 0, turnDeg: 0 })
  const served = await serve(connection)
  const services = { db, clock: served.clock, log: pino({ level: 'silent' }) }
  const newVisit = async (apprentice: string, onDate = '2026-04-14') => {
    const id = v7()
    await db.insert(tables.visits).values({
      id,
      apprenticeId: ids[apprentice],
      dogId: ids.flint,
      tableId: ids.table,
      standardId: 'bearded-pet',
      standardVersion: standards[0].version,
      onDate,
      checkIn: { weeksSince: 6, wishes: '', excused: [] },
      found: { ...NOTHING_FOUND, gate: { dry: true, combed: true, by: ids.ivo, at: `${onDate}T08:00:00.000Z`, house: {} } }
    })
    // nothing was agreed otherwise than the trim has it, so that a test may count with the trim's own lengths
    await db.insert(tables.agreedTargets).values({ id: v7(), visitId: id, by: ids.ivo, at: new Date(`${onDate}T08:00:00.000Z`), lines: [] })
    return id
  }
  const workOn = async (id: string, onDate?: string) => {
    const { answers } = await recordEvents(services, ivo(ids), id, wholeTrim(id, ids.ivo, onDate))
    const refused = answers.find(({ status }) => status !== 'stored')
    if (refused) throw new Error(`a trim was not recorded: ${refused.detail}`)
  }
  const newTrim = async (apprentice: string, onDate?: string) => {
    const id = await newVisit(apprentice, onDate)
    await workOn(id, onDate)
    return id
  }
  return { ...served, db, ids, newVisit, workOn, newTrim }
}
