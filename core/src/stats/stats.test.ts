import fc from 'fast-check'
import jstat from 'jstat'
import { describe, expect, it } from 'vitest'
import { mean, normalCdf, normalDraw, quantile, randomFrom, sampleVariance, seedOf, wilson } from '.'

describe('normalCdf', () => {
  // Ref: jstat 1.9.6 jStat.normal.cdf(z, 0, 1), an independent implementation; 2e-9 is jstat's own erf accuracy
  it('agrees with an independent normal distribution', () => {
    let checked = 0
    for (let z = -6; z <= 6; z += 0.05, checked++) expect(normalCdf(z)).toBeCloseTo(jstat.normal.cdf(z, 0, 1), 8)
    expect(checked).toBeGreaterThan(230)
  })

  // Ref: R 4.2 pnorm, from memory: pnorm(1.96) = 0.9750021, pnorm(-3) = 0.001349898
  it('has the well-known tail values', () => {
    expect(normalCdf(1.96)).toBeCloseTo(0.9750021048517795, 12)
    expect(normalCdf(-3)).toBeCloseTo(0.0013498980316300933, 12)
    expect(normalCdf(0)).toBe(0.5)
  })

  it('is symmetric and rises', () => {
    fc.assert(
      fc.property(fc.double({ min: -8, max: 8, noNaN: true }), fc.double({ min: 0.001, max: 1, noNaN: true }), (z, d) => {
        expect(normalCdf(z) + normalCdf(-z)).toBeCloseTo(1, 12)
        expect(normalCdf(z + d)).toBeGreaterThanOrEqual(normalCdf(z))
      })
    )
  })
})

describe('wilson', () => {
  // Ref: Newcombe 1998, Statistics in Medicine 17, table I (values from the shared reference list, verified there)
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718]
  ])('%i of %i', (successes, n, low, high) => {
    const { interval, value } = wilson(successes, n)
    expect(value).toBe(successes / n)
    expect(interval[0]).toBeCloseTo(low, 4)
    expect(interval[1]).toBeCloseTo(high, 4)
  })

  it.each([
    [3, 2],
    [-1, 2],
    [0, 0],
    [1.5, 3]
  ])('refuses %f of %f', (successes, n) => expect(() => wilson(successes, n)).toThrow(/successes is/))
})

describe('summaries and draws', () => {
  // Ref: hand calculation; quantile as R type 7: quantile(1:4, .25) = 1.75
  it('match hand calculation', () => {
    expect(mean([1, 2, 3, 4])).toBe(2.5)
    expect(sampleVariance([2, 4, 4, 4, 5, 5, 7, 9])).toBeCloseTo(32 / 7, 12)
    expect(quantile([4, 1, 3, 2], 0.25)).toBe(1.75)
  })

  it('repeat for the same seed, and are standard normal', () => {
    const a = randomFrom(seedOf('x'))
    const b = randomFrom(seedOf('x'))
    const draws = Array.from({ length: 20000 }, () => normalDraw(a))
    expect(normalDraw(b)).toBe(draws[0])
    // Tolerance: four standard errors of a mean of 20,000 standard normals
    expect(Math.abs(mean(draws))).toBeLessThan(4 / Math.sqrt(20000))
    expect(Math.abs(sampleVariance(draws) - 1)).toBeLessThan(4 * Math.sqrt(2 / 20000))
  })
})
