import { wilson, type ProportionEstimate } from '../stats'
import { sayDay } from '../units'
import { designLearningChart, designMonitoringChart, runCharts, type ChartSettings, CHART_DEFAULTS } from './chart'

export const STATES = ['held', 'lapsed', 'slipping', 'competent', 'ready', 'practising', 'new'] as const
/** Where a technique stands, in order of precedence. */
export type State = (typeof STATES)[number]

export type AttemptRecord = {
  readonly sessionId: string
  readonly onDate: string
  readonly dogId: string
  readonly dogName: string
  readonly coat: string
  readonly clean: boolean
  readonly counts: boolean
  readonly minutes: number
  readonly prompts: number
  readonly because: string
  readonly seriousSafety: boolean
}

export type StandingRules = ChartSettings & {
  /** days without an attempt after which a technique counts as lapsed */
  readonly lapseDays: number
}

/** Chosen: sixty days, two months, is the longest an apprentice at one session a week misses without a reason. */
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
  readonly scores: readonly number[]
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

/**
 * Where an apprentice stands in one technique: learning chart, then monitoring after the signal, success rate with its
 * Wilson interval, counts, recency, and the state by precedence held, lapsed, slipping, competent, ready, practising, new.
 * Only attempts on a live dog that an instructor watched or inspected enter the chart.
 * Source: design.md section 3; Biau & Porcher 2008; Wilson 1927.
 */
export function standingOf(facts: StandingFacts, rules: StandingRules = STANDING_DEFAULTS): Standing {
  const chart = designLearningChart(rules)
  const watch = designMonitoringChart(rules)
  const counted = facts.attempts.filter((attempt) => attempt.counts)
  const cleanRun = counted.map((attempt) => attempt.clean)
  const history = runCharts(cleanRun, chart, watch)
  const { signalAt, scores } = history
  const slipped = history.mode === 'slipping'
  const last = counted.at(-1) ?? null
  const daysSince = last ? daysBetween(last.onDate, facts.today) : null
  const heldBy = [...facts.attempts].reverse().find((attempt) => attempt.seriousSafety)
  const held = heldBy !== undefined && (facts.liftedOn === null || facts.liftedOn < heldBy.onDate)
  const score = scores.at(-1) ?? 0
  const lapsed = daysSince !== null && daysSince > rules.lapseDays
  const state = stateOf({ held, lapsed, slipped, signal: signalAt !== null, passed: facts.passedTrimOn !== null, any: counted.length > 0 })
  const clean = cleanRun.filter(Boolean).length
  const standing = {
    state,
    score,
    limit: chart.limit,
    k: chart.k,
    risk: chart.falseCompetentRisk,
    power: chart.power,
    scores,
    cleanRun,
    signalOn: signalAt === null ? null : counted[signalAt].onDate,
    attempts: counted.length,
    clean,
    figures: facts.attempts.filter((attempt) => !attempt.counts && attempt.dogId === '').length,
    selfReported: facts.attempts.filter((attempt) => !attempt.counts && attempt.dogId !== '').length,
    dogs: new Set(counted.map((attempt) => attempt.dogId)).size,
    coats: [...new Set(counted.map((attempt) => attempt.coat))],
    lastOn: last?.onDate ?? null,
    daysSince,
    rate: counted.length > 0 ? wilson(clean, counted.length) : null,
    along01: state === 'competent' ? 1 : READY_AT * (score / chart.limit)
  }
  return { ...standing, because: sayState(standing, rules, heldBy?.onDate ?? null) }
}

function stateOf(is: { held: boolean; lapsed: boolean; slipped: boolean; signal: boolean; passed: boolean; any: boolean }): State {
  if (is.held) return 'held'
  if (is.lapsed) return 'lapsed'
  if (is.slipped) return 'slipping'
  if (is.signal) return is.passed ? 'competent' : 'ready'
  return is.any ? 'practising' : 'new'
}

function sayState(s: Omit<Standing, 'because'>, rules: StandingRules, heldOn: string | null): string {
  const toGo = s.limit - s.score
  switch (s.state) {
    case 'held':
      return `Held since ${sayDay(heldOn!)}: a serious safety event. A lead assessor lifts it, with a reason.`
    case 'lapsed':
      return `Last done ${s.daysSince} days ago; ${rules.lapseDays} are allowed.`
    case 'slipping':
      return `Was found competent on ${sayDay(s.signalOn!)}, and has missed too often since.`
    case 'competent':
      return `The chart signalled on ${sayDay(s.signalOn!)} and a graded trim has passed.`
    case 'ready':
      return `The chart signalled on ${sayDay(s.signalOn!)}; a passed graded trim is still missing.`
    case 'practising':
      return `${toGo} clean in a row give${toGo === 1 ? 's' : ''} the signal; one that is not costs ${s.k}.`
    case 'new':
      return 'No attempt on a live dog yet that an instructor watched or inspected.'
  }
}
