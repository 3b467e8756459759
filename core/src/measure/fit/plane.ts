import { inverse, Matrix, solve } from 'ml-matrix'
import { CoreError } from '../../error'
import { spreadOf } from './spread'
import type { PhotoPoint } from '../types'

/** A map from a picture to a plane that lies in it: the mat under the dog. It says nothing of what stands up from that plane. */
export type Homography = readonly number[]

const NEARLY_FLAT = 1e-9

/**
 * The homography that takes places of a picture to those of a plane, by the direct linear transformation: four of them as
 * they are, more by least squares.
 * @param from four places or more, of four no three on a line, px
 * @param to the same ones in the plane, mm
 * @returns nine numbers, row by row, the last of them 1
 * @throws CoreError `wrongNumber` for fewer than four pairs or unlike numbers, `inALine` where three of four lie on a line
 * Source: Hartley & Zisserman 2004, 4.1 and 4.4.4 (normalised points); solved by ml-matrix
 */
export function homography(from: readonly PhotoPoint[], to: readonly PhotoPoint[]): Homography {
  if (from.length < 4 || to.length !== from.length)
    throw new CoreError({
      code: 'wrongNumber',
      path: 'from',
      got: `${from.length} and ${to.length}`,
      limit: 'four places or more, as many on either side'
    })
  for (const [path, four] of [
    ['from', from],
    ['to', to]
  ] as const)
    if (four.length === 4 && threeInALine(four))
      throw new CoreError({ code: 'inALine', path, got: 'three places on one line', limit: 'four corners' })
  const [near, far] = [centred(from), centred(to)]
  const rows: number[][] = []
  const right: number[] = []
  near.points.forEach(([x, y], i) => {
    const [u, v] = far.points[i]!
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y])
    right.push(u, v)
  })
  const solved = [...solve(new Matrix(rows), Matrix.columnVector(right)).to1DArray(), 1]
  const h = inverse(far.by)
    .mmul(Matrix.from1DArray(3, 3, solved))
    .mmul(near.by)
    .to1DArray()
  return h.map((value) => value / h[8]!)
}

/** Points moved to their middle and made about one long: equations in hundreds of pixels lose half their digits. */
function centred(points: readonly PhotoPoint[]): { readonly points: readonly PhotoPoint[]; readonly by: Matrix } {
  const { middle, xx, yy } = spreadOf(points)
  const k = Math.sqrt((2 * points.length) / (xx + yy))
  const by = new Matrix([
    [k, 0, -k * middle[0]],
    [0, k, -k * middle[1]],
    [0, 0, 1]
  ])
  return { points: points.map(([x, y]): PhotoPoint => [k * (x - middle[0]), k * (y - middle[1])]), by }
}

/** Where a place of the picture lies in the plane, mm. */
export function toPlane(h: Homography, [x, y]: PhotoPoint): PhotoPoint {
  const w = h[6]! * x + h[7]! * y + h[8]!
  return [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w]
}

function threeInALine(four: readonly PhotoPoint[]): boolean {
  return four.some((_, left) => {
    const [[ax, ay], [bx, by], [cx, cy]] = four.filter((__, i) => i !== left) as [PhotoPoint, PhotoPoint, PhotoPoint]
    const area = Math.abs((bx - ax) * (cy - ay) - (by - ay) * (cx - ax))
    const size = Math.max(Math.hypot(bx - ax, by - ay), Math.hypot(cx - ax, cy - ay), Math.hypot(cx - bx, cy - by))
    return area <= NEARLY_FLAT * size * size
  })
}
