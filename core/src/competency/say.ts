// The sentence above each chart of a technique.
import { addDays, formatISO, parseISO } from 'date-fns'
import { jointRisk, signalWithin } from './chart'
import { HELP_WEIGHT } from './help'
import { daysBetween, type AttemptRecord, type Standing } from './standing'
import { fitTimes, recentRatio, whenAt, type Timed, type When } from './times'
import { trendOf } from './trend'
import type { HelpLevel } from '../terms'
import { sayDay, sayNumber } from '../units'

const percent = (share: number) => `${Math.round(100 * share)} %`
const times = (n: number) => (n === 1 ? 'once' : `${n} times`)

/** Above the learning chart: how far to the signal, and how often luck or bad luck would say otherwise. */
export function sayLearning(standing: Standing): string {
  const { attempts, clean, score, limit, k, expected, unacceptable, risk, power, rate, signalOn, state } = standing
  if (attempts === 0) return 'No attempts yet that count.'
  const share = rate ? ` ${clean} of ${attempts} clean (${percent(rate.interval[0])} to ${percent(rate.interval[1])}).` : ''
  const at = signalOn && state !== 'slipping' ? `Reached ready on ${sayDay(signalOn)}.` : `Now at ${score} of ${limit} points.`
  // whoever tries for longer than the school expects has had more chances to be lucky
  const longer = attempts > expected ? `, and ${Math.round(100 * signalWithin(attempts, unacceptable, k, limit))} within ${attempts}` : ''
  return `${at}${share} Of 100 apprentices who are still faulty too often, ${Math.round(100 * risk)} would get there by luck within ${expected} attempts${longer}; of 100 who are competent, ${Math.round(100 * power)} do.`
}

/** Above the monitoring chart: only after the signal. */
export function sayWatching({ watched, alarmAt, state, found }: Standing): string {
  const score = watched.at(-1) ?? 0
  if (state === 'slipping')
    return `The alarm at ${alarmAt} points was reached: too many faulty attempts since. The technique starts again from zero.`
  if (found?.kind === 'slipping') return found.say
  return score === 0
    ? `All well: 0 points; the alarm is at ${alarmAt}.`
    : `Now at ${score} points; the alarm is at ${alarmAt}. Each clean attempt takes one off.`
}

const HELP_SHORT: Readonly<Record<HelpLevel, string>> = {
  alone: 'alone',
  onePrompt: 'one prompt',
  talkedThrough: 'talked through',
  handsGuided: 'hands guided',
  shown: 'shown'
}
const LEAST_HELP = 4
/** Chosen: the help of the latest dozen is looked at, and the commonest of the latest five is told. */
const LATEST = Object.freeze({ trend: 12, told: 5 })

/** Above the help levels: what is needed these days, and whether it falls. */
export function sayHelp(attempts: readonly AttemptRecord[]): string {
  const counted = attempts.filter(({ counts }) => counts)
  if (counted.length === 0) return 'No attempts yet that count.'
  const last = counted.slice(-LATEST.told).map(({ help }) => help)
  const usual = [...last].sort(
    (a, b) => last.filter((one) => one === b).length - last.filter((one) => one === a).length || HELP_WEIGHT[b] - HELP_WEIGHT[a]
  )[0]!
  const alone = last.filter((help) => help === 'alone').length
  const now = `${alone} of the last ${last.length} alone, mostly ${HELP_SHORT[usual]}`
  if (counted.length < LEAST_HELP) return `${now}.`
  const recent = counted.slice(-LATEST.trend)
  const { way, p } = trendOf(recent.map(({ help }) => HELP_WEIGHT[help]))
  const over = `over the last ${recent.length}`
  if (way === 'noClearChange') return `${now}; no clear change ${over}.`
  return `${now}; help ${way} ${over} (by chance alone in ${p < 0.01 ? 'under 1 %' : percent(p)} of cases).`
}

/** Minutes over the plan's minutes, attempt by attempt; breaks are out of them already. */
export function timedOf(attempts: readonly AttemptRecord[]): (Timed & { readonly onDate: string })[] {
  return attempts
    .filter(({ counts }) => counts)
    .flatMap(({ minutes, planMinutes, onDate }, i) =>
      planMinutes !== null && planMinutes > 0 && minutes > 0 ? [{ n: i + 1, ratio: minutes / planMinutes, onDate }] : []
    )
}

const RATE_WEEKS = 8

/** Attempts a week over the last eight weeks. */
export function perWeek(attempts: readonly AttemptRecord[], today: string): number {
  const recent = attempts.filter(({ counts, onDate }) => counts && daysBetween(onDate, today) <= 7 * RATE_WEEKS)
  return recent.length / RATE_WEEKS
}

export type TimeAnswer = { readonly when: When | null; readonly say: string }

/** Above the minutes: how long it takes these days, and when it will take no longer than planned. Speed earns no mark before competence. */
export function sayTimes(attempts: readonly AttemptRecord[], state: Standing['state'], today: string): TimeAnswer {
  const timed = timedOf(attempts)
  const now = recentRatio(timed)
  if (now === null) return { when: null, say: 'No times yet to compare with the plan.' }
  const first = Math.abs(now - 1) < 0.05 ? 'Now takes the planned time.' : `Now takes ${sayNumber(now)} times the planned time.`
  const fit = fitTimes(timed)
  if (!fit) return { when: null, say: `${first} Five attempts are needed to say more.` }
  const done = timed.at(-1)!.n
  const when = whenAt(fit, 1, done)
  const slow = state === 'competent' || state === 'ready' ? '' : ' Clean comes before quick: speed does not count until competent.'
  if (when.kind === 'already') return { when, say: `${first} It has come down to the planned time.${slow}` }
  const rate = perWeek(attempts, today)
  if (when.kind === 'never' || rate === 0)
    return { when: { kind: 'never', now: when.now }, say: `${first} At this rate it will not reach the planned time.${slow}` }
  const on = (attempt: number) =>
    sayDay(formatISO(addDays(parseISO(today), Math.ceil((7 * (attempt - done)) / rate)), { representation: 'date' }))
  const [low, high] = when.interval
  const between = high === null ? `not before ${on(low)}, and perhaps not at all` : `between ${on(low)} and ${on(high)}`
  return {
    when,
    say: `${first} At ${sayNumber(rate)} a week it reaches the planned time about ${on(when.attempt)}, after ${times(when.attempt - done)} more (${between}).${slow}`
  }
}

/** The risk that somebody is called competent by luck in at least one of several techniques. */
export const sayJointRisk = (risks: readonly number[]): string =>
  `Across all ${risks.length} together, the chance that one is found competent by luck is ${percent(jointRisk(risks))}.`
