// Lines from the side, the plane of a mat, and measures drawn together. Against published values, exact and analytic cases.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { angleAt, footLine, homography, largestStep, simulate, straightness, topline, toPlane, type PhotoPoint } from '.'
import type { CoreError } from '../error'
import { normalDraw } from '../stats'

const issueOf = (work: () => unknown) => {
  try {
    work()
  } catch (error) {
    return (error as CoreError).issue
  }
  return null
}
const mirrored = (points: readonly PhotoPoint[]) => points.map(([x, y]): PhotoPoint => [-x, y])

describe('a topline', () => {
  // a back of 300 mm with a dip of 5 mm a third of the way and a rise of 3 mm at two thirds; hand-made
  const BACK: readonly PhotoPoint[] = [
    [-20, 9],
    [0, 0],
    [50, 2],
    [100, 5],
    [150, 0],
    [200, -3],
    [250, -1],
    [300, 0],
    [330, 12]
  ]

  it('says its largest rise and dip against the chord, and where; what lies beyond the chord is left out', () => {
    const { lengthMm, rise, dip } = topline(BACK, [0, 0], [300, 0])
    expect(lengthMm).toBe(300)
    expect(dip).toEqual({ byMm: 5, along01: expect.closeTo(1 / 3, 9) })
    expect(rise).toEqual({ byMm: 3, along01: expect.closeTo(2 / 3, 9) })
  })

  it('is the same whichever way the dog faces, and on a sloping chord', () => {
    expect(topline(mirrored(BACK), [0, 0], [-300, 0]).dip.byMm).toBeCloseTo(5, 9)
    const turn = ([x, y]: PhotoPoint): PhotoPoint => [x * Math.cos(0.1) - y * Math.sin(0.1), x * Math.sin(0.1) + y * Math.cos(0.1)]
    const turned = topline(BACK.map(turn), turn([0, 0]), turn([300, 0]))
    expect([turned.rise.byMm, turned.dip.byMm]).toEqual([expect.closeTo(3, 9), expect.closeTo(5, 9)])
  })

  it('is refused for too short a line and for one place twice', () => {
    expect(issueOf(() => topline(BACK.slice(0, 4), [0, 0], [300, 0]))).toMatchObject({ code: 'tooFew', got: 4 })
    expect(issueOf(() => topline(BACK, [0, 0], [0, 0]))).toMatchObject({ code: 'oneSpot' })
  })
})

describe('lines that should be straight', () => {
  const sloping = (deg: number): PhotoPoint[] =>
    Array.from({ length: 9 }, (_, i): PhotoPoint => [i * 20, i * 20 * Math.tan((deg * Math.PI) / 180)])
  it('tell how they fall toward the tail, whichever way the dog faces', () => {
    expect(straightness(sloping(7), 'left').slopeDeg).toBeCloseTo(7, 9)
    expect(straightness(mirrored(sloping(7)), 'right').slopeDeg).toBeCloseTo(7, 9)
    expect(straightness(sloping(-3), 'left')).toMatchObject({ slopeDeg: expect.closeTo(-3, 9), offMm: expect.closeTo(0, 9) })
    const wavy = sloping(0).map(([x, y], i): PhotoPoint => [x, y + (i === 4 ? 6 : 0)])
    expect(straightness(wavy, 'left').offMm).toBeGreaterThan(4.5)
  })

  it('tell how high a foot line stands above the ankle, and its tilt', () => {
    const high = footLine(
      [
        [0, 92],
        [10, 92],
        [20, 92],
        [30, 92]
      ],
      [15, 100]
    )
    expect(high).toEqual({ aboveMm: [8, 8, 8, 8], mean: 8, tiltDeg: expect.closeTo(0, 9) })
    expect(
      footLine(
        [
          [0, 100],
          [30, 90]
        ],
        [15, 100]
      ).tiltDeg
    ).toBeCloseTo((Math.atan2(10, 30) * 180) / Math.PI, 9)
  })

  it('meet at an angle that turning does not change', () => {
    expect(angleAt([0, 0], [10, 0], [0, 10])).toBeCloseTo(90, 9)
    expect(angleAt([0, 0], [10, 0], [-5, 0])).toBeCloseTo(180, 9)
    // Ref: an equilateral triangle
    expect(angleAt([0, 0], [1, 0], [0.5, Math.sqrt(3) / 2])).toBeCloseTo(60, 9)
    expect(issueOf(() => angleAt([1, 1], [1, 1], [2, 2]))).toMatchObject({ code: 'oneSpot' })
  })
})

describe('the largest step of a line', () => {
  const side = (n: number, stepMm: number, from: number, bend = 0.004): PhotoPoint[] =>
    Array.from({ length: n }, (_, i): PhotoPoint => {
      const x = (i * 90) / (n - 1)
      return [x, bend * (x - 45) ** 2 + (i >= from ? stepMm : 0)]
    })
  const turned = (points: readonly PhotoPoint[], deg: number): PhotoPoint[] => {
    const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
    return points.map(([x, y]) => [30 + c * x - s * y, -12 + s * x + c * y])
  }
  // Ref: exact cases: a parabola without a step, and a straight line or a parabola with one
  it('is nothing on a bend, and the whole of a step', () => {
    expect(largestStep(side(9, 0, 0))).toBeLessThan(0.01)
    expect(largestStep(side(9, 6, 5, 0))).toBeCloseTo(6, 1)
    expect(largestStep(side(9, 6, 5))).toBeCloseTo(6, 0)
    expect(largestStep(side(5, -4, 2, 0))).toBeCloseTo(4, 0)
  })
  it('stays the same however the head is held, and from either end', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -180, max: 180 }),
        fc.integer({ min: 3, max: 6 }),
        fc.integer({ min: 2, max: 9 }),
        (deg, from, step) => {
          const line = side(9, step, from)
          expect(largestStep(turned(line, deg))).toBeCloseTo(largestStep(line), 6)
          expect(largestStep([...line].reverse())).toBeCloseTo(largestStep(line), 6)
        }
      )
    )
  })
  it('asks for five points', () => {
    expect(issueOf(() => largestStep(side(4, 2, 2)))).toMatchObject({ code: 'tooFew' })
  })
})

describe('the plane of a mat', () => {
  // Ref: worked example in the README of the package perspective-transform (reference values, verified)
  const FROM: readonly PhotoPoint[] = [
    [158, 64],
    [494, 69],
    [495, 404],
    [158, 404]
  ]
  const TO: readonly PhotoPoint[] = [
    [100, 500],
    [152, 564],
    [148, 604],
    [100, 560]
  ]
  it('is the one of the worked example', () => {
    const [x, y] = toPlane(homography(FROM, TO), [250, 120])
    // that package rounds its coefficients to ten decimals, which leaves some hundred-thousandths of a pixel
    expect(x).toBeCloseTo(117.27521125839255, 4)
    expect(y).toBeCloseTo(530.9202410878403, 4)
  })

  it('takes its own corners to their places and back, and keeps lines straight', () => {
    const near = (x: number, y: number) => fc.tuple(fc.integer({ min: x - 30, max: x + 30 }), fc.integer({ min: y - 30, max: y + 30 }))
    let cases = 0
    fc.assert(
      fc.property(near(0, 0), near(300, 0), near(300, 200), near(0, 200), (a, b, c, d) => {
        const mat: readonly PhotoPoint[] = [
          [0, 0],
          [600, 0],
          [600, 400],
          [0, 400]
        ]
        const there = homography([a, b, c, d], mat)
        const back = homography(mat, [a, b, c, d])
        mat.forEach((corner, i) => {
          const [x, y] = toPlane(there, [a, b, c, d][i])
          expect(Math.hypot(x - corner[0], y - corner[1])).toBeLessThan(1e-6)
        })
        const line = [0.2, 0.5, 0.9].map((share): PhotoPoint => toPlane(there, toPlane(back, [100 + 400 * share, 50 + 300 * share])))
        const [p, q, r] = line
        expect(Math.abs((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]))).toBeLessThan(1e-4)
        cases++
      })
    )
    expect(cases).toBeGreaterThanOrEqual(100)
  })

  it('is refused for three places on a line and for other than four', () => {
    expect(
      issueOf(() =>
        homography(
          [
            [0, 0],
            [1, 0],
            [2, 0],
            [0, 1]
          ],
          TO
        )
      )
    ).toMatchObject({ code: 'inALine', path: 'from' })
    expect(issueOf(() => homography(FROM.slice(0, 3), TO))).toMatchObject({ code: 'wrongNumber' })
  })
})

describe('measures drawn together', () => {
  // Ref: JCGM 101:2008, 9.2: a sum of four quantities of mean 0 and u 1: u 2.0; normal 95 % interval -3.92 to 3.92; rectangular -3.88 to 3.88
  it('come to what the supplement’s own example says', () => {
    const rectangular = (random: () => number) => (random() * 2 - 1) * Math.sqrt(3)
    for (const [draw, end] of [
      [normalDraw, 3.92],
      [rectangular, 3.88]
    ] as const) {
      const { sum } = simulate({ sum: 0 }, (random) => ({ sum: draw(random) + draw(random) + draw(random) + draw(random) }), {
        seed: 1,
        n: 100000
      })
      expect(sum.u).toBeCloseTo(2, 1)
      expect(sum.interval[0]).toBeCloseTo(-end, 1)
      expect(sum.interval[1]).toBeCloseTo(end, 1)
    }
  })

  it('keep what they share: the difference of two lengths by one scale is surer than either', () => {
    // Ref: by hand: lengths 100 and 104 mm, a common scale of 2 %, own errors of 0.5 mm: u(100) 2.06, u(difference) 0.71
    const draw = (random: () => number) => {
      const scale = 1 + 0.02 * normalDraw(random)
      const [left, right] = [100 * scale + 0.5 * normalDraw(random), 104 * scale + 0.5 * normalDraw(random)]
      return { left, difference: right - left }
    }
    const { left, difference } = simulate({ left: 100, difference: 4 }, draw, { seed: 2, n: 40000 })
    expect(left.u).toBeCloseTo(Math.hypot(2, 0.5), 1)
    expect(difference.u).toBeCloseTo(Math.hypot(0.08, 0.5, 0.5), 1)
    expect(left.value).toBe(100)
  })

  it('are told alike by the same seed, and refused where they cannot be drawn', () => {
    const draw = (random: () => number) => ({ x: normalDraw(random) })
    expect(simulate({ x: 0 }, draw, { seed: 9 })).toEqual(simulate({ x: 0 }, draw, { seed: 9 }))
    expect(issueOf(() => simulate({ x: 0 }, draw, { seed: 9, n: 20 }))).toMatchObject({ code: 'tooFew', path: 'n' })
    expect(issueOf(() => simulate({ x: 0 }, (random) => (random() < 0.9 ? null : { x: 1 }), { seed: 9 }))).toMatchObject({ code: 'tooFew' })
  })
})
