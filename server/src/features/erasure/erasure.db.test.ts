// An apprentice who has left: what is said first, and that nothing names them afterwards.
import { questions } from '@peen/content'
import type { ErasureView, PeopleView } from '@peen/contract'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { everythingIn } from '../../testing/everything'
import { fullSheet } from '../../testing/sheet'
import { smallSchool, type Client, type World } from '../../testing/world'
import { checkAudit } from '../audit'

let world: World
let lena: Client
let ivo: Client
beforeAll(async () => {
  world = await smallSchool('erasure')
  ;[lena, ivo] = [await world.client('lena'), await world.client('ivo')]
})
afterAll(() => world.close())

const view = async (id: string) => (await lena.get(`/people/${id}/erasure`)).body as unknown as ErasureView
const erase = (id: string, who = lena) => who.post(`/people/${id}/erase`)
const retire = (id: string) => lena.send('PUT', `/people/${id}/active`, { active: false })

/** An apprentice whose name stands in notes, taps, answers, letters and reasons, with a signed trim. */
async function apprenticeWithTraces(): Promise<{ readonly id: string; readonly grading: string }> {
  const id = v7()
  const person = {
    id,
    givenName: 'Oluwaseun',
    familyName: 'Brackwater',
    username: 'oluwa',
    email: 'oluwa@post.example',
    role: 'apprentice'
  }
  await ivo.post('/invitations', { ...person, cohort: 'Spring' })
  ;(world.ids as Record<string, string>).oluwa = id
  const visit = await world.newTrim('oluwa')
  const note = (about: string, of: string) =>
    ivo.post(`/notes/${about}/${of}`, { id: v7(), onDate: '2026-04-14', text: 'Oluwaseun was late; told oluwa so.' })
  await note('person', id)
  await note('visit', visit)
  await note('dog', world.ids.flint)
  await ivo.post(`/apprentices/${id}/answers`, {
    id: v7(),
    questionId: questions[0].id,
    right: true,
    note: 'Oluwaseun Brackwater knew',
    onDate: '2026-04-14'
  })
  // days off without a reason, and a calendar elsewhere under a name of their own
  const off = { id: v7(), about: 'person', aboutId: id, fromOn: '2026-05-04', toOn: '2026-05-08', name: '' }
  expect((await ivo.post('/days-off', off)).status).toBe(200)
  const feed = { id: v7(), personId: id, name: 'Oluwaseun’s phone', secretHash: '0'.repeat(64), madeAt: new Date() }
  await world.db.insert(tables.feeds).values(feed)
  const grading = v7()
  await ivo.post(`/visits/${visit}/gradings`, { id: grading })
  const answers = { ...fullSheet(), nails: { whole: { kind: 'excused', reason: 'as BRACKWATER asked' } } }
  await ivo.send('PUT', `/gradings/${grading}`, { version: 1, answers, critical: [], globalRating: 'good' })
  expect((await ivo.post(`/gradings/${grading}/sign`, { version: 2 })).status).toBe(200)
  return { id, grading }
}

describe('erasing an apprentice', () => {
  it('is for a lead, of an apprentice who has left and of whom nothing is open', async () => {
    expect((await erase(world.ids.bea, ivo)).status).toBe(403)
    expect((await view(world.ids.bea)).refusal).toBe('Retire bea first.')
    expect((await erase(world.ids.bea)).body.detail).toBe('Retire bea first. Nothing was changed.')
    expect((await erase(world.ids.ina)).body.detail).toMatch(/^ina is staff/)
    await world.newVisit('bea', '2026-05-20')
    await retire(world.ids.bea)
    expect((await view(world.ids.bea)).refusal).toMatch(/has a visit on 2026-05-20/)
  })

  it('says first what goes and what stays, and leaves no name and every mark', async () => {
    const { id, grading } = await apprenticeWithTraces()
    await retire(id)
    const said = await view(id)
    expect(said.refusal).toBeNull()
    expect(said.goes).toEqual(expect.arrayContaining(['1 note on Oluwaseun.', '1 letter to Oluwaseun.']))
    expect(said.stays[0]).toMatch(/^1 visit with \d+ attempts? and 1 mark, without a name/)
    const before = await everythingIn(world.db)
    expect(before.match(/oluwa|brackwater/gi)!.length).toBeGreaterThan(8)
    const [mark] = await world.db.select().from(tables.gradingResults).where(eq(tables.gradingResults.gradingId, grading))
    expect((await erase(id)).body).toEqual({ name: 'Former apprentice 1' })
    expect((await everythingIn(world.db)).match(/oluwa|brackwater/gi)).toBeNull()
    expect(await world.db.select().from(tables.daysOff)).toEqual([])
    const [after] = await world.db.select().from(tables.gradingResults).where(eq(tables.gradingResults.gradingId, grading))
    expect(after.value).toBe(mark.value)
    expect(await checkAudit(world.db)).toMatchObject({ whole: true })
    const row = ((await lena.get('/people')).body as unknown as PeopleView).people.find((one) => one.id === id)!
    expect(row).toMatchObject({ givenName: 'Former apprentice', erasedOn: '2026-04-14', active: false, email: null })
    // there is no way back
    expect((await lena.send('PUT', `/people/${id}/active`, { active: true })).body.detail).toMatch(/cannot be reinstated/)
    expect((await erase(id)).body.detail).toMatch(/was erased on 2026-04-14/)
  })

  it('keeps the name on a certificate that was issued', async () => {
    const { abe } = world.ids
    await retire(abe)
    const made = {
      apprenticeId: abe,
      certificateId: 'bearded-pet',
      certificateVersion: 1,
      status: 'issued' as const,
      rules: [],
      decidedBy: world.ids.lena
    }
    await world.db.insert(tables.findings).values({ ...made, id: v7(), number: 'P-1', draftedBy: world.ids.lena, draftedAt: new Date() })
    expect((await view(abe)).stays[0]).toBe('The name on 1 certificate: an employer may ask for it.')
    expect((await erase(abe)).body).toEqual({ name: 'abe Test' })
    const [row] = await world.db.select().from(tables.people).where(eq(tables.people.id, abe))
    expect(row).toMatchObject({ givenName: 'abe', cohort: '', email: null })
  })
})
