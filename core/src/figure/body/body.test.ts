import { bodies, bodyById } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { extentOf } from '../extent'
import type { Point } from '../vec'
import { fitBody, normalsOf, OUTLINE_ORDER, sampleCurve, skeletonOf, tubeAround, usualMeasures, type BodyType } from '.'

const body = bodyById('bearded')
const square: Point[] = [
  [0, 0],
  [0, 10],
  [10, 10],
  [10, 0]
]

describe('the curve', () => {
  it('passes through every control point and closes', () => {
    const { points, marks } = sampleCurve(square, () => false, 1)
    square.forEach((p, i) => {
      expect(points[marks[i]][0]).toBeCloseTo(p[0], 9)
      expect(points[marks[i]][1]).toBeCloseTo(p[1], 9)
    })
  })

  it('is a straight line where its points are', () => {
    const { points } = sampleCurve(
      [
        [0, 0],
        [5, 5],
        [10, 10],
        [20, 20]
      ],
      () => false,
      0.5,
      false
    )
    for (const [x, y] of points) expect(x).toBeCloseTo(y, 9)
  })

  it('has outward normals of length one on a clockwise ring', () => {
    const { points } = sampleCurve(square, () => true, 1)
    normalsOf(points).forEach(([nx, ny], i) => {
      expect(Math.hypot(nx, ny)).toBeCloseTo(1, 9)
      expect((points[i][0] - 5) * nx + (points[i][1] - 5) * ny).toBeGreaterThan(0)
    })
  })

  it('makes a tail as wide as asked in its middle', () => {
    const { ring, axis } = tubeAround(
      [
        [0, 0],
        [0, 50],
        [0, 100]
      ],
      [10, 8, 4],
      1
    )
    const at40 = ring.filter(([, y]) => Math.abs(y - 40) < 0.8).map(([x]) => x)
    expect(Math.max(...at40) - Math.min(...at40)).toBeCloseTo(8, 0)
    expect(axis.length).toBeGreaterThan(50)
  })
})

describe('the skeleton', () => {
  it('is a dog: elbow under the withers, hock behind the buttock, tail on the croup, feet on the ground', () => {
    const { marks: m } = skeletonOf(body, 340)
    expect(m.withers).toEqual([0, 340])
    expect(Math.abs(m.elbow[0])).toBeLessThan(0.06 * 340)
    expect(m.hockPoint[0]).toBeGreaterThan(m.buttock[0])
    expect(m.rearPad[1]).toBe(0)
    expect(m.frontPad[1]).toBe(0)
    expect(m.tailSet[1]).toBeGreaterThan(m.buttock[1])
    expect(m.noseTip[0]).toBeLessThan(m.prosternum[0])
  })

  it('scales with the withers in every landmark', () => {
    fc.assert(
      fc.property(fc.double({ min: 200, max: 800, noNaN: true }), (height) => {
        const [small, large] = [skeletonOf(body, 100).marks, skeletonOf(body, height).marks]
        for (const name of OUTLINE_ORDER) for (const c of [0, 1]) expect(large[name][c]).toBeCloseTo((small[name][c] * height) / 100, 6)
      })
    )
  })

  it('fits its extent', () => {
    const [left, bottom, right, top] = extentOf(body, 340)
    for (const [x, y] of Object.values(skeletonOf(body, 340).marks)) {
      expect(x).toBeGreaterThan(left)
      expect(x).toBeLessThan(right)
      expect(y).toBeGreaterThanOrEqual(bottom)
      expect(y).toBeLessThan(top)
    }
  })
})

describe('a dog with its own measurements', () => {
  // Ref: hand calculation from the landmarks
  it('is as long, as high on the leg and as long in the muzzle as it was measured', () => {
    const own = { withersMm: 355, backMm: 250, muzzleMm: 74, forelegMm: 190, footMm: 46 }
    const { marks: m } = skeletonOf(fitBody(body, own), own.withersMm)
    expect(m.withers[1]).toBe(355)
    expect(m.tailSet[0]).toBeCloseTo(250, 6)
    expect(m.elbow[1]).toBeCloseTo(190, 6)
    // the stop lies .045 of a head in front of where the muzzle's share begins
    expect(Math.hypot(m.noseTip[0] - m.stop[0], m.noseTip[1] - m.stop[1])).toBeCloseTo(74 - 0.045 * fitBody(body, own).headLen * 355, 0)
    expect(m.frontPad[0] - m.frontToe[0]).toBeGreaterThan(0.04 * 355)
  })

  it('is the body type where nothing was measured, and where it measures what the type would', () => {
    for (const type of bodies) {
      expect(fitBody(type, { withersMm: type.withersMm })).toEqual(type)
      const same = skeletonOf(fitBody(type, usualMeasures(type, type.withersMm)), type.withersMm).marks
      const plain = skeletonOf(type, type.withersMm).marks
      for (const name of OUTLINE_ORDER) for (const c of [0, 1]) expect(same[name][c], `${type.id} ${name}`).toBeCloseTo(plain[name][c], 6)
    }
  })

  it('keeps the skull when the muzzle is longer', () => {
    const skullOf = (type: BodyType) => type.headLen * (1 - type.muzzleShare)
    const longer = fitBody(body, { withersMm: 340, muzzleMm: 80 })
    expect(skullOf(longer)).toBeCloseTo(skullOf(body), 9)
    expect(longer.breadth.skull * longer.headLen).toBeCloseTo(body.breadth.skull * body.headLen, 9)
  })

  it('refuses a slip of the tape in words that name the field', () => {
    expect(() => fitBody(body, { withersMm: 34 })).toThrow(/withersMm is 34; it must be 150 to 900 mm/)
    expect(() => fitBody(body, { withersMm: 340, muzzleMm: 700 })).toThrow(/muzzleMm is 700; it must be \d+ to \d+ mm/)
    expect(() => fitBody(body, { withersMm: 340, forelegMm: Number.NaN })).toThrow(/forelegMm is NaN/)
  })
})
