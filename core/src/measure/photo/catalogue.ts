// Everything that a photograph can be measured for, by its name.
import { AROUND_MEASURES } from '../around/measures'
import { HEAD_MEASURES } from './head-measures'
import type { Seen } from './frame'
import { sideSeen, viewOf } from './frame'
import type { MeasureId } from '../../terms'
import type { LineId } from './places'
import { PROFILE_MEASURES } from './profile-measures'
import type { MeasureSpec } from './spec'

export type { MeasureSpec, PictureUnit } from './spec'

const ALL: readonly MeasureSpec[] = [...HEAD_MEASURES, ...PROFILE_MEASURES, ...AROUND_MEASURES]
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
  if (spec.sides === 'near') return [{ id, side: sideSeen(seen) ?? 'left' }]
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
