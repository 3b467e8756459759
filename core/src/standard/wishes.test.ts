import { houseRules, standards, trimFits } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { minutesOfWalk } from '../setup'
import { fittedStandard, standardAsWished, standardIssues, WORK_WISHES, workWishesFor, type Standard } from '.'

const trimOf = (id: string) => standards.find((standard) => standard.id === id)!
const rowsAt = ({ plan }: Standard, place: string) => plan.work!.filter((row) => row.place === place)
const walk = ({ plan }: Standard) => plan.steps.map(({ technique }) => technique)
const wished = (id: string, work: (typeof WORK_WISHES)[number]) => standardAsWished(trimOf(id), [{ work }])

// Ref: common practice, no published source
describe('work that is asked for otherwise', () => {
  it('takes skirt and chest off with the body blade, and the walk loses their steps', () => {
    const off = wished('bearded-pet', 'skirtOff')
    for (const place of ['skirt', 'chest'])
      expect(rowsAt(off, place).map(({ passes }) => passes.map(({ kind, leavesMm }) => [kind, leavesMm]))).toEqual([[['clip', 3.2]]])
    expect(walk(off)).not.toContain('skirt-line')
    expect(walk(off)).not.toContain('chest-front')
    expect(rowsAt(off, 'foreleg')).toEqual(rowsAt(trimOf('bearded-pet'), 'foreleg'))
    const { standard, moved } = fittedStandard(trimOf('bearded-pet'), {
      house: {},
      wishes: [{ what: 'short', askedBy: 'the owner', length: null, work: 'skirtOff' }]
    })
    expect(standard.plan.lengthsMm).toMatchObject({ skirt: 3.2, chest: 3.2 })
    expect(moved.map(({ say }) => say)).toEqual(['Skirt and chest off, legs left, asked for by the owner.'])
  })

  it('clips a carded body with a 4F, and only a body that is not clipped', () => {
    const clipped = wished('flower', 'bodyClipped')
    expect(rowsAt(clipped, 'back')[0].passes).toMatchObject([{ kind: 'clip', tools: ['blade-4f'], leavesMm: 9.5 }])
    expect(walk(clipped)).toContain('body-clip')
    expect(walk(clipped)).not.toContain('card-first')
    expect(workWishesFor(trimOf('teddy'))).not.toContain('bodyClipped')
  })

  it('makes very short ears with a 40 where the inside of the ear is clipped', () => {
    expect(rowsAt(wished('bearded-pet', 'shortEars'), 'earInside')[0].passes[0]).toMatchObject({ tools: ['blade-40'], direction: 'with' })
    expect(workWishesFor(trimOf('long-coat'))).not.toContain('shortEars')
  })

  it('clips a coat off that cannot be saved, and leaves head, ears and feet to the trim', () => {
    const off = wished('companion', 'reset')
    for (const place of ['back', 'skirt', 'foreleg', 'thigh', 'neckTop'])
      expect(rowsAt(off, place)[0].passes).toMatchObject([{ tools: ['blade-7f'], leavesMm: 3.2 }])
    for (const place of ['skull', 'earOutside', 'foreFoot']) expect(rowsAt(off, place)).toEqual(rowsAt(trimOf('companion'), place))
  })

  it('is offered only where it changes something', () => {
    expect(workWishesFor(trimOf('bearded-pet'))).toEqual(['skirtOff', 'shortEars', 'reset'])
    expect(workWishesFor(trimOf('mountain-ear'))).toEqual(['reset'])
    for (const { trim } of trimFits) expect(workWishesFor(trimOf(trim)), trim).toContain('reset')
  })

  it('asked for twice is the same; minutes add up, and the plan holds together', () => {
    const house = fc.record(Object.fromEntries(houseRules.map(({ id, sides }) => [id, fc.integer({ min: 0, max: sides.length - 1 })])))
    fc.assert(
      fc.property(fc.constantFrom(...standards), fc.subarray([...WORK_WISHES]), house, (trim, works, sides) => {
        const wishes = works.map((work) => ({ what: 'so', askedBy: 'the owner', length: null, work }))
        const once = standardAsWished(trim, wishes)
        expect(standardAsWished(once, wishes)).toEqual(once)
        expect(minutesOfWalk(once.plan.steps).trim).toBe(once.standardMin)
        const { standard } = fittedStandard(trim, { house: sides, wishes })
        const issues = standardIssues({ ...standard, variants: [] }).filter(({ path }) => path.startsWith('plan'))
        expect(issues, `${trim.id} ${works.join(' ')}`).toEqual([])
      }),
      { numRuns: 60 }
    )
  })
})
