import { cutRegionsOf, pullTechniques, rack, standards } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isCut, workFor } from '../standard'
import type { RegionId } from '../regions'
import { entriesOfWork, type FloorDay, type FloorWork } from './taken'

const dayOf = (trim: string, more: Partial<FloorDay> = {}): FloorDay => {
  const { plan } = standards.find(({ id }) => id === trim)!
  return {
    ...{ visitId: 's', on: '2026-03-23', lengthsMm: plan.lengthsMm, rack, pulls: pullTechniques, cutsAt: cutRegionsOf },
    work: workFor(plan.work!, { house: {}, coat: 'wire' }),
    stepTools: Object.fromEntries(plan.steps.map(({ technique, toolId }) => [technique, toolId])),
    ...more
  }
}
const work = (techniqueId: string, regions: readonly RegionId[], more: Partial<FloorWork> = {}): FloorWork => ({
  ...{ attemptId: 'a', techniqueId, regions, side: 'both', toolId: null, direction: null, hands: 'abe' },
  ...more
})
const acts = (one: FloorWork, day: FloorDay) => entriesOfWork(one, day).map(({ place, act }) => [place, act] as const)

describe('what a closed pass writes into the book', () => {
  // Ref: common practice, no published source (docs/method.md, Hair)
  it('a pull, as much as the trim pulls, on the side that was worked, with whose hands', () => {
    expect(entriesOfWork(work('pull', ['ribs', 'skirt'], { side: 'right' }), dayOf('jacket-show'))).toEqual([
      { id: 's/a/ribs', on: '2026-03-23', place: 'ribs', side: 'right', act: { kind: 'pulled', how: 'lightRoll' }, hands: 'abe' },
      { id: 's/a/skirt', on: '2026-03-23', place: 'skirt', side: 'right', act: { kind: 'pulled', how: 'lightRoll' }, hands: 'abe' }
    ])
    expect(acts(work('pull', ['ribs']), dayOf('jacket-pet'))).toEqual([['ribs', { kind: 'pulled', how: 'all' }]])
  })
  it('a part of it where only a part was done', () => {
    const half = (portion: 'half' | 'some', trim: string) => acts(work('pull', ['ribs'], { portion }), dayOf(trim))[0][1]
    expect(half('half', 'jacket-pet')).toEqual({ kind: 'pulled', how: 'half' })
    expect(half('some', 'jacket-pet')).toEqual({ kind: 'pulled', how: 'lightRoll' })
    expect(half('half', 'jacket-show')).toEqual({ kind: 'pulled', how: 'lightRoll', part01: expect.closeTo(0.5, 9) as number })
    expect(acts(work('cylinder-leg', ['foreleg'], { portion: 'half' }), dayOf('companion'))[0]).toBeUndefined()
    expect(acts(work('skirt-line', ['skirt'], { portion: 'half' }), dayOf('bearded-pet'))).toEqual([
      ['skirt', { kind: 'cut', toMm: 45, share01: 0.5 }]
    ])
  })
  it('strips are places of their own, each once, and never the region they lie at', () => {
    const strips = entriesOfWork(work('transition-strips', ['skull', 'cheek', 'throat', 'thigh', 'tail']), dayOf('winter-show'))
    expect(strips.map(({ place, side }) => [place, side])).toEqual([
      ['stripRidge', 'both'],
      ['stripThroat', 'both'],
      ['stripThigh', 'both'],
      ['stripTail', 'middle']
    ])
  })
  it('a blade leaves its length in its direction, scissors the length that was agreed', () => {
    const day = dayOf('bearded-pet')
    expect(acts(work('body-clip', ['back'], { toolId: 'blade-7f', direction: 'with' }), day)).toEqual([
      ['back', { kind: 'cut', toMm: 3.2 }]
    ])
    // another blade than the trim's was taken
    expect(acts(work('body-clip', ['back'], { toolId: 'blade-5f', direction: 'with' }), day)).toEqual([
      ['back', { kind: 'cut', toMm: 6.3 }]
    ])
    const agreed = [{ region: 'foreleg' as const, mm: 28 }]
    expect(acts(work('cylinder-leg', ['foreleg'], { toolId: 'scissors-straight' }), { ...day, agreed })).toEqual([
      ['foreleg', { kind: 'cut', toMm: 28 }]
    ])
  })
  it('each place by its own comb, though one step goes over all of them', () => {
    const found = acts(work('comb-clip', ['back', 'foreleg', 'skull'], { toolId: 'comb-0', direction: 'with' }), dayOf('companion'))
    expect(found).toEqual([
      ['back', { kind: 'cut', toMm: 16 }],
      ['foreleg', { kind: 'cut', toMm: 19 }],
      ['skull', { kind: 'cut', toMm: 19 }]
    ])
  })
  it('what hurts to pull and is scissored is recorded as cut', () => {
    expect(acts(work('pulled-head', ['beard'], { toolId: 'scissors-face' }), dayOf('jacket-show'))).toEqual([
      ['beard', { kind: 'cut', toMm: 26 }]
    ])
    expect(acts(work('comfort-first', ['beard'], { toolId: 'scissors-face' }), dayOf('jacket-show'))).toEqual([
      ['beard', { kind: 'cut', toMm: 26 }]
    ])
    // what the dog minds most is not pulled by being minded
    expect(acts(work('comfort-first', ['beard'], { toolId: 'fingers' }), dayOf('jacket-show'))).toEqual([])
  })
  it('a part of a place only that part', () => {
    expect(acts(work('terrier-rear', ['thigh'], { toolId: 'blade-7f', direction: 'with' }), dayOf('bearded-pet'))).toEqual([
      ['thigh', { kind: 'cut', toMm: 3.2, share01: 0.5 }]
    ])
  })
  it('nothing where the trim leaves a place, nor for a blade that only runs out over it, sets an edge or bands', () => {
    const skim = work('skim-off', ['skirt', 'shoulder', 'armpit'], { toolId: 'blade-7f', direction: 'with' })
    expect(acts(skim, dayOf('bearded-pet'))).toEqual([])
    expect(acts(work('ear-leather', ['earEdge'], { toolId: 'blade-40' }), dayOf('bearded-pet'))).toEqual([])
    expect(acts(work('wrap-ear', ['earOutside']), dayOf('long-coat'))).toEqual([])
    expect(acts(work('body-clip', ['back'], { toolId: 'blade-7f', direction: 'with' }), dayOf('mountain-ear'))).toEqual([])
  })
  it('nothing for techniques that teach, plan or look: one visit is not counted many times', () => {
    for (const id of ['what-to-pull', 'strip-hold', 'strip-tools', 'strip-order', 'close-list', 'nails', 'last-look'])
      for (const toolId of ['fingers', 'comb-grey', null])
        expect(acts(work(id, ['back', 'beard', 'foreleg'], { toolId }), dayOf('jacket-show')), id).toEqual([])
  })
  it('by the tool in the hand for a version that does not say the work', () => {
    const { work: _none, ...old } = dayOf('bearded-pet')
    const cut = (toolId: string, direction: 'with' | 'against' = 'with') =>
      acts(work('body-clip', ['back'], { toolId, direction }), old)[0]?.[1]
    expect(cut('blade-7f')).toEqual({ kind: 'cut', toMm: 3.2 })
    // Symptom: a 30 against the growth wrote nothing
    expect(cut('blade-30', 'against')).toEqual({ kind: 'cut', toMm: 0.15 })
    expect(cut('comb-grey')).toBeUndefined()
    expect(acts(work('body-clip', ['tail'], { toolId: 'blade-7f' }), { ...old, lengthsMm: { tail: 40 } })).toEqual([
      ['tail', { kind: 'cut', toMm: 40 }]
    ])
    expect(acts(work('pull', ['back'], { toolId: 'fingers' }), old)).toEqual([['back', { kind: 'pulled', how: 'lightRoll' }]])
  })

  it('only where the plan takes hair with that technique, over all trims', () => {
    fc.assert(
      fc.property(fc.constantFrom(...standards), fc.nat(), (standard, at) => {
        const day = dayOf(standard.id)
        const { technique } = standard.plan.steps[at % standard.plan.steps.length]
        const regions = [...new Set(day.work!.map(({ place }) => place))]
        for (const { place, act } of entriesOfWork(
          work(technique, cutRegionsOf(technique).length > 0 ? cutRegionsOf(technique) : regions),
          day
        )) {
          const rows = day.work!.filter((row) => row.place === place)
          if (place.startsWith('strip')) continue
          expect(
            rows.some(({ does }) => does !== 'leave'),
            `${standard.id} ${technique} at ${place}`
          ).toBe(true)
          if (act.kind !== 'cut') continue
          const own = rows.flatMap((row) => row.passes.filter((pass) => pass.technique === technique))
          expect(
            own.some(({ kind }) => isCut(kind)),
            `${standard.id} ${technique} cuts ${place}`
          ).toBe(true)
          // Ref: the plan's own number, or what the usual blade of the rack leaves there
          const left = own.flatMap(({ leavesMm }) => leavesMm ?? [])
          expect(
            left.some((mm) => Math.abs(mm - act.toMm) < 0.6),
            `${standard.id} ${technique} ${place} ${act.toMm}`
          ).toBe(true)
        }
      }),
      { numRuns: 400 }
    )
  })
})
