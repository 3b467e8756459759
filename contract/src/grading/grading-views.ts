// Trims that were graded, and a grading sheet.
import type { Answers, GlobalRating, GradeResult, GradedWith } from '@peen/core/grade'
import type { Moved, Standard } from '@peen/core/standard'
import type { CheckIn, DogView } from '../dogs/dog-views'
import type { PersonName } from '../people/school-view'
import type { AppealView, SetAsideView } from './corrections'

/** Trims that one page of their list holds. */
export const TRIMS_A_PAGE = 100

export type TrimRow = {
  readonly gradingId: string
  readonly visitId: string
  readonly onDate: string
  readonly apprentice: string
  readonly dog: string
  readonly assessor: string
  readonly status: 'draft' | 'signed' | 'setAside'
  readonly mark: number | null
  readonly interval: readonly [number, number] | null
  readonly outcome: string | null
  /** why the verdict is what it is, in a sentence; null where it is hidden */
  readonly because: string | null
  readonly hidden: string | null
  /** its apprentice has appealed, and it is not decided yet */
  readonly appealed: boolean
}

export type GradingView = {
  readonly id: string
  readonly visitId: string
  readonly onDate: string
  readonly tableNumber: number
  readonly apprentice: PersonName
  readonly assessor: PersonName
  readonly dog: DogView
  readonly checkIn: CheckIn
  readonly standardId: string
  readonly standardVersion: number
  readonly status: 'draft' | 'signed' | 'setAside'
  readonly blind: boolean
  /** the sides in house rules by which this trim was worked and is graded */
  readonly houseRules: Readonly<Record<string, number>>
  /** the standard with the house's variants and the owner's wishes in it, and what they moved */
  readonly standard: Standard
  readonly moved: readonly Moved[]
  readonly own: boolean
  /** what it is computed from besides its answers: of a signed one what it was signed by */
  readonly gradedWith: GradedWith
  readonly version: number
  readonly answers: Answers
  readonly critical: readonly string[]
  readonly globalRating: GlobalRating | null
  readonly signedAt: string | null
  /** null while the assessor has not said the global rating */
  readonly result: GradeResult | null
  readonly praises: readonly string[]
  /** it counts for nothing since then */
  readonly setAside: SetAsideView | null
  readonly appeal: AppealView | null
  /** what this reader may do about a signed mark */
  readonly may: { readonly setAside: boolean; readonly appeal: boolean; readonly decide: boolean }
}

/** A signed mark beside what the method in use today would say of the same sheet. */
export type MethodDifference = {
  readonly gradingId: string
  readonly onDate: string
  readonly apprentice: string
  readonly dog: string
  readonly signed: { readonly method: number; readonly mark: number | null; readonly outcome: GradeResult['outcome'] }
  readonly now: {
    readonly method: number
    readonly mark: number | null
    readonly outcome: GradeResult['outcome']
    readonly because: string
  }
}
