import { bodies, bodyById, coatFor } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { skeletonOf } from '../body'
import { buildSkin } from '../views'
import { coatTable, DAYS_LIMITS, DRAWN_REGIONS, LIE_DEG, lieOf, sizedTo, standing, standShare, USUAL_MM_PER_DAY, type Coat } from '.'

const coat: Coat = { lengths: { foreleg: 35, ribs: 12 }, texture: 'straight', shapes: [] }

describe('a trim on a dog of another size', () => {
  // Ref: hand calculation: a dog of half the height has its foot line and band at half, and hair of the same length
  it('moves places and rounds with the dog, and leaves hair alone', () => {
    const { shapes } = coatFor('poodle', 'bracelets')
    const half = sizedTo(shapes, 0.5)
    const of = (list: typeof shapes, kind: string, at = 0) =>
      list.filter((shape) => shape.kind === kind)[at] as unknown as Record<string, number>
    expect(of(half, 'footLine').heightMm).toBe(of(shapes, 'footLine').heightMm / 2)
    expect(of(half, 'band')).toMatchObject({ bareMm: of(shapes, 'band').bareMm / 2, vMm: of(shapes, 'band').vMm / 2 })
    expect(of(half, 'pompon').radiusMm).toBe(of(shapes, 'pompon').radiusMm / 2)
    expect(of(half, 'cylinder')).toMatchObject({ topMm: of(shapes, 'cylinder').topMm / 2, hairMm: of(shapes, 'cylinder').hairMm })
    expect(sizedTo(shapes, 1)).toBe(shapes)
  })
})

describe('a coat as numbers', () => {
  // Ref: hand calculation: level skin, hair flowing at a right angle to the normal, stands L cos(lie)
  it('stands by the cosine of its lie on level skin', () => {
    expect(standShare((60 * Math.PI) / 180, 0, 1, 1, 0)).toBeCloseTo(0.5, 12)
    expect(standShare(0, 0, 1, 1, 0)).toBe(1)
    expect(standing(coatTable(coat, { lengths: coat.lengths }), 'foreleg')).toBeCloseTo(
      35 * Math.cos((lieOf(coat, 'foreleg') * Math.PI) / 180),
      4
    )
  })

  it('knows a lie for every region, between upright and flat, and a coat may have its own', () => {
    for (const region of DRAWN_REGIONS) {
      expect(LIE_DEG[region], region).toBeGreaterThan(0)
      expect(LIE_DEG[region], region).toBeLessThan(90)
    }
    expect(lieOf({ ...coat, lies: { all: 20, ribs: 70 } }, 'ribs')).toBe(70)
    expect(lieOf({ ...coat, lies: { all: 20, ribs: 70 } }, 'back')).toBe(20)
    expect(lieOf(coat, 'back')).toBe(LIE_DEG.back)
  })

  it('keeps the two sides apart; the second follows the first where it is not given', () => {
    const same = coatTable(coat, { lengths: coat.lengths })
    expect(standing(same, 'ribs', 'b')).toBe(standing(same, 'ribs', 'a'))
    const apart = coatTable(coat, { lengths: coat.lengths, lengthsB: { ...coat.lengths, ribs: 20 } })
    expect(standing(apart, 'ribs', 'b') / standing(apart, 'ribs', 'a')).toBeCloseTo(20 / 12, 5)
  })

  // Ref: hand calculation: 30 days at 0.3 mm are 9 mm
  it('grows by its days', () => {
    const grown = coatTable(coat, { lengths: coat.lengths, days: 30 })
    expect(grown.grownMm).toBeCloseTo(30 * USUAL_MM_PER_DAY, 12)
    expect(grown.length[DRAWN_REGIONS.indexOf('ribs')]).toBeCloseTo(21, 5)
    expect(() => coatTable(coat, { lengths: coat.lengths, days: DAYS_LIMITS.high + 1 })).toThrow('days is 121; it must be 0 to 120 days.')
    expect(() => coatTable(coat, { lengths: coat.lengths, days: 3, mmPerDay: 4 })).toThrow('mmPerDay is 4; it must be 0 to 1 mm a day.')
    expect(() => coatTable(coat, { lengths: {}, lengthsB: { ribs: -2 } })).toThrow('lengthsB.ribs is -2; it must be 0 to 300 mm.')
  })

  it('belongs at every place of every view to regions whose shares sum to one', () => {
    for (const body of bodies) {
      for (const view of ['side', 'head', 'front', 'rear', 'above'] as const) {
        const skin = buildSkin(view, body, skeletonOf(body, body.withersMm), coatFor(body.id), [])
        for (const { name, samples, inner, weights } of skin.layers) {
          for (let k = 0; k < samples; k++) {
            if (inner[k]) continue
            const sum = weights[4 * k] + weights[4 * k + 1] + weights[4 * k + 2] + weights[4 * k + 3]
            if (Math.abs(sum - 1) > 1e-4) expect.fail(`${body.id} ${view} ${name} at ${k}: ${sum}`)
          }
        }
      }
    }
  })

  // Ref: our figure kit measured 33 mm from the leg's axis at 35 mm of hair
  it('makes a column of skin and standing hair: 33 mm from the axis of a bearded dog’s foreleg at 35 mm of hair', () => {
    const body = bodyById('bearded')
    const half = (body.breadth.foreleg * 340) / 2
    const hair = standing(coatTable(coat, { lengths: coat.lengths }), 'foreleg')
    expect(Math.abs(half + hair - 33)).toBeLessThan(1)
  })
})
