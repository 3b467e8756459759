import type { PhotoPoint } from '../types'

/** The middle of points and their sums of squares about it: along x, along y and of both together. */
export type Spread = { readonly middle: PhotoPoint; readonly xx: number; readonly yy: number; readonly xy: number }

export function spreadOf(points: readonly PhotoPoint[]): Spread {
  const n = points.length
  const [mx, my] = [0, 1].map((axis) => points.reduce((sum, point) => sum + point[axis]!, 0) / n)
  let [xx, yy, xy] = [0, 0, 0]
  for (const [x, y] of points) {
    xx += (x - mx!) ** 2
    yy += (y - my!) ** 2
    xy += (x - mx!) * (y - my!)
  }
  return { middle: [mx!, my!], xx, yy, xy }
}
