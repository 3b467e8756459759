import fc from 'fast-check'
import highs from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import type { CertificateRule } from '../certify'
import { designLearningChart, signalWithin, type AttemptRecord } from '../competency'
import { CoreError } from '../error'
import { randomFrom, wilson } from '../stats'
import {
  beliefFrom,
  chanceWithin,
  coverFrom,
  greedyCover,
  latelyOf,
  MOST_TRIES,
  needsOf,
  programmeOf,
  SURE_CHANCE,
  together,
  triesNeeded,
  type Cover,
  type CoverCase,
  type NeedFacts
} from '.'

const CHART = designLearningChart()
/** as after five tries, four of them clean: easy to count by hand */
const FIVE = { clean: 4, faulty: 1 }
const USUAL = beliefFrom({ clean: 0, faulty: 0 }, 0.05)
const chase = (score = 0) => ({ score, limit: CHART.limit, k: CHART.k })

describe('tries until a chart signals', () => {
  it('by hand: one clean try, of which nothing is known, is there within two with 1 - 1/5 x 2/6', () => {
    // 1 - (1/5)(2/6) = 14/15
    expect(chanceWithin(2, { score: 0, limit: 1, k: 0 }, { clean: 0, faulty: 0 }, FIVE)).toBeCloseTo(14 / 15, 12)
    expect(triesNeeded({ score: 0, limit: 1, k: 0 }, { clean: 0, faulty: 0 }, FIVE)).toBe(1)
    // three clean ones at the least: 4/5 x 5/6 x 6/7
    expect(chanceWithin(3, { score: 0, limit: 3, k: 0 }, { clean: 0, faulty: 0 }, FIVE)).toBeCloseTo(4 / 7, 12)
  })

  it('is the exact chain of the chart itself where the rate is as good as known', () => {
    for (const failure of [0.02, 0.05, 0.15, 0.3])
      for (const n of [14, 20, 30, 60]) {
        const lately = { clean: 4e6 * (1 - failure), faulty: 4e6 * failure }
        expect(chanceWithin(n, chase(), lately, USUAL)).toBeCloseTo(signalWithin(n, failure, CHART.k, CHART.limit), 4)
      }
  })

  it('agrees with a simulation of the same belief', () => {
    const random = randomFrom(20261130)
    const many = 6000
    for (const [lately, score] of [
      [{ clean: 10, faulty: 2 }, 5],
      [{ clean: 0, faulty: 0 }, 0],
      [{ clean: 17, faulty: 3 }, 9]
    ] as const) {
      const n = triesNeeded(chase(score), lately, USUAL)!
      let signalled = 0
      for (let i = 0; i < many; i++) {
        let [a, b, at] = [USUAL.clean + lately.clean, USUAL.faulty + lately.faulty, score as number]
        for (let k = 0; k < n && at < CHART.limit; k++) {
          const isClean = random() < a / (a + b)
          if (isClean) a++
          else b++
          at = isClean ? at + 1 : Math.max(0, at - CHART.k)
        }
        if (at >= CHART.limit) signalled++
      }
      const [low, high] = wilson(signalled, many).interval
      const told = chanceWithin(n, chase(score), lately, USUAL)
      expect(told).toBeGreaterThanOrEqual(low - 0.01)
      expect(told).toBeLessThanOrEqual(high + 0.01)
      expect(told).toBeGreaterThanOrEqual(SURE_CHANCE)
      expect(chanceWithin(n - 1, chase(score), lately, USUAL)).toBeLessThan(SURE_CHANCE)
    }
  })

  it('never fewer with a lower score, more faulty tries, or a higher chance; never fewer than the clean run', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 13 }),
        fc.integer({ min: 0, max: 15 }),
        fc.integer({ min: 0, max: 5 }),
        (score, clean, faulty) => {
          const needs = (more: { s?: number; c?: number; f?: number; p?: number }) =>
            triesNeeded(chase(more.s ?? score), { clean: more.c ?? clean, faulty: more.f ?? faulty }, USUAL, more.p) ?? Infinity
          const own = needs({})
          expect(own).toBeGreaterThanOrEqual(CHART.limit - score)
          expect(needs({ s: score - 1 })).toBeGreaterThanOrEqual(own)
          expect(needs({ f: faulty + 1 })).toBeGreaterThanOrEqual(own)
          expect(needs({ c: clean + 1 })).toBeLessThanOrEqual(own)
          expect(needs({ p: 0.5 })).toBeLessThanOrEqual(own)
        }
      )
    )
  })

  it('is not reached at a rate that is too low, and is 0 where it is there', () => {
    expect(triesNeeded(chase(), { clean: 4, faulty: 16 }, USUAL)).toBeNull()
    expect(triesNeeded(chase(CHART.limit), { clean: 0, faulty: 0 }, USUAL)).toBe(0)
    expect(latelyOf([1, 2, 3, 4], (one) => one > 1)).toEqual({ clean: 3, faulty: 1 })
    expect(
      latelyOf(
        Array.from({ length: 50 }, (_, i) => i),
        (one) => one >= 40
      )
    ).toEqual({ clean: 10, faulty: 10 })
  })

  it('gives up no sooner than all tries would', () => {
    for (const [clean, faulty] of [
      [0, 0],
      [8, 2],
      [4, 16],
      [10, 10],
      [14, 4],
      [6, 3],
      [12, 4]
    ] as const)
      for (const limit of [3, 8, 14])
        for (const k of [0, 3, 6]) {
          const [own, lately] = [
            { score: 0, limit, k },
            { clean, faulty }
          ]
          if (triesNeeded(own, lately, USUAL) === null) expect(chanceWithin(MOST_TRIES, own, lately, USUAL)).toBeLessThan(SURE_CHANCE)
        }
  })

  it('believes of a newcomer what those who have practised it show', () => {
    expect(beliefFrom({ clean: 0, faulty: 0 }, 0.05).clean).toBeCloseTo(9.5, 9)
    const { clean, faulty } = beliefFrom({ clean: 80, faulty: 20 }, 0.05)
    // (80 + 9.5) of 110, worth ten tries
    expect(clean).toBeCloseTo(8.136, 3)
    expect(clean + faulty).toBeCloseTo(10, 9)
    expect(triesNeeded(chase(), { clean: 0, faulty: 0 }, USUAL)).toBeLessThanOrEqual(60)
  })

  it.each([
    ['more tries than are looked at', () => chanceWithin(MOST_TRIES + 1, chase(), { clean: 1, faulty: 1 }, USUAL)],
    ['a chance of one', () => triesNeeded(chase(), { clean: 1, faulty: 1 }, USUAL, 1)],
    ['a limit of none', () => triesNeeded({ score: 0, limit: 0, k: 1 }, { clean: 1, faulty: 1 }, USUAL)],
    ['half a score', () => triesNeeded({ score: 0.5, limit: 14, k: 1 }, { clean: 1, faulty: 1 }, USUAL)]
  ])('refuses %s', (_, run) => expect(run).toThrow(CoreError))
})

let count = 0
const attempt = (more: Partial<AttemptRecord> = {}): AttemptRecord => ({
  ...{ visitId: `v${++count}`, onDate: '2026-04-01', dogId: 'ash', dogName: 'Ash', coat: 'wire', clean: true, counts: true, minutes: 9 },
  ...{ planMinutes: 9, prompts: 0, help: 'alone', sides: 'both', because: '', safetyEvents: 0, seriousSafety: false, ...more }
})
const facts = (more: Partial<NeedFacts> = {}): NeedFacts => ({
  ...{
    today: '2026-04-14',
    attempts: new Map(),
    trims: [],
    dogs: [],
    chart: CHART,
    charts: new Map(),
    beliefs: new Map(),
    usualBelief: USUAL
  },
  ...more
})
const TECHNIQUES: CertificateRule = { kind: 'techniques', name: 'All', techniques: ['pads', 'nails'] }
const PRACTISED: CertificateRule = {
  ...{ kind: 'practised', name: 'Often', techniques: ['pads'], count: 5, clean: true, mostHelp: 'onePrompt' },
  ...{ dogs: 3, coats: 2, bothSides: true, withinWeeks: 26 }
}

describe('what a certificate still needs', () => {
  it('asks each chart for its tries, and nothing of what is there', () => {
    const charts = new Map([
      ['pads', { state: 'practising', score: 12, signalOn: null } as const],
      ['nails', { state: 'competent', score: 14, signalOn: '2026-03-01' } as const]
    ])
    const attempts = new Map([['pads', Array.from({ length: 12 }, () => attempt())]])
    const { techniques } = needsOf([TECHNIQUES], [false], facts({ charts, attempts }))
    expect(techniques).toMatchObject([{ techniqueId: 'pads', tries: 2, because: 'signal' }])
    expect(needsOf([TECHNIQUES], [true], facts()).techniques).toEqual([])
  })

  it('counts one try where a technique only lapsed, and none where it is on hold', () => {
    const charts = new Map([
      ['pads', { state: 'lapsed', score: 14, signalOn: '2025-11-01' } as const],
      ['nails', { state: 'held', score: 3, signalOn: null } as const]
    ])
    expect(needsOf([TECHNIQUES], [false], facts({ charts })).techniques).toMatchObject([
      { techniqueId: 'pads', tries: 1, because: 'lapsed' },
      { techniqueId: 'nails', tries: null, isHeld: true }
    ])
  })

  it('counts clean tries, other dogs, other coats and the other side', () => {
    const own = [attempt({ sides: 'left' }), attempt({ sides: 'left' }), attempt({ clean: false }), attempt({ help: 'shown' })]
    const [need] = needsOf([PRACTISED], [false], facts({ attempts: new Map([['pads', own]]) })).techniques
    expect(need).toMatchObject({ techniqueId: 'pads', because: 'practised', newDogs: 2, newCoats: 1 })
    // three more that fit, when two of four did
    expect(need!.tries).toBe(triesNeeded({ score: 0, limit: 3, k: 0 }, { clean: 2, faulty: 2 }, USUAL))
    const enough = Array.from({ length: 5 }, (_, i) => attempt({ dogId: `d${i}`, coat: i > 2 ? 'wire' : 'curly', sides: 'left' }))
    expect(needsOf([PRACTISED], [false], facts({ attempts: new Map([['pads', enough]]) })).techniques[0]).toMatchObject({ tries: 1 })
  })

  it('asks for trims, dogs and coats, and names what no dog settles', () => {
    const rules: CertificateRule[] = [
      { kind: 'trims', name: 'Trims', count: 2, mark: 75, assessors: 1, withinDays: 180, wishes: false },
      { kind: 'dogs', name: 'Dogs', dogs: 3, coats: 2 },
      { kind: 'noSafety', name: 'No safety event', days: 60 }
    ]
    const found = needsOf(rules, [false, false, false], facts({ dogs: [{ id: 'a', name: 'Ash', coat: 'wire' }] }))
    expect(found).toMatchObject({ newDogs: 2, newCoats: 1, others: [{ kind: 'noSafety' }], techniques: [] })
    expect(found.trims).toBe(triesNeeded({ score: 0, limit: 2, k: 0 }, { clean: 0, faulty: 0 }, USUAL))
  })

  it('lets one try count for several certificates', () => {
    const one = needsOf([TECHNIQUES], [false], facts())
    const both = together([one, needsOf([{ ...TECHNIQUES, techniques: ['pads', 'blend'] }], [false], facts())])
    expect(both.techniques.map(({ techniqueId }) => techniqueId)).toEqual(['pads', 'nails', 'blend'])
    expect(both.techniques[0]!.tries).toBe(one.techniques[0]!.tries)
    expect(together([])).toMatchObject({ techniques: [], trims: 0, others: [] })
  })
})

type Solver = Awaited<ReturnType<typeof highs>>
let solver: Solver
beforeAll(async () => {
  solver = await highs()
})
/** What a cover costs: apprentices who do not get there first, then needs left open, then visits. */
const costOf = (given: CoverCase, { asked, unmet }: Cover) => [
  given.learners.filter(({ id, canFinish }) => canFinish && unmet.some(({ learnerId }) => learnerId === id)).length,
  unmet.reduce((sum, { count: left }) => sum + left, 0),
  asked.reduce((sum, { times }) => sum + times, 0)
]
const isLess = (a: readonly number[], b: readonly number[]): boolean => {
  const at = a.findIndex((value, i) => value !== b[i])
  return at >= 0 && a[at]! < b[at]!
}
function solved(given: CoverCase): Cover {
  const { lp } = programmeOf(given)
  const answer = solver.solve(lp)
  expect(answer.Status).toBe('Optimal')
  const columns = answer.Columns as Readonly<Record<string, { Primal?: number }>>
  return coverFrom(given, (name) => columns[name]?.Primal ?? 0)
}
/** Every way to hand out visits. */
function brute(given: CoverCase): readonly number[] {
  const { visits } = programmeOf(given)
  let best = [Infinity, Infinity, Infinity]
  const times = new Map<string, number>()
  const dogs = new Map(given.dogVisits)
  const days = given.learners.map((one) => one.days)
  const walk = (i: number, left: number) => {
    if (i === visits.length) {
      const cost = costOf(
        given,
        coverFrom(given, (name) => times.get(name) ?? 0)
      )
      if (isLess(cost, best)) best = cost
      return
    }
    const { name, learner, offer } = visits[i]!
    const dog = given.offers[offer]!.dogId
    for (let n = 0; n <= Math.min(left, days[learner]!, dogs.get(dog) ?? 0); n++) {
      times.set(name, n)
      days[learner]! -= n
      dogs.set(dog, dogs.get(dog)! - n)
      walk(i + 1, left - n)
      days[learner]! += n
      dogs.set(dog, dogs.get(dog)! + n)
    }
    times.set(name, 0)
  }
  walk(0, given.most)
  return best
}
const learner = (id: string, tries: Readonly<Record<string, number>>, more: object = {}) => ({
  ...{ id, tries: Object.entries(tries).map(([techniqueId, n]) => ({ techniqueId, tries: n })) },
  ...{ trims: [], newCoats: 0, knownCoats: ['wire'], newDogs: 0, knownDogs: [], days: 9, canFinish: true, ...more }
})
const offer = (id: string, techniques: readonly string[], more: object = {}) => ({
  ...{ id, dogId: id, coat: 'wire', trimId: 'pet', techniques, ...more }
})

describe('which visits to ask for', () => {
  it('a visit that serves three needs goes before three that serve one', () => {
    const offers = [offer('a', ['x']), offer('b', ['y']), offer('c', ['z']), offer('all', ['x', 'y', 'z'])]
    const given = {
      learners: [learner('tove', { x: 1, y: 1, z: 1 })],
      offers,
      dogVisits: new Map(offers.map(({ dogId }) => [dogId, 2])),
      most: 9
    }
    for (const cover of [solved(given), greedyCover(given)])
      expect(cover).toEqual({ asked: [{ learnerId: 'tove', offerId: 'all', times: 1, serves: 3 }], unmet: [] })
  })

  it('is the best there is, by trying all of them', () => {
    const names = ['x', 'y', 'z']
    const cases = fc.record({
      tries: fc.array(
        fc.record({ x: fc.nat(2), y: fc.nat(2), coats: fc.nat(1), dogs: fc.nat(2), days: fc.nat(3), canFinish: fc.boolean() }),
        {
          minLength: 1,
          maxLength: 2
        }
      ),
      dogs: fc.array(fc.record({ does: fc.subarray(names), coat: fc.constantFrom('wire', 'curly', 'silky'), times: fc.nat(2) }), {
        minLength: 1,
        maxLength: 3
      }),
      most: fc.integer({ min: 0, max: 4 })
    })
    fc.assert(
      fc.property(cases, ({ tries, dogs, most }) => {
        const offers = dogs.map(({ does, coat }, i) => offer(`d${i}`, does, { coat }))
        const given: CoverCase = {
          learners: tries.map(({ x, y, coats, dogs: newDogs, days, canFinish }, i) =>
            learner(`l${i}`, { x, y }, { newCoats: coats, newDogs, days, canFinish })
          ),
          offers,
          dogVisits: new Map(dogs.map(({ times }, i) => [`d${i}`, times])),
          most
        }
        const best = brute(given)
        expect(costOf(given, solved(given))).toEqual(best)
        // without the solver it is never better, and keeps to the same limits
        expect(isLess(costOf(given, greedyCover(given)), best)).toBe(false)
      }),
      { numRuns: 60 }
    )
  })

  it('names the limit that binds', () => {
    const offers = [offer('a', ['x'])]
    const given = (more: object, dog = 5, most = 9): CoverCase => ({
      learners: [learner('tove', { x: 3 }, more)],
      offers,
      dogVisits: new Map([['a', dog]]),
      most
    })
    expect(solved(given({ tries: [{ techniqueId: 'q', tries: 1 }] })).unmet).toMatchObject([{ techniqueId: 'q', count: 1, binds: 'noDog' }])
    expect(solved(given({}, 2)).unmet).toMatchObject([{ count: 1, binds: 'dogs' }])
    expect(solved(given({ days: 1 })).unmet).toMatchObject([{ count: 2, binds: 'days' }])
    expect(solved(given({}, 5, 2)).unmet).toMatchObject([{ count: 1, binds: 'tables' }])
    expect(solved(given({ tries: [], newCoats: 1 })).unmet).toMatchObject([{ what: 'coats', binds: 'noDog' }])
  })

  it('rather gets one there than all a little nearer', () => {
    const offers = [offer('a', ['x', 'y'])]
    const learners = [learner('far', { x: 9, y: 9 }, { canFinish: false }), learner('near', { x: 2 })]
    const { asked, unmet } = solved({ learners, offers, dogVisits: new Map([['a', 2]]), most: 9 })
    expect(asked).toMatchObject([{ learnerId: 'near', times: 2 }])
    expect(unmet.every(({ learnerId }) => learnerId === 'far')).toBe(true)
  })

  it('counts a finished trim of the trims that a certificate takes', () => {
    const offers = [offer('a', ['x'], { trimId: 'pet' }), offer('b', ['x'], { trimId: 'show' })]
    const trims = [{ trimIds: ['show'], count: 2 }]
    const given = {
      learners: [learner('tove', {}, { trims })],
      offers,
      dogVisits: new Map([
        ['a', 3],
        ['b', 3]
      ]),
      most: 9
    }
    expect(solved(given).asked).toEqual([{ learnerId: 'tove', offerId: 'b', times: 2, serves: 1 }])
  })

  it('has nothing to ask where nothing is needed', () => {
    const given = { learners: [learner('tove', {})], offers: [offer('a', ['x'])], dogVisits: new Map([['a', 1]]), most: 4 }
    expect([solved(given), greedyCover(given)]).toEqual([
      { asked: [], unmet: [] },
      { asked: [], unmet: [] }
    ])
    expect(() => greedyCover({ ...given, most: -1 })).toThrow(CoreError)
  })
})
