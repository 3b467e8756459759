// By what marks become a total and a verdict: the method's version, what a school may set, and what a signed grading keeps of both.
import { inRange } from '../error'
import type { RegionId } from '../regions'
import type { Standard } from '../standard'
import type { Part } from './parts'
import type { BurnPlace, GradeResult, Outcome, SectionResult } from './types'
import type { Estimate } from './total'

/**
 * The version of the method by which drafts and new gradings are marked. Count it up with every change that may move a
 * mark or a verdict: a signed grading keeps its result and names the version, and what would differ is told to a lead.
 */
export const GRADE_METHOD = 2

/** What a school may set of it. */
export type GradeRules = {
  /** at this chance and more, a sheet that reaches the pass mark and every floor passes; 0..1 */
  readonly passAt01: number
  /** at this chance and less it does not; between the two it cannot be told */
  readonly failAt01: number
  /** standard deviation of what one assessor's levels have in common, in levels: how severe or lenient they are */
  readonly severityLevels: number
}

/**
 * 0.95 and 0.05 as in JCGM 106:2012, 8.3.2 (a 5 % risk either way): our own choice of risk. Severity 0.2 of a level: our
 * own choice until double marks of this school tell its own; an assessor is then rarely more than half a level off.
 */
export const GRADE_RULES: GradeRules = Object.freeze({ passAt01: 0.95, failAt01: 0.05, severityLevels: 0.2 })

/** What each of the rules may be. */
export const GRADE_RULE_LIMITS = Object.freeze({
  passAt01: [0.8, 0.99],
  failAt01: [0.01, 0.2],
  severityLevels: [0, 1]
} as const satisfies Record<keyof GradeRules, readonly [number, number]>)

/** Refuses rules outside their limits with code `outOfRange`. */
export function checkedRules(rules: GradeRules): GradeRules {
  for (const [name, [low, high]] of Object.entries(GRADE_RULE_LIMITS)) inRange(`rules.${name}`, rules[name as keyof GradeRules], low, high)
  return rules
}

/** What a signed grading was computed from besides its answers: kept with it and its result. */
export type GradedWith = {
  /** version of the method, as `GRADE_METHOD` was then; 1 where none was kept yet */
  readonly method: number
  readonly rules: GradeRules
  readonly burns: readonly BurnPlace[]
  /** places of the trim that its apprentice was not recorded to have worked on */
  readonly unworked: readonly RegionId[]
}

/** Everything a verdict is decided by. */
export type MarkCase = {
  readonly standard: Standard
  readonly parts: readonly Part[]
  readonly seed: number
  readonly cap: GradeResult['cap']
  /** answers that are still missing */
  readonly open: number
  /** share of the weight that is not the apprentice's to answer for, 0..1, with its reason as a sentence */
  readonly outside: { readonly share01: number; readonly say: string }
}

export type Marked = {
  readonly method: string
  readonly total: Estimate | null
  readonly sections: readonly SectionResult[]
  /** chance that the mark reaches the pass mark and every section its floor, 0..1; null where nothing counts */
  readonly passChance01: number | null
  readonly outcome: Outcome
  readonly because: string
}

/** A trim with more than this share of its weight outside is feedback only, not evidence. Source: our own choice. */
export const MOST_EXCUSED_01 = 0.25

/** What comes before any chance: a sheet that is not finished, or that is too little of the apprentice's own work. */
export function decidedBefore({ open, outside }: MarkCase, total: Estimate | null): { outcome: Outcome; because: string } | null {
  if (open > 0) return { outcome: 'unfinished', because: `${open} answer${open === 1 ? ' is' : 's are'} still missing.` }
  return !total || outside.share01 > MOST_EXCUSED_01 ? { outcome: 'feedbackOnly', because: outside.say } : null
}

/** What a critical fault says where it alone fails the trim. */
export function failedByCap(standard: Standard, cap: GradeResult['cap']): { outcome: Outcome; because: string } | null {
  if (!cap || cap.mark >= standard.passMark) return null
  return {
    outcome: 'notPassed',
    because: `${cap.faults.join(' and ')}: limits the mark to ${cap.mark}; the pass mark is ${standard.passMark}.`
  }
}
