// The planned dog laid into a picture by two touches, before anything of it was found.
import { CoreError } from '../../error'
import { layOver, layPoint } from '../fit/align'
import { evenly } from '../fit/ring'
import type { PhotoPoint } from '../types'
import { toMm, toPx, viewOf, type Frame, type Seen } from './frame'
import type { PlannedView } from './plan'

/** What is touched, in this order; none from where a dog has no two places that are seen through every coat. */
export type ShapeTouch = 'eye' | 'tailRoot' | 'eyeRight' | 'eyeLeft'
export function shapeTouches(seen: Seen): readonly ShapeTouch[] {
  const view = viewOf(seen)
  return view === 'profile' ? ['eye', 'tailRoot'] : view === 'head' ? ['eyeRight', 'eyeLeft'] : []
}

/** Its corners lie this far apart, mm: it is compared, not measured. */
const STEP_MM = 6

/**
 * The planned outline as it would lie in the picture if the touched places are those of the dog.
 * @param touches px: eye and root of the tail of a profile; the dog's right eye and its left of a head, as they are seen from left to right
 * @returns px
 * @throws CoreError `unknown` for a view without such places, `oneSpot` for touches on one spot
 * Source: a similarity has two points (Umeyama 1991)
 */
export function shapeHere(frame: Frame, planned: PlannedView, touches: readonly [PhotoPoint, PhotoPoint]): readonly PhotoPoint[] {
  const places = placesOf(frame.seen, planned)
  if (!places) throw new CoreError({ code: 'unknown', path: 'seen', got: frame.seen, limit: 'head, left or right' })
  const laid = layOver(
    places,
    touches.map((touch) => toMm(frame, touch)),
    false
  )
  return evenly(planned.outline, STEP_MM).map((point) => toPx(frame, layPoint(laid, point)))
}

function placesOf(seen: Seen, { marks, face }: PlannedView): readonly [PhotoPoint, PhotoPoint] | null {
  if (viewOf(seen) === 'profile') return marks.eye && marks.tailSet ? [marks.eye, marks.tailSet] : null
  return face ? [[-face.eyeX, 0], [face.eyeX, 0]] : null // prettier-ignore
}
