// Trims that two assessors mark apart, and what they agree on.
import type { Borderline } from '@peen/core/certify'
import type { GlobalRating, MarkDifference, Outcome } from '@peen/core/grade'
import { chosen, date } from '../shape/fields'
import { object, string, uuid, type InferType } from '../shape/yup'

export const assessmentDaySchema = object({ onDate: date('Day').required('Day is missing.') }).noUnknown()
export type AssessmentDayBody = InferType<typeof assessmentDaySchema>

export const appointSchema = object({
  first: uuid().required('The first assessor is missing.'),
  second: uuid().required('The second assessor is missing.')
}).noUnknown()
export type Appoint = InferType<typeof appointSchema>

export const SETTLED = ['passed', 'notPassed'] as const
export const settleSchema = object({
  outcome: chosen('Agreed outcome', SETTLED),
  reason: string()
    .trim()
    .defined('Give a reason, in a few words.')
    .min(5, 'Give a reason, in a few words.')
    .max(500, 'Reason is too long; it can have up to 500 characters.')
}).noUnknown()
export type Settle = { readonly outcome: (typeof SETTLED)[number]; readonly reason: string }

export type Marker = { readonly id: string; readonly name: string; readonly status: 'notBegun' | 'draft' | 'signed' }

export type AssessmentRow = {
  readonly visitId: string
  readonly onDate: string
  readonly tableNumber: number
  readonly candidate: string
  readonly candidateId: string
  readonly dog: string
  readonly coat: string
  readonly trim: string
  /** null where nobody is appointed yet */
  readonly markers: readonly [Marker, Marker] | null
  /** both have signed: marks may be seen */
  readonly open: boolean
  readonly outcome: Settle['outcome'] | null
  /** the other assessor has agreed */
  readonly agreed: boolean
  /** somebody has marked it alone, and the interval lies over the pass mark */
  readonly asksSecond: boolean
}

export type AssessmentDay = { readonly onDate: string; readonly isAssessment: boolean; readonly rows: readonly AssessmentRow[] }
export type AssessmentBook = {
  readonly days: readonly AssessmentDay[]
  /** who may be appointed */
  readonly assessors: readonly { readonly id: string; readonly name: string; readonly lead: boolean }[]
  readonly today: string
}

export type OneMark = {
  readonly gradingId: string
  readonly assessor: string
  readonly mark: number | null
  readonly interval: readonly [number, number] | null
  readonly outcome: Outcome
  readonly because: string
  readonly rating: GlobalRating | null
  readonly blind: boolean
}

export type AssessmentPage = {
  readonly row: AssessmentRow
  /** null until both have signed */
  readonly marks: readonly [OneMark, OneMark] | null
  readonly differences: readonly MarkDifference[]
  readonly say: string
  readonly settled: (Settle & { readonly by: string; readonly agreedBy: string | null }) | null
  /** what the reader may do now */
  readonly may: 'settle' | 'agree' | 'wait' | 'read'
  /** the reader's own grading, to go on with; null where the reader marks none */
  readonly ownGradingId: string | null
  readonly marksIt: boolean
  readonly version: { readonly standardId: string; readonly pass: number }
}

/** First impressions against marks, for one trim. Nothing but the count under thirty. */
export type BorderlineView = {
  readonly standardId: string
  readonly name: string
  readonly pass: number
  readonly n: number
  readonly needed: number
  readonly points: readonly { readonly mark: number; readonly rating: GlobalRating }[]
  readonly found: Borderline | null
}
