import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Choice } from '../advice'
import { growthOf } from './growth'
import { bladeNow, lengthsThen, MAT_WEEKS, matRisk, trimInterval } from './pet'

const usual = () => growthOf([])
const fast = () => growthOf([{ from: 'lengths', mmPerDay: 0.6, uMmPerDay: 0.001, n: 9 }])
const companion = [
  { region: 'back' as const, targetMm: 16, grownOutMm: 32 },
  { region: 'foreleg' as const, targetMm: 19, grownOutMm: 36 }
]
const choice = (label: string, lengthMm: number | null): Choice => ({
  tool: { id: label, label, kind: 'blade', lengthMm, fraction: null, toothing: 'finish', note: '' },
  direction: 'with',
  lengthMm
})

describe('when a trim comes back', () => {
  // Ref: common practice, no published source: a companion trim 4 weeks ideal, 5 fair, 6 the longest unless brushed at home
  it('a companion trim: 4 weeks ideal, 5 fair, 6 the longest', () => {
    const found = trimInterval(companion, 'curly', 'never', usual)!
    expect(Math.round(found.idealWeeks)).toBe(4)
    expect(Math.round(found.fairWeeks)).toBe(5)
    expect(found).toMatchObject({ longestWeeks: 6, ends: 'mats', first: 'back' })
  })
  it('brushed at home it lasts until it is grown out', () => {
    const found = trimInterval(companion, 'curly', 'often', usual)!
    expect(found).toMatchObject({ longestWeeks: 7.6, ends: 'grownOut' })
    expect(found.interval[0]).toBeLessThan(7.6)
    expect(found.interval[1]).toBeGreaterThan(7.6)
  })
  // Ref: common practice, no published source: bracelets about every three weeks (3.2 mm body, no longer itself at 10 mm)
  it('bracelets: about three weeks', () => {
    expect(trimInterval([{ region: 'back', targetMm: 3.2, grownOutMm: 10 }], 'curly', 'weekly', usual)!.longestWeeks).toBeCloseTo(3.2, 1)
  })
  it('a dog that grows twice as fast comes twice as often', () => {
    expect(trimInterval(companion, 'curly', 'daily', fast)!.longestWeeks).toBeCloseTo(3.8, 1)
  })
  it('a trim without lengths has none', () => {
    expect(trimInterval([], 'curly', 'never', usual)).toBeNull()
  })
})

describe('mats', () => {
  it('are as likely as not at the coat’s own weeks, and brushing stretches them', () => {
    for (const coat of Object.keys(MAT_WEEKS) as (keyof typeof MAT_WEEKS)[])
      expect(matRisk(coat, MAT_WEEKS[coat], 'never')).toBeCloseTo(0.5, 12)
    expect(matRisk('curly', 12, 'often')).toBeCloseTo(0.5, 12)
  })
  it('get likelier with every week and rarer with every brushing', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(MAT_WEEKS) as (keyof typeof MAT_WEEKS)[])),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (coat, weeks) => {
          const risk = (['daily', 'often', 'weekly', 'never'] as const).map((brushing) => matRisk(coat, weeks, brushing))
          expect([...risk].sort((a, b) => a - b)).toEqual(risk)
          expect(matRisk(coat, weeks + 1, 'never')).toBeGreaterThanOrEqual(matRisk(coat, weeks, 'never'))
          expect(risk[3]).toBeLessThanOrEqual(1)
        }
      )
    )
  })
  it('refuse weeks that are none', () => {
    expect(() => matRisk('curly', -1, 'never')).toThrow('weeks is -1; it must be 0 to 104 weeks.')
  })
})

describe('lengths at the next visit', () => {
  it('grow at the dog’s rate and say what is grown out', () => {
    // Ref: hand calculation. Eight weeks at 0.3: 16.8 mm more; 16 becomes 32.8 (over 32), 19 becomes 35.8 (under 36)
    const then = lengthsThen(companion, 8, usual)
    expect(then.map(({ thenMm, isGrownOut }) => [Math.round(thenMm * 10) / 10, isGrownOut])).toEqual([
      [32.8, true],
      [35.8, false]
    ])
    expect(then[0].interval[0]).toBeLessThan(then[0].thenMm)
  })
})

describe('which blade now', () => {
  const choices = [
    choice('comb 0', 16),
    choice('3F', 13),
    choice('4F', 9.5),
    choice('7F', 3.2),
    choice('scissors', null),
    choice('comb C', 22)
  ]
  it('the trim’s own where it will still be right', () => {
    expect(bladeNow(companion[0], 6, usual(), choices)!.choice.tool.label).toBe('comb 0')
  })
  it('a shorter one where it will not', () => {
    // Ref: hand calculation. Nine weeks grow 18.9 mm: 16 + 18.9 is over 32, 13 + 18.9 = 31.9 is under
    const found = bladeNow(companion[0], 9, usual(), choices)!
    expect(found.choice.tool.label).toBe('3F')
    expect(found.thenMm).toBeCloseTo(31.9, 9)
  })
  it('none where the dog must come earlier', () => {
    expect(bladeNow(companion[0], 20, usual(), choices)).toBeNull()
  })
})
