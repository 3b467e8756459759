// A school as an older version left it, brought up to now: poured in from its dump (testing/upgrade), then started as any school is.
import { houseRules, rack, standards } from '@peen/content'
import type { ApprenticeView, DraftView, GradingView, TableView } from '@peen/contract'
import canonicalize from 'canonicalize'
import { readFileSync } from 'node:fs'
import { gunzipSync } from 'node:zlib'
import mysql from 'mysql2/promise'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { connect, migrateUp, tables, type Connection, type DatabaseSettings } from '../../db'
import { serve, type Client, type Served } from '../../testing/world'
import { deriveWhereOld } from '../derived'
import { agreedOf } from '../agreed'
import { inFirstWords, sha256 } from '@peen/bundle'
import { loadContent } from './school'

const DATABASE = 'peen_test_upgraded'
const file = (name: string) => readFileSync(new URL(`../../testing/upgrade/${name}`, import.meta.url))
/** What the older version answered about the same school. */
const before = JSON.parse(file('before-plans.json').toString()) as {
  readonly ids: Readonly<Record<string, string>>
  readonly result: GradingView['result']
  readonly answers: GradingView['answers']
  readonly trim: object
  readonly agreed: object
  readonly attempts: readonly (readonly [string, string])[]
}

let connection: Connection
let served: Served
let lena: Client
let ivo: Client
beforeAll(async () => {
  const server = JSON.parse(process.env.PEEN_TEST_DB!) as Omit<DatabaseSettings, 'database'>
  const admin = await mysql.createConnection({ ...server, multipleStatements: true })
  await admin.query(`DROP DATABASE IF EXISTS \`${DATABASE}\`; CREATE DATABASE \`${DATABASE}\`; USE \`${DATABASE}\``)
  await admin.query(gunzipSync(file('before-plans.sql.gz')).toString())
  await admin.end()
  connection = connect({ ...server, database: DATABASE })
  await migrateUp(connection.db)
  await loadContent(connection.db)
  await deriveWhereOld(connection.db)
  served = await serve(connection)
  ;[lena, ivo] = [await served.client('lena'), await served.client('ivo')]
})
afterAll(() => served.close())

describe('a school of before there were plans of work', () => {
  it('keeps its own trim as it was, and opens it as a draft in which no work is guessed', async () => {
    const rows = await connection.db.select().from(tables.standards)
    expect(rows.find(({ id }) => id === 'house-teddy')!.body).toEqual(before.trim)
    const made = await ivo.post('/standard-drafts', { id: v7(), from: { id: 'house-teddy', version: 1 }, copyAs: null })
    const draft = (await ivo.get(`/standard-drafts/${made.body.id as string}`)).body as unknown as DraftView
    expect(new Set(draft.body.plan.work!.map(({ does }) => does))).toEqual(new Set(['unsaid']))
    expect((await lena.post(`/standard-drafts/${draft.id}/use`, { version: draft.version })).status).toBe(422)
  })

  it('gets the new versions beside the old ones', async () => {
    const rows = await connection.db.select().from(tables.standards)
    for (const { id, version } of standards) {
      expect(rows.filter((row) => row.id === id).length, id).toBeGreaterThan(1)
      expect(Math.max(...rows.filter((row) => row.id === id).map((row) => row.version)), id).toBe(version)
    }
  })

  it('has its signed mark to the last figure, answer by answer', async () => {
    const { status, result, answers } = (await ivo.get(`/gradings/${before.ids.grading}`)).body as unknown as GradingView
    expect(status).toBe('signed')
    expect(result).toEqual(before.result)
    expect(answers).toEqual(before.answers)
  })

  it('knows each tap again that it took while a visit was called a session', async () => {
    const rows = await connection.db.select().from(tables.events)
    expect(rows.length).toBeGreaterThan(0)
    for (const { contentHash, receivedAt: _at, late: _late, clockOffMs: _off, position: _place, away: _away, ...event } of rows)
      expect(sha256(canonicalize(inFirstWords({ ...event, atDevice: event.atDevice.toISOString() }))!), event.id).toBe(contentHash)
  })

  it('finishes a visit that was set up on the sheet that was agreed', async () => {
    expect(await agreedOf(connection.db, before.ids.open)).toEqual(before.agreed)
    const view = (await ivo.get(`/visits/${before.ids.open}/work`)).body as unknown as TableView
    expect(view.agreed).toEqual(before.agreed)
    await ivo.send('PUT', `/visits/${before.ids.open}/gate`, { version: 2, dry: true, combed: true })
    expect(await agreedOf(connection.db, before.ids.open)).toEqual(before.agreed)
  })

  it('counts what was practised under a name that went where it went, once a visit, and nothing that is only asked', async () => {
    const view = (await ivo.get(`/apprentices/${before.ids.bea}`)).body as unknown as ApprenticeView
    const attempts = (id: string) => view.techniques.find(({ techniqueId }) => techniqueId === id)?.attempts.length ?? 0
    expect([attempts('poodle-foot'), attempts('ear-lift'), attempts('pads')]).toEqual([1, 1, 1])
    expect(view.techniques.map(({ techniqueId }) => techniqueId)).not.toContain('why-pull')
    expect(view.techniques.map(({ techniqueId }) => techniqueId)).not.toContain('poodle-foot-hands')
  })

  it('gets the tools that there were not, at the end, and not the one that it took out', async () => {
    const ids = (await connection.db.select().from(tables.tools)).map(({ id }) => id)
    expect(new Set(ids)).toEqual(new Set(rack.map(({ id }) => id).filter((id) => id !== 'comb-e')))
    const { tools } = (await lena.get('/rack')).body as unknown as { tools: { id: string }[] }
    expect(tools.findIndex(({ id }) => id === 'pin-brush')).toBeGreaterThan(tools.findIndex(({ id }) => id === 'slicker'))
    // and the rack can be changed again at once
    expect((await lena.send('PUT', '/rack', { tools: tools.filter(({ id }) => id !== 'spray'), what: 'spray out' })).status).toBe(200)
    await loadContent(connection.db)
    expect((await connection.db.select().from(tables.tools)).map(({ id }) => id)).not.toContain('spray')
  })

  it('keeps the sides of the house that it had', async () => {
    const [{ houseRules: sides }] = await connection.db.select().from(tables.school)
    expect(sides['sprout-weeks']).toBe(0)
    // the default moved since; a school that stands keeps what it works by
    expect(sides['tail-to-back']).toBe(0)
    expect(houseRules.find(({ id }) => id === 'tail-to-back')!.chosen).toBe(1)
  })
})
