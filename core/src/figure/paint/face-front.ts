// The face from the front: eyes, nose and mouth, and the brows or the fringe that lie over them.
import { randomFrom } from '../../stats'
import { sampleCurve } from '../body'
import { DRAWN_REGIONS, REGION_INDEX, shapeOf } from '../coat'
import { lerp, smoothstep, unit, type Point } from '../vec'
import type { HeadFace } from '../views'
import { toneOf, type Ramp } from './colour'
import { browMm, ellipse, gaussLike, ringPx, toPx } from './face'
import type { Feature, PaintPlan } from './paint-plan'
import { paintCurve, type Raster, type View } from './raster'
import { paintBlot, paintPolygon, paintShadow } from './soft'

const SIDES = [1, -1] as const

/** Eyes, nose, and what hangs over the eyes, in paint order; the nose stands before the eyes. */
export function frontFeatures(plan: PaintPlan): readonly Feature[] {
  const { skin, coat, table, palette } = plan
  const { face, eyeY } = skin
  if (!face || eyeY === undefined) return []
  const eyesMm = skin.view === 'head' ? 0 : -skin.skeleton.marks.eye[0]
  const feature = (name: string, depthMm: number, paint: Feature['paint']): Feature => ({
    name,
    depthMm: eyesMm + depthMm,
    paint: (raster, view) => paint(raster, { ...view, originY: view.originY - eyeY * view.scale })
  })
  const both = (paint: (raster: Raster, sign: 1 | -1, view: View) => void): Feature['paint'] => {
    return (raster, view) => SIDES.forEach((sign) => paint(raster, sign, view))
  }
  const showsMouth = table.length[REGION_INDEX.beard]! < 12
  const mm = { [1]: browMm(coat, sideTable(plan, 0)), [-1]: browMm(coat, sideTable(plan, 1)) }
  const visor = shapeOf(coat.shapes, 'visor')
  const features = [
    feature(
      'eyes',
      0,
      both((raster, sign, view) => paintEye(raster, face, sign, view))
    ),
    feature('nose', face.noseDepthMm, (raster, view) => paintNose(raster, face, showsMouth, view))
  ]
  const { brow: ramp } = palette.ramps
  const brows = both((raster, sign, view) => mm[sign] !== null && paintBrow(raster, face, sign, mm[sign], ramp, view))
  if (shapeOf(coat.shapes, 'brows')) features.push(feature('brows', 0, brows))
  if (visor) features.push(feature('visor', 0, (raster, view) => paintFringe(raster, face, visor.overEyeMm, ramp, view)))
  else if (shapeOf(coat.shapes, 'circle'))
    features.push(
      feature(
        'lids',
        0,
        both((raster, sign, view) => paintLids(raster, face, sign, ramp, view))
      )
    )
  return features
}

// a brow is as long as its own side's hair
function sideTable({ table }: PaintPlan, side: number) {
  if (side === 0) return table
  const half = DRAWN_REGIONS.length
  return { ...table, length: Float32Array.from([...table.length.subarray(half), ...table.length.subarray(0, half)]) }
}

function paintEye(raster: Raster, { eyeX, eyeR }: HeadFace, sign: number, view: View): void {
  const eye = toPx(view, [sign * eyeX, 0])
  const r = eyeR * view.scale
  paintBlot(raster, eye[0], eye[1], r * 2.2, [30, 22, 16], 0.42)
  paintPolygon(raster, ellipse(eye, r * 1.12, r * 0.96, -sign * 0.12), [21, 16, 12], 1)
  paintPolygon(raster, ellipse(eye, r * 0.72, r * 0.72, 0), [75, 45, 23], 1)
  paintPolygon(raster, ellipse(eye, r * 0.46, r * 0.46, 0), [6, 4, 4], 1)
  paintPolygon(raster, ellipse([eye[0] - r * 0.28, eye[1] - r * 0.36], r * 0.2, r * 0.2, 0), [255, 255, 255], 0.95)
}

function paintNose(raster: Raster, { noseY: y, noseW: w, chinY, muzzleMm }: HeadFace, showsMouth: boolean, view: View): void {
  const outline: Point[] = [
    [-w * 0.55, y + w * 0.5],
    [0, y + w * 0.56],
    [w * 0.55, y + w * 0.5],
    [w * 0.92, y + w * 0.05],
    [w * 0.5, y - w * 0.42],
    [0, y - w * 0.68],
    [-w * 0.5, y - w * 0.42],
    [-w * 0.92, y + w * 0.05]
  ]
  paintPolygon(raster, ringPx(view, sampleCurve(outline, () => false, 0.6).points), [25, 21, 18], 1)
  const px = w * view.scale
  for (const sign of SIDES)
    paintPolygon(raster, ellipse(toPx(view, [sign * w * 0.42, y - w * 0.06]), px * 0.2, px * 0.13, sign * 0.5), [0, 0, 0], 1)
  paintPolygon(raster, ellipse(toPx(view, [0, y + w * 0.3]), px * 0.4, px * 0.1, 0), [255, 255, 255], 0.35)
  if (!showsMouth) return
  const low = lerp(y - w * 0.6, chinY, 0.42)
  const [a, b] = [toPx(view, [0, y - w * 0.6]), toPx(view, [0, low])]
  paintCurve(raster, a[0], a[1], (a[0] + b[0]) / 2, (a[1] + b[1]) / 2, b[0], b[1], 0.06 * px, 30, 20, 16, 0.8)
  for (const sign of SIDES) {
    const [c, d] = [toPx(view, [sign * muzzleMm * 0.2, low - w * 0.34]), toPx(view, [sign * muzzleMm * 0.36, low + w * 0.1])]
    paintCurve(raster, b[0], b[1], c[0], c[1], d[0], d[1], 0.07 * px, 30, 20, 16, 0.75)
  }
}

const BROW_HAIRS = 340

// Cut in one slant from the outer corner of the eye to a point beside the nose, and parted in the middle.
function paintBrow(raster: Raster, { skullMm: s }: HeadFace, sign: number, mm: number, ramp: Ramp, view: View): void {
  const random = randomFrom(11 + sign)
  const at = (x: number, y: number): Point => [sign * x * s, y * s]
  const tip: Point = [sign * 0.12 * s, 0.05 * s - mm * 0.98]
  const outline: Point[] = [
    at(0.045, 0.1),
    at(0.2, 0.15),
    at(0.34, 0.13),
    at(0.365, 0.095),
    at(0.2, 0.035),
    tip,
    [sign * 0.055 * s, -mm * 0.35]
  ]
  const corners = [0, 3, 5]
  const shape = ringPx(view, sampleCurve(outline, (i) => corners.includes(i), 1).points)
  paintShadow(
    raster,
    shape.map((value, i) => (i % 2 === 1 ? value + 0.03 * s * view.scale : value)),
    0.025 * s * view.scale,
    [10, 8, 6],
    0.5
  )
  paintPolygon(raster, shape, toneOf(ramp, 0.62), 1)
  for (let i = 0; i < BROW_HAIRS; i++) {
    const t = random()
    const root: Point = [sign * lerp(0.05, 0.36, t) * s, lerp(0.11, 0.14, Math.sin(t * 3)) * s + gaussLike(random) * 3]
    const length = mm * lerp(1.12, 0.5, t) * (1 + 0.1 * gaussLike(random))
    const d = unit([-sign * lerp(-0.1, 2.6, t * t) + 0.08 * gaussLike(random), -1])
    const end: Point = [root[0] + d[0] * length, root[1] + d[1] * length]
    hairLine(
      raster,
      view,
      root,
      [(root[0] + end[0]) / 2 + sign * 3, (root[1] + end[1]) / 2 + 3],
      end,
      toneOf(ramp, 0.68 + 0.55 * gaussLike(random))
    )
  }
}

const FRINGE_HAIRS = 520

// Combed forward and cut straight across from outer corner to outer corner.
function paintFringe(raster: Raster, { skullMm: s, eyeX }: HeadFace, overEyeMm: number, ramp: Ramp, view: View): void {
  const random = randomFrom(23)
  const half = eyeX + 0.15 * s
  const foot = (x: number) => overEyeMm + 0.035 * s * smoothstep(half * 0.6, half, Math.abs(x))
  const band: Point[] = [
    [-half, overEyeMm + 0.05 * s],
    [-half * 0.5, foot(half * 0.5)],
    [0, foot(0)],
    [half * 0.5, foot(half * 0.5)],
    [half, overEyeMm + 0.05 * s],
    [half * 0.7, overEyeMm + 0.18 * s],
    [0, overEyeMm + 0.24 * s],
    [-half * 0.7, overEyeMm + 0.18 * s]
  ]
  const shape = ringPx(view, sampleCurve(band, () => false, 1).points)
  paintShadow(
    raster,
    shape.map((value, i) => (i % 2 === 1 ? value + 0.02 * s * view.scale : value)),
    0.02 * s * view.scale,
    [20, 14, 8],
    0.34
  )
  for (let i = 0; i < FRINGE_HAIRS; i++) {
    const x = lerp(-half, half, random())
    const rise = (0.06 + 0.2 * random()) * s * Math.sqrt(Math.max(0.1, 1 - (x / half) ** 2))
    const end: Point = [x * 1.03, foot(x) + 0.6 * gaussLike(random)]
    const root: Point = [x * 0.86, foot(x) + rise]
    hairLine(
      raster,
      view,
      root,
      [(root[0] + end[0]) / 2 + 1.2 * gaussLike(random), (root[1] + end[1]) / 2],
      end,
      toneOf(ramp, 0.74 + 0.34 * gaussLike(random))
    )
  }
}

const LID_HAIRS = 210

// Short hair around an eye that stands in the round of a head.
function paintLids(raster: Raster, { eyeX, eyeR }: HeadFace, sign: number, ramp: Ramp, view: View): void {
  const random = randomFrom(31 + sign)
  for (let i = 0; i < LID_HAIRS; i++) {
    const a = lerp(0.15, 2.9, random())
    const reach = eyeR * lerp(1.05, 2.2, random())
    const root: Point = [sign * eyeX + Math.cos(a) * reach, Math.sin(a) * reach]
    const d = unit([Math.cos(a) + 0.4 * gaussLike(random), Math.sin(a) + 0.5 * gaussLike(random)])
    const length = 5 + 4 * random()
    hairLine(
      raster,
      view,
      root,
      [root[0] + d[0] * length * 0.5 + gaussLike(random), root[1] + d[1] * length * 0.5 + gaussLike(random)],
      [root[0] + d[0] * length, root[1] + d[1] * length],
      toneOf(ramp, 0.75 + 0.4 * gaussLike(random))
    )
  }
}

function hairLine(
  raster: Raster,
  view: View,
  from: Point,
  over: Point,
  to: Point,
  [red, green, blue]: readonly [number, number, number]
): void {
  const [a, b, c] = [toPx(view, from), toPx(view, over), toPx(view, to)]
  paintCurve(raster, a[0], a[1], b[0], b[1], c[0], c[1], Math.max(0.28, 0.19 * view.scale), red, green, blue, 0.85)
}
