import { standards } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { coatModel, dateOf, dayOf, HAIR, STRIPS, warningsOf, withSessions, type CoatPlace } from '../coat'
import { coatCase, entry, pulled } from '../coat/testing'
import { bordersOf, planBack, pulledIn, wantedOf, type Back } from '.'

const planOf = (id: string) => standards.find((one) => one.id === id)!.plan
const show = planOf('winter-show')
const borders = bordersOf(show)!
const wanted = wantedOf(show)
/** A stripped coat whose cheeks, throat and rear are clipped: pulled bare in the winter. */
const entries = wanted.map(({ place }) => entry('2026-01-12', place, 'both', pulled('all')))
const model = coatModel(coatCase(entries))
const back = (ahead: number, more: { canStandMin?: number; isOpen?: (day: number) => boolean } = {}) =>
  planBack({ model, aimDay: model.today + ahead, wanted, canStandMin: 120, borders, ...more })
const of = ({ sessions }: Back, how: string) => sessions.find((one) => one.how === how)!

describe('the borders of a trim', () => {
  it('are those along which it clips beside what it strips', () => {
    // the trim's own walk: strips 16 minutes, then the blade at head and rear 10, throat 6, ears 6
    expect(borders.strips).toEqual(STRIPS.map(({ id }) => id))
    expect([borders.stripMinutes, borders.clipMinutes]).toEqual([16, 22])
    for (const { clipped } of STRIPS) expect(borders.clipped).toContain(clipped)
    // hygiene is no border, and of thigh and tail only an edge is clipped
    for (const place of ['anus', 'thigh', 'tail']) expect(borders.clipped).not.toContain(place)
  })

  it('are none where nothing is clipped beside it, or nothing stripped', () => {
    for (const id of ['jacket-show', 'jacket-pet', 'bearded-pet', 'teddy']) expect(bordersOf(planOf(id)), id).toBeNull()
  })
})

describe('back from a day', () => {
  it('strips before the blade, each once: the blade on the day before, strips while they still count as fresh', () => {
    const plan = back(60)
    const [strip, clip] = [of(plan, 'strip'), of(plan, 'clip')]
    expect(clip.day).toBe(model.today + 59)
    expect(clip.day - strip.day).toBeLessThanOrEqual(HAIR.stripFreshDays)
    // in a session that is planned anyhow, the two light rolls being the only ones so near: four weeks before the date
    expect(strip.day).toBe(model.today + 32)
    expect([strip.minutes, clip.minutes]).toEqual([16, 22])
  })

  it('on one day too, where one is all that is left', () => {
    const plan = back(3, { isOpen: (day) => day === model.today + 2 })
    const order = plan.sessions.filter(({ how }) => how === 'strip' || how === 'clip')
    expect(order.map(({ how, day }) => [how, day - model.today])).toEqual([
      ['strip', 2],
      ['clip', 2]
    ])
  })

  it('leaves a session alone that would be too long for the dog', () => {
    const isLong = (canStandMin: number) => of(back(60, { canStandMin }), 'strip').day
    expect(isLong(120)).toBe(model.today + 32)
    const plan = back(60, { canStandMin: 30 })
    const that = plan.sessions.filter(({ day }) => day === of(plan, 'strip').day)
    expect(that.reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(30)
  })

  it('says which borders find no day', () => {
    const plan = back(20, { isOpen: () => false })
    expect(plan.sessions).toEqual([])
    expect(plan.noDay).toEqual(expect.arrayContaining([...borders.strips]))
  })

  it('leaves no border that turns soft, on any date, with any closed weekday; the coat book warns of each without the strips', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 200 }),
        fc.integer({ min: 0, max: 6 }),
        fc.integer({ min: 20, max: 200 }),
        (ahead, shut, stand) => {
          const aimDay = model.today + ahead
          const plan = back(ahead, { canStandMin: stand, isOpen: (day) => day % 7 !== shut || day === model.today })
          const clip = of(plan, 'clip')
          const cuts = clip.places.map((place) => entry(dateOf(clip.day), place as CoatPlace, 'both', { kind: 'cut', toMm: 1.6 }))
          const on = (isKept: boolean) => {
            const strips = isKept ? plan.sessions.filter(({ how }) => how === 'strip') : []
            const done = pulledIn(strips).flatMap(({ day, places }) =>
              places.map((place) => entry(dateOf(day), place, 'both', pulled('all')))
            )
            const later = coatModel(coatCase([...entries, ...done, ...cuts], { dog: { bornOn: null, today: dateOf(aimDay) } }))
            return warningsOf(later, aimDay, aimDay).filter(({ kind }) => kind === 'borderUnstripped').length
          }
          expect(on(true)).toBe(0)
          // both sides of the four paired ones, and the tail
          expect(on(false)).toBe(9)
        }
      ),
      { numRuns: 60 }
    )
  })
})

describe('what a coat is drawn with', () => {
  it('is what was pulled, strips bare; the blade is drawn as the trim has it', () => {
    const plan = back(60)
    const taken = pulledIn(plan.sessions)
    expect(taken.some(({ places }) => places.includes('stripRidge'))).toBe(true)
    expect(taken.some(({ places }) => places.includes('cheek'))).toBe(false)
    expect(taken.every(({ how }) => how === 'all' || how === 'half' || how === 'lightRoll')).toBe(true)
    expect(() => withSessions(model, taken)).not.toThrow()
    expect(dayOf('2026-04-14')).toBe(model.today)
  })
})
