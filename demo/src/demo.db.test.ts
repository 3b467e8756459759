// The demo school, played through the use cases: what it must show, and that everything derived can be derived again.
import type { ApprenticeView, CoatList, CoatPage, FindingView, FloorView } from '@peen/contract'
import { coatModel, dayOf, mending, outcomeOf, WHAT_IFS } from '@peen/core/coat'
import { checkAudit, databaseClock, makeApp, rebuildAll, tables, type Connection } from '@peen/server'
import { asc, eq } from 'drizzle-orm'
import type { AddressInfo } from 'node:net'
import pino from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { refill } from '../../server/src/testing/refill'
import { freshDatabase } from '../../server/src/testing/world'
import { PASSWORD } from './cast'
import { playDemo } from './play'

let connection: Connection
let url: string
let close: () => void
beforeAll(async () => {
  connection = await freshDatabase('demo')
  // npm test has played it already; alone, it is played here
  const played = process.env.PEEN_TEST_DEMO
  if (played) refill({ ...JSON.parse(process.env.PEEN_TEST_DB!), database: 'peen_test_demo' }, played)
  else await playDemo(connection.db)
  const server = makeApp({ db: connection.db, clock: databaseClock(connection.db), log: pino({ level: 'silent' }) }, null).listen(
    0,
    '127.0.0.1'
  )
  await new Promise((resolve) => server.once('listening', resolve))
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
  close = () => void (server.closeAllConnections(), server.close())
})
afterAll(async () => {
  close()
  await connection.close()
})

async function as(username: string) {
  const signedIn = await fetch(`${url}/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ username, password: PASSWORD })
  })
  const cookie = signedIn.headers.get('set-cookie')!.split(';')[0]
  const { csrf } = (await signedIn.json()) as { csrf: string }
  const call = async (method: string, path: string, body?: object) => {
    const answer = await fetch(url + path, {
      method,
      headers: { cookie, 'x-peen-csrf': csrf, 'content-type': 'application/json' },
      body: body && JSON.stringify(body)
    })
    return (await answer.json()) as Record<string, unknown>
  }
  return { get: (path: string) => call('GET', path), post: (path: string, body: object = {}) => call('POST', path, body) }
}

const people = async () => new Map((await connection.db.select().from(tables.people)).map((person) => [person.username, person.id]))

describe('the demo school', () => {
  it('shows a room with seven dogs at work, one planned, and three looks, the waiting one first', async () => {
    const floor = (await (await as('ottilie')).get('/floor')) as unknown as FloorView
    expect(floor.tables.length).toBe(8)
    expect(floor.tables.filter((table) => table.visitId).length).toBe(8)
    expect(floor.looks.length).toBe(3)
    expect(floor.looks[0].hold ?? floor.looks[0].danger).toBeTruthy()
  })

  it('tells its stories: ready for a certificate, plateau, lapsed, held', async () => {
    const [ids, lead] = [await people(), await as('ottilie')]
    const states = async (key: string) => {
      const view = (await lead.get(`/apprentices/${ids.get(key)}`)) as unknown as ApprenticeView
      return { all: view.techniques.map((technique) => technique.standing.state), view }
    }
    const tove = await states('tove')
    expect(tove.view.certificates[0].rules.map((rule) => [rule.name, rule.met, rule.evidence])).toEqual(
      tove.view.certificates[0].rules.map((rule) => [rule.name, 'met', rule.evidence])
    )
    expect((await states('sami')).all.every((state) => state === 'lapsed' || state === 'new')).toBe(true)
    expect((await states('marek')).all).toContain('held')
    expect((await states('pia')).all).toContain('slipping')
    expect((await states('jun')).all.filter((state) => state === 'competent').length).toBeLessThan(3)
  })

  it('derives everything again, the same, after every derived table was emptied', async () => {
    const { db } = connection
    const snapshot = async () => ({
      attempts: await db
        .select()
        .from(tables.attempts)
        .orderBy(asc(tables.attempts.visitId), asc(tables.attempts.techniqueId), asc(tables.attempts.setting)),
      charts: await db.select().from(tables.charts).orderBy(asc(tables.charts.apprenticeId), asc(tables.charts.techniqueId)),
      coats: await db.select().from(tables.coatFromVisits).orderBy(asc(tables.coatFromVisits.visitId))
    })
    const before = await snapshot()
    expect(before.attempts.length).toBeGreaterThan(2000)
    expect(before.charts.length).toBeGreaterThan(150)
    await rebuildAll(db)
    expect(await snapshot()).toEqual(before)
  })

  it('has a stripped terrier out of step, one rolled in time, one clipped along an unstripped border', async () => {
    const { heads } = (await (await as('ottilie')).get('/coats')) as unknown as CoatList
    const of = (name: string) => heads.find(({ dog }) => dog.name === name)!
    expect(of('Sedge')).toMatchObject({ isStripped: true, lag: { days: 11 } })
    expect(of('Sedge').warnings.every(({ kind }) => kind === 'outOfStep')).toBe(true)
    expect(of('Sorrel')).toMatchObject({ isStripped: true, lag: null, warnings: [] })
    expect(of('Larch').warnings.map(({ kind }) => kind)).toContain('borderUnstripped')
    expect(of('Flint').warnings.map(({ kind }) => kind)).toContain('hole')
    expect(of('Teasel').isStripped).toBe(false)
  })

  it('mends the terrier by half instead of a light roll, before its show', async () => {
    const lead = await as('ottilie')
    const { heads } = (await lead.get('/coats')) as unknown as CoatList
    const sedge = heads.find(({ dog }) => dog.name === 'Sedge')!.dog
    const page = (await lead.get(`/coats/${sedge.id}`)) as unknown as CoatPage
    const entries = page.lines.filter(({ struck }) => struck === null)
    const { rules, sproutDays, isWire, today, aim } = page
    const model = coatModel({ entries, dog: { bornOn: sedge.bornOn, today }, isWire, sproutDays, rules })
    const rhythm = { nextDay: dayOf(aim.nextOn!), aimDay: dayOf(aim.aimOn!), everyDays: aim.everyDays }
    const outcomes = WHAT_IFS.map((id) => outcomeOf(model, rhythm, id))
    expect(model.growth.n).toBeGreaterThan(1)
    expect(outcomes.find(({ id }) => id === 'asPlanned')!.worst!.lag.days).toBe(11)
    expect(mending(outcomes, page.standard.plan.lengthsMm.back!)).toMatchObject({ id: 'halfNext', inStepFrom: rhythm.nextDay, worst: null })
  })

  it('certifies with two signatures, never alone, never one’s own', async () => {
    const ids = await people()
    const [finding] = await connection.db
      .select()
      .from(tables.findings)
      .where(eq(tables.findings.apprenticeId, ids.get('tove')!))
    const path = `/findings/${finding.id}`
    const [ottilie, ruben, mira, tove] = [await as('ottilie'), await as('ruben'), await as('mira'), await as('tove')]
    expect(await tove.post(`${path}/sign`)).toMatchObject({ status: 403 })
    expect(await ruben.post(`${path}/sign`)).toEqual({ status: 'drafted' })
    expect(await ruben.post(`${path}/sign`)).toMatchObject({ status: 403, detail: expect.stringContaining('has already signed') })
    expect(await mira.post(`${path}/sign`)).toMatchObject({ status: 403, detail: expect.stringContaining('must be a lead assessor') })
    expect(await ottilie.post(`${path}/sign`)).toEqual({ status: 'issued' })
    const view = (await tove.get(path)) as unknown as FindingView
    expect(view).toMatchObject({ status: 'issued', signatures: [{ name: 'Ruben Castell' }, { name: 'Ottilie Marsh' }] })
    expect(view.auditHash).toMatch(/^[0-9a-f]{64}$/)
    expect(await checkAudit(connection.db)).toMatchObject({ whole: true, brokenAt: null })
  })

  it('does not sign what is not ready, and notices a changed chain', async () => {
    const ids = await people()
    const [finding] = await connection.db
      .select()
      .from(tables.findings)
      .where(eq(tables.findings.apprenticeId, ids.get('bram')!))
    const ottilie = await as('ottilie')
    expect(await ottilie.post(`/findings/${finding.id}/sign`)).toMatchObject({
      status: 403,
      detail: expect.stringContaining('not every rule is met')
    })
    expect(await ottilie.post(`/findings/${finding.id}/decline`, { reason: 'Once more in May.' })).toEqual({})
    await connection.db.update(tables.auditLog).set({ bytes: '{"seq":2,"previous":"x"}' }).where(eq(tables.auditLog.seq, 2))
    expect(await checkAudit(connection.db)).toMatchObject({ whole: false, brokenAt: 2 })
  })
})
