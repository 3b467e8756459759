// Blind is blind: every address that Peen answers, read as the second assessor and as the apprentice, for the first assessor's numbers.
import { answersAtTarget } from '@peen/core/grade'
import { standards } from '@peen/content'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { beforeAll, afterAll, describe, expect, it } from 'vitest'
import { ROUTES } from '../../app'
import { tables } from '../../db'
import { TABLE_IDS } from '../records'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let ina: Client
let abe: Client
let session: string
let grading: string
/** what only ivo knows: his readings, and the mark to three decimals */
let secrets: readonly string[]
beforeAll(async () => {
  world = await smallSchool('blind')
  ;[ivo, ina, abe] = [await world.client('ivo'), await world.client('ina'), await world.client('abe')]
  await markedByIvo(true)
})
afterAll(() => world.close())

/** A trim that ivo has marked and signed; with ina appointed beside him, or not. */
async function markedByIvo(appoints: boolean): Promise<void> {
  session = await world.newTrim('abe')
  const lena = await world.client('lena')
  if (appoints) await lena.send('PUT', `/assessments/${session}`, { first: world.ids.ivo, second: world.ids.ina })
  grading = v7()
  await ivo.post(`/sessions/${session}/gradings`, { id: grading })
  const odd = { kind: 'readings' as const, mm: [3.1739, 3.2741, 3.3743] }
  const answers = { ...answersAtTarget(standards[0], 3), 'cheek-length': { left: odd, right: odd } }
  await ivo.send('PUT', `/gradings/${grading}`, { version: 1, answers, critical: [], globalRating: 'good' })
  expect((await ivo.post(`/gradings/${grading}/sign`, { version: 2 })).status).toBe(200)
  const [{ value }] = await world.db.select().from(tables.gradingResults).where(eq(tables.gradingResults.gradingId, grading))
  secrets = ['3.1739', '3.2741', '3.3743', value.toFixed(6).slice(0, 7)]
}

/** Every GET address with everything that could stand in it. */
async function addresses(): Promise<readonly string[]> {
  const ids = [session, grading, world.ids.flint, world.ids.abe, world.ids.ivo]
  const findings = await world.db.select({ id: tables.findings.id }).from(tables.findings)
  const values: Readonly<Record<string, readonly string[]>> = {
    id: [...ids, ...findings.map(({ id }) => id)],
    standard: ['bearded-pet'],
    version: [String(standards[0].version)],
    technique: ['body-clip'],
    table: [...TABLE_IDS],
    on: ['2026-04-14'],
    about: ['dog', 'person', 'visit']
  }
  const filled = (path: string): string[] => {
    const name = /:([a-zA-Z]+)/.exec(path)?.[1]
    if (!name) return [path]
    if (!values[name]) throw new Error(`no value for :${name} of ${path}: say what may stand there`)
    return values[name].flatMap((value) => filled(path.replace(`:${name}`, value)))
  }
  return ROUTES.filter(({ method, path }) => method === 'get' && path !== '/live').flatMap(({ path }) => filled(path))
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

  it('no address tells the second assessor of them', async () => {
    expect(await tellingTo(ina)).toEqual([])
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

  it('by every address that tells of it', async () => {
    const silent: string[] = []
    const told: string[] = []
    for (const path of await addresses()) {
      await world.db.delete(tables.gradingReads)
      const answer = await fetch(`${world.url}/api${path}`, { headers: ina.headers })
      const text = await answer.text()
      if (!answer.ok || !secrets.some((secret) => text.includes(secret))) continue
      told.push(path)
      const reads = await world.db.select().from(tables.gradingReads).where(eq(tables.gradingReads.personId, world.ids.ina))
      if (reads.every(({ gradingId }) => gradingId !== grading)) silent.push(path)
    }
    expect(told).toContain(`/gradings/${grading}`)
    expect(silent).toEqual([])
  })

  it('and the apprentice hears no mark of it before their own word', async () => {
    expect(await tellingTo(abe)).toEqual([])
  })
})
