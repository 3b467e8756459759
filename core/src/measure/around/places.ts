// Where the places of a dog seen from the front, the rear and above are likely to lie: the plan laid over the found outline.
import type { PhotoView } from '../photo/frame'
import type { PhotoPlace } from '../photo/places'
import type { PlannedPlace, PlannedView } from '../photo/plan'
import type { PhotoPoint } from '../types'

type Places = Partial<Record<PhotoPlace, PhotoPoint>>
type Side = 'left' | 'right'
type Place = (point: PhotoPoint) => PhotoPoint
const SIDES: readonly Side[] = ['left', 'right']
const named = (stem: string, side: Side, end = '') => `${stem}${side === 'left' ? 'Left' : 'Right'}${end}` as PhotoPlace

/**
 * Every place of that view, those of the dog's middle too.
 * @param found the outline, mm @param at from the plan to the outline
 */
export function placesAround(
  view: Exclude<PhotoView, 'head' | 'profile'>,
  planned: PlannedView,
  found: readonly PhotoPoint[],
  at: Place
): Places {
  if (view === 'above') return fromAbove(planned, found, at)
  return view === 'front' ? fromFront(planned, found, at) : fromRear(planned, found, at)
}

/** The farthest place of a ring on one side at a height, or across at a place along; null where it does not reach there. */
function farthest(ring: readonly PhotoPoint[], axis: 0 | 1, level: number, sign: number): PhotoPoint | null {
  let best: PhotoPoint | null = null
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length]!
    if (a[axis] > level === b[axis] > level) return
    const share = (level - a[axis]) / (b[axis] - a[axis])
    const cross: PhotoPoint = [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share]
    if (!best || sign * cross[1 - axis]! > sign * best[1 - axis]!) best = cross
  })
  return best
}

/** A found edge farther from where the plan has it is something else: an ear, another leg; mm. Chosen. */
const NEAR_MM = 25

/** A planned place of the outer edge, put on the found one at its own height (or place along) where that is near. */
function onFound(found: readonly PhotoPoint[], axis: 0 | 1, point: PhotoPoint, sign: number): PhotoPoint {
  const edge = farthest(found, axis, point[axis], sign)
  return edge && Math.abs(edge[1 - axis]! - point[1 - axis]!) < NEAR_MM ? edge : point
}

/** Heights that a leg is looked at in, shares of the joint's height over the table. */
const LEG_01 = [0.25, 0.3, 0.35, 0.4, 0.45, 0.5, 0.55, 0.6]
/** Legs are as wide where they differ by no more than this, mm. */
const AS_WIDE_MM = 1.5

type Across = { readonly out: PhotoPoint; readonly inner: PhotoPoint; readonly wide: number }
/** A leg of the plan across its middle: half way up where it is one width, in the middle of a bracelet. */
function legAcross(rim: readonly PlannedPlace[], layer: string, jointY: number, groundY: number, out: number): Across | null {
  const own = rim.filter((place) => place.layer === layer).map((place) => place.at)
  const across = LEG_01.flatMap((share): Across[] => {
    const y = groundY + share * (jointY - groundY)
    const [one, other] = [farthest(own, 1, y, out), farthest(own, 1, y, -out)]
    return one && other ? [{ out: one, inner: other, wide: Math.abs(one[0] - other[0]) }] : []
  })
  const most = Math.max(...across.map(({ wide }) => wide))
  const widest = across.filter(({ wide }) => wide > most - AS_WIDE_MM)
  return widest[Math.floor(widest.length / 2)] ?? null
}

/** What front and rear share: each leg across, the top of a bracelet, and the outer edge at the joint and above the foot. */
function legs(
  { rim, outline, marks }: PlannedView,
  found: readonly PhotoPoint[],
  at: Place,
  from: {
    readonly limb: 'fore' | 'rear'
    readonly stem: string
    readonly joint: 'elbow' | 'hockPoint'
    readonly at: string
    readonly foot: string
    readonly leftSign: 1 | -1
  }
): Places {
  const places: Places = {}
  const groundY = Math.max(...outline.map(([, y]) => y))
  const jointY = marks[from.joint]![1]
  for (const side of SIDES) {
    const out = (side === 'left' ? 1 : -1) * from.leftSign
    const layer = `${from.limb}${side === 'left' ? 'Left' : 'Right'}`
    const across = legAcross(rim, layer, jointY, groundY, out)
    if (across) {
      places[named(from.stem, side, 'Out')] = onFound(found, 1, at(across.out), out)
      places[named(from.stem, side, 'In')] = at(across.inner)
    }
    const hair = rim.filter((place) => place.layer === layer && place.region === (from.limb === 'fore' ? 'foreleg' : 'rearPastern'))
    if (hair.length > 0) places[named(from.stem, side, 'Top')] = at(hair.reduce((best, own) => (own.at[1] < best.at[1] ? own : best)).at)
    const footY = groundY + FOOT_01 * (jointY - groundY)
    for (const [stem, y] of [
      [from.at, jointY],
      [from.foot, footY]
    ] as const) {
      const edge = farthest(outline, 1, y, out)
      if (edge) places[named(stem, side)] = onFound(found, 1, at(edge), out)
    }
  }
  // two legs of the plan that run into one another are seen to meet half way
  const [leftIn, rightIn] = SIDES.map((side) => places[named(from.stem, side, 'In')])
  if (leftIn && rightIn && (leftIn[0] - rightIn[0]) * from.leftSign < 0)
    for (const side of SIDES) places[named(from.stem, side, 'In')] = [(leftIn[0] + rightIn[0]) / 2, (leftIn[1] + rightIn[1]) / 2]
  return places
}
/** Above the foot: this share of the joint's height, clear of a bevel. Chosen. */
const FOOT_01 = 0.22

function fromFront(planned: PlannedView, found: readonly PhotoPoint[], at: Place): Places {
  const places = legs(planned, found, at, { limb: 'fore', stem: 'fore', joint: 'elbow', at: 'elbow', foot: 'foot', leftSign: 1 })
  for (const side of SIDES) {
    const out = side === 'left' ? 1 : -1
    const edge = farthest(planned.outline, 1, planned.marks.withers![1], out)
    if (edge) places[named('neck', side)] = onFound(found, 1, at(edge), out)
  }
  return places
}

function fromRear(planned: PlannedView, found: readonly PhotoPoint[], at: Place): Places {
  const { marks, outline, rim } = planned
  const places = legs(planned, found, at, { limb: 'rear', stem: 'hind', joint: 'hockPoint', at: 'hock', foot: 'hindFoot', leftSign: -1 })
  const thigh = outline.filter(([, y]) => y > marks.buttock![1] && y < marks.stifle![1])
  const band = rim.filter(({ layer, region }) => layer === 'tail' && region === 'tailBand').map((place) => place.at)
  const root = marks.tailSet!
  places.tailRootBehind = at(root)
  for (const side of SIDES) {
    const out = side === 'left' ? -1 : 1
    const widest = thigh
      .filter(([x]) => x * out > 0)
      .reduce<PhotoPoint | null>((best, own) => (!best || own[0] * out > best[0] * out ? own : best), null)
    if (widest) places[named('breech', side)] = onFound(found, 1, at(widest), out)
    const end = band
      .filter(([x]) => (x - root[0]) * out >= 0)
      .reduce<PhotoPoint | null>((best, own) => (!best || Math.abs(own[1] - root[1]) > Math.abs(best[1] - root[1]) ? own : best), null)
    if (end) places[named('band', side)] = at(end)
  }
  return places
}

/** Behind the ear: this share of the way from the back of the skull to the withers. Chosen: clear of most ears. */
const NAPE_01 = 0.4

function fromAbove({ marks, outline }: PlannedView, found: readonly PhotoPoint[], at: Place): Places {
  const [occiput, withers, loin, tail] = [marks.occiput!, marks.withers!, marks.loin!, marks.tailSet!]
  const places: Places = { spineWithers: at(withers), spineRib: at(loin), spineTail: at(tail) }
  const along = { nape: occiput[0] + NAPE_01 * (withers[0] - occiput[0]), shoulder: withers[0] }
  for (const side of SIDES) {
    const out = side === 'left' ? 1 : -1
    for (const [stem, x] of Object.entries(along)) {
      const edge = farthest(outline, 0, x, out)
      if (edge) places[named(stem, side)] = onFound(found, 0, at(edge), out)
    }
  }
  return places
}
