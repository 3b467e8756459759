// Where everything of a scene stands: the dog as a figure, the lens, and the way from the figure's mm to the room's.
import { bakeFigure, extentOf, otherSide, type Figure, type Worn } from '@peen/core/figure'
import { project, turned, type Lens } from './pinhole'
import { checkScene, figureView, NEAREST_MM, type Place3, type Scene } from './scene'

export type Stage = {
  readonly scene: Scene
  readonly lens: Lens
  /** what the dog spans, mm, as the camera sees it: left, bottom, right, top */
  readonly span: readonly [number, number, number, number]
  /** height of the table's top; null from above, where the table is the wall */
  readonly tableY: number | null
  readonly wallZ: number
  readonly pivotX: number
  /** a place of the figure with its depth, in the room */
  readonly toRoom: (x: number, y: number, depthMm: number) => Place3
  readonly toPx: (place: Place3) => readonly [number, number] | null
}

/** Room left around the dog, share of what it spans; from above a ruler lies behind it as well. */
const ROOM = Object.freeze({ usual: 0.2, above: 0.32 })
/** Hairs a picture needs: one for every few pixels of it, within these. */
const HAIRS = Object.freeze({ perPx: 0.14, fewest: 6000, most: 60000 })

/** What the dog wears, with the near side first. */
export function wornOf({ dog, seen }: Scene): Worn {
  const worn = dog.worn ?? { lengths: dog.coat.lengths }
  return seen === 'right' ? otherSide(worn) : worn
}

/** @throws CoreError for numbers that no camera could have */
export function stageOf(scene: Scene): Stage {
  checkScene(scene)
  const { dog, seen, picture, camera } = scene
  const [left, bottom, right, top] = extentOf(dog.body, dog.withersMm, figureView(seen), dog.coat)
  const flip = seen === 'right' ? -1 : 1
  const span = flip < 0 ? ([-right, bottom, -left, top] as const) : ([left, bottom, right, top] as const)
  const aim = [(span[0] + span[2]) / 2, (span[1] + span[3]) / 2]
  const room = (1 + ROOM[seen === 'above' ? 'above' : 'usual']) * nearer(scene)
  const fits = Math.min(picture.widthPx / ((right - left) * room), picture.heightPx / ((top - bottom) * room))
  const pxPerMm = camera.pxPerMm ?? fits
  const pitch = ((camera.pitchDeg ?? 0) * Math.PI) / 180
  const lens: Lens = {
    eye: [aim[0], aim[1] + camera.distanceMm * Math.sin(pitch), camera.distanceMm * Math.cos(pitch)],
    focalPx: pxPerMm * camera.distanceMm,
    centrePx: [picture.widthPx / 2, picture.heightPx / 2],
    rollDeg: camera.rollDeg,
    pitchDeg: camera.pitchDeg
  }
  const standing = seen === 'head' ? -eyeHeight(scene) : 0
  return {
    scene,
    lens,
    span,
    tableY: seen === 'above' ? null : standing,
    wallZ: seen === 'above' ? -dog.withersMm : -scene.wall.behindMm,
    pivotX: aim[0],
    toRoom: (x, y, depthMm) => turned([flip * x, y, depthMm], camera.yawDeg, aim[0]),
    toPx: (place) => project(lens, place)
  }
}

/** How much larger than in the plane that is measured a dog's nearest part is seen: a tail or a muzzle comes toward the camera. */
function nearer({ seen, dog, camera }: Scene): number {
  const nearMm = { rear: 1, front: 0.5 }[seen as string] ?? 0
  return camera.distanceMm / Math.max(NEAREST_MM, camera.distanceMm - nearMm * dog.withersMm)
}

/** The dog as a figure, dressed as it stands there, at the scale of its nearest part. */
export function figureOf({ scene, lens }: Stage, nearestMm: number): Figure {
  const { dog, seen, picture } = scene
  const { colouring, coat, body, withersMm } = dog
  const figure = bakeFigure({
    body,
    withersMm,
    view: figureView(seen),
    colouring,
    coat,
    faults: dog.worn?.faults,
    pxPerMm: lens.focalPx / (lens.eye[2] - nearestMm),
    budget: Math.round(Math.min(HAIRS.most, Math.max(HAIRS.fewest, picture.widthPx * picture.heightPx * HAIRS.perPx)))
  })
  figure.dress(wornOf(scene))
  return figure
}

function eyeHeight({ dog }: Scene): number {
  const bare = { lengths: {}, texture: 'straight' as const, shapes: [] }
  const figure = bakeFigure({ ...dog, coat: bare, view: 'side', pxPerMm: 0.1, budget: 1 })
  return figure.skin.skeleton.marks.eye[1]
}
