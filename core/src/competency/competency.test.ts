import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { randomFrom } from '../stats'
import {
  CHART_DEFAULTS,
  designLearningChart,
  designMonitoringChart,
  jointRisk,
  meanRunLength,
  runCharts,
  runLearning,
  signalWithin,
  standingOf,
  type AttemptRecord,
  type StandingFacts
} from '.'

describe('the learning chart', () => {
  // Ref: shared reference values (integer LC-CUSUM after Biau & Porcher 2008, verified there by an independent program)
  it.each([
    [7, 0.1, 10.7841],
    [7, 0.25, 25.5217],
    [9, 0.1, 14.9567],
    [9, 0.25, 45.2732],
    [11, 0.1, 19.3931],
    [11, 0.25, 75.4706]
  ])('k 5, H %i at a failure rate of %f has the mean run length %f', (limit, rate, length) => {
    expect(meanRunLength(rate, 5, limit)).toBeCloseTo(length, 4)
  })

  // Ref: the same list: k 6, p_A .05, p_U .30
  it.each([
    [20, 12, 0.0499, 0.8419],
    [30, 14, 0.0445, 0.9245],
    [50, 16, 0.0461, 0.9871]
  ])('for %i attempts sets H %i with the published risk and power', (expectedAttempts, limit, risk, power) => {
    const chart = designLearningChart({ ...CHART_DEFAULTS, expectedAttempts })
    expect(chart.k).toBe(6)
    expect(chart.limit).toBe(limit)
    expect(chart.falseCompetentRisk).toBeCloseTo(risk, 4)
    expect(chart.power).toBeCloseTo(power, 4)
  })

  // Ref: simulation below; the exact chain for longer than the school expects: who tries on gets there by luck more often
  it('tells how many get there by luck who try for longer', () => {
    const { k, limit } = designLearningChart()
    const by = [30, 60, 100, 200].map((n) => signalWithin(n, 0.3, k, limit))
    expect(by).toEqual([...by].sort((a, b) => a - b))
    const random = randomFrom(20261128)
    const runs = 4000
    for (const [i, n] of [60, 100, 200].entries()) {
      let signals = 0
      for (let run = 0; run < runs; run++)
        if (
          runLearning(
            Array.from({ length: n }, () => random() >= 0.3),
            { k, limit }
          ).signalAt !== null
        )
          signals++
      // Tolerance: four standard errors of a proportion from 4,000 runs
      expect(Math.abs(signals / runs - by[i + 1])).toBeLessThan(4 * Math.sqrt((by[i + 1] * (1 - by[i + 1])) / runs))
    }
  })

  it('agrees with simulation', () => {
    const random = randomFrom(7)
    const runs = 20000
    let signals = 0
    for (let i = 0; i < runs; i++) {
      const clean = Array.from({ length: 30 }, () => random() >= 0.3)
      if (runLearning(clean, { k: 6, limit: 14 }).signalAt !== null) signals++
    }
    // Tolerance: four standard errors of a proportion near .0445 from 20,000 runs
    expect(Math.abs(signals / runs - signalWithin(30, 0.3, 6, 14))).toBeLessThan(4 * Math.sqrt((0.0445 * 0.9555) / runs))
  })

  it('takes the least limit, and holds the score between 0 and the limit', () => {
    expect(signalWithin(30, 0.3, 6, 13)).toBeGreaterThan(0.05)
    fc.assert(
      fc.property(fc.array(fc.boolean(), { maxLength: 60 }), (clean) => {
        const { scores } = runLearning(clean, { k: 6, limit: 14 })
        expect(scores.every((score) => score >= 0 && score <= 14)).toBe(true)
        expect(scores.length).toBe(clean.length)
      })
    )
  })

  it('watches the other way once competent', () => {
    const watch = designMonitoringChart()
    expect(watch.falseAlarmRisk).toBeLessThanOrEqual(0.05)
    expect(watch.power).toBeGreaterThan(0.5)
  })

  // Ref: hand calculation with k 2 and limits 3 and 4: signal at the 3rd, two misses raise the alarm, three clean signal anew
  it('slips on an alarm and comes back with a new signal', () => {
    const of = (text: string) =>
      runCharts(
        [...text].map((c) => c === '+'),
        { k: 2, limit: 3 },
        { k: 2, limit: 4 }
      )
    expect(of('+++')).toEqual({ scores: [1, 2, 3], mode: 'competent', signalAt: 2, alarmAt: null, watched: [0, 0, 0] })
    expect(of('+++--')).toEqual({ scores: [1, 2, 3, 3, 0], mode: 'slipping', signalAt: 2, alarmAt: 4, watched: [0, 0, 0, 2, 4] })
    expect(of('+++--+++')).toMatchObject({ mode: 'competent', signalAt: 7, alarmAt: 4 })
  })

  // Ref: hand calculation: 1 - .95^2
  it('adds up the risk of several techniques', () => expect(jointRisk([0.05, 0.05])).toBeCloseTo(0.0975, 12))

  it.each([
    [{ acceptable: 0.4 }, /acceptable is 0.4 and 0.3/],
    [{ expectedAttempts: 0 }, /expectedAttempts is 0/]
  ])('refuses %j', (change, words) => expect(() => designLearningChart({ ...CHART_DEFAULTS, ...change })).toThrow(words))
})

const attempt = (i: number, change: Partial<AttemptRecord> = {}): AttemptRecord => ({
  visitId: `s${i}`,
  onDate: new Date(Date.UTC(2026, 0, 1 + 2 * i)).toISOString().slice(0, 10),
  dogId: `d${i % 4}`,
  dogName: 'Flint',
  coat: i % 2 ? 'wire' : 'soft wire',
  clean: true,
  counts: true,
  minutes: 12,
  planMinutes: 10,
  prompts: 0,
  help: 'alone',
  sides: 'both',
  safetyEvents: 0,
  because: '',
  seriousSafety: false,
  ...change
})
const run = (n: number, change: (i: number) => Partial<AttemptRecord> = () => ({})) =>
  Array.from({ length: n }, (_, i) => attempt(i, change(i)))
const stand = (facts: Partial<StandingFacts>) =>
  standingOf({ techniqueName: 'Skirt line', attempts: [], passedTrimOn: null, liftedOn: null, today: '2026-03-01', ...facts })

describe('where a technique stands', () => {
  it('is new, practising, ready, competent', () => {
    expect(stand({}).state).toBe('new')
    expect(stand({ attempts: run(5) })).toMatchObject({
      state: 'practising',
      score: 5,
      because: '9 clean tries in a row reach ready; a faulty one costs 6 points.'
    })
    expect(stand({ attempts: run(14) }).state).toBe('ready')
    expect(stand({ attempts: run(14), passedTrimOn: '2026-02-20' })).toMatchObject({ state: 'competent', along01: 1 })
  })

  it('is lapsed after sixty days, and held after a serious safety event until a lead lifts it', () => {
    expect(stand({ attempts: run(14), today: '2026-06-01' }).state).toBe('lapsed')
    const hurt = run(14, (i) => (i === 13 ? { clean: false, seriousSafety: true } : {}))
    expect(stand({ attempts: hurt }).state).toBe('held')
    expect(stand({ attempts: hurt, today: '2026-08-01' }).state).toBe('held')
    expect(stand({ attempts: hurt, liftedOn: '2026-02-01' }).state).toBe('practising')
  })

  it('slips when the misses come back after the signal', () => {
    const attempts = run(20, (i) => ({ clean: i < 14 || i % 2 === 0 }))
    expect(stand({ attempts, passedTrimOn: '2026-01-30' }).state).toBe('slipping')
  })

  it('never counts figures or what nobody watched', () => {
    const standing = stand({ attempts: [...run(3), attempt(4, { counts: false, dogId: '' }), attempt(5, { counts: false })] })
    expect(standing).toMatchObject({ attempts: 3, figures: 1, selfReported: 1, score: 3, dogs: 3 })
  })
})
