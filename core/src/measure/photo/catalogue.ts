// Everything that a photograph can be measured for, by its name.
import { HEAD_MEASURES } from './head-measures'
import type { Seen, View } from './frame'
import { viewOf } from './frame'
import type { MeasureId } from './ids'
import type { LineId, PlaceId } from './places'
import { PROFILE_MEASURES } from './profile-measures'
import type { Trace } from './trace'

export type PictureUnit = 'mm' | '%' | 'degrees' | 'turns'

export type MeasureSpec = {
  readonly id: MeasureId
  readonly name: string
  readonly view: View
  /** what it is taken from: the found outline, a line drawn by hand, or single places */
  readonly from: 'outline' | 'line' | 'landmarks'
  readonly unit: PictureUnit
  /** `near`: of the side that is seen; `both`: each side by itself, from the front */
  readonly sides: 'whole' | 'near' | 'both'
  /** the largest of many departures: what the readings alone scatter by makes it look larger, and is taken off */
  readonly largest: boolean
  readonly places: readonly PlaceId[]
  /** places that are used where they are there */
  readonly optional?: readonly PlaceId[]
  readonly lines: readonly LineId[]
  readonly linesOf?: (side: 'left' | 'right') => readonly LineId[]
  /** @throws CoreError where a place or line is missing or of no use; NaN where there is nothing to measure */
  readonly of: (trace: Trace, side: 'left' | 'right') => number
}

const ALL: readonly MeasureSpec[] = [...HEAD_MEASURES, ...PROFILE_MEASURES]
const BY_ID = new Map(ALL.map((spec) => [spec.id, spec]))

export const measureSpec = (id: MeasureId): MeasureSpec => BY_ID.get(id)!
export const measuresSeen = (seen: Seen): readonly MeasureSpec[] => ALL.filter(({ view }) => view === viewOf(seen))

/** One measure of one side: `topline`, `skirtLine` of the side that is seen, `headSide` of the left. */
export type MeasureKey = { readonly id: MeasureId; readonly side: 'left' | 'right' | 'whole' }

/** What a measure answers in a picture: which side of the dog it is of. */
export function keysIn(seen: Seen, id: MeasureId): readonly MeasureKey[] {
  const spec = measureSpec(id)
  if (spec.view !== viewOf(seen)) return []
  if (spec.sides === 'whole') return [{ id, side: 'whole' }]
  if (spec.sides === 'near') return [{ id, side: seen === 'right' ? 'right' : 'left' }]
  return [
    { id, side: 'left' },
    { id, side: 'right' }
  ]
}

/** The lines that a key needs. */
export const linesFor = ({ id, side }: MeasureKey): readonly LineId[] => {
  const { lines, linesOf } = measureSpec(id)
  return side === 'whole' || !linesOf ? lines : [...lines, ...linesOf(side)]
}
