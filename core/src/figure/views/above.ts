// The dog from above, facing left as in the profile: lengths along the picture are the profile's own, the dog's left lies below.
import { sampleCurve, tubeAround, type BodyType, type Skeleton } from '../body'
import {
  ballStop,
  faultOf,
  finishLayer,
  LEANS,
  onCircle,
  ringSamples,
  shapeOf,
  type Coat,
  type DentPlaces,
  type Draft,
  type Fault,
  type Place,
  type Skin,
  type Stop
} from '../coat'
import { lerp, smoothstep, unit, type Point } from '../vec'
import { fromEye, topknotCentre } from './side-stops'
import { mirroredRing, sideShare } from './ring'
import { halves } from './stand'

export type AboveSkin = Skin & { readonly dentPlaces: DentPlaces; readonly noseAt: Point }

type Build = {
  readonly body: BodyType
  readonly skeleton: Skeleton
  readonly coat: Coat
  readonly faults: readonly Fault[]
  readonly stepMm: number
}

export function buildAbove(body: BodyType, skeleton: Skeleton, coat: Coat, faults: readonly Fault[], finestMm: number): AboveSkin {
  const { heightMm: h, marks: m } = skeleton
  const build: Build = { body, skeleton, coat, faults, stepMm: Math.max(1.2, h / 220, finestMm) }
  const ears = ([1, -1] as const).map((sign) => earDraft(build, sign))
  const head = headDraft(build)
  const drafts = [tailDraft(build), trunkDraft(build), neckDraft(build), ...(body.earKind === 'button' ? [head, ...ears] : [...ears, head])]
  const half = halves(build)
  return {
    view: 'above',
    body,
    skeleton,
    layers: drafts.map(finishLayer),
    stepMm: build.stepMm,
    noseAt: [m.noseTip[0], 0],
    dentPlaces: {
      heightMm: h,
      spots: {
        ribs: { layer: 'body', at: [lerp(0, m.loin[0], 0.5), -0.55 * half.ribs] },
        back: { layer: 'body', at: [lerp(0, m.loin[0], 0.5), 0] }
      },
      topline: null,
      legs: [],
      stop: null
    },
    stops: (worn) => aboveStops(build, worn)
  }
}

// eslint-disable-next-line max-lines-per-function -- one outline, point by point
function trunkDraft(build: Build): Draft {
  const { marks: m, heightMm: h } = build.skeleton
  const { shoulder, ribs, loin, hip, thigh, rearAxis } = halves(build)
  const chest = m.prosternum[0]
  const end = m.buttock[0]
  const ribX = lerp(0.05 * h, m.loin[0], 0.42)
  const loinX = lerp(m.loin[0], m.flank[0], 0.5)
  const hipX = lerp(m.croup[0], m.tailSet[0], 0.35)
  const out = Math.min(0.97 * ribs, Math.max(hip, rearAxis + thigh * 0.9))
  const half: Point[] = [
    [chest, 0],
    [chest + 0.02 * h, 0.45 * shoulder],
    [lerp(chest, 0, 0.55), 0.92 * shoulder],
    [0.02 * h, lerp(shoulder, ribs, 0.5)],
    [ribX - 0.05 * h, ribs],
    [ribX + 0.05 * h, ribs],
    [loinX, loin],
    [hipX, hip],
    [lerp(hipX, end, 0.5), out],
    [end - 0.01 * h, 0.55 * hip],
    [end, 0]
  ]
  const at = ([x, y]: Point): Place => {
    const out01 = Math.abs(y) / ribs
    const mid = smoothstep(0.62, 0.34, out01)
    const front = smoothstep(0.1 * h, -0.02 * h, x)
    const rear = smoothstep(m.loin[0] - 0.03 * h, m.loin[0] + 0.05 * h, x)
    const croup = smoothstep(m.croup[0] - 0.05 * h, m.croup[0] + 0.03 * h, x)
    const chestShare = smoothstep(lerp(chest, 0, 0.5), lerp(chest, 0, 0.2), x) * front
    const weights = {
      chest: chestShare * (1 - mid * 0.4),
      neckTop: chestShare * mid * 0.4,
      shoulder: front * (1 - chestShare) * (1 - 0.55 * mid),
      back: mid * (1 - front) * (1 - rear) + front * (1 - chestShare) * 0.55 * mid,
      ribs: (1 - mid) * (1 - front) * (1 - rear),
      loin: rear * (1 - croup),
      croup: croup * mid,
      thigh: croup * (1 - mid)
    }
    const band = shapeOf(build.coat.shapes, 'band')
    const point = band
      ? smoothstep(1.1, 0.9, Math.abs(y) / Math.max(4, band.vMm * 0.7) + Math.max(0, m.tailSet[0] - x) / Math.max(4, band.vMm))
      : 0
    const all =
      point > 0
        ? Object.fromEntries([...Object.entries(weights).map(([region, weight]) => [region, weight * (1 - point)]), ['tailBand', point]])
        : weights
    return {
      weights: all,
      sideA: sideShare(-y, 0.06 * ribs),
      mul: 1,
      flow: unit([1, 0.22 * Math.sign(y) * (1 - mid) * smoothstep(0.95, 0.6, out01)])
    }
  }
  return {
    name: 'body',
    samples: ringSamples(mirroredRing(half, build.stepMm, 'y')),
    at,
    face: 'back',
    solid: true,
    // ribs are widest half-way down the trunk
    depthMm: -0.54 * (build.skeleton.heightMm - build.skeleton.marks.brisket[1]),
    // hair lies to the rear: the front overlaps
    order: (x) => -x
  }
}

function neckDraft(build: Build): Draft {
  const { marks: m, heightMm: h } = build.skeleton
  const { neck, shoulder } = halves(build)
  const [from, to] = [m.occiput[0] - 0.02 * h, 0.06 * h]
  const half: Point[] = [
    [from, 0],
    [from + 0.01 * h, 0.7 * neck],
    [lerp(from, to, 0.3), neck],
    [lerp(from, to, 0.45), neck],
    [lerp(from, to, 0.75), lerp(neck, shoulder, 0.4)],
    [to, 0.5 * neck],
    [to + 0.03 * h, 0]
  ]
  const at = ([, y]: Point): Place => {
    const beside = smoothstep(0.35 * neck, 0.85 * neck, Math.abs(y))
    return {
      weights: { neckTop: 1 - beside, neckSide: beside },
      sideA: sideShare(-y, 0.1 * neck),
      mul: 1,
      flow: unit([1, 0.1 * Math.sign(y)])
    }
  }
  const stop = lerp(from, to, 0.62)
  return {
    name: 'neck',
    samples: ringSamples(mirroredRing(half, build.stepMm, 'y'), (p) => p[0] > stop),
    at,
    face: 'neckTop',
    on: 'body',
    fade: { colourMm: 0.09 * h, lightMm: 0.14 * h, clearOfMm: 0 },
    order: (x) => -x,
    depthMm: m.nape[1] - h,
    taper: ({ p }) => smoothstep(stop, stop - 0.06 * h, p[0])
  }
}

function headDraft(build: Build): Draft {
  const { body, skeleton } = build
  const { head, marks: m, heightMm: h } = skeleton
  const s = (body.breadth.skull * head.lengthMm) / 2
  const z = (body.breadth.muzzle * head.lengthMm) / 2
  const x = (u: number) => lerp(m.occiput[0], m.noseTip[0], u)
  const face = 1 - body.muzzleShare
  const half: Point[] = [
    [x(-0.02), 0],
    [x(0.03), 0.62 * s],
    [x(face * 0.5), 0.96 * s],
    [x(face * 0.72), s],
    [x(face * 0.84), s],
    [x(face + 0.05), lerp(s, z, 0.62)],
    [x(face + body.muzzleShare * 0.35), z],
    [x(face + body.muzzleShare * 0.6), z],
    [x(0.95), 0.72 * z],
    [x(1), 0]
  ]
  const covered = shapeOf(build.coat.shapes, 'topknot') !== undefined
  const at = ([px, y]: Point): Place => {
    const u = (px - m.occiput[0]) / (m.noseTip[0] - m.occiput[0])
    const muzzle = smoothstep(face - 0.01, face + 0.07, u)
    const brow = smoothstep(face - 0.14, face - 0.06, u) * (1 - muzzle)
    const beside = smoothstep(0.6 * s, 0.92 * s, Math.abs(y)) * (1 - muzzle)
    const beard = muzzle * smoothstep(0.4 * z, 0.85 * z, Math.abs(y))
    const weights = covered
      ? { skull: (1 - muzzle) * (1 - 0.4 * beside), cheek: beside * 0.4, muzzle: muzzle - beard, beard }
      : { skull: (1 - muzzle) * (1 - beside) * (1 - brow), brow: brow * (1 - beside), cheek: beside, muzzle: muzzle - beard, beard }
    return {
      weights,
      sideA: sideShare(-y, 0.08 * s),
      mul: 1,
      flow: unit([muzzle > 0.5 ? 0.5 : 1, 0.5 * Math.sign(y) * (1 - muzzle * 0.3)])
    }
  }
  return {
    name: 'head',
    samples: ringSamples(mirroredRing(half, Math.max(0.9, build.stepMm * 0.7), 'y')),
    at,
    face: 'skull',
    order: (px) => -px,
    depthMm: m.skullTop[1] - h
  }
}

function earDraft(build: Build, sign: 1 | -1): Draft {
  const { body, skeleton } = build
  const { head, marks: m, heightMm: h, ear } = skeleton
  const s = (body.breadth.skull * head.lengthMm) / 2
  const xs = ear.map(([x]) => x)
  const [front, back] = [Math.min(...xs), Math.max(...xs)]
  const out = body.earKind === 'button' ? 1.06 * s : 1.15 * s
  const inner = body.earKind === 'button' ? 0.4 * s : 0.78 * s
  const points: Point[] = [
    [lerp(front, back, 0.1), lerp(inner, out, 0.3)],
    [lerp(front, back, 0.3), out * 0.97],
    [lerp(front, back, 0.6), out],
    [lerp(front, back, 0.92), lerp(inner, out, 0.62)],
    [lerp(front, back, 0.86), inner],
    [lerp(front, back, 0.35), inner]
  ]
  return {
    name: sign < 0 ? 'earLeft' : 'earRight',
    samples: ringSamples(
      sampleCurve(
        points.map(([x, y]): Point => [x, sign * y]),
        () => false,
        build.stepMm * 0.7
      ).points
    ),
    at: () => ({ weights: { earOutside: 1 }, sideA: sign < 0 ? 1 : 0, mul: 1, flow: unit([0.4, sign]) }),
    face: 'earOutside',
    order: (x) => -x,
    depthMm: m.earFront[1] - h
  }
}

function tailDraft(build: Build): Draft {
  const { body, skeleton, coat, faults } = build
  const { tailSpine, marks: m, heightMm: h } = skeleton
  // a tail that is carried up is short from here; it is never drawn shorter than its own width
  const spine: Point[] = tailSpine.map(([x], i) => [Math.max(x, m.tailSet[0] + 0.045 * h * i), 0])
  const [base, middle, tip] = body.tailWidth
  const { ring, axis } = tubeAround(spine, [base * h, middle * h, tip * h], h / 450)
  const lengthMm = axis[axis.length - 1]![0] - axis[0]![0]
  const real = tailSpine.reduce(
    (sum, p, i) => (i === 0 ? 0 : sum + Math.hypot(p[0] - tailSpine[i - 1]![0], p[1] - tailSpine[i - 1]![1])),
    0
  )
  const band = shapeOf(coat.shapes, 'band')
  const tilt = Math.tan(((faultOf(faults, 'tiltedBand')?.degrees ?? 0) * Math.PI) / 180)
  const at = ([x, y]: Point): Place => {
    const t = Math.max(0, Math.min(1, (x - axis[0]![0]) / lengthMm))
    const bare = band ? 1 - smoothstep(band.bareMm - 4, band.bareMm + 4, t * real + y * tilt) : 1 - smoothstep(0.12, 0.3, t)
    return { weights: { tail: 1 - bare, tailBand: bare }, sideA: sideShare(-y, 0.01 * h), mul: 1, flow: [1, 0] }
  }
  return { name: 'tail', samples: ringSamples(ring), at, face: 'tail', lean: LEANS.little, order: (x) => -x, depthMm: m.tailTip[1] - h }
}

function aboveStops({ body, skeleton }: Build, worn: Coat): Stop[] {
  const stops: Stop[] = []
  const round = (x: number, radius: number): Stop['end'] => onCircle([x, 0], radius, 8)
  const ahead = lerp(skeleton.marks.occiput[0], skeleton.marks.noseTip[0], 1 - body.muzzleShare)
  const ball = ([x]: Point, radiusMm: number, fromMm: number, toMm: number): Stop => ({
    layers: ['head'],
    moves: 'byTheSame',
    hold: (layer, k) => smoothstep(ahead + fromMm, ahead + toMm, layer.P[2 * k]!),
    end: round(x, radiusMm)
  })
  const circle = shapeOf(worn.shapes, 'circle')
  if (circle) stops.push(ball(fromEye(skeleton, circle.forwardMm, circle.upMm), circle.radiusMm, -20, 10))
  const topknot = shapeOf(worn.shapes, 'topknot')
  if (topknot) stops.push(ball(topknotCentre(body, skeleton), topknot.radiusMm, -4, 14))
  const pompon = shapeOf(worn.shapes, 'pompon')
  if (pompon) {
    const spine = skeleton.tailSpine
    const at =
      Math.max(spine[spine.length - 1]![0], skeleton.marks.tailSet[0] + 0.045 * skeleton.heightMm * (spine.length - 1)) -
      0.02 * skeleton.heightMm
    stops.push(ballStop('tail', [at, 0], [at, 0], pompon.radiusMm, [1, 0]))
  }
  return stops
}
