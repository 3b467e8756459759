import { addressOf } from '@peen/contract'
import type { DogView, PhotoMarks, PictureMarks } from '@peen/contract'
import { measuresAsked } from '@peen/core/grade'
import { measureSpec, NO_CORRECTIONS, type LineId, type OutlineStep, type PlaceId, type Point, type ScaleMark } from '@peen/core/measure'
import type { Standard } from '@peen/core/standard'
import * as Comlink from 'comlink'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { ask, ApiError, sentenceOf } from '../api/client'
import { useSaveSoon } from '../composables/useSaveSoon'
import type { PhotoResult, PhotoTask, Reader } from '../workers/measure.worker'

export const NO_MARKS: PhotoMarks = { scale: null, corrections: NO_CORRECTIONS, outline: [], edgeUPx: [], places: {}, lines: {} }
export const OUTLINE_WORDS: Readonly<Record<OutlineStep, string>> = {
  colours: 'looking at the backdrop',
  apart: 'parting dog and backdrop',
  straps: 'taking off post and strap',
  edge: 'following the coat’s edge'
}
/** A place under the magnifier is put to about this, mm; without a scale in px of the picture. Chosen. */
const PLACE_U = Object.freeze({ mm: 0.4, px: 2 })
const MOST_UNDO = 60
/** A scale that has not moved for this long is meant, ms. Chosen. */
const SCALE_RESTS_MS = 300

/** Reads one photograph: its marks on this device and on the server, its outline and measures in a worker. */
export function usePhoto(own: PictureMarks, dog: DogView, standard: Standard) {
  const { seen, pictureId } = own
  const marks = shallowRef<PhotoMarks>(own.marks ?? NO_MARKS)
  const version = ref(own.version)
  const size = ref<{ readonly width: number; readonly height: number } | null>(null)
  const doubts = ref<readonly string[]>([])
  /** two dogs, or half of one: nothing is told until it is put right */
  const unfit = ref(false)
  const step = ref<OutlineStep | null>(null)
  const problem = ref<string | null>(null)
  const result = shallowRef<PhotoResult | null>(null)
  const measuring = ref(false)
  const before: PhotoMarks[] = []
  const undoable = ref(0)
  const asked = measuresAsked(standard, seen)
  const places = placesFor(asked)
  const lines = linesFor(asked)

  let worker: Worker
  let reader: Comlink.Remote<Reader>
  let loaded: Promise<void>
  function start(): void {
    worker = new Worker(new URL('../workers/measure.worker.ts', import.meta.url), { type: 'module', name: 'measure' })
    reader = Comlink.wrap<Reader>(worker)
    loaded = reader.load(addressOf('picture', { id: pictureId })).then(
      (found) => void (size.value = found),
      () => void (problem.value = 'The picture cannot be opened. Take another one.')
    )
  }
  start()
  onScopeDispose(() => worker.terminate())

  const task = (): PhotoTask => JSON.parse(JSON.stringify({ dog, standard, seen, marks: marks.value })) as PhotoTask
  const hasOutline = computed(() => marks.value.outline.length > 2)
  const untouched = computed(() => places.filter((id) => !marks.value.places[id]?.touched))

  async function write(): Promise<void> {
    try {
      const body = { version: version.value, seen, marks: rounded(marks.value), regions: result.value?.regions ?? [] }
      version.value = (await ask('saveMarks', { id: pictureId, body })).version
    } catch (error) {
      if (!(error instanceof ApiError) || !error.isOffline) problem.value = sentenceOf(error)
    }
  }
  const { soon, now: save } = useSaveSoon(write)
  function change(part: Partial<PhotoMarks>, undoes = true): void {
    if (undoes) {
      before.push(marks.value)
      if (before.length > MOST_UNDO) before.shift()
      undoable.value = before.length
    }
    marks.value = { ...marks.value, ...part }
    soon()
  }
  async function undo(): Promise<void> {
    const last = before.pop()
    undoable.value = before.length
    if (!last) return
    const again = last.corrections !== marks.value.corrections
    marks.value = last
    soon()
    if (again && !hasOutline.value) await findOutline()
  }

  let turn = 0
  /** Finds the outline anew, with every correction; what it comes to is shown when the last question is answered. */
  async function findOutline(): Promise<void> {
    const mine = ++turn
    problem.value = null
    step.value = 'colours'
    try {
      await loaded
      const { scale, corrections } = JSON.parse(JSON.stringify(marks.value)) as PhotoMarks
      const found = await reader.outline(
        seen,
        scale,
        corrections,
        Comlink.proxy((at: OutlineStep) => void (mine === turn && (step.value = at)))
      )
      if (mine !== turn) return
      doubts.value = found.doubts
      unfit.value = found.unfit
      // the same picture with the same corrections has the same outline: nothing to write
      if (JSON.stringify(rounded(found.outline)) !== JSON.stringify(rounded(marks.value.outline)))
        change({ outline: found.outline, edgeUPx: found.uPx }, false)
      await proposeRest()
    } catch (error) {
      if (mine === turn) problem.value = sayRefusal(error)
    } finally {
      if (mine === turn) step.value = null
    }
  }
  /** Stops what the worker does: it is thrown away and a new one begun. */
  function cancel(): void {
    turn++
    step.value = null
    worker.terminate()
    start()
  }
  /** Places nobody has touched go where the new outline puts them. */
  async function proposeRest(): Promise<void> {
    const found = await reader.propose(task())
    const u = placeU(marks.value.scale)
    const next = { ...marks.value.places }
    for (const [id, at] of Object.entries(found) as [PlaceId, Point][])
      if (places.includes(id) && !next[id]?.touched) next[id] = { at, uPx: u, touched: false }
    if (Object.keys(next).length > Object.keys(marks.value.places).length || untouched.value.length > 0) change({ places: next }, false)
    else void measure()
  }
  const placeU = (scale: ScaleMark | null) => (scale ? Math.max(1, PLACE_U.mm * pxPerMm(scale)) : PLACE_U.px)

  let later: ReturnType<typeof setTimeout> | undefined
  /** The edge is read over millimetres: once the scale rests, the outline is found anew. */
  function setScale(scale: ScaleMark | null): void {
    change({ scale })
    clearTimeout(later)
    if (hasOutline.value) later = setTimeout(() => void findOutline(), SCALE_RESTS_MS)
  }
  function movePlace(id: PlaceId, at: Point): void {
    const uPx = marks.value.places[id]?.uPx ?? placeU(marks.value.scale)
    change({ places: { ...marks.value.places, [id]: { at, uPx, touched: true } } })
  }
  /** How surely a place is known, either way: mm, or px of the picture without a scale. Some places lie under hair. */
  function setPlaceU(id: PlaceId, u: number): void {
    const place = marks.value.places[id]
    if (place) change({ places: { ...marks.value.places, [id]: { ...place, uPx: u * perMm.value } } })
  }
  const perMm = computed(() => (marks.value.scale ? pxPerMm(marks.value.scale) : 1))
  function agree(): void {
    change({ places: Object.fromEntries(Object.entries(marks.value.places).map(([id, place]) => [id, { ...place, touched: true }])) })
  }
  function setLine(id: LineId, points: readonly Point[]): void {
    const { [id]: _old, ...rest } = marks.value.lines
    change({ lines: points.length > 0 ? { ...rest, [id]: points } : rest })
  }
  function correct(part: Partial<PhotoMarks['corrections']>): void {
    change({ corrections: { ...marks.value.corrections, ...part } })
    void findOutline()
  }

  let measureTurn = 0
  async function measure(): Promise<void> {
    const mine = ++measureTurn
    if (!hasOutline.value) return
    if (unfit.value) {
      result.value = null
      return
    }
    measuring.value = true
    try {
      await loaded
      const found = await reader.measure(task(), [...asked])
      if (mine !== measureTurn) return
      result.value = found
      soon()
    } catch (error) {
      if (mine === measureTurn) problem.value = sayRefusal(error)
    } finally {
      if (mine === measureTurn) measuring.value = false
    }
  }
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(marks, () => {
    clearTimeout(timer)
    timer = setTimeout(() => void measure(), 250)
  })
  onScopeDispose(() => {
    clearTimeout(timer)
    clearTimeout(later)
  })
  // also what was found before is looked at again: what was doubtful then is doubtful now
  void loaded!.then(() => (problem.value ? undefined : findOutline()))

  return {
    seen,
    pictureId,
    marks,
    size,
    doubts,
    unfit,
    step,
    problem,
    result,
    measuring,
    undoable,
    places,
    lines,
    untouched,
    hasOutline,
    findOutline,
    cancel,
    setScale,
    movePlace,
    setPlaceU,
    perMm,
    agree,
    setLine,
    correct,
    undo,
    save,
    measure
  }
}

export type Photo = ReturnType<typeof usePhoto>

/** How many pixels the known length has for each of its millimetres. */
export const pxPerMm = ({ ends, lengthMm }: ScaleMark) => Math.hypot(ends[1][0] - ends[0][0], ends[1][1] - ends[0][1]) / lengthMm

const placesFor = (ids: readonly Parameters<typeof measureSpec>[0][]): PlaceId[] => [
  ...new Set(ids.flatMap((id) => [...measureSpec(id).places, ...(measureSpec(id).optional ?? [])]))
]
const linesFor = (ids: readonly Parameters<typeof measureSpec>[0][]): LineId[] => [
  ...new Set(
    ids.flatMap((id) => [
      ...measureSpec(id).lines,
      ...(measureSpec(id).linesOf?.('left') ?? []),
      ...(measureSpec(id).linesOf?.('right') ?? [])
    ])
  )
]

/** A worker's refusal comes as plain text of core's own words. */
function sayRefusal(error: unknown): string {
  const words = error instanceof Error ? error.message : 'The picture cannot be read.'
  if (words.includes('nothing that stands out'))
    return 'No dog stands out from the backdrop. Touch the backdrop in several places, paint the dog with the brush, or take another picture before a plain wall.'
  if (words.startsWith('outline is a shape that covers'))
    return `What stands out does not look like this dog seen from here (${words.match(/(?<!\d)\d+ %/)?.[0] ?? 'too little'} alike). Is it the right picture? Correct the outline, or take another one.`
  const apart = /^ends is ([\d.]+) px apart/.exec(words)
  if (apart) return `The two ends of the scale are ${apart[1]} px apart; allowed is 20 px or more. Touch both ends of the ruler.`
  return words
}

/** A tenth of a pixel is enough for a place; the file stays small. */
function rounded<T>(marks: T): T {
  return JSON.parse(JSON.stringify(marks), (_, value: unknown) => (typeof value === 'number' ? Math.round(value * 100) / 100 : value)) as T
}
