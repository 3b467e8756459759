import type { MeasurePage, PictureView, VisitPage } from '@peen/contract'
import { eq } from 'drizzle-orm'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import sharp from 'sharp'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { BOARD, MARKS } from '../../testing/marks'
import { fullSheet } from '../../testing/sheet'
import { stopFinder } from '../../finder'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let ina: Client
let abe: Client
let camera: Server
const asked: Record<string, unknown>[] = []
beforeAll(async () => {
  world = await smallSchool('measures')
  ;[ivo, ina, abe] = [await world.client('ivo'), await world.client('ina'), await world.client('abe')]
  // a camera that only remembers what it was asked: what it would show is no matter here
  const picture = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#789' } })
    .jpeg()
    .toBuffer()
  camera = createServer((request, response) => {
    let text = ''
    request.on('data', (part) => (text += part))
    request.on('end', () => {
      asked.push(JSON.parse(text))
      response.writeHead(200, { 'content-type': 'image/jpeg' }).end(picture)
    })
  })
  await new Promise<void>((resolve) => camera.listen(0, '127.0.0.1', resolve))
})
afterAll(async () => {
  delete process.env.PEEN_CAMERA_URL
  camera.close()
  stopFinder()
  await world.close()
})

const connect = () => (process.env.PEEN_CAMERA_URL = `http://127.0.0.1:${(camera.address() as AddressInfo).port}`)
const openGrading = async (who: Client, visit: string) => (await who.post(`/visits/${visit}/gradings`, { id: v7() })).body.id as string
const read = async (who: Client, grading: string) => (await who.get(`/gradings/${grading}/measures`)).body as unknown as MeasurePage
const take = async (who: Client, visit: string, stance: string, moment = 'after') => who.post(`/visits/${visit}/camera/${moment}/${stance}`)
const REGIONS = [{ region: 'back', byMm: 1, overSkinMm: 5, uMm: 2, n: 40 }]
const put = (who: Client, picture: string, version: number, marks: unknown = MARKS, more: object = {}) =>
  who.send('PUT', `/pictures/${picture}/marks`, { version, seen: 'left', marks, regions: REGIONS, ...more })

describe('the table camera', () => {
  it('is asked for what stands there, and its picture is kept like any other', async () => {
    const visit = await world.newTrim('abe')
    expect(await take(ivo, visit, 'left')).toMatchObject({ status: 409, body: { code: 'noCamera' } })
    connect()
    const { body } = await take(ivo, visit, 'left')
    expect(body).toMatchObject({ moment: 'after', stance: 'left', widthPx: 64, heightPx: 48 })
    expect(asked.at(-1)).toMatchObject({ name: 'Flint', seen: 'left', moment: 'after' })
    expect(await take(ivo, visit, 'above')).toMatchObject({ status: 200, body: { stance: 'above' } })
    expect(asked.at(-1)).toMatchObject({ seen: 'above' })
    expect(await take(ivo, visit, 'below')).toMatchObject({ status: 422 })
    expect((await take(abe, visit, 'left')).status).toBe(403)
  })
  it('that is silent is said to be, and nothing is changed', async () => {
    const visit = await world.newTrim('abe')
    process.env.PEEN_CAMERA_URL = 'http://127.0.0.1:1'
    expect(await take(ivo, visit, 'head')).toMatchObject({ status: 409, body: { code: 'cameraSilent' } })
    connect()
  })
})

describe('the shape that is expected in a picture', () => {
  const box = (by: number) => Array.from({ length: 8 }, (_, i) => [20 + by + 12 * Math.cos(i), 20 + by + 12 * Math.sin(i)])
  it('is looked for by staff alone, within the picture, and said to be missing where nothing stands out', { timeout: 120000 }, async () => {
    const visit = await world.newTrim('abe')
    const picture = ((await take(ivo, visit, 'left')).body as unknown as PictureView).id
    const ask = (who: Client, ring: unknown, id = picture) => who.post(`/pictures/${id}/outline`, { ring })
    expect(await ask(abe, box(0))).toMatchObject({ status: 403 })
    expect(await ask(ivo, box(0), v7())).toMatchObject({ status: 404 })
    expect(await ask(ivo, box(5000))).toMatchObject({ status: 409, body: { code: 'noShape' } })
    expect(await ask(ivo, box(0).slice(3))).toMatchObject({ status: 422 })
    expect(JSON.stringify((await ask(ivo, box(0).slice(3))).body)).toContain('The shape has 5 corners; it must have 8 to 600.')
    const kept = { ...MARKS, corrections: { ...MARKS.corrections, shape: { touches: [[1, 2], [3, 4]], ring: box(0) } } } // prettier-ignore
    expect((await put(ivo, picture, 0, kept)).status).toBe(200)
  })
})

describe('marks on a picture', () => {
  it('are kept by version, each assessor’s own, and unseen by the other', async () => {
    const visit = await world.newTrim('abe')
    const [mine, theirs] = [await openGrading(ivo, visit), await openGrading(ina, visit)]
    const picture = ((await take(ivo, visit, 'left')).body as unknown as PictureView).id
    expect(await put(ivo, picture, 0)).toMatchObject({ status: 200, body: { version: 1 } })
    expect(await put(ivo, picture, 0)).toMatchObject({ status: 409, body: { code: 'marksConflict' } })
    expect((await put(ivo, picture, 1)).body.version).toBe(2)
    expect((await read(ivo, mine)).marks).toEqual([{ pictureId: picture, seen: 'left', version: 2, marks: MARKS, regions: REGIONS }])
    expect((await read(ina, theirs)).marks).toEqual([{ pictureId: picture, seen: 'left', version: 0, marks: null, regions: [] }])
    expect((await ina.get(`/gradings/${mine}/measures`)).status).toBe(403)
    expect((await put(abe, picture, 0)).status).toBe(403)
  })

  it('of a picture from before the trim stand apart, beside the day on which the dog came last', async () => {
    await world.newTrim('abe', '2026-03-03')
    const visit = await world.newTrim('abe', '2026-04-14')
    const grading = await openGrading(ivo, visit)
    const picture = ((await take(ivo, visit, 'left', 'before')).body as unknown as PictureView).id
    expect(asked.at(-1)).toMatchObject({ moment: 'before' })
    expect(await put(ivo, picture, 0)).toMatchObject({ status: 200 })
    const { marks, before, lastVisit } = await read(ivo, grading)
    expect(marks).toEqual([])
    expect(before).toEqual([{ pictureId: picture, seen: 'left', version: 1, marks: MARKS, regions: REGIONS }])
    expect(lastVisit).toMatchObject({ onDate: '2026-03-03', days: 42, sameTrim: true })
    const page = (await ivo.get(`/visits/${visit}`)).body as unknown as VisitPage
    expect(page.hasCamera).toBe(true)
  })

  it('keep the measuring board that was found, and are as good without one', async () => {
    const visit = await world.newTrim('abe')
    const grading = await openGrading(ivo, visit)
    const picture = ((await take(ivo, visit, 'left')).body as unknown as PictureView).id
    const marks = { ...MARKS, scale: { ...MARKS.scale!, what: 'board', board: BOARD } }
    expect((await put(ivo, picture, 0, marks)).status).toBe(200)
    expect((await read(ivo, grading)).marks).toMatchObject([{ version: 1, marks }])
    expect((await put(ivo, picture, 1, { ...MARKS, scale: { ...MARKS.scale!, board: null } })).status).toBe(200)
  })

  it.each<[string, unknown, object, RegExp]>([
    ['a place nobody knows', { ...MARKS, places: { moon: { at: [1, 1], uPx: 1, touched: true } } }, {}, /A place .*moon.* is not known/],
    ['a line nobody knows', { ...MARKS, lines: { orbit: [[1, 1]] } }, {}, /A line .*orbit.* is not known/],
    ['a length of nothing', { ...MARKS, scale: { ...MARKS.scale, lengthMm: 0 } }, {}, /Length of the scale is 0; it must be 1 to 3000 mm/],
    [
      'a camera at the nose',
      { ...MARKS, scale: { ...MARKS.scale, cameraMm: 10 } },
      {},
      /Distance of the camera is 10; it must be 300 to 20000 mm/
    ],
    [
      'a board of one marker',
      { ...MARKS, scale: { ...MARKS.scale, what: 'board', board: { ...BOARD, markers: BOARD.markers.slice(1) } } },
      {},
      /Markers of the board: 1; it must be 2 to 6/
    ],
    [
      'a board printed as a poster',
      { ...MARKS, scale: { ...MARKS.scale, what: 'board', board: { ...BOARD, lineMm: 900 } } },
      {},
      /The line printed on the board is 900; it must be 20 to 300 mm/
    ],
    ['another side than it was taken from', MARKS, { seen: 'right' }, /Seen is right; this picture was taken as left/]
  ])('are refused with %s', async (_, marks, more, words) => {
    const picture = ((await take(ivo, await world.newVisit('abe'), 'left')).body as unknown as PictureView).id
    const { status, body } = await put(ivo, picture, 0, marks, more)
    expect(status).toBe(422)
    expect(JSON.stringify(body)).toMatch(words)
  })

  it('stay with their picture when another is taken; a picture without marks gives way', async () => {
    const visit = await world.newTrim('abe')
    const grading = await openGrading(ivo, visit)
    const first = ((await take(ivo, visit, 'left')).body as unknown as PictureView).id
    await put(ivo, first, 0)
    const second = ((await take(ivo, visit, 'left')).body as unknown as PictureView).id
    const third = ((await take(ivo, visit, 'left')).body as unknown as PictureView).id
    expect((await read(ivo, grading)).pictures.map(({ id }) => id)).toEqual([third])
    const kept = await world.db.select({ id: tables.pictures.id }).from(tables.pictures).where(eq(tables.pictures.visitId, visit))
    expect(kept.map(({ id }) => id).sort()).toEqual([first, third].sort())
    expect(kept.map(({ id }) => id)).not.toContain(second)
  })
})

describe('pictures of one view that are averaged', () => {
  it('are earlier ones of this visit and view, measured by the same person', async () => {
    const visit = await world.newTrim('abe')
    const [mine] = [await openGrading(ivo, visit), await openGrading(ina, visit)]
    const first = ((await take(ivo, visit, 'left')).body as unknown as PictureView).id
    await put(ivo, first, 0)
    const second = ((await take(ivo, visit, 'left')).body as unknown as PictureView).id
    expect((await read(ivo, mine)).earlier).toMatchObject([{ pictureId: first, seen: 'left', version: 1, regions: REGIONS }])
    const averaging = (ids: readonly string[]) => ({ ...MARKS, averaged: ids })
    expect((await put(ivo, second, 0, averaging([first]))).status).toBe(200)
    expect((await read(ivo, mine)).marks[0]).toMatchObject({ marks: { averaged: [first] } })
    // a colleague who has not measured the first one cannot average with it
    expect(await put(ina, second, 0, averaging([first]))).toMatchObject({ status: 422 })
    expect(JSON.stringify((await put(ivo, second, 1, averaging([second]))).body)).toMatch(
      /not an earlier one of this view that you have measured/
    )
    const other = ((await take(ivo, visit, 'front')).body as unknown as PictureView).id
    expect((await put(ivo, other, 0, averaging([first]), { seen: 'front' })).status).toBe(422)
    expect((await put(ivo, second, 1, averaging(['x']))).status).toBe(422)
    expect((await read(ivo, mine)).marks.find(({ pictureId }) => pictureId === second)).toMatchObject({ version: 1 })
  })
  it('a colleague’s marks are not among them', async () => {
    const visit = await world.newTrim('abe')
    const theirs = await openGrading(ina, visit)
    await openGrading(ivo, visit)
    const first = ((await take(ivo, visit, 'left')).body as unknown as PictureView).id
    await put(ivo, first, 0)
    await take(ivo, visit, 'left')
    expect((await read(ina, theirs)).earlier).toEqual([])
  })
})

describe('a dog’s own skin', () => {
  it('is learned from a signed sheet that gauged a length and measured the same side', async () => {
    const before = await world.newTrim('bea', '2026-03-02')
    const old = await openGrading(ivo, before)
    const picture = ((await take(ivo, before, 'left')).body as unknown as PictureView).id
    await put(ivo, picture, 0)
    const { answers } = { answers: fullSheet() }
    const draft = {
      version: 1,
      answers: { ...answers, 'back-length': { left: { kind: 'readings', mm: [3, 3.2, 3.4] }, right: { kind: 'asItShouldBe' } } },
      critical: [],
      globalRating: 'pass'
    }
    expect((await ivo.send('PUT', `/gradings/${old}`, draft)).status).toBe(200)
    const now = await openGrading(ina, await world.newTrim('abe'))
    expect((await read(ina, now)).skin).toEqual([])
    expect((await ivo.post(`/gradings/${old}/sign`, { version: 2 })).status).toBe(200)
    expect((await read(ina, now)).skin).toMatchObject([
      { region: 'back', seen: 'left', overSkinMm: 5, overSkinU: 2, gaugeMm: expect.closeTo(3.2, 6) }
    ])
  })
})
