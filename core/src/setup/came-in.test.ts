import { standards } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { RegionId } from '../regions'
import { cameInLengths } from '.'

const planOf = (id: string) => standards.find((one) => one.id === id)!.plan
const wire = { house: {}, coat: 'wire' } as const

describe('a dog as it came in', () => {
  // Ref: hand calculation at the trade's 0.3 mm a day: 6 weeks are 12.6 mm
  it('has grown where it was cut, by its weeks', () => {
    const found = cameInLengths(planOf('bearded-pet'), 6, wire, 0.3)
    expect(found.back).toBeCloseTo(3.2 + 12.6, 9)
    expect(found.foreleg).toBeCloseTo(35 + 12.6, 9)
  })

  it('keeps its own length where coat left on or is left alone', () => {
    const [jacket, mountain] = [planOf('jacket-show'), planOf('mountain-ear')]
    expect(cameInLengths(jacket, 6, wire).back).toBe(jacket.lengthsMm.back)
    expect(cameInLengths(mountain, 8, { house: {}, coat: 'double' }).ribs).toBe(mountain.lengthsMm.ribs)
  })

  it('is drawn as planned where the weeks are not known, and is never shorter than the plan', () => {
    expect(cameInLengths(planOf('teddy'), null, wire)).toEqual(planOf('teddy').lengthsMm)
    fc.assert(
      fc.property(fc.constantFrom(...standards), fc.double({ min: 0, max: 520, noNaN: true }), ({ plan }, weeks) => {
        const found = cameInLengths(plan, weeks, wire)
        for (const [region, mm] of Object.entries(plan.lengthsMm)) expect(found[region as RegionId]).toBeGreaterThanOrEqual(mm)
      })
    )
  })
})
