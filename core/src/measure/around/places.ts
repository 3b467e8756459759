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

/** A place of the plan lies on its own outline within this, mm: else another part stands out beyond it there. */
const ON_OWN_MM = 4

type Onto = { readonly plan: readonly PhotoPoint[]; readonly found: readonly PhotoPoint[]; readonly at: Place }
/**
 * A planned place of the outer edge, put on the found one at its own height (or place along) where that is near: not where the
 * plan itself has another part stand out beyond it.
 */
function onFound({ plan, found, at }: Onto, axis: 0 | 1, own: PhotoPoint, sign: number): PhotoPoint {
  const [point, planned] = [at(own), farthest(plan, axis, own[axis], sign)]
  if (!planned || Math.abs(planned[1 - axis]! - own[1 - axis]!) > ON_OWN_MM) return point
  const edge = farthest(found, axis, point[axis], sign)
  return edge && Math.abs(edge[1 - axis]! - point[1 - axis]!) < NEAR_MM ? edge : point
}

/** An inner edge farther from where the plan has it is another leg's, mm. Chosen. */
const OWN_LEG_MM = 8
/** Where the wall shows between two legs at a height: the edge of the leg on that side; null where it does not. */
function innerEdge(found: readonly PhotoPoint[], [, y]: PhotoPoint, out: number): PhotoPoint | null {
  const crossings = found
    .flatMap((a, i): number[] => {
      const b = found[(i + 1) % found.length]!
      return a[1] > y === b[1] > y ? [] : [a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1])]
    })
    .sort((a, b) => out * (b - a))
  // from outside in: the leg's outer edge, its inner edge, then the other leg
  return crossings.length === 4 ? [crossings[1]!, y] : null
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

type Limb = {
  readonly limb: 'fore' | 'rear'
  readonly stem: 'fore' | 'hind'
  readonly joint: 'elbow' | 'hockPoint'
  /** the places at the joint and above the foot */
  readonly ends: readonly [atJoint: string, aboveFoot: string]
  /** parts whose edge is the dog's there: not what stands behind them */
  readonly near: readonly string[]
  readonly leftSign: 1 | -1
}
const FORE: Limb = {
  ...{ limb: 'fore', stem: 'fore', joint: 'elbow', leftSign: 1 },
  ends: ['elbow', 'foot'],
  near: ['body', 'foreLeft', 'foreRight']
}
const HIND: Limb = {
  ...{ limb: 'rear', stem: 'hind', joint: 'hockPoint', leftSign: -1 },
  ends: ['hock', 'hindFoot'],
  near: ['rearLeft', 'rearRight']
}

/** What front and rear share: each leg across, the top of a bracelet, and the outer edge at the joint and above the foot. */
function legs({ rim, outline, marks }: PlannedView, found: readonly PhotoPoint[], at: Place, own: Limb): Places {
  const places: Places = {}
  const onto: Onto = { plan: outline, found, at }
  const groundY = Math.max(...outline.map(([, y]) => y))
  const jointY = marks[own.joint]![1]
  for (const side of SIDES) {
    const out = (side === 'left' ? 1 : -1) * own.leftSign
    const layer = `${own.limb}${side === 'left' ? 'Left' : 'Right'}`
    const across = legAcross(rim, layer, jointY, groundY, out)
    if (across) {
      const [outer, inner] = [at(across.out), at(across.inner)]
      places[named(own.stem, side, 'Out')] = onFound(onto, 1, across.out, out)
      const edge = innerEdge(found, outer, out)
      // another leg, farther off, may stand in the gap
      places[named(own.stem, side, 'In')] = edge && Math.abs(edge[0] - inner[0]) < OWN_LEG_MM ? edge : inner
    }
    const hair = rim.filter((place) => place.layer === layer && place.region === (own.limb === 'fore' ? 'foreleg' : 'rearPastern'))
    if (hair.length > 0) places[named(own.stem, side, 'Top')] = at(hair.reduce((best, one) => (one.at[1] < best.at[1] ? one : best)).at)
    const heights = [jointY, groundY + FOOT_01 * (jointY - groundY)]
    own.ends.forEach((stem, i) => {
      const edge = outermost(rim, own.near, heights[i]!, out)
      if (edge) places[named(stem, side)] = onFound(onto, 1, edge, out)
    })
  }
  // two legs of the plan that run into one another are seen to meet half way
  const [leftIn, rightIn] = SIDES.map((side) => places[named(own.stem, side, 'In')])
  if (leftIn && rightIn && (leftIn[0] - rightIn[0]) * own.leftSign < 0)
    for (const side of SIDES) places[named(own.stem, side, 'In')] = [(leftIn[0] + rightIn[0]) / 2, (leftIn[1] + rightIn[1]) / 2]
  return places
}

/** The farthest place on one side at a height, of some parts alone. */
function outermost(rim: readonly PlannedPlace[], layers: readonly string[], y: number, out: number): PhotoPoint | null {
  const edges = layers.flatMap((layer) => {
    const edge = farthest(
      rim.filter((place) => place.layer === layer).map((place) => place.at),
      1,
      y,
      out
    )
    return edge ? [edge] : []
  })
  return edges.reduce<PhotoPoint | null>((best, edge) => (!best || edge[0] * out > best[0] * out ? edge : best), null)
}
/** Above the foot: this share of the joint's height, clear of a bevel. Chosen. */
const FOOT_01 = 0.22

function fromFront(planned: PlannedView, found: readonly PhotoPoint[], at: Place): Places {
  const places = legs(planned, found, at, FORE)
  const onto: Onto = { plan: planned.outline, found, at }
  for (const side of SIDES) {
    const out = side === 'left' ? 1 : -1
    const edge = farthest(planned.outline, 1, planned.marks.withers![1], out)
    if (edge) places[named('neck', side)] = onFound(onto, 1, edge, out)
  }
  return places
}

function fromRear(planned: PlannedView, found: readonly PhotoPoint[], at: Place): Places {
  const { marks, rim } = planned
  const places = legs(planned, found, at, HIND)
  const onto: Onto = { plan: planned.outline, found, at }
  const near = rim.filter(({ layer }) => layer === 'body' || layer === 'rearLeft' || layer === 'rearRight').map((place) => place.at)
  const thigh = near.filter(([, y]) => y > marks.buttock![1] && y < marks.stifle![1])
  const band = rim.filter(({ layer, region }) => layer === 'tail' && region === 'tailBand').map((place) => place.at)
  const root = marks.tailSet!
  places.tailRootBehind = at(root)
  for (const side of SIDES) {
    const out = side === 'left' ? -1 : 1
    const widest = thigh
      .filter(([x]) => x * out > 0)
      .reduce<PhotoPoint | null>((best, own) => (!best || own[0] * out > best[0] * out ? own : best), null)
    if (widest) places[named('breech', side)] = onFound(onto, 1, widest, out)
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
  const onto: Onto = { plan: outline, found, at }
  const along = { nape: occiput[0] + NAPE_01 * (withers[0] - occiput[0]), shoulder: withers[0] }
  for (const side of SIDES) {
    const out = side === 'left' ? 1 : -1
    for (const [stem, x] of Object.entries(along)) {
      const edge = farthest(outline, 0, x, out)
      if (edge) places[named(stem, side)] = onFound(onto, 0, edge, out)
    }
  }
  return places
}
