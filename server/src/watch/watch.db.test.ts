import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { freePort } from '../../../scripts/machine.mjs'
import { makeApp } from '../app'
import { connect, type DatabaseSettings } from '../db'
import { checkAndKeep } from '../features/audit'
import { makeLog } from '../log'
import { smallSchool, type World } from '../testing/world'
import { makeMetrics, openWatch, requestId, withRequestId } from '.'

let world: World
let folder: string
let watch: string
let close: (() => Promise<void>)[] = []
beforeAll(async () => {
  world = await smallSchool('watch')
  folder = mkdtempSync(join(tmpdir(), 'peen-logs-'))
  const services = { db: world.db, clock: world.clock, log: makeLog('silent', folder) }
  const metrics = makeMetrics({ ...services, streams: () => 3 })
  const port = await freePort()
  const closeWatch = await openWatch(services, metrics, port)
  watch = `http://127.0.0.1:${port}`
  const server = makeApp(services, null, { metrics }).listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  app = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
  close = [async () => closeWatch(), async () => void server.close(), world.close]
})
let app: string
afterAll(async () => {
  for (const one of close) await one()
  rmSync(folder, { recursive: true })
})

/** The value of one metric, as Prometheus reads it; undefined where there is none. */
async function metric(name: string): Promise<string | undefined> {
  const text = await (await fetch(`${watch}/metrics`)).text()
  return text
    .split('\n')
    .find((line) => line.startsWith(`${name} `))
    ?.slice(name.length + 1)
}

describe('numbers', () => {
  it('are written as Prometheus reads them, endpoint by endpoint and without an id', async () => {
    await fetch(`${app}/session`)
    await fetch(`${app}/visits/${v7()}`)
    const response = await fetch(`${watch}/metrics`)
    expect(response.headers.get('content-type')).toContain('text/plain; version=0.0.4')
    const text = await response.text()
    expect(text).toMatch(/^peen_request_duration_seconds_count\{endpoint="signedIn",status="\d+"\} 1$/m)
    expect(text).toMatch(/^peen_request_duration_seconds_count\{endpoint="\w+",status="401"\} 1$/m)
    expect(text).not.toMatch(/[0-9a-f]{8}-[0-9a-f]{4}/)
  })

  it('tell of streams, of events that wait, and of the trail', async () => {
    expect(await metric('peen_streams')).toBe('3')
    expect(await metric('peen_database_up')).toBe('1')
    expect(await metric('peen_trail_whole')).toMatch(/^nan$/i)
    await checkAndKeep(world.db, new Date(world.clock.real().getTime() - 3600000))
    expect(await metric('peen_trail_whole')).toBe('1')
    expect(Number(await metric('peen_trail_check_age_seconds'))).toBeGreaterThanOrEqual(3599)
    const before = Number(await metric('peen_events_waiting'))
    await world.newTrim('abe')
    expect(Number(await metric('peen_events_waiting'))).toBeGreaterThan(before)
  })
})

describe('health', () => {
  it('is well while the database answers', async () => {
    const response = await fetch(`${watch}/healthz`)
    expect(response.status).toBe(200)
    expect(await response.json()).toMatchObject({ status: 'well', database: 'answers' })
  })

  it('is down while it does not, and says so by its status', async () => {
    const settings = { ...(JSON.parse(process.env.PEEN_TEST_DB!) as DatabaseSettings), database: 'peen_test_watch', port: await freePort() }
    const away = connect(settings)
    const services = { db: away.db, clock: world.clock, log: makeLog('silent') }
    const port = await freePort()
    const shut = await openWatch(services, makeMetrics({ ...services, streams: () => 0 }), port)
    const response = await fetch(`http://127.0.0.1:${port}/healthz`)
    expect(response.status).toBe(503)
    expect(await response.json()).toMatchObject({ status: 'down', database: 'does not answer' })
    const numbers = await (await fetch(`http://127.0.0.1:${port}/metrics`)).text()
    expect(numbers).toMatch(/^peen_database_up 0$/m)
    expect(numbers).toMatch(/^peen_events_waiting nan$/im)
    shut()
    await away.close()
  })
})

describe('the log', () => {
  it('has a file a day with a line for each request: its id, and nothing that was typed', async () => {
    const response = await fetch(`${app}/search?q=Marenka`, { headers: { cookie: 'peen=a-secret' } })
    const id = response.headers.get('x-request-id')!
    const line = await until(() => lines().find((one) => one.includes(id)))
    expect(JSON.parse(line)).toMatchObject({ req: { method: 'GET', path: '/api/search' }, res: { statusCode: response.status } })
    for (const secret of ['Marenka', 'a-secret']) expect(lines().join('\n')).not.toContain(secret)
    expect(readdirSync(folder).join()).toMatch(/^peen\.\d{4}-\d{2}-\d{2}/)
  })
})

const lines = () => readdirSync(folder).flatMap((name) => readFileSync(join(folder, name), 'utf8').split('\n'))
async function until(look: () => string | undefined): Promise<string> {
  for (;;) {
    const found = look()
    if (found) return found
    await new Promise((resolve) => setTimeout(resolve, 25))
  }
}

it('work for a request knows its id, and other work none', async () => {
  expect(requestId()).toBeUndefined()
  const seen = await new Promise((resolve) => withRequestId('one', () => void setTimeout(() => resolve(requestId()), 1)))
  expect(seen).toBe('one')
})
