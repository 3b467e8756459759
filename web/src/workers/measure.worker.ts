// Reads a photograph off the page's own thread: outline, proposals, measures. Everything is core's; nothing is decided here.
import { bodyById } from '@peen/content'
import type { DogView, PhotoMarks } from '@peen/contract'
import { fitBody, type Coat } from '@peen/core/figure'
import { pictureReport, type PictureReport } from '@peen/core/grade'
import {
  disagreementsOf,
  findBoard,
  findOutline,
  frameOf,
  onDarkSpots,
  otherSideOver,
  plannedView,
  proposePlaces,
  readingOf,
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
  readonly marks: PhotoMarks
  /** as the trim leaves it, drawn on this dog */ readonly coat: Coat
}

/** The profile of the dog's other side, as it was marked. */
export type OtherProfile = { readonly seen: Seen; readonly marks: PhotoMarks; readonly size: PictureSize }

export type Proposed = {
  readonly places: Readonly<Partial<Record<PhotoPlace, PhotoPoint>>>
  /** where the outline must be asked about */
  readonly disagreements: readonly Disagreement[]
}

/** More pixels than this are of no use on a screen that measures millimetres. */
const MOST_SIDE_PX = 4096
const SEED = 20260414

let picture: Picture | null = null
/** the picture without the board that was last told of: outlines are asked for many times of one picture */
let bare: { readonly by: string; readonly picture: Picture } | null = null
const plans = new Map<string, PlannedView>()

function planOf({ dog, coat, standard, seen }: Omit<PhotoTask, 'marks'>): PlannedView {
  const { bodyType, withersMm, own } = dog
  const lengths = standard.plan.lengthsMm
  const key = JSON.stringify([bodyType, withersMm, own, standard.plan, viewOf(seen)])
  const known = plans.get(key)
  if (known) return known
  const found = plannedView({ body: fitBody(bodyById(bodyType), { withersMm, ...own }), withersMm, coat, lengths }, seen)
  plans.set(key, found)
  return found
}

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
    return findOutline(withoutTheBoard(scale?.board), seen === 'head' ? 'head' : 'body', corrections, hasScale ? pxPerMm : null, onStep)
  }),
  propose: answering((task: PhotoTask): Proposed => {
    const { seen, marks } = task
    const [frame, planned] = [frameFor(seen, marks.scale), planOf(task)]
    const { places, laid } = proposePlaces(frame, marks.outline, planned)
    return {
      places: seen === 'head' ? onDarkSpots(looked(), places) : places,
      disagreements: disagreementsOf(frame, marks.outline, planned, laid, marks.corrections)
    }
  }),
  /** the outline of the other profile, laid over this one */
  over: answering((task: PhotoTask, other: OtherProfile): readonly PhotoPoint[] => {
    const plan = planOf(task)
    const there = readingOf(other.marks, frameOf(other.seen, other.size, other.marks.scale), plan.depths)
    return otherSideOver(readingOf(task.marks, frameFor(task.seen, task.marks.scale), plan.depths), there, plan)
  }),
  measure: answering((task: PhotoTask, ids: readonly MeasureId[], earlier: readonly (readonly PictureMeasure[])[] = []): PictureReport => {
    const plan = planOf(task)
    const frame = frameFor(task.seen, task.marks.scale)
    return pictureReport(readingOf(task.marks, frame, plan.depths), plan, task.standard, ids, SEED, earlier)
  })
}

export type Reader = typeof reader
Comlink.expose(reader)
