import { houseRules, standards } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { RegionId } from '../regions'
import { fittedStandard, NOTHING_ASKED, standardIssues, type Standard } from '.'

const by = (id: string) => standards.find((standard) => standard.id === id)!
const wish = (region: RegionId, mm: number, askedBy = 'Maren') => ({ what: 'as you like', askedBy, length: { region, mm } })
const howOf = (standard: Standard, id: string) => standard.criteria.find((criterion) => criterion.id === id)!.how

describe('a standard as it holds for one dog', () => {
  it('is the written one where nothing was chosen or asked for', () => {
    for (const standard of standards) expect(fittedStandard(standard, NOTHING_ASKED)).toEqual({ standard, moved: [] })
  })

  // Ref: hand calculation: skirt 45 in 39 to 51 (limit 23 to 67); at 60 mm every distance is a third larger
  it('moves target, band and limit with a wish, and says who asked', () => {
    const { standard, moved } = fittedStandard(by('bearded-pet'), { house: {}, wishes: [wish('skirt', 60)] })
    expect(howOf(standard, 'skirt-length')).toMatchObject({ targetMm: 60, band: [52, 68], limit: [30.7, 89.3] })
    expect(standard.plan.lengthsMm.skirt).toBe(60)
    expect(moved).toEqual([
      {
        regions: ['skirt'],
        by: { wish: 'as you like', askedBy: 'Maren' },
        say: 'Skirt: 60 mm, not 45 mm, asked for by Maren (as you like).'
      }
    ])
    expect(howOf(by('bearded-pet'), 'skirt-length')).toMatchObject({ targetMm: 45 })
  })

  it('lets a wish beat the house, and names nobody where nobody is named', () => {
    const both = fittedStandard(by('bearded-pet'), { house: { brows: 1 }, wishes: [wish('brow', 20, '')] })
    expect(both.standard.plan.lengthsMm.brow).toBe(20)
    expect(both.standard.criteria.some(({ id }) => id === 'brow-line')).toBe(false)
    expect(both.moved.map(({ say }) => say)).toEqual([
      'Brows off: 3.2 mm over the eyes, and no line to judge.',
      'Brow: 20 mm, not 3.2 mm, as it was asked for.'
    ])
  })

  it('never narrows a band below what its instrument can decide, whatever is asked for', () => {
    const regions = [...new Set(standards.flatMap(({ plan }) => Object.keys(plan.lengthsMm)))] as RegionId[]
    fc.assert(
      fc.property(
        fc.constantFrom(...standards.map(({ id }) => id)),
        fc.constantFrom(...regions),
        fc.double({ min: 0.25, max: 300, noNaN: true }),
        fc.constantFrom(...houseRules.map(({ id }) => id)),
        fc.nat(1),
        (id, region, raw, rule, side) => {
          const mm = Math.round(raw * 100) / 100
          const { standard: fitted } = fittedStandard(by(id), { house: { [rule]: side }, wishes: [wish(region, mm)] })
          const own = standardIssues({ ...fitted, variants: [] }).filter(
            ({ path, code }) => !path.startsWith('makes') && !path.startsWith('ownFault') && code !== 'unknownPair'
          )
          expect(own, `${id} ${region} ${mm}`).toEqual([])
        }
      ),
      { numRuns: 300 }
    )
  })
})
