// Reads a photograph off the page's own thread: outline, proposals, measures. Everything is core's; nothing is decided here.
import { bodyById } from '@peen/content'
import type { DogView, PhotoMarks } from '@peen/contract'
import { fitBody, type Coat } from '@peen/core/figure'
import { pictureReport, type PictureReport } from '@peen/core/grade'
import {
  disagreementsOf,
  findBesideRuler,
  findBoard,
  frameOf,
  grownLike,
  grownView,
  onDarkSpots,
  otherOver,
  plannedView,
  proposePlaces,
  readingOf,
  shapeHere,
  viewOf,
  withoutBoard,
  type BoardSeen,
  type Corrections,
  type Disagreement,
  type Frame,
  type MeasureId,
  type OutlineStep,
  type Picture,
  type PictureMeasure,
  type PictureSize,
  type PhotoPlace,
  type PlannedView,
  type PhotoPoint,
  type ScaleMark,
  type Seen
} from '@peen/core/measure'
import type { Standard } from '@peen/core/standard'
import * as Comlink from 'comlink'
import { answering } from './answered'

export type PhotoTask = {
  readonly dog: DogView
  readonly standard: Standard
  readonly seen: Seen
  /** a dog that was not trimmed yet is held against its plan grown out */
  readonly moment: 'before' | 'after'
  readonly marks: PhotoMarks
  /** as the trim leaves it, drawn on this dog */ readonly coat: Coat
}

/** Another picture of this dog, as it was marked. */
export type OtherPicture = Pick<PhotoTask, 'seen' | 'moment' | 'marks'> & { readonly size: PictureSize }

export type Proposed = {
  readonly places: Readonly<Partial<Record<PhotoPlace, PhotoPoint>>>
  /** where the outline must be asked about */
  readonly disagreements: readonly Disagreement[]
}

/** More pixels than this are of no use on a screen that measures millimetres. */
const MOST_SIDE_PX = 4096
/** A coat that grew does not grow alike all over: by this share of what it grew. Chosen. */
const SLACK_SHARE = 0.5
const SEED = 20260414

let picture: Picture | null = null
/** the picture without the board that was last told of: outlines are asked for many times of one picture */
let bare: { readonly by: string; readonly picture: Picture } | null = null
const plans = new Map<string, PlannedView>()

type Planned = Pick<PhotoTask, 'dog' | 'coat' | 'standard' | 'seen'>
function planOf({ dog, coat, standard, seen }: Planned, grownMm = 0): PlannedView {
  const { bodyType, withersMm, own } = dog
  const lengths = standard.plan.lengthsMm
  const key = JSON.stringify([bodyType, withersMm, own, standard.plan, viewOf(seen), grownMm])
  const known = plans.get(key)
  if (known) return known
  const planned = { body: fitBody(bodyById(bodyType), { withersMm, ...own }), withersMm, coat, lengths }
  const found = grownMm === 0 ? plannedView(planned, seen) : grownView(planned, seen, grownMm)
  plans.set(key, found)
  return found
}
/** The plan that a picture is read by: before the trim the one that is grown out as its outline is. */
function planFor(task: Planned, { moment, marks }: Pick<OtherPicture, 'moment' | 'marks'>, frame: Frame): Grown {
  const plan = planOf(task)
  if (moment === 'after' || marks.outline.length < 3) return { byMm: 0, plan }
  return grownLike(readingOf(marks, frame, plan.depths), (byMm) => planOf(task, byMm))
}
type Grown = ReturnType<typeof grownLike>

function looked(): Picture {
  if (!picture) throw new Error('No picture was loaded.')
  return picture
}
function withoutTheBoard(board: BoardSeen | null | undefined): Picture {
  if (!board) return looked()
  const by = JSON.stringify(board.markers)
  if (bare?.by !== by) bare = { by, picture: withoutBoard(looked(), board) }
  return bare.picture
}
const frameFor = (seen: Seen, scale: ScaleMark | null): Frame => {
  const { width, height } = looked()
  return frameOf(seen, { widthPx: width, heightPx: height }, scale)
}

const reader = {
  async load(url: string): Promise<{ readonly width: number; readonly height: number }> {
    const bitmap = await createImageBitmap(await (await fetch(url, { credentials: 'same-origin' })).blob())
    const by = Math.min(1, MOST_SIDE_PX / Math.max(bitmap.width, bitmap.height))
    const [width, height] = [Math.round(bitmap.width * by), Math.round(bitmap.height * by)]
    const canvas = new OffscreenCanvas(width, height)
    const context = canvas.getContext('2d', { willReadFrequently: true })!
    context.drawImage(bitmap, 0, 0, width, height)
    picture = { width, height, rgba: context.getImageData(0, 0, width, height).data }
    return { width, height }
  },
  board: answering((): BoardSeen | null => findBoard(looked())),
  outline: answering((seen: Seen, scale: ScaleMark | null, corrections: Corrections, onStep: (step: OutlineStep) => void) => {
    const { pxPerMm, hasScale } = frameFor(seen, scale)
    const framing = seen === 'head' ? 'head' : 'body'
    const ruler = scale && !scale.board ? scale.ends : null
    return findBesideRuler(withoutTheBoard(scale?.board), framing, corrections, hasScale ? pxPerMm : null, ruler, onStep)
  }),
  /** where the planned dog lies if these two places are its own */
  shape: answering((task: PhotoTask, touches: readonly [PhotoPoint, PhotoPoint]): readonly PhotoPoint[] =>
    shapeHere(frameFor(task.seen, task.marks.scale), planOf(task), touches)
  ),
  propose: answering((task: PhotoTask): Proposed => {
    const { seen, marks } = task
    const frame = frameFor(seen, marks.scale)
    const { plan: planned, byMm } = planFor(task, task, frame)
    const { places, laid } = proposePlaces(frame, marks.outline, planned)
    return {
      places: seen === 'head' ? onDarkSpots(looked(), places) : places,
      disagreements: disagreementsOf(frame, marks.outline, planned, laid, marks.corrections, SLACK_SHARE * byMm)
    }
  }),
  /** the outline of another picture of this dog, laid over this one */
  over: answering((task: PhotoTask, other: OtherPicture): readonly PhotoPoint[] => {
    const [here, there] = [frameFor(task.seen, task.marks.scale), frameOf(other.seen, other.size, other.marks.scale)]
    const { plan } = planFor(task, task, here)
    const otherPlan = planFor(task, other, there).plan
    return otherOver(readingOf(task.marks, here, plan.depths), readingOf(other.marks, there, otherPlan.depths), plan, otherPlan)
  }),
  measure: answering((task: PhotoTask, ids: readonly MeasureId[], earlier: readonly (readonly PictureMeasure[])[] = []): PictureReport => {
    const frame = frameFor(task.seen, task.marks.scale)
    const { plan } = planFor(task, task, frame)
    return pictureReport(readingOf(task.marks, frame, plan.depths), plan, task.standard, ids, SEED, earlier)
  })
}

export type Reader = typeof reader
Comlink.expose(reader)
