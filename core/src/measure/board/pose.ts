// How the camera looks at the measuring board: its distance, scale, and how far it looks down, aside and is rolled.
import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { inverse, Matrix, SingularValueDecomposition } from 'ml-matrix'
import { CoreError } from '../../error'
import { homography } from '../fit/plane'
import type { PhotoPoint } from '../types'
import type { BoardSeen } from './find'
import { LEAST_MARKERS } from './find'
import { BOARDS, cornersOfMarker } from './layout'

/** A camera before a board. Angles in radians; the camera looks down, to its right, and is rolled clockwise where they are above 0. */
export type Pose = {
  readonly focalPx: number
  /** along the camera's axis to the board's plane, mm */
  readonly distanceMm: number
  /** where the board's middle lies from the camera: to its right, down, along its axis; mm */
  readonly middle: Three
  readonly pitch: number
  readonly yaw: number
  readonly roll: number
  /** standard uncertainties; that of pixels per millimetre is relative, 1 is the whole */
  readonly u: { readonly pxPerMm01: number; readonly pitch: number; readonly yaw: number; readonly roll: number }
  /** of the corners about where this camera would see them, px */
  readonly rmsPx: number
}

/** What else is known: how far off the board stands, by a tape. */
export type KnownDistance = { readonly mm: number; readonly uMm: number }

/** A board that the camera sees farther from square than this leans or is turned: it tells nothing of how a dog stands. Chosen. */
export const MOST_TILT_DEG = 20
const RAD = Math.PI / 180

/** A place of the board from its middle, mm, and where it is seen from the picture's middle, px. */
type Pair = { readonly mm: PhotoPoint; readonly px: PhotoPoint }

/**
 * The camera that sees the board's corners where they were found, by least squares over everything at once: focal length,
 * three angles and the board's place, with the distance by a tape as one more observation. A board that faces the camera
 * says little of its distance; then the tape says it.
 * @param seen the markers that were found
 * @param centre where the camera looks straight ahead, px
 * @param printed01 how large the board was printed: 1 is as it should be
 * @throws CoreError `tooFewMarkers` under two, `boardTilted` beyond MOST_TILT_DEG
 * Source: Zhang 2000, IEEE Trans. PAMI 22:1330-1334, 3.1 (first guess) and 3.2; u by JCGM 102:2011, 6.2, from the Jacobian.
 */
export function poseOf(seen: BoardSeen, centre: PhotoPoint, known: KnownDistance, printed01 = 1): Pose {
  if (seen.markers.length < LEAST_MARKERS)
    throw new CoreError({ code: 'tooFewMarkers', path: 'board', got: seen.markers.length, limit: `${LEAST_MARKERS} or more` })
  const pairs = upright(pairsOf(seen, centre, printed01), known.mm)
  const observed = observations(pairs, known, seen.uPx)
  const one = nearest(firstGuess(pairs, known.mm), observed)
  const other = nearest(mirrored(one), observed)
  const [best, second] = missOf(one, observed) <= missOf(other, observed) ? [one, other] : [other, one]
  // a small board far off is seen nearly alike from either side: then what lies between the two is not known
  const isEither = missOf(second, observed) - missOf(best, observed) < LEAST_APART
  return told(best, observed, seen.uPx, isEither ? second : best)
}

/** Two cameras are told apart by this much more squared miss of one, in its own uncertainties: 3 standard deviations. */
const LEAST_APART = 9
const missOf = (parameters: Parameters, { measured, expect }: Observations) =>
  expect(parameters).reduce((sum, value, i) => sum + (value - measured[i]!) ** 2, 0)

/** The camera near a guess that misses least. */
function nearest(start: Parameters, observed: Observations): Parameters {
  const { parameterValues } = levenbergMarquardt(
    { x: observed.measured.map((_, i) => i), y: [...observed.measured] },
    (parameters: number[]) => {
      const expected = observed.expect(parameters as unknown as Parameters)
      return (i: number) => expected[i]!
    },
    { initialValues: [...start], damping: 1e-2, maxIterations: 60, errorTolerance: 1e-9, gradientDifference: 1e-6, centralDifference: true }
  )
  return parameterValues as unknown as Parameters
}

/**
 * The other way in which a flat thing may stand to look nearly the same: mirrored about the line of sight.
 * Source: Schweighofer & Pinz 2006, IEEE Trans. PAMI 28:2024-2030 (the two minima of a planar pose), from memory.
 */
function mirrored([lnF, lnD, pitch, yaw, roll, across, down]: Parameters): Parameters {
  const away = axesOf(pitch, yaw, roll)[2]
  const long = Math.hypot(across, down, 1)
  const sight: Three = [across / long, down / long, 1 / long]
  const along = away[0] * sight[0] + away[1] * sight[1] + away[2] * sight[2]
  const [x, y, z] = sight.map((value, i) => 2 * along * value - away[i]!) as [number, number, number]
  const [u, v] = [x * Math.cos(roll) - y * Math.sin(roll), x * Math.sin(roll) + y * Math.cos(roll)]
  return [lnF, lnD, Math.atan2(-v, z), Math.asin(Math.max(-1, Math.min(1, -u))), roll, across, down]
}

function pairsOf({ kind, markers }: BoardSeen, [cx, cy]: PhotoPoint, printed01: number): readonly Pair[] {
  const { widthMm, heightMm } = BOARDS[kind]
  return markers.flatMap(({ id, corners }) =>
    cornersOfMarker(id).map(([x, y], i): Pair => {
      const [u, v] = corners[i]!
      return { mm: [(x - widthMm / 2) * printed01, (y - heightMm / 2) * printed01], px: [u - cx, v - cy] }
    })
  )
}

/** A board that lies on its side or stands on its head is read as one that stands: plumb is along its edge either way. */
function upright(pairs: readonly Pair[], distanceMm: number): readonly Pair[] {
  const quarters = Math.round(firstGuess(pairs, distanceMm)[4] / (Math.PI / 2))
  const [cos, sin] = [Math.cos((quarters * Math.PI) / 2), Math.sin((quarters * Math.PI) / 2)]
  return pairs.map(({ mm: [x, y], px }) => ({ mm: [x * cos + y * sin, y * cos - x * sin], px }))
}

/** ln of the focal length in px, ln of the distance in mm, pitch, yaw, roll, and where the board's middle is seen, in shares of the focal length. */
type Parameters = readonly [number, number, number, number, number, number, number]

function firstGuess(pairs: readonly Pair[], distanceMm: number): Parameters {
  const h = homography(
    pairs.map(({ mm }) => mm),
    pairs.map(({ px }) => px)
  )
  // how much larger a small square at the board's middle is seen; with the distance it makes the focal length
  const [ux, uy, vx, vy] = [h[0]! - h[2]! * h[6]!, h[3]! - h[5]! * h[6]!, h[1]! - h[2]! * h[7]!, h[4]! - h[5]! * h[7]!]
  const f = Math.sqrt(Math.abs(ux * vy - uy * vx)) * distanceMm
  const column = (i: number): Three => [h[i]! / f, h[i + 3]! / f, h[i + 6]!]
  const [a, b, t] = [column(0), column(1), column(2)]
  const k = 2 / (Math.hypot(...a) + Math.hypot(...b))
  const [r1, r2] = [a.map((value) => value * k), b.map((value) => value * k)]
  const { leftSingularVectors: u, rightSingularVectors: v } = new SingularValueDecomposition(
    new Matrix([r1, r2, crossed(r1, r2)]).transpose()
  )
  const r = u.mmul(v.transpose())
  const pitch = Math.asin(Math.max(-1, Math.min(1, r.get(2, 1))))
  const [yaw, roll] = [Math.atan2(r.get(2, 0), r.get(2, 2)), Math.atan2(r.get(0, 1), r.get(1, 1))]
  return [Math.log(f), Math.log(distanceMm), pitch, yaw, roll, t[0] / t[2], t[1] / t[2]]
}

type Three = readonly [number, number, number]
const crossed = ([a, b, c]: readonly number[], [x, y, z]: readonly number[]): number[] => [
  b! * z! - c! * y!,
  c! * x! - a! * z!,
  a! * y! - b! * x!
]

/** Where each corner would be seen, px from the picture's middle, and how far off the board's plane is. */
function seenFrom(pairs: readonly Pair[], [lnF, lnD, pitch, yaw, roll, across, down]: Parameters): readonly number[] {
  const [f, distance] = [Math.exp(lnF), Math.exp(lnD)]
  const [right, below, away] = axesOf(pitch, yaw, roll)
  const middle = middleDepth(distance, away, across, down)
  return pairs.flatMap(({ mm: [x, y] }) => {
    const z = right[2] * x + below[2] * y + middle
    return [(f * (right[0] * x + below[0] * y + across * middle)) / z, (f * (right[1] * x + below[1] * y + down * middle)) / z]
  })
}

/** The board's axes (to its right, down, away from the camera) as the camera has them. */
function axesOf(pitch: number, yaw: number, roll: number): readonly [Three, Three, Three] {
  const [cp, sp, cy, sy] = [Math.cos(pitch), Math.sin(pitch), Math.cos(yaw), Math.sin(yaw)]
  const rolled = ([x, y, z]: Three): Three => [x * Math.cos(roll) + y * Math.sin(roll), y * Math.cos(roll) - x * Math.sin(roll), z]
  return [rolled([cy, -sp * sy, cp * sy]), rolled([0, cp, sp]), rolled([-sy, -sp * cy, cp * cy])]
}

/** How far along the camera's axis the board's middle lies, where its plane meets that axis at `distance`; mm. */
const middleDepth = (distance: number, away: Three, across: number, down: number): number =>
  (distance * away[2]) / (away[0] * across + away[1] * down + away[2])

/** Where the camera's axis meets the plane that goes through the board's middle, rolled and pitched as the board is, but turned by `yaw`; mm. */
export function alongAxis({ middle, pitch, roll }: Pose, yaw: number): number {
  const away = axesOf(pitch, yaw, roll)[2]
  return (away[0] * middle[0] + away[1] * middle[1] + away[2] * middle[2]) / away[2]
}

type Observations = {
  readonly measured: readonly number[]
  readonly expect: (parameters: Parameters) => readonly number[]
}

/** Everything that was observed, each in its own standard uncertainties: the corners, and the distance by the tape. */
function observations(pairs: readonly Pair[], known: KnownDistance, uPx: number): Observations {
  return {
    measured: [...pairs.flatMap(({ px }) => px).map((value) => value / uPx), known.mm / known.uMm],
    expect: (parameters) => [...seenFrom(pairs, parameters).map((value) => value / uPx), Math.exp(parameters[1]) / known.uMm]
  }
}

function told(best: Parameters, { measured, expect }: Observations, uPx: number, maybe: Parameters): Pose {
  const [focal, distance, pitch, yaw, roll, across, down] = best
  if (Math.max(Math.abs(pitch), Math.abs(yaw)) > MOST_TILT_DEG * RAD)
    throw new CoreError({
      code: 'boardTilted',
      path: 'board',
      got: `${(Math.max(Math.abs(pitch), Math.abs(yaw)) / RAD).toFixed(0)} degrees`,
      limit: `${MOST_TILT_DEG} degrees at most`
    })
  const depth = middleDepth(Math.exp(distance), axesOf(pitch, yaw, roll)[2], across, down)
  const off = expect(best).map((value, i) => value - measured[i]!)
  const corners = off.slice(0, -1)
  const chi2 = corners.reduce((sum, value) => sum + value * value, 0) / Math.max(1, corners.length - best.length + 1)
  const covariance = covarianceOf(best, expect).mul(Math.max(1, chi2))
  const c = (i: number, j: number) => covariance.get(i, j)
  return {
    focalPx: Math.exp(focal),
    distanceMm: Math.exp(distance),
    middle: [across * depth, down * depth, depth],
    ...{ pitch, yaw, roll },
    u: {
      pxPerMm01: Math.sqrt(Math.max(0, c(0, 0) + c(1, 1) - 2 * c(0, 1))),
      ...{ pitch: Math.hypot(Math.sqrt(c(2, 2)), maybe[2] - pitch), yaw: Math.hypot(Math.sqrt(c(3, 3)), maybe[3] - yaw) },
      roll: Math.sqrt(c(4, 4))
    },
    rmsPx: uPx * Math.sqrt(corners.reduce((sum, value) => sum + value * value, 0) / corners.length)
  }
}

const STEP = 1e-5
function covarianceOf(best: Parameters, expect: Observations['expect']): Matrix {
  const columns = best.map((_, k) => {
    const moved = (by: number) => expect(best.map((value, i) => (i === k ? value + by : value)) as unknown as Parameters)
    const [up, down] = [moved(STEP), moved(-STEP)]
    return up.map((value, i) => (value - down[i]!) / (2 * STEP))
  })
  const jacobian = new Matrix(columns).transpose()
  return inverse(jacobian.transpose().mmul(jacobian), true)
}
