// Where places of a dog are likely to lie in a photograph: the planned dog laid over the found outline.
import { CoreError } from '../../error'
import type { Picture } from '../edge/picture'
import { darkSpot } from '../edge/spots'
import { layOutline, layPoint, type Laid } from '../fit/align'
import { fitCircle } from '../fit/circle'
import { clockOf, evenly, radiusAt } from '../fit/ring'
import { overlap01 } from '../fit/overlap'
import type { PhotoPoint } from '../types'
import { placesAround } from '../around/places'
import { asSeen } from '../around/seen'
import { reachTo } from '../around/shape'
import { toMm, toPx, viewOf, type Frame, type Seen } from './frame'
import type { Trace } from './trace'
import { PLACES, type PhotoPlace } from './places'
import type { PlannedView } from './plan'

export type Proposal = {
  readonly places: Readonly<Partial<Record<PhotoPlace, PhotoPoint>>>
  /** how the plan lies over the outline, from the plan's mm to the frame's */
  readonly laid: Laid
  /** how much plan and outline cover together, 0 to 1 */
  readonly alike01: number
}

/** A dark spot is looked for this share of the eyes’ distance from where an eye is proposed. Chosen: never as far as the other eye. */
const SPOT_REACH = 0.55

/**
 * Eyes and nose put on the dark spots near where they were proposed: an outline alone knows them to a few millimetres.
 */
export function onDarkSpots(picture: Picture, places: Proposal['places']): Proposal['places'] {
  const { eyeLeft, eyeRight, nose } = places
  if (!eyeLeft || !eyeRight || !nose) return places
  const reach = SPOT_REACH * Math.hypot(eyeLeft[0] - eyeRight[0], eyeLeft[1] - eyeRight[1])
  return {
    ...places,
    eyeLeft: darkSpot(picture, eyeLeft, reach),
    eyeRight: darkSpot(picture, eyeRight, reach),
    nose: darkSpot(picture, nose, 1.4 * reach)
  }
}

/** Less alike than this, what stands there is no dog seen from there. Chosen on drawn dogs. */
const LEAST_ALIKE = 0.55
/** The outline is thinned to places this far apart, mm: it is compared, not measured. */
const THIN_MM = 4

/** Landmarks of the profile by the place they stand for. */
const FROM_MARKS: Readonly<Partial<Record<PhotoPlace, string>>> = {
  breast: 'prosternum',
  rump: 'buttock',
  noseTip: 'noseTip',
  stop: 'stop',
  brow: 'brow',
  occiput: 'occiput',
  throat: 'throat',
  neckPoint: 'neckFront',
  pointShoulder: 'pointShoulder',
  elbowJoint: 'elbow',
  tailRoot: 'tailSet',
  tailEnd: 'tailTip',
  headTop: 'skullTop'
}

/**
 * Proposes every place of a view in px. Nobody has touched them yet: they are shown to be dragged.
 * @throws CoreError `somethingElse` where the outline does not look like this dog from there
 */
export function proposePlaces(frame: Frame, outlinePx: readonly PhotoPoint[], plannedDog: PlannedView): Proposal {
  const planned = asSeen(plannedDog, frame)
  const found = thinned(outlinePx.map((point) => toMm(frame, point, planned.depths.edge.mm)))
  const plan = thinned(planned.outline)
  const laid = layOutline(plan, found, false)
  const alike01 = overlap01(
    plan.map((point) => layPoint(laid, point)),
    found
  )
  if (alike01 < LEAST_ALIKE)
    throw new CoreError({
      code: 'somethingElse',
      path: 'outline',
      got: `a shape that covers ${Math.round(alike01 * 100)} % with the planned dog`,
      limit: `${Math.round(LEAST_ALIKE * 100)} % or more: the whole of one dog, seen from here`
    })
  const at = (point: PhotoPoint) => layPoint(laid, point)
  const mm = placesIn(frame.seen, planned, found, at, laid.k)
  const depths = planned.depths
  return {
    places: Object.fromEntries(
      (Object.entries(mm) as [PhotoPlace, PhotoPoint][])
        .filter(([id]) => !PLACES[id].middle)
        .map(([id, point]) => [id, toPx(frame, point, depthOf(id, depths))])
    ) as Proposal['places'],
    laid,
    alike01
  }
}

const ASIS: Laid = { k: 1, turn: 0, dx: 0, dy: 0 }

/** The plan itself as something that was read: what each measure comes to on the dog as it should be. */
export function plannedTrace(planned: PlannedView, seen: Seen): Trace {
  const at = (point: PhotoPoint) => layPoint(ASIS, point)
  // the plan of a dog seen whole has its places by itself: what stands behind them, as wide in a plan, is no edge of theirs
  const found = viewOf(seen) === 'head' || viewOf(seen) === 'profile' ? planned.outline : []
  const places = placesIn(seen, planned, found, at, 1)
  return { seen, hasScale: true, outline: planned.outline, places, lines: {}, yawDeg: 0, neckScale: 1 }
}

type ToFound = (point: PhotoPoint) => PhotoPoint
function placesIn(seen: Seen, planned: PlannedView, found: readonly PhotoPoint[], at: ToFound, k: number): Places {
  const view = viewOf(seen)
  if (view === 'head') return headPlaces(planned, found, at, k)
  return view === 'profile' ? profilePlaces(planned, found, at) : placesAround(view, planned, found, at)
}

const depthOf = (id: PhotoPlace, depths: PlannedView['depths']) => {
  const { depth } = PLACES[id]
  return depth === 'neck' ? depths.edge.mm : depth ? (depths[depth]?.mm ?? 0) : 0
}

export function thinned(ring: readonly PhotoPoint[]): PhotoPoint[] {
  const [xs, ys] = [ring.map(([x]) => x), ring.map(([, y]) => y)]
  const size = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys))
  return evenly(ring, Math.max(THIN_MM, size / 160) || THIN_MM)
}

type Places = Partial<Record<PhotoPlace, PhotoPoint>>

function profilePlaces({ marks, outline, rim }: PlannedView, found: readonly PhotoPoint[], at: (point: PhotoPoint) => PhotoPoint): Places {
  const places: Places = {}
  for (const [id, mark] of Object.entries(FROM_MARKS) as [PhotoPlace, keyof PlannedView['marks']][]) {
    const point = marks[mark]
    if (point) places[id] = at(point)
  }
  const mark = (name: keyof PlannedView['marks']) => marks[name]!
  const mid = (a: PhotoPoint, b: PhotoPoint, share = 0.5): PhotoPoint => [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share]
  places.ankle = at(mid(mark('frontPasternFront'), mark('frontPasternBack')))
  const lowest = Math.max(...outline.map(([, y]) => y))
  places.table = at([mark('frontPad')[0], lowest])
  ;[places.groinFront, places.groinBack] = [at(mid(mark('elbow'), mark('flank'), 0.9)), at(mark('flank'))]
  places.ruffBack = at(mid(mark('occiput'), mark('nape'), 0.5))
  places.bandEnd = at(mid(mark('tailSet'), mark('tailTip'), 0.3))
  places.pinBones = at(mid(mark('tailSet'), mark('tailTip'), 0.3))
  places.plumeEnd = at([mark('tailSet')[0], lowest])
  const leg = (front: PhotoPoint, back: PhotoPoint, wider: number): readonly [PhotoPoint, PhotoPoint] => [
    mid(front, back, -wider),
    mid(front, back, 1 + wider)
  ]
  ;[places.foreMidFront, places.foreMidBack] = leg(mark('forearmFront'), mark('forearmBack'), 0.4).map(at)
  ;[places.foreEndFront, places.foreEndBack] = leg(mark('frontPasternFront'), mark('frontPasternBack'), 0.3).map(at)
  ;[places.rearMidFront, places.rearMidBack] = leg(mark('hockFront'), mark('hockPoint'), 0.3).map(at)
  ;[places.rearEndFront, places.rearEndBack] = leg(mark('rearPasternFront'), mark('rearPasternBack'), 0.3).map(at)
  places.foreTopHigh = at(mid(mark('forearmFront'), mark('frontPasternFront'), 0.1))
  places.foreTopLow = at(mid(mark('forearmFront'), mark('frontPasternFront'), 0.3))
  places.foreBottomHigh = at(mid(mark('forearmFront'), mark('frontPasternFront'), 0.8))
  places.foreBottomLow = at(mark('frontPasternFront'))
  places.rearTopHigh = at(mark('hockFront'))
  places.rearTopLow = at(mid(mark('hockFront'), mark('rearPasternFront'), 0.3))
  places.rearBottomHigh = at(mid(mark('hockFront'), mark('rearPasternFront'), 0.9))
  places.rearBottomLow = at(mark('rearPasternFront'))
  const [root, tip] = [at(mark('tailSet')), at(mark('tailTip'))]
  const across = (share: number): readonly [PhotoPoint, PhotoPoint] => {
    const [x, y] = mid(root, tip, share)
    const size = Math.hypot(tip[0] - root[0], tip[1] - root[1]) || 1
    const normal: PhotoPoint = [-(tip[1] - root[1]) / size, (tip[0] - root[0]) / size]
    return [alongRay(found, [x, y], [-normal[0], -normal[1]]), alongRay(found, [x, y], normal)]
  }
  ;[places.tailRootAbove, places.tailRootBelow] = across(0.15)
  ;[places.tailTipAbove, places.tailTipBelow] = across(0.85)
  for (const [id, point] of Object.entries(places) as [PhotoPlace, PhotoPoint][]) {
    const { onEdge } = PLACES[id]
    if (onEdge) places[id] = onto(found, point, onEdge)
  }
  // where a tail lies on the back, or the neck's hair, there is no topline yet: it begins where the outline comes down to it
  const high = Math.abs(root[1] - at(mark('hockPoint'))[1])
  const near = high * NEAR_BACK
  const backAt = (share: number) => at(mid(mark('withers'), mark('croup'), share))
  places.withers = firstNear([0.12, 0.18, 0.24, 0.3, 0.36].map(backAt), found, near)
  places.tailSet = firstNear([0.96, 0.9, 0.84, 0.78, 0.72, 0.66].map(backAt), found, near)
  const body = rim.filter(({ layer }) => layer === 'body').map((place) => place.at)
  const belly = BELLY_SHARES.map((share) => onto(body, mid(mark('elbow'), mark('flank'), share), 'below'))
  // between the legs the plan's own outline is the skirt's; a leg, near or far, hangs below it
  const open = belly.filter((point) => Math.abs(onto(outline, point, 'below')[1] - point[1]) < OWN_EDGE_MM)
  const skirt = (open.length > 2 ? open.slice(1, -1) : open.length > 0 ? open : belly).map(at)
  places.elbow = onto(found, skirt[0]!, 'below')
  places.tuckUp = onto(found, skirt.at(-1)!, 'below')
  return places
}

/** The outline is the back's where it lies no farther above it than this share of the height of croup over hock. Chosen. */
const NEAR_BACK = 0.2
/** An outline this near to the skirt's is the skirt's. Chosen. */
const OWN_EDGE_MM = 3
const BELLY_SHARES = [0.12, 0.18, 0.24, 0.3, 0.36, 0.42, 0.48, 0.54, 0.6, 0.66, 0.72, 0.78, 0.84, 0.9, 0.96, 1.02, 1.08]

/** The first of some places of the back that has the outline close above it, on the outline. */
function firstNear(places: readonly PhotoPoint[], found: readonly PhotoPoint[], near: number): PhotoPoint {
  const crossings = places.map((place) => ({ place, edge: onto(found, place, 'above') }))
  return (crossings.find(({ place, edge }) => place[1] - edge[1] > -near / 4 && place[1] - edge[1] < near) ?? crossings[0]!).edge
}

/** An ear or the muzzle counts from this share of the skull's reach on. Chosen. */
const BEYOND = 0.8

function headPlaces(
  { face, rim, outline, earsStand }: PlannedView,
  found: readonly PhotoPoint[],
  at: (point: PhotoPoint) => PhotoPoint,
  k: number
): Places {
  if (!face) return {}
  const [left, right] = [at([face.eyeX, 0]), at([-face.eyeX, 0])]
  const eyes: PhotoPoint = [(left[0] + right[0]) / 2, (left[1] + right[1]) / 2]
  const layer = (name: string) => rim.filter((place) => place.layer === name).map((place) => at(place.at))
  const far = ([x, y]: PhotoPoint) => Math.hypot(x - eyes[0], y - eyes[1])
  const edgeAt = (hour: number) => found.reduce((best, point) => (hoursOff(eyes, point, hour) < hoursOff(eyes, best, hour) ? point : best))
  const jaw = jawHours(outline)
  const places: Places = { eyeLeft: left, eyeRight: right, nose: at([0, face.noseY]), jawLeft: edgeAt(6 - jaw), jawRight: edgeAt(6 + jaw) }
  const reach = Math.max(...layer('skull').map(far))
  const [leftEar, rightEar] = [layer('earLeft'), layer('earRight')]
  if (leftEar.length > 0 && rightEar.length > 0) {
    ;[places.earLeftEnd, places.earRightEnd] = [extreme(leftEar, 1), extreme(rightEar, 1)]
    ;[places.earLeftRoot, places.earRightRoot] = [extreme(leftEar, -1), extreme(rightEar, -1)]
  }
  // an ear that stands breaks the round where it lies beyond the skull's own coat
  const [leftHours, rightHours] = [leftEar, rightEar].map((ear) =>
    ear.filter((point) => far(point) > BEYOND * reach).map((point) => clockOf(eyes, point))
  )
  if (earsStand && leftHours!.length > 0 && rightHours!.length > 0) {
    ;[places.earLeftIn, places.earLeftOut] = [Math.min(...leftHours!) - 0.15, Math.max(...leftHours!) + 0.15].map(edgeAt)
    ;[places.earRightOut, places.earRightIn] = [Math.min(...rightHours!) - 0.15, Math.max(...rightHours!) + 0.15].map(edgeAt)
  }
  const muzzle = layer('muzzle')
  const widest = (sign: 1 | -1) => muzzle.reduce((best, point) => (sign * point[0] > sign * best[0] ? point : best), eyes)
  ;[places.muzzleLeft, places.muzzleRight] = [widest(1), widest(-1)]
  places.browLeft = [left[0] + 6 * k, left[1] - 12 * k]
  places.browRight = [right[0] - 6 * k, right[1] - 12 * k]
  return places
}

/** How far a place lies from an hour of the clock, either way round. */
function hoursOff(centre: PhotoPoint, point: PhotoPoint, hour: number): number {
  const off = Math.abs(clockOf(centre, point) - hour) % 12
  return Math.min(off, 12 - off)
}

/** Where a way from inside first meets the outline; a little way along it where it never does. */
function alongRay(ring: readonly PhotoPoint[], [x, y]: PhotoPoint, [dx, dy]: PhotoPoint): PhotoPoint {
  const reach = reachTo(ring, [x, y], [dx, dy]) ?? 12
  return [x + dx * reach, y + dy * reach]
}

const extreme = (points: readonly PhotoPoint[], sign: 1 | -1) =>
  points.reduce((best, point) => (sign * point[1] > sign * best[1] ? point : best))

/** The plan's own head leaves its round by this where the muzzle and the neck begin, mm. Chosen. */
const LEAVES_ROUND_MM = 3

/** Hours from six o'clock to where the planned head is round on both sides: below that the muzzle stands before it. */
function jawHours(outline: readonly PhotoPoint[]): number {
  const hourOf = (point: PhotoPoint) => clockOf([0, 0], point)
  const round = fitCircle(
    outline.filter((point) => {
      const hour = hourOf(point)
      return (hour > 2 && hour < 4) || (hour > 8 && hour < 10) || hour > 11.6 || hour < 0.4
    })
  )
  let hours = 2
  for (; hours > 0.7; hours -= 0.1) {
    const sides = [6 - hours, 6 + hours].map((hour) => {
      const reach = radiusAt(outline, round.centre, hour)
      return reach === null ? Infinity : Math.abs(reach - round.radius)
    })
    if (Math.max(...sides) > LEAVES_ROUND_MM) break
  }
  return hours + 0.15
}

/** The nearest place of an outline straight above, below, before (left) or behind a place; the nearest of all where there is none. */
export function onto(ring: readonly PhotoPoint[], [x, y]: PhotoPoint, way: 'above' | 'below' | 'before' | 'behind'): PhotoPoint {
  const upright = way === 'above' || way === 'below'
  let best: PhotoPoint | null = null
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length]!
    const [a0, b0, at] = upright ? [a[0], b[0], x] : [a[1], b[1], y]
    if (a0 > at === b0 > at) return
    const share = (at - a0) / (b0 - a0)
    const cross: PhotoPoint = upright ? [x, a[1] + (b[1] - a[1]) * share] : [a[0] + (b[0] - a[0]) * share, y]
    const away = upright ? Math.abs(cross[1] - y) : Math.abs(cross[0] - x)
    if (!best || away < (upright ? Math.abs(best[1] - y) : Math.abs(best[0] - x))) best = cross
  })
  return (
    best ?? ring.reduce((near, point) => (Math.hypot(point[0] - x, point[1] - y) < Math.hypot(near[0] - x, near[1] - y) ? point : near))
  )
}
