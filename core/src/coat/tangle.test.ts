import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lastsAt, matMinutes, matRisk, matWeeks, ownMatTime, tangleLadder, type CameIn, type TrimPart } from '.'
import { CoreError } from '../error'
import { randomFrom } from '../stats'

const came = (weeks: number, matted: boolean, minutes = 0): CameIn => ({ weeks, matted, minutes })
const parts: TrimPart[] = [
  { region: 'back', targetMm: 6, grownOutMm: 30 },
  { region: 'foreleg', targetMm: 30, grownOutMm: 60 }
]
const ladder = (weeks: number, own = 6, caps = [25, 19, 13, 10, 6, 3], mmPerDay = 0.3) =>
  tangleLadder({ parts, caps, mats: { weeks: own, interval: [own, own], visits: 0 }, minutes: 20 }, weeks, mmPerDay)

describe('how long a dog goes until it mats', () => {
  it('is what its coat says where nothing is known', () => {
    const { weeks, interval, visits } = ownMatTime(6, [])
    expect(weeks).toBeCloseTo(6, 0)
    // a logarithm that spreads by 0.35: half as long, twice as long
    expect(interval[0]).toBeCloseTo(6 * Math.exp(-1.96 * 0.35), 0)
    expect(interval[1]).toBeCloseTo(6 * Math.exp(1.96 * 0.35), 0)
    expect(visits).toBe(0)
  })

  it('falls with every visit it came matted, and rises with every one it did not', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 20 }), fc.boolean()), { maxLength: 8 }),
        fc.integer({ min: 2, max: 16 }),
        (list, weeks) => {
          const history = list.map(([at, matted]) => came(at, matted))
          const now = ownMatTime(6, history).weeks
          expect(ownMatTime(6, [...history, came(weeks, true)]).weeks).toBeLessThanOrEqual(now)
          expect(ownMatTime(6, [...history, came(weeks, false)]).weeks).toBeGreaterThanOrEqual(now)
        }
      )
    )
  })

  it('finds the truth again, by simulation of a curve that is known', () => {
    const random = randomFrom(20261130)
    for (const truth of [4, 7, 11]) {
      let inside = 0
      for (let dog = 0; dog < 60; dog++) {
        const history = Array.from({ length: 14 }, () => {
          const weeks = 3 + Math.floor(random() * 8)
          return came(weeks, random() < matRisk('curly', weeks * (6 / truth), 'never'))
        })
        const { interval } = ownMatTime(6, history)
        if (interval[0] <= truth && truth <= interval[1]) inside++
      }
      // 95 % intervals, a prior that fits two of the three: no fewer than four in five
      expect(inside).toBeGreaterThanOrEqual(48)
    }
  })

  it('counts the minutes it has taken', () => {
    expect(matMinutes([])).toBe(20)
    expect(matMinutes([came(6, true, 30), came(8, true, 50), came(5, false, 99)])).toBe(40)
  })
})

describe('the longest trim that lasts', () => {
  it('by hand: curly and unbrushed at six weeks, legs of 30 mm last six weeks and no longer', () => {
    // common practice, no published source: six weeks are the longest without brushing at home
    expect(matWeeks('curly', 'never')).toBe(6)
    expect(ladder(6).best).toMatchObject({ capMm: 30, ends: 'mats', lastsWeeks: 6 })
    // 6 x root of 30/19 = 7.5 weeks
    expect(lastsAt(6, 19)).toBeCloseTo(7.54, 2)
    expect(ladder(7).best).toMatchObject({ capMm: 19 })
    // hair of 6 mm does not mat, and 24 mm until it is grown out are 11.4 weeks
    expect(ladder(11).best).toMatchObject({ capMm: 6, ends: 'grownOut', lastsWeeks: 11.4, minutes: 0 })
    expect(ladder(20).best).toBeNull()
  })

  it('costs what the chance of mats costs', () => {
    const [full] = ladder(6).rungs
    expect(full).toMatchObject({ minutes: 10, survives: true })
    expect(full!.risk01).toBeCloseTo(0.5, 9)
  })

  it('never shorter for a shorter interval, a coat that mats later, or one that grows slower', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 30 }), fc.double({ min: 2, max: 20, noNaN: true }), (weeks, own) => {
        const cap = (at: number, w50: number, rate = 0.3) => ladder(at, w50, undefined, rate).best?.capMm ?? 0
        expect(cap(Math.max(1, weeks - 1), own)).toBeGreaterThanOrEqual(cap(weeks, own))
        expect(cap(weeks, own + 1)).toBeGreaterThanOrEqual(cap(weeks, own))
        expect(cap(weeks, own, 0.2)).toBeGreaterThanOrEqual(cap(weeks, own))
        for (const { survives, lastsWeeks } of ladder(weeks, own).rungs) if (survives) expect(lastsWeeks).toBeGreaterThan(weeks - 0.1)
      })
    )
  })

  it.each([
    ['no weeks', () => ladder(0)],
    ['more than a year', () => ladder(53)],
    ['a trim without lengths', () => tangleLadder({ parts: [], caps: [3], mats: ownMatTime(6, []), minutes: 20 }, 6, 0.3)],
    ['a coat that never mats', () => ownMatTime(0, [])],
    ['weeks before the groom', () => ownMatTime(6, [came(-1, true)])]
  ])('refuses %s', (_, run) => expect(run).toThrow(CoreError))
})
