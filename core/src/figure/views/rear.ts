// The standing dog from the rear: the dog's left is at the left of the picture.
import type { BodyType, Skeleton } from '../body'
import {
  finishLayer,
  lengthOf,
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
import { earFromBehind } from './ears'
import { headFace } from './head-layers'
import { mirroredRing, sideRing, sideShare } from './ring'
import { columnStops, halves, legDraft, tailDraft, tailStops, type Stand } from './stand'

export type RearSkin = Skin & { readonly dentPlaces: DentPlaces }

export function buildRear(body: BodyType, skeleton: Skeleton, coat: Coat, faults: readonly Fault[], finestMm: number): RearSkin {
  const { marks: m, heightMm: h } = skeleton
  const stand: Stand = { body, skeleton, coat, faults, stepMm: Math.max(1.2, h / 220, finestMm), leftSign: -1 }
  const drafts: Draft[] = [
    ...headFromBehind(stand),
    ...([1, -1] as const).map((sign) => foreleg(stand, sign)),
    barrel(stand),
    quarters(stand),
    ...([1, -1] as const).map((sign) => rearLeg(stand, sign)),
    tailDraft(stand, m.tailSet[0])
  ]
  const { foreleg: bone, foreAxis, rearPastern, rearAxis } = halves(stand)
  return {
    view: 'rear',
    body,
    skeleton,
    layers: drafts.map(finishLayer),
    stepMm: stand.stepMm,
    dentPlaces: {
      heightMm: h,
      spots: {
        thigh: { layer: 'body', at: [-0.3 * body.breadth.hip * h, m.backThigh[1]] },
        croup: { layer: 'body', at: [0, m.croup[1] - 0.04 * h] }
      },
      topline: null,
      legs: ['foreLeft', 'foreRight', 'rearLeft', 'rearRight'].map((layer) => ({ layer, topMm: m.stifle[1] })),
      stop: null
    },
    stops: (worn, _plan, worse) => {
      const now: Stand = { ...stand, faults: worse }
      const filled = shapeOf(worn.shapes, 'filledThigh')
      return [
        ...columnStops(now, worn.shapes, 'fore', foreAxis, bone, m.elbow[1] * 0.9),
        ...columnStops(now, worn.shapes, 'rear', rearAxis, rearPastern, m.hockPoint[1]),
        ...(filled ? [thighStop(stand, filled.thighMm)] : []),
        ...tailStops(now, worn.shapes, worse)
      ]
    }
  }
}

// the filled rear leg stands out as far to the side as to the rear
function thighStop({ skeleton: { marks: m } }: Stand, hairMm: number): Stop {
  return {
    layers: ['rearLeft', 'rearRight', 'body'],
    moves: 'inProportion',
    hold: (layer, k) => {
      const y = layer.P[2 * k + 1]!
      return smoothstep(m.hockPoint[1] * 0.95, m.hockPoint[1] * 1.15, y) * smoothstep(m.buttock[1], m.stifle[1], y)
    },
    end: (p, n) => [p[0] + n[0] * hairMm, p[1] + n[1] * hairMm]
  }
}

// ribs stand out beside the quarters where they are wider, and over them at the withers
function barrel(stand: Stand): Draft {
  const { marks: m, heightMm: h } = stand.skeleton
  const { ribs: r, neck: n } = halves(stand)
  const brisket = m.brisket[1]
  const up = (t: number) => lerp(brisket, h, t)
  const half: Point[] = [
    [0, h],
    [0.7 * n, up(0.97)],
    [0.78 * r, up(0.82)],
    [r, up(0.5)],
    [r, up(0.42)],
    [0.86 * r, up(0.18)],
    [0.5 * r, brisket - 0.005 * h],
    [0, brisket - 0.012 * h]
  ]
  const at = ([x, y]: Point): Place => {
    const top = smoothstep(up(0.84), up(0.98), y)
    const low = smoothstep(up(0.22), up(0.02), y)
    return {
      weights: { back: top, ribs: (1 - top) * (1 - low), skirt: low },
      sideA: sideShare(-x, 0.05 * r),
      mul: 1,
      flow: unit([0.15 * Math.sign(x) * smoothstep(0.95 * r, 0.6 * r, Math.abs(x)), -1])
    }
  }
  return {
    name: 'barrel',
    samples: ringSamples(mirroredRing(half, stand.stepMm)),
    at,
    face: 'ribs',
    dim: 0.8,
    floorMm: 0.03 * h,
    order: (_, y) => y,
    depthMm: m.loin[0] * 0.5
  }
}

function quarters(stand: Stand): Draft {
  const { marks: m, heightMm: h } = stand.skeleton
  const { hip, thigh, rearAxis } = halves(stand)
  const top = m.croup[1]
  const out = rearAxis + thigh
  const half: Point[] = [
    [0, top],
    [0.5 * hip, top - 0.012 * h],
    [0.92 * hip, lerp(top, m.buttock[1], 0.45)],
    [hip, m.buttock[1] + 0.02 * h],
    [hip, m.buttock[1] - 0.02 * h],
    [Math.max(out, 0.96 * hip), m.backThigh[1]],
    [out * 0.98, m.stifle[1]],
    [rearAxis + 0.6 * thigh, m.stifle[1] - 0.1 * h],
    [rearAxis * 0.5, m.stifle[1] - 0.03 * h],
    [0, m.stifle[1] + 0.02 * h]
  ]
  const under = m.tailSet[1] - 0.02 * h
  const band = shapeOf(stand.coat.shapes, 'band')
  const at = ([x, y]: Point): Place => {
    const up = smoothstep(m.tailSet[1] - 0.04 * h, m.croup[1], y)
    const near = smoothstep(0.62 * hip, 0.26 * hip, Math.abs(x))
    const below = near * smoothstep(under, under - 0.05 * h, y) * smoothstep(m.buttock[1] - 0.16 * h, m.buttock[1] - 0.06 * h, y)
    const point = band
      ? smoothstep(1.1, 0.9, Math.abs(x) / Math.max(4, band.vMm * 0.7) + Math.max(0, y - m.tailSet[1]) / Math.max(4, band.vMm)) *
        smoothstep(under - 0.03 * h, under, y)
      : 0
    return {
      weights: { croup: up * (1 - point), underTail: below * (1 - up), thigh: (1 - up) * (1 - below), tailBand: up * point },
      sideA: sideShare(-x, 0.06 * hip),
      mul: 1,
      flow: unit([0.16 * Math.sign(x), -1])
    }
  }
  return {
    name: 'body',
    samples: ringSamples(mirroredRing(half, stand.stepMm)),
    at,
    face: 'thigh',
    with: ['rearLeft', 'rearRight'],
    solid: true,
    floorMm: 0.03 * h,
    order: (_, y) => y,
    depthMm: m.buttock[0],
    taper: ({ p }) => smoothstep(m.stifle[1] - 0.1 * h, m.stifle[1] + 0.06 * h, p[1])
  }
}

function rearLeg(stand: Stand, sign: 1 | -1): Draft {
  const { marks: m, heightMm: h } = stand.skeleton
  const { rearPastern, foot, rearAxis, thigh } = halves(stand)
  const hock = m.hockPoint[1]
  const profile: Point[] = [
    [0, 0.58 * foot],
    [0.012 * h, 0.9 * foot],
    [0.045 * h, 0.82 * foot],
    [hock * 0.4, rearPastern],
    [hock * 0.9, rearPastern * 1.05],
    [hock * 1.06, rearPastern * 1.12],
    [lerp(hock, m.gaskinBack[1], 0.9), lerp(rearPastern, thigh, 0.4)],
    [m.stifle[1], thigh],
    [m.backThigh[1] + 0.04 * h, thigh * 1.02],
    [m.backThigh[1] + 0.14 * h, thigh * 0.5]
  ]
  return legDraft(stand, {
    limb: 'rear',
    sign,
    far: false,
    profile,
    axis: rearAxis,
    depthMm: m.hockPoint[0],
    on: 'body',
    regionsAt: (y) => {
      const upper = smoothstep(hock * 0.94, hock * 1.14, y)
      return { rearPastern: 1 - upper, thigh: upper }
    }
  })
}

function foreleg(stand: Stand, sign: 1 | -1): Draft {
  const { marks: m, heightMm: h } = stand.skeleton
  const { foreleg: bone, foot, foreAxis } = halves(stand)
  const elbow = m.elbow[1]
  const profile: Point[] = [
    [0, 0.6 * foot],
    [0.012 * h, 0.95 * foot],
    [0.05 * h, 0.85 * foot],
    [0.09 * h, bone],
    [elbow * 0.62, bone * 1.1],
    [elbow, bone * 1.4],
    [elbow + 0.1 * h, bone * 0.8]
  ]
  return legDraft(stand, {
    limb: 'fore',
    sign,
    far: true,
    profile,
    axis: foreAxis,
    depthMm: 0,
    on: null,
    regionsAt: (y) => {
      const upper = smoothstep(elbow - 0.02 * h, elbow + 0.1 * h, y)
      return { foreleg: 1 - upper, shoulder: upper }
    }
  })
}

// the back of the skull, the neck and the ears, as they stand over the withers
function headFromBehind(stand: Stand): Draft[] {
  const { body, skeleton, coat, stepMm } = stand
  const { marks: m, heightMm: h } = skeleton
  const face = headFace(body, skeleton, body.pitch)
  const s = face.skullMm
  const { neck: n, shoulder } = halves(stand)
  const eyeY = m.eye[1]
  const top = eyeY + face.topY
  const low = m.throat[1]
  const hair = Math.max(0, lengthOf(coat.lengths, 'skull') - 20)
  const neckRing: Point[] = [
    [0, top - 0.1 * s],
    [0.9 * n, lerp(top, low, 0.5)],
    [n, lerp(top, low, 0.9)],
    [lerp(n, shoulder, 0.35), h],
    [0.8 * shoulder, 0.93 * h],
    [0, 0.88 * h]
  ]
  const skullRing: Point[] = [
    [0, top],
    [0.26 * s, top - 0.03 * s],
    [0.43 * s, lerp(top, low, 0.22)],
    [0.5 * s, lerp(top, low, 0.46)],
    [0.5 * s, lerp(top, low, 0.54)],
    [0.4 * s, lerp(top, low, 0.86)],
    [0, low]
  ]
  const neckAt = ([x, y]: Point): Place => {
    const beside = smoothstep(0.4 * n, 0.95 * n, Math.abs(x))
    const shoulderShare = smoothstep(h * 1.02, 0.95 * h, y) * beside
    return {
      weights: { neckTop: 1 - beside, neckSide: beside - shoulderShare + 0.001, shoulder: shoulderShare },
      sideA: sideShare(-x, 0.1 * n),
      mul: 1,
      flow: unit([0.1 * Math.sign(x), -1])
    }
  }
  const skullAt = ([x, y]: Point): Place => {
    const cheek = smoothstep(lerp(top, low, 0.3), lerp(top, low, 0.7), y)
    return { weights: { skull: 1 - cheek, cheek }, sideA: sideShare(-x, 0.1 * s), mul: 1, flow: unit([x * 0.4, -0.3 * s]) }
  }
  const [root, tip] = face.earY
  const ears = ([1, -1] as const).map((sign): Draft => {
    const points = earFromBehind(body.earKind, s, top, [eyeY + root, eyeY + tip])
    return {
      name: sign < 0 ? 'earLeft' : 'earRight',
      samples: ringSamples(sideRing(points, sign, stepMm)),
      at: () => ({ weights: { earOutside: 1 }, sideA: sign < 0 ? 1 : 0, mul: 1, flow: unit([sign * 0.1, -1]) }),
      face: 'earOutside',
      dim: 0.85,
      depthMm: m.eye[0],
      order: (_, y) => y
    }
  })
  const plain = { dim: 0.85, depthMm: m.occiput[0], order: (_x: number, y: number) => y }
  const skull: Draft = { name: 'skull', samples: ringSamples(mirroredRing(skullRing, stepMm)), at: skullAt, face: 'skull', ...plain }
  const neck: Draft = { name: 'neck', samples: ringSamples(mirroredRing(neckRing, stepMm)), at: neckAt, face: 'neckTop', ...plain }
  // a full head covers its ears from behind
  return hair > 0 ? [...ears, skull, neck] : [skull, ...ears, neck]
}
