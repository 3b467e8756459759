import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inchFromMm, mmFromInch, mmOfFraction, sayLength } from '.'

describe('inches and millimetres', () => {
  // Ref: 1 in = 25.4 mm exactly (1959 agreement, from memory); products worked by hand
  it.each([
    ['1/100', 0.254],
    ['3/64', 1.190625],
    ['1/16', 1.5875],
    ['5/64', 1.984375],
    ['1/2', 12.7],
    ['1', 25.4],
    ['1 1/8', 28.575]
  ])('%s in is %f mm', (label, mm) => expect(mmOfFraction(label)).toBeCloseTo(mm, 12))

  it.each(['', 'x', '1/0', '-1/2', '1.5'])('refuses %j as a fraction', (label) => {
    expect(() => mmOfFraction(label)).toThrow(/fraction is/)
  })

  it('goes there and back for any length', () => {
    fc.assert(fc.property(fc.double({ min: 0, max: 300, noNaN: true }), (mm) => Math.abs(mmFromInch(inchFromMm(mm)) - mm) < 1e-9))
  })

  it('says lengths as the trade writes them', () => {
    expect(sayLength(15.875, 'in')).toBe('5/8 in')
    expect(sayLength(1.6, 'mm')).toBe('1.6 mm')
    expect(sayLength(0.25, 'mm')).toBe('0.25 mm')
    expect(sayLength(25.4, 'in')).toBe('1 in')
  })
})
