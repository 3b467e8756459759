// One visit on one device: every change shown at once, sent in order, and nothing lost when it is refused.
import { houseRules, rack, standards } from '@peen/content'
import { NO_PROFILE, type VisitPage } from '@peen/contract'
import { NOTHING_FOUND } from '@peen/core/checkin'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { ref } from 'vue'
import { ok, refusal, settled, signedIn, stubServer, unstub, type Asked, type Given } from '../testing/server'
import { isSided, useVisit } from './useVisit'

const page = (version = 0, more: Partial<VisitPage> = {}): VisitPage => ({
  ...{
    id: 'v',
    onDate: '2026-04-14',
    comesAt: null,
    tableNumber: 3,
    known: true,
    begun: false,
    checkedIn: false,
    readyBy: null,
    closing: null,
    lastTime: ''
  },
  apprentice: { id: '3', givenName: 'Noor', familyName: 'Basri', role: 'apprentice' },
  dog: {
    ...NO_PROFILE,
    ...{ id: '1', name: 'Ember', bodyType: 'bearded', coat: 'wire', coatType: 'wire', colour: 'black', withersMm: 340 },
    ...{ canStandMin: 90, temperament: 'steady', dislikes: '', burns: [], facts: [], ownerGivenName: null, standing: null }
  },
  standard: standards[0],
  checkIn: { weeksSince: 6, wishes: '', excused: [] },
  found: NOTHING_FOUND,
  house: Object.fromEntries(houseRules.map(({ id, chosen }) => [id, chosen])),
  ...{ rack, chosen: {}, agreed: null, version, pictures: [], hasCamera: false, earlier: [], owedBefore: [] },
  ...more
})
const mat = { kind: 'mat', region: 'ribs', side: 'left', widthMm: 30 } as const
const blade = (id: string) => ({ toolId: id, direction: 'with' as const })

let server: ReturnType<typeof stubServer>
let stored: VisitPage
const keeps = ({ method, body }: Asked): Given => {
  if (method === 'GET') return ok(stored)
  stored = { ...stored, version: (body as { version: number }).version + 1 }
  return ok({ version: stored.version })
}
beforeEach(() => {
  stored = page()
  server = stubServer(keeps)
  signedIn()
})
afterEach(unstub)

async function atTheVisit() {
  const visit = useVisit(() => 'v')
  await settled()
  return visit
}
const puts = () => server.asked.filter(({ method }) => method === 'PUT')

describe('a visit', () => {
  it('has its sheet as soon as it is loaded', async () => {
    const visit = await atTheVisit()
    expect(visit.sheet.value!.lines.find(({ id }) => id === 'back')?.leavesMm).toBe(3.2)
    expect(visit.plan.value).toEqual(standards[0].plan.lengthsMm)
    expect(visit.draft.value).toMatchObject({ weeksSince: 6, coat: [] })
  })

  it('shows what was noted at once and sends changes one after the other, each under the version before it', async () => {
    const visit = await atTheVisit()
    const [first, second] = [visit.note({ coat: [mat] }), visit.note({ weeksSince: 9 })]
    expect(visit.draft.value).toMatchObject({ coat: [mat], weeksSince: 9 })
    expect(await Promise.all([first, second])).toEqual([true, true])
    expect(puts().map(({ path, body }) => [path, (body as { version: number }).version])).toEqual([
      ['/visits/v/found', 0],
      ['/visits/v/found', 1]
    ])
    expect(puts().at(-1)!.body).toMatchObject({ coat: [mat], weeksSince: 9 })
  })

  it('keeps what was refused on the screen with its sentence, and sends it again with the next change', async () => {
    const visit = await atTheVisit()
    server.answer = () => refusal(422, 'Width is 900; it must be 1 to 400 mm.')
    expect(await visit.note({ coat: [{ ...mat, widthMm: 900 }] })).toBe(false)
    expect(visit.refused.value).toBe('Width is 900; it must be 1 to 400 mm.')
    expect(visit.draft.value!.coat).toHaveLength(1)
    server.answer = keeps
    expect(await visit.note({ coat: [mat] })).toBe(true)
    expect(visit.refused.value).toBeNull()
    expect(puts().map(({ body }) => (body as { version: number }).version)).toEqual([0, 0])
  })

  it('moves the sheet with a wish before the server has answered', async () => {
    const visit = await atTheVisit()
    const wish = { what: 'Skirt longer', askedBy: 'the owner', length: { region: 'skirt' as const, mm: 60 }, rule: null }
    const sent = visit.note({ wishes: [wish] })
    expect(visit.sheet.value!.lines.find(({ id }) => id === 'skirt')).toMatchObject({
      targetMm: 60,
      changedBy: 'Skirt longer, asked for by the owner'
    })
    expect(visit.sheet.value!.moved.map(({ say }) => say)).toEqual(['Skirt: 60 mm, not 45 mm, asked for by the owner (Skirt longer).'])
    await sent
  })

  it('takes a chosen tool, gives it back when it is refused, and lets it go again', async () => {
    const visit = await atTheVisit()
    await visit.choose('back', blade('blade-5f'))
    expect(visit.sheet.value!.lines.find(({ id }) => id === 'back')).toMatchObject({ leavesMm: 6.3, isOwn: true })
    server.answer = () => refusal(422, 'chosen.back is blade 40 with; it must be another tool.')
    await visit.choose('back', blade('blade-40'))
    expect(visit.chosen.value).toEqual({ back: blade('blade-5f') })
    expect(visit.refused.value).toMatch(/another tool/)
    server.answer = keeps
    await visit.choose('back', null)
    expect(visit.chosen.value).toEqual({})
  })

  it('falls back to the advice where a chosen tool is banned in the meantime', async () => {
    stored = page(3, { chosen: { toes: blade('blade-10') } as VisitPage['chosen'] })
    const visit = await atTheVisit()
    expect(visit.chosen.value).toEqual({ toes: blade('blade-10') })
    expect(visit.sheet.value!.lines.every(({ isOwn }) => !isOwn)).toBe(true)
  })

  it('does not let an older answer take back what was changed since', async () => {
    const visit = await atTheVisit()
    await visit.note({ weeksSince: 9 })
    stored = page(0)
    await visit.reload()
    expect(visit.draft.value!.weeksSince).toBe(9)
    // asked for by hand, the server's word holds whatever stands here
    await visit.loadAgain()
    expect(visit.draft.value!.weeksSince).toBe(6)
  })

  it('says ready, and reads the page again to see who said so', async () => {
    const visit = await atTheVisit()
    server.answer = (one) => {
      if (one.path.endsWith('/gate')) stored = { ...stored, readyBy: 'Ruben Castell' }
      return keeps(one)
    }
    await visit.sayReady(true, true)
    expect(puts()[0]).toMatchObject({ path: '/visits/v/gate', body: { dry: true, combed: true, version: 0 } })
    expect(visit.data.value!.readyBy).toBe('Ruben Castell')
  })

  it('begins anew with another visit', async () => {
    const id = ref('v')
    const visit = useVisit(() => id.value)
    await settled()
    await visit.note({ weeksSince: 9 })
    stored = page(0, { id: 'w' })
    id.value = 'w'
    await settled()
    expect(visit.draft.value!.weeksSince).toBe(6)
    expect(server.asked.at(-1)!.path).toBe('/visits/w')
  })

  it('knows which places have two sides', () => {
    expect([isSided('foreleg'), isSided('skull')]).toEqual([true, false])
  })
})
