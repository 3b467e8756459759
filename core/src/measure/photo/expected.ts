// A second opinion on an outline: where it leaves the dog that was planned by more than a trim does.
import polylabel from 'polylabel'
import { asSeen } from '../around/seen'
import type { Corrections } from '../edge/find'
import { layPoint, type Laid } from '../fit/align'
import { differenceOf } from '../fit/overlap'
import type { PhotoPoint } from '../types'
import { toMm, toPx, viewOf, type Frame, type PhotoView } from './frame'
import type { PlannedView } from './plan'
import { thinned } from './propose'

/** A place where an outline and its plan are of two minds: `more` is outline where no dog was planned, `less` planned dog without outline. */
export type Disagreement = {
  readonly kind: 'more' | 'less'
  /** the middle of its thickest place, px of the picture, and how far it reaches to every side of that, px and mm */
  readonly at: PhotoPoint
  readonly radiusPx: number
  readonly radiusMm: number
}

/**
 * Farther than this to every side, an outline is asked about, mm. Chosen on drawn dogs whose body, coat, faults and pose differ from their
 * plan: rightly found, 98 in 100 stay under 12 mm in profile and under 7 mm for a head; a window, a shelf or a lost leg is over 20.
 */
const ASKED_MM: Readonly<Record<PhotoView, number>> = { profile: 18, head: 10, front: 25, rear: 25, above: 25 }
/** As many as can be minded at once. */
const MOST_ASKED = 3
/** The middle of a piece is found to this, mm: finer than it is judged. */
const PRECISION_MM = 1

/**
 * Where an outline must be asked about before it is called found: the largest first, at most three. What a hand has painted or touched there
 * is settled.
 * @param outlinePx the found outline, px @param laid how the planned dog lies over it, of `proposePlaces`
 * @param slackMm so much more may differ: of a coat that grew, no place's length is known
 * @returns places in px of the picture; empty where outline and plan agree
 * Source: intersection of polygons (Martinez et al. 2009) and the pole of inaccessibility (Garcia-Castellanos & Lombardo 2007).
 */
export function disagreementsOf(
  frame: Frame,
  outlinePx: readonly PhotoPoint[],
  plannedDog: PlannedView,
  laid: Laid,
  corrections: Corrections,
  slackMm = 0
): readonly Disagreement[] {
  const planned = asSeen(plannedDog, frame)
  const depth = planned.depths.edge.mm
  const found = thinned(outlinePx.map((point) => toMm(frame, point, depth)))
  const plan = thinned(planned.outline).map((point) => layPoint(laid, point))
  const pieces = (kind: Disagreement['kind'], one: readonly PhotoPoint[], other: readonly PhotoPoint[]) =>
    differenceOf(one, other).map((piece): Disagreement => {
      const middle = polylabel(piece, PRECISION_MM * laid.k)
      const [radiusPx, radiusMm] = [middle.distance * frame.pxPerMm, middle.distance / laid.k]
      return { kind, at: toPx(frame, [middle[0], middle[1]], depth), radiusPx, radiusMm }
    })
  return [...pieces('more', found, plan), ...pieces('less', plan, found)]
    .filter((one) => one.radiusMm > ASKED_MM[viewOf(frame.seen)] + slackMm && !isSettled(one, corrections))
    .sort((a, b) => b.radiusMm - a.radiusMm)
    .slice(0, MOST_ASKED)
}

/** Has a hand said what this is? More dog than planned is painted as dog; less is painted or touched as backdrop. */
function isSettled({ kind, at, radiusPx }: Disagreement, { backdrop, strokes }: Corrections): boolean {
  const isNear = ([x, y]: PhotoPoint, reach = 0) => Math.hypot(x - at[0], y - at[1]) <= radiusPx + reach
  const own = strokes.filter(({ of }) => (of === 'dog') === (kind === 'more'))
  if (own.some(({ through, radiusPx: reach }) => through.some((point) => isNear(point, reach)))) return true
  return kind === 'less' && backdrop.some(({ x, y, width, height }) => isNear([x + width / 2, y + height / 2]))
}
