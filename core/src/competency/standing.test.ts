import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  daysBetween,
  designLearningChart,
  designMonitoringChart,
  runCharts,
  STANDING_DEFAULTS,
  standingOf,
  STATES,
  type AttemptRecord,
  type StandingFacts
} from '.'

const day = (n: number) => new Date(Date.UTC(2026, 0, 1) + n * 86400000).toISOString().slice(0, 10)
const attempt = (n: number, change: Partial<AttemptRecord> = {}): AttemptRecord => ({
  visitId: `s${n}`,
  onDate: day(n),
  dogId: `d${n % 3}`,
  dogName: 'Flint',
  coat: ['wire', 'soft wire', 'soft curly'][n % 3],
  clean: true,
  counts: true,
  minutes: 10,
  planMinutes: 10,
  prompts: 0,
  help: 'alone',
  sides: 'both',
  safetyEvents: 0,
  because: '',
  seriousSafety: false,
  ...change
})
const many = (n: number, change: (i: number) => Partial<AttemptRecord> = () => ({})) =>
  Array.from({ length: n }, (_, i) => attempt(i, change(i)))
const stand = (change: Partial<StandingFacts>) =>
  standingOf({ techniqueName: 'Skirt line', attempts: [], passedTrimOn: null, liftedOn: null, today: day(40), ...change })

describe('a standing', () => {
  it('counts dogs, coats and clean attempts, with the rate and its interval', () => {
    const standing = stand({ attempts: many(10, (i) => ({ clean: i !== 4 })) })
    expect(standing).toMatchObject({ attempts: 10, clean: 9, dogs: 3, lastOn: day(9), daysSince: 31, signalOn: null })
    expect(standing.coats).toEqual(['wire', 'soft wire', 'soft curly'])
    // Ref: Wilson by hand for 9 of 10: (.5958, .9821)
    expect(standing.rate!.interval[0]).toBeCloseTo(0.5958, 3)
    expect(standing.rate!.interval[1]).toBeCloseTo(0.9821, 3)
  })

  it('carries the design of its chart: limit, risk and power', () => {
    const standing = stand({ attempts: many(3) })
    expect(standing).toMatchObject({ k: 6, limit: 14 })
    expect(standing.risk).toBeLessThanOrEqual(0.05)
    expect(standing.power).toBeGreaterThan(0.9)
  })

  it('stands along its line by score, at the end when competent', () => {
    expect(stand({}).along01).toBe(0)
    expect(stand({ attempts: many(7) }).along01).toBeCloseTo(0.44, 9)
    expect(stand({ attempts: many(14) }).along01).toBeCloseTo(0.88, 9)
    expect(stand({ attempts: many(14), passedTrimOn: day(13) }).along01).toBe(1)
  })

  it('says each state with its reason', () => {
    expect(stand({}).because).toMatch(/No attempt on a live dog yet/)
    expect(stand({ attempts: many(13) }).because).toBe('1 clean try reaches ready; a faulty one costs 6 points.')
    expect(stand({ attempts: many(14) }).because).toBe('Reached ready on 14 January 2026; still needs a graded trim that passes.')
    expect(stand({ attempts: many(14), passedTrimOn: day(13) }).because).toMatch(/and a graded trim has passed/)
    expect(stand({ attempts: many(2), today: day(90) }).because).toBe(
      'Last done 89 days ago; the limit is 60. One attempt that counts brings it back.'
    )
    expect(stand({ attempts: [attempt(3, { seriousSafety: true, clean: false })] }).because).toMatch(
      /^On hold since 4 January 2026 after a serious safety event/
    )
  })

  it('is not held any more once a lead has lifted it on or after that day, until the next event', () => {
    const hurt = [attempt(3, { seriousSafety: true, clean: false })]
    expect(stand({ attempts: hurt, liftedOn: day(2) }).state).toBe('held')
    expect(stand({ attempts: hurt, liftedOn: day(3) }).state).toBe('practising')
    expect(stand({ attempts: [...hurt, attempt(6, { seriousSafety: true, clean: false })], liftedOn: day(3) }).state).toBe('held')
  })

  it('takes the school’s own number of days to lapse', () => {
    const facts = { attempts: many(3), today: day(40) }
    expect(stand(facts).state).toBe('practising')
    expect(
      standingOf({ techniqueName: '', passedTrimOn: null, liftedOn: null, ...facts }, { ...STANDING_DEFAULTS, lapseDays: 20 }).state
    ).toBe('lapsed')
  })

  it('is one of seven states whatever was recorded, and never counts more than was watched', () => {
    const record = fc.record({ clean: fc.boolean(), counts: fc.boolean(), seriousSafety: fc.boolean() })
    fc.assert(
      fc.property(fc.array(record, { maxLength: 50 }), fc.nat(200), fc.boolean(), (changes, later, passed) => {
        const attempts = changes.map((change, i) => attempt(i, change))
        const standing = stand({ attempts, today: day(50 + later), passedTrimOn: passed ? day(1) : null })
        expect(STATES).toContain(standing.state)
        expect(standing.attempts).toBe(changes.filter((change) => change.counts).length)
        expect(standing.clean).toBeLessThanOrEqual(standing.attempts)
        expect(standing.score).toBeGreaterThanOrEqual(0)
        expect(standing.score).toBeLessThanOrEqual(standing.limit)
        if (changes.some((change) => change.seriousSafety)) expect(standing.state).toBe('held')
      })
    )
  })

  it('does not change its facts', () => {
    const facts = Object.freeze({ techniqueName: 'x', attempts: Object.freeze(many(5)), passedTrimOn: null, liftedOn: null, today: day(9) })
    expect(() => standingOf(facts)).not.toThrow()
  })
})

describe('days', () => {
  // Ref: hand calculation, over a leap day and a change of clocks
  it.each([
    ['2024-02-28', '2024-03-01', 2],
    ['2026-03-28', '2026-03-30', 2],
    ['2026-04-14', '2026-04-14', 0],
    ['2026-04-14', '2026-04-09', -5]
  ])('from %s to %s are %i', (from, to, days) => expect(daysBetween(from, to)).toBe(days))
})

describe('both charts in turn', () => {
  const [learning, watch] = [designLearningChart(), designMonitoringChart()]

  it('one miss after the signal is forgiven, a row of them is not', () => {
    const signal = Array<boolean>(14).fill(true)
    expect(runCharts([...signal, false], learning, watch).mode).toBe('competent')
    expect(runCharts([...signal, false, false, false, false], learning, watch).mode).toBe('slipping')
    expect(runCharts([...signal, false, false, false, false, ...signal], learning, watch).mode).toBe('competent')
  })

  it('a better apprentice never waits longer: turning a miss into a clean attempt never lowers the score at the end of learning', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 13 }), fc.nat(12), (clean, at) => {
        const better = clean.map((ok, i) => ok || i === at)
        expect(runCharts(better, learning, watch).scores.at(-1)!).toBeGreaterThanOrEqual(runCharts(clean, learning, watch).scores.at(-1)!)
      })
    )
  })

  it('alarms seldom for somebody who stays competent, and mostly for somebody who does not', () => {
    expect(watch.falseAlarmRisk).toBeLessThanOrEqual(0.05)
    expect(watch.power).toBeGreaterThan(0.9)
  })
})
