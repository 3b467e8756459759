// What a dog spans, before anything of it is baked: to place it in a picture.
import { skeletonOf, type BodyType, type Skeleton } from './body'
import { dressCoat, dressOf, lengthOf, shapeOf, type Coat, type ViewId } from './coat'
import { buildSkin } from './views'

const BARE: Coat = { lengths: {}, texture: 'straight', shapes: [] }

/** What a dog spans in a view, mm (left, bottom, right, top), with room for its coat; needs no baking. */
export function extentOf(body: BodyType, withersMm: number, view: ViewId = 'side', coat?: Coat): readonly [number, number, number, number] {
  const skeleton = skeletonOf(body, withersMm)
  if (view !== 'side') return extentFrom(body, skeleton, view, coat)
  const points = Object.values(skeleton.marks)
  const xs = points.map(([x]) => x)
  const tops = points.map(([, y]) => y)
  const usual = [
    Math.min(...xs) - 0.07 * withersMm,
    -0.015 * withersMm,
    Math.max(...xs) + 0.08 * withersMm,
    Math.max(...tops) + 0.05 * withersMm
  ] as const
  if (!coat) return usual
  const { marks } = skeleton
  const circle = shapeOf(coat.shapes, 'circle')
  const topknot = shapeOf(coat.shapes, 'topknot')
  const pompon = shapeOf(coat.shapes, 'pompon')
  const reaches = [
    usual[3],
    marks.skullTop[1] + Math.min(60, lengthOf(coat.lengths, 'skull')) * 0.9,
    circle ? marks.eye[1] + circle.upMm + circle.radiusMm + 12 : 0,
    topknot ? marks.skullTop[1] + topknot.radiusMm : 0,
    pompon ? marks.tailTip[1] + pompon.radiusMm * 0.9 : 0
  ]
  return [usual[0], usual[1], usual[2] + (lengthOf(coat.lengths, 'thigh') > 40 ? 0.06 * withersMm : 0), Math.max(...reaches) + 4]
}

function extentFrom(body: BodyType, skeleton: Skeleton, view: ViewId, coat: Coat = BARE): readonly [number, number, number, number] {
  const skin = buildSkin(view, body, skeleton, coat, [])
  dressCoat(skin, dressOf(skin, coat, { lengths: coat.lengths }, []))
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const { P, V, samples } of skin.layers) {
    for (let k = 0; k < samples; k++) {
      const [x, y] = [P[2 * k]! + V[2 * k]!, P[2 * k + 1]! + V[2 * k + 1]!]
      ;[x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)]
    }
  }
  const room = (view === 'head' ? 0.03 : 0.025) * skeleton.heightMm
  const standsOnGround = view === 'front' || view === 'rear'
  // the same room on either side, so that the midline stands in the middle
  const half = Math.max(x1, -x0) + room
  return view === 'above'
    ? [x0 - room, y0 - room, x1 + room, y1 + room]
    : [-half, standsOnGround ? -0.015 * skeleton.heightMm : y0 - room, half, y1 + room]
}
