// A standard under the hand: judged at once, kept when the hand rests, taken back, never lost.
import { standards } from '@peen/content'
import type { DraftView } from '@peen/contract'
import type { Criterion } from '@peen/core/standard'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useSavedStore } from '../stores/saved'
import { ok, refusal, settled, signedIn, stubServer, unstub } from '../testing/server'
import { newCriterion } from './criterion-parts'
import { useDraft } from './useDraft'

const teddy = standards.find(({ id }) => id === 'teddy')!
const view = (version: number, body = teddy): DraftView => ({ id: 'd', version, body, basedOn: null, by: 'Ruben Castell', issues: [] })
type Kept = { readonly version: number; readonly body: typeof teddy }

let server: ReturnType<typeof stubServer>
beforeEach(() => {
  server = stubServer(({ method, body }) => (method === 'GET' ? ok(view(4)) : ok(view((body as Kept).version + 1, (body as Kept).body))))
  signedIn()
})
afterEach(unstub)

async function atTheDesk() {
  const draft = useDraft(() => 'd')
  await settled()
  return draft
}
const of = (draft: Awaited<ReturnType<typeof atTheDesk>>, id: string) => draft.body.value!.criteria.find((one) => one.id === id)!
const withHow = (criterion: Criterion, part: object) => ({ ...criterion, how: { ...criterion.how, ...part } }) as Criterion
const writes = () => server.asked.filter(({ method }) => method === 'PUT').map(({ body }) => body as Kept)

describe('a draft', () => {
  it('is loaded, and can be used as it is', async () => {
    const draft = await atTheDesk()
    expect(server.asked.map(({ path }) => path)).toEqual(['/standard-drafts/d'])
    expect(draft.body.value!.id).toBe('teddy')
    expect(draft.issues.value).toEqual([])
  })

  it('moves the planned length with a criterion’s target, so that the dog is drawn by it', async () => {
    const draft = await atTheDesk()
    draft.changeCriterion(withHow(of(draft, 'teddy-body'), { targetMm: 13, band: [11, 15], limit: [6, 20], grownOutMm: 26 }), 'teddy-body')
    expect(draft.body.value!.plan.lengthsMm.back).toBe(13)
    expect(draft.issues.value).toEqual([])
    // a place that the plan does not name stays unnamed
    const { back: _back, ...others } = teddy.plan.lengthsMm
    draft.change({ plan: { ...teddy.plan, lengthsMm: others } })
    draft.changeCriterion(withHow(of(draft, 'teddy-body'), { targetMm: 14 }), 'teddy-body')
    expect(draft.body.value!.plan.lengthsMm.back).toBeUndefined()
  })

  it('says at once what stands against it, before anything is sent', async () => {
    const draft = await atTheDesk()
    draft.changeCriterion(withHow(of(draft, 'teddy-body'), { band: [9.4, 9.6] }), 'teddy-body')
    expect(draft.issues.value.map(({ say }) => say)).toEqual([
      'Body, 4F: the instrument is coat gauge, give or take 0.8 mm; it must be accurate to 0.1 mm or better for this band.'
    ])
    draft.change({ plan: { ...draft.body.value!.plan, drawnAs: 'bracelets' } })
    expect(draft.issues.value.map(({ say }) => say)).toContain('The shapes it is drawn with is bracelets; it must be companion, teddy.')
    expect(writes()).toEqual([])
  })

  it('is kept once when the hand rests, each time under the version before', async () => {
    vi.useFakeTimers()
    const draft = useDraft(() => 'd')
    await vi.advanceTimersByTimeAsync(1)
    for (const passMark of [71, 72, 73]) draft.change({ passMark })
    await vi.advanceTimersByTimeAsync(800)
    expect(writes().map(({ version, body }) => [version, body.passMark])).toEqual([[4, 73]])
    draft.change({ passMark: 74 })
    await vi.advanceTimersByTimeAsync(800)
    expect(writes().map(({ version, body }) => [version, body.passMark])).toEqual([
      [4, 73],
      [5, 74]
    ])
    expect(useSavedStore().words).toBe('Everything is saved')
  })

  it('is taken back step by step', async () => {
    const draft = await atTheDesk()
    draft.change({ passMark: 71 })
    draft.removeCriterion('teddy-chin')
    draft.undo()
    expect(of(draft, 'teddy-chin')).toEqual(teddy.criteria.find(({ id }) => id === 'teddy-chin'))
    draft.undo()
    expect(draft.body.value).toEqual(teddy)
    draft.undo()
    expect(draft.body.value).toEqual(teddy)
    expect(draft.before.value).toEqual([])
  })

  it('takes a criterion out with what compares its sides, and out of what makes the trim', async () => {
    const draft = await atTheDesk()
    draft.removeCriterion('teddy-muzzle')
    const ids = draft.body.value!.criteria.map(({ id }) => id)
    expect(ids).not.toContain('teddy-muzzle')
    expect(ids).not.toContain('teddy-muzzle-pair')
    expect(draft.body.value!.makes.flatMap(({ criteria }) => criteria)).not.toContain('teddy-muzzle')
    expect(draft.issues.value).toEqual([])
  })

  it('puts a new criterion behind the open one, and moves within the list only', async () => {
    const draft = await atTheDesk()
    const made = newCriterion(draft.body.value!, of(draft, 'teddy-body'))
    draft.addCriterion(made, 'teddy-body')
    const order = () => draft.body.value!.criteria.map(({ id }) => id)
    expect(order().slice(0, 2)).toEqual(['teddy-body', made.id])
    draft.moveCriterion(made.id, -1)
    expect(order().slice(0, 2)).toEqual([made.id, 'teddy-body'])
    draft.moveCriterion(made.id, -1)
    expect(order()[0]).toBe(made.id)
    draft.moveCriterion('nobody', 1)
    expect(order()).toHaveLength(teddy.criteria.length + 1)
  })

  it('keeps what was typed when another device wrote first, and says so', async () => {
    const draft = await atTheDesk()
    server.answer = () => refusal(409, 'Another device has written this draft in the meantime.', { code: 'draftConflict' })
    draft.change({ passMark: 80 })
    await draft.save()
    expect(draft.refused.value).toMatch(/Another device/)
    expect(draft.body.value!.passMark).toBe(80)
  })

  it('tells what the server found wrong, field by field', async () => {
    const draft = await atTheDesk()
    const errors = [{ path: 'body.name', detail: 'Name is missing.' }]
    server.answer = () => refusal(422, 'Name is missing.', { errors })
    draft.change({ name: '' })
    await draft.save()
    expect(draft.refused.value).toBe('Name is missing.')
    server.answer = () => 'offline'
    await draft.save()
    expect(draft.said.value).toMatch(/Peen is not answering/)
  })
})
