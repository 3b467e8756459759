// Photographs of a visit: made harmless as they come in, limited, and kept with a mark that was signed.
import type { VisitPage } from '@peen/contract'
import { eq } from 'drizzle-orm'
import sharp from 'sharp'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { fullSheet } from '../../testing/sheet'
import { smallSchool, type Client, type World } from '../../testing/world'
import { MOST_PICTURES } from './pictures'

let world: World
let ivo: Client
let abe: Client
beforeAll(async () => {
  world = await smallSchool('pictures')
  ;[ivo, abe] = [await world.client('ivo'), await world.client('abe')]
})
afterAll(() => world.close())

/** A visit that is not begun yet. */
async function planned(): Promise<string> {
  const id = await world.newVisit('abe')
  await world.db.update(tables.visits).set({ found: null }).where(eq(tables.visits.id, id))
  return id
}
const page = async (id: string) => (await ivo.get(`/visits/${id}`)).body as unknown as VisitPage

describe('photographs', () => {
  const send = (who: Client, id: string, bytes: Buffer, where = 'before/left') =>
    fetch(`${world.url}/api/visits/${id}/pictures/${where}`, {
      method: 'POST',
      headers: { ...who.headers, 'content-type': 'image/jpeg' },
      body: new Uint8Array(bytes)
    })
  const solid = (w: number, h: number) => sharp({ create: { width: w, height: h, channels: 3, background: '#888' } })

  it('are turned upright, made small and stripped of where they were taken', async () => {
    const id = await planned()
    const tagged = await solid(3000, 2000)
      .jpeg()
      .withExif({ IFD0: { Make: 'camera' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .toBuffer()
    const answer = await send(abe, id, tagged)
    expect(answer.status).toBe(200)
    const { id: pictureId } = (await answer.json()) as { id: string }
    const stored = Buffer.from(await (await fetch(`${world.url}/api/pictures/${pictureId}`, { headers: ivo.headers })).arrayBuffer())
    const meta = await sharp(stored).metadata()
    expect(meta).toMatchObject({ format: 'jpeg', width: 1600, height: 2400 })
    expect(meta.exif).toBeUndefined()
    await send(abe, id, await solid(40, 30).png().toBuffer())
    expect((await page(id)).pictures).toMatchObject([{ moment: 'before', stance: 'left', widthPx: 40, heightPx: 30 }])
  })

  it('that come again because their answer was lost are kept once, and under another’s id not at all', async () => {
    const id = await planned()
    const [bytes, as] = [await solid(40, 30).png().toBuffer(), v7()]
    const first = await (await send(abe, id, bytes, `during/left?as=${as}`)).json()
    expect(first).toMatchObject({ id: as, moment: 'during' })
    expect(await (await send(abe, id, bytes, `during/left?as=${as}`)).json()).toEqual(first)
    expect((await page(id)).pictures).toHaveLength(1)
    expect((await send(ivo, id, bytes, `during/left?as=${as}`)).status).toBe(409)
    expect((await send(abe, await planned(), bytes, `during/left?as=${as}`)).status).toBe(409)
    expect((await send(abe, id, bytes, 'during/left?as=mine')).status).toBe(422)
  })

  it.each([
    ['text', async () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), /cannot be read/],
    ['a torn file', async () => (await solid(900, 900).jpeg().toBuffer()).subarray(0, 900), /damaged|cannot be read/],
    [
      'a HEIC file',
      async () => Buffer.from('\0\0\0\u0018ftypheic\0\0\0\0mif1heic'),
      /HEIC file, which Peen cannot read: set the camera to JPEG/
    ],
    ['a gif', async () => await solid(20, 20).gif().toBuffer(), /JPEG, PNG or WebP/],
    [
      'a bomb',
      async () => await solid(12000, 9000).png({ compressionLevel: 9 }).toBuffer(),
      /12000 x 9000 pixels; it can have up to 50 million/
    ]
  ])('refuse %s', async (_what, bytes, sentence) => {
    const id = await planned()
    const answer = await send(ivo, id, await bytes())
    expect(answer.status).toBe(422)
    expect(((await answer.json()) as { detail: string }).detail).toMatch(sentence)
    expect((await page(id)).pictures).toEqual([])
  })

  it('stay with a mark that is signed, under a newer one too', async () => {
    const id = await world.newTrim('abe')
    const put = async (size: number) =>
      ((await (await send(ivo, id, await solid(size, 30).png().toBuffer(), 'after/left')).json()) as { id: string }).id
    const kept = async () =>
      (await world.db.select({ id: tables.pictures.id }).from(tables.pictures).where(eq(tables.pictures.visitId, id))).map((row) => row.id)
    const [first, second] = [await put(40), await put(41)]
    // the newer one takes the place of the older; one taken by mistake can go
    expect(await kept()).toEqual([second])
    expect((await abe.post(`/pictures/${second}/remove`)).status).toBe(403)
    expect((await ivo.post(`/pictures/${second}/remove`)).status).toBe(200)
    expect((await ivo.post(`/pictures/${first}/remove`)).status).toBe(404)
    const third = await put(42)
    const grading = v7()
    await ivo.post(`/visits/${id}/gradings`, { id: grading })
    await ivo.send('PUT', `/gradings/${grading}`, { version: 1, answers: fullSheet(), critical: [], globalRating: 'good' })
    expect((await ivo.post(`/gradings/${grading}/sign`, { version: 2 })).status).toBe(200)
    expect((await ivo.post(`/pictures/${third}/remove`)).body.detail).toMatch(/^A mark of this trim is signed/)
    const fourth = await put(43)
    expect((await kept()).sort()).toEqual([third, fourth].sort())
  })

  it('are turned away when too many come at once, and when a visit has enough', async () => {
    const id = await planned()
    const slow = await solid(2400, 2400).png().toBuffer()
    const answers = await Promise.all(Array.from({ length: 24 }, () => send(ivo, id, slow, 'during/left')))
    const kept = answers.filter(({ status }) => status === 200).length
    expect(kept).toBeGreaterThan(0)
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([200, 429]))
    const row = {
      visitId: id,
      moment: 'during' as const,
      stance: 'left' as const,
      by: world.ids.ivo,
      at: new Date(),
      widthPx: 4,
      heightPx: 4
    }
    const rest = Array.from({ length: MOST_PICTURES - kept }, () => ({ ...row, id: v7(), bytes: Buffer.from('small') }))
    await world.db.insert(tables.pictures).values(rest)
    const more = await send(ivo, id, await solid(40, 30).png().toBuffer(), 'during/left')
    expect([more.status, ((await more.json()) as { detail: string }).detail]).toEqual([
      409,
      'This visit has 60 pictures; it can have up to 60. Remove one first. Nothing was changed.'
    ])
  })

  it('refuse an unknown stance and more than 15 MB', async () => {
    const id = await planned()
    expect(((await (await send(ivo, id, Buffer.from('x'), 'before/upside')).json()) as { detail: string }).detail).toMatch(
      /Stance is upside/
    )
    const big = await send(ivo, id, Buffer.alloc(16 * 1024 * 1024))
    expect(big.status).toBe(413)
    expect(((await big.json()) as { detail: string }).detail).toMatch(/larger than 15 MB/)
  })
})
