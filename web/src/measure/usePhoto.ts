import type { DogView, PhotoMarks, PictureMarks } from '@peen/contract'
import { CoreError } from '@peen/core/error'
import { measuresAsked, type PictureReport } from '@peen/core/grade'
import { measureSpec, type Disagreement, type LineId, type PhotoPlace, type PhotoPoint, type ScaleMark } from '@peen/core/measure'
import type { Standard } from '@peen/core/standard'
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, isUnreachable, sentenceOf } from '../api/client'
import { useSaveSoon } from '../composables/useSaveSoon'
import { sayRefusal } from './say-refusal'
import { rounded, useMarks } from './useMarks'
import { earlierOf, measuredEarlier } from './earlier'
import { photoTask } from './photo-task'
import { useOutline } from './useOutline'
import { useBoard } from './useBoard'
import { useBeforeAfter, type Moment } from './useBeforeAfter'
import { useOtherSide, type Compared } from './useOtherSide'
import { useReader } from './useReader'
import { useShape } from './useShape'
import { t } from '../words'

/** A scale that has not moved for this long is meant, ms. Chosen. */
const SCALE_RESTS_MS = 300
/** A person who goes on to the next picture waits no longer for this one, ms. */
const MOST_WAIT_MS = 8000
/** Marks that have not moved for this long are measured, ms. Chosen. */
const MARKS_REST_MS = 250

/** What a picture is compared with, each null or empty where there is none. */
type Beside = {
  /** own marks of pictures that a newer one has replaced */
  readonly earlier: readonly PictureMarks[]
  readonly profile: () => Compared | null
  /** the picture of the other moment from the same side */
  readonly otherMoment: () => Compared | null
}

/** Reads one photograph: its marks on this device and on the server, its outline and measures in a worker. */
export function usePhoto(own: PictureMarks, moment: Moment, dog: DogView, standard: Standard, beside: Beside) {
  const { seen, pictureId } = own
  const problem = ref<string | null>(null)
  // a dog that is not trimmed yet is measured for nothing but its coat
  const asked = moment === 'before' ? [] : measuresAsked(standard, seen)
  const places = placesFor(asked)
  const reader = useReader(pictureId)
  watch(reader.unreadable, (is) => is && (problem.value = t('measure.pictureCannotOpenedTakeAnother')))
  const earlier = earlierOf(beside.earlier, seen)
  const desk = useMarks(withKnown(own.marks, earlier), () => soon())
  const { marks } = desk
  const task = () => photoTask(dog, standard, seen, marks.value, moment)
  const hasOutline = computed(() => marks.value.outline.length > 2)
  const untouched = computed(() => places.filter((id) => !marks.value.places[id]?.touched))

  const version = ref(own.version)
  async function write(): Promise<void> {
    try {
      const body = { version: version.value, seen, marks: rounded(marks.value), regions: measured.result.value?.regions ?? [] }
      version.value = (await ask('saveMarks', { id: pictureId, body })).version
    } catch (error) {
      if (!isUnreachable(error)) problem.value = sentenceOf(error)
    }
  }
  const { others, average } = useEarlier(desk, earlier, () => measuredEarlier(dog, standard, earlier, asked))
  const { soon, now: save, settled } = useSaveSoon(write)

  const board = useBoard(seen, reader)
  const outline = useOutline({ seen, desk, reader, problem, then: () => holdAgainstPlan() })
  /** where the outline is of another mind than the plan */
  const disagreements = shallowRef<readonly Disagreement[]>([])
  const measured = useMeasured(
    async () => (hasOutline.value && !outline.unfit.value ? reader.measure(task(), [...asked], await others()) : null),
    problem,
    soon
  )
  watch(marks, useDebounceFn(measured.measure, MARKS_REST_MS))
  const regions = computed(() => measured.result.value?.regions ?? [])
  const against = { seen, regions, over: reader.over, task }
  const otherSide = useOtherSide({ ...against, other: beside.profile })
  const beforeAfter = useBeforeAfter({ ...against, moment, other: beside.otherMoment })

  /** The outline is held against the plan; places that are not touched go where it puts them. */
  async function holdAgainstPlan(): Promise<void> {
    disagreements.value = []
    if (outline.unfit.value) return measured.measure()
    const found = await reader.propose(task()).catch((error: unknown) => {
      if (!(error instanceof CoreError && error.issue.code === 'somethingElse')) throw error
      outline.refuse(sayRefusal(error))
      return null
    })
    if (!found) return measured.measure()
    disagreements.value = found.disagreements
    const next = { ...marks.value.places }
    for (const [id, at] of Object.entries(found.places) as [PhotoPlace, PhotoPoint][])
      if (places.includes(id) && !next[id]?.touched) next[id] = { at, uPx: desk.proposedU(id), touched: false }
    if (Object.keys(next).length > Object.keys(marks.value.places).length || untouched.value.length > 0) desk.find({ places: next })
    else void measured.measure()
  }
  const findSoon = useDebounceFn(outline.find, SCALE_RESTS_MS)
  const finding = useFinding(outline.cancel)
  /** The edge is read over millimetres: once the scale rests, the outline is found again. */
  function setScale(scale: ScaleMark | null): void {
    desk.change({ scale })
    if (hasOutline.value) finding.begun(findSoon())
  }
  /** Where the measuring board stands in the picture, nothing need be touched: @returns whether it is the scale now. */
  async function lookForBoard(): Promise<boolean> {
    const scale = await board.look()
    // a hand that was faster is right
    if (!scale || marks.value.scale) return false
    desk.change({ scale })
    return true
  }
  function correct(part: Partial<PhotoMarks['corrections']>): void {
    desk.change({ corrections: { ...marks.value.corrections, ...part } })
    finding.begun(outline.find())
  }
  const fitShape = useShape({ pictureId, reader, problem, task, step: outline.step, then: (shape) => correct({ shape }) })
  async function undo(): Promise<void> {
    const before = JSON.stringify(marks.value.corrections)
    // what was doubted, and what may be told, follows from the corrections as they are now
    if (desk.undo() && (!hasOutline.value || JSON.stringify(marks.value.corrections) !== before)) await outline.find()
  }
  // also what was found before is looked at again: what was doubtful then is doubtful now
  finding.begun(reader.loaded().then(() => (problem.value ? undefined : begin())))
  async function begin(): Promise<void> {
    if (!own.marks?.scale) await lookForBoard()
    await outline.find()
  }

  /** Everything is found, measured and written: what other pictures are compared with is kept. */
  async function atRest(): Promise<void> {
    await finding.over()
    if (hasOutline.value && (measured.measuring.value || !measured.result.value)) await measured.measure()
    await settled()
  }

  const { movePlace, setPlaceU, agree, setLine, perMm, undoable } = desk
  return {
    ...{ seen, moment, pictureId, marks, size: reader.size, problem, places, lines: linesFor(asked), untouched, hasOutline, perMm },
    ...{
      doubts: outline.doubts,
      disagreements,
      idleTouches: outline.idleTouches,
      unfit: outline.unfit,
      step: outline.step,
      findOutline: outline.find,
      cancel: finding.cancel
    },
    ...{ result: measured.result, measuring: measured.measuring, measure: measured.measure, earlier, average, otherSide, beforeAfter },
    ...{ board: board.state, lookForBoard, setScale, movePlace, setPlaceU, agree, setLine, correct, fitShape, undo, undoable, save, atRest }
  }
}

/** The outline that is being found, or is about to be. */
function useFinding(stop: () => void) {
  let finding: Promise<unknown> = Promise.resolve()
  return {
    begun: (one: Promise<unknown>) => void (finding = one),
    cancel(): void {
      stop()
      // a worker that was stopped never answers
      finding = Promise.resolve()
    },
    over: () => Promise.race([finding.catch(() => undefined), new Promise((done) => setTimeout(done, MOST_WAIT_MS))])
  }
}

/** Earlier pictures that are averaged with: measured once, they do not change. */
function useEarlier(
  desk: Pick<ReturnType<typeof useMarks>, 'marks' | 'change'>,
  earlier: readonly PictureMarks[],
  read: () => ReturnType<typeof measuredEarlier>
) {
  let found: ReturnType<typeof measuredEarlier> | null = null
  const others = async () => (desk.marks.value.averaged?.length ? (found ??= read()) : [])
  const average = (on: boolean) => desk.change({ averaged: on ? earlier.map(({ pictureId }) => pictureId) : [] })
  return { others, average }
}

/** Marks without what they can no longer be averaged with: a picture may have been removed. */
function withKnown(marks: PhotoMarks | null, earlier: readonly PictureMarks[]): PhotoMarks | null {
  if (!marks?.averaged) return marks
  return { ...marks, averaged: marks.averaged.filter((id) => earlier.some(({ pictureId }) => pictureId === id)) }
}

export type Photo = ReturnType<typeof usePhoto>

/** What the picture says, asked one after the other; only the newest answer counts. */
function useMeasured(read: () => Promise<PictureReport | null>, problem: { value: string | null }, onFound: () => void) {
  const result = shallowRef<PictureReport | null>(null)
  const measuring = ref(false)
  let turn = 0
  async function measure(): Promise<void> {
    const mine = ++turn
    measuring.value = true
    try {
      const found = await read()
      if (mine !== turn) return
      result.value = found
      if (found) onFound()
    } catch (error) {
      if (mine === turn) problem.value = sayRefusal(error)
    } finally {
      if (mine === turn) measuring.value = false
    }
  }
  return { result, measuring, measure }
}

type Ids = readonly Parameters<typeof measureSpec>[0][]
const placesFor = (ids: Ids): PhotoPlace[] => [
  ...new Set(ids.flatMap((id) => [...measureSpec(id).places, ...(measureSpec(id).optional ?? [])]))
]
const linesFor = (ids: Ids): LineId[] => [
  ...new Set(
    ids.flatMap((id) => [
      ...measureSpec(id).lines,
      ...(measureSpec(id).linesOf?.('left') ?? []),
      ...(measureSpec(id).linesOf?.('right') ?? [])
    ])
  )
]
