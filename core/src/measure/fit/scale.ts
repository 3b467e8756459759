// How many pixels are a millimetre in the measuring plane: the one that stands upright at the spine, or at the eyes for a head.
import { CoreError, inRange } from '../../error'
import type { PhotoPoint } from '../types'

/** A known length in the picture. `behindMm`: how far it stands behind the measuring plane as seen from the camera, less than 0 before it. */
export type KnownLength = {
  /** its two ends in the picture, px */
  readonly ends: readonly [PhotoPoint, PhotoPoint]
  readonly lengthMm: number
  readonly behindMm: number
  /** standard uncertainty of that, mm */
  readonly behindUMm: number
  /** from the camera to the measuring plane, mm */
  readonly cameraMm: number
  /** standard uncertainty of each end, px */
  readonly endUPx: number
}

export type PlaneScale = {
  readonly pxPerMm: number
  /** relative standard uncertainty, 1 is the whole */
  readonly u01: number
  /** what the depth of the known length has changed, relative: 0 where it stands in the plane */
  readonly corrected01: number
}

/** Ends nearer than this are one place touched twice. Chosen: a finger is not set down more finely. */
const LEAST_APART_PX = 20

/**
 * The scale in the measuring plane from a known length in or near it. By the pinhole camera what stands farther off is
 * smaller by the ratio of distances; so the scale is corrected by that ratio, and how surely the depth is known enters u.
 * @throws CoreError `pointsTooNear` where the ends are under 20 px apart; `outOfRange` for a length of 0 to 3000 mm, a
 * depth beyond 500 mm, a camera nearer than 300 mm or than the known length
 * Source: pinhole camera (similar triangles); u by JCGM 100:2008, 5.1, ends and depth independent.
 * @example planeScale({ ends: [[0, 0], [0, 500]], lengthMm: 250, behindMm: 0, behindUMm: 0, cameraMm: 2000, endUPx: 1 }).pxPerMm // 2
 */
export function planeScale(known: KnownLength): PlaneScale {
  const { ends, lengthMm, behindMm, behindUMm, cameraMm, endUPx } = known
  const px = Math.hypot(ends[1][0] - ends[0][0], ends[1][1] - ends[0][1])
  if (!(px >= LEAST_APART_PX))
    throw new CoreError({
      code: 'pointsTooNear',
      path: 'ends',
      got: `${px.toFixed(1)} px apart`,
      limit: `${LEAST_APART_PX} px or more apart`
    })
  inRange('lengthMm', lengthMm, 1, 3000, 'mm')
  inRange('behindMm', behindMm, -500, 500, 'mm')
  inRange('behindUMm', behindUMm, 0, 500, 'mm')
  inRange('cameraMm', cameraMm, Math.max(300, -behindMm + 1), 20000, 'mm')
  const ratio = (cameraMm + behindMm) / cameraMm
  const u01 = Math.hypot((Math.SQRT2 * endUPx) / px, behindUMm / (cameraMm + behindMm))
  return { pxPerMm: (px / lengthMm) * ratio, u01, corrected01: ratio - 1 }
}

/** How far a second known length in the plane comes out wrong, mm: what the scale is off by, shown before anything is measured. */
export function checkLength(
  scale: PlaneScale,
  ends: readonly [PhotoPoint, PhotoPoint],
  lengthMm: number
): { readonly measuredMm: number; readonly offMm: number } {
  const measuredMm = Math.hypot(ends[1][0] - ends[0][0], ends[1][1] - ends[0][1]) / scale.pxPerMm
  return { measuredMm, offMm: measuredMm - lengthMm }
}
