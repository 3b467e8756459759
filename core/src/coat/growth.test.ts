import fc from 'fast-check'
import jStat from 'jstat'
import { describe, expect, it } from 'vitest'
import { normalDraw, randomFrom } from '../stats'
import { daysOfGap, GROWTH_PRIOR, growthAt, growthOf, PLACES_SD, rateOfGap, slopeOf, type RateFound } from './growth'
import { historyOf, ratesFrom, stepOn } from './history'
import { lengthOn } from './layers'
import { COAT_RULES } from './rules'
import { GROWING } from './testing'

describe('slope of lengths', () => {
  it('is exact on a line', () => {
    const points = [0, 10, 25, 40].map((day) => ({ day, mm: 4 + 0.35 * day, uMm: 0.6 }))
    expect(slopeOf(points)!.mmPerDay).toBeCloseTo(0.35, 12)
  })
  // Ref: hand calculation. Two points 30 days apart, each u 0.6 mm: slope (13 - 4)/30, u sqrt(2) 0.6/30
  it('has the u of two readings over the days between them', () => {
    const found = slopeOf([
      { day: 0, mm: 4, uMm: 0.6 },
      { day: 30, mm: 13, uMm: 0.6 }
    ])!
    expect(found.mmPerDay).toBeCloseTo(0.3, 12)
    expect(found.uMmPerDay).toBeCloseTo((Math.SQRT2 * 0.6) / 30, 12)
  })
  // Ref: jstat 1.9.6, models.ols on rows multiplied by 1/u (weighted least squares is ordinary least squares on them)
  it('agrees with an independent library on random points', () => {
    let checked = 0
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            gap: fc.integer({ min: 1, max: 20 }),
            mm: fc.double({ min: 0, max: 60, noNaN: true }),
            uMm: fc.double({ min: 0.2, max: 3, noNaN: true })
          }),
          {
            minLength: 3,
            maxLength: 12
          }
        ),
        (rows) => {
          let day = 0
          const points = rows.map(({ gap, mm, uMm }) => ({ day: (day += gap), mm, uMm }))
          const fit = jStat.models.ols(
            points.map(({ mm, uMm }) => mm / uMm),
            points.map(({ day: at, uMm }) => [1 / uMm, at / uMm])
          )
          expect(slopeOf(points)!.mmPerDay).toBeCloseTo(fit.coef[1], 8)
          checked++
        }
      )
    )
    expect(checked).toBeGreaterThanOrEqual(100)
  })
  it('tells nothing from one day', () => {
    expect(
      slopeOf([
        { day: 5, mm: 10, uMm: 0.6 },
        { day: 5, mm: 11, uMm: 0.6 }
      ])
    ).toBeNull()
    expect(slopeOf([])).toBeNull()
  })
})

describe('layer gaps', () => {
  // Ref: common practice, no published source: layers up to 38 mm apart in a long-left coat; at 0.3 mm a day about 18 weeks
  it('38 mm at 0.3 mm a day lie about 18 weeks apart', () => {
    expect(daysOfGap(38, 0.3)).toBe(127)
    expect(Math.round(daysOfGap(38, 0.3) / 7)).toBe(18)
  })
  it('gives the rate over the days between the pulls', () => {
    expect(rateOfGap(12.6, 42, 2)).toEqual({ from: 'gap', mmPerDay: 12.6 / 42, uMmPerDay: 2 / 42, n: 1 })
    expect(rateOfGap(5, 0, 2)).toBeNull()
  })
})

describe('a dog’s own rate', () => {
  const rate = (mmPerDay: number, uMmPerDay: number): RateFound => ({ from: 'lengths', mmPerDay, uMmPerDay, n: 2 })
  it('is the prior where nothing was measured', () => {
    expect(growthOf([])).toMatchObject({ method: 'prior', mmPerDay: expect.closeTo(0.3, 12), u: 0.08, n: 0 })
    expect(growthAt('back', new Map()).interval).toEqual(growthOf([]).interval)
  })
  // Ref: hand calculation. Prior .3 with .08, one rate .4 with .04: precisions 156.25 and 625, mean .38, u 1/sqrt(781.25) = .0357771
  it('weighs evidence by its precision', () => {
    const found = growthOf([rate(0.4, 0.04)])
    expect(found.mmPerDay).toBeCloseTo(0.38, 12)
    expect(found.u).toBeCloseTo(0.0357771, 7)
    expect(found.interval[0]).toBeCloseTo(0.38 - 1.959964 * 0.0357771, 5)
  })
  it('draws near to the evidence and gets surer the more there is', () => {
    let last = growthOf([])
    for (let n = 1; n < 12; n++) {
      const next = growthOf(Array.from({ length: n }, () => rate(0.42, 0.05)))
      expect(next.u).toBeLessThan(last.u)
      expect(Math.abs(next.mmPerDay - 0.42)).toBeLessThan(Math.abs(last.mmPerDay - 0.42))
      last = next
    }
  })
  it('takes from other places what they say, less sure by how much places differ', () => {
    const found = new Map([['ribs', [rate(0.42, 0.02)]]])
    const elsewhere = growthAt('back', found)
    const there = growthAt('ribs', found)
    expect(there.u).toBeLessThan(elsewhere.u)
    expect(elsewhere.u).toBeGreaterThanOrEqual(PLACES_SD)
    expect(elsewhere.mmPerDay).toBeGreaterThan(GROWTH_PRIOR.mmPerDay)
    expect(elsewhere.mmPerDay).toBeLessThan(there.mmPerDay)
  })
  it('covers the true rate in about 95 of 100 dogs whose rates come from the prior', () => {
    // Ref: simulation; a 95 % interval holds the truth in 95 %: 4000 dogs, binomial sd .35 %
    let held = 0
    const random = randomFrom(12345)
    const normal = () => normalDraw(random)
    const dogs = 4000
    for (let i = 0; i < dogs; i++) {
      const truth = 0.3 + 0.08 * normal()
      const { interval } = growthOf([rate(truth + 0.05 * normal(), 0.05), rate(truth + 0.03 * normal(), 0.03)])
      if (truth >= interval[0] && truth <= interval[1]) held++
    }
    expect(held / dogs).toBeGreaterThan(0.937)
    expect(held / dogs).toBeLessThan(0.963)
  })
})

describe('what a place says of its growth', () => {
  it('reads the rate that grew the coat: bare, then measured', () => {
    const grows = { ...GROWING, mmPerDay: 0.36 }
    const history = historyOf([{ day: 0, act: { kind: 'pulled', how: 'all' } }], 0, grows, COAT_RULES)
    const mmOn = (day: number) => lengthOn(stepOn(history, day).layers[0], day, grows)
    const lengths = [60, 90].map((day) => ({ day, act: { kind: 'length' as const, mm: mmOn(day), uMm: 0.6 } }))
    const [found] = ratesFrom([{ day: 0, act: { kind: 'pulled', how: 'all' } }, ...lengths], 28)
    expect(found.mmPerDay).toBeCloseTo(0.36, 9)
  })
  it('begins anew after a cut, and uses the cut’s own length', () => {
    const found = ratesFrom(
      [
        { day: 0, act: { kind: 'length', mm: 30, uMm: 0.6 } },
        { day: 10, act: { kind: 'cut', toMm: 3.2 } },
        { day: 40, act: { kind: 'length', mm: 12.2, uMm: 0.6 } }
      ],
      28
    )
    expect(found).toHaveLength(1)
    expect(found[0].mmPerDay).toBeCloseTo(0.3, 9)
  })
  it('leaves out what runs backward', () => {
    const found = ratesFrom(
      [
        { day: 0, act: { kind: 'length', mm: 30, uMm: 0.6 } },
        { day: 30, act: { kind: 'length', mm: 20, uMm: 0.6 } }
      ],
      28
    )
    expect(found).toEqual([])
  })
})
