// A planned dog as a camera sees it that stands before it, behind it or over it: what is nearer is larger.
import { silhouetteOf } from '../../figure'
import { evenly } from '../fit/ring'
import { viewOf, type Frame } from '../photo/frame'
import { CELL_MM, type PlannedView } from '../photo/plan'
import type { PhotoPoint } from '../types'

const known = new WeakMap<PlannedView, { readonly cameraMm: number; readonly seen: PlannedView }>()

/**
 * The plan in the plane that is measured, its nearer parts larger, about the dog's middle, where the camera looks. A head, a
 * profile, and a picture without a scale are laid over as they are: their parts lie in one plane, or the distance is not known.
 */
export function asSeen(planned: PlannedView, { seen, cameraMm }: Frame): PlannedView {
  const view = viewOf(seen)
  if (cameraMm === null || view === 'head' || view === 'profile') return planned
  const before = known.get(planned)
  if (before?.cameraMm === cameraMm) return before.seen
  const [xs, ys] = [planned.outline.map(([x]) => x), planned.outline.map(([, y]) => y)]
  const middle: PhotoPoint = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2]
  const nearer = ([x, y]: PhotoPoint, depthMm: number): PhotoPoint => {
    const k = cameraMm / Math.max(cameraMm / 4, cameraMm - depthMm)
    return [middle[0] + (x - middle[0]) * k, middle[1] + (y - middle[1]) * k]
  }
  const rim = planned.rim.map((place) => ({ ...place, at: nearer(place.at, place.depthMm), skin: nearer(place.skin, place.depthMm) }))
  const [whole] = silhouetteOf(
    planned.parts.map(({ depthMm, ring }) => ring.map((point) => nearer(point, depthMm))),
    CELL_MM
  ).outer
  const marks = Object.fromEntries(
    Object.entries(planned.marks).map(([name, point]) => [name, nearer(point, planned.markDepths[name as keyof PlannedView['marks']] ?? 0)])
  )
  const found: PlannedView = {
    ...planned,
    outline: evenly(
      whole!.map(([x, y]): PhotoPoint => [x, y]),
      CELL_MM
    ),
    rim,
    marks
  }
  known.set(planned, { cameraMm, seen: found })
  return found
}
