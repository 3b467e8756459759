import { standards } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { coatModel, dateOf, dayOf, RATE_LIMITS, stateAt, withSessions, type CoatPlace } from '../coat'
import { coatCase, entry, JACKET, pulled, rolled } from '../coat/testing'
import { CoreError } from '../error'
import { normalDraw, randomFrom, wilson } from '../stats'
import { chanceReady, daysNeeded, planBack, READY_CHANCE, surelyMm, wantedOf, type Hair, type Wanted } from '.'

const hair = (more: Partial<Hair> = {}): Hair => ({ growth: { mmPerDay: 0.3, u: 0.03 }, sproutDays: 28, terminalMm: 55, ...more })
/** As good as known: what a count on a wall calendar takes for granted. */
const KNOWN = hair({ growth: { mmPerDay: 0.30001, u: 1e-6 } })
const rates = fc.record({ mmPerDay: fc.double({ min: 0.12, max: 0.5, noNaN: true }), u: fc.double({ min: 0.005, max: 0.1, noNaN: true }) })

describe('the last day to pull', () => {
  // common practice, no published source: four weeks to sprout, then about 2 mm a week
  it.each<[string, number, number, string]>([
    ['chest', 9, 28, '2026-04-02'],
    ['chest by the other school', 9, 42, '2026-03-19'],
    ['back', 20, 28, '2026-02-24'],
    ['ears', 2.4, 28, '2026-04-24']
  ])('counted by hand for 30 May: %s at %s mm, %s days to sprout', (_, mm, sproutDays, on) => {
    const days = daysNeeded(mm, { ...KNOWN, sproutDays })!
    expect(dateOf(dayOf('2026-05-30') - days)).toBe(on)
  })

  it('is the last at which hair is ready nine times in ten, by simulation', () => {
    const random = randomFrom(20261130)
    const many = 4000
    for (const [mmPerDay, u, mm] of [
      [0.3, 0.03, 9],
      [0.3, 0.08, 20],
      [0.18, 0.05, 12]
    ] as const) {
      const own = hair({ growth: { mmPerDay, u } })
      const days = daysNeeded(mm, own)!
      const draw = (): number => {
        const rate = mmPerDay + u * normalDraw(random)
        return rate >= RATE_LIMITS.low && rate <= RATE_LIMITS.high ? rate : draw()
      }
      const drawn = Array.from({ length: many }, draw)
      const ready = (after: number) => drawn.filter((rate) => rate * (after - own.sproutDays) >= mm).length
      expect(wilson(ready(days), many).interval[1], `${mm} mm after ${days} days`).toBeGreaterThanOrEqual(READY_CHANCE)
      // a day later than the last is a day too late
      expect(chanceReady(mm, days - 1, own)).toBeLessThan(READY_CHANCE)
      const [low, high] = wilson(ready(days), many).interval
      const told = chanceReady(mm, days, own)
      expect(told).toBeGreaterThanOrEqual(low - 0.01)
      expect(told).toBeLessThanOrEqual(high + 0.01)
    }
  })

  it('comes sooner for longer hair, a slower coat, a rate known less well and a later sprout', () => {
    fc.assert(
      fc.property(rates, fc.integer({ min: 1, max: 40 }), (growth, mm) => {
        const own = hair({ growth })
        const needs = (more: Partial<Hair>, length = mm) => daysNeeded(length, { ...own, ...more }) ?? Infinity
        expect(needs({}, mm + 1)).toBeGreaterThanOrEqual(needs({}))
        expect(needs({ growth: { ...growth, mmPerDay: growth.mmPerDay * 0.9 } })).toBeGreaterThanOrEqual(needs({}))
        expect(needs({ growth: { ...growth, u: growth.u / 2 } })).toBeLessThanOrEqual(needs({}))
        expect(needs({ sproutDays: 42 })).toBe(needs({}) + 14)
      })
    )
  })

  it('and what hair surely comes to are two sides of one thing', () => {
    fc.assert(
      fc.property(rates, fc.integer({ min: 30, max: 300 }), (growth, days) => {
        const own = hair({ growth })
        const mm = surelyMm(days, own)
        if (mm < 0.1 || mm > 54.9) return
        expect(daysNeeded(mm - 0.05, own)!).toBeLessThanOrEqual(days)
        expect(daysNeeded(mm + 0.1, own)!).toBeGreaterThanOrEqual(days)
      })
    )
  })

  it('is never, where hair stops growing sooner', () => {
    expect(daysNeeded(56, KNOWN)).toBeNull()
    expect(daysNeeded(55, KNOWN)).toBe(28 + 184)
    expect(surelyMm(3000, KNOWN)).toBeCloseTo(55, 2)
    expect(surelyMm(20, KNOWN)).toBeLessThan(0.01)
  })

  it.each([
    ['a length below nought', () => chanceReady(-1, 30, KNOWN)],
    ['a length no hair has', () => chanceReady(500, 30, KNOWN)],
    ['days before the pull', () => chanceReady(9, -3, KNOWN)],
    ['a chance of one', () => daysNeeded(9, KNOWN, 1)]
  ])('refuses %s', (_, run) => expect(run).toThrow(CoreError))
})

const wanted = (places: readonly CoatPlace[], mm: number, minutes = 10): Wanted[] => places.map((place) => ({ place, mm, minutes }))
/** Never pulled but at the chest: full grown all over. */
const grown = () => coatModel(coatCase(JACKET.map((place) => entry('2025-06-01', place, 'both', pulled('all')))))
const AIM = dayOf('2026-08-29')

describe('back from a day', () => {
  it('pulls bare what would stand too long, in time, both sides, and rolls twice two weeks apart', () => {
    const model = grown()
    const { places, sessions, noDay } = planBack({ model, aimDay: AIM, wanted: wanted(JACKET, 12), canStandMin: 120 })
    expect(noDay).toEqual([])
    expect(places.every(({ work }) => work === 'bare')).toBe(true)
    const bare = sessions.filter(({ how }) => how === 'all')
    expect(bare.flatMap((one) => one.places).sort()).toEqual([...JACKET].sort())
    for (const { day, places: own } of bare)
      for (const place of own) expect(day).toBeLessThanOrEqual(places.find((one) => one.place === place)!.lastDay!)
    // the model itself, asked on the day: what was pulled on its last day stands as long as it is wanted
    for (const { place, lastDay } of places) {
      const after = withSessions(model, [{ day: lastDay!, how: 'all', side: 'both', places: [place] }])
      expect(stateAt(after, place, 'left', AIM).standingMm).toBeGreaterThanOrEqual(12)
    }
  })

  it('only rolls a coat that is kept in layers and stands right', () => {
    const model = coatModel(coatCase(rolled('2026-01-12', '2026-03-10', 14, '2026-04-07')))
    const aimDay = dayOf('2026-05-12')
    const stands = stateAt(model, 'back', 'left', aimDay).standingMm
    const { places, sessions } = planBack({ model, aimDay, wanted: wanted(JACKET, Math.round(stands)), canStandMin: 120 })
    expect(places.map(({ work }) => work)).toEqual(JACKET.map(() => 'roll'))
    expect(sessions.map(({ day, how }) => [dateOf(day), how])).toEqual([
      ['2026-04-14', 'lightRoll'],
      ['2026-04-28', 'lightRoll']
    ])
  })

  it('keeps to what the dog can stand and to open days, and never works after a last day', () => {
    const model = grown()
    fc.assert(
      fc.property(
        fc.integer({ min: 15, max: 90 }),
        fc.integer({ min: 0, max: 6 }),
        fc.integer({ min: 70, max: 200 }),
        (canStandMin, shutOn, ahead) => {
          const isOpen = (day: number) => day % 7 !== shutOn
          const aimDay = model.today + ahead
          const back = planBack({ model, aimDay, wanted: wanted(JACKET, 8, 14), canStandMin, isOpen })
          const bare = back.sessions.filter(({ how }) => how === 'all')
          for (const { day, places, minutes } of bare) {
            expect(isOpen(day)).toBe(true)
            expect(day).toBeGreaterThanOrEqual(model.today)
            expect(minutes <= canStandMin || places.length === 1).toBe(true)
            for (const place of places) expect(day).toBeLessThanOrEqual(back.places.find((one) => one.place === place)!.lastDay!)
          }
          const due = back.places.filter(({ work }) => work === 'bare').map(({ place }) => place)
          expect([...bare.flatMap(({ places }) => places), ...back.noDay].sort()).toEqual([...due].sort())
          // as few days as a search through all of them finds, where one day is enough for all
          const total = 14 * due.length
          const first = Math.min(...back.places.map(({ lastDay }) => lastDay!))
          if (total <= canStandMin && due.length > 0 && isOpen(first)) expect(bare).toHaveLength(1)
        }
      )
    )
  })

  it('says what is still possible where a last day is over', () => {
    const model = grown()
    const { places, sessions } = planBack({ model, aimDay: dayOf('2026-05-02'), wanted: wanted(['back'], 12), canStandMin: 120 })
    const [back] = places
    expect([back!.work, back!.lastDay! < model.today]).toEqual(['late', true])
    expect(back!.late.map(({ how }) => how)).toEqual(['leave', 'half', 'all'])
    const [leave, half, all] = back!.late
    expect(leave!.standsMm).toBeGreaterThan(14)
    expect(half!.bare01).toBeCloseTo(0.5, 1)
    // eighteen days: nothing shows yet
    expect([all!.standsMm, all!.bare01, back!.surelyMm < 0.01]).toEqual([0, 1, true])
    // half of it leaves the longer half standing: no nearer, and the rest goes bare
    expect([back!.best, sessions.some(({ how }) => how === 'all')]).toEqual(['leave', false])
  })

  it('says where no open day is left, where hair is too short, and where it never gets so long', () => {
    const model = grown()
    const shut = planBack({ model, aimDay: AIM, wanted: wanted(['back'], 12), canStandMin: 60, isOpen: () => false })
    expect([shut.noDay, shut.sessions]).toEqual([['back'], []])
    const short = coatModel(coatCase([entry('2026-04-10', 'back', 'both', pulled('all'))]))
    const soon = planBack({ model: short, aimDay: dayOf('2026-05-20'), wanted: wanted(['back'], 20), canStandMin: 60 })
    expect([soon.places[0]!.work, soon.sessions]).toEqual(['short', []])
    const ears = coatModel(coatCase([entry('2026-01-10', 'earOutside', 'both', pulled('all'))]))
    const never = planBack({ model: ears, aimDay: AIM, wanted: wanted(['earOutside'], 40), canStandMin: 60 })
    const unknown = planBack({ model: ears, aimDay: AIM, wanted: wanted(['chest'], 9), canStandMin: 60 })
    expect([unknown.places[0]!.work, unknown.sessions]).toEqual(['unknown', []])
    expect(never.places[0]).toMatchObject({ work: 'never', lastDay: null, chance01: 0 })
  })

  it.each([
    ['a day that is over', -1],
    ['today', 0],
    ['more than ten years ahead', 3651],
    ['half a day', 10.5]
  ])('refuses %s', (_, ahead) => {
    const model = grown()
    expect(() => planBack({ model, aimDay: model.today + ahead, wanted: wanted(['back'], 12), canStandMin: 60 })).toThrow(CoreError)
  })
})

describe('what a trim wants', () => {
  it('is every place that it strips, with its length and a share of the minutes; nothing of a trim that strips nothing', () => {
    const show = standards.find(({ id }) => id === 'jacket-show')!
    const places = wantedOf(show.plan)
    expect(places.find(({ place }) => place === 'chest')!.mm).toBe(9)
    expect(places.every(({ minutes }) => minutes > 0)).toBe(true)
    const pulls = new Set(
      (show.plan.work ?? []).flatMap(({ passes }) => passes.flatMap((pass) => (pass.kind === 'pull' ? [pass.technique] : [])))
    )
    const all = show.plan.steps.reduce((sum, { technique, minutes }) => sum + (pulls.has(technique) ? minutes : 0), 0)
    const sum = places.reduce((total, { minutes }) => total + minutes, 0)
    expect(sum).toBeLessThanOrEqual(all + 1e-9)
    expect(wantedOf(standards.find(({ id }) => id === 'teddy')!.plan)).toEqual([])
  })
})
