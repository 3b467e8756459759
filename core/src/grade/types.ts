import type { Inputs, Section, Station, Unit } from '../standard'
import type { MeasureId } from '../measure'
import type { RegionId } from '../regions'
import type { Direction } from '../tools'

export type SideKey = 'left' | 'right' | 'whole'

/** What a photograph was measured for: one of its measures, or the length of a coat whose skin is known there. */
export type PictureMeasured = {
  readonly measure: MeasureId | 'coatDepth'
  readonly pictureId: string
  /** value and u in the criterion's own unit; `common` is the part of u that all measures of this picture share */
  readonly value: number
  readonly u: number
  readonly common: number
}

/** An answer that an assessor gives with the own hands and eyes. */
export type HandAnswer =
  | { readonly kind: 'asItShouldBe' }
  | { readonly kind: 'readings'; readonly mm: readonly number[] }
  /** one reading of each input of a computed criterion, mm by its name */
  | { readonly kind: 'inputs'; readonly values: Inputs }
  | { readonly kind: 'level'; readonly level: number }
  /** came in so: the fault was there when the dog arrived */
  | { readonly kind: 'excused'; readonly reason: string }
  /** this side was finished by the instructor and is no evidence */
  | { readonly kind: 'instructor' }

export type SideAnswer =
  | HandAnswer
  | ({ readonly kind: 'picture' } & PictureMeasured)
  /** the assessor knows better than the picture, and says why; both are kept */
  | { readonly kind: 'overruled'; readonly reason: string; readonly measured: PictureMeasured; readonly instead: HandAnswer }

export type Answer = { readonly [side in SideKey]?: SideAnswer }
export type Answers = { readonly [criterionId: string]: Answer }

export const GLOBAL_RATINGS = ['clearFail', 'borderline', 'pass', 'good', 'outstanding'] as const
export type GlobalRating = (typeof GLOBAL_RATINGS)[number]

export type Verdict = 'meets' | 'fails' | 'cannotTell' | 'excused' | 'instructor' | 'notAnswered'

/** One side of one criterion: what was found, how sure, and what it is worth. */
export type PartResult = {
  readonly criterionId: string
  readonly label: string
  readonly side: SideKey
  readonly section: string
  readonly station: Station
  readonly region: RegionId
  readonly place: string
  readonly basis: 'readings' | 'picture' | 'byEye' | 'judged' | 'computed' | 'none'
  /** value and u in `unit`: mm but for what a formula gives */
  readonly valueMm: number | null
  readonly uMm: number | null
  readonly unit: Unit
  readonly level: number | null
  readonly verdict: Verdict
  readonly departure: 'long' | 'short' | null
  /** probability that the true value lies in the full-marks band, 0..1; null where it is not a measure */
  readonly conformity01: number | null
  /** share of the marks, 0..1; null where it counts for nothing */
  readonly share01: number | null
  readonly weight: number
  readonly say: string
  /** what the picture said before the assessor overruled it */
  readonly overruled: { readonly reason: string; readonly value: number; readonly u: number } | null
}

export type Interval = readonly [number, number]

export type SectionResult = {
  readonly section: Section
  readonly value: number | null
  readonly interval: Interval | null
  readonly floor: 'met' | 'below' | 'cannotTell' | 'open'
}

export type Outcome = 'unfinished' | 'feedbackOnly' | 'passed' | 'notPassed' | 'secondAssessor'

export type MendItem = {
  readonly criterionId: string
  readonly side: SideKey
  readonly region: RegionId
  /** marks of 100 that the cut is worth */
  readonly gain: number
  readonly cutMm: { readonly left: number; readonly right: number }
  readonly say: string
}

export type GradeResult = {
  readonly method: string
  readonly parts: readonly PartResult[]
  readonly sections: readonly SectionResult[]
  readonly total: { readonly value: number; readonly interval: Interval; readonly n: number } | null
  readonly cap: { readonly faults: readonly string[]; readonly mark: number } | null
  readonly excusedShare01: number
  readonly answered: number
  readonly asked: number
  readonly cannotTell: number
  /** chance that the mark reaches the pass mark and every section its floor; null where nothing counts, and by the first method */
  readonly passChance01: number | null
  readonly outcome: Outcome
  readonly because: string
  readonly praise: string | null
  readonly mend: readonly MendItem[]
  readonly nextTime: readonly string[]
}

/** A place that must not be cut shorter (it burned before), with the blade that burned it where that is known. */
export type BurnPlace = {
  readonly region: RegionId
  readonly side: 'left' | 'right' | 'both'
  readonly by?: { readonly blade: string; readonly direction: Direction; readonly leftMm: number } | null
}
