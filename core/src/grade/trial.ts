// How well verdicts are drawn: trims whose truth is known, marked by assessors who lean one way or not at all.
import { normalDraw, quantile, randomFrom, type Random } from '../stats'
import { computeFrom, type Criterion, type Instrument, type Standard } from '../standard'
import { GRADE_RULES, type GradeRules } from './method'
import { follows, partsOf, shareAt, sidesOf, TOP_LEVEL, type Part } from './parts'
import { gradeResult } from './result'
import type { Answer, SideAnswer, SideKey } from './types'

export type TrialAsked = {
  readonly standard: Standard
  readonly trims: number
  readonly seed: number
  /** by how much this assessor's levels lie above the school's, in levels; or drawn anew for each trim with this spread */
  readonly lean: { readonly levels: number } | { readonly spread: number }
  readonly rules?: GradeRules
}

/** Shares are 0..1. `wrongPasses` is of the trims that truly miss the pass mark or a floor, `wrongFails` of the others. */
export type TrialFound = {
  readonly trims: number
  readonly coverage01: number
  readonly medianWidth: number
  /** share of trims whose shown mark lies above its true one: 0.5 where it leans neither way */
  readonly markAbove01: number
  readonly truePasses: number
  readonly wrongPasses01: number
  readonly wrongFails01: number
  readonly secondAsked01: number
}

/**
 * Marks trims of every quality and compares each sheet with the trim's own truth. A true level is a number, not a step; an
 * assessor names the step that is nearest to it after leaning. Readings scatter as the standard's instruments say.
 */
export function trialOfMarks(asked: TrialAsked): TrialFound {
  const random = randomFrom(asked.seed)
  const trims = Array.from({ length: asked.trims }, (_, i) => oneTrim(asked, random, i))
  const good = trims.filter(({ passes }) => passes)
  const bad = trims.filter(({ passes }) => !passes)
  const share = <T>(items: readonly T[], holds: (item: T) => boolean) => items.filter(holds).length / Math.max(1, items.length)
  return {
    trims: trims.length,
    coverage01: share(trims, ({ truth, low, high }) => low <= truth && truth <= high),
    medianWidth: quantile(
      trims.map(({ low, high }) => high - low),
      0.5
    ),
    markAbove01: share(trims, ({ truth, mark }) => mark > truth),
    truePasses: good.length,
    wrongPasses01: share(bad, ({ outcome }) => outcome === 'passed'),
    wrongFails01: share(good, ({ outcome }) => outcome === 'notPassed'),
    secondAsked01: share(trims, ({ outcome }) => outcome === 'secondAssessor')
  }
}

type Truth = Readonly<Record<string, Readonly<Partial<Record<SideKey, number | Readonly<Record<string, number>>>>>>>

function oneTrim({ standard, lean, rules = GRADE_RULES }: TrialAsked, random: Random, i: number) {
  const quality = 0.35 + 0.65 * random()
  const levels = 'levels' in lean ? lean.levels : lean.spread * normalDraw(random)
  const shared = new Map(standard.instruments.map(({ id }) => [id, normalDraw(random)]))
  const truth: Record<string, Partial<Record<SideKey, number | Record<string, number>>>> = {}
  const answers: Record<string, Answer> = {}
  for (const criterion of standard.criteria.filter((one) => !follows(one))) {
    const sides = sidesOf(criterion.how).map((side) => [side, trueValue(criterion, quality, random)] as const)
    truth[criterion.id] = Object.fromEntries(sides)
    answers[criterion.id] = Object.fromEntries(
      sides.map(([side, value]) => [side, answerTo(standard, criterion, value, levels, shared, random)])
    )
  }
  const { total, outcome } = gradeResult(standard, { answers, critical: [], burns: [], seedText: `trial ${i}`, rules })
  const marks = trueMarks(standard, partsOf(standard, answers), truth)
  const passes = marks.total >= standard.passMark && standard.sections.every(({ id, floor }) => (marks.sections.get(id) ?? 100) >= floor)
  return { truth: marks.total, passes, mark: total!.value, low: total!.interval[0], high: total!.interval[1], outcome }
}

/** What is truly there: a good trim lies near its targets and high on its levels, a poor one further off. */
function trueValue({ how }: Criterion, quality: number, random: Random): number | Record<string, number> {
  const spread = 1.5 - 1.3 * quality
  if (how.kind === 'judged') return Math.min(TOP_LEVEL, Math.max(0, 1 + 2.9 * quality + 0.45 * normalDraw(random)))
  if (how.kind === 'computed')
    return Object.fromEntries(
      Object.entries(how.typical).map(([name, mm]) => [name, name === 'bands' ? mm : Math.max(0, mm + 2 * spread * normalDraw(random))])
    )
  const room = how.kind === 'length' ? (how.band[1] ?? how.targetMm + 2) - how.targetMm : 'band' in how ? (how.band[1] ?? 4) : 4
  const off = room * spread * normalDraw(random)
  return how.kind === 'length' ? Math.max(0, how.targetMm + off) : Math.abs(off)
}

function answerTo(
  { instruments }: Standard,
  { how }: Criterion,
  value: number | Record<string, number>,
  lean: number,
  shared: ReadonlyMap<string, number>,
  random: Random
): SideAnswer {
  if (how.kind === 'judged') return { kind: 'level', level: Math.min(TOP_LEVEL, Math.max(0, Math.round((value as number) + lean))) }
  const instrument = instruments.find(({ id }) => 'instrument' in how && id === how.instrument)!
  const read = (mm: number) => Math.max(0, mm + reading(instrument, shared.get(instrument.id)!, random))
  if (typeof value !== 'number')
    return {
      kind: 'inputs',
      values: Object.fromEntries(Object.entries(value).map(([name, mm]) => [name, name === 'bands' ? mm : read(mm)]))
    }
  // an instrument's own error is of the day, not of each reading: the readings of one place share it
  const off = read(value)
  return { kind: 'readings', mm: Array.from({ length: instrument.readings }, () => off) }
}

function reading({ uMm, commonMm }: Instrument, shared: number, random: Random): number {
  return commonMm * shared + Math.sqrt(Math.max(0, uMm * uMm - commonMm * commonMm)) * normalDraw(random)
}

function trueMarks(standard: Standard, parts: readonly Part[], truth: Truth) {
  const shareOf = (part: Part): number => {
    const { how, id } = part.criterion
    if (how.kind === 'difference') return shareAt(part, (truth[how.of]!.left as number) - (truth[how.of]!.right as number), null)!
    const value = truth[how.kind === 'computed' ? (how.readingsOf ?? id) : id]![part.side]!
    if (how.kind === 'judged') return shareAt(part, null, value as number)!
    if (how.kind !== 'computed') return shareAt(part, value as number, null)!
    const instrument = standard.instruments.find((one) => one.id === how.instrument)!
    return shareAt(part, computeFrom(how.formula, value as Record<string, number>, instrument).value, null)!
  }
  const marks = (some: readonly Part[]) =>
    (100 * some.reduce((sum, part) => sum + part.weight * shareOf(part), 0)) / some.reduce((sum, { weight }) => sum + weight, 0)
  const sections = standard.sections.flatMap(({ id }): [string, number][] => {
    const own = parts.filter((part) => part.criterion.section === id)
    return own.length > 0 ? [[id, marks(own)]] : []
  })
  return { total: marks(parts), sections: new Map(sections) }
}
