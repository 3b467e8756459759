import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dateOf, dayOf } from './days'
import { historyOf, lengthsOn, stepOn, type DatedAct } from './history'
import { after, cut, daysToLength, lengthOn, pull } from './layers'
import { COAT_RULES } from './rules'
import { briefOn, lengthQuantile, stateOn } from './state'
import { GROWING } from './testing'
import type { CoatAct, HairLayer } from './types'

const grown = (share01: number, bornDay: number): HairLayer => ({
  share01,
  bornDay,
  day0: bornDay + 28,
  mm0: 0,
  cutDay: null,
  assumed: false
})
const acts = (...all: readonly (readonly [number, CoatAct])[]): DatedAct[] => all.map(([day, act]) => ({ day, act }))
const roll: CoatAct = { kind: 'pulled', how: 'lightRoll' }
const half: CoatAct = { kind: 'pulled', how: 'half' }
const all: CoatAct = { kind: 'pulled', how: 'all' }

describe('days', () => {
  it('counts from 1970 and back', () => {
    expect(dayOf('1970-01-02')).toBe(1)
    expect(dateOf(dayOf('2026-03-29'))).toBe('2026-03-29')
  })
  it('refuses what is no date', () => {
    expect(() => dayOf('14 April')).toThrow('date is 14 April; it must be a date such as 2026-04-14.')
    expect(() => dayOf('2026-02-31x')).toThrow('it must be a date')
  })
})

describe('growth of one layer', () => {
  // Ref: common practice, no published source: sprouting 4 to 6 weeks, then about 0.3 mm a day; 20 mm are three to four months
  it('stands at 20 mm 95 to 109 days after it was pulled', () => {
    expect(daysToLength(20, { ...GROWING, sproutDays: 28 })).toBe(95)
    expect(daysToLength(20, { ...GROWING, sproutDays: 42 })).toBe(109)
  })
  it('says when hair never gets so long', () => {
    expect(daysToLength(60, GROWING)).toBeNull()
  })
  it('is the inverse of the length on a day', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 54, noNaN: true }), (mm) => {
        const days = daysToLength(mm, GROWING)!
        const layer = grown(1, 0)
        expect(lengthOn(layer, days, GROWING)).toBeGreaterThanOrEqual(mm - 1e-6)
        expect(lengthOn(layer, days - 1, GROWING)).toBeLessThan(mm)
      })
    )
  })
  it('stops at its terminal length', () => {
    expect(lengthOn(grown(1, 0), 1000, GROWING)).toBe(55)
  })
})

describe('schedules worked by hand', () => {
  // Ref: hand calculation. One age of 2026-01-01 (day 0); light roll takes a tenth of what can be gripped, 28 days to sprout, 0.3 mm a day.
  // A roll of day 70 sprouts on day 98 and can be gripped (6 mm) 20 days later, on day 118.
  const begun = (rolls: readonly number[], act = roll) =>
    historyOf([{ day: 0, act: all }, ...rolls.map((day) => ({ day, act }))], 0, GROWING, COAT_RULES)

  it('every two weeks: .1, .09, .081 of the hair are two, four and six weeks behind', () => {
    const history = begun([70, 84, 98])
    expect(lengthsOn(history, 112).map(({ share01 }) => share01)).toEqual([0.081, 0.09, 0.1, 0.729])
    // on day 112 the rolls are 42, 28 and 14 days old: 4.2 mm, sprouting today, nothing
    expect(lengthsOn(history, 112).map(({ mm }) => Math.round(mm * 10) / 10)).toEqual([0, 0, 4.2, 25.2])
    expect(stateOn(history, 112).empty01).toBeCloseTo(0.171, 9)
  })
  it('every four weeks: each roll shows again when the next is due', () => {
    const history = begun([70, 98, 126])
    // .1, then .9 x .1, then what can be gripped is .81 and the first roll (8.4 mm on day 126): .91 x .1
    expect(lengthsOn(history, 126).map(({ share01 }) => share01)).toEqual([0.091, 0.09, 0.1, 0.719])
    expect(stateOn(history, 125).empty01).toBeCloseTo(0.09, 9)
  })
  it('every six weeks, half: the older half goes each time', () => {
    const history = begun([84, 126], half)
    // day 126: the first half is 42 days old, 14 past sprouting, 4.2 mm: too short to grip. Half of the other .5 is pulled.
    expect(lengthsOn(history, 126)).toEqual([
      { mm: 0, share01: 0.25 },
      { mm: expect.closeTo(4.2, 9), share01: 0.5 },
      { mm: expect.closeTo(29.4, 9), share01: 0.25 }
    ])
  })
  it('takes the longest first', () => {
    const layers = [grown(0.4, 60), grown(0.6, 0)]
    expect(pull(layers, 0.5, 120, GROWING).map(({ share01, bornDay }) => [share01, bornDay])).toEqual([
      [0.5, 120],
      [0.4, 60],
      [0.1, 0]
    ])
  })
  it('pulls nothing where nothing can be gripped', () => {
    const layers = [grown(1, 100)]
    expect(pull(layers, 1, 140, GROWING)).toBe(layers)
  })
})

describe('cutting', () => {
  it('shortens what is longer and leaves the rest; its age goes on', () => {
    const short = cut([grown(0.3, 90), grown(0.7, 0)], 10, 1, 120, GROWING)
    expect(short.map(({ share01, bornDay, cutDay }) => [share01, bornDay, cutDay])).toEqual([
      [0.3, 90, null],
      [0.7, 0, 120]
    ])
    expect(lengthOn(short[1], 130, GROWING)).toBeCloseTo(13, 9)
  })
  it('leaves soft hair until it is pulled', () => {
    const history = historyOf(acts([0, all], [100, { kind: 'cut', toMm: 5 }], [140, all]), 0, GROWING, COAT_RULES)
    expect(stateOn(history, 99).soft01).toBe(0)
    expect(stateOn(history, 120).soft01).toBe(1)
    expect(stateOn(history, 141).soft01).toBe(0)
  })
  it('cuts a share of a strip each time: a half, three quarters, seven eighths', () => {
    const along: CoatAct = { kind: 'cut', toMm: 1.6, share01: 0.5 }
    const history = historyOf(acts([0, all], [120, along], [150, along], [180, along]), 0, GROWING, COAT_RULES)
    expect([121, 151, 181].map((day) => stateOn(history, day).soft01)).toEqual([0.5, 0.75, 0.875])
  })
})

describe('a strip that is clipped for years', () => {
  it('keeps as many layers as it was cut times, and its shares sum to one', () => {
    const cuts = Array.from({ length: 60 }, (_, k): readonly [number, CoatAct] => [100 + 30 * k, { kind: 'cut', toMm: 1.6, share01: 0.5 }])
    const history = historyOf(acts([0, all], ...cuts), 0, GROWING, COAT_RULES)
    const state = stateOn(history, 100 + 30 * 60)
    expect(state.layers.length).toBeLessThan(62)
    expect(state.layers.reduce((sum, { share01 }) => sum + share01, 0)).toBeCloseTo(1, 8)
    expect(state.soft01).toBeGreaterThan(0.999)
  })
})

describe('undercoat and holes', () => {
  it('is carded out to two fifths and back in twelve weeks', () => {
    const history = historyOf(acts([0, { kind: 'carded' }]), 0, GROWING, COAT_RULES)
    expect(stateOn(history, 0).undercoat01).toBeCloseTo(0.4, 9)
    expect(stateOn(history, 42).undercoat01).toBeCloseTo(0.9, 9)
    expect(stateOn(history, 84).undercoat01).toBe(1)
  })
  it('carding takes no guard hair', () => {
    const before = historyOf(acts([0, all]), 0, GROWING, COAT_RULES)
    const carded = historyOf(acts([0, all], [90, { kind: 'carded' }]), 0, GROWING, COAT_RULES)
    expect(lengthsOn(carded, 91)).toEqual(lengthsOn(before, 91))
  })
  it('a cut-out mat grows at once, a pulled hole waits until it sprouts', () => {
    const mat = historyOf(acts([0, { kind: 'hole', widthMm: 40, cause: 'matCut' }]), 0, GROWING, COAT_RULES)
    const bare = historyOf(acts([0, { kind: 'hole', widthMm: 20, cause: 'pulled' }]), 0, GROWING, COAT_RULES)
    expect(stateOn(mat, 20).holes[0].mm).toBeCloseTo(7, 9)
    expect(stateOn(bare, 20).holes[0].mm).toBe(0)
    // full grown is 55 mm: level at 85 % of it
    expect(stateOn(mat, 160).holes[0].isLevel).toBe(true)
    expect(stateOn(mat, 100).holes[0].isLevel).toBe(false)
  })
  it('a hole is gone where the coat around it is cut as short', () => {
    const step = historyOf(acts([0, { kind: 'hole', widthMm: 40, cause: 'matCut' }]), 0, GROWING, COAT_RULES).steps.at(-1)!
    expect(after(step, { kind: 'cut', toMm: 3.2 }, 20, GROWING, COAT_RULES).holes).toEqual([])
  })
})

describe('laws of any book', () => {
  const act = fc.oneof(
    fc.constantFrom<CoatAct>(roll, half, all, { kind: 'carded' }),
    fc.record({ kind: fc.constant('cut' as const), toMm: fc.double({ min: 0.25, max: 40, noNaN: true }) }),
    fc.record({
      kind: fc.constant('pulled' as const),
      how: fc.constant('half' as const),
      share01: fc.double({ min: 0.01, max: 1, noNaN: true })
    })
  )
  const books = fc.array(fc.tuple(fc.integer({ min: 0, max: 40 }), act), { minLength: 1, maxLength: 25 }).map((steps) => {
    let day = 0
    return steps.map(([gap, one]): DatedAct => ({ day: (day += gap), act: one }))
  })
  const growing = fc.record({
    mmPerDay: fc.double({ min: 0.05, max: 0.6, noNaN: true }),
    sproutDays: fc.constantFrom(28, 42),
    terminalMm: fc.constantFrom(25, 55, 90)
  })

  // Found with seed 939701537: two layers of 2.4 mm that differ in their last digit
  const rolled = (day: number): DatedAct => ({ day, act: { kind: 'pulled', how: 'lightRoll' } })
  const ONE_LENGTH_TWICE: [DatedAct[], { mmPerDay: number; sproutDays: number; terminalMm: number }] = [
    [
      { day: 0, act: { kind: 'pulled', how: 'half', share01: 0.01 } },
      ...[5, 6, 34].map(rolled),
      { day: 47, act: { kind: 'cut', toMm: 0.25 } }
    ],
    { mmPerDay: 0.05, sproutDays: 42, terminalMm: 25 }
  ]

  it('shares sum to one, lengths and ages only grow between acts, and states agree', () => {
    let checked = 0
    fc.assert(
      fc.property(books, growing, (book, grows) => {
        const history = historyOf(book, 0, grows, COAT_RULES)
        for (let day = -1; day < 800; day += 13) {
          const state = stateOn(history, day)
          expect(state.layers.reduce((sum, { share01 }) => sum + share01, 0)).toBeCloseTo(1, 6)
          const brief = briefOn(history, day)
          expect(brief.standingMm).toBeCloseTo(state.standingMm, 9)
          expect(brief.empty01).toBeCloseTo(state.empty01, 9)
          expect(brief.soft01).toBeCloseTo(state.soft01, 9)
          const mm = state.layers.map((layer) => layer.mm)
          // two layers of one length may differ in the last digit, either way
          for (let i = 1; i < mm.length; i++) expect(mm[i]).toBeGreaterThanOrEqual(mm[i - 1] - 1e-9)
          checked++
        }
        for (let k = 0; k < history.steps.length; k++) {
          const { layers, day } = history.steps[k]
          for (const layer of layers) {
            expect(lengthOn(layer, day + 9, grows)).toBeGreaterThanOrEqual(lengthOn(layer, day, grows))
            expect(layer.bornDay).toBeLessThanOrEqual(day)
          }
        }
      }),
      { numRuns: 150, examples: [ONE_LENGTH_TWICE] }
    )
    expect(checked).toBeGreaterThan(5000)
  })
  it('pulling never lengthens what stands, and cutting leaves nothing longer', () => {
    fc.assert(
      fc.property(books, growing, fc.double({ min: 1, max: 30, noNaN: true }), (book, grows, toMm) => {
        const history = historyOf(book, 0, grows, COAT_RULES)
        const day = book.at(-1)!.day + 30
        const before = stateOn(history, day)
        const step = after(stepOn(history, day), { kind: 'cut', toMm }, day, grows, COAT_RULES)
        expect(Math.max(...step.layers.map((layer) => lengthOn(layer, day, grows)))).toBeLessThanOrEqual(toMm + 1e-9)
        const pulledStep = after(stepOn(history, day), roll, day, grows, COAT_RULES)
        const meanAfter = pulledStep.layers.reduce((sum, layer) => sum + layer.share01 * lengthOn(layer, day, grows), 0)
        expect(meanAfter).toBeLessThanOrEqual(before.meanMm + 1e-9)
      }),
      { numRuns: 150 }
    )
  })
})

describe('the length a coat stands at', () => {
  it('is the layer that nine tenths of the hair do not exceed', () => {
    const layers = [
      { mm: 0, share01: 0.2 },
      { mm: 8, share01: 0.3 },
      { mm: 20, share01: 0.45 },
      { mm: 33, share01: 0.05 }
    ]
    expect(lengthQuantile(layers, 0.9)).toBe(20)
    expect(lengthQuantile(layers, 0.96)).toBe(33)
    expect(lengthQuantile(layers, 0.5)).toBe(8)
  })
})
