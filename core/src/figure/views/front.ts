// The standing dog from the front.
import type { BodyType, Skeleton } from '../body'
import { finishLayer, ringSamples, type Coat, type DentPlaces, type Draft, type Fault, type Place, type Skin } from '../coat'
import { lerp, smoothstep, unit, type Point } from '../vec'
import { headDrafts, headFace, type HeadFace } from './head-layers'
import { headStops } from './head-stops'
import { mirroredRing, sideShare } from './ring'
import { columnStops, halves, legDraft, type Stand } from './stand'

export type FrontSkin = Skin & { readonly dentPlaces: DentPlaces; readonly face: HeadFace; readonly eyeY: number }

export function buildFront(body: BodyType, skeleton: Skeleton, coat: Coat, faults: readonly Fault[], finestMm: number): FrontSkin {
  const h = skeleton.heightMm
  const stand: Stand = { body, skeleton, coat, faults, stepMm: Math.max(1.2, h / 220, finestMm), leftSign: 1 }
  const face = headFace(body, skeleton, body.pitch)
  const eyeY = skeleton.marks.eye[1]
  const drafts = [
    ...([1, -1] as const).map((sign) => rearLeg(stand, sign)),
    trunk(stand),
    ...([1, -1] as const).map((sign) => foreleg(stand, sign)),
    neck(stand, face, eyeY),
    ...headDrafts(body, coat, face, eyeY, Math.max(0.9, face.skullMm / 100)).map((draft) => ({
      ...draft,
      depthMm: -skeleton.marks.eye[0] + (draft.depthMm ?? 0)
    }))
  ]
  const { foreleg: bone, foreAxis, rearPastern, rearAxis } = halves(stand)
  return {
    view: 'front',
    body,
    skeleton,
    layers: drafts.map(finishLayer),
    stepMm: stand.stepMm,
    face,
    eyeY,
    dentPlaces: dentPlaces(stand, face, eyeY),
    stops: (worn, _plan, worse) => {
      const now: Stand = { ...stand, faults: worse }
      return [
        ...columnStops(now, worn.shapes, 'fore', foreAxis, bone, skeleton.marks.elbow[1] * 0.9),
        ...columnStops(now, worn.shapes, 'rear', rearAxis, rearPastern, skeleton.marks.hockPoint[1]),
        ...headStops(body, face, eyeY, worn, worse)
      ]
    }
  }
}

function trunk(stand: Stand): Draft {
  const { skeleton, body } = stand
  const { marks: m, heightMm: h } = skeleton
  const { neck: n, shoulder: s, ribs: r, foreAxis, foreleg: bone } = halves(stand)
  const brisket = m.brisket[1]
  const up = (t: number) => lerp(brisket, h, t)
  const half: Point[] = [
    [0, h + 0.005 * h],
    [0.9 * n, up(0.97)],
    [0.86 * s, up(0.84)],
    [lerp(s, r, 0.6), up(0.66)],
    [r, up(0.5)],
    [r, up(0.42)],
    [0.94 * r, up(0.24)],
    [Math.max(0.8 * s, foreAxis + bone), up(0.06)],
    [foreAxis * 0.7, brisket - 0.035 * h],
    [0, brisket - 0.012 * h]
  ]
  const at = ([x, y]: Point): Place => {
    const out = Math.abs(x)
    const low = smoothstep(up(0.55), up(0.2), y)
    const beside = smoothstep(0.62 * s, 0.9 * s, out)
    const chest = (1 - beside) * smoothstep(up(0.86), up(0.64), y)
    const ribs = beside * smoothstep(0.86 * r, 0.98 * r, out)
    const shoulder = beside - ribs
    const weights = {
      chest,
      shoulder: shoulder * (1 - 0.4 * low) + 0.001,
      foreleg: shoulder * 0.4 * low,
      ribs,
      neckTop: (1 - beside - chest) * smoothstep(up(0.8), up(0.95), y),
      throat: (1 - beside - chest) * smoothstep(up(0.95), up(0.8), y)
    }
    return { weights, sideA: sideShare(x, 0.05 * s), mul: 1, flow: unit([0.12 * Math.sign(x) * (1 - chest) * (1 - ribs), -1]) }
  }
  return {
    name: 'body',
    samples: ringSamples(mirroredRing(half, stand.stepMm)),
    at,
    face: 'chest',
    with: ['foreLeft', 'foreRight'],
    solid: true,
    floorMm: 0.03 * h,
    order: (_, y) => y,
    depthMm: body.fs * 0.5 * h
  }
}

function foreleg(stand: Stand, sign: 1 | -1): Draft {
  const { marks: m, heightMm: h } = stand.skeleton
  const { foreleg: bone, foot, foreAxis } = halves(stand)
  const elbow = m.elbow[1]
  const profile: Point[] = [
    [0, 0.62 * foot],
    [0.012 * h, foot],
    [0.04 * h, 0.92 * foot],
    [0.075 * h, bone],
    [elbow * 0.3, bone],
    [elbow * 0.62, bone * 1.12],
    [elbow * 0.95, bone * 1.4],
    [elbow + 0.13 * h, bone * 1.6],
    [elbow + 0.2 * h, bone * 0.7]
  ]
  return legDraft(stand, {
    limb: 'fore',
    sign,
    far: false,
    profile,
    axis: foreAxis,
    depthMm: -m.frontPad[0],
    on: 'body',
    regionsAt: (y) => {
      const upper = smoothstep(elbow - 0.02 * h, elbow + 0.1 * h, y)
      return { foreleg: 1 - upper, shoulder: upper }
    }
  })
}

// what is seen of the rear legs between the forelegs
function rearLeg(stand: Stand, sign: 1 | -1): Draft {
  const { marks: m, heightMm: h } = stand.skeleton
  const { rearPastern, foot, rearAxis, thigh } = halves(stand)
  const hock = m.hockPoint[1]
  const profile: Point[] = [
    [0, 0.62 * foot],
    [0.012 * h, 0.95 * foot],
    [0.05 * h, 0.85 * foot],
    [hock * 0.4, rearPastern],
    [hock * 0.9, rearPastern * 1.06],
    [m.gaskinFront[1], thigh * 0.8],
    [m.stifle[1], thigh],
    [m.stifle[1] + 0.1 * h, thigh * 0.8]
  ]
  return legDraft(stand, {
    limb: 'rear',
    sign,
    far: true,
    profile,
    axis: rearAxis,
    depthMm: -m.hockPoint[0],
    on: null,
    regionsAt: (y) => {
      const upper = smoothstep(hock * 0.92, hock * 1.12, y)
      return { rearPastern: 1 - upper, thigh: upper }
    }
  })
}

function neck(stand: Stand, face: HeadFace, eyeY: number): Draft {
  const { marks: m, heightMm: h } = stand.skeleton
  const { neck: n, shoulder: s } = halves(stand)
  const top = eyeY + lerp(0, face.jawY, 0.3)
  const bottom = m.prosternum[1]
  const half: Point[] = [
    [0, top],
    [0.8 * n, top - 0.01 * h],
    [n, lerp(top, bottom, 0.3)],
    [lerp(n, s, 0.3), lerp(top, bottom, 0.62)],
    [0.62 * s, bottom],
    [0, bottom - 0.05 * h]
  ]
  const at = ([x, y]: Point): Place => {
    const beside = smoothstep(0.45 * n, 0.95 * n, Math.abs(x))
    const low = smoothstep(lerp(top, bottom, 0.45), bottom, y)
    return {
      weights: {
        neckSide: beside * (1 - 0.6 * low),
        throat: (1 - beside) * (1 - low),
        chest: (1 - beside) * low,
        shoulder: beside * 0.6 * low
      },
      sideA: sideShare(x, 0.12 * n),
      mul: 1,
      flow: unit([0.1 * Math.sign(x), -1])
    }
  }
  return {
    name: 'neck',
    samples: ringSamples(mirroredRing(half, stand.stepMm), (p) => p[1] < lerp(top, bottom, 0.72)),
    at,
    face: 'throat',
    on: 'body',
    fade: { colourMm: 0.1 * h, lightMm: 0.16 * h, clearOfMm: 0 },
    depthMm: -m.nape[0] / 2,
    order: (_, y) => y,
    taper: ({ p }) => smoothstep(lerp(top, bottom, 0.74), lerp(top, bottom, 0.45), p[1])
  }
}

function dentPlaces(stand: Stand, face: HeadFace, eyeY: number): DentPlaces {
  const { marks: m, heightMm: h } = stand.skeleton
  const { foreAxis } = halves(stand)
  return {
    heightMm: h,
    spots: {
      chest: { layer: 'body', at: [0, m.prosternum[1] - 0.05 * h] },
      foreleg: { layer: 'foreLeft', at: [foreAxis, m.elbow[1] * 0.5] },
      skull: { layer: 'skull', at: [0.1 * face.skullMm, eyeY + face.topY * 0.7] },
      cheek: { layer: 'skull', at: [0.34 * face.skullMm, eyeY + lerp(0, face.jawY, 0.4)] }
    },
    topline: null,
    legs: ['foreLeft', 'foreRight', 'rearLeft', 'rearRight'].map((layer) => ({ layer, topMm: m.elbow[1] })),
    stop: { layer: 'skull', at: [0, eyeY + face.stopY + 0.1 * face.skullMm], reachMm: 0.13 * face.skullMm }
  }
}
