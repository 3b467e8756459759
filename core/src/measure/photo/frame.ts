// From a place of a photograph to millimetres in the measuring plane and back.
import { planeScale, type KnownLength } from '../fit/scale'
import type { PhotoPoint } from '../types'

/** From where a dog is photographed: its head from the front, or a profile, named by the dog's side that one sees. */
export const SEEN = ['head', 'left', 'right'] as const
export type Seen = (typeof SEEN)[number]
export type PhotoView = 'head' | 'profile'
export const viewOf = (seen: Seen): PhotoView => (seen === 'head' ? 'head' : 'profile')

export const SCALE_THINGS = ['ruler', 'comb', 'board'] as const
/** A known length in the picture; `upright` says that it stands plumb, so that the picture can be turned level by it. */
export type ScaleMark = KnownLength & {
  readonly what: (typeof SCALE_THINGS)[number]
  readonly upright: boolean
  /** a second known length, to see what the scale is off by */
  readonly check: { readonly ends: readonly [PhotoPoint, PhotoPoint]; readonly lengthMm: number } | null
}

export type PictureSize = { readonly widthPx: number; readonly heightPx: number }

/**
 * How a picture lies to the measuring plane. Without a scale a pixel stands for a millimetre, and only what has no length
 * (ratios, angles, shapes) may be told.
 */
export type Frame = {
  readonly seen: Seen
  readonly hasScale: boolean
  readonly pxPerMm: number
  /** relative standard uncertainty of the scale, 1 is the whole */
  readonly u01: number
  /** from the camera to the measuring plane, mm; null without a scale, when nothing can be corrected for depth */
  readonly cameraMm: number | null
  /** where the camera looks straight ahead: the middle of a picture that was not cropped, px */
  readonly centre: PhotoPoint
  /** the picture is turned by this so that plumb is plumb, radians */
  readonly turn: number
}

/** Standard uncertainty of what stands upright by eye or by a level: radians. Chosen: half a degree. */
export const PLUMB_U = Math.PI / 360

/** @throws CoreError as {@link planeScale} */
export function frameOf(seen: Seen, { widthPx, heightPx }: PictureSize, scale: ScaleMark | null): Frame {
  const centre: PhotoPoint = [widthPx / 2, heightPx / 2]
  if (!scale) return { seen, hasScale: false, pxPerMm: 1, u01: 0, cameraMm: null, centre, turn: 0 }
  const { pxPerMm, u01 } = planeScale(scale)
  const [a, b] = scale.ends
  const [top, below] = a[1] <= b[1] ? [a, b] : [b, a]
  // how far its head leans to the right
  const lean = Math.atan2(top[0] - below[0], below[1] - top[1])
  return { seen, hasScale: true, pxPerMm, u01, cameraMm: scale.cameraMm, centre, turn: scale.upright ? -lean : 0 }
}

/** How much larger what stands `depthMm` before the plane is seen, as the divisor of its millimetres. */
export const nearer = ({ cameraMm }: Pick<Frame, 'cameraMm'>, depthMm: number): number =>
  cameraMm === null ? 1 : (cameraMm - depthMm) / cameraMm

/**
 * A place of the picture in millimetres, x to the right and y down from where the camera looks. A profile is always told
 * facing left: one that faces right is mirrored.
 * @param depthMm how far before the measuring plane it lies, toward the camera
 */
export function toMm(frame: Frame, [x, y]: PhotoPoint, depthMm = 0): PhotoPoint {
  const k = nearer(frame, depthMm) / frame.pxPerMm
  const [cos, sin] = [Math.cos(frame.turn), Math.sin(frame.turn)]
  const [dx, dy] = [(x - frame.centre[0]) * k, (y - frame.centre[1]) * k]
  const [tx, ty] = [dx * cos - dy * sin, dx * sin + dy * cos]
  return [frame.seen === 'right' ? -tx : tx, ty]
}

/** The other way. */
export function toPx(frame: Frame, [x, y]: PhotoPoint, depthMm = 0): PhotoPoint {
  const k = frame.pxPerMm / nearer(frame, depthMm)
  const [cos, sin] = [Math.cos(frame.turn), Math.sin(frame.turn)]
  const fx = frame.seen === 'right' ? -x : x
  return [frame.centre[0] + (fx * cos + y * sin) * k, frame.centre[1] + (-fx * sin + y * cos) * k]
}
