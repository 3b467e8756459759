// How far the found coat stands from the planned one, place by place, and how deep it stands over the skin.
import type { RegionId } from '../../regions'
import { asSeen } from '../around/seen'
import { layOutline, layOver, layPoint, type Laid } from '../fit/align'
import { evenly } from '../fit/ring'
import type { PhotoPoint } from '../types'
import { sideSeen, toMm, toPx } from './frame'
import type { PlannedView } from './plan'
import { traceOf, type Reading } from './trace'

/** A place of the found outline, px, with how far it stands outside (above 0) or inside the planned coat, mm. */
export type PlaceDeparture = { readonly at: PhotoPoint; readonly byMm: number; readonly region: RegionId }
export type RegionDeparture = {
  readonly region: RegionId
  /** mean over the region's edge, mm: outward is long */
  readonly byMm: number
  /** how far the found edge stands over the drawn skin, mm, under 0 inside it: no length of hair until it is held against a gauge */
  readonly overSkinMm: number
  /** standard uncertainty of both within this picture, mm */
  readonly uMm: number
  readonly n: number
}

/** A region is told from this many places of its edge on. Chosen. */
const LEAST_PLACES = 6
/** How a dog stands differs from the plan, and from the visit before, by about this, mm. Chosen on drawn dogs. */
const POSE_U_MM = 2
/** Legs stand elsewhere each time. Chosen on drawn dogs. */
const LEG_POSE_U_MM = 5
const LEGS: ReadonlySet<RegionId> = new Set(['foreleg', 'foreFoot', 'thigh', 'rearPastern', 'rearFoot'])
/** A found edge farther than this from the planned one is another part of the dog, mm. Chosen. */
const FARTHEST_MM = 45
/** Places of the plan are the dog's outer edge where they lie this near to its outline, mm. */
const ON_EDGE_MM = 2.5

/** The plan laid rigidly over the outline: both have a scale, so nothing may be stretched. A head is laid by its eyes. */
export function laidRigid(reading: Reading, plannedDog: PlannedView, laid: Laid): Laid {
  const planned = asSeen(plannedDog, reading.frame)
  // without a scale it is only made as large as the outline
  if (!reading.frame.hasScale) return laid
  const trace = traceOf(reading)
  const { eyeLeft, eyeRight } = trace.places
  if (reading.frame.seen === 'head' && eyeLeft && eyeRight && planned.face) {
    const { eyeX } = planned.face
    return layOver(
      [
        [eyeX, 0],
        [-eyeX, 0]
      ],
      [eyeLeft, eyeRight],
      true
    )
  }
  // legs stand before and behind the spine, and elsewhere each time: the trunk, head and tail lay the plan
  const trunk = outerRim(planned).filter(({ region }) => !LEGS.has(region))
  const every = Math.max(1, Math.floor(trunk.length / 220))
  const thin = trunk.filter((_, i) => i % every === 0).map(({ at }) => at)
  const start = layOver(
    thin,
    thin.map((point) => layPoint(laid, point)),
    true
  )
  return layOutline(thin, evenly(trace.outline, 4), true, start)
}

/** From the front, the rear and above legs, neck and tail stand elsewhere each time: the coat's length is told from profiles and heads. */
const tellsCoat = ({ frame, outline }: Reading) =>
  frame.hasScale && outline.length >= 3 && (frame.seen === 'head' || sideSeen(frame.seen) !== null)

/** Every place of the found outline against the plan. Empty without a scale, and from where the coat's length is not told. */
export function departuresFrom(reading: Reading, planned: PlannedView, rigid: Laid): readonly PlaceDeparture[] {
  if (!tellsCoat(reading)) return []
  const rim = outerRim(planned).map(({ at, skin, region, depthMm }) => ({
    at: layPoint(rigid, at),
    skin: layPoint(rigid, skin),
    region,
    depthMm
  }))
  const { outline } = traceOf(reading)
  return outline.flatMap((place, i): PlaceDeparture[] => {
    const near = rim.reduce((best, own) => (apart(own.at, place) < apart(best.at, place) ? own : best))
    const byMm = outwardFrom(near.at, near.skin, inLayer(reading, i, near.depthMm, place))
    return Math.abs(byMm) > FARTHEST_MM ? [] : [{ at: reading.outline[i]!, byMm, region: near.region }]
  })
}

/** The same region by region, with how far the coat stands over the drawn skin. */
export function regionDepartures(reading: Reading, planned: PlannedView, rigid: Laid): readonly RegionDeparture[] {
  if (!tellsCoat(reading)) return []
  const { outline } = traceOf(reading)
  const found = new Map<RegionId, { readonly by: number; readonly over: number }[]>()
  for (const { at, skin, region, depthMm } of outerRim(planned)) {
    const [edge, root] = [layPoint(rigid, at), layPoint(rigid, skin)]
    const nearest = outline.reduce((best, own, i) => (apart(own, edge) < apart(outline[best]!, edge) ? i : best), 0)
    const place = inLayer(reading, nearest, depthMm, outline[nearest]!)
    const by = outwardFrom(edge, root, place)
    if (Math.abs(by) > FARTHEST_MM) continue
    found.set(region, [...(found.get(region) ?? []), { by, over: apart(edge, root) + by }])
  }
  return [...found]
    .filter(([, own]) => own.length >= LEAST_PLACES)
    .map(([region, own]): RegionDeparture => {
      const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
      const byMm = mean(own.map(({ by }) => by))
      const spread = Math.sqrt(mean(own.map(({ by }) => (by - byMm) ** 2)))
      // neighbours are alike: about one place in four tells something new
      return {
        region,
        byMm,
        overSkinMm: mean(own.map(({ over }) => over)),
        uMm: Math.hypot(LEGS.has(region) ? LEG_POSE_U_MM : POSE_U_MM, spread / Math.sqrt(own.length / 4)),
        n: own.length
      }
    })
}

/** A place of the outline as it lies in the plane of the part it belongs to: a leg or a beard stands nearer than the rest. */
function inLayer({ frame, outline, depths }: Reading, i: number, depthMm: number, place: PhotoPoint): PhotoPoint {
  const [x, y] = toMm(frame, outline[i]!, depthMm)
  const [ex, ey] = toMm(frame, outline[i]!, depths.edge.mm)
  return [place[0] + x - ex, place[1] + y - ey]
}

/** Where the planned outline would lie in the picture, px. */
export function plannedInPicture(reading: Reading, planned: PlannedView, laid: Laid): readonly PhotoPoint[] {
  return evenly(asSeen(planned, reading.frame).outline, 4).map((point) =>
    toPx(reading.frame, layPoint(laid, point), planned.depths.edge.mm)
  )
}

const apart = (a: PhotoPoint, b: PhotoPoint) => Math.hypot(a[0] - b[0], a[1] - b[1])

/** How far a place lies beyond `edge` on the way from the skin outward, mm. */
function outwardFrom(edge: PhotoPoint, skin: PhotoPoint, place: PhotoPoint): number {
  const size = apart(edge, skin)
  if (size < 0.5) return apart(edge, place)
  const along = ((place[0] - edge[0]) * (edge[0] - skin[0]) + (place[1] - edge[1]) * (edge[1] - skin[1])) / size
  return Math.sign(along) * apart(edge, place)
}

const rims = new WeakMap<PlannedView, PlannedView['rim']>()
/** Places of the plan that lie on the dog's own outline: not those where one part lies before another. */
function outerRim(planned: PlannedView): PlannedView['rim'] {
  const known = rims.get(planned)
  if (known) return known
  const outer = planned.rim.filter(
    ({ at, layer }) => !layer.startsWith('far') && planned.outline.some((point) => apart(point, at) < ON_EDGE_MM)
  )
  rims.set(planned, outer)
  return outer
}
