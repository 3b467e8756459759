// From a place of a photograph to millimetres in the measuring plane and back.
import type { BoardSeen } from '../board/find'
import { BOARDS } from '../board/layout'
import { alongAxis, poseOf } from '../board/pose'
import { planeScale, type KnownLength } from '../fit/scale'
import type { PhotoPoint } from '../types'

/**
 * From where a dog is photographed: its head from the front, a profile, named by the dog's side that one sees, or the whole
 * dog from the front, from the rear, and from above with its head to the left.
 */
export const SEEN = ['head', 'left', 'right', 'front', 'rear', 'above'] as const
export type Seen = (typeof SEEN)[number]
export type PhotoView = 'head' | 'profile' | 'front' | 'rear' | 'above'
/** The side of the dog that a profile shows; null from where both sides are seen. */
export const sideSeen = (seen: Seen): 'left' | 'right' | null => (seen === 'left' || seen === 'right' ? seen : null)
export const viewOf = (seen: Seen): PhotoView => (seen === 'left' || seen === 'right' ? 'profile' : seen)

export const SCALE_THINGS = ['ruler', 'comb', 'board'] as const
/** The measuring board as it was found; `lineMm` is what its printed line measures on paper: printers make pages smaller. */
export type BoardMark = BoardSeen & { readonly lineMm: number }

/** A known length in the picture; `upright` says that it stands plumb, so that the picture can be turned level by it. */
export type ScaleMark = KnownLength & {
  readonly what: (typeof SCALE_THINGS)[number]
  readonly upright: boolean
  /** a second known length, to see what the scale is off by */
  readonly check: { readonly ends: readonly [PhotoPoint, PhotoPoint]; readonly lengthMm: number } | null
  /** the printed board, where it was found by itself: it says how the camera looks too, and the ends count for nothing */
  readonly board?: BoardMark | null
}

export type PictureSize = { readonly widthPx: number; readonly heightPx: number }

/** How far the camera looks down, and to its right, against the plane that is measured; radians, each with its standard uncertainty. */
export type Tilt = { readonly pitch: number; readonly yaw: number; readonly pitchU: number; readonly yawU: number }

/**
 * How a picture lies to the measuring plane. Without a scale a pixel stands for a millimetre, and only what has no length
 * (ratios, angles, shapes) may be told.
 */
export type Frame = {
  readonly seen: Seen
  readonly hasScale: boolean
  /** where the camera's axis meets the measuring plane */
  readonly pxPerMm: number
  /** relative standard uncertainty of the scale, 1 is the whole */
  readonly u01: number
  /** from the camera to the measuring plane along its axis, mm; null without a scale, when nothing can be corrected for depth */
  readonly cameraMm: number | null
  /** where the camera looks straight ahead: the middle of a picture that was not cropped, px */
  readonly centre: PhotoPoint
  /** the picture is turned by this so that plumb is plumb, radians */
  readonly turn: number
  readonly turnU: number
  readonly tilt: Tilt
}

const RAD = Math.PI / 180
/** Standard uncertainty of what stands upright by eye or by a level: radians. Chosen: half a degree. */
export const PLUMB_U = RAD / 2
/** A camera that somebody has held level and square to a dog by eye, radians. Chosen: 2 degrees, 3.5 cm of height at a metre. */
const HELD_U = 2 * RAD
/** A board stands as plumb as a card against a block does, and as square to the dog as an eye sets it; radians. Chosen. */
const STANDS_U = Object.freeze({ plumb: RAD, square: 2 * RAD })
/** A tape says how far off the camera is to this, relative. Chosen. */
const TAPE_U01 = 0.03
/** The printed line is read from a ruler to this, mm. Chosen. */
const LINE_U_MM = 0.3

const HELD: Tilt = { pitch: 0, yaw: 0, pitchU: HELD_U, yawU: HELD_U }

/** @throws CoreError as {@link planeScale}, or {@link poseOf} where a board was found */
export function frameOf(seen: Seen, size: PictureSize, scale: ScaleMark | null): Frame {
  const centre: PhotoPoint = [size.widthPx / 2, size.heightPx / 2]
  const plain = { seen, centre, turn: 0, turnU: 0, tilt: { pitch: 0, yaw: 0, pitchU: 0, yawU: 0 } }
  if (!scale) return { ...plain, hasScale: false, pxPerMm: 1, u01: 0, cameraMm: null }
  if (scale.board) return { ...plain, ...byBoard(seen, scale, scale.board, centre) }
  const { pxPerMm, u01 } = planeScale(scale)
  const [a, b] = scale.ends
  const [top, below] = a[1] <= b[1] ? [a, b] : [b, a]
  // how far its head leans to the right
  const lean = Math.atan2(top[0] - below[0], below[1] - top[1])
  const turn = scale.upright ? -lean : 0
  return { ...plain, hasScale: true, pxPerMm, u01, cameraMm: scale.cameraMm, turn, turnU: PLUMB_U, tilt: HELD }
}

/**
 * The board stands parallel to a profile, `behindMm` behind it. How a head is turned its own nose tells: of a board beside a
 * head only depth, plumb and pitch are taken.
 */
function byBoard(
  seen: Seen,
  { cameraMm, behindMm, behindUMm }: ScaleMark,
  board: BoardMark,
  centre: PhotoPoint
): Omit<Frame, 'seen' | 'centre'> {
  const { line } = BOARDS[board.kind]
  const pose = poseOf(board, centre, { mm: cameraMm + behindMm, uMm: TAPE_U01 * cameraMm }, board.lineMm / line.lengthMm)
  const { pitch, u, middle, focalPx } = pose
  const [yaw, square] = seen === 'head' ? [0, 0] : [pose.yaw, STANDS_U.square]
  const distance = alongAxis(pose, yaw) - behindMm / (Math.cos(pitch) * Math.cos(yaw))
  // a board that is set a little askew puts the plane through its middle nearer or farther where the camera looks
  const askew = Math.hypot(middle[0] * square, middle[1] * STANDS_U.plumb) / distance
  return {
    hasScale: true,
    pxPerMm: focalPx / distance,
    u01: Math.hypot(u.pxPerMm01, behindUMm / distance, LINE_U_MM / line.lengthMm, askew),
    cameraMm: distance,
    turn: pose.roll,
    turnU: Math.hypot(u.roll, PLUMB_U),
    tilt: { pitch, yaw, pitchU: Math.hypot(u.pitch, STANDS_U.plumb), yawU: seen === 'head' ? HELD_U : Math.hypot(u.yaw, square) }
  }
}

/** How much larger what stands `depthMm` before the plane is seen, as the divisor of its millimetres. */
export const nearer = ({ cameraMm }: Pick<Frame, 'cameraMm'>, depthMm: number): number =>
  cameraMm === null ? 1 : (cameraMm - depthMm) / cameraMm

/**
 * A place of the picture in millimetres, x to the right and y down from where the camera looks. A profile is always told
 * facing left: one that faces right is mirrored.
 * @param depthMm how far before the measuring plane it lies, toward the camera
 */
export const toMm = (frame: Frame, place: PhotoPoint, depthMm = 0): PhotoPoint => mmBy(frame, depthMm)(place)

/** The same for many places of one depth: what all of them share is worked out once. */
export function mmBy(frame: Frame, depthMm = 0): (place: PhotoPoint) => PhotoPoint {
  const { cameraMm, centre, pxPerMm, seen, turn } = frame
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  const mirror = seen === 'right' ? -1 : 1
  const level = ([x, y]: PhotoPoint): PhotoPoint => {
    const [dx, dy] = [x - centre[0], y - centre[1]]
    return [dx * cos - dy * sin, dx * sin + dy * cos]
  }
  const { pitch, yaw } = frame.tilt
  if (cameraMm === null || (pitch === 0 && yaw === 0)) {
    const k = nearer(frame, depthMm) / pxPerMm
    return (place) => {
      const [x, y] = level(place)
      return [mirror * x * k, y * k]
    }
  }
  // the ray through a pixel, turned from the camera to the plane, is followed to where the plane stands
  const [cp, sp, cy, sy] = [Math.cos(pitch), Math.sin(pitch), Math.cos(yaw), Math.sin(yaw)]
  const turned = (x: number, y: number, z: number): readonly [number, number, number] => {
    const level = z * cp - y * sp
    return [x * cy + level * sy, y * cp + z * sp, level * cy - x * sy]
  }
  const focalPx = pxPerMm * cameraMm
  const eye = turned(0, 0, -cameraMm)
  return (place) => {
    const [x, y] = level(place)
    const ray = turned(x / focalPx, y / focalPx, 1)
    const far = (-depthMm - eye[2]) / ray[2]
    return [mirror * (eye[0] + far * ray[0]), eye[1] + far * ray[1]]
  }
}

/** The other way. */
export function toPx(frame: Frame, [x, y]: PhotoPoint, depthMm = 0): PhotoPoint {
  const { cameraMm, centre, pxPerMm, seen, turn } = frame
  const { pitch, yaw } = frame.tilt
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  const fx = seen === 'right' ? -x : x
  const back = (u: number, v: number): PhotoPoint => [centre[0] + u * cos + v * sin, centre[1] - u * sin + v * cos]
  if (cameraMm === null) return back(fx * pxPerMm, y * pxPerMm)
  const [cp, sp, cy, sy] = [Math.cos(pitch), Math.sin(pitch), Math.cos(yaw), Math.sin(yaw)]
  const [across, away] = [fx * cy + depthMm * sy, fx * sy - depthMm * cy]
  const [down, far] = [y * cp - away * sp, y * sp + away * cp + cameraMm]
  const k = (pxPerMm * cameraMm) / far
  return back(across * k, down * k)
}
