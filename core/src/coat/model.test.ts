import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { changed, mending, outcomeOf, sessionsOf, WHAT_IFS, type Rhythm } from './ahead'
import { dateOf, dayOf } from './days'
import { dailyStates } from './daily'
import { coatBounds, coatModel, lagAt, rolledPlaces, stateAt, withSessions, worstLag } from './model'
import { sayDog, sayGrowth, sayPair, sayState, visibleLayers } from './say'
import { COAT_RULES } from './rules'
import { coatCase, entry, JACKET, outOfStep, pulled, rolled } from './testing'
import { warningsOf } from './warn'

const today = dayOf('2026-04-14')
const rhythm: Rhythm = { nextDay: dayOf('2026-04-21'), everyDays: 14, aimDay: dayOf('2026-05-30') }
const kinds = (entries: ReturnType<typeof outOfStep>, sproutDays = 28, days = 0) => [
  ...new Set(warningsOf(coatModel(coatCase(entries, { sproutDays })), today, today + days).map(({ kind }) => kind))
]

describe('left against right', () => {
  it('tells the days between the pulls, who is behind, and the millimetres', () => {
    const model = coatModel(coatCase(outOfStep()))
    const lag = lagAt(model, 'ribs', today)
    // Ref: hand calculation. Bare on 10 November and 21 November: 11 days, 3.3 mm at 0.3 mm a day; half and two tenths rolls leave .31
    expect(lag).toMatchObject({ days: 11, share01: expect.closeTo(0.31, 9), mm: expect.closeTo(3.3, 9) })
    expect(lag.meanDays).toBeCloseTo(0.31 * 11, 6)
    expect(sayPair(model, 'ribs', today)).toBe('Ribs: the left is 11 days behind, and 31 % of its hair is 3 mm shorter.')
  })
  it('is mirrored when the sides are', () => {
    const mirror = outOfStep().map((one) => ({
      ...one,
      side: one.side === 'left' ? ('right' as const) : one.side === 'right' ? ('left' as const) : one.side
    }))
    expect(lagAt(coatModel(coatCase(mirror)), 'ribs', today).days).toBe(-11)
  })
  it('is nought for equal sides, whatever was done to both', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 500 }), fc.constantFrom('lightRoll', 'half', 'all')), { maxLength: 12 }),
        (work) => {
          const entries = work.map(([day, how]) => entry(dateOf(today - day), 'ribs', 'both', pulled(how as 'half')))
          expect(lagAt(coatModel(coatCase(entries, { places: ['ribs'] })), 'ribs', today).days).toBe(0)
        }
      ),
      { numRuns: 60 }
    )
  })
  it('ends when both sides are full grown', () => {
    const entries = [entry('2025-01-10', 'back', 'right', pulled('all')), entry('2025-01-30', 'back', 'left', pulled('all'))]
    const model = coatModel(coatCase(entries))
    expect(lagAt(model, 'back', dayOf('2025-05-01')).days).toBe(20)
    expect(lagAt(model, 'back', today).days).toBe(0)
  })
  it('is the same day by day as one day at a time', () => {
    const model = coatModel(coatCase(outOfStep(), { places: JACKET }))
    const daily = dailyStates(model, today - 100, 200)
    const ribs = daily.find(({ place, side }) => place === 'ribs' && side === 'left')!
    for (let k = 0; k < 200; k += 7) {
      const state = stateAt(model, 'ribs', 'left', today - 100 + k)
      expect(ribs.standingMm[k]).toBeCloseTo(state.standingMm, 4)
      expect(ribs.empty01[k]).toBeCloseTo(state.empty01, 5)
      expect(ribs.lagDays[k]).toBe(lagAt(model, 'ribs', today - 100 + k).days)
    }
  })
})

describe('warnings', () => {
  it('none at an ordinary two-week roll, by either house rule, for a year', () => {
    for (const sproutDays of [28, 42]) {
      const model = coatModel(coatCase(rolled('2025-02-03', '2025-04-28', 14, '2026-04-13'), { sproutDays }))
      for (let day = dayOf('2025-07-01'); day <= today; day += 7) expect(warningsOf(model, day, day)).toEqual([])
      expect(outcomeOf(model, rhythm, 'asPlanned').warnings).toEqual([])
    }
  })
  it('sides out of step', () => {
    expect(kinds(outOfStep())).toEqual(['outOfStep'])
  })
  it('nothing for sides done within the school’s days', () => {
    const entries = [entry('2026-01-05', 'back', 'left', pulled('all')), entry('2026-01-07', 'back', 'right', pulled('all'))]
    expect(kinds(entries)).toEqual([])
  })
  it('going bare: rolled by halves before the last half has sprouted', () => {
    const entries = [
      entry('2025-10-01', 'back', 'both', pulled('all')),
      entry('2026-03-24', 'back', 'both', pulled('half')),
      entry('2026-04-07', 'back', 'both', pulled('half'))
    ]
    const [warning] = warningsOf(coatModel(coatCase(entries)), today, today)
    expect(warning).toMatchObject({ kind: 'goingBare', side: 'both', amount: expect.closeTo(0.75, 9) })
    // the first half sprouts 28 days after 24 March, on 21 April, and shows the day after
    expect(warning.mend).toContain('until hair shows again on 22 April')
  })
  it('pulled bare on purpose is not going bare', () => {
    expect(kinds([entry('2026-04-01', 'back', 'both', pulled('all'))])).toEqual([])
  })
  it('a hole, until it is level', () => {
    const entries = [entry('2026-03-30', 'ribs', 'left', { kind: 'hole', widthMm: 40, cause: 'matCut' })]
    const [hole] = warningsOf(coatModel(coatCase(entries)), today, today)
    expect(hole).toMatchObject({ kind: 'hole', place: 'ribs', side: 'left', amount: 40 })
    // 85 % of 55 mm is 46.75: from 1 mm 152.5 days after 30 March
    expect(hole.say).toContain('level with the coat around it by 30 August')
  })
  it('soft share over the limit on a stripped place only', () => {
    const stripped = [
      entry('2026-01-20', 'chest', 'middle', pulled('all')),
      entry('2026-03-10', 'chest', 'middle', { kind: 'cut', toMm: 4 })
    ]
    expect(kinds(stripped)).toEqual(['soft'])
    expect(kinds([entry('2026-03-10', 'back', 'both', { kind: 'cut', toMm: 3.2 })])).toEqual([])
  })
  it('border clipped with the strip unstripped, and how far the soft line stands', () => {
    const clipped = [
      entry('2026-01-05', 'neckSide', 'both', pulled('all')),
      entry('2026-03-09', 'throat', 'middle', { kind: 'cut', toMm: 1.6 }),
      entry('2026-04-06', 'throat', 'middle', { kind: 'cut', toMm: 1.6 })
    ]
    const found = warningsOf(coatModel(coatCase(clipped)), today, today)
    expect(found.filter(({ kind }) => kind === 'borderUnstripped')).toHaveLength(2)
    expect(found.find(({ place }) => place === 'stripThroat')!.amount).toBeCloseTo(0.75, 9)
    const stripped = [
      entry('2026-03-09', 'stripThroat', 'both', pulled('all')),
      entry('2026-04-06', 'stripThroat', 'both', pulled('all')),
      ...clipped
    ]
    expect(kinds(stripped)).toEqual([])
  })
  it('a border that was stripped after the clipper is quiet, and stays so until it is clipped again', () => {
    const mended = [
      entry('2026-01-05', 'neckSide', 'both', pulled('all')),
      entry('2026-01-12', 'throat', 'middle', { kind: 'cut', toMm: 1.6 }),
      entry('2026-02-01', 'stripThroat', 'both', pulled('all'))
    ]
    expect(kinds(mended)).toEqual([])
    const again = [...mended, entry('2026-04-06', 'throat', 'middle', { kind: 'cut', toMm: 1.6 })]
    expect(kinds(again)).toEqual(['borderUnstripped'])
  })
  it('past rolling: left for three and a half months', () => {
    const entries = [entry('2025-12-20', 'back', 'both', pulled('all'))]
    expect(kinds(entries)).toEqual(['pastRolling'])
    expect(kinds(entries.map((one) => ({ ...one, on: '2026-01-20' })))).toEqual([])
    const ahead = warningsOf(coatModel(coatCase([entry('2026-01-20', 'back', 'both', pulled('all'))])), today, today + 60)
    // 105 days after 20 January is 5 May; the day after is past it
    expect(ahead.map(({ kind, day }) => [kind, dateOf(day)])).toEqual([['pastRolling', '2026-05-06']])
  })
})

describe('what if', () => {
  const model = coatModel(coatCase(outOfStep()))
  const outcomes = WHAT_IFS.map((id) => outcomeOf(model, rhythm, id))
  const of = (id: (typeof WHAT_IFS)[number]) => outcomes.find((one) => one.id === id)!

  it('plans a light roll of both sides every two weeks', () => {
    expect(sessionsOf(rhythm, JACKET).map(({ day }) => dateOf(day))).toEqual(['2026-04-21', '2026-05-05', '2026-05-19'])
    expect(changed(sessionsOf(rhythm, JACKET), 'skipNext').map(({ day }) => dateOf(day))).toEqual(['2026-05-05', '2026-05-19'])
    expect(changed([], 'halfNext')).toEqual([])
  })
  it('half instead of a light roll takes the layer that is out of step', () => {
    // Ref: hand calculation. On 21 April .81 can be gripped; half of it is .405, more than the .31 that are apart
    expect(dateOf(of('halfNext').inStepFrom!)).toBe('2026-04-21')
    expect(of('halfNext').worst).toBeNull()
    expect(of('asPlanned').worst!.lag.days).toBe(11)
    expect(of('asPlanned').inStepFrom!).toBeGreaterThan(rhythm.aimDay)
    expect(of('skipNext').inStepFrom!).toBeGreaterThan(of('asPlanned').inStepFrom!)
  })
  it('one side only makes it worse', () => {
    expect(Math.abs(of('leftNext').worst!.lag.days)).toBeGreaterThan(11)
    expect(Math.abs(of('rightNext').worst!.lag.days)).toBeGreaterThan(11)
  })
  it('pulling it all mends at once, and the coat is not there on the day', () => {
    expect(dateOf(of('allNext').inStepFrom!)).toBe('2026-04-21')
    expect(of('allNext').standingMm).toBeLessThan(10)
  })
  it('names the one that mends without going bare and stands on the day', () => {
    expect(mending(outcomes, 20)!.id).toBe('halfNext')
    const even = coatModel(coatCase(rolled('2025-09-01', '2025-12-01', 14, '2026-04-13')))
    expect(
      mending(
        WHAT_IFS.map((id) => outcomeOf(even, rhythm, id)),
        20
      )
    ).toBeNull()
  })
  it('changes nothing of what was', () => {
    const before = JSON.stringify([...model.places.get('ribs')!.sides.get('left')!.history.steps])
    withSessions(model, sessionsOf(rhythm, JACKET))
    expect(JSON.stringify([...model.places.get('ribs')!.sides.get('left')!.history.steps])).toBe(before)
  })
  it('goes over the stripped places, not over strips', () => {
    const entries = [...outOfStep(), entry('2026-03-01', 'stripThigh', 'both', pulled('all'))]
    expect([...rolledPlaces(coatModel(coatCase(entries)))].sort()).toEqual([...JACKET].sort())
  })
})

describe('a coat with no book', () => {
  const model = coatModel(coatCase([]))
  it('falls back to the prior with a wide interval, and says so', () => {
    expect(model.isEmpty).toBe(true)
    expect(model.growth.method).toBe('prior')
    expect(model.growth.interval[1] - model.growth.interval[0]).toBeGreaterThan(0.3)
    expect(sayDog('Sedge', model, today)).toContain('Nothing is written in Sedge')
    expect(sayGrowth(model.growth)).toContain('the usual rate for dogs')
    expect(worstLag(model, today)).toBeNull()
  })
  it('stands at what its trim leaves where the coat is clipped, full grown where it is stripped', () => {
    const clipped = coatModel(coatCase([], { isWire: false, keptMm: { back: 16 } }))
    expect(stateAt(clipped, 'back', 'left', today).standingMm).toBeCloseTo(16, 0)
    expect(sayDog('Fable', clipped, today)).toContain('the lengths of its trim are assumed')
    expect(stateAt(model, 'back', 'left', today).standingMm).toBe(55)
    expect(sayDog('Sedge', model, today)).toContain('a full-grown coat is assumed')
  })
  it('lies between slow and fast', () => {
    const given = coatCase([entry('2026-02-01', 'back', 'both', pulled('all'))])
    const { slow, fast } = coatBounds(given)
    const mm = [slow, coatModel(given), fast].map((one) => stateAt(one, 'back', 'left', today).standingMm)
    expect(mm[0]).toBeLessThan(mm[1])
    expect(mm[1]).toBeLessThan(mm[2])
  })
})

describe('sentences', () => {
  const model = coatModel(coatCase(outOfStep()))
  it('say the dog, the place and its ages', () => {
    expect(sayDog('Sedge', model, today)).toBe(
      'Sedge: **the sides are 11 days apart**. The left back is behind on 31 % of its hair, and is 3 mm shorter.'
    )
    expect(sayState(stateAt(model, 'back', 'right', today))).toBe('Two ages, to 38 mm; 19 % has no hair showing yet.')
    expect(sayState(stateAt(model, 'back', 'right', dayOf('2025-11-20')))).toBe('Bare: no hair showing yet.')
  })
  it('say what was carded and what was cut', () => {
    const carded = coatModel(coatCase([...outOfStep(), entry('2026-04-01', 'back', 'both', { kind: 'carded' })]))
    expect(sayState(stateAt(carded, 'back', 'right', today))).toContain('undercoat at 55 % after carding')
    const cutToo = coatModel(
      coatCase([entry('2026-01-10', 'chest', 'middle', pulled('all')), entry('2026-03-20', 'chest', 'middle', { kind: 'cut', toMm: 5 })])
    )
    expect(sayState(stateAt(cutToo, 'chest', 'middle', today))).toContain('100 % is soft')
  })
  it('hair closer than two millimetres is one layer to the eye', () => {
    const layers = [0, 0, 8, 9, 20].map((mm) => ({ share01: 0.2, mm, ageDays: 1, bornDay: 0, assumed: false, stand: 'standing' as const }))
    expect(visibleLayers(layers).map((group) => group.map(({ mm }) => mm))).toEqual([[20], [9, 8], [0, 0]])
  })
  it('count the school’s own limits', () => {
    expect(worstLag(model, today)!.lag.days).toBe(11)
    const patient = coatModel(coatCase(outOfStep(), { rules: { ...COAT_RULES, lagDays: 14 } }))
    expect(sayDog('Sedge', patient, today)).toBe('Sedge: **both sides are in step**.')
  })
})
