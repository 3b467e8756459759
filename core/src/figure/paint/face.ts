// Nose, eye, brows and toes, and the soft shadow of the ear: small shapes painted between the layers.
import { randomFrom, type Random } from '../../stats'
import { headPoint, sampleCurve } from '../body'
import { lengthOf, REGION_INDEX, shapeOf, type Coat, type CoatTable, type FigureLayer, type Skin } from '../coat'
import { lerp, unit, type Point } from '../vec'
import { toneOf, type Ramp, type Rgb } from './colour'
import { paintCurve, type Raster, type View } from './raster'
import { paintBlot, paintPolygon, paintShadow } from './soft'

const NOSE: Rgb = [23, 19, 15]
const EYE: Rgb = [26, 18, 12]
const IRIS: Rgb = [74, 44, 22]
const PUPIL: Rgb = [7, 5, 4]
const WHITE: Rgb = [255, 255, 255]
const SHADOW: Rgb = [20, 12, 6]

export const toPx = ({ scale, originX, originY }: View, [x, y]: Point): Point => [originX + x * scale, originY - y * scale]

export function ringPx(view: View, points: readonly Point[]): Float32Array {
  return Float32Array.from(points.flatMap((p) => [...toPx(view, p)]))
}

/** An ellipse as a ring in px; `turn` in radians, radii in px. */
export function ellipse([cx, cy]: Point, rx: number, ry: number, turn: number): Float32Array {
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  return Float32Array.from({ length: 48 }, (_, i) => {
    const angle = (Math.floor(i / 2) / 24) * 2 * Math.PI
    const [x, y] = [rx * Math.cos(angle), ry * Math.sin(angle)]
    return i % 2 === 0 ? cx + x * c - y * s : cy + x * s + y * c
  })
}

export function paintFace(raster: Raster, { body, skeleton }: Skin, table: CoatTable, view: View): void {
  const { head, marks } = skeleton
  const px = head.lengthMm * view.scale
  const at = (u: number, v: number) => toPx(view, headPoint(head, u, v))
  const lip = -body.stop
  if (table.length[REGION_INDEX.beard]! < 12) {
    const [a, b, c] = [at(0.958, lip - body.muzzleDepth * 0.6), at(0.8, lip - body.muzzleDepth * 0.6), toPx(view, marks.lipCorner)]
    paintCurve(raster, a[0], a[1], b[0], b[1], c[0], c[1], 0.003 * px, 30, 20, 16, 0.75)
  }
  const nose = [
    [0.93, lip + 0.005 + body.noseUp],
    [0.985, lip + body.noseUp],
    [1.012, lip - 0.045 + body.noseUp],
    [0.99, lip - 0.1 + body.noseUp * 0.5],
    [0.945, lip - 0.105],
    [0.925, lip - 0.05]
  ]
  const nosePoints = sampleCurve(
    nose.map(([u, v]) => headPoint(head, u!, v!)),
    () => false,
    0.6
  ).points
  paintPolygon(raster, ringPx(view, nosePoints), NOSE, 1)
  paintPolygon(raster, ellipse(at(0.985, lip - 0.018 + body.noseUp), 0.022 * px, 0.009 * px, -0.2), WHITE, 0.45)
  paintPolygon(raster, ellipse(at(0.975, lip - 0.062 + body.noseUp), 0.014 * px, 0.009 * px, 0.5), [0, 0, 0], 1)
  const eye = toPx(view, marks.eye)
  const r = 0.036 * px
  paintBlot(raster, eye[0], eye[1], 0.085 * px, [30, 24, 18], 0.34)
  paintPolygon(raster, ellipse(eye, r * 1.25, r * 0.92, 0.25), EYE, 1)
  paintPolygon(raster, ellipse([eye[0] - r * 0.1, eye[1]], r * 0.66, r * 0.66, 0), IRIS, 1)
  paintPolygon(raster, ellipse([eye[0] - r * 0.15, eye[1]], r * 0.4, r * 0.4, 0), PUPIL, 1)
  paintPolygon(raster, ellipse([eye[0] - r * 0.4, eye[1] - r * 0.35], r * 0.2, r * 0.2, 0), WHITE, 0.95)
}

export const gaussLike = (random: Random) => (random() + random() + random() - 1.5) / 1.5
/** The nose as it is seen from above. */
export function paintNoseTip(raster: Raster, { skeleton: { head } }: Skin, [x, y]: Point, view: View): void {
  const w = 0.045 * head.lengthMm
  paintPolygon(raster, ellipse(toPx(view, [x + 0.7 * w, y]), w * view.scale, 0.9 * w * view.scale, 0), NOSE, 1)
  paintPolygon(raster, ellipse(toPx(view, [x + 0.9 * w, y + 0.25 * w]), 0.3 * w * view.scale, 0.16 * w * view.scale, 0), WHITE, 0.4)
}

const BROW_HAIRS = 260
/** Shorter than this a brow does not stand out from the skull, mm. Chosen by eye. */
const LEAST_BROW_MM = 8

/** How long the brow or fringe is worn, mm; null where the coat has neither. */
export function browMm(coat: Coat, table: CoatTable): number | null {
  const brows = shapeOf(coat.shapes, 'brows')
  const planned = brows?.lengthMm ?? (shapeOf(coat.shapes, 'visor') ? lengthOf(coat.lengths, 'brow') : null)
  if (planned === null) return null
  const worn = planned * (table.length[REGION_INDEX.brow]! / Math.max(0.1, lengthOf(coat.lengths, 'brow')))
  return worn < LEAST_BROW_MM ? null : worn
}

/** The wedge of brow or fringe in the profile as a ring in mm, or null where the coat has none. */
export function browWedge(skin: Skin, coat: Coat, table: CoatTable): readonly Point[] | null {
  const mm = browMm(coat, table)
  return mm === null ? null : wedgeOf(skin, mm)
}

function wedgeOf({ body, skeleton: { head } }: Skin, lengthMm: number): readonly Point[] {
  const m = 1 - body.muzzleShare
  const share = lengthMm / head.lengthMm
  const hd = (u: number, v: number) => headPoint(head, u, v)
  const wedge = [
    hd(m - 0.13, body.dome * 0.75),
    hd(m - 0.02, body.dome * 0.9 + 0.03),
    hd(m + 0.05 + share * 0.5, body.dome * 0.5 + 0.01),
    hd(m + 0.04 + share * 0.92, body.eyeV + 0.03),
    hd(m + 0.05 + share * 0.35, body.eyeV),
    hd(m, body.eyeV + 0.035)
  ]
  return sampleCurve(wedge, (i) => i === 0 || i === 3, 1).points
}

/** The brow in the profile: a wedge of hair over the eye, as long as the brow is. */
export function paintBrow(raster: Raster, skin: Skin, coat: Coat, table: CoatTable, ramp: Ramp, view: View): void {
  const { body } = skin
  const { head } = skin.skeleton
  const lengthMm = browMm(coat, table)
  if (lengthMm === null) return
  const random = randomFrom(7)
  const m = 1 - body.muzzleShare
  const hd = (u: number, v: number) => headPoint(head, u, v)
  const shape = ringPx(view, wedgeOf(skin, lengthMm))
  const px = head.lengthMm * view.scale
  paintShadow(
    raster,
    shape.map((value, i) => (i % 2 === 1 ? value + 0.035 * px : value)),
    0.025 * px,
    [10, 8, 6],
    0.6
  )
  paintPolygon(raster, shape, toneOf(ramp, 0.66), 1)
  const hairs = Array.from({ length: BROW_HAIRS }, () => {
    const [t, z] = [random(), random()]
    const root = hd(lerp(m - 0.1, m + 0.045, t) + 0.01 * gaussLike(random), lerp(body.dome * 0.7, body.eyeV + 0.035, z) + (t - 0.7) * -0.03)
    return {
      z,
      root,
      length: lengthMm * (1 + 0.08 * gaussLike(random)) * lerp(0.55, 1, t),
      up: lerp(0.26, -0.1, z) + 0.06 * gaussLike(random),
      tone: lerp(0.95, 0.5, z) + 0.42 * gaussLike(random),
      kink: gaussLike(random)
    }
  }).sort((a, b) => b.z - a.z)
  for (const { root, length, up, tone, kink } of hairs) {
    const d = unit([head.u[0] + head.v[0] * up, head.u[1] + head.v[1] * up])
    const a = toPx(view, root)
    const b = toPx(view, [root[0] + d[0] * length * 0.55 + kink, root[1] + d[1] * length * 0.55 + length * 0.06])
    const c = toPx(view, [root[0] + d[0] * length, root[1] + d[1] * length - length * 0.22])
    const [red, green, blue] = toneOf(ramp, tone)
    paintCurve(raster, a[0], a[1], b[0], b[1], c[0], c[1], Math.max(0.28, 0.19 * view.scale), red, green, blue, 0.9)
  }
}

/** Toes and nails of a leg, where the foot's hair is short enough to show them. */
export function paintToes(raster: Raster, { skeleton }: Skin, layer: FigureLayer, table: CoatTable, view: View): void {
  const isHind = layer.name === 'hind' || layer.name === 'farHind'
  const hair = table.length[REGION_INDEX[isHind ? 'rearFoot' : 'foreFoot']]!
  if (hair >= 14) return
  const { marks: m, heightMm: h } = skeleton
  const toe = isHind ? m.rearToe : m.frontToe
  const width = (isHind ? m.rearPad : m.frontPad)[0] - toe[0]
  const at = (x: number, y: number) => toPx(view, [x + layer.shift[0], y + layer.shift[1]])
  for (const share of [0.26, 0.5]) {
    const [a, b, c] = [
      at(toe[0] + width * (share + 0.02), toe[1] + 0.002 * h),
      at(toe[0] + width * (share - 0.06), toe[1] + 0.022 * h),
      at(toe[0] + width * (share + 0.06), toe[1] + 0.04 * h)
    ]
    paintCurve(raster, a[0], a[1], b[0], b[1], c[0], c[1], Math.max(0.4, 0.35 * view.scale), 25, 16, 12, hair < 4 ? 0.75 : 0.4)
  }
  if (hair >= 6) return
  for (const share of [-0.02, 0.22])
    paintPolygon(
      raster,
      ellipse(at(toe[0] + width * share, toe[1] + 0.008 * h), 0.01 * h * view.scale, 0.005 * h * view.scale, -0.5),
      [20, 14, 12],
      0.85
    )
}

/** The shadow that the ear casts on the head beneath it. */
export function paintEarShadow(raster: Raster, layer: FigureLayer, heightMm: number, view: View): void {
  const points = Array.from({ length: layer.samples }, (_, k): Point => [
    layer.P[2 * k]! + 0.8 * layer.V[2 * k]! + 0.008 * heightMm,
    layer.P[2 * k + 1]! + 0.8 * layer.V[2 * k + 1]! - 0.01 * heightMm
  ])
  paintShadow(raster, ringPx(view, points), 0.012 * heightMm * view.scale, SHADOW, 0.55)
}

/** Toes and nails of a foot seen from the front, where its hair is short enough to show them. */
export function paintFrontToes(raster: Raster, { skeleton, body }: Skin, layer: FigureLayer, table: CoatTable, view: View): void {
  const isRear = layer.name.startsWith('rear')
  const hair = table.length[REGION_INDEX[isRear ? 'rearFoot' : 'foreFoot']]!
  if (hair >= 8) return
  const h = skeleton.heightMm
  const half = (body.breadth.foot * h) / 2
  const axis = ((isRear ? body.breadth.rearTrack : body.breadth.foreTrack) * h) / 2
  const sign = layer.P[0]! < 0 ? -1 : 1
  const at = (x: number, y: number) => toPx(view, [sign * axis + x * half + layer.shift[0], y * h + layer.shift[1]])
  for (const x of [-0.42, 0, 0.42]) {
    const [a, b, c] = [at(x, 0.002), at(x * 0.96, 0.018), at(x * 0.7, 0.036)]
    paintCurve(raster, a[0], a[1], b[0], b[1], c[0], c[1], Math.max(0.4, 0.35 * view.scale), 25, 16, 12, hair < 4 ? 0.7 : 0.4)
  }
  if (hair >= 4) return
  for (const x of [-0.62, -0.21, 0.21, 0.62])
    paintPolygon(raster, ellipse(at(x, 0.007), 0.0045 * h * view.scale, 0.006 * h * view.scale, 0), [20, 14, 12], 0.85)
}
