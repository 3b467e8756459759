import type { HelpLevel } from '../terms'
import { wilson, type ProportionEstimate } from '../stats'
import { sayDay } from '../units'
import { CHART_DEFAULTS, designLearningChart, designMonitoringChart, runCharts, type ChartHistory, type ChartSettings } from './chart'
import { findingsOn, type ChartPattern } from './found'

export const STATES = ['held', 'lapsed', 'slipping', 'competent', 'ready', 'practising', 'new'] as const
/** Where a technique stands, in order of precedence. */
export type State = (typeof STATES)[number]

export type AttemptRecord = {
  readonly visitId: string
  readonly onDate: string
  readonly dogId: string
  readonly dogName: string
  readonly coat: string
  readonly clean: boolean
  readonly counts: boolean
  readonly minutes: number
  /** what this step takes by the trim's own plan; null where the trim does not plan it */
  readonly planMinutes: number | null
  readonly prompts: number
  readonly help: HelpLevel
  readonly sides: 'left' | 'right' | 'both'
  readonly because: string
  readonly safetyEvents: number
  readonly seriousSafety: boolean
}

export type StandingRules = ChartSettings & {
  /** days without an attempt after which a technique counts as lapsed */
  readonly lapseDays: number
}

/** Chosen: sixty days, two months, is the longest an apprentice at one visit a week misses without a reason. */
export const STANDING_DEFAULTS: StandingRules = Object.freeze({ ...CHART_DEFAULTS, lapseDays: 60 })

export type StandingFacts = {
  readonly techniqueName: string
  /** every attempt of this apprentice at this technique, oldest first */
  readonly attempts: readonly AttemptRecord[]
  /** date of the first passed graded trim that shows this technique, or null */
  readonly passedTrimOn: string | null
  /** date on which a lead lifted a hold last, or null */
  readonly liftedOn: string | null
  readonly today: string
}

export type Standing = {
  readonly state: State
  /** the state with its reason, one sentence */
  readonly because: string
  readonly score: number
  readonly limit: number
  readonly k: number
  readonly risk: number
  readonly power: number
  /** failure rate, 0..1, of somebody who is not competent by the school's own setting */
  readonly unacceptable: number
  /** attempts within which the school expects a signal */
  readonly expected: number
  readonly scores: readonly number[]
  /** the monitoring chart after each attempt, and where it alarms */
  readonly watched: readonly number[]
  readonly alarmAt: number
  /** plateau, relapse or slipping, if one shows */
  readonly found: ChartPattern | null
  readonly cleanRun: readonly boolean[]
  readonly signalOn: string | null
  readonly attempts: number
  readonly clean: number
  readonly figures: number
  readonly selfReported: number
  readonly dogs: number
  readonly coats: readonly string[]
  readonly lastOn: string | null
  readonly daysSince: number | null
  readonly rate: ProportionEstimate | null
  /** 0..1 along the line from first try to competent: the score fills 0..0.88, competent stands at 1 */
  readonly along01: number
}

const DAY_MS = 86400000
const READY_AT = 0.88

/** Whole days from one ISO date to another. */
export function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS)
}

/** What all attempts of one apprentice at one technique come to, whatever day it is. Kept, so that a cohort is read at once. */
export type ChartRow = {
  readonly attempts: number
  readonly clean: number
  readonly score: number
  readonly mode: ChartHistory['mode']
  readonly signalOn: string | null
  readonly lastOn: string | null
  /** the last serious safety event, on a chart or not */
  readonly heldOn: string | null
  /** prompts in all attempts, on a chart or not */
  readonly prompts: number
  readonly found: ChartPattern | null
}

type Charted = { readonly row: ChartRow; readonly history: ChartHistory; readonly counted: readonly AttemptRecord[] }

/** Runs both charts over the attempts that count: those on a live dog that an instructor watched or inspected. */
export function chartOf(attempts: readonly AttemptRecord[], rules: ChartSettings): Charted {
  const [chart, watch] = [designLearningChart(rules), designMonitoringChart(rules)]
  const counted = attempts.filter((attempt) => attempt.counts)
  const history = runCharts(
    counted.map((attempt) => attempt.clean),
    chart,
    watch
  )
  const row: ChartRow = {
    attempts: counted.length,
    clean: counted.filter((attempt) => attempt.clean).length,
    score: history.scores.at(-1) ?? 0,
    mode: history.mode,
    signalOn: history.signalAt === null ? null : counted[history.signalAt]!.onDate,
    lastOn: counted.at(-1)?.onDate ?? null,
    heldOn: attempts.findLast((attempt) => attempt.seriousSafety)?.onDate ?? null,
    prompts: attempts.reduce((sum, attempt) => sum + attempt.prompts, 0),
    found: findingsOn(counted, history, { learning: chart.limit, watch: watch.limit, acceptable: rules.acceptable })
  }
  return { row, history, counted }
}

/** What changes a state besides the attempts: a passed trim, a lifted hold, the day. */
export type Around = Pick<StandingFacts, 'passedTrimOn' | 'liftedOn' | 'today'>

/** The state by precedence held, lapsed, slipping, competent, ready, practising, new, and its reason in a sentence. */
export function stateOf(row: ChartRow, { passedTrimOn, liftedOn, today }: Around, rules: StandingRules): { state: State; because: string } {
  const daysSince = row.lastOn ? daysBetween(row.lastOn, today) : null
  const say = (state: State, because: string) => ({ state, because })
  if (row.heldOn !== null && (liftedOn === null || liftedOn < row.heldOn))
    return say('held', `On hold since ${sayDay(row.heldOn)} after a serious safety event. A lead assessor can lift it, with a reason.`)
  if (daysSince !== null && daysSince > rules.lapseDays)
    return say('lapsed', `Last done ${daysSince} days ago; the limit is ${rules.lapseDays}. One attempt that counts brings it back.`)
  if (row.mode === 'slipping')
    return say('slipping', `Was found competent on ${sayDay(row.signalOn!)}, but has had too many faulty attempts since.`)
  if (row.signalOn !== null)
    return passedTrimOn === null
      ? say('ready', `Reached ready on ${sayDay(row.signalOn)}; still needs a graded trim that passes.`)
      : say('competent', `Reached ready on ${sayDay(row.signalOn)}, and a graded trim has passed.`)
  if (row.attempts === 0) return say('new', 'No attempt on a live dog yet that an instructor watched or inspected.')
  const { limit, k } = designLearningChart(rules)
  const toGo = limit - row.score
  return say('practising', `${toGo} clean ${toGo === 1 ? 'try reaches' : 'tries in a row reach'} ready; a faulty one costs ${k} points.`)
}

/**
 * Where an apprentice stands in one technique: learning chart, then monitoring after the signal, success rate with its
 * Wilson interval, counts, recency, and the state with its reason.
 * Source: docs/method.md, States; Biau & Porcher 2008; Wilson 1927.
 */
export function standingOf(facts: StandingFacts, rules: StandingRules = STANDING_DEFAULTS): Standing {
  const [chart, watch] = [designLearningChart(rules), designMonitoringChart(rules)]
  const { row, history, counted } = chartOf(facts.attempts, rules)
  const { state, because } = stateOf(row, facts, rules)
  return {
    state,
    because,
    score: row.score,
    limit: chart.limit,
    k: chart.k,
    risk: chart.falseCompetentRisk,
    power: chart.power,
    unacceptable: chart.unacceptable,
    expected: chart.expectedAttempts,
    scores: history.scores,
    watched: history.watched,
    alarmAt: watch.limit,
    found: row.found,
    cleanRun: counted.map((attempt) => attempt.clean),
    signalOn: row.signalOn,
    attempts: row.attempts,
    clean: row.clean,
    figures: facts.attempts.filter((attempt) => !attempt.counts && attempt.dogId === '').length,
    selfReported: facts.attempts.filter((attempt) => !attempt.counts && attempt.dogId !== '').length,
    dogs: new Set(counted.map((attempt) => attempt.dogId)).size,
    coats: [...new Set(counted.map((attempt) => attempt.coat))],
    lastOn: row.lastOn,
    daysSince: row.lastOn ? daysBetween(row.lastOn, facts.today) : null,
    rate: counted.length > 0 ? wilson(row.clean, counted.length) : null,
    along01: state === 'competent' ? 1 : READY_AT * (row.score / chart.limit)
  }
}
