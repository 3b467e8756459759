import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fitPower, fitTimes, recentRatio, timeAt, trendOf, whenAt, type Timed } from '.'
import { normalDraw, randomFrom } from '../stats'

describe('a power fitted', () => {
  // Ref: NIST StRD DanWood (from the shared reference values, read in its file): b1 .76886226176, b2 3.8604055871, RSS 4.3173084083E-03
  const x = [1.309, 1.471, 1.49, 1.565, 1.611, 1.68]
  const y = [2.138, 3.421, 3.597, 4.34, 4.882, 5.66]
  it.each<[string, [number, number]]>([
    ['its first start', [1, 5]],
    ['its second start', [0.7, 4]]
  ])('comes to the certified values from %s', (_, start) => {
    const { b, c, rss } = fitPower(x, y, start)
    expect(b).toBeCloseTo(0.76886226176, 6)
    expect(c).toBeCloseTo(3.8604055871, 6)
    expect(rss).toBeCloseTo(4.3173084083e-3, 9)
  })
  it('asks for three points', () => expect(() => fitPower([1, 2], [1, 2], [1, 1])).toThrow(/points is 2/))
})

const drawn = (n: number, of: (i: number) => number, noise = 0, seed = 5): Timed[] => {
  const random = randomFrom(seed)
  return Array.from({ length: n }, (_, i) => ({ n: i + 1, ratio: of(i + 1) + noise * normalDraw(random) }))
}

describe('minutes over practice', () => {
  it('come back exactly without noise, with an end of their own from thirty on', () => {
    expect(fitTimes(drawn(20, (n) => 2.4 * n ** -0.35))).toMatchObject({
      a: 0,
      levels: false,
      b: expect.closeTo(2.4, 5),
      c: expect.closeTo(0.35, 5)
    })
    const long = fitTimes(drawn(60, (n) => 0.8 + 1.6 * n ** -0.6))!
    expect([long.a, long.b, long.c].map((value) => Math.round(1000 * value) / 1000)).toEqual([0.8, 1.6, 0.6])
    expect(fitTimes(drawn(4, () => 1))).toBeNull()
  })

  it('say when, with bounds that hold what is true', () => {
    const truly = (n: number) => 2.2 * n ** -0.3
    // by hand: 2.2 n^-.3 = 1 at n = 2.2^(1/.3) = 13.85, the 14th
    const found = whenAt(fitTimes(drawn(9, truly))!, 1, 9)
    expect(found).toMatchObject({ kind: 'at', attempt: 14, interval: [14, 14] })
    let held = 0
    const trials = 200
    for (let seed = 0; seed < trials; seed++) {
      const when = whenAt(fitTimes(drawn(10, truly, 0.08, seed))!, 1, 10)
      const [low, high] = when.kind === 'at' ? when.interval : when.kind === 'already' ? [10, 10] : [400, null]
      if (low <= 14 && (high === null || high >= 14)) held++
    }
    // a fit of ten points draws its spread from eight degrees of freedom, by normal draws: a little short of 95 %
    expect(held / trials).toBeGreaterThan(0.85)
  })

  it('say "not at this rate" where it ends above, and "already" where it is there', () => {
    expect(whenAt(fitTimes(drawn(60, (n) => 1.3 + n ** -0.8, 0.03))!, 1, 60).kind).toBe('never')
    expect(whenAt(fitTimes(drawn(20, () => 1.5, 0.05))!, 1, 20).kind).toBe('never')
    expect(whenAt(fitTimes(drawn(20, () => 0.9, 0.02))!, 1, 20)).toMatchObject({ kind: 'already', now: expect.closeTo(0.9, 1) })
  })

  it('fall along the curve', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.double({ min: 0.01, max: 2, noNaN: true }),
        fc.integer({ min: 1, max: 90 }),
        (b, c, n) => {
          expect(timeAt({ a: 0.5, b, c }, n + 1)).toBeLessThanOrEqual(timeAt({ a: 0.5, b, c }, n))
        }
      )
    )
    expect(recentRatio(drawn(9, (n) => n))).toBe(7)
    expect(recentRatio([])).toBeNull()
  })
})

describe('a trend', () => {
  // Ref: hand calculation: 1 2 3 4 5: S 10, variance 5*4*15/18 = 16.667, z 9/4.082 = 2.2045, p .0275
  it('is the hand-worked one', () => {
    expect(trendOf([1, 2, 3, 4, 5])).toMatchObject({
      s: 10,
      variance: expect.closeTo(16.6667, 4),
      p: expect.closeTo(0.0275, 4),
      way: 'rises'
    })
    // with ties by hand: 4 4 2 2: S -4, variance (4*3*13 - 2*2*1*9)/18 = 6.6667
    expect(trendOf([4, 4, 2, 2])).toMatchObject({ s: -4, variance: expect.closeTo(6.6667, 4), way: 'noClearChange' })
    expect(trendOf([3, 3, 3, 3])).toMatchObject({ s: 0, p: 1 })
    expect(() => trendOf([1, 2, 3])).toThrow(/values is 3/)
  })
  it('turns round when the series does', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 4, maxLength: 30 }), (values) => {
        const [forth, back] = [trendOf(values), trendOf([...values].reverse())]
        expect(back.s + forth.s).toBe(0)
        expect(back.p).toBeCloseTo(forth.p, 12)
      })
    )
  })
})
