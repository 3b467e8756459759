import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { giveOrTake, lengthsIn, mmOfText, inchFromMm, mmFromInch, mmOfFraction, sayLength } from '.'

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

describe('lengths that somebody typed or wants to read', () => {
  // Ref: hand calculation at 25.4 mm to the inch. Symptom: "14 in" as a height became NaN
  it.each<[string, 'mm' | 'in', number]>([
    ['356', 'mm', 356],
    ['14 in', 'mm', 355.6],
    ['14"', 'mm', 355.6],
    ['14 1/2 in', 'mm', 368.3],
    ['14', 'in', 355.6],
    ['356 mm', 'in', 356],
    ['35,6 cm', 'mm', 356],
    [' 3/8 inch', 'mm', 9.525]
  ])('%s by somebody who reads %s is %f mm', (text, unit, mm) => expect(mmOfText(text, unit)).toBeCloseTo(mm, 9))

  it.each(['', 'tall', '14 ft', '1/0 in', '-3', '14 in in', 'NaN', '1e3'])('refuses %s', (text) =>
    expect(() => mmOfText(text, 'mm')).toThrow(/it must be a length such as 356 mm, 35.6 cm or 14 in/)
  )

  it('turns the millimetres of a sentence into inches, and nothing else', () => {
    expect(lengthsIn('Left foreleg stands 11 mm prouder: take it back 1.5 mm.', 'in')).toBe(
      'Left foreleg stands 7/16 in prouder: take it back 1/16 in.'
    )
    expect(lengthsIn('the ruff, 13 to 25 mm behind the skull', 'in')).toBe('the ruff, 33/64 to 1 in behind the skull')
    expect(lengthsIn('356 mm at the withers, 12 weeks, 3 minutes', 'in')).toBe('14 in at the withers, 12 weeks, 3 minutes')
    expect(lengthsIn('leaves 3.2 mm', 'mm')).toBe('leaves 3.2 mm')
  })
})

describe('give or take', () => {
  // Ref: JCGM 100:2008, 6.3.3: twice the standard uncertainty holds about 95 times in 100
  it('is twice the standard uncertainty', () => {
    expect([0.7, 0.35, 4.96].map(giveOrTake)).toEqual(['1.4', '0.7', '9.9'])
    expect(() => giveOrTake(-1)).toThrow()
  })
})
