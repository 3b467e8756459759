import type { PortfolioChoices, PortfolioMade, PortfolioRow, PortfolioView, Problem } from '@peen/contract'
import { eq } from 'drizzle-orm'
import sharp from 'sharp'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { fullSheet } from '../../testing/sheet'
import { patientFetch, smallSchool, type Client, type World } from '../../testing/world'

let world: World
let abe: Client
let bea: Client
let ivo: Client
let outsider: Client
const OLD = '2026-03-10'
let old: { visit: string; id: string; picture: string }
let fresh: { visit: string; id: string }

async function marked(apprentice: string, onDate: string): Promise<{ visit: string; id: string }> {
  const visit = await world.newTrim(apprentice, onDate)
  const { id } = (await ivo.post(`/visits/${visit}/gradings`, { id: v7() })).body as unknown as { id: string }
  await ivo.send('PUT', `/gradings/${id}`, { version: 1, answers: fullSheet(4), critical: [], globalRating: 'pass' })
  expect((await ivo.post(`/gradings/${id}/sign`, { version: 2 })).status).toBe(200)
  return { visit, id }
}
async function photograph(visitId: string): Promise<string> {
  const bytes = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#8a7' } })
    .jpeg()
    .toBuffer()
  const id = v7()
  const row = {
    id,
    visitId,
    moment: 'after' as const,
    stance: 'left' as const,
    by: world.ids.ivo,
    at: new Date(),
    widthPx: 300,
    heightPx: 200
  }
  await world.db.insert(tables.pictures).values({ ...row, bytes })
  return id
}

beforeAll(async () => {
  world = await smallSchool('portfolios')
  ;[abe, bea, ivo] = await Promise.all(['abe', 'bea', 'ivo'].map((name) => world.client(name)))
  outsider = await world.client()
  const trim = await marked('abe', OLD)
  old = { ...trim, picture: await photograph(trim.visit) }
  fresh = await marked('abe', '2026-04-13')
})
afterAll(() => world.close())

const body = (more: object = {}) => ({
  ...{ id: v7(), title: 'Combe Kennels', endsOn: '2026-05-14', certificates: [], charts: ['body-clip'] },
  ...{ trims: [{ gradingId: old.id, pictures: [old.picture] }] },
  ...more
})
async function made(more: object = {}): Promise<{ id: string; secret: string; path: string }> {
  const answer = await abe.post('/portfolios', body(more))
  expect(answer.status, JSON.stringify(answer.body)).toBe(200)
  const { path } = answer.body as unknown as PortfolioMade
  const [, , id, secret] = path.split('/')
  return { id: id!, secret: secret!, path }
}
const opened = async (link: { id: string; secret: string }, reader = 'Combe Kennels') =>
  (await outsider.post('/portfolio', { id: link.id, secret: link.secret, reader })).body as unknown as PortfolioView & Problem
const rowOf = async (id: string) => ((await abe.get('/portfolios')).body as unknown as PortfolioRow[]).find((row) => row.id === id)!
const pictureAt = (open: string, id: string) => patientFetch(`${world.url}/api/portfolio/${open}/pictures/${id}`, {})

describe('a portfolio', () => {
  it('offers what is the apprentice’s own and no longer blind to anyone', async () => {
    const choices = (await abe.get('/portfolios/choices')).body as unknown as PortfolioChoices
    expect(choices.trims.map(({ gradingId }) => gradingId)).toEqual([old.id])
    expect(choices.trims[0]!.pictures).toEqual([{ id: old.picture, moment: 'after', stance: 'left' }])
    expect(choices.notYet).toBe(1)
    expect(choices.charts.length).toBeGreaterThan(2)
    expect(((await bea.get('/portfolios/choices')).body as unknown as PortfolioChoices).trims).toEqual([])
    expect((await ivo.get('/portfolios/choices')).status).toBe(403)
  })

  it('is opened by its link under a name, which its owner reads with the time', async () => {
    const link = await made()
    expect((await rowOf(link.id)).opened).toEqual([])
    const view = await opened(link)
    expect(view).toMatchObject({ holder: 'abe Test', school: 'Test school', title: 'Combe Kennels', endsOn: '2026-05-14' })
    expect(view.trims).toHaveLength(1)
    expect(view.trims[0]).toMatchObject({ dog: null, assessor: 'ivo Test', onDate: OLD })
    expect(view.trims[0]!.mark).toBeGreaterThanOrEqual(view.trims[0]!.low)
    expect(view.charts.map(({ standing }) => standing.attempts)).toEqual([2])
    expect(JSON.stringify(view)).not.toContain('Flint')
    const picture = await pictureAt(view.open, old.picture)
    expect([picture.status, picture.headers.get('content-type')]).toEqual([200, 'image/jpeg'])
    expect((await rowOf(link.id)).opened).toMatchObject([{ reader: 'Combe Kennels' }])
  })

  it('names a dog only where its owner allows it', async () => {
    const link = await made()
    const { dogs: d } = tables
    await world.db
      .update(d)
      .set({ profile: { ...NO_MORE, nameOutside: true } })
      .where(eq(d.id, world.ids.flint))
    expect((await opened(link)).trims[0]!.dog).toBe('Flint')
    await world.db.update(d).set({ profile: null }).where(eq(d.id, world.ids.flint))
    expect((await opened(link)).trims[0]!.dog).toBeNull()
  })

  it('is taken back at once, its pictures with it; another’s is no one’s business', async () => {
    const link = await made()
    const view = await opened(link)
    expect((await bea.post(`/portfolios/${link.id}/take-back`)).status).toBe(404)
    expect((await bea.get(`/portfolios/${link.id}/file`)).status).toBe(404)
    expect((await abe.post(`/portfolios/${link.id}/take-back`)).status).toBe(200)
    expect(await opened(link)).toMatchObject({ code: 'linkEnded', detail: 'This link was taken back by its owner.' })
    expect((await pictureAt(view.open, old.picture)).status).toBe(404)
    expect(await rowOf(link.id)).toMatchObject({ state: 'takenBack' })
  })

  it('ends on its day, and its pictures some hours after it was opened', async () => {
    const link = await made({ endsOn: '2026-04-14' })
    const view = await opened(link)
    expect(view.open).toBeTruthy()
    world.clock.set(new Date('2026-04-14T21:30:00.000Z'))
    expect((await pictureAt(view.open, old.picture)).status).toBe(404)
    world.clock.set(new Date('2026-04-15T10:00:00.000Z'))
    expect(await opened(link)).toMatchObject({ code: 'linkEnded', detail: 'This link has ended. Ask its owner for a new one.' })
    expect(await rowOf(link.id)).toMatchObject({ state: 'ended' })
    world.clock.set(new Date('2026-04-14T10:00:00.000Z'))
  })

  it('shows a mark no more once it is appealed or set aside', async () => {
    const link = await made()
    await world.db.update(tables.gradings).set({ status: 'setAside' }).where(eq(tables.gradings.id, old.id))
    const view = await opened(link)
    expect(view.trims).toEqual([])
    expect((await pictureAt(view.open, old.picture)).status).toBe(404)
    await world.db.update(tables.gradings).set({ status: 'signed' }).where(eq(tables.gradings.id, old.id))
    await world.db.insert(tables.appeals).values({ gradingId: old.id, by: world.ids.abe, at: new Date(), text: 'The gauge was wrong.' })
    expect((await opened(link)).trims).toEqual([])
    await world.db.delete(tables.appeals).where(eq(tables.appeals.gradingId, old.id))
  })

  it('goes out as a file too', async () => {
    const link = await made()
    const answer = await patientFetch(`${world.url}/api/portfolios/${link.id}/file`, { headers: abe.headers })
    expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf'])
    const bytes = new Uint8Array(await answer.arrayBuffer())
    const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs')
    const document = await getDocument({ data: bytes }).promise
    const text = (await (await document.getPage(1)).getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ')
    expect(text).toContain('abe Test')
    expect(text).toMatch(/Marked \d+ of 100/)
    expect(text).not.toContain('Flint')
  })
})

describe('what a portfolio refuses', () => {
  it.each<[string, () => object, string]>([
    ['a day past', () => ({ endsOn: '2026-04-13' }), 'Last day is 2026-04-13; it must be between today and 183 days from now.'],
    ['a day years ahead', () => ({ endsOn: '2031-04-13' }), 'Last day is 2031-04-13; it must be between today and 183 days from now.'],
    ['no name of a reader', () => ({ title: '' }), 'For whom is missing.'],
    ['nothing chosen', () => ({ trims: [], charts: [] }), 'Choose at least one certificate, trim or chart.'],
    ['another’s certificate', () => ({ certificates: [v7()] }), 'One of these certificates is not yours, or it was revoked. Choose again.'],
    [
      'a trim that is still blind',
      () => ({ trims: [{ gradingId: fresh.id, pictures: [] }] }),
      'One of these trims cannot be shown: it is not yours, or its mark is still blind. Choose again.'
    ],
    [
      'a picture of another trim',
      () => ({ trims: [{ gradingId: old.id, pictures: [v7()] }] }),
      'One of these trims cannot be shown: it is not yours, or its mark is still blind. Choose again.'
    ],
    ['a chart of nothing', () => ({ charts: ['moon'] }), 'One of these charts has no attempts of yours. Choose again.']
  ])('%s', async (_, more, detail) => {
    const answer = await abe.post('/portfolios', body(more()))
    expect([answer.status, answer.body.detail]).toEqual([422, detail])
  })

  it('a guessed secret, whatever the portfolio, and too many of them', async () => {
    const link = await made()
    const wrong = await opened({ id: link.id, secret: 'guessed' })
    expect(wrong).toMatchObject({ detail: 'A portfolio under this link does not exist.' })
    expect((await opened({ id: v7(), secret: 'guessed' })).detail).toBe(wrong.detail)
    expect((await opened({ id: 'x', secret: 'guessed' })).detail).toBe(wrong.detail)
    expect((await opened(link, '')).detail).toBe('Your name or company is missing.')
    expect((await opened(link, ' Combe')).detail).toBe('Your name or company begins or ends with a space; leave it out.')
    for (let i = 0; i < 18; i++) await opened({ id: link.id, secret: `guess ${i}` })
    expect((await opened(link)).code).toBe('tooManyTries')
    expect((await rowOf(link.id)).opened).toEqual([])
  })
})

const NO_MORE = {
  ...{ breed: '', coatType: null, bornOn: null, weightKg: null, nose: null, skin: null, own: {}, flatFootMm: 0, earHistory: '' }
}
