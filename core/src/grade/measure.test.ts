import fc from 'fast-check'
import jstat from 'jstat'
import { describe, expect, it } from 'vitest'
import { byEye, conformity, fromReadings, shareOfMarks, verdictOf } from '.'

const gauge = { id: 'gauge', name: 'coat gauge', uMm: 0.4, commonMm: 0.2, readings: 3 }

describe('a length from readings', () => {
  // Ref: JCGM 100:2008, 4.2.3 and 5.1.2; hand calculation: s of 16.2 16.4 16.6 is .2, u = sqrt(.16 + .04/3)
  it('is the mean, with the instrument and the spread in u', () => {
    const measured = fromReadings([16.2, 16.4, 16.6], gauge)
    expect(measured.value).toBeCloseTo(16.4, 12)
    expect(measured.u).toBeCloseTo(Math.sqrt(0.16 + 0.04 / 3), 12)
    expect(measured.n).toBe(3)
  })

  it.each([[[-3]], [[900]]])('refuses the reading %j', (readings) => {
    expect(() => fromReadings(readings, gauge)).toThrow(/reading is .*; it must be 0 to 300 mm/)
  })

  it('refuses a reading that is no number', () => expect(() => fromReadings([Number.NaN], gauge)).toThrow(/is NaN; it must be a finite/))

  it('refuses no reading at all', () => expect(() => fromReadings([], gauge)).toThrow(/readings is 0; it must be 1 to 9/))
})

describe('conformity with the full-marks band', () => {
  // Ref: JCGM 106:2012, 7.2, against jstat 1.9.6 as an independent normal distribution
  it('agrees with an independent normal distribution', () => {
    let checked = 0
    fc.assert(
      fc.property(fc.double({ min: 0, max: 60, noNaN: true }), fc.double({ min: 0.1, max: 5, noNaN: true }), (y, u) => {
        const expected = jstat.normal.cdf((18 - y) / u, 0, 1) - jstat.normal.cdf((12 - y) / u, 0, 1)
        expect(conformity(y, u, [12, 18])).toBeCloseTo(expected, 7)
        checked++
      })
    )
    expect(checked).toBeGreaterThanOrEqual(100)
  })

  it('calls meets, fails or cannot tell at 95 and 5 %', () => {
    expect(verdictOf(conformity(15, 0.5, [12, 18]))).toBe('meets')
    expect(verdictOf(conformity(18, 0.5, [12, 18]))).toBe('cannotTell')
    expect(verdictOf(conformity(20, 0.5, [12, 18]))).toBe('fails')
  })

  it('makes a look just certain, no more', () => {
    const look = byEye(15, [12, 18])
    expect(verdictOf(conformity(look.value, look.u, [12, 18]))).toBe('meets')
    expect(verdictOf(conformity(look.value + 1, look.u, [12, 18]))).toBe('cannotTell')
  })
})

describe('the share of the marks', () => {
  // Ref: hand calculation: half way between band and limit is half the marks
  it.each([
    [15, 1],
    [18, 1],
    [21, 0.5],
    [24, 0],
    [90, 0],
    [9, 0.5]
  ])('at %f mm is %f', (value, share) => expect(shareOfMarks(value, [12, 18], [6, 24])).toBeCloseTo(share, 12))

  it('never rises as a length leaves the band', () => {
    fc.assert(
      fc.property(fc.double({ min: 18, max: 80, noNaN: true }), fc.double({ min: 0, max: 20, noNaN: true }), (value, more) => {
        expect(shareOfMarks(value + more, [12, 18], [6, 24])).toBeLessThanOrEqual(shareOfMarks(value, [12, 18], [6, 24]))
      })
    )
  })

  it('has no lower side where the band is open', () => {
    expect(shareOfMarks(0, [null, 4], [null, 14])).toBe(1)
    expect(shareOfMarks(9, [null, 4], [null, 14])).toBeCloseTo(0.5, 12)
  })
})
