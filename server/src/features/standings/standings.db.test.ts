import { techniques } from '@peen/content'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallSchool, type Client, type World } from '../../testing/world'
import { signedTrims, standingsOf, standingsOfAll } from '.'

let world: World
let ivo: Client
beforeAll(async () => {
  world = await smallSchool('standings')
  ivo = await world.client('ivo')
})
afterAll(() => world.close())

let count = 0
/** A morning in which an apprentice does one technique, clean or with a line too short. */
async function practise(apprentice: string, onDate: string, techniqueId: string, isClean: boolean): Promise<void> {
  const visit = await world.newVisit(apprentice, onDate)
  const attemptId = v7()
  const event = (kind: string, payload: object) => ({
    ...{ id: v7(), v: 1, kind, visitId: visit, by: ivo.me!.id, deviceId: 'tablet', seq: ++count, lamport: count, payload },
    atDevice: `${onDate}T09:00:00.000Z`
  })
  const start = {
    attemptId,
    techniqueId,
    regions: ['skirt'],
    side: 'both',
    toolId: null,
    direction: null,
    hands: 'apprentice',
    setting: 'live'
  }
  const events = [
    event('visitOpened', {}),
    event('attemptStarted', start),
    ...(isClean ? [] : [event('helped', { attemptId, help: 'handsGuided', region: null, side: null })]),
    event('attemptEnded', { attemptId, minutes: 9, help: isClean ? 'alone' : 'handsGuided', witness: 'watched' })
  ]
  const answer = await ivo.post(`/visits/${visit}/events`, { events })
  expect((answer.body.answers as { status: string }[]).map(({ status }) => status)).toEqual(events.map(() => 'stored'))
}

describe('where apprentices stand', () => {
  const TODAY = '2026-04-14'
  beforeAll(async () => {
    await practise('abe', '2026-04-01', 'skirt-line', true)
    await practise('abe', '2026-04-08', 'skirt-line', false)
    await practise('bea', '2026-04-08', 'skirt-line', true)
    await practise('bea', '2026-04-20', 'skirt-line', true)
  })
  const ids = () => [world.ids.abe, world.ids.bea]

  it('is the same whether one is asked about or many', async () => {
    const all = await standingsOfAll(world.db, [...ids(), world.ids.abe], TODAY)
    expect([...all.keys()]).toEqual(ids())
    for (const id of ids()) expect(all.get(id)).toEqual(await standingsOf(world.db, id, TODAY))
  })

  it('keeps apprentices apart, and knows nothing of days to come', async () => {
    const all = await standingsOfAll(world.db, ids(), TODAY)
    const skirt = (id: string) => all.get(id)!.get('skirt-line')!.standing
    expect(skirt(world.ids.abe)).toMatchObject({ attempts: 2, clean: 1, lastOn: '2026-04-08', state: 'practising' })
    expect(skirt(world.ids.bea)).toMatchObject({ attempts: 1, clean: 1, lastOn: '2026-04-08' })
    const later = await standingsOf(world.db, world.ids.bea, '2026-04-20')
    expect(later.get('skirt-line')!.standing.attempts).toBe(2)
  })

  it('names every technique of the catalogue, also one never tried', async () => {
    const own = await standingsOf(world.db, world.ids.abe, TODAY)
    expect(own.size).toBe(techniques.length)
    expect(own.get('wrap-ear')!.standing).toMatchObject({ state: 'new', attempts: 0, lastOn: null })
  })

  it('asks nothing where nobody is asked about', async () => {
    expect(await standingsOfAll(world.db, [], TODAY)).toEqual(new Map())
    expect(await signedTrims(world.db, [])).toEqual([])
  })
})
