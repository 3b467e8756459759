import type { FindingRow, FindingView, GradingView, TrailView, TrimRow } from '@peen/contract'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { passedTrims } from '../standings/trims'
import { fullSheet } from '../../testing/sheet'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let ina: Client
let lena: Client
let lars: Client
let abe: Client
let bea: Client
beforeAll(async () => {
  world = await smallSchool('corrections')
  ;[ivo, ina, lena, lars, abe, bea] = await Promise.all(['ivo', 'ina', 'lena', 'lars', 'abe', 'bea'].map((name) => world.client(name)))
})
afterAll(() => world.close())

const REASON = 'The gauge stood on the wrong side.'
async function signed(by: Client, visit: string, level = 4): Promise<string> {
  const { id } = (await by.post(`/visits/${visit}/gradings`, { id: v7() })).body as unknown as { id: string }
  await by.send('PUT', `/gradings/${id}`, { version: 1, answers: fullSheet(level), critical: [], globalRating: 'pass' })
  expect((await by.post(`/gradings/${id}/sign`, { version: 2 })).status).toBe(200)
  return id
}
/** A trim of abe's, marked by one assessor. */
async function marked(by: Client, level = 4): Promise<{ visit: string; id: string }> {
  const visit = await world.newTrim('abe')
  return { visit, id: await signed(by, visit, level) }
}
const seen = async (by: Client, id: string): Promise<GradingView> => {
  await by.post(`/gradings/${id}/read`)
  return (await by.get(`/gradings/${id}`)).body as unknown as GradingView
}
const passes = async (visit: string) => (await passedTrims(world.db, [world.ids.abe])).some(({ visitId }) => visitId === visit)
const whole = async () => ((await lena.post('/audit')).body as unknown as TrailView).checks[0]

describe('setting a mark aside', () => {
  it('is for a lead who did not sign it, with a reason, once', async () => {
    const { id } = await marked(lena)
    expect((await ivo.post(`/gradings/${id}/set-aside`, { reason: REASON })).status).toBe(403)
    expect((await abe.post(`/gradings/${id}/set-aside`, { reason: REASON })).status).toBe(403)
    expect((await lena.post(`/gradings/${id}/set-aside`, { reason: REASON })).body.detail).toBe(
      'You signed this mark, so another lead assessor must decide about it.'
    )
    expect((await lars.post(`/gradings/${id}/set-aside`, { reason: '    ' })).body.detail).toBe(
      'Say why this mark is set aside, in a few words.'
    )
    expect((await lars.post(`/gradings/${id}/set-aside`, { reason: REASON })).body).toEqual({ status: 'setAside' })
    expect((await lars.post(`/gradings/${id}/set-aside`, { reason: REASON })).body).toMatchObject({
      code: 'notSigned',
      detail: 'This mark has already been set aside.'
    })
    const draft = (await ivo.post(`/visits/${await world.newTrim('abe')}/gradings`, { id: v7() })).body.id as string
    expect((await lars.post(`/gradings/${draft}/set-aside`, { reason: REASON })).body.code).toBe('notSigned')
  })

  it('not under a second account of who signed it', async () => {
    const { id } = await marked(ivo)
    await world.db.transaction(async (tx) => {
      const { recordAccount } = await import('../accounts')
      await recordAccount(tx, {
        kind: 'same',
        personId: world.ids.ivo,
        otherId: world.ids.lars,
        by: world.ids.lena,
        at: new Date('2026-04-14T09:00:00Z')
      })
    })
    expect((await lars.post(`/gradings/${id}/set-aside`, { reason: REASON })).body.detail).toMatch(/another lead assessor/)
    await world.db.transaction(async (tx) => {
      const { recordAccount } = await import('../accounts')
      await recordAccount(tx, {
        kind: 'apart',
        personId: world.ids.ivo,
        otherId: world.ids.lars,
        by: world.ids.lena,
        at: new Date('2026-04-14T09:01:00Z')
      })
    })
  })

  it('leaves it readable as it was, counts it nowhere, and lets someone else mark', async () => {
    const { visit, id } = await marked(ivo)
    const before = await seen(lena, id)
    expect(await passes(visit)).toBe(true)
    await lena.post(`/gradings/${id}/set-aside`, { reason: REASON })
    expect(await passes(visit)).toBe(false)
    const after = await seen(lena, id)
    expect(after).toMatchObject({ status: 'setAside', setAside: { by: 'lena Test', reason: REASON }, may: { setAside: false } })
    expect(after.result).toEqual(before.result)
    expect((await ivo.send('PUT', `/gradings/${id}`, { version: 3, answers: {}, critical: [], globalRating: 'pass' })).body.code).toBe(
      'signed'
    )
    expect((await ivo.post(`/gradings/${id}/sign`, { version: 3 })).body.code).toBe('signed')
    expect((await ivo.post(`/visits/${visit}/gradings`, { id: v7() })).body.detail).toBe(
      'Your mark of this trim was set aside. Someone else must mark it again.'
    )
    await signed(ina, visit)
    expect(await passes(visit)).toBe(true)
    const record = await abe.get(`/apprentices/${world.ids.abe}/record`)
    expect(record.status).toBe(200)
    expect(await whole()).toMatchObject({ whole: true, changed: [] })
  })

  it('makes the apprentice of a visit correctable after it was signed', async () => {
    const { visit, id } = await marked(ivo)
    const give = () => lena.send('PUT', `/visits/${visit}/correct`, { apprenticeId: world.ids.bea })
    expect((await give()).body.detail).toMatch(/Have a lead assessor set it aside first; then correct the visit/)
    await lena.post(`/gradings/${id}/set-aside`, { reason: 'It was Bea’s trim.' })
    expect((await give()).status).toBe(200)
    expect(await passes(visit)).toBe(false)
    expect(await whole()).toMatchObject({ whole: true, changed: [] })
  })

  it('of one of two appointed lets both go, and neither a settled outcome nor the other mark is lost', async () => {
    const { visit, id } = await marked(ivo)
    expect((await lena.send('PUT', `/assessments/${visit}`, { first: world.ids.ivo, second: world.ids.ina })).status).toBe(200)
    const second = await signed(ina, visit)
    await lena.post(`/gradings/${id}/set-aside`, { reason: REASON })
    expect((await lena.get(`/assessments/${visit}`)).status).toBe(404)
    // who set it aside has seen it: the sheet is there without asking
    expect((await lena.get(`/gradings/${id}`)).body).toMatchObject({ status: 'setAside' })
    expect(await seen(lena, second)).toMatchObject({ status: 'signed' })
    const again = await lena.send('PUT', `/assessments/${visit}`, { first: world.ids.ina, second: world.ids.ivo })
    expect(again.body.detail).toMatch(/The mark of ivo Test was set aside; choose someone else\./)
    expect((await lena.send('PUT', `/assessments/${visit}`, { first: world.ids.ina, second: world.ids.lars })).status).toBe(200)
  })
})

describe('an appeal', () => {
  it('is for the apprentice, of their own trim, in words, once and in time', async () => {
    const { id } = await marked(ivo)
    const text = 'The left was read as the right.'
    expect((await bea.post(`/gradings/${id}/appeal`, { text })).status).toBe(403)
    expect((await lena.post(`/gradings/${id}/appeal`, { text })).status).toBe(403)
    expect((await abe.post(`/gradings/${id}/appeal`, { text: 'no' })).body.detail).toBe(
      'Say what you think is wrong with this mark, in a few words.'
    )
    expect((await abe.post(`/gradings/${id}/appeal`, { text })).status).toBe(200)
    expect((await abe.post(`/gradings/${id}/appeal`, { text })).body).toMatchObject({
      code: 'appealed',
      detail: 'You have already appealed this mark.'
    })
    const late = await marked(ivo)
    world.clock.set(new Date('2026-05-20T09:42:00Z'))
    expect((await abe.post(`/gradings/${late.id}/appeal`, { text })).body.code).toBe('appealTooLate')
    world.clock.set(new Date('2026-04-14T09:42:00Z'))
  })

  it('is decided once someone else has marked blind, by a lead who gave neither mark; both marks stay', async () => {
    const { visit, id } = await marked(ivo, 1)
    await abe.post(`/gradings/${id}/appeal`, { text: 'The belly was not that bad.' })
    const decide = (by: Client, body: object = { counts: 'second', reason: 'The second reading is right.' }) =>
      by.post(`/gradings/${id}/appeal/decide`, body)
    expect((await decide(lena)).body).toMatchObject({ code: 'notMarkedAgain' })
    // who reads the first mark cannot mark blind any more: that mark decides nothing
    await lars.post(`/gradings/${id}/read`)
    await signed(lars, visit)
    expect((await decide(lena)).body.code).toBe('notMarkedAgain')
    // an appeal keeps the trim open to a blind mark, however long it takes
    world.clock.set(new Date('2026-05-20T09:42:00Z'))
    const rows = (await ina.get('/trims')).body as unknown as TrimRow[]
    expect(rows.find((row) => row.gradingId === id)).toMatchObject({ appealed: true, mark: null })
    const second = await signed(ina, visit)
    world.clock.set(new Date('2026-04-14T09:42:00Z'))
    expect(await seen(ina, second)).toMatchObject({ blind: true })
    expect((await decide(ivo)).status).toBe(403)
    expect((await decide(lena, { counts: 'both', reason: 'A bit of each.' })).status).toBe(422)
    expect(await seen(lena, id)).toMatchObject({
      may: { decide: true, setAside: false },
      appeal: { decided: null, second: { gradingId: second } }
    })
    expect((await decide(lena)).body).toEqual({ status: 'second' })
    expect((await decide(lena)).body.code).toBe('decided')
    expect(await seen(lena, id)).toMatchObject({
      status: 'setAside',
      appeal: { decided: { counts: 'second', by: 'lena Test', reason: 'The second reading is right.' } }
    })
    expect(await seen(lena, second)).toMatchObject({ status: 'signed' })
    expect(await whole()).toMatchObject({ whole: true, changed: [] })
  })
})

describe('a certificate behind which a mark was set aside', () => {
  it('asks for a decision: kept with a reason, or revoked', async () => {
    const { id: gradingId } = await marked(ivo)
    const findingId = v7()
    await world.db.insert(tables.findings).values({
      ...{
        id: findingId,
        number: '26-900',
        apprenticeId: world.ids.abe,
        certificateId: 'bearded-pet',
        certificateVersion: 1,
        rules: []
      },
      ...{
        status: 'issued' as const,
        draftedBy: world.ids.ivo,
        draftedAt: new Date('2026-04-14T08:00:00Z'),
        decidedBy: world.ids.lena,
        evidence: []
      },
      decidingGradingId: gradingId
    })
    for (const by of ['ivo', 'lena'])
      await world.db
        .insert(tables.signatures)
        .values({ findingId, personId: world.ids[by], note: 'marked', signedAt: new Date('2026-04-14T09:00:00Z') })
    const asked = async () =>
      ((await lena.get(`/findings/${findingId}`)).body as unknown as FindingView).undecided.filter((one) => one.gradingId === gradingId)
    expect(await asked()).toEqual([])
    await lena.post(`/gradings/${gradingId}/set-aside`, { reason: REASON })
    expect(await asked()).toMatchObject([{ reason: REASON, onDate: '2026-04-14' }])
    const row = ((await lena.get('/findings')).body as unknown as FindingRow[]).find((one) => one.findingId === findingId)!
    expect(row).toMatchObject({ status: 'issued', undecided: true })
    const keep = (by: Client, body: object) => by.post(`/findings/${findingId}/keep`, body)
    expect((await keep(ivo, { gradingId, reason: 'Two other trims carry it.' })).status).toBe(403)
    expect((await keep(lena, { gradingId, reason: '' })).status).toBe(422)
    expect((await keep(lena, { gradingId: v7(), reason: 'Two other trims carry it.' })).status).toBe(404)
    expect((await keep(lena, { gradingId, reason: 'Two other trims carry it.' })).status).toBe(200)
    expect((await keep(lena, { gradingId, reason: 'Two other trims carry it.' })).status).toBe(404)
    expect(await asked()).toEqual([])
    const [aside] = await world.db.select().from(tables.setAsides).where(eq(tables.setAsides.gradingId, gradingId))
    expect(aside.reason).toBe(REASON)
    expect(await whole()).toMatchObject({ whole: true, changed: [] })
    await world.db.update(tables.setAsides).set({ by: world.ids.ivo }).where(eq(tables.setAsides.gradingId, gradingId))
    expect((await whole()).changed.map(({ name }) => name)).toEqual([`setAside:${gradingId}`])
  })
})
