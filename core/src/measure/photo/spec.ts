// What one measure of a photograph is: from where it is seen, what it is taken from, and how.
import type { MeasureId } from '../../terms'
import type { PhotoView } from './frame'
import type { LineId, PhotoPlace } from './places'
import type { Trace } from './trace'

export type PictureUnit = 'mm' | '%' | 'degrees' | 'turns'

export type MeasureSpec = {
  readonly id: MeasureId
  readonly name: string
  readonly view: PhotoView
  /** what it is taken from: the found outline, a line drawn by hand, or single places */
  readonly from: 'outline' | 'line' | 'landmarks'
  readonly unit: PictureUnit
  /** `near`: of the side that is seen; `both`: each side by itself, where both are seen */
  readonly sides: 'whole' | 'near' | 'both'
  /** the largest of many departures: what the readings alone scatter by makes it look larger, and is taken off */
  readonly largest: boolean
  /** what parts that stand before one another add, which no draw knows: a standard uncertainty in the measure's own unit */
  readonly moreU?: number
  readonly places: readonly PhotoPlace[]
  /** places that are used where they are there */
  readonly optional?: readonly PhotoPlace[]
  readonly lines: readonly LineId[]
  readonly linesOf?: (side: 'left' | 'right') => readonly LineId[]
  /** @throws CoreError where a place or line is missing or of no use; NaN where there is nothing to measure */
  readonly of: (trace: Trace, side: 'left' | 'right') => number
}
