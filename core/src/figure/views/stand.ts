// Heights and widths of a standing dog seen from the front or the rear, from the same landmarks and widths as the profile.
import { nearestOn, tubeAround, type BodyType, type Skeleton } from '../body'
import {
  ballStop,
  LEANS,
  ringSamples,
  shapeOf,
  shapesOf,
  standing,
  faultOf,
  coatTable,
  type Coat,
  type Draft,
  type DrawnRegion,
  type Fault,
  type Limb,
  type Place,
  type Stop
} from '../coat'
import { along, lerp, smoothstep, unit, type Point } from '../vec'
import { sideRing, sideShare } from './ring'

export type Stand = {
  readonly body: BodyType
  readonly skeleton: Skeleton
  readonly coat: Coat
  readonly faults: readonly Fault[] | undefined
  readonly stepMm: number
  /** which side of the picture is the dog's left: 1 from the front, -1 from the rear */
  readonly leftSign: 1 | -1
}

/** Widths as half widths in mm. */
export function halves({ body, skeleton: { heightMm: h } }: Pick<Stand, 'body' | 'skeleton'>) {
  const b = body.breadth
  const half = (share: number) => (share * h) / 2
  return {
    neck: half(b.neck),
    shoulder: half(b.shoulder),
    ribs: half(b.ribs),
    loin: half(b.loin),
    hip: half(b.hip),
    thigh: half(b.thigh),
    foreleg: half(b.foreleg),
    rearPastern: half(b.rearPastern),
    foot: half(b.foot),
    foreAxis: half(b.foreTrack),
    rearAxis: half(b.rearTrack)
  }
}

export function legName(limb: Limb, isLeft: boolean): string {
  return `${limb}${isLeft ? 'Left' : 'Right'}`
}

type LegPlan = {
  readonly limb: Limb
  /** picture side */
  readonly sign: 1 | -1
  readonly far: boolean
  /** half widths by height, from the ground up */
  readonly profile: readonly Point[]
  readonly axis: number
  readonly depthMm: number
  /** the upper end runs out into this layer */
  readonly on: string | null
  readonly regionsAt: (y: number) => Readonly<Partial<Record<DrawnRegion, number>>>
}

/** A leg from the front or the rear: foot, column, and an upper end that runs out into the body. */
export function legDraft(stand: Stand, plan: LegPlan): Draft {
  const { skeleton, leftSign, stepMm } = stand
  const h = skeleton.heightMm
  const { limb, sign, profile, axis, far } = plan
  const up = profile.map(([y, half]): Point => [axis - half, y])
  const down = [...profile].reverse().map(([y, half]): Point => [axis + half, y])
  const top = profile[profile.length - 1]![0]
  const ring = sideRing([...down, ...up], sign, stepMm)
  const fadeMm = 0.11 * h
  const at = ([, y]: Point): Place => ({
    weights: gatedLeg(stand, limb, plan.regionsAt(y), y),
    sideA: sign === leftSign ? 1 : 0,
    mul: 1,
    flow: unit([sign * 0.05, -1])
  })
  return {
    name: legName(limb, sign === leftSign),
    samples: ringSamples(ring, (p) => p[1] > top - 0.035 * h),
    at,
    face: limb === 'fore' ? 'foreleg' : 'thigh',
    on: plan.on,
    dim: far ? 0.58 : 1,
    depthMm: plan.depthMm,
    shift: far ? [0, 0.02 * h] : [0, 0],
    fade: { colourMm: fadeMm, lightMm: 1.6 * fadeMm, clearOfMm: 0.05 * h },
    floorMm: 0,
    standsOnGround: true,
    order: (x, y) => y - 0.05 * x,
    taper: ({ p }) => smoothstep(top - 0.02 * h, top - 0.16 * h, p[1])
  }
}

function gatedLeg(
  { coat, faults, skeleton }: Stand,
  limb: Limb,
  weights: Readonly<Partial<Record<DrawnRegion, number>>>,
  y: number
): Readonly<Partial<Record<DrawnRegion, number>>> {
  const foot = limb === 'fore' ? 'foreFoot' : 'rearFoot'
  const line = shapeOf(coat.shapes, 'footLine')
  const at = line ? line.heightMm + (faultOf(faults, 'footLine')?.mm ?? 0) : 0.035 * skeleton.heightMm
  const soft = faultOf(faults, 'softEdge')?.mm ?? (line ? 2.5 : 0.02 * skeleton.heightMm)
  const below = 1 - smoothstep(at - soft, at + soft, y)
  const bracelet = shapesOf(coat.shapes, 'cylinder').find((shape) => shape.limb === limb)?.topMm
  const above = bracelet === undefined ? 0 : smoothstep(bracelet - 3, bracelet + 3, y)
  const upper = limb === 'fore' ? 'shoulder' : 'thigh'
  const leg = limb === 'fore' ? 'foreleg' : 'rearPastern'
  const column = (weights[leg] ?? 0) * (1 - above)
  const scaled = Object.fromEntries(Object.entries(weights).map(([region, weight]) => [region, weight * (1 - below)]))
  return {
    ...scaled,
    [leg]: column * (1 - below),
    [upper]: ((weights[upper] ?? 0) + (weights[leg] ?? 0) * above) * (1 - below),
    [foot]: below
  }
}

/** Columns from the front or the rear: half the leg's width here plus the same hair that stands in the profile. */
export function columnStops(stand: Stand, shapes: Coat['shapes'], limb: Limb, axis: number, skinHalf: number, topMm: number): Stop[] {
  const shape = shapesOf(shapes, 'cylinder').find((candidate) => candidate.limb === limb)
  if (!shape) return []
  const table = coatTable(stand.coat, { lengths: stand.coat.lengths })
  const hair = shape.hairMm ?? standing(table, limb === 'fore' ? 'foreleg' : 'rearPastern')
  const line = shapeOf(shapes, 'footLine')
  const bottom = line ? line.heightMm + (faultOf(stand.faults, 'footLine')?.mm ?? 0) : 0
  const isTube = faultOf(stand.faults, 'tube') !== undefined
  const bulge = faultOf(stand.faults, 'legBulge')?.mm ?? 0
  const top = shape.topMm ?? topMm
  const bevel = isTube ? 0 : shape.bottomBevelMm
  const topBevel = isTube ? 0 : (shape.topBevelMm ?? 0)
  const half = skinHalf + hair
  const middle = top - bottom
  const knots: Point[] = [
    ...(bevel > 0
      ? ([
          [bottom, half * 0.55],
          [bottom + 0.21 * bevel, half * 0.78],
          [bottom + 0.57 * bevel, half * 0.95],
          [bottom + bevel, half]
        ] as Point[])
      : ([[bottom, half]] as Point[])),
    ...(bulge
      ? ([
          [bottom + 0.3 * middle, half - 0.7 * bulge],
          [bottom + 0.6 * middle, half + bulge]
        ] as Point[])
      : []),
    ...(topBevel > 0
      ? ([
          [top - topBevel, half],
          [top - 0.4 * topBevel, half * 0.9],
          [top, half * 0.66]
        ] as Point[])
      : ([[top, half]] as Point[]))
  ]
  return ([1, -1] as const).map((sign) => ({
    layers: [legName(limb, sign === stand.leftSign)],
    moves: 'inProportion',
    hold: (layer, k) => {
      const y = layer.P[2 * k + 1]!
      const over = smoothstep(top + 0.05 * stand.skeleton.heightMm, top - 0.03 * stand.skeleton.heightMm, y)
      return over * (bottom > 0 ? smoothstep(bottom - 3, bottom + 2, y) : 1) * smoothstep(0.25, 0.6, Math.abs(layer.N[2 * k]!))
    },
    end: ([x, y]) => {
      const side = Math.sign(sign * x - axis) || 1
      return [sign * (axis + side * along(knots, y)), y]
    }
  }))
}

/** A tail that is carried up or hangs, as it is seen along the dog. */
export function tailDraft(stand: Stand, depthMm: number): Draft {
  const { skeleton, body, coat, faults } = stand
  const h = skeleton.heightMm
  const root = skeleton.marks.tailSet[1]
  const heights = skeleton.tailSpine.map(([, y]) => y)
  // foreshortened, but never to nothing: a tail that points at the viewer is still a tail
  const highest = heights.indexOf(Math.max(...heights))
  // a tail curled over the back falls to one side
  const spine = heights.map((y, i): Point => [
    highest > 1 && i > highest ? 0.075 * h * (i - highest) : 0.002 * h * i,
    i === 0 ? Math.min(y, root - 0.01 * h) : y
  ])
  for (let i = 1; i < spine.length; i++) {
    const before = spine[i - 1]![1]
    const way = spine[i]![1] - before
    if (Math.abs(way) < 0.03 * h) spine[i] = [spine[i]![0], before + (way < 0 ? -0.03 : 0.03) * h]
  }
  const base0 = spine[0]!
  const up = Math.sign(spine[1]![1] - base0[1])
  const [base, middle, tip] = body.tailWidth
  const { ring, axis } = tubeAround(spine, [base * h, middle * h, tip * h], h / 450)
  const lengthMm = axis.reduce((sum, p, i) => (i === 0 ? 0 : sum + Math.hypot(p[0] - axis[i - 1]![0], p[1] - axis[i - 1]![1])), 0)
  const band = shapeOf(coat.shapes, 'band')
  const tilt = Math.tan(((faultOf(faults, 'tiltedBand')?.degrees ?? 0) * Math.PI) / 180)
  const soft = faultOf(faults, 'softEdge')?.mm ?? 3
  const at = (p: Point): Place => {
    const { index: nearest, along: way } = nearestOn(axis, p)
    const t = nearest / (axis.length - 1)
    const bare = band ? 1 - smoothstep(band.bareMm - soft, band.bareMm + soft, t * lengthMm + p[0] * tilt) : 1 - smoothstep(0.12, 0.24, t)
    return {
      weights: { tail: 1 - bare, tailBand: bare },
      sideA: sideShare(stand.leftSign * p[0], 0.01 * h),
      mul: 1,
      flow: unit([way[0], way[1] - (coat.tailHang ?? 0)])
    }
  }
  const isRoot = (p: Point) => (p[1] - base0[1]) * up < 0.012 * h
  return {
    name: 'tail',
    samples: ringSamples(ring, isRoot),
    at,
    face: 'tail',
    on: 'body',
    fade: { colourMm: 0.04 * h, lightMm: 0.07 * h, clearOfMm: 0 },
    lean: LEANS.little,
    depthMm,
    order: (_, y) => y,
    taper: ({ p }) => smoothstep(0.01 * h, 0.05 * h, (p[1] - base0[1]) * up)
  }
}

/** The pompon and the plume as they are seen along the dog. */
export function tailStops({ skeleton }: Stand, shapes: Coat['shapes'], faults: readonly Fault[] | undefined): Stop[] {
  const more = faultOf(faults, 'tailHigh')?.mm ?? 0
  const spine = skeleton.tailSpine
  const pompon = shapeOf(shapes, 'pompon')
  if (!pompon) return []
  const [, tip] = spine[spine.length - 1]!
  const [, before] = spine[spine.length - 2]!
  const at: Point = [0, lerp(tip, before, 0.32)]
  const end: Point = [0, at[1] + more]
  return [ballStop('tail', at, end, pompon.radiusMm, [0, Math.sign(tip - before) || 1], faultOf(faults, 'tiltedBand')?.degrees)]
}
