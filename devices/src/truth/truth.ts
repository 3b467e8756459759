// What a photograph cannot tell but the scene knows: true millimetres. For checking measurements, never for making them.
import type { Figure, Lengths, Shape, Worn } from '@peen/core/figure'
import { figureOf, rulerCorner, stageOf, wornOf, type Place3, type Scene, type Seen, type Stage } from '../camera'

type Pixel = readonly [number, number]
export type TrueLandmark = { readonly name: string; readonly mm: Place3; readonly px: Pixel }

/** The side file of a photograph. mm are of the dog, before yaw; px are of the picture, x right and y down. */
export type Truth = {
  readonly kind: 'peen.camera.truth'
  readonly version: 1
  readonly seen: Seen
  readonly bodyType: string
  readonly withersMm: number
  /** hair of the side that one sees, and of the other */
  readonly lengthsMm: { readonly near: Lengths; readonly far: Lengths }
  readonly shapes: readonly Shape[]
  readonly faults: NonNullable<Worn['faults']>
  readonly days: number
  readonly camera: {
    readonly distanceMm: number
    readonly yawDeg: number
    readonly rollDeg: number
    readonly focalPx: number
    readonly centrePx: Pixel
    /** at z = 0 */
    readonly pxPerMm: number
  }
  readonly ruler: { readonly lengthMm: number; readonly depthMm: number; readonly endsPx: readonly [Pixel, Pixel] } | null
  readonly landmarks: readonly TrueLandmark[]
  /** the coat's outline of every part, each in the plane of its depth */
  readonly outlines: readonly {
    readonly part: string
    readonly depthMm: number
    readonly mm: readonly Pixel[]
    readonly px: readonly Pixel[]
  }[]
}

/** The truth of a scene, all computed from its numbers and never from its picture. @throws CoreError as the camera does */
export function truthOf(scene: Scene): Truth {
  const stage = stageOf(scene)
  const figure = figureOf(stage, 0)
  const { dog, seen, camera, ruler } = scene
  const worn = wornOf(scene)
  const { lens, toRoom } = stage
  const seenAt = (place: Place3): Pixel => {
    const px = stage.toPx(place)
    return px ? [tidy(px[0]), tidy(px[1])] : [NaN, NaN]
  }
  const corner = ruler ? rulerCorner(stage) : null
  return {
    kind: 'peen.camera.truth',
    version: 1,
    seen,
    bodyType: dog.body.id,
    withersMm: dog.withersMm,
    lengthsMm: { near: worn.lengths, far: worn.lengthsB ?? worn.lengths },
    shapes: worn.shapes ?? dog.coat.shapes,
    faults: dog.worn?.faults ?? [],
    days: worn.days ?? 0,
    camera: {
      distanceMm: camera.distanceMm,
      yawDeg: camera.yawDeg,
      rollDeg: camera.rollDeg,
      focalPx: lens.focalPx,
      centrePx: lens.centrePx,
      pxPerMm: lens.focalPx / camera.distanceMm
    },
    ruler:
      ruler && corner
        ? {
            lengthMm: ruler.lengthMm,
            depthMm: ruler.depthMm,
            endsPx: [seenAt([corner[0], corner[1], ruler.depthMm]), seenAt([corner[0], corner[1] + ruler.lengthMm, ruler.depthMm])]
          }
        : null,
    landmarks: landmarksOf(figure, stage).map(({ name, mm }) => ({ name, mm: rounded(mm), px: seenAt(toRoom(...mm)) })),
    outlines: figure.outlines().map(({ layer, ring }) => {
      const { depthMm } = figure.skin.layers.find(({ name }) => name === layer)!
      return {
        part: layer,
        depthMm: tidy(depthMm),
        mm: ring.map(([x, y]): Pixel => [tidy(x), tidy(y)]),
        px: ring.map(([x, y]) => seenAt(toRoom(x, y, depthMm)))
      }
    })
  }
}

/** Landmarks of the middle of the dog, and its eyes and nose where it faces the camera: x, y and depth in the view's frame. */
function landmarksOf({ skin }: Figure, { scene }: Stage): readonly { readonly name: string; readonly mm: Place3 }[] {
  const { marks, heightMm } = skin.skeleton
  const { face, eyeY = 0 } = skin
  const facial: readonly (readonly [string, Place3])[] = face
    ? [
        ['eyeLeft', [face.eyeX, eyeY, eyesDepth()]],
        ['eyeRight', [-face.eyeX, eyeY, eyesDepth()]],
        ['nose', [0, eyeY + face.noseY, eyesDepth() + face.noseDepthMm]]
      ]
    : []
  function eyesDepth(): number {
    return scene.seen === 'head' ? 0 : -marks.eye[0]
  }
  const place = ([x, y]: Pixel): Place3 => {
    if (scene.seen === 'front') return [0, y, -x]
    if (scene.seen === 'rear') return [0, y, x]
    if (scene.seen === 'above') return [x, 0, y - heightMm]
    return [x, y, 0]
  }
  const middle = scene.seen === 'head' ? [] : Object.entries(marks).map(([name, p]) => [name, place(p)] as const)
  return [...middle, ...facial].map(([name, mm]) => ({ name, mm }))
}

const tidy = (value: number) => Math.round(value * 1000) / 1000
const rounded = ([x, y, z]: Place3): Place3 => [tidy(x), tidy(y), tidy(z)]
