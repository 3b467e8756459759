// What is worked out from several readings. Formulas and their measures: common practice, no published source.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { normalDraw, randomFrom } from '../stats'
import { computeFrom, FORMULAS, formulaById, type FormulaId, type Inputs } from '.'

const ruler = { uMm: 1, commonMm: 0.3 }
const valueOf = (id: FormulaId, inputs: Inputs) => computeFrom(id, inputs, ruler).value

describe('formulas', () => {
  // Ref: hand calculation of each
  it.each<[FormulaId, Inputs, number]>([
    ['neckToMuzzle', { neck: 66, muzzle: 60 }, 110],
    ['footLineHeight', { front: 4, inside: 0, rear: -2, outside: 6 }, 2],
    ['footLineTilt', { front: 4, inside: 0, rear: -2, outside: 6 }, 8],
    ['tailToHead', { tail: 655, head: 640 }, 15],
    ['bandByComb', { width: 50.8 }, 0],
    ['bandByPinBones', { width: 70, pinBones: 76 }, -6],
    ['bevelPair', { top: 18, bottom: 26 }, -8],
    ['tubeRatio', { end: 66, middle: 110 }, 60],
    ['ruffDepth', { ruff: 199, skull: 180 }, 19],
    ['blendSlope', { long: 19, short: 16, across: 40 }, 0.75],
    ['plumeToTable', { plume: 225, root: 230 }, -5],
    ['apparentBody', { length: 290, groin: 10, height: 300 }, 100],
    ['tipToRoot', { tip: 27, root: 30 }, 90],
    ['cutShare', { cut: 60, border: 600 }, 10],
    ['bandSpacing', { long: 152.4, bands: 6 }, 0]
  ])('%s', (id, inputs, expected) => expect(valueOf(id, inputs)).toBeCloseTo(expected, 9))

  it('are each tried above, and say what they do and in which unit', () => {
    expect(new Set(FORMULAS.map(({ id }) => id)).size).toBe(15)
    for (const { says, unit, inputs } of FORMULAS) {
      expect(says.length).toBeGreaterThan(10)
      expect(['mm', '%', 'mm/cm']).toContain(unit)
      expect(inputs.length).toBeGreaterThan(0)
    }
  })

  // Ref: JCGM 100:2008, 5.1.2: for a difference of two readings u^2 = 2 (u_i^2 - c^2), what both share drops out
  it('let a shared error drop out of a difference, and carry it in a sum', () => {
    const { u, common } = computeFrom('tailToHead', { tail: 640, head: 640 }, ruler)
    expect(u).toBeCloseTo(Math.sqrt(2 * (1 - 0.09)), 6)
    expect(common).toBeCloseTo(0, 9)
    // a mean of four: u^2 = (u_i^2 - c^2) / 4 + c^2
    const mean = computeFrom('footLineHeight', { front: 0, inside: 0, rear: 0, outside: 0 }, ruler)
    expect(mean.u).toBeCloseTo(Math.sqrt(0.91 / 4 + 0.09), 6)
    expect(mean.common).toBeCloseTo(0.3, 6)
  })

  // Ref: JCGM 101:2008: the spread of a simulation, readings drawn with an own and a shared error
  it.each<[FormulaId, Inputs]>([
    ['neckToMuzzle', { neck: 62, muzzle: 60 }],
    ['tubeRatio', { end: 60, middle: 100 }],
    ['blendSlope', { long: 40, short: 12, across: 60 }],
    ['apparentBody', { length: 600, groin: 20, height: 615 }],
    ['ruffDepth', { ruff: 199, skull: 180 }]
  ])('%s has the u of its simulation', (id, inputs) => {
    const random = randomFrom(11)
    const formula = formulaById(id)!
    const own = Math.sqrt(1 - 0.09)
    const draws = Array.from({ length: 20000 }, () => {
      const shared = 0.3 * normalDraw(random)
      return formula.of(Object.fromEntries(Object.entries(inputs).map(([name, mm]) => [name, mm + shared + own * normalDraw(random)])))
    })
    const mean = draws.reduce((sum, value) => sum + value, 0) / draws.length
    const sd = Math.sqrt(draws.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (draws.length - 1))
    // Tolerance: four standard errors of an SD from 20,000 draws are 2 %
    expect(computeFrom(id, inputs, ruler).u / sd).toBeGreaterThan(0.98)
    expect(computeFrom(id, inputs, ruler).u / sd).toBeLessThan(1.02)
  })

  it('a tilt is never below nought, and turning the foot changes nothing', () => {
    const height = fc.double({ min: -60, max: 60, noNaN: true })
    fc.assert(
      fc.property(height, height, height, height, (front, inside, rear, outside) => {
        const tilt = valueOf('footLineTilt', { front, inside, rear, outside })
        expect(tilt).toBeGreaterThanOrEqual(0)
        expect(valueOf('footLineTilt', { front: inside, inside: rear, rear: outside, outside: front })).toBeCloseTo(tilt, 9)
      }),
      { numRuns: 60 }
    )
  })

  it.each<[string, Inputs, RegExp]>([
    ['a reading that was not taken', { neck: 60 }, /muzzle is nothing; it must be muzzle, stop to nose/],
    ['a muzzle of nothing', { neck: 60, muzzle: 0 }, /muzzle, stop to nose is 0; it must be 1 to 300 mm/],
    ['a length no dog has', { neck: 900, muzzle: 60 }, /neck, throat to point is 900; it must be 0 to 300 mm/]
  ])('refuse %s', (_, inputs, words) => expect(() => valueOf('neckToMuzzle', inputs)).toThrow(words))
})
