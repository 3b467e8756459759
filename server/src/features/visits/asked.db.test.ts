// Work that was asked for otherwise, and what was found today, followed from the check-in to the table, the coat book and the grade sheet.
import type { GradingView, TableView, VisitPage } from '@peen/contract'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
beforeAll(async () => {
  world = await smallSchool('asked')
  ivo = await world.client('ivo')
})
afterAll(() => world.close())

const wish = (more: object = {}) => ({ what: 'Short and easy', askedBy: 'the owner', length: null, rule: null, ...more })
const foundOf = (change: object = {}) => ({
  ...{ version: 0, weeksSince: 7, purpose: 'pet', coat: [], skin: [], nailsOwed: [], wishes: [] },
  ...change
})

/** A visit of Flint in a trim, checked in with what was found and said ready. */
async function visit(change: object, standardId = 'bearded-pet'): Promise<{ readonly id: string; readonly status: number }> {
  const id = await world.newVisit('abe')
  await world.db.delete(tables.agreedTargets).where(eq(tables.agreedTargets.visitId, id))
  const versions = await world.db.select().from(tables.standards).where(eq(tables.standards.id, standardId))
  const standardVersion = Math.max(...versions.map(({ version }) => version))
  await world.db.update(tables.visits).set({ found: null, standardId, standardVersion }).where(eq(tables.visits.id, id))
  const { status } = await ivo.send('PUT', `/visits/${id}/found`, foundOf(change))
  if (status === 200) await ivo.send('PUT', `/visits/${id}/gate`, { version: 1, dry: true, combed: true })
  return { id, status }
}
const page = async (id: string) => (await ivo.get(`/visits/${id}`)).body as unknown as VisitPage
const table = async (id: string) => (await ivo.get(`/visits/${id}/work`)).body as unknown as TableView
const agreedAt = async (id: string, region: string) => (await page(id)).agreed!.find((line) => line.region === region)!

describe('a wish for other work', () => {
  it('changes what is agreed, the steps at the table, the minutes, and what the trim is graded by', async () => {
    const { id } = await visit({ wishes: [wish({ work: 'skirtOff' })] })
    expect(await agreedAt(id, 'skirt')).toMatchObject({ tool: 'blade 7F with', mm: 3.2 })
    const steps = (await table(id)).steps.map(({ technique }) => technique)
    expect(steps).not.toContain('skirt-line')
    expect(steps).toContain('cylinder-leg')
    await world.workOn(id)
    const opened = await ivo.post(`/visits/${id}/gradings`, { id: v7() })
    const grading = (await ivo.get(`/gradings/${opened.body.id as string}`)).body as unknown as GradingView
    expect(grading.standard.plan.lengthsMm.skirt).toBe(3.2)
    expect(
      grading.standard.criteria.filter(({ region, how }) => region === 'skirt' && (how.kind === 'judged' || how.kind === 'computed'))
    ).toEqual([])
    // who asked stays on the visit, where an owner can be erased
    const [row] = await world.db
      .select()
      .from(tables.gradings)
      .where(eq(tables.gradings.id, opened.body.id as string))
    expect(row.wishes).toEqual([{ what: '', askedBy: '', length: null, work: 'skirtOff' }])
  })

  it('takes a coat off only if the owner agrees, and then there is no trim to grade', async () => {
    expect((await visit({ wishes: [wish({ work: 'reset', askedBy: 'the school' })] })).status).toBe(422)
    const { id } = await visit({ wishes: [wish({ what: 'Felted to the skin; Jo agrees to take it off', work: 'reset' })] })
    expect(await agreedAt(id, 'foreleg')).toMatchObject({ tool: 'blade 7F with', mm: 3.2 })
    await world.workOn(id)
    const refused = await ivo.post(`/visits/${id}/gradings`, { id: v7() })
    expect([refused.status, refused.body.detail]).toEqual([409, expect.stringMatching(/there is no trim to grade/)])
  })

  it('is one that Peen knows', async () => {
    expect((await visit({ wishes: [wish({ work: 'mohawk' })] })).status).toBe(422)
  })
})

describe('what is found today', () => {
  it('is scissored where pulling hurts, and the coat book says cut', async () => {
    const { id } = await visit({ skin: [{ kind: 'hurts', region: 'beard', side: 'both' }] }, 'jacket-pet')
    expect(await agreedAt(id, 'beard')).toMatchObject({ tool: 'small face scissors', mm: 12 })
    expect(await agreedAt(id, 'skull')).toMatchObject({ tool: expect.stringMatching(/pulling/) })
    const head = {
      id: v7(),
      v: 1,
      visitId: id,
      by: world.ids.ivo,
      deviceId: 'pull',
      atDevice: '2026-04-14T09:00:00.000Z',
      receivedAt: null
    }
    const attemptId = v7()
    const started = {
      ...{ attemptId, techniqueId: 'pulled-head', regions: ['beard', 'skull'], side: 'both', toolId: 'fingers', direction: null },
      ...{ hands: 'apprentice', setting: 'live' }
    }
    const events = [
      { ...head, kind: 'attemptStarted', seq: 1, lamport: 1, payload: started },
      {
        ...head,
        id: v7(),
        kind: 'attemptEnded',
        seq: 2,
        lamport: 2,
        payload: { attemptId, minutes: 12, help: 'alone', witness: 'watched' }
      }
    ]
    expect((await ivo.post(`/visits/${id}/events`, { events })).status).toBe(200)
    const [{ body }] = await world.db.select().from(tables.coatFromVisits).where(eq(tables.coatFromVisits.visitId, id))
    const acts = (place: string) => body.floor.filter((entry) => entry.place === place).map(({ act }) => act.kind)
    expect([acts('beard'), acts('skull')]).toEqual([['cut'], ['pulled']])
  })

  it('stands in the way of the gate while a mat is in, and its line says how it comes out', async () => {
    const { id } = await visit({ coat: [{ kind: 'mat', region: 'armpit', side: 'left', widthMm: 25 }] })
    const line = (await page(id)).agreed?.find(({ region, side }) => region === 'armpit' && side === 'left')
    expect(line).toMatchObject({ tool: 'blade 10 for a tight mat' })
    expect((await table(id)).holds.some((hold) => 'gate' in hold && hold.gate)).toBe(true)
  })
})
