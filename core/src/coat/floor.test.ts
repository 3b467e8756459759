import { coatWorks, standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { entriesOfFindings, entriesOfGrading, entriesOfWork, type FloorDay, type FloorWork } from './floor'
import type { PartResult } from '../grade'
import { workFor } from '../standard'
import type { Tool } from '../tools'

const tool = (id: string, label: string, kind: Tool['kind'], lengthMm: number | null): Tool => ({
  id,
  label,
  kind,
  lengthMm,
  fraction: null,
  toothing: null,
  note: ''
})
const day: FloorDay = {
  sessionId: 's',
  on: '2026-03-23',
  standardId: 'jacket-show',
  lengthsMm: { foreleg: 25, beard: 26 },
  rack: [
    tool('fingers', 'Fingers', 'hand', null),
    tool('blade-7f', '7F', 'blade', 3.2),
    tool('blade-10', '10', 'blade', 1.6),
    tool('comb-0', '0', 'comb', 16),
    tool('scissors-straight', 'Straight', 'scissors', null),
    tool('comb-grey', 'Greyhound comb', 'brush', null)
  ],
  works: {
    pull: { does: 'pull', how: 'half', inTrim: { 'jacket-show': 'lightRoll' } },
    'roll-coat': { does: 'pull', how: 'lightRoll' },
    'comfort-first': { does: 'pull', how: 'all' },
    'card-first': { does: 'card' },
    'transition-strips': { does: 'strips' },
    'body-clip': { does: 'cut' },
    'cylinder-leg': { does: 'cut' }
  }
}
const work = (techniqueId: string, more: Partial<FloorWork> = {}): FloorWork => ({
  attemptId: 'a',
  techniqueId,
  regions: ['ribs', 'chest'],
  side: 'both',
  toolId: 'fingers',
  direction: null,
  hands: 'abe',
  ...more
})

describe('what an attempt writes into the book', () => {
  it('a pull, by the trim, on the side that was worked, with whose hands', () => {
    expect(entriesOfWork(work('pull', { side: 'right' }), day)).toEqual([
      { id: 's/a/ribs', on: '2026-03-23', place: 'ribs', side: 'right', act: { kind: 'pulled', how: 'lightRoll' }, hands: 'abe' },
      { id: 's/a/chest', on: '2026-03-23', place: 'chest', side: 'middle', act: { kind: 'pulled', how: 'lightRoll' }, hands: 'abe' }
    ])
    expect(entriesOfWork(work('pull'), { ...day, standardId: 'jacket-pet' })[0].act).toEqual({ kind: 'pulled', how: 'half' })
  })
  // Symptom: a blade of the school's own taken against the growth threw, and a 30 against wrote nothing
  it('whatever blade was taken, in whatever direction', () => {
    const rack = [...day.rack, tool('own', 'Nine and a half', 'blade', 1.8), tool('blade-30', '30', 'blade', 0.5)]
    const cut = (toolId: string) =>
      entriesOfWork(work('body-clip', { toolId, direction: 'against', regions: ['back'] }), { ...day, rack })[0].act
    // Ref: hand calculation: half way between a 10 (1.6, against 0.5) and a 9 (2.0, against 1.2)
    expect(cut('own')).toEqual({ kind: 'cut', toMm: expect.closeTo(0.85, 9) as number })
    expect(cut('blade-30')).toEqual({ kind: 'cut', toMm: 0.15 })
  })
  it('carding takes undercoat, strips are places of their own', () => {
    expect(entriesOfWork(work('card-first', { regions: ['back'] }), day)[0].act).toEqual({ kind: 'carded' })
    const strips = entriesOfWork(work('transition-strips', { regions: ['neckSide', 'throat', 'cheek', 'thigh', 'tail'] }), day)
    expect(strips.map(({ place, side }) => [place, side])).toEqual([
      ['stripRidge', 'both'],
      ['stripThroat', 'both'],
      ['stripThigh', 'both'],
      ['stripTail', 'middle']
    ])
  })
  it('a blade leaves its length in its direction, scissors the length of the trim', () => {
    expect(entriesOfWork(work('body-clip', { toolId: 'blade-7f', direction: 'with' }), day)[0].act).toEqual({ kind: 'cut', toMm: 3.2 })
    // against the growth a 7F leaves two steps less: what a 9 leaves, 2 mm
    expect(entriesOfWork(work('body-clip', { toolId: 'blade-7f', direction: 'against' }), day)[0].act).toEqual({ kind: 'cut', toMm: 2 })
    expect(entriesOfWork(work('cylinder-leg', { toolId: 'scissors-straight', regions: ['foreleg'] }), day)[0].act).toEqual({
      kind: 'cut',
      toMm: 25
    })
    expect(entriesOfWork(work('cylinder-leg', { toolId: 'scissors-straight', regions: ['tail'] }), day)).toEqual([])
  })
  it('a clipper that only skims a place leaves what the trim leaves there', () => {
    const skimmed = entriesOfWork(work('body-clip', { toolId: 'blade-7f', direction: 'with', regions: ['foreleg'] }), day)
    expect(skimmed[0].act).toEqual({ kind: 'cut', toMm: 25 })
  })
  it('scissor work done with fingers is a light roll', () => {
    expect(entriesOfWork(work('cylinder-leg', { regions: ['foreleg'] }), day)[0].act).toEqual({ kind: 'pulled', how: 'lightRoll' })
  })
  it('what hurts to pull and is scissored is recorded as cut', () => {
    expect(entriesOfWork(work('comfort-first', { toolId: 'scissors-straight', regions: ['beard'] }), day)[0].act).toEqual({
      kind: 'cut',
      toMm: 26
    })
    expect(entriesOfWork(work('comfort-first', { regions: ['beard'] }), day)[0].act).toEqual({ kind: 'pulled', how: 'all' })
  })
  // Symptom: skimming over the skirt was booked as the skirt cut, and a place that the trim leaves as worked
  it('nothing where the trim leaves a place, nor for a blade that only runs out over it', () => {
    const { work: plan } = standards.find(({ id }) => id === 'bearded-pet')!.plan
    const planned: FloorDay = { ...day, works: { ...day.works, 'skim-off': { does: 'cut' } }, work: workFor(plan!, { house: {} }) }
    const skim = work('skim-off', { toolId: 'blade-7f', direction: 'with', regions: ['skirt', 'shoulder', 'armpit'] })
    expect(entriesOfWork(skim, planned)).toEqual([])
    const clip = work('body-clip', { toolId: 'blade-7f', direction: 'with', regions: ['shoulder', 'back'] })
    expect(entriesOfWork(clip, planned).map(({ place, act }) => [place, act])).toEqual([
      ['shoulder', { kind: 'cut', toMm: 3.2 }],
      ['back', { kind: 'cut', toMm: 3.2 }]
    ])
  })
  it('nothing for techniques that teach, plan or look: one session is not counted many times', () => {
    for (const id of ['what-to-pull', 'strip-hold', 'strip-tools', 'easy-hard', 'move-about', 'mirror-sides', 'layer-sum', 'work-back'])
      expect(entriesOfWork(work(id), { ...day, works: coatWorks }), id).toEqual([])
    const worst = entriesOfWork(work('comfort-first', { regions: ['beard'] }), { ...day, works: coatWorks })
    expect(worst.map(({ act }) => act)).toEqual([{ kind: 'pulled', how: 'half' }])
  })
  it('nothing for a technique that takes no hair, or a cut by no tool', () => {
    expect(entriesOfWork(work('nails'), day)).toEqual([])
    expect(entriesOfWork(work('body-clip', { toolId: 'comb-grey' }), day)).toEqual([])
    expect(entriesOfWork(work('body-clip', { toolId: null }), day)).toEqual([])
  })
})

describe('what came in and what was measured', () => {
  it('holes that came in; a mat still in the coat is none', () => {
    const found = entriesOfFindings(
      's',
      '2026-03-23',
      [
        { kind: 'mat', region: 'armpit', side: 'left', widthMm: 20 },
        { kind: 'matCut', region: 'ribs', side: 'left', widthMm: 40 }
      ],
      'ivo'
    )
    expect(found).toEqual([
      { id: 's/found/1', on: '2026-03-23', place: 'ribs', side: 'left', act: { kind: 'hole', widthMm: 40, cause: 'matCut' }, hands: 'ivo' }
    ])
  })
  it('lengths that were read by hand, with their u', () => {
    const part = (more: Partial<PartResult>) =>
      ({ criterionId: 'ribs-length', side: 'left', region: 'ribs', basis: 'readings', valueMm: 19.4, uMm: 0.7, ...more }) as PartResult
    const lengths = new Set(['ribs-length', 'back-length'])
    const found = entriesOfGrading(
      'g',
      '2026-03-23',
      [
        part({}),
        part({ side: 'right', basis: 'byEye' }),
        part({ criterionId: 'back-length', side: 'whole', region: 'back' }),
        part({ criterionId: 'topline' })
      ],
      lengths,
      'ina'
    )
    expect(found.map(({ place, side, act }) => [place, side, act])).toEqual([
      ['ribs', 'left', { kind: 'length', mm: 19.4, uMm: 0.7 }],
      ['back', 'both', { kind: 'length', mm: 19.4, uMm: 0.7 }]
    ])
  })
})
