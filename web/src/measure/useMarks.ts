import type { MarkedPlace, PhotoMarks } from '@peen/contract'
import { NO_CORRECTIONS, PLACES, PROPOSED_U_MM, type LineId, type PhotoPlace, type PhotoPoint, type ScaleMark } from '@peen/core/measure'
import { useManualRefHistory } from '@vueuse/core'
import { computed, markRaw, shallowRef } from 'vue'

export const NO_MARKS: PhotoMarks = { scale: null, corrections: NO_CORRECTIONS, outline: [], edgeUPx: [], places: {}, lines: {} }
/** A place under the magnifier is put to about this, mm; without a scale in px of the picture. Chosen. */
const PLACE_U = Object.freeze({ mm: 0.4, px: 2 })
/** The spine is felt through the coat, and touched where the finger was; mm. Chosen. */
const FELT_U_MM = 1.5
const MOST_UNDO = 60

/** How many pixels the known length has for each of its millimetres. */
export const pxPerMm = ({ ends, lengthMm }: ScaleMark) => Math.hypot(ends[1][0] - ends[0][0], ends[1][1] - ends[0][1]) / lengthMm

/** What is marked on one picture, with undo. What the worker finds is not undone by itself: it goes with the mark it followed. */
export function useMarks(start: PhotoMarks | null, onChange: () => void) {
  const marks = shallowRef<PhotoMarks>(start ?? NO_MARKS)
  const history = useManualRefHistory(marks, { capacity: MOST_UNDO })
  /** Takes over what was found; it stands in the history with the mark before it. */
  function find(part: Partial<PhotoMarks>): void {
    marks.value = { ...marks.value, ...part }
    history.last.value = { ...history.last.value, snapshot: markRaw(marks.value) }
    onChange()
  }
  function change(part: Partial<PhotoMarks>): void {
    marks.value = { ...marks.value, ...part }
    history.commit()
    onChange()
  }
  const perMm = computed(() => (marks.value.scale ? pxPerMm(marks.value.scale) : 1))
  const placeU = (id: PhotoPlace) =>
    marks.value.scale ? Math.max(1, (PLACES[id].middle ? FELT_U_MM : PLACE_U.mm) * perMm.value) : PLACE_U.px
  /** How surely a place lies where it is proposed, px. */
  const proposedU = (id: PhotoPlace) => (marks.value.scale ? Math.max(1, PROPOSED_U_MM[id] * perMm.value) : PLACE_U.px)
  function movePlace(id: PhotoPlace, at: PhotoPoint): void {
    const before = marks.value.places[id]
    // a hand knows better than a proposal did; how surely it said it knows stays
    const uPx = before?.touched && !before.agreed ? before.uPx : placeU(id)
    change({ places: { ...marks.value.places, [id]: { at, uPx, touched: true } } })
  }
  /** How surely a place is known, either way: mm, or px of the picture without a scale. Some places lie under hair. */
  function setPlaceU(id: PhotoPlace, u: number): void {
    const place = marks.value.places[id]
    if (place) change({ places: { ...marks.value.places, [id]: { ...place, uPx: u * perMm.value } } })
  }
  /** Agrees to every place that is proposed. */
  function agree(): void {
    const agreed = (place: MarkedPlace): MarkedPlace => (place.touched ? place : { ...place, touched: true, agreed: true })
    change({ places: Object.fromEntries(Object.entries(marks.value.places).map(([id, place]) => [id, agreed(place)])) })
  }
  function setLine(id: LineId, points: readonly PhotoPoint[]): void {
    const { [id]: _old, ...rest } = marks.value.lines
    change({ lines: points.length > 0 ? { ...rest, [id]: points } : rest })
  }
  /** Takes the last mark back; true where corrections of the outline changed with it. */
  function undo(): boolean {
    const { corrections } = marks.value
    history.undo()
    onChange()
    return corrections !== marks.value.corrections
  }
  const undoable = computed(() => history.history.value.length - 1)
  return { marks, perMm, placeU, proposedU, change, find, movePlace, setPlaceU, agree, setLine, undo, undoable }
}

/** A tenth of a pixel is enough for a place; the file stays small. */
export function rounded<T>(marks: T): T {
  return JSON.parse(JSON.stringify(marks), (_, value: unknown) => (typeof value === 'number' ? Math.round(value * 100) / 100 : value)) as T
}
