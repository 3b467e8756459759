// What the demo's year is answered, endpoint by endpoint, held against the shapes that docs/openapi.json promises.
import { standards } from '@peen/content'
import { ENDPOINTS, type Endpoint } from '@peen/contract'
import { ROUTES, tables } from '@peen/server'
import Ajv2020 from 'ajv/dist/2020'
import { and, desc, eq, isNotNull } from 'drizzle-orm'
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { servedDemo, type ServedDemo } from './testing/served'

const document = JSON.parse(readFileSync(new URL('../../docs/openapi.json', import.meta.url), 'utf8')) as {
  readonly paths: Readonly<Record<string, Readonly<Record<string, object>>>>
}
const ajv = new Ajv2020({ strict: false, allErrors: false })
ajv.addSchema({ $id: 'peen', ...document })

const LEAD = 'anneke'
let demo: ServedDemo
/** Something that stands in the demo for each name of a path, by the path's first word. */
let ids: Readonly<Record<string, string>>
beforeAll(async () => {
  demo = await servedDemo('replies', { as: LEAD })
  const { visits: s, gradings: g, findings: f, people: p, standardDrafts: d } = tables
  const { db } = demo.fresh
  const [{ visit, grading, dog }] = await db
    .select({ visit: s.id, grading: g.id, dog: s.dogId })
    .from(g)
    .innerJoin(s, eq(g.visitId, s.id))
    .innerJoin(p, eq(p.id, g.assessorId))
    // a sheet of the lead who asks: what others measured is not shown to her
    .where(and(isNotNull(g.signedAt), eq(p.username, LEAD)))
    .orderBy(desc(s.onDate))
    .limit(1)
  const [{ id: person }] = await db.select({ id: p.id }).from(p).where(eq(p.username, 'ines'))
  const [finding] = await db.select({ id: f.id }).from(f).limit(1)
  // as two signatures leave it: what goes out of the house is answered of an issued one alone
  for (const username of ['ruben', 'ottilie']) {
    const [{ id: personId }] = await db.select({ id: p.id }).from(p).where(eq(p.username, username))
    await db
      .insert(tables.signatures)
      .values({ findingId: finding.id, personId, note: 'marked', signedAt: new Date('2026-04-14T09:00:00Z') })
    await db.update(f).set({ status: 'issued', decidedBy: personId, evidence: [] }).where(eq(f.id, finding.id))
  }
  const [draft] = await db.select({ id: d.id }).from(d).limit(1)
  ids = {
    ...{ visits: visit, gradings: grading, dogs: dog, coats: dog, apprentices: person, people: person, notes: dog, assessments: visit },
    ...{ findings: finding?.id, 'standard-drafts': draft?.id }
  }
})
afterAll(() => demo.close())

const VALUES: Readonly<Record<string, string>> = {
  standard: 'bearded-pet',
  version: String(standards.find(({ id }) => id === 'bearded-pet')!.version),
  technique: 'body-clip',
  on: '2026-04-14',
  from: '2026-04-01',
  to: '2026-04-30',
  about: 'dog'
}
const asked = Object.entries(ENDPOINTS as Readonly<Record<string, Endpoint>>).filter(
  ([, { method, gives = 'json' }]) => method === 'get' && gives === 'json'
)

it('and there are many', () => expect(asked.length).toBeGreaterThan(40))

const addressOf = (path: string) =>
  path.replace(/:([a-z]+)/gi, (_, param: string) => (param === 'id' ? ids[path.split('/')[1]] : VALUES[param])!)

// answered together (server/src/http/together.ts): what one of them may read, the other reads in the same words
const alike = ROUTES.filter(({ alike }) => alike === 'staff').map(({ name, path }) => [name, path] as const)
it.each(alike)('%s answers a lead and an instructor in the same words', async (_, path) => {
  const [lead, instructor] = [await demo.as('ottilie'), await demo.as('mira')]
  expect(await instructor(addressOf(path))).toEqual(await lead(addressOf(path)))
})
it('and there are some', () => expect(alike.length).toBeGreaterThan(4))

it.each(asked.map(([name, { path, who }]) => [name, path, who]))('%s answers in its shape', async (name, path, who) => {
  const address = addressOf(path)
  // the demo has none of it yet
  if (address.includes('undefined')) return
  // what is an apprentice's own is answered to one
  const isOwn = who !== 'anyone' && !who.includes('lead')
  const reply = await (isOwn ? await demo.as('tove') : demo.get)(address)
  const pointer = path
    .replace(/:([a-z]+)/gi, '{$1}')
    .replaceAll('~', '~0')
    .replaceAll('/', '~1')
  const validate = ajv.getSchema(`peen#/paths/${encodeURIComponent(pointer)}/get/responses/200/content/application~1json/schema`)!
  expect(validate(reply), `${name}: ${JSON.stringify(validate.errors)}`).toBe(true)
})
