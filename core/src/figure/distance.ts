import type { Point } from './vec'

/** A polyline as flat pairs of ends: x0, y0, x1, y1 ... */
export function segments(line: readonly Point[]): Float64Array {
  if (line.length === 1) return Float64Array.from([...line[0], ...line[0]])
  return Float64Array.from(line.slice(0, -1).flatMap((p, i) => [...p, ...line[i + 1]]))
}

/** Squared distance of a place to the nearest of flat segments, mm2. */
export function squaredDistance(x: number, y: number, flat: Float64Array): number {
  let least = Infinity
  for (let i = 0; i < flat.length; i += 4) {
    const [dx, dy] = [flat[i + 2] - flat[i], flat[i + 3] - flat[i + 1]]
    const length2 = dx * dx + dy * dy
    let t = length2 ? ((x - flat[i]) * dx + (y - flat[i + 1]) * dy) / length2 : 0
    t = t < 0 ? 0 : t > 1 ? 1 : t
    const ex = x - flat[i] - t * dx
    const ey = y - flat[i + 1] - t * dy
    const d = ex * ex + ey * ey
    if (d < least) least = d
  }
  return least
}
