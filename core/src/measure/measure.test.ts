import { bodyById, coatFor, colouringOf } from '@peen/content'
import fc from 'fast-check'
import { Matrix, SingularValueDecomposition } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import { clockOf, evenly, fitCircle, fitLine, measureFrontHead, perimeter, radiusAt, taubin, type FrontHead, type PhotoPoint } from '.'
import type { CoreError } from '../error'
import { bakeFigure } from '../figure'
import { normalDraw, randomFrom } from '../stats'

const issueOf = (work: () => unknown) => {
  try {
    work()
  } catch (error) {
    return (error as CoreError).issue
  }
  return null
}
const tenths = fc.integer({ min: -2000, max: 2000 }).map((value) => value / 10)
const finite = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('a circle', () => {
  // Ref: Gander, Golub & Strebel 1994, BIT 34:558-578, section 1; Taubin computed by an independent program (reference values)
  const POINTS: readonly PhotoPoint[] = [
    [1, 7],
    [2, 6],
    [5, 8],
    [7, 7],
    [9, 5],
    [3, 7]
  ]
  it('is the one of the published example', () => {
    const [x, y, r] = taubin(POINTS)
    expect(x).toBeCloseTo(4.613933, 5)
    expect(y).toBeCloseTo(2.795209, 5)
    expect(r).toBeCloseTo(4.879213, 5)
    const fit = fitCircle(POINTS)
    expect(fit.centre[0]).toBeCloseTo(4.7398, 4)
    expect(fit.centre[1]).toBeCloseTo(2.9835, 4)
    expect(fit.radius).toBeCloseTo(4.7142, 4)
    expect(fit.sumOfSquares).toBeCloseTo(1.2276, 4)
  })

  it('is found from any arc of 60 degrees or more, wherever it lies, and turned with its points', () => {
    let cases = 0
    fc.assert(
      fc.property(
        finite(-500, 500),
        finite(-500, 500),
        finite(20, 200),
        finite(0, 360),
        finite(60, 360),
        fc.integer({ min: 5, max: 60 }),
        (x, y, r, start, arc, n) => {
          const points = Array.from({ length: n }, (_, i): PhotoPoint => {
            const angle = ((start + (arc * i) / n) * Math.PI) / 180
            return [x + r * Math.cos(angle), y + r * Math.sin(angle)]
          })
          const fit = fitCircle(points)
          expect(Math.hypot(fit.centre[0] - x, fit.centre[1] - y)).toBeLessThan(1e-5 * r)
          expect(fit.radius).toBeCloseTo(r, 4)
          cases++
        }
      ),
      { seed: 3 }
    )
    expect(cases).toBeGreaterThanOrEqual(100)
  })

  it('leaves less sum of squares than any circle near it', () => {
    const random = randomFrom(5)
    for (let k = 0; k < 20; k++) {
      const points = Array.from({ length: 25 }, (_, i): PhotoPoint => {
        const angle = (i / 25) * Math.PI * 1.4
        return [80 * Math.cos(angle) + 2 * normalDraw(random), 80 * Math.sin(angle) + 2 * normalDraw(random)]
      })
      const { centre, radius, sumOfSquares } = fitCircle(points)
      const cost = (cx: number, cy: number, r: number) => points.reduce((sum, [x, y]) => sum + (Math.hypot(x - cx, y - cy) - r) ** 2, 0)
      expect(sumOfSquares).toBeCloseTo(cost(centre[0], centre[1], radius), 8)
      for (const [dx, dy, dr] of [
        [0.05, 0, 0],
        [-0.05, 0, 0],
        [0, 0.05, 0],
        [0, -0.05, 0],
        [0, 0, 0.05],
        [0, 0, -0.05]
      ])
        expect(cost(centre[0] + dx, centre[1] + dy, radius + dr)).toBeGreaterThan(sumOfSquares)
    }
  })

  it('is refused for too few points, points on one line or one spot, and what is no number', () => {
    expect(issueOf(() => fitCircle(POINTS.slice(0, 2)))).toMatchObject({ code: 'tooFew', got: 2 })
    expect(
      issueOf(() =>
        fitCircle([
          [0, 0],
          [1, 2],
          [2, 4],
          [50, 100]
        ])
      )
    ).toMatchObject({ code: 'inALine' })
    expect(
      issueOf(() =>
        fitCircle([
          [3, 3],
          [3, 3],
          [3, 3]
        ])
      )
    ).toMatchObject({ code: 'inALine' })
    expect(
      issueOf(() =>
        fitCircle([
          [0, 0],
          [1, Number.NaN],
          [2, 4]
        ])
      )
    ).toMatchObject({ code: 'notFinite', path: 'fitCircle.0.1.1' })
  })
})

describe('a line', () => {
  it('runs as the first axis of the singular values does', () => {
    let cases = 0
    fc.assert(
      fc.property(fc.array(fc.tuple(tenths, tenths), { minLength: 3, maxLength: 40 }), (points) => {
        const means = [0, 1].map((axis) => points.reduce((sum, point) => sum + point[axis], 0) / points.length)
        // Ref: SingularValueDecomposition of ml-matrix on the centred points
        const svd = new SingularValueDecomposition(new Matrix(points.map(([x, y]) => [x - means[0], y - means[1]])))
        const [first, second] = svd.diagonal
        if (first - second < 1e-3 * first || first < 1e-3) return
        const { direction, rms } = fitLine(points)
        const axis = svd.rightSingularVectors.getColumn(0)
        expect(Math.abs(direction[0] * axis[0] + direction[1] * axis[1])).toBeCloseTo(1, 6)
        expect(rms).toBeCloseTo(second / Math.sqrt(points.length), 6)
        cases++
      }),
      { seed: 4, numRuns: 200 }
    )
    expect(cases).toBeGreaterThan(150)
  })

  it('says by how much and where a back rises or dips', () => {
    const back: readonly PhotoPoint[] = [
      [0, 0],
      [40, -1],
      [80, 6],
      [120, 0],
      [160, -1]
    ]
    const { most } = fitLine(back)
    expect(most.below.index).toBe(2)
    expect(most.below.byMm).toBeGreaterThan(4.5)
    expect(most.above.byMm).toBeLessThan(3)
    expect(issueOf(() => fitLine([[1, 1]]))).toMatchObject({ code: 'tooFew' })
    expect(
      issueOf(() =>
        fitLine([
          [1, 1],
          [1, 1]
        ])
      )
    ).toMatchObject({ code: 'oneSpot' })
  })
})

/** A head that is round but for what is added at hours of the clock. */
const round = (add: (hour: number) => number = () => 0): PhotoPoint[] =>
  Array.from({ length: 360 }, (_, i): PhotoPoint => {
    const angle = (i * Math.PI) / 180
    const r = 60 + add((i / 30) % 12)
    return [r * Math.sin(angle), -r * Math.cos(angle)]
  })
const head = (outline: readonly PhotoPoint[], change: Partial<FrontHead> = {}): FrontHead => ({
  ...{
    outline,
    betweenEyes: [0, 0],
    midline: [
      [0, -20],
      [0, 30]
    ],
    leftOut: []
  },
  ...change
})
/** a swelling of so many mm about an hour, an hour and a half wide */
const swelling = (mm: number, at: number) => (hour: number) => {
  const off = Math.min(Math.abs(hour - at), 12 - Math.abs(hour - at))
  return off < 1.5 ? mm * Math.cos((off / 1.5) * (Math.PI / 2)) ** 2 : 0
}

describe('a head from the front', () => {
  it('is read by the clock as one faces the dog: its right is at nine', () => {
    expect(clockOf([0, 0], [0, -5])).toBeCloseTo(0, 9)
    expect(clockOf([0, 0], [5, 0])).toBeCloseTo(3, 9)
    expect(clockOf([0, 0], [-5, 0])).toBeCloseTo(9, 9)
    expect(radiusAt(round(), [0, 0], 4.4)).toBeCloseTo(60, 1)
    expect(radiusAt(round(), [200, 0], 3)).toBeNull()
  })

  it('with a prouder right cheek says so, with its millimetres and its hour', () => {
    const measures = measureFrontHead(head(round(swelling(6, 9))))
    expect(measures.sides!.largest.byMm).toBeCloseTo(6, 1)
    expect(measures.sides!.largest.hour).toBeCloseTo(9, 0)
    expect(measures.most).toMatchObject({ side: 'right' })
    const left = measureFrontHead(head(round(swelling(4, 3))))
    expect(left.sides!.largest.byMm).toBeCloseTo(-4, 1)
  })

  it('changes its sides when it is mirrored, and nothing when it is moved or turned with its midline', () => {
    const outline = round(swelling(5, 8))
    const plain = measureFrontHead(head(outline))
    const mirrored = measureFrontHead(head(outline.map(([x, y]): PhotoPoint => [-x, y])))
    expect(mirrored.sides!.largest.byMm).toBeCloseTo(-plain.sides!.largest.byMm, 6)
    expect(mirrored.sides!.mean).toBeCloseTo(-plain.sides!.mean, 6)
    const turn = ([x, y]: PhotoPoint): PhotoPoint => [
      30 + x * Math.cos(0.2) - y * Math.sin(0.2),
      -12 + x * Math.sin(0.2) + y * Math.cos(0.2)
    ]
    const turned = measureFrontHead({
      ...head(outline.map(turn)),
      betweenEyes: turn([0, 0]),
      midline: [turn([0, -20]), turn([0, 30])]
    })
    expect(turned.sides!.largest.byMm).toBeCloseTo(plain.sides!.largest.byMm, 1)
    expect(turned.circle.radius).toBeCloseTo(plain.circle.radius, 2)
  })

  it('leaves out ears and neck where it is told, and refuses a midline without length', () => {
    const eared = round(swelling(30, 1))
    expect(measureFrontHead(head(eared)).most.byMm).toBeGreaterThan(10)
    const without = measureFrontHead(head(eared, { leftOut: [[11, 2.6]] }))
    expect(Math.abs(without.most.byMm)).toBeLessThan(0.2)
    expect(without.radii[0]).toBeNull()
    expect(
      issueOf(() =>
        measureFrontHead(
          head(round(), {
            midline: [
              [0, 0],
              [0, 0]
            ]
          })
        )
      )
    ).toMatchObject({ code: 'oneSpot' })
    expect(issueOf(() => measureFrontHead(head(round(), { leftOut: [[0, 11.99]] })))).not.toBeNull()
  })

  // the drawn dog knows its own truth: the same bare head, dressed with a right cheek 6 mm longer
  it('of the drawn dog is wider by what was put onto its right cheek, and alike before that', () => {
    const coat = coatFor('bearded', 'bearded-pet')
    const body = bodyById('bearded')
    const figure = bakeFigure({ body, withersMm: 340, view: 'head', colouring: colouringOf('pepper'), coat, pxPerMm: 2, budget: 1000 })
    // the figure's y runs up: turned over as in a picture
    const outlineOf = (): PhotoPoint[] => figure.silhouette(0.5).outer[0].map(([x, y]): PhotoPoint => [x, -y])
    figure.dress({ lengths: coat.lengths })
    const plain = measureFrontHead(head(outlineOf(), { leftOut: [[10.5, 1.5]] }))
    figure.dress({ lengths: coat.lengths, lengthsB: { ...coat.lengths, cheek: (coat.lengths.cheek ?? 0) + 6 } })
    const proud = measureFrontHead(head(outlineOf(), { leftOut: [[10.5, 1.5]] }))
    expect(Math.abs(plain.sides!.largest.byMm)).toBeLessThan(1)
    expect(proud.sides!.largest.byMm).toBeGreaterThan(3)
    expect(proud.sides!.largest.byMm).toBeLessThan(7)
    expect(proud.sides!.largest.hour).toBeGreaterThan(7)
    expect(proud.sides!.largest.hour).toBeLessThan(10.5)
  })

  it('is walked at even steps', () => {
    const even = evenly(round(), 2)
    expect(even.length).toBe(Math.round(perimeter(round()) / 2))
    const gaps = even.slice(1).map(([x, y], i) => Math.hypot(x - even[i][0], y - even[i][1]))
    expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(0.05)
  })
})
