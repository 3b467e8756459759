// The dog's outline as one picture: what all layers cover together.
import { contours } from 'd3-contour'
import { fillMask } from '../paint'
import { signedArea2, type Point } from '../vec'

export type Silhouette = {
  /** outer rings in mm, open, the largest first; holes are the light between legs */
  readonly outer: readonly (readonly Point[])[]
  readonly holes: readonly (readonly Point[])[]
  readonly areaMm2: number
}

/** The union of rings (mm), traced on cells of `cellMm`. Its rings are closed and do not cross. */
export function silhouetteOf(rings: readonly (readonly Point[])[], cellMm: number): Silhouette {
  const xs = rings.flat().map(([x]) => x)
  const ys = rings.flat().map(([, y]) => y)
  const [left, top] = [Math.min(...xs) - 3 * cellMm, Math.max(...ys) + 3 * cellMm]
  const w = Math.ceil((Math.max(...xs) - left) / cellMm) + 4
  const h = Math.ceil((top - Math.min(...ys)) / cellMm) + 4
  const mask = new Uint8Array(w * h)
  for (const ring of rings) fillMask(mask, { w, h, cell: cellMm, left, top }, Float32Array.from(ring.flat()))
  const [found] = contours().size([w, h]).smooth(true).thresholds([0.5])(Array.from(mask))
  const toMm = (ring: readonly (readonly number[])[]) => ring.slice(0, -1).map(([x, y]): Point => [left + x! * cellMm, top - y! * cellMm])
  const byArea = (a: readonly Point[], b: readonly Point[]) => Math.abs(signedArea2(b)) - Math.abs(signedArea2(a))
  return {
    outer: found!.coordinates.map(([ring]) => toMm(ring!)).sort(byArea),
    holes: found!.coordinates.flatMap(([, ...inner]) => inner.map(toMm)).sort(byArea),
    areaMm2: mask.reduce((sum, value) => sum + value, 0) * cellMm * cellMm
  }
}
