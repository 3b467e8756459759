// Blind is blind: every address that Peen answers, read as the second assessor and as the apprentice, for the first assessor's numbers.
import { answersAtTarget } from '@peen/core/grade'
import { standards } from '@peen/content'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { beforeAll, afterAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { TABLE_IDS } from '../records'
import { addressesWith } from '../../testing/addresses'
import { MARKS } from '../../testing/marks'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let ina: Client
let abe: Client
/** a lead, who may call addresses that an instructor may not */
let lena: Client
let visit: string
let grading: string
/** what only ivo knows: his readings, and the mark to three decimals */
let secrets: readonly string[]
beforeAll(async () => {
  world = await smallSchool('blind')
  ;[ivo, ina] = [await world.client('ivo'), await world.client('ina')]
  ;[abe, lena] = [await world.client('abe'), await world.client('lena')]
  await markedByIvo(true)
})
afterAll(() => world.close())

/** A trim that ivo has marked and signed; with ina appointed beside him, or not. */
async function markedByIvo(appoints: boolean): Promise<void> {
  visit = await world.newTrim('abe')
  if (appoints) await lena.send('PUT', `/assessments/${visit}`, { first: world.ids.ivo, second: world.ids.ina })
  grading = v7()
  await ivo.post(`/visits/${visit}/gradings`, { id: grading })
  const odd = { kind: 'readings' as const, mm: [3.1739, 3.2741, 3.3743] }
  // both photograph the same side, and the first reads a gauge where the picture shows the outline
  const picture = await pictureOf(visit)
  await ivo.send('PUT', `/pictures/${picture}/marks`, { version: 0, seen: 'left', marks: MARKS, regions: CHEEK })
  const answers = { ...answersAtTarget(standards[0], 3), 'cheek-length': { left: odd, right: odd } }
  await ivo.send('PUT', `/gradings/${grading}`, { version: 1, answers, critical: [], globalRating: 'good' })
  expect((await ivo.post(`/gradings/${grading}/sign`, { version: 2 })).status).toBe(200)
  const [{ value }] = await world.db.select().from(tables.gradingResults).where(eq(tables.gradingResults.gradingId, grading))
  secrets = ['3.1739', '3.2741', '3.3743', value.toFixed(6).slice(0, 7)]
}

const CHEEK = [{ region: standards[0].criteria.find(({ id }) => id === 'cheek-length')!.region, byMm: 1, overSkinMm: 5, uMm: 2, n: 40 }]

/** A photograph of a finished trim, as the table camera would have left it. */
async function pictureOf(visitId: string): Promise<string> {
  const id = v7()
  const made = { bytes: Buffer.from('a picture'), widthPx: 64, heightPx: 48, by: world.ids.ivo, at: new Date('2026-04-14T10:00:00Z') }
  await world.db.insert(tables.pictures).values({ id, visitId, moment: 'after', stance: 'left', ...made })
  return id
}

/** The second one's own sheet of the same trim, with the same picture measured. */
async function openedByIna(): Promise<void> {
  const own = v7()
  inas.push(own)
  expect((await ina.post(`/visits/${visit}/gradings`, { id: own })).status).toBe(200)
  const [{ id: picture }] = await world.db
    .select({ id: tables.pictures.id })
    .from(tables.pictures)
    .where(eq(tables.pictures.visitId, visit))
  expect((await ina.send('PUT', `/pictures/${picture}/marks`, { version: 0, seen: 'left', marks: MARKS, regions: CHEEK })).status).toBe(200)
}
const inas: string[] = []

/** Every GET address with everything that could stand in it. */
async function addresses(): Promise<readonly string[]> {
  const ids = [visit, grading, ...inas, world.ids.flint, world.ids.abe, world.ids.ivo]
  const findings = await world.db.select({ id: tables.findings.id }).from(tables.findings)
  return addressesWith({
    id: [...ids, ...findings.map(({ id }) => id)],
    standard: ['bearded-pet'],
    version: [String(standards[0].version)],
    technique: ['body-clip'],
    table: [...TABLE_IDS],
    on: ['2026-04-14'],
    about: ['dog', 'person', 'visit'],
    open: [v7()],
    ...{ from: ['2026-04-01'], to: ['2026-04-30'], feed: [v7()], secret: ['none'] },
    picture: [v7()]
  })
}

/** The addresses that tell a reader one of the secrets. */
async function tellingTo(who: Client): Promise<readonly string[]> {
  const telling: string[] = []
  for (const path of await addresses()) {
    const answer = await fetch(`${world.url}/api${path}`, { headers: who.headers })
    const text = await answer.text()
    if (answer.ok && secrets.some((secret) => text.includes(secret))) telling.push(path)
  }
  return telling
}

describe('before both have signed', () => {
  it('the first assessor’s numbers are there to be found', async () => {
    expect(await tellingTo(ivo)).toContain(`/gradings/${grading}`)
  })

  it('no address tells the second assessor of them, before and after opening the own sheet', async () => {
    expect(await tellingTo(ina)).toEqual([])
    await openedByIna()
    expect(await tellingTo(ina)).toEqual([])
  })

  it('no address tells a lead who looks on', async () => {
    expect(await tellingTo(lena)).toEqual([])
  })

  it('no address tells the apprentice of them before their own word', async () => {
    expect(await tellingTo(abe)).toEqual([])
  })

  it('and looking has cost the second assessor nothing', async () => {
    expect(await world.db.select().from(tables.gradingReads)).toEqual([])
  })
})

describe('where no two are appointed, a colleague’s grading may be read, and reading it is remembered', () => {
  beforeAll(() => markedByIvo(false))

  it('and the sheet itself waits until one has asked to read it', async () => {
    expect((await ina.get(`/gradings/${grading}`)).body.code).toBe('notRead')
    expect(await world.db.select().from(tables.gradingReads)).toEqual([])
  })

  it.each(['ina', 'lena'])('by every address that tells %s of it, which are those whose screens say so first', async (name) => {
    const reader = name === 'ina' ? ina : lena
    const silent: string[] = []
    const told: string[] = []
    for (const path of await addresses()) {
      await world.db.delete(tables.gradingReads)
      const answer = await fetch(`${world.url}/api${path}`, { headers: reader.headers })
      const text = await answer.text()
      if (!answer.ok || !secrets.some((secret) => text.includes(secret))) continue
      told.push(path)
      const reads = await world.db.select().from(tables.gradingReads).where(eq(tables.gradingReads.personId, world.ids[name]))
      if (reads.every(({ gradingId }) => gradingId !== grading)) silent.push(path)
    }
    // the file, the book and the tables of a whole record: taken by a button with its sentence beside it
    expect(told.filter((path) => !/\/record$|\/logbook$|\/tables\/|\.csv$/.test(path))).toEqual([])
    expect(told).not.toEqual([])
    expect(silent).toEqual([])
    // what is read by asking is told everywhere afterwards
    await reader.post(`/gradings/${grading}/read`)
    expect(await tellingTo(reader)).toContain(`/gradings/${grading}`)
  })

  it('and the apprentice hears no mark of it before their own word', async () => {
    expect(await tellingTo(abe)).toEqual([])
  })
})
