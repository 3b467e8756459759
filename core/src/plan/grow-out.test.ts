import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { coatModel, dateOf, type CoatEntry, type CoatPlace } from '../coat'
import { coatCase, entry } from '../coat/testing'
import { CoreError } from '../error'
import { growOut, HELD_MM } from '.'

const cut = (toMm: number) => ({ kind: 'cut', toMm }) as const
const hole = (widthMm: number) => ({ kind: 'hole', widthMm, cause: 'mat' }) as unknown as CoatEntry['act']
const shaved = (toMm: number, ...places: CoatPlace[]) =>
  coatModel(
    coatCase(
      places.map((place) => entry('2026-04-13', place, 'both', cut(toMm))),
      { isWire: false }
    )
  )
const LEGS = { foreleg: 30 }

describe('growing out', () => {
  it('counted by hand: shaved to 3 mm, wanted at 30, about 2 mm a week', () => {
    const model = shaved(3, 'foreleg')
    const { growth } = model.places.get('foreleg')!
    const { visits, doneDay } = growOut({ model, lengthsMm: LEGS, everyDays: 42 })
    const [first, second] = visits
    expect(first!.day).toBe(model.today + 1)
    // two days of growth since it was shaved
    expect(first!.places[0]).toMatchObject({ region: 'foreleg', takeMm: 0, isThere: false })
    expect(first!.places[0]!.comesMm).toBeCloseTo(3 + 2 * growth.mmPerDay, 6)
    expect(second!.places[0]!.comesMm).toBeCloseTo(3 + 44 * growth.mmPerDay, 6)
    // 27 mm at 0.3 a day are 90 days, and a little for tidied ends: the third or the fourth visit
    const weeks = (doneDay! - model.today) / 7
    expect(weeks).toBeGreaterThanOrEqual(27 / growth.mmPerDay / 7 - 2)
    expect(weeks).toBeLessThanOrEqual(27 / growth.mmPerDay / 7 + 9)
  })

  it('takes nothing while hair is short, ends only after that, and cuts to the trim in the end', () => {
    const { visits } = growOut({ model: shaved(3, 'foreleg', 'back'), lengthsMm: { ...LEGS, back: 10 }, everyDays: 28 })
    for (const { places } of visits)
      for (const { comesMm, takeMm, leftMm, region } of places) {
        const wanted = region === 'back' ? 10 : 30
        expect(takeMm).toBeGreaterThanOrEqual(0)
        expect(leftMm).toBeCloseTo(comesMm - takeMm, 9)
        expect(leftMm).toBeLessThanOrEqual(wanted + 1e-9)
        if (comesMm < wanted / 2) expect(takeMm).toBe(0)
        else if (comesMm < wanted) expect(takeMm).toBeLessThanOrEqual(1.5 + 1e-9)
      }
    expect(visits.at(-1)!.places.every(({ isThere }) => isThere)).toBe(true)
  })

  it('closes a hole sooner than it would close by itself, and says when it is level', () => {
    const entries = [entry('2026-01-10', 'foreleg', 'both', cut(25)), entry('2026-04-13', 'foreleg', 'left', hole(40))]
    const model = coatModel(coatCase(entries, { isWire: false }))
    const { visits, levelDay, doneDay } = growOut({ model, lengthsMm: { foreleg: 60 }, everyDays: 35 })
    expect(visits[0]!.holesLeft).toBe(1)
    expect(levelDay).not.toBeNull()
    const level = visits.find(({ day }) => day === levelDay)!
    const [at] = level.places
    expect(at!.holeMm!).toBeGreaterThanOrEqual(0.85 * at!.leftMm)
    // it is level before the place is as long as wanted
    expect(levelDay!).toBeLessThanOrEqual(doneDay!)
    expect(growOut({ model: shaved(3, 'foreleg'), lengthsMm: LEGS, everyDays: 35 }).levelDay).toBeNull()
  })

  it('says when hair can be banded and wrapped, and what never gets so long', () => {
    const model = coatModel(coatCase([entry('2026-04-13', 'skull', 'middle', cut(10))], { isWire: false }))
    const { terminalMm } = model.places.get('skull')!.growing
    const { bandDay, wrapDay, visits, never } = growOut({ model, lengthsMm: { skull: Math.min(140, terminalMm) }, everyDays: 42 })
    expect(visits.find(({ day }) => day === bandDay)!.places[0]!.leftMm).toBeGreaterThanOrEqual(HELD_MM.band)
    if (wrapDay !== null) expect(wrapDay).toBeGreaterThan(bandDay!)
    expect(never).toEqual([])
    const ears = growOut({ model: shaved(1, 'earOutside'), lengthsMm: { earOutside: 399 }, everyDays: 84 })
    expect(ears.never).toMatchObject([{ region: 'earOutside', wantedMm: 399 }])
    expect(ears.never[0]!.terminalMm).toBeLessThan(399)
  })

  it('keeps to open days, and is sooner there from longer hair or for a shorter trim', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 15, max: 50 }),
        fc.integer({ min: 7, max: 84 }),
        fc.nat(6),
        (from, to, everyDays, shut) => {
          const isOpen = (day: number) => day % 7 !== shut
          const done = (start: number, wanted: number) =>
            growOut({ model: shaved(start, 'foreleg'), lengthsMm: { foreleg: wanted }, everyDays, isOpen })
          const own = done(from, to)
          for (const { day } of own.visits) expect(isOpen(day), dateOf(day)).toBe(true)
          expect(done(from + 1, to).doneDay ?? Infinity).toBeLessThanOrEqual(own.doneDay ?? Infinity)
          expect(done(from, to - 5).doneDay ?? Infinity).toBeLessThanOrEqual(own.doneDay ?? Infinity)
        }
      ),
      { numRuns: 40 }
    )
  })

  it('has no visit where no day is open, and refuses what is none', () => {
    const model = shaved(3, 'foreleg')
    expect(growOut({ model, lengthsMm: LEGS, everyDays: 42, isOpen: () => false })).toMatchObject({ visits: [], doneDay: null })
    for (const everyDays of [0, 6, 121, 30.5]) expect(() => growOut({ model, lengthsMm: LEGS, everyDays })).toThrow(CoreError)
    expect(() => growOut({ model, lengthsMm: {}, everyDays: 42 })).toThrow(CoreError)
  })
})
