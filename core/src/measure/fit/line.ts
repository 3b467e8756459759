import { CoreError } from '../../error'
import { spreadOf } from './spread'
import type { PhotoPoint } from '../types'

/** A straight line through points and where they leave it; mm. */
export type LineFit = {
  readonly method: 'total least squares'
  /** the middle of the points, on the line */
  readonly centre: PhotoPoint
  /** one long, to the right or straight down */
  readonly direction: PhotoPoint
  /** root mean square of the distances from the line, mm */
  readonly rms: number
  /** the points farthest off on either side: up and down of a line that runs to the right */
  readonly most: { readonly above: Departed; readonly below: Departed }
  readonly n: number
}
/** `byMm` 0 or more; `index` of the point among those given */
export type Departed = { readonly byMm: number; readonly index: number }

/**
 * The line with the least sum of squared distances square to itself: neither axis is taken as right, as ordinary
 * regression takes x. Equal to the first axis of the points by singular values.
 * @param points two or more that are not on one spot, mm; for a drawn line five or more
 * @returns the line and its largest departures either way, mm. "Above" is the smaller y (the picture's up)
 * @throws CoreError `tooFew`, `oneSpot`
 * Source: Golub & Van Loan 1980 (total least squares); checked against the SVD of ml-matrix.
 */
export function fitLine(points: readonly PhotoPoint[]): LineFit {
  if (points.length < 2) throw new CoreError({ code: 'tooFew', path: 'points', got: points.length, limit: '2 or more' })
  const { middle, xx, yy, xy } = spreadOf(points)
  const [mx, my] = middle
  const n = points.length
  if (xx + yy === 0) throw new CoreError({ code: 'oneSpot', path: 'points', got: 'points on one spot', limit: 'points along a line' })
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  const direction: PhotoPoint = [Math.cos(angle), Math.sin(angle)]
  const off = points.map(([x, y]) => (y - my) * direction[0] - (x - mx) * direction[1])
  const farthest = (sign: 1 | -1): Departed => {
    const index = off.reduce((best, value, i) => (sign * value > sign * off[best]! ? i : best), 0)
    return { byMm: Math.max(0, sign * off[index]!), index }
  }
  return {
    method: 'total least squares',
    centre: middle,
    direction,
    rms: Math.sqrt(off.reduce((sum, value) => sum + value * value, 0) / n),
    most: { above: farthest(-1), below: farthest(1) },
    n
  }
}
