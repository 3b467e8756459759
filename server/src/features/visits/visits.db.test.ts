import type { VisitPage } from '@peen/contract'
import { eq } from 'drizzle-orm'
import sharp from 'sharp'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let lena: Client
let abe: Client
beforeAll(async () => {
  world = await smallSchool('visits')
  ;[ivo, lena, abe] = [await world.client('ivo'), await world.client('lena'), await world.client('abe')]
})
afterAll(() => world.close())

/** A visit that nobody has looked at yet. */
async function planned(): Promise<string> {
  const id = await world.newSession('abe')
  await world.db.update(tables.sessions).set({ found: null }).where(eq(tables.sessions.id, id))
  return id
}
const page = async (id: string, who = ivo) => (await who.get(`/visits/${id}`)).body as unknown as VisitPage
const found = (change: object = {}) => ({
  version: 0,
  weeksSince: 7,
  purpose: 'pet',
  coat: [],
  skin: [],
  nailsOwed: [],
  wishes: [],
  ...change
})
const start = (sessionId: string, who: Client, techniqueId: string) => ({
  id: v7(),
  v: 1,
  kind: 'attemptStarted',
  sessionId,
  by: who.me!.id,
  deviceId: 'tablet-1',
  seq: 1,
  lamport: 1,
  atDevice: '2026-04-14T09:00:00.000Z',
  receivedAt: null,
  payload: {
    attemptId: v7(),
    techniqueId,
    regions: ['back'],
    side: 'both',
    toolId: null,
    direction: null,
    hands: 'apprentice',
    setting: 'live'
  }
})

describe('check-in', () => {
  it('keeps what was found, excuses what came in, and says who asked', async () => {
    const id = await planned()
    expect((await page(id)).checkedIn).toBe(false)
    const body = found({
      coat: [{ kind: 'matCut', region: 'ribs', side: 'left', widthMm: 40 }],
      nailsOwed: ['leftFore'],
      wishes: [{ what: 'Brows longer', askedBy: 'the owner', length: { region: 'brow', mm: 40 }, rule: null }]
    })
    expect((await abe.send('PUT', `/visits/${id}/found`, body)).status).toBe(200)
    const now = await page(id)
    expect(now).toMatchObject({ checkedIn: true, version: 1, checkIn: { weeksSince: 7, wishes: 'Brows longer, asked for by the owner.' } })
    expect(now.checkIn.excused).toEqual([{ region: 'ribs', side: 'left', reason: 'a hole where a mat was cut out, 40 mm across' }])
  })

  it('tells a second device, and loses nothing of the first', async () => {
    const id = await planned()
    await ivo.send('PUT', `/visits/${id}/found`, found())
    const second = await lena.send('PUT', `/visits/${id}/found`, found({ weeksSince: 3 }))
    expect(second).toMatchObject({ status: 409, body: { code: 'changedMeanwhile', version: 1 } })
    expect((await page(id)).checkIn.weeksSince).toBe(7)
  })

  it.each([
    [{ coat: [{ kind: 'mat', region: 'ribs', side: 'left', widthMm: 900 }] }, /coat\.0\.widthMm is 900; allowed is 5 to 300 mm/],
    [{ coat: [{ kind: 'mat', region: 'skull', side: 'left', widthMm: 20 }] }, /skull has no sides/],
    [{ coat: [{ kind: 'mat', region: 'antler', side: 'both', widthMm: 20 }] }, /Place is antler/],
    [{ wishes: [{ what: 'Short', askedBy: '', length: null, rule: null }] }, /Who asked is missing/],
    [
      { wishes: [{ what: 'Short', askedBy: 'Jo', length: { region: 'brow', mm: 900 }, rule: null }] },
      /Length is 900; allowed is 0.25 to 300 mm/
    ],
    [{ wishes: [{ what: 'Off', askedBy: 'Jo', length: null, rule: { id: 'brows', side: 7 } }] }, /allowed is a side of a house rule/]
  ])('refuses %j', async (change, sentence) => {
    const id = await planned()
    const answer = await ivo.send('PUT', `/visits/${id}/found`, found(change))
    expect(answer.status).toBe(422)
    expect(answer.body.detail).toMatch(sentence)
    expect((await page(id)).checkedIn).toBe(false)
  })

  it('stays as it is once the trim is graded', async () => {
    const id = await planned()
    const { body } = await ivo.post(`/sessions/${id}/gradings`, { id: v7() })
    await world.db
      .update(tables.gradings)
      .set({ status: 'signed' })
      .where(eq(tables.gradings.id, (body as unknown as { id: string }).id))
    expect(await ivo.send('PUT', `/visits/${id}/found`, found())).toMatchObject({ status: 409, body: { code: 'graded' } })
  })

  it('is for the own apprentice and the staff', async () => {
    const id = await planned()
    const bea = await world.client('bea')
    expect((await bea.get(`/visits/${id}`)).status).toBe(403)
    expect((await bea.send('PUT', `/visits/${id}/found`, found())).status).toBe(403)
    expect((await abe.send('PUT', `/visits/${id}/gate`, { version: 0, dry: true, combed: true })).status).toBe(403)
  })
})

describe('the ready-to-cut gate', () => {
  it('holds an apprentice’s blade until an instructor says so, and names what is missing', async () => {
    const id = await planned()
    const wait = await abe.post(`/sessions/${id}/events`, { events: [start(id, abe, 'body-clip')] })
    expect(wait.body.detail).toMatch(/^Not ready to cut\. Nobody has said yet/)
    await ivo.send('PUT', `/visits/${id}/gate`, { version: 0, dry: true, combed: true })
    expect(await page(id)).toMatchObject({ readyBy: 'ivo Test', version: 1 })
    const view = (await ivo.get(`/sessions/${id}`)).body as unknown as { holds: { gate?: boolean }[] }
    expect(view.holds.some(({ gate }) => gate)).toBe(false)
    // leg control is no cutting: it never waited for the gate
    const other = await planned()
    expect((await abe.post(`/sessions/${other}/events`, { events: [start(other, abe, 'leg-control')] })).status).toBe(200)
  })

  it('keeps the house rules as they stood then', async () => {
    const id = await planned()
    await ivo.send('PUT', `/visits/${id}/gate`, { version: 0, dry: true, combed: true })
    await lena.send('PUT', '/school/house-rules', { rules: { 'bearded-skull': 1 } })
    expect((await page(id)).house['bearded-skull']).toBe(0)
    expect((await page(await planned())).house['bearded-skull']).toBe(1)
    await lena.send('PUT', '/school/house-rules', { rules: { 'bearded-skull': 0 } })
  })
})

describe('the sheet', () => {
  it('keeps a tool that the instructor chose and refuses a banned one with its reason', async () => {
    const id = await planned()
    const good = { version: 0, chosen: { back: { toolId: 'blade-5f', direction: 'with' } } }
    expect((await ivo.send('PUT', `/visits/${id}/chosen`, good)).status).toBe(200)
    expect((await page(id)).chosen).toEqual(good.chosen)
    const banned = await ivo.send('PUT', `/visits/${id}/chosen`, {
      version: 1,
      chosen: { pads: { toolId: 'blade-10', direction: 'with' } }
    })
    expect(banned.status).toBe(422)
    expect(banned.body.detail).toMatch(/wide teeth catch the web/)
    const nowhere = await ivo.send('PUT', `/visits/${id}/chosen`, {
      version: 1,
      chosen: { moon: { toolId: 'blade-10', direction: 'with' } }
    })
    expect(nowhere.body.detail).toMatch(/chosen\.moon is no line of this sheet/)
  })

  it('records the sides that a visit takes on its grading', async () => {
    const id = await planned()
    const wishes = [{ what: 'No brows', askedBy: 'the owner', length: null, rule: { id: 'brows', side: 1 } }]
    await ivo.send('PUT', `/visits/${id}/found`, found({ wishes }))
    const { body } = await ivo.post(`/sessions/${id}/gradings`, { id: v7() })
    const grading = (await ivo.get(`/gradings/${(body as unknown as { id: string }).id}`)).body as unknown as {
      houseRules: Record<string, number>
    }
    expect(grading.houseRules).toMatchObject({ brows: 1, 'bearded-ear': 0 })
  })
})

describe('closing the dog', () => {
  it('keeps what was used and said; nails stay owed until they are done, and the next visit hears of it', async () => {
    const id = await world.newSession('abe', '2026-04-07')
    await ivo.send('PUT', `/visits/${id}/found`, found({ nailsOwed: ['leftRear'] }))
    const said = {
      version: 1,
      used: '7F with',
      nextTime: 'Start with the feet',
      backInWeeks: 6,
      handOver: 'A calm dog today.',
      nailsDone: false
    }
    expect((await ivo.send('PUT', `/visits/${id}/closing`, said)).status).toBe(200)
    const next = await page(await planned())
    expect(next).toMatchObject({ known: true, owedBefore: ['leftRear'], lastTime: 'Start with the feet' })
    await ivo.send('PUT', `/visits/${id}/closing`, { ...said, version: 2, nailsDone: true })
    expect((await page(await planned())).owedBefore).toEqual([])
  })
})

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

  it.each([
    ['text', async () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), /not one that can be read/],
    ['a torn file', async () => (await solid(900, 900).jpeg().toBuffer()).subarray(0, 900), /broken|not one that can be read/],
    ['a gif', async () => await solid(20, 20).gif().toBuffer(), /JPEG, PNG or WebP/],
    ['a bomb', async () => await solid(12000, 9000).png({ compressionLevel: 9 }).toBuffer(), /12000 x 9000 pixels; allowed is 50 million/]
  ])('refuse %s', async (_what, bytes, sentence) => {
    const id = await planned()
    const answer = await send(ivo, id, await bytes())
    expect(answer.status).toBe(422)
    expect(((await answer.json()) as { detail: string }).detail).toMatch(sentence)
    expect((await page(id)).pictures).toEqual([])
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
