// A school that lost its morning hears it again from the tablets: changes in their order, then taps, and nothing twice.
import type { PracticeEvent } from '@peen/core/practice'
import { describe, expect, it } from 'vitest'
import { browserDatabase } from '../testing/browser-database'
import { bringBack } from './bring-back'
import { doneInBrowser, type Done } from './done'
import { keptInBrowser, type KeptTap } from './kept'
import { isRepeatable } from './repeatable'
import { sendWaiting } from './send'

browserDatabase()

const NIGHT = Date.parse('2026-04-13T22:00:00Z')
const MORNING = Date.parse('2026-04-14T08:00:00Z')
const RESTORED = { id: 'backup-1', madeAt: new Date(NIGHT).toISOString() }
const tapOf = (id: string, by = 'ruben', lamport = 1): KeptTap => ({
  ...{ id, by, name: by, refused: null },
  event: { id, by, visitId: 'visit', lamport, seq: lamport, kind: 'noted', payload: {} } as unknown as PracticeEvent
})
const doneTap = (id: string, at = MORNING, by = 'ruben'): Done => ({ id, by, at, under: null, what: { kind: 'tap', tap: tapOf(id, by) } })
const doneChange = (id: string, at: number, note = ''): Done => ({
  ...{ id, by: 'ruben', at, under: null },
  what: { kind: 'change', name: 'keepFound', given: { id: 'visit', body: { note } } }
})

type Repeat = Parameters<typeof bringBack>[0]['repeat']
let runs = 0
async function tablet() {
  const name = `done ${++runs}`
  const [done, kept] = [await doneInBrowser(`${name} done`), await keptInBrowser(name)]
  const said: object[] = []
  const repeat = async (_name: string, given: object) => (said.push(given), null)
  return { done, kept, said, bring: (by = 'ruben', say: Repeat = repeat) => bringBack({ done, kept, by, restored: RESTORED, repeat: say }) }
}

describe('after a backup of last night was restored', () => {
  it('changes are made again in their order, then the taps wait to be sent', async () => {
    const { done, kept, said, bring } = await tablet()
    await done.add([doneTap('a'), doneChange('second', MORNING + 2, 'two'), doneChange('first', MORNING + 1, 'one')])
    expect(await bring()).toEqual({ changes: 2, taps: 1, refused: [] })
    expect(said.map((given) => (given as { body: { note: string } }).body.note)).toEqual(['one', 'two'])
    expect((await kept.all()).map(({ id, refused, isBack }) => [id, refused, isBack])).toEqual([['a', null, true]])
  })

  it('once: what was said again stands under this backup', async () => {
    const { done, said, bring } = await tablet()
    await done.add([doneTap('a'), doneChange('b', MORNING)])
    await bring()
    expect(await bring()).toEqual({ changes: 0, taps: 0, refused: [] })
    expect(said).toHaveLength(1)
  })

  it('a change from before the backup is in it, and is not made again; a tap is harmless twice', async () => {
    const { done, said, bring } = await tablet()
    await done.add([doneTap('a', NIGHT - 1000), doneChange('b', NIGHT - 1000)])
    expect(await bring()).toMatchObject({ changes: 0, taps: 1 })
    expect(said).toEqual([])
  })

  it('each person brings their own', async () => {
    const { done, kept, bring } = await tablet()
    await done.add([doneTap('his'), doneTap('hers', MORNING, 'mira')])
    await bring('mira')
    expect((await kept.all()).map(({ id }) => id)).toEqual(['hers'])
  })

  it('a change that is refused is told, and holds nothing up', async () => {
    const { done, bring } = await tablet()
    await done.add([doneChange('a', MORNING), doneTap('b')])
    const refused = async () => 'This visit was changed meanwhile.'
    expect(await bring('ruben', refused)).toEqual({ changes: 0, taps: 1, refused: ['This visit was changed meanwhile.'] })
  })

  it('without an answer nothing is given up: what is left comes the next time', async () => {
    const { done, kept, said, bring } = await tablet()
    await done.add([doneChange('a', MORNING), doneChange('b', MORNING + 1), doneTap('c')])
    let asked = 0
    const cut = () => (++asked === 2 ? Promise.reject(new Error('no answer')) : Promise.resolve(null))
    await expect(bring('ruben', cut)).rejects.toThrow('no answer')
    expect(await kept.all()).toEqual([])
    expect(await bring()).toMatchObject({ changes: 1, taps: 1 })
    expect(said).toHaveLength(1)
  })
})

describe('what is kept', () => {
  it('is what the server took, not what it refused', async () => {
    const { done, kept } = await tablet()
    for (const id of ['good', 'bad']) await kept.add(tapOf(id))
    const answers = [
      { id: 'good', status: 'stored' as const, detail: null },
      { id: 'bad', status: 'refused' as const, detail: 'no' }
    ]
    const taken = (taps: readonly KeptTap[]) => done.add(taps.map(({ id }) => doneTap(id)))
    await sendWaiting({ kept, by: 'ruben', post: async () => ({ kind: 'answers', answers }), answered: () => undefined, taken })
    expect((await done.lacking('ruben', RESTORED.id)).map(({ id }) => id)).toEqual(['good'])
  })

  it('goes after two days', async () => {
    const { done } = await tablet()
    await done.add([doneTap('old', MORNING - 49 * 3600000), doneTap('yesterday', MORNING - 24 * 3600000)])
    await done.add([doneTap('today')])
    expect((await done.lacking('ruben', RESTORED.id)).map(({ id }) => id)).toEqual(['yesterday', 'today'])
  })

  it('holds nothing that is signed, of accounts, or of owners', () => {
    for (const name of ['signGrading', 'signFinding', 'addPerson', 'addDog', 'keepProfile', 'changePassword'] as const)
      expect(isRepeatable(name), name).toBe(false)
  })
})
