// One drawn dog measured: what the measuring code says, against what the scene's own numbers come to.
import { silhouetteRing } from './silhouette'
import {
  crossesItself,
  evenly,
  findOutline,
  frameOf,
  measurePhoto,
  measureSpec,
  plannedTrace,
  plannedView,
  uncrossedRing,
  withoutBoard,
  type FoundOutline,
  type MeasureId,
  type PhotoPlace,
  type PhotoPoint,
  type Picture,
  type Reading,
  type ScaleMark,
  type Seen,
  type Trace
} from '@peen/core/measure'
import { randomFrom, seedOf, type Random } from '@peen/core/stats'
import { expose, figureOf, pictureOf, stageOf, type Stage } from '../camera'
import type { TrialDog } from './dogs'
import { jitter, scaleSaid, toPixel } from './scale'

export type TrialRow = { readonly measure: MeasureId; readonly truth: number; readonly value: number; readonly u: number }
export type TrialResult = {
  readonly rows: readonly TrialRow[]
  readonly refused: string | null
  readonly doubts: readonly string[]
  /** the outline found in the picture is no whole dog */
  readonly unfit?: boolean
}

/** A person puts a place within this, mm (standard uncertainty), and says so. */
export const HAND_U_MM = 0.4
/** Points of a drawn line. */
const LINE_POINTS = 6
const LINE_U_MM = 0.7
/** Edge of an outline that was not found in a picture, px. */
const GEOMETRY_EDGE_PX = 0.35

/** Photographs the dog and measures it, or (`withoutPicture`) projects its outline and measures that. */
export function runTrial(dog: TrialDog, seed: number, withoutPicture = false): TrialResult {
  const random = randomFrom(seedOf(`hand ${seed}`))
  const { scene, seen, said, trim } = dog
  const stage = stageOf(scene)
  const ids = (seen === 'head' ? trim.measures.head : trim.measures.profile) ?? []
  const truth = truthOf(dog, stage)
  const px = (place: PhotoPoint, depthMm: number): PhotoPoint => pxOf(stage, place, depthMm)
  const { widthPx, heightPx } = scene.picture
  const picture = withoutPicture ? null : taken(dog)
  const scale = scaleSaid(dog, stage, picture, random)
  if (!scale) return { rows: [], refused: 'The board was not found.', doubts: [] }
  const frame = frameOf(seen, { widthPx, heightPx }, scale)
  const found = picture ? outlineIn(picture, seen, scale, frame.pxPerMm) : projected(stage, random)
  const planned = plannedView({ body: trim.body, withersMm: said.withersMm, coat: trim.coat, lengths: trim.coat.lengths }, seen)
  const uPx = HAND_U_MM * frame.pxPerMm
  const places = Object.fromEntries(
    Object.entries(truth.trace.places).map(([id, place]) => [
      id,
      { at: jitter(px(place as PhotoPoint, truth.depths[id as PhotoPlace] ?? 0), uPx, random), uPx }
    ])
  )
  const lines = Object.fromEntries(
    Object.entries(truth.trace.lines).map(([id, points]) => [
      id,
      (points as readonly PhotoPoint[]).map((point) => jitter(px(point, truth.legMm), LINE_U_MM * frame.pxPerMm, random))
    ])
  )
  const reading: Reading = { frame, depths: planned.depths, outline: found.outline, edgeUPx: found.uPx, places, lines }
  const { measures, refused } = measurePhoto(reading, ids, seed, 400)
  const rows = measures.flatMap(({ id, value, u }): TrialRow[] => {
    const own = measureSpec(id).of(truth.trace, 'left')
    return Number.isFinite(own) ? [{ measure: id, truth: own, value, u }] : []
  })
  return { rows, refused, doubts: found.doubts }
}

/** The dog as it truly stands: its coat's outline and its places, mm of the figure, y down, facing left or us. */
export function truthOf({ scene, seen, footLineMm }: TrialDog, stage: Stage) {
  const figure = figureOf(stage, 0)
  const { dog } = scene
  const own = plannedView({ body: dog.body, withersMm: dog.withersMm, coat: dog.coat, lengths: dog.coat.lengths }, seen)
  const outline = silhouetteRing(figure.outlines().map(({ ring }) => ring.map(([x, y]): PhotoPoint => [x, -y])))
  const { places } = plannedTrace({ ...own, outline }, seen)
  const legMm = (dog.body.breadth.foreTrack * dog.withersMm) / 2
  const skull = figure.skin.layers.find(({ name }) => name === 'skull')?.depthMm ?? 0
  const edge: Partial<Record<PhotoPlace, number>> =
    seen === 'head' ? { jawLeft: skull, jawRight: skull, earLeftIn: skull, earLeftOut: skull, earRightIn: skull, earRightOut: skull } : {}
  const depths: Partial<Record<PhotoPlace, number>> = { nose: figure.skin.face?.noseDepthMm ?? 0, ankle: legMm, ...edge }
  const lines: Trace['lines'] = places.ankle && footLineMm > 0 ? { footEdge: footEdge(places.ankle, footLineMm) } : {}
  return {
    trace: { seen, hasScale: true, outline: evenly(outline, 1), places, lines, yawDeg: 0, neckScale: 1 } satisfies Trace,
    depths,
    legMm
  }
}

/** A level line above the ankle, as wide as a leg. */
const footEdge = ([x, y]: PhotoPoint, mm: number): PhotoPoint[] =>
  Array.from({ length: LINE_POINTS }, (_, i): PhotoPoint => [x - 15 + (30 * i) / (LINE_POINTS - 1), y - mm])

export function pxOf(stage: Stage, [x, y]: PhotoPoint, depthMm: number): PhotoPoint {
  const at = stage.toPx(stage.toRoom(x, -y, depthMm))
  return at ? [at[0], at[1]] : [NaN, NaN]
}
export const taken = ({ scene }: TrialDog): Picture => pictureOf(expose(scene))

export function outlineIn(
  picture: Picture,
  seen: Seen,
  { board }: ScaleMark,
  pxPerMm: number
): Pick<FoundOutline, 'outline' | 'uPx' | 'doubts'> & Partial<Pick<FoundOutline, 'unfit'>> {
  const bare = board ? withoutBoard(picture, board) : picture
  return findOutline(bare, seen === 'head' ? 'head' : 'body', undefined, pxPerMm)
}

/** A figure's outline as the pinhole sees it, every part in its own depth, px. */
export function outlineSeen(stage: Stage): readonly PhotoPoint[] {
  const figure = figureOf(stage, 0)
  const rings = figure.outlines().map(({ layer, ring }) => {
    const { depthMm } = figure.skin.layers.find(({ name }) => name === layer)!
    return ring.map(([x, y]) => toPixel(stage, stage.toRoom(x, y, depthMm)))
  })
  const step = stage.lens.focalPx / stage.lens.eye[2]
  return uncrossedRing(evenly(silhouetteRing(rings), Math.max(2.5, 1.5 * step)))
}

/** The same with an edge that is read to a third of a pixel. */
export function projected(stage: Stage, random: Random): Pick<FoundOutline, 'outline' | 'uPx' | 'doubts'> {
  const plain = outlineSeen(stage)
  const noisy = plain.map((point) => jitter(point, GEOMETRY_EDGE_PX, random))
  // where two parts nearly touch, noise would tie a knot that a found outline never has
  const outline = crossesItself(noisy) ? plain : noisy
  return { outline, uPx: outline.map(() => GEOMETRY_EDGE_PX), doubts: [] }
}
