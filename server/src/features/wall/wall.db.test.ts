import type { FindingView, WallView } from '@peen/contract'
import { stateOf } from '@peen/core/competency'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { smallSchool, type Client, type World } from '../../testing/world'
import { deriveWhereOld, rebuildAll } from '../derived'
import { standingsOf } from '../standings'

const TODAY = '2026-04-14'
let world: World
let lena: Client
let ivo: Client
let seq = 0
async function practise(who: string, onDate: string, techniqueId: string, help: 'alone' | 'handsGuided' = 'alone'): Promise<void> {
  const visit = await world.newVisit(who, onDate)
  const attemptId = v7()
  const event = (kind: string, payload: object) => ({
    ...{ id: v7(), v: 1, kind, visitId: visit, by: ivo.me!.id, deviceId: 'tablet', seq: ++seq, lamport: seq, payload },
    atDevice: `${onDate}T09:00:00.000Z`
  })
  const start = {
    ...{ attemptId, techniqueId, regions: ['skirt'], side: 'both', toolId: null, direction: null },
    ...{ hands: 'apprentice', setting: 'live' }
  }
  const events = [
    event('visitOpened', {}),
    event('attemptStarted', start),
    event('attemptEnded', { attemptId, minutes: 9, help, witness: 'watched' })
  ]
  expect((await ivo.post(`/visits/${visit}/events`, { events })).status).toBe(200)
}
beforeAll(async () => {
  world = await smallSchool('wall')
  ;[lena, ivo] = [await world.client('lena'), await world.client('ivo')]
  for (const day of ['01', '03', '05', '08']) await practise('abe', `2026-04-${day}`, 'skirt-line', day === '03' ? 'handsGuided' : 'alone')
  await practise('abe', '2026-01-10', 'pads')
  await practise('bea', '2026-04-08', 'skirt-line')
})
afterAll(() => world.close())

const wall = async (by = ivo) => (await by.get('/wall')).body as unknown as WallView
const chartsNow = () => world.db.select().from(tables.charts).orderBy(tables.charts.apprenticeId, tables.charts.techniqueId)

describe('the wall', () => {
  it('says of every apprentice and technique what the whole record says', async () => {
    const { rows, techniques, rules, today } = await wall()
    expect(rows.map(({ name }) => name)).toEqual(['abe Test', 'bea Test'])
    let compared = 0
    for (const row of rows) {
      const standings = await standingsOf(world.db, row.id, TODAY)
      for (const cell of row.cells) {
        const { standing } = standings.get(techniques[cell.t].id)!
        const { state, because } = stateOf(cell, { ...cell, today }, rules)
        expect({ state, because, score: cell.score, clean: cell.clean }).toEqual({
          ...{ state: standing.state, because: standing.because, score: standing.score, clean: standing.clean }
        })
        compared++
      }
    }
    expect(compared).toBe(3)
    expect(rows[0].cells.map(({ t }) => techniques[t].id).sort()).toEqual(['pads', 'skirt-line'])
  })

  it('is for staff', async () => {
    expect((await lena.get('/wall')).status).toBe(200)
    expect((await (await world.client('abe')).get('/wall')).status).toBe(403)
  })

  it('keeps charts that are the same when everything is derived anew, also where older code has left them', async () => {
    const before = await chartsNow()
    expect(before).toHaveLength(3)
    await rebuildAll(world.db)
    expect(await chartsNow()).toEqual(before)
    await world.db.delete(tables.charts)
    await deriveWhereOld(world.db)
    expect(await chartsNow()).toEqual([])
    await world.db.update(tables.school).set({ derivedBy: null })
    await deriveWhereOld(world.db)
    expect(await chartsNow()).toEqual(before)
  })

  it('leaves what was derived where deriving anew fails half-way', async () => {
    const attempts = () => world.db.select().from(tables.attempts).orderBy(tables.attempts.visitId, tables.attempts.techniqueId)
    const [before, charts] = [await attempts(), await chartsNow()]
    const last = before.at(-1)!.visitId
    const trim = (standardId: string) => world.db.update(tables.visits).set({ standardId }).where(eq(tables.visits.id, last))
    await trim('gone')
    await expect(rebuildAll(world.db)).rejects.toThrow(/Standard gone/)
    await trim('bearded-pet')
    expect([await attempts(), await chartsNow()]).toEqual([before, charts])
  })

  it('follows the school’s own risks at once', async () => {
    const { rules } = await wall()
    const score = async () => (await wall()).rows[0].cells.find(({ attempts }) => attempts === 4)!.score
    expect(await score()).toBe(2)
    // rates of .2 and .4: an attempt that is not clean costs 2
    expect(
      (await lena.send('PUT', '/school/charts', { ...rules, acceptable: 0.2, unacceptable: 0.4, expectedAttempts: 60, risk: 0.2 })).status
    ).toBe(200)
    expect((await wall()).rules.unacceptable).toBe(0.4)
    expect((await chartsNow()).find(({ attempts }) => attempts === 4)!.clean).toBe(3)
    expect((await lena.send('PUT', '/school/charts', rules)).status).toBe(200)
    expect(await score()).toBe(2)
  })
})

describe('a certificate that runs out', () => {
  it('is renewed by its own rules, from three months before', async () => {
    const { abe } = world.ids
    const issued = v7()
    await lena.post('/findings', { id: issued, apprenticeId: abe, certificateId: 'clipping' })
    const end = (validUntil: string | null) =>
      world.db
        .update(tables.findings)
        .set({ status: 'issued', evidence: [], decidedBy: lena.me!.id, validUntil })
        .where(eq(tables.findings.id, issued))
    const draft = async () => (await lena.post('/findings', { id: v7(), apprenticeId: abe, certificateId: 'clipping' })).body.id as string
    await end('2027-04-14')
    expect(await draft()).toBe(issued)
    await end('2026-06-30')
    const renewal = await draft()
    expect(renewal).not.toBe(issued)
    const view = (await lena.get(`/findings/${renewal}`)).body as unknown as FindingView
    expect(view).toMatchObject({ renews: issued, status: 'drafted', validUntil: '2028-04-14' })
    expect(view.rules.map(({ name }) => name)).toEqual(['A passed trim, graded blind', 'No safety event', 'Fresh'])
    const own = (await (await world.client('abe')).get(`/apprentices/${abe}`)).body as unknown as {
      certificates: { certificateId: string; ranOut: boolean; issued: boolean }[]
    }
    expect(own.certificates.find(({ certificateId }) => certificateId === 'clipping')).toMatchObject({ issued: true, ranOut: false })
    await end('2026-04-13')
    const later = (await lena.get(`/apprentices/${abe}`)).body as unknown as typeof own
    expect(later.certificates.find(({ certificateId }) => certificateId === 'clipping')).toMatchObject({ issued: true, ranOut: true })
    // one that stands counts for what asks for it before; one that has run out does not
    const held = (body: typeof own) =>
      JSON.stringify(
        (body as unknown as { certificates: { certificateId: string }[] }).certificates.find(
          ({ certificateId }) => certificateId === 'sporting'
        )
      )
    expect(held(own)).toContain('"met":"met","evidence":"Clipping"')
    expect(held(later)).toContain('not held: Clipping')
  })
})
