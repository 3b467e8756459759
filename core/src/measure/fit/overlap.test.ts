// Shapes laid over one another, against independent libraries and a published worked example.
import { frechetDistance } from 'curve-matcher'
import fc from 'fast-check'
import { Matrix, SingularValueDecomposition } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import { crossesItself, frechet, hausdorff, layOutline, layOver, layPoint, overlap01, type PhotoPoint } from '..'

const coordinate = fc.integer({ min: -500, max: 500 })
const points = (least: number, most: number) => fc.array(fc.tuple(coordinate, coordinate), { minLength: least, maxLength: most })
const star = (n: number, radius: (i: number) => number, cx = 0, cy = 0): PhotoPoint[] =>
  Array.from({ length: n }, (_, i): PhotoPoint => [
    cx + radius(i) * Math.cos((2 * Math.PI * i) / n),
    cy + radius(i) * Math.sin((2 * Math.PI * i) / n)
  ])

describe('overlap', () => {
  it('of squares that share a quarter is a seventh', () => {
    const square = (x: number, y: number): PhotoPoint[] => [
      [x, y],
      [x + 2, y],
      [x + 2, y + 2],
      [x, y + 2]
    ]
    // by hand: 1 of 4 + 4 - 1
    expect(overlap01(square(0, 0), square(1, 1))).toBeCloseTo(1 / 7, 9)
    expect(overlap01(square(0, 0), square(9, 9))).toBe(0)
  })
  it('of a shape with itself is whole, either way round it is the same', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 40 }), fc.integer({ min: 1, max: 30 }), (n, wave) => {
        const one = star(n, (i) => 50 + (wave * (i % 3)) / 3)
        const other = star(n, () => 45, 12, -7)
        expect(overlap01(one, one)).toBeCloseTo(1, 6)
        expect(overlap01(one, other)).toBeCloseTo(overlap01(other, one), 9)
      })
    )
  })
})

describe('distances of lines', () => {
  it('Fréchet’s is what curve-matcher says', () => {
    fc.assert(
      fc.property(points(2, 14), points(2, 14), (one, other) => {
        const theirs = frechetDistance(
          one.map(([x, y]) => ({ x, y })),
          other.map(([x, y]) => ({ x, y }))
        )
        expect(frechet(one, other)).toBeCloseTo(theirs, 6)
      })
    )
  })
  it('Hausdorff’s is never more than Fréchet’s, and nought for a line with itself', () => {
    fc.assert(
      fc.property(points(2, 14), points(2, 14), (one, other) => {
        expect(hausdorff(one, other)).toBeLessThanOrEqual(frechet(one, other) + 1e-9)
        expect(hausdorff(one, one)).toBe(0)
      })
    )
  })
})

describe('laying one shape over another', () => {
  it('has the disparity of the published example', () => {
    // Ref: Procrustes disparity of scipy's test data, .0364742 between standardised shapes
    const standard = (shape: readonly PhotoPoint[]): PhotoPoint[] => {
      const mean = [0, 1].map((c) => shape.reduce((sum, p) => sum + p[c], 0) / shape.length)
      const moved = shape.map(([x, y]): PhotoPoint => [x - mean[0], y - mean[1]])
      const size = Math.sqrt(moved.reduce((sum, [x, y]) => sum + x * x + y * y, 0))
      return moved.map(([x, y]): PhotoPoint => [x / size, y / size])
    }
    const a = standard([
      [1, 3],
      [1, 2],
      [1, 1],
      [2, 1]
    ])
    const b = standard([
      [2, 4],
      [2, 3],
      [2, 2],
      [3, 2.5]
    ])
    const laid = layOver(b, a, false)
    const disparity = a.reduce((sum, [x, y], i) => {
      const [u, v] = layPoint(laid, b[i])
      return sum + (x - u) ** 2 + (y - v) ** 2
    }, 0)
    expect(disparity).toBeCloseTo(0.0364742, 6)
  })

  it('turns and scales as the singular values say', () => {
    fc.assert(
      fc.property(
        points(3, 20),
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: 0.2, max: 4, noNaN: true }),
        (from, turn, k) => {
          const spread = from.reduce((sum, [x, y]) => sum + Math.hypot(x - from[0][0], y - from[0][1]), 0)
          if (spread < 5) return
          const to = from.map((point, i) => {
            const [x, y] = layPoint({ k, turn, dx: 11, dy: -4 }, point)
            return [x + (i % 2) * 0.4, y - (i % 3) * 0.3] as PhotoPoint
          })
          const laid = layOver(from, to, false)
          const mean = (list: readonly PhotoPoint[]) => [0, 1].map((c) => list.reduce((sum, p) => sum + p[c], 0) / list.length)
          const [ma, mb] = [mean(from), mean(to)]
          const cross = new Matrix(2, 2)
          from.forEach(([x, y], i) => {
            const [u, v] = [to[i][0] - mb[0], to[i][1] - mb[1]]
            cross.set(0, 0, cross.get(0, 0) + u * (x - ma[0]))
            cross.set(0, 1, cross.get(0, 1) + u * (y - ma[1]))
            cross.set(1, 0, cross.get(1, 0) + v * (x - ma[0]))
            cross.set(1, 1, cross.get(1, 1) + v * (y - ma[1]))
          })
          // Ref: Umeyama 1991, IEEE TPAMI 13:376-380, by the SVD of ml-matrix
          const svd = new SingularValueDecomposition(cross)
          const det = Math.sign(determinant(svd.leftSingularVectors) * determinant(svd.rightSingularVectors)) || 1
          const rotation = svd.leftSingularVectors.mmul(Matrix.diag([1, det])).mmul(svd.rightSingularVectors.transpose())
          expect(Math.cos(laid.turn)).toBeCloseTo(rotation.get(0, 0), 5)
          expect(Math.sin(laid.turn)).toBeCloseTo(rotation.get(1, 0), 5)
        }
      )
    )
  })

  it('finds a turned and moved outline again, though a part of it stands elsewhere', () => {
    const planned = star(120, (i) => 90 + 25 * Math.sin((4 * Math.PI * i) / 120) + 12 * Math.cos((6 * Math.PI * i) / 120))
    const truth = { k: 1, turn: 0.06, dx: 9, dy: -5 }
    const found = planned.map((point, i): PhotoPoint => {
      const [x, y] = layPoint(truth, point)
      return i > 100 && i < 112 ? [x, y + 18] : [x, y]
    })
    const laid = layOutline(planned, found, true)
    expect(laid.turn).toBeCloseTo(truth.turn, 1)
    expect(Math.hypot(laid.dx - truth.dx, laid.dy - truth.dy)).toBeLessThan(2)
  })
})

const determinant = (m: Matrix) => m.get(0, 0) * m.get(1, 1) - m.get(0, 1) * m.get(1, 0)

describe('a ring that crosses itself', () => {
  it('is told from one that does not', () => {
    expect(crossesItself(star(60, (i) => 50 + (i % 5)))).toBe(false)
    expect(
      crossesItself([
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10]
      ])
    ).toBe(true)
  })
})
