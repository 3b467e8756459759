// The head from the front: skull, muzzle and ears, from the same landmarks and widths as the profile.
import type { BodyType, Skeleton } from '../body'
import { LEANS, ringSamples, shapeOf, type Coat, type Draft, type DrawnRegion, type Place, type Weights } from '../coat'
import { lerp, smoothstep, unit, type Point } from '../vec'
import { earFromFront } from './ears'
import { mirroredRing, sideRing, sideShare } from './ring'

/** Heights and widths of a head seen from the front, mm: y up from the line through the eyes, x to the dog's left. */
export type HeadFace = {
  readonly skullMm: number
  readonly muzzleMm: number
  readonly topY: number
  readonly jawY: number
  readonly stopY: number
  readonly noseY: number
  readonly chinY: number
  readonly earY: readonly [number, number]
  readonly eyeX: number
  readonly eyeR: number
  readonly noseW: number
  /** height of a place of the head frame (shares of head length) in this view */
  readonly heightOf: (u: number, v: number) => number
  /** height of a place given from the middle of the eye, forward and up, mm */
  readonly fromEye: (forwardMm: number, upMm: number) => number
  /** how far a place of the head frame stands before the eyes, mm */
  readonly depthOf: (u: number, v: number) => number
  /** how far the tip of the nose stands before the eyes, mm */
  readonly noseDepthMm: number
}

/** The head as it is tipped by `pitchDeg` below the horizontal. */
export function headFace(body: BodyType, { head }: Skeleton, pitchDeg: number): HeadFace {
  const [s, c] = [Math.sin((pitchDeg * Math.PI) / 180), Math.cos((pitchDeg * Math.PI) / 180)]
  const hl = head.lengthMm
  const face = 1 - body.muzzleShare
  const raw = (u: number, v: number) => hl * (v * c - u * s)
  const eye = raw(face - 0.03, body.eyeV)
  const heightOf = (u: number, v: number) => raw(u, v) - eye
  const forward = (u: number, v: number) => hl * (u * c + v * s)
  const depthOf = (u: number, v: number) => forward(u, v) - forward(face - 0.03, body.eyeV)
  const ears = body.ear.map(([u, v]) => heightOf(u, v))
  const skullMm = body.breadth.skull * hl
  const muzzleMm = body.breadth.muzzle * hl
  return {
    skullMm,
    muzzleMm,
    topY: Math.max(heightOf(0, 0), heightOf(face * 0.5, body.dome), heightOf(face - 0.05, body.dome * 0.72)),
    jawY: heightOf(face * 0.5, -body.skullDepth),
    stopY: heightOf(face + 0.045, -body.stop),
    noseY: heightOf(1, -body.stop - 0.05 + body.noseUp),
    chinY: heightOf(0.915, -body.stop - body.muzzleDepth),
    earY: [Math.max(...ears), Math.min(...ears)],
    eyeX: 0.215 * skullMm,
    eyeR: 0.036 * hl,
    noseW: 0.5 * (muzzleMm / 2),
    heightOf,
    fromEye: (forwardMm, upMm) => upMm * c - forwardMm * s,
    depthOf,
    noseDepthMm: depthOf(1, -body.stop - 0.05 + body.noseUp)
  }
}

/** The layers of a head, at a place of the picture; `eyeY` is the height of its eye line there. */
export function headDrafts(body: BodyType, coat: Coat, face: HeadFace, eyeY: number, stepMm: number): Draft[] {
  const build: HeadBuild = { body, coat, face, eyeY, stepMm }
  const ears = ([1, -1] as const).map((sign) => earDraft(build, sign))
  const skull = skullDraft(build)
  const muzzle = muzzleDraft(build)
  const topknot = shapeOf(coat.shapes, 'topknot') ? [topknotDraft(build)] : []
  // hair of the skull covers what lies behind it: of a pricked ear only the tip breaks the round
  return body.earKind === 'long' || body.earKind === 'prick' ? [...ears, skull, muzzle, ...topknot] : [skull, ...ears, muzzle, ...topknot]
}

export type HeadBuild = {
  readonly body: BodyType
  readonly coat: Coat
  readonly face: HeadFace
  readonly eyeY: number
  readonly stepMm: number
}

const raised = (points: readonly Point[], by: number): Point[] => points.map(([x, y]) => [x, y + by])

/** Hair that hangs hangs down in front as well. */
const hangs = (coat: Coat, region: DrawnRegion) => (coat.flows?.[region]?.[1] ?? 0) < -0.5

function skullDraft({ body, coat, face, eyeY, stepMm }: HeadBuild): Draft {
  const { skullMm: s, topY, jawY } = face
  const half: Point[] = [
    [0, topY],
    [0.24 * s, topY - 0.03 * s],
    [0.4 * s, lerp(topY, 0, 0.4)],
    [0.47 * s, 0.03 * s],
    [0.5 * s, lerp(0, jawY, 0.26)],
    [0.5 * s, lerp(0, jawY, 0.36)],
    [0.43 * s, lerp(0, jawY, 0.74)],
    [0.24 * s, jawY],
    [0, jawY - 0.05 * s]
  ]
  const covered = shapeOf(coat.shapes, 'topknot') !== undefined
  const at = ([x, y0]: Point): Place => {
    const y = y0 - eyeY
    const up = smoothstep(0.02 * s, 0.3 * s, y)
    const down = smoothstep(lerp(0, jawY, 0.6), jawY, y)
    const brow = smoothstep(0.02 * s, 0.08 * s, y) * smoothstep(0.3 * s, 0.14 * s, y) * smoothstep(0.44 * s, 0.34 * s, Math.abs(x))
    // what stands up in a ball is a layer of its own: the skull beneath it is clean
    const weights: Weights = covered
      ? { cheek: 1 - down, throat: down }
      : { skull: up * (1 - 0.7 * brow), brow: brow * 0.7 * up, cheek: (1 - up) * (1 - down), throat: down * (1 - up) }
    const flow = hangs(coat, 'skull') ? unit([0.3 * Math.sign(x), -1]) : unit([x, y + 0.14 * s])
    return { weights, sideA: sideShare(x, 0.1 * s), mul: 1, flow }
  }
  return {
    name: 'skull',
    samples: ringSamples(raised(mirroredRing(half, stepMm), eyeY)),
    at,
    face: 'skull',
    // a skull is widest between the ears and the eyes
    depthMm: face.depthOf((1 - body.muzzleShare) * 0.5, -body.skullDepth * 0.3),
    order: (x, y) => -Math.hypot(x, y - eyeY + 0.14 * s)
  }
}

function muzzleDraft({ body, coat, face, eyeY, stepMm }: HeadBuild): Draft {
  const { skullMm: s, muzzleMm, stopY, noseY, chinY } = face
  const m = muzzleMm / 2
  const half: Point[] = [
    [0, stopY + 0.05 * s],
    [0.45 * m, stopY],
    [0.8 * m, lerp(stopY, noseY, 0.5)],
    [m, lerp(noseY, chinY, 0.12)],
    [m, lerp(noseY, chinY, 0.3)],
    [0.86 * m, lerp(noseY, chinY, 0.7)],
    [0.5 * m, chinY],
    [0, chinY - 0.03 * s]
  ]
  const at = ([x, y0]: Point): Place => {
    const y = y0 - eyeY
    const below = smoothstep(noseY + 0.1 * s, noseY - 0.06 * s, y)
    const flow: Point = y > noseY ? unit([x * 0.8, 0.5 * s * (hangs(coat, 'muzzle') ? -1 : 1)]) : unit([x * 0.35, -0.6 * s])
    const thin = lerp(0.45, 1, smoothstep(stopY + 0.05 * s, lerp(stopY, noseY, 0.7), y))
    return { weights: { muzzle: 1 - below, beard: below }, sideA: sideShare(x, 0.06 * s), mul: below > 0.5 ? 1 : thin, flow }
  }
  return {
    name: 'muzzle',
    samples: ringSamples(raised(mirroredRing(half, stepMm), eyeY)),
    at,
    face: 'beard',
    // the outline of a muzzle and its beard lies half-way between stop and nose
    depthMm: face.depthOf(1 - body.muzzleShare / 2, -body.stop - body.muzzleDepth / 2),
    order: (x, y) => (shapeOf(coat.shapes, 'beard') ? y : -Math.hypot(x, y - eyeY - noseY))
  }
}

function earDraft({ body, coat, face, eyeY, stepMm }: HeadBuild, sign: 1 | -1): Draft {
  const { skullMm: s, topY, earY } = face
  const { points, corners } = earFromFront(body.earKind, s, topY, earY)
  const ring = raised(sideRing(points, sign, stepMm, corners), eyeY)
  const ys = ring.map(([, y]) => y)
  const [high, low] = [Math.max(...ys), Math.min(...ys)]
  const at = ([, y]: Point): Place => {
    const down = (high - y) / (high - low)
    // a pricked ear has its base below
    const t = body.earKind === 'prick' ? smoothstep(0.25, 0.7, 1 - down) : smoothstep(0, 0.45, down)
    const flow: Point =
      body.earKind === 'prick' ? unit([sign * 0.3, 1]) : body.earKind === 'button' ? unit([-sign * 0.25, -1]) : unit([sign * 0.12, -1])
    return { weights: { earBase: 1 - t, earOutside: t }, sideA: sign > 0 ? 1 : 0, mul: 1, flow }
  }
  return {
    name: sign > 0 ? 'earLeft' : 'earRight',
    samples: ringSamples(ring),
    at,
    face: 'earOutside',
    lean: coat.texture === 'curl' ? LEANS.much : LEANS.little,
    depthMm: face.depthOf(body.ear[0]![0], body.ear[0]![1]),
    order: (_, y) => y
  }
}

/** Where a topknot's ball sits and how far its skin reaches. */
export function topknotPlace({ body, face, eyeY }: Pick<HeadBuild, 'body' | 'face' | 'eyeY'>): {
  readonly centre: Point
  readonly skinMm: number
} {
  const centre: Point = [0, eyeY + face.heightOf((1 - body.muzzleShare) * 0.5, body.dome - 0.01)]
  return { centre, skinMm: 0.34 * face.skullMm }
}

/** A topknot's ball begins this far below its own middle. */
export const TOPKNOT_FROM_DEG = -40

function topknotDraft(build: HeadBuild): Draft {
  const { centre, skinMm } = topknotPlace(build)
  const { skullMm: s } = build.face
  const start = (TOPKNOT_FROM_DEG * Math.PI) / 180
  const half: Point[] = Array.from({ length: 9 }, (_, i) => {
    const a = Math.PI / 2 + ((start - Math.PI / 2) * i) / 8
    return [Math.cos(a) * skinMm, Math.sin(a) * skinMm * 0.8]
  })
  half[0] = [0, half[0]![1]]
  const [x, y] = half[half.length - 1]!
  half.push([x * 0.5, y - 0.01 * s], [0, y - 0.01 * s])
  const at = ([px, py]: Point): Place => ({
    weights: { skull: 1 },
    sideA: sideShare(px, 0.1 * s),
    mul: 1,
    flow: unit([px * 0.5, py - centre[1] + 0.4 * s])
  })
  return {
    name: 'topknot',
    samples: ringSamples(raised(mirroredRing(half, build.stepMm), centre[1])),
    at,
    face: 'skull',
    lean: LEANS.little,
    depthMm: build.face.depthOf((1 - build.body.muzzleShare) * 0.5, build.body.dome),
    order: (px, py) => -Math.hypot(px, py - centre[1])
  }
}
