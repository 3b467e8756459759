// The shapes of the profile as stops.
import { headPoint, type BodyType, type OutlineLandmark, type Skeleton } from '../body'
import {
  coatTable,
  faultOf,
  onCircle,
  outFrom,
  shapeOf,
  shapesOf,
  standing,
  type Coat,
  type CoatTable,
  type Shape,
  type Stop
} from '../coat'
import { lerp, smoothstep, type Point } from '../vec'
import { filledThigh, foreColumn, foreFeather, rearColumn } from './side-legs'
import { span, type Faults, type Side } from './side-span'
import { tailStops } from './side-tail'

/** All stops of a coat, later ones over earlier ones. */
export function sideStops(side: Side, worn: Coat, plan: Coat, faults: Faults): Stop[] {
  const table = coatTable(plan, { lengths: plan.lengths })
  const of = worn.shapes
  const stops: Stop[] = []
  for (const shape of shapesOf(of, 'cylinder'))
    stops.push(...(shape.limb === 'fore' ? foreColumn : rearColumn)(side, shape, of, table, faults))
  for (const shape of shapesOf(of, 'feather')) if (shape.limb === 'fore') stops.push(...foreFeather(side, shape))
  const thigh = shapeOf(of, 'filledThigh')
  if (thigh) stops.push(...filledThigh(side, thigh, of, table))
  const line = shapeOf(of, 'straightLine')
  if (line) stops.push(underline(side, line, faults))
  stops.push(...headStops(side, of, faults), ...tailStops(side, of, faults), ...neckStops(side, of, table))
  return stops
}

function underline(side: Side, shape: Extract<Shape, { kind: 'straightLine' }>, faults: Faults): Stop {
  const { marks: m, heightMm: h } = side.skeleton
  const wave = faultOf(faults, 'wavyLine')?.mm ?? 0
  const slope = faultOf(faults, 'slopedLine')?.mm ?? 0
  const [x0, x1] = [m.elbow[0] - 0.02 * h, m.flank[0] + 0.05 * h]
  const [y0, y1] = [m.brisket[1] - shape.frontMm, m.flank[1] - shape.rearMm]
  return {
    layers: ['body'],
    moves: 'inProportion',
    hold: span(side, 'flank', 'elbow', 0, 0),
    end: ([x]) => {
      const t = Math.max(0, Math.min(1, (x - x0) / (x1 - x0)))
      // rounded up behind the elbow, where the leg stands in front of it
      const corner = 0.4 * shape.frontMm * (1 - smoothstep(0, 0.14, t))
      return [x, lerp(y0, y1 - slope, t) + corner + wave * Math.sin(t * 11)]
    }
  }
}

/** A place of the head given from the middle of the eye, forward and up, mm. */
export function fromEye({ marks, head }: Skeleton, forwardMm: number, upMm: number): Point {
  return [marks.eye[0] + head.u[0] * forwardMm + head.v[0] * upMm, marks.eye[1] + head.u[1] * forwardMm + head.v[1] * upMm]
}

/** The middle of a topknot: over the middle of the skull, just under its highest place. */
export function topknotCentre(body: BodyType, { head }: Skeleton): Point {
  return headPoint(head, (1 - body.muzzleShare) * 0.5, body.dome - 0.01)
}

/** A level cut: nothing stands over this height. */
const levelAt =
  (topMm: number, end: Stop['end']): Stop['end'] =>
  (p, n, own) => {
    const [x, y] = end(p, n, own)
    return y > topMm ? [x, Math.max(topMm, p[1])] : [x, y]
  }

function headStops(side: Side, all: readonly Shape[], faults: Faults): Stop[] {
  const { skeleton, body } = side
  const { marks: m, heightMm: h, head } = skeleton
  const flat = faultOf(faults, 'flatHead')?.mm
  const stops: Stop[] = []
  const circle = shapeOf(all, 'circle')
  if (circle) {
    const centre = fromEye(skeleton, circle.forwardMm, circle.upMm)
    const plain = onCircle(centre, circle.radiusMm, 12)
    const end = flat === undefined ? plain : levelAt(centre[1] + circle.radiusMm - flat, plain)
    stops.push(
      { layers: ['head'], moves: 'byTheSame', hold: span(side, 'throat', 'lipFront', 0.02 * h, 0.05 * h), end },
      { layers: ['head'], moves: 'byTheSame', hold: span(side, 'brow', 'nape', 0.05 * h, 0.01 * h), end }
    )
  }
  const topknot = shapeOf(all, 'topknot')
  if (topknot) {
    const centre = topknotCentre(body, skeleton)
    const round = onCircle(centre, topknot.radiusMm, 10)
    const end = faultOf(faults, 'tube')
      ? boxed(centre, topknot.radiusMm)
      : flat === undefined
        ? round
        : levelAt(centre[1] + topknot.radiusMm - flat, round)
    stops.push({ layers: ['head'], moves: 'byTheSame', hold: span(side, 'stop', 'nape', 0.02 * h, 0.01 * h), end })
  }
  const dome = shapeOf(all, 'dome')
  if (dome) {
    const over = span(side, 'brow', 'occiput', 0.06 * head.lengthMm, 0.1 * head.lengthMm)
    stops.push({
      layers: ['head'],
      moves: 'inProportion',
      hold: over,
      end: (p, n) => [p[0] + n[0] * dome.hairMm, p[1] + n[1] * dome.hairMm]
    })
  }
  const beard = shapeOf(all, 'beard')
  if (beard) {
    const lowest = m.chin[1] - beard.lengthMm
    stops.push({
      layers: ['head'],
      moves: 'inProportion',
      mayLean: true,
      hold: span(side, 'jawMid', 'lipFront', 0.02 * h, 0.02 * h),
      end: (p, _n, own) => [p[0] + own[0], Math.max(p[1] + own[1], Math.min(p[1], lowest))]
    })
  }
  for (const half of shapesOf(all, 'halfRound')) stops.push(...halfRounds(side, half))
  if (flat !== undefined && !circle && !topknot) {
    const top = m.skullTop[1] - flat * 0.2
    stops.push({
      layers: ['head'],
      moves: 'byTheSame',
      hold: span(side, 'brow', 'nape', 0.02 * h, 0.02 * h),
      end: (p, _n, own) => [p[0] + own[0], Math.max(p[1], Math.min(p[1] + own[1], top))]
    })
  }
  return stops
}

/** A ball without its bevels: straight up and level on top. */
const boxed =
  ([cx, cy]: Point, radius: number): Stop['end'] =>
  (p, n) => {
    const half = radius * 0.86
    const reach = Math.min(
      n[0] === 0 ? Infinity : (cx + Math.sign(n[0]) * half - p[0]) / n[0],
      n[1] === 0 ? Infinity : (cy + Math.sign(n[1]) * half * 1.1 - p[1]) / n[1]
    )
    return [p[0] + n[0] * Math.max(4, reach), p[1] + n[1] * Math.max(4, reach)]
  }

function halfRounds(side: Side, { on, radiusMm }: Extract<Shape, { kind: 'halfRound' }>): Stop[] {
  const { marks: m, heightMm: h, ear } = side.skeleton
  if (on === 'ear') {
    const middle: Point = [ear.reduce((sum, p) => sum + p[0], 0) / ear.length, ear.reduce((sum, p) => sum + p[1], 0) / ear.length]
    const hold: Stop['hold'] = (layer, k) => smoothstep(middle[1] + 0.2 * radiusMm, middle[1] - 0.2 * radiusMm, layer.P[2 * k + 1]!)
    return [{ layers: ['ear'], moves: 'byTheSame', hold, end: outFrom([middle[0], middle[1]], radiusMm) }]
  }
  const [centre, from, to]: [Point, OutlineLandmark, OutlineLandmark] =
    on === 'chin' ? [m.lipCorner, 'jawMid', 'lipFront'] : [m.cheek, 'throat', 'jawMid']
  return [{ layers: ['head'], moves: 'byTheSame', hold: span(side, from, to, 0.03 * h, 0.03 * h), end: onCircle(centre, radiusMm, 8) }]
}

function neckStops(side: Side, all: readonly Shape[], table: CoatTable): Stop[] {
  const ruff = shapeOf(all, 'ruff')
  if (!ruff) return []
  const { arc, markAt } = side.outline
  const start = arc[markAt.occiput]!
  const runMm = Math.min(4 * ruff.depthMm, arc[markAt.withers]! - start)
  const neck = standing(table, 'neckTop')
  const hold = span(side, 'occiput', 'withers', 0.02 * side.skeleton.heightMm, 0.05 * side.skeleton.heightMm)
  const bySample: Stop['hold'] = (layer, k) => hold(layer, k)
  const depthAt = (p: Point) => {
    const [x, y] = side.skeleton.marks.occiput
    return lerp(ruff.depthMm, Math.min(neck, ruff.depthMm), smoothstep(0.15, 1, Math.hypot(p[0] - x, p[1] - y) / runMm))
  }
  return [
    {
      layers: ['body', 'head'],
      moves: 'inProportion',
      hold: bySample,
      end: (p, n) => {
        const deep = depthAt(p)
        return [p[0] + n[0] * deep, p[1] + n[1] * deep]
      }
    }
  ]
}
