import { CoreError } from '../error'
import { seedOf } from '../stats'
import type { Standard } from '../standard'
import { sayNumber } from '../units'
import { mendingOf } from './mend'
import { describePart, follows, partsOf } from './parts'
import { totalsOf, type Estimate } from './total'
import type { Answers, BurnPlace, GradeResult, Outcome, PartResult, SectionResult } from './types'

/** A trim with more than this share of its weight excused is feedback only, not evidence. Source: our own choice. */
export const MOST_EXCUSED_01 = 0.25

export type GradeInput = {
  readonly answers: Answers
  readonly critical: readonly string[]
  readonly burns: readonly BurnPlace[]
  /** makes the simulation repeat: the id of the grading */
  readonly seedText: string
}

/**
 * The whole result of one grading: parts, sections against their floors, total with its 95 % interval, caps, the
 * outcome with its reason, one praise and at most three things to mend.
 * Refuses an unknown critical fault (`unknownFault`) and whatever `partsOf` refuses.
 * Source: design.md section 3 (grade); JCGM 106:2012 for conformity, JCGM 101:2008 for the interval.
 */
export function gradeResult(standard: Standard, input: GradeInput): GradeResult {
  const parts = partsOf(standard, input.answers)
  const described = parts.map((part) => describePart(part, standard))
  const { total, bySection } = totalsOf(standard, parts, seedOf(input.seedText))
  const cap = capOf(standard, input.critical)
  const capped = total && cap ? capEstimate(total, cap.mark) : total
  const sections = standard.sections.map((section) => sectionResult(section, bySection.get(section.id) ?? null))
  const weight = described.reduce((sum, part) => sum + part.weight, 0)
  const excused = described.filter((part) => part.verdict === 'excused' || part.verdict === 'instructor')
  const excusedShare01 = excused.reduce((sum, part) => sum + part.weight, 0) / weight
  const { answered, asked } = countAnswers(standard, input.answers)
  const { outcome, because } = decide(standard, capped, sections, cap, excusedShare01, asked - answered)
  return {
    method: 'JCGM 106 conformity, JCGM 101 simulation',
    parts: described,
    sections,
    total: capped,
    cap,
    excusedShare01,
    answered,
    asked,
    cannotTell: described.filter((part) => part.verdict === 'cannotTell').length,
    outcome,
    because,
    praise: praiseOf(standard, described),
    ...mendingOf(standard, parts, input.burns)
  }
}

/** Refuses a critical fault that the standard does not know, with code `unknownFault`. */
export function refuseUnknownFaults(standard: Standard, critical: readonly string[]): void {
  const unknown = critical.find((id) => !standard.critical.some((fault) => fault.id === id))
  if (unknown !== undefined)
    throw new CoreError({
      code: 'unknownFault',
      path: 'critical',
      got: unknown,
      limit: standard.critical.map((fault) => fault.id).join(', ')
    })
}

function capOf(standard: Standard, critical: readonly string[]): GradeResult['cap'] {
  refuseUnknownFaults(standard, critical)
  const faults = standard.critical.filter((fault) => critical.includes(fault.id))
  return faults.length === 0 ? null : { faults: faults.map((fault) => fault.name), mark: Math.min(...faults.map((fault) => fault.cap)) }
}

function capEstimate(estimate: Estimate, cap: number): Estimate {
  const under = (value: number) => Math.min(value, cap)
  return { ...estimate, value: under(estimate.value), interval: [under(estimate.interval[0]), under(estimate.interval[1])] }
}

function sectionResult(section: Standard['sections'][number], estimate: Estimate | null): SectionResult {
  if (!estimate) return { section, value: null, interval: null, floor: 'open' }
  const [low, high] = estimate.interval
  const floor = low >= section.floor ? 'met' : high < section.floor ? 'below' : 'cannotTell'
  return { section, value: estimate.value, interval: estimate.interval, floor }
}

function decide(
  standard: Standard,
  total: Estimate | null,
  sections: readonly SectionResult[],
  cap: GradeResult['cap'],
  excusedShare01: number,
  open: number
): { outcome: Outcome; because: string } {
  const pass = standard.passMark
  if (open > 0 || !total) return { outcome: 'unfinished', because: `${open} answer${open === 1 ? ' is' : 's are'} still missing.` }
  if (excusedShare01 > MOST_EXCUSED_01) {
    return {
      outcome: 'feedbackOnly',
      because: `${Math.round(100 * excusedShare01)} % of the weight came in with the dog or was finished by the instructor (25 % at the most): feedback only, no evidence.`
    }
  }
  const below = sections.find((section) => section.floor === 'below')
  if (cap && cap.mark < pass)
    return { outcome: 'notPassed', because: `${cap.faults.join(' and ')} holds the mark at ${cap.mark}; pass is ${pass}.` }
  if (below)
    return {
      outcome: 'notPassed',
      because: `${below.section.name} stands at ${sayNumber(Math.round(below.value!))}, under its floor of ${below.section.floor}.`
    }
  if (total.interval[1] < pass) return { outcome: 'notPassed', because: `The whole interval lies under the pass mark of ${pass}.` }
  if (total.interval[0] < pass)
    return { outcome: 'secondAssessor', because: `The pass mark of ${pass} lies inside the interval: ask a second assessor.` }
  const unsure = sections.find((section) => section.floor === 'cannotTell')
  if (unsure)
    return {
      outcome: 'secondAssessor',
      because: `${unsure.section.name} may lie either side of its floor of ${unsure.section.floor}: ask a second assessor.`
    }
  return { outcome: 'passed', because: `The whole interval lies at or above the pass mark of ${pass}, and every section clears its floor.` }
}

/** How many of the asked answers stand on a sheet; refuses what `partsOf` refuses. What follows from other readings is not asked for. */
export function countAnswers(standard: Standard, answers: Answers): { readonly answered: number; readonly asked: number } {
  const asked = partsOf(standard, answers).filter((part) => !follows(part.criterion))
  return { answered: asked.filter((part) => part.answer !== null).length, asked: asked.length }
}

/** One thing done well: measured before judged, then the heaviest, then the surest. */
function praiseOf(standard: Standard, parts: readonly PartResult[]): string | null {
  const best = standard.criteria
    .map((criterion) => ({ criterion, own: parts.filter((part) => part.criterionId === criterion.id) }))
    .filter(({ own }) => own.every((part) => part.verdict === 'meets' && part.basis !== 'byEye'))
    .map(({ criterion, own }) => ({
      criterion,
      measured: own.every((part) => part.basis === 'readings' || part.basis === 'computed') ? 1 : 0,
      sure: Math.min(...own.map((part) => part.conformity01 ?? part.share01 ?? 0))
    }))
    .sort((a, b) => b.measured - a.measured || b.criterion.weight - a.criterion.weight || b.sure - a.sure)[0]
  if (best) return best.criterion.praise
  const seen = parts.filter((part) => part.verdict === 'meets')[0]
  return seen ? (standard.criteria.find((criterion) => criterion.id === seen.criterionId)?.praise ?? null) : null
}
