import { CoreError } from '../error'
import { regionName, type RegionId } from '../regions'
import { seedOf } from '../stats'
import type { Standard } from '../standard'
import { mendingOf } from './mend'
import { checkedRules, GRADE_RULES, MOST_EXCUSED_01, type GradedWith, type MarkCase } from './method'
import { markOf } from './mark'
import { describePart, follows, partsOf } from './parts'
import type { Answers, BurnPlace, GradeResult, PartResult } from './types'

export type GradeInput = {
  readonly answers: Answers
  readonly critical: readonly string[]
  readonly burns: readonly BurnPlace[]
  /** makes the simulation repeat: the id of the grading */
  readonly seedText: string
  /** places that the trim works on and that this apprentice is not recorded to have worked on */
  readonly unworked?: GradedWith['unworked']
  readonly rules?: GradedWith['rules']
}

/**
 * The whole result of one grading: parts, sections against their floors, total with its 95 % interval, caps, the
 * outcome with its reason, one praise and at most three things to mend.
 * Refuses an unknown critical fault (`unknownFault`), rules out of range (`outOfRange`) and whatever `partsOf` refuses.
 * Source: docs/method.md, A mark; JCGM 106:2012 for conformity, JCGM 101:2008 for the interval.
 */
export function gradeResult(standard: Standard, input: GradeInput): GradeResult {
  const { rules = GRADE_RULES, unworked = [] } = input
  const parts = partsOf(standard, input.answers)
  const described = parts.map((part) => describePart(part, standard))
  const { answered, asked } = countAnswers(standard, input.answers)
  const cap = capOf(standard, input.critical)
  const { excusedShare01, ...outside } = outsideOf(described, unworked)
  const asMarked: MarkCase = { standard, parts, seed: seedOf(input.seedText), cap, open: asked - answered, outside }
  return {
    ...markOf(asMarked, checkedRules(rules)),
    parts: described,
    cap,
    excusedShare01,
    answered,
    asked,
    cannotTell: described.filter((part) => part.verdict === 'cannotTell').length,
    praise: praiseOf(standard, described),
    ...mendingOf(standard, parts, input.burns)
  }
}

/** How much of a trim is not this apprentice's to answer for: excused, done by the instructor, or never recorded as worked on. */
function outsideOf(parts: readonly PartResult[], unworked: readonly RegionId[]) {
  const weight = parts.reduce((sum, part) => sum + part.weight, 0)
  const share = (which: readonly PartResult[]) => which.reduce((sum, part) => sum + part.weight, 0) / weight
  const isExcused = ({ verdict }: PartResult) => verdict === 'excused' || verdict === 'instructor'
  const untouched = parts.filter((part) => !isExcused(part) && part.station !== 'handling' && unworked.includes(part.region))
  const excusedShare01 = share(parts.filter(isExcused))
  const unworkedShare01 = share(untouched)
  const most = `the limit is ${Math.round(100 * MOST_EXCUSED_01)} %`
  const places = [...new Set(untouched.map(({ region }) => regionName(region).toLowerCase()))].slice(0, 4).join(', ')
  const say =
    unworkedShare01 > 0
      ? `${Math.round(100 * (excusedShare01 + unworkedShare01))} % of the mark depends on places that were like this on arrival, that the instructor finished, or where this apprentice has no recorded step (${places}); ${most}. So this is feedback only, not evidence.`
      : `${Math.round(100 * excusedShare01)} % of the mark was like this on arrival or was finished by the instructor (${most}). So this is feedback only, not evidence.`
  return { excusedShare01, share01: excusedShare01 + unworkedShare01, say }
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
