import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { heldOf } from '..'

describe('how a tablet is held', () => {
  // by hand, from the attitudes that W3C Device Orientation and Motion, 3.1, describes: flat on a table; upright; on its side
  it.each([
    [0, 0, 90, 0],
    [90, 0, 0, 0],
    [80, 0, 10, 0],
    [100, 0, -10, 0],
    [0, -90, 0, 0],
    [0, -80, 10, 0],
    [180, 0, -90, 0]
  ])('beta %d, gamma %d: %d degrees down, rolled %d', (beta, gamma, down, rolled) => {
    const held = heldOf(beta, gamma)
    expect(held.downDeg).toBeCloseTo(down, 6)
    expect(held.rolledDeg).toBeCloseTo(rolled, 6)
  })

  it('tells the roll of an upright tablet that leans to a side', () => {
    // turned about its own line of sight by r, an upright screen has "up" at r from its upper edge: beta 90 - r at gamma 90
    expect(Math.abs(heldOf(80, 90).rolledDeg)).toBeCloseTo(10, 6)
    expect(heldOf(80, 90).rolledDeg).toBeCloseTo(-heldOf(80, -90).rolledDeg, 6)
  })

  it('is told for every attitude, within what can be', () => {
    fc.assert(
      fc.property(fc.double({ min: -180, max: 180, noNaN: true }), fc.double({ min: -90, max: 90, noNaN: true }), (beta, gamma) => {
        const { downDeg, rolledDeg } = heldOf(beta, gamma)
        expect(Math.abs(downDeg)).toBeLessThanOrEqual(90.000001)
        expect(Math.abs(rolledDeg)).toBeLessThanOrEqual(45.000001)
      })
    )
  })
})
