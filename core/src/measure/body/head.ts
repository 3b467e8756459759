// The head from the front. Sides are the dog's own: facing it, its right is at the left of the picture and at 9 o'clock.
import { CoreError } from '../../error'
import { fitCircle, type CircleFit } from '../fit/circle'
import { clockOf, evenly, radiusAt, reachAt } from '../fit/ring'
import type { PhotoPoint } from '../types'

/** Hours that are left out of the circle, from one to the other clockwise: ear tips, the neck below. */
export type HourSpan = readonly [from: number, to: number]

export type FrontHead = {
  /** the head's outline, open ring, mm, y down */
  readonly outline: readonly PhotoPoint[]
  /** the point between the eyes */
  readonly betweenEyes: PhotoPoint
  /** the midline of the face, from above down: between the eyes and the nose, or any two places on it */
  readonly midline: readonly [PhotoPoint, PhotoPoint]
  readonly leftOut: readonly HourSpan[]
}

export type ClockDeparture = { readonly byMm: number; readonly hour: number; readonly side: 'left' | 'right' | 'middle' }

export type FrontHeadMeasures = {
  readonly circle: CircleFit
  /** how far the circle's centre lies from between the eyes, mm: up and to the dog's right are positive */
  readonly offCentre: { readonly up: number; readonly toRight: number }
  /** where the outline leaves the circle most, outward positive */
  readonly most: ClockDeparture
  /** how far the head reaches from between the eyes at each hour, mm; null where it is left out */
  readonly radii: readonly (number | null)[]
  /** null where ears and neck leave nothing of the two sides to compare */
  readonly sides: SideDifference | null
}

/** Right less left, mm: positive where the dog's right stands prouder. */
export type SideDifference = {
  readonly mean: number
  readonly largest: { readonly byMm: number; readonly alongMm: number; readonly hour: number }
  /** the mean from the eyes' height to the jaw alone, and where it is largest; null where none of it can be compared */
  readonly cheeks: { readonly byMm: number; readonly hour: number } | null
  readonly n: number
}

const STEP_MM = 2
/** Heights at which sides are compared, mm apart. Chosen: finer than hair is cut. */
const SLICE_MM = 2
/** A difference is told over so many slices together: a single tuft is none. Chosen: about 10 mm. */
const SLICES_TOGETHER = 5

const isIn = (hour: number, [from, to]: HourSpan) => (from <= to ? hour >= from && hour <= to : hour >= from || hour <= to)
const sideOf = (hour: number): ClockDeparture['side'] =>
  hour > 0.5 && hour < 5.5 ? 'left' : hour > 6.5 && hour < 11.5 ? 'right' : 'middle'

/**
 * Everything that an outline, the eyes and the midline tell of a head from the front: the fitted circle with its centre
 * against the point between the eyes and its largest departure by the clock, the reach by hours, and left against right.
 * @throws CoreError `tooFew` where too little of the outline is left, `inALine`, `oneSpot` where the midline has no length
 */
export function measureFrontHead(head: FrontHead): FrontHeadMeasures {
  const kept = evenly(head.outline, STEP_MM).filter((point) => !isLeftOut(head, clockOf(head.betweenEyes, point)))
  const circle = trimmedCircle(kept)
  const departures = kept.map((point) => Math.hypot(point[0] - circle.centre[0], point[1] - circle.centre[1]) - circle.radius)
  const worst = departures.reduce((best, value, i) => (Math.abs(value) > Math.abs(departures[best]!) ? i : best), 0)
  const hour = clockOf(head.betweenEyes, kept[worst]!)
  const hours = Array.from({ length: 12 }, (_, i) => (isLeftOut(head, i) ? null : radiusAt(head.outline, head.betweenEyes, i)))
  return {
    circle,
    offCentre: { up: head.betweenEyes[1] - circle.centre[1], toRight: head.betweenEyes[0] - circle.centre[0] },
    most: { byMm: departures[worst]!, hour, side: sideOf(hour) },
    radii: hours,
    sides: sidesOf(head)
  }
}

/** The circle of most of a head: what leaves it most (a flat top, a proud cheek) must not draw it along. Chosen: a fifth. */
const ROUND_SHARE = 0.8
const TRIM_ROUNDS = 4

function trimmedCircle(points: readonly PhotoPoint[]): CircleFit {
  let circle = fitCircle(points)
  for (let round = 0; round < TRIM_ROUNDS; round++) {
    const { centre, radius } = circle
    const off = (point: PhotoPoint) => Math.abs(Math.hypot(point[0] - centre[0], point[1] - centre[1]) - radius)
    const nearest = [...points].sort((a, b) => off(a) - off(b)).slice(0, Math.max(3, Math.ceil(points.length * ROUND_SHARE)))
    circle = fitCircle(nearest)
  }
  return circle
}

const isLeftOut = ({ leftOut }: FrontHead, hour: number) => leftOut.some((span) => isIn(hour, span))

function sidesOf(head: FrontHead): SideDifference | null {
  try {
    return compareSides(head)
  } catch (error) {
    if (error instanceof CoreError && error.issue.path === 'outline') return null
    throw error
  }
}

/** Right against left, slice by slice down the midline, where neither is left out. */
export function compareSides(head: FrontHead): SideDifference {
  const [top, below] = head.midline
  const length = Math.hypot(below[0] - top[0], below[1] - top[1])
  if (length === 0)
    throw new CoreError({ code: 'oneSpot', path: 'midline', got: 'one spot twice', limit: 'two places on the middle of the face' })
  const direction: PhotoPoint = [(below[0] - top[0]) / length, (below[1] - top[1]) / length]
  const along = head.outline.map(([x, y]) => (x - top[0]) * direction[0] + (y - top[1]) * direction[1])
  const [start, end] = [Math.min(...along), Math.max(...along)]
  const slices: SideDifference['largest'][] = []
  for (let at = start + SLICE_MM / 2; at < end; at += SLICE_MM) {
    const reach = reachAt(head.outline, top, direction, at)
    if (!reach) continue
    const byMm = reach.left - reach.right
    // seen facing the dog, the picture's left is the dog's right
    const edge = (sign: 1 | -1, mm: number): PhotoPoint => [
      top[0] + direction[0] * at - sign * direction[1] * mm,
      top[1] + direction[1] * at + sign * direction[0] * mm
    ]
    const [rightHour, leftHour] = [clockOf(head.betweenEyes, edge(1, reach.left)), clockOf(head.betweenEyes, edge(-1, reach.right))]
    if (isLeftOut(head, rightHour) || isLeftOut(head, leftHour)) continue
    slices.push({ byMm, alongMm: at, hour: byMm >= 0 ? rightHour : leftHour })
  }
  if (slices.length === 0)
    throw new CoreError({ code: 'tooFew', path: 'outline', got: 0, limit: 'an outline on both sides of the midline' })
  const told = slices.map((slice, i) => ({
    ...slice,
    byMm: meanOf(slices.slice(Math.max(0, i - HALF), i + HALF + 1).map(({ byMm }) => byMm))
  }))
  const most = (own: readonly SideDifference['largest'][]) =>
    own.reduce((best, slice) => (Math.abs(slice.byMm) > Math.abs(best.byMm) ? slice : best))
  const cheeks = slices.filter(({ hour }) => isCheek(hour))
  return {
    mean: meanOf(slices.map(({ byMm }) => byMm)),
    largest: most(told),
    cheeks: cheeks.length === 0 ? null : { byMm: meanOf(cheeks.map(({ byMm }) => byMm)), hour: most(cheeks).hour },
    n: slices.length
  }
}

const HALF = (SLICES_TOGETHER - 1) / 2
const meanOf = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
/** Hours at which a cheek stands out, on either side. Chosen: from the eyes down to the jaw. */
const isCheek = (hour: number) => (hour >= 2.3 && hour <= 4.6) || (hour >= 7.4 && hour <= 9.7)
