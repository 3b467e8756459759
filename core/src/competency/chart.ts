import { CoreError, inRange } from '../error'

/** +1 for a clean attempt, -k for one that is not, held at 0 from below, signal at H. */
export type LearningChart = {
  readonly method: 'integer learning chart (LC-CUSUM)'
  readonly k: number
  readonly limit: number
  readonly expectedAttempts: number
  readonly acceptable: number
  readonly unacceptable: number
  /** P(signal within the expected attempts) for somebody who still fails at the unacceptable rate */
  readonly falseCompetentRisk: number
  /** the same for somebody who fails at the acceptable rate only: the chance to be found competent */
  readonly power: number
}

export type ChartSettings = {
  readonly acceptable: number
  readonly unacceptable: number
  readonly expectedAttempts: number
  readonly risk: number
}

const MOST_DESIGNS = 200

/** Defaults: 5 % failures are competent, 30 % are not, 30 attempts expected, 5 % risk. Source: docs/method.md, States. */
export const CHART_DEFAULTS: ChartSettings = Object.freeze({ acceptable: 0.05, unacceptable: 0.3, expectedAttempts: 30, risk: 0.05 })

/**
 * Designs the learning chart. k is the ratio of the two likelihood weights, rounded; H the least whole limit whose
 * exact false-competent risk within the expected attempts is at most `risk`.
 * @param settings failure rates 0..1 (acceptable < unacceptable), attempts 1..500, risk 0..1
 * Refuses rates out of order with code `ratesOutOfOrder`.
 * Source: Biau & Porcher 2008; exact chain after Brook & Evans 1972.
 * @example designLearningChart(CHART_DEFAULTS) // k 6, limit 14, falseCompetentRisk .0445, power .9245
 */
export const designLearningChart = oncePerSettings((settings: ChartSettings): LearningChart => {
  const { acceptable, unacceptable, expectedAttempts, risk } = settings
  inRange('expectedAttempts', expectedAttempts, 1, 500)
  if (!(acceptable > 0 && acceptable < unacceptable && unacceptable < 1)) {
    throw new CoreError({
      code: 'ratesOutOfOrder',
      path: 'acceptable',
      got: `${acceptable} and ${unacceptable}`,
      limit: '0 < acceptable < unacceptable < 1'
    })
  }
  const k = ratioOfWeights(acceptable, unacceptable)
  const limit = leastLimit((h) => signalWithin(expectedAttempts, unacceptable, k, h) <= risk)
  return {
    method: 'integer learning chart (LC-CUSUM)',
    k,
    limit,
    expectedAttempts,
    acceptable,
    unacceptable,
    falseCompetentRisk: signalWithin(expectedAttempts, unacceptable, k, limit),
    power: signalWithin(expectedAttempts, acceptable, k, limit)
  }
})

/** A chart is designed by search, and every technique of every apprentice asks for the same few: each is found once. */
function oncePerSettings<T>(design: (settings: ChartSettings) => T): (settings?: ChartSettings) => T {
  const found = new Map<string, T>()
  return (settings = CHART_DEFAULTS) => {
    const { acceptable, unacceptable, expectedAttempts, risk } = settings
    const key = [acceptable, unacceptable, expectedAttempts, risk].join(' ')
    const known = found.get(key)
    if (known !== undefined) return known
    const designed = design(settings)
    // a school has one set of parameters, an editor tries a few: a table of searches never grows without end
    if (found.size >= MOST_DESIGNS) found.clear()
    found.set(key, designed)
    return designed
  }
}

/** The monitoring chart the other way: +k for an attempt that is not clean, -1 for a clean one, held at 0, alarm at H. */
export type MonitoringChart = {
  readonly method: 'integer monitoring chart (CUSUM)'
  readonly k: number
  readonly limit: number
  /** P(alarm within the expected attempts) for somebody who stays competent */
  readonly falseAlarmRisk: number
  readonly power: number
}

/** Designs the chart that watches a competent apprentice; H is the least limit with a false-alarm risk at most `risk`. */
export const designMonitoringChart = oncePerSettings((settings: ChartSettings): MonitoringChart => {
  const { acceptable, unacceptable, expectedAttempts, risk } = settings
  const k = ratioOfWeights(acceptable, unacceptable)
  const alarm = (failureRate: number, h: number) => chainWithin(expectedAttempts, h, [failureRate, k], [1 - failureRate, -1])
  const limit = leastLimit((h) => alarm(acceptable, h) <= risk)
  return {
    method: 'integer monitoring chart (CUSUM)',
    k,
    limit,
    falseAlarmRisk: alarm(acceptable, limit),
    power: alarm(unacceptable, limit)
  }
})

function ratioOfWeights(acceptable: number, unacceptable: number): number {
  const success = Math.log((1 - acceptable) / (1 - unacceptable))
  const failure = Math.log(unacceptable / acceptable)
  return Math.max(1, Math.round(failure / success))
}

function leastLimit(isEnough: (limit: number) => boolean): number {
  for (let limit = 1; limit <= 1000; limit++) if (isEnough(limit)) return limit
  throw new CoreError({ code: 'noLimit', path: 'risk', got: 'no limit under 1000', limit: 'a larger risk or fewer attempts' })
}

/** P(the learning chart signals within n attempts), exact, for a failure rate 0..1. */
export function signalWithin(n: number, failureRate: number, k: number, limit: number): number {
  return chainWithin(n, limit, [1 - failureRate, 1], [failureRate, -k])
}

// Exact Markov chain on the scores 0..limit-1; what reaches the limit has signalled.
function chainWithin(n: number, limit: number, a: readonly [number, number], b: readonly [number, number]): number {
  let state = new Float64Array(limit)
  state[0] = 1
  let signalled = 0
  for (let i = 0; i < n; i++) {
    const next = new Float64Array(limit)
    for (let score = 0; score < limit; score++) {
      for (const [chance, step] of [a, b]) {
        const to = Math.max(0, score + step)
        if (to >= limit) signalled += state[score]! * chance
        else next[to]! += state[score]! * chance
      }
    }
    state = next
  }
  return signalled
}

/**
 * Mean number of attempts until the learning chart signals, exact: (I - Q) m = 1 solved by elimination.
 * Source: Brook & Evans 1972.
 */
export function meanRunLength(failureRate: number, k: number, limit: number): number {
  const rows = Array.from({ length: limit }, (_, score) => {
    const row = new Array<number>(limit + 1).fill(0)
    row[score] = 1
    row[limit] = 1
    if (score + 1 < limit) row[score + 1]! -= 1 - failureRate
    row[Math.max(0, score - k)]! -= failureRate
    return row
  })
  for (let i = 0; i < limit; i++) {
    for (let j = i + 1; j < limit; j++) {
      const factor = rows[j]![i]! / rows[i]![i]!
      if (factor !== 0) for (let c = i; c <= limit; c++) rows[j]![c]! -= factor * rows[i]![c]!
    }
  }
  const m = new Array<number>(limit).fill(0)
  for (let i = limit - 1; i >= 0; i--) {
    let sum = rows[i]![limit]!
    for (let c = i + 1; c < limit; c++) sum -= rows[i]![c]! * m[c]!
    m[i] = sum / rows[i]![i]!
  }
  return m[0]!
}

export type ChartPath = { readonly scores: readonly number[]; readonly signalAt: number | null }

/** The learning chart's scores after each attempt and the first attempt (index) at which it signalled. */
export function runLearning(clean: readonly boolean[], chart: { readonly k: number; readonly limit: number }): ChartPath {
  let score = 0
  let signalAt: number | null = null
  const scores = clean.map((ok, i) => {
    score = Math.min(chart.limit, Math.max(0, score + (ok ? 1 : -chart.k)))
    if (score >= chart.limit && signalAt === null) signalAt = i
    return score
  })
  return { scores, signalAt }
}

export type ChartHistory = {
  /** the learning score after each attempt; it stands at the limit while the monitoring chart watches */
  readonly scores: readonly number[]
  /** the monitoring score after each attempt; 0 while it is still being learnt */
  readonly watched: readonly number[]
  readonly mode: 'learning' | 'competent' | 'slipping'
  /** index of the latest signal, and of the latest alarm; null where there was none */
  readonly signalAt: number | null
  readonly alarmAt: number | null
}

/**
 * Both charts one after the other: learning until the signal, then monitoring; after an alarm learning begins again from
 * 0, and until it signals anew the technique slips. Our own choice: what was lost is shown again, not argued away.
 */
export function runCharts(
  clean: readonly boolean[],
  learning: { readonly k: number; readonly limit: number },
  watch: { readonly k: number; readonly limit: number }
): ChartHistory {
  let mode: ChartHistory['mode'] = 'learning'
  let score = 0
  let alarm = 0
  let signalAt: number | null = null
  let alarmAt: number | null = null
  const watched: number[] = []
  const scores = clean.map((ok, i) => {
    watched.push(0)
    if (mode === 'competent') {
      alarm = Math.max(0, alarm + (ok ? -1 : watch.k))
      watched[i] = alarm
      if (alarm < watch.limit) return learning.limit
      mode = 'slipping'
      alarmAt = i
      return (score = 0)
    }
    score = Math.max(0, score + (ok ? 1 : -learning.k))
    if (score >= learning.limit) {
      mode = 'competent'
      signalAt = i
      alarm = 0
    }
    return score
  })
  return { scores, watched, mode, signalAt, alarmAt }
}

/** Risk that at least one of several techniques, each with its own risk, is called competent by luck. Independent. */
export function jointRisk(risks: readonly number[]): number {
  return 1 - risks.reduce((all, risk) => all * (1 - risk), 1)
}
