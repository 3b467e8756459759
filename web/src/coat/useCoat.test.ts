// A coat on its page: the days asked for, what mends it, what is sent to its book.
import { rack, standards } from '@peen/content'
import { NO_AIM, NO_PROFILE, type BookLine, type CoatPage } from '@peen/contract'
import { COAT_RULES, dayOf, growthOf, trimInterval, trimParts, type CoatAct, type CoatEntry, type CoatPlace } from '@peen/core/coat'
import { USUAL_OPENING } from '@peen/core/day'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { ok, refusal, settled, signedIn, stubServer, unstub } from '../testing/server'
import { AGE_IDS, ageOf, isWritten, wornOn } from './ages'
import { sayWeeks } from './interval'
import { fewOf, namesOf, useBack } from './useBack'
import { rhythmOf, useCoat } from './useCoat'
import { sayAct, sayPlaces, together } from './words'

let lines: BookLine[]
let server: ReturnType<typeof stubServer>
let count = 0
const line = (on: string, place: CoatPlace, side: BookLine['side'], act: CoatAct, more: Partial<BookLine> = {}): BookLine => ({
  ...{ id: `l${++count}`, on, place, side, act, hands: null },
  ...{ source: 'floor', handsName: 'Noor Basri', writtenBy: null, struck: null, ...more }
})
const pulled = (how: 'lightRoll' | 'half' | 'all'): CoatAct => ({ kind: 'pulled', how })
const page = (): CoatPage => ({
  dog: {
    ...NO_PROFILE,
    ...{ id: 'd', name: 'Sedge', bodyType: 'terrier', coat: 'wire', colour: 'saddle', withersMm: 375, canStandMin: 70 },
    ...{ temperament: 'keen', dislikes: '', burns: [], facts: [], ownerGivenName: null, coatType: 'wire', standing: null }
  },
  ...{
    today: '2026-04-14',
    isWire: true,
    rules: COAT_RULES,
    sproutDays: 28,
    opening: USUAL_OPENING,
    tangles: [],
    off: [],
    lines,
    rack,
    house: {},
    unread: [],
    people: []
  },
  aim: { ...NO_AIM, aimOn: '2026-05-30', nextOn: '2026-04-21' },
  standard: standards.find(({ id }) => id === 'jacket-show')!,
  written: standards.find(({ id }) => id === 'jacket-show')!
})
const PLACES = ['back', 'ribs'] as const
beforeEach(() => {
  lines = PLACES.flatMap((place) => [
    line('2025-11-10', place, 'right', pulled('all')),
    line('2025-11-21', place, 'left', pulled('all')),
    line('2026-01-26', place, 'both', pulled('half')),
    line('2026-03-23', place, 'both', pulled('lightRoll')),
    line('2026-04-07', place, 'both', pulled('lightRoll'))
  ])
  server = stubServer(({ method }) => (method === 'GET' ? ok(page()) : ok({ written: 1 })))
  signedIn()
})
afterEach(unstub)
async function atThePage() {
  const desk = useCoat(() => 'd')
  await settled()
  return desk
}

describe('a coat on its page', () => {
  it('shows today first, at the place furthest apart, with what mends it', async () => {
    const desk = await atThePage()
    expect(desk.shownDay.value).toBe(dayOf('2026-04-14'))
    expect(desk.shownPlace.value).toBe('back')
    expect(desk.worst.value!.lag.days).toBe(11)
    expect(desk.mends.value!.id).toBe('halfNext')
    expect(desk.compared.value.map(({ id }) => id)).toEqual(['asPlanned', 'halfNext', 'skipNext'])
    expect(desk.warnings.value.map(({ kind }) => kind)).toEqual(['outOfStep', 'outOfStep'])
  })
  it('works back from the date: what needs a decision first, both sides on one day, the coat as it comes to the date', async () => {
    const desk = await atThePage()
    const { why, back, rows, kept, nextBare } = useBack(desk)
    expect(why.value).toBeNull()
    // the chest was never written of; the hair of November is too long by then, and half of it can still be pulled
    const at = (place: CoatPlace) => back.value!.places.find((one) => one.place === place)!
    expect([at('chest').mm, at('chest').work]).toEqual([9, 'unknown'])
    expect([at('back').work, at('back').late.length, at('back').best]).toEqual(['late', 3, 'half'])
    expect(rows.value[0]!.work).toBe('late')
    expect(back.value!.sessions[0]).toMatchObject({ day: dayOf('2026-04-14'), how: 'half', places: ['back', 'ribs'] })
    expect(back.value!.sessions.every(({ day }) => day >= dayOf('2026-04-14') && day < dayOf('2026-05-30'))).toBe(true)
    expect(nextBare.value).toBeNull()
    expect(kept.value!.places.size).toBe(desk.model.value!.places.size)
    expect(namesOf(['back', 'chest'])).toBe('back, chest')
    expect(fewOf(['back', 'ribs', 'loin', 'chest'])).toEqual({ places: 'back, ribs, loin', more: 1 })
  })
  it.each([
    ['no date', { aimOn: null }, 'noDay'],
    ['a date that is over', { aimOn: '2026-04-14' }, 'over']
  ])('has nothing to work back from with %s', async (_, aim, word) => {
    server = stubServer(() => ok({ ...page(), aim: { ...NO_AIM, ...aim } }))
    const { why, back } = useBack(await atThePage())
    expect([why.value, back.value]).toEqual([word, null])
  })
  it('nor for a trim that strips nothing', async () => {
    server = stubServer(() => ok({ ...page(), standard: standards.find(({ id }) => id === 'teddy')! }))
    expect(useBack(await atThePage()).why.value).toBe('noStripping')
  })
  it('compares what one picks', async () => {
    const desk = await atThePage()
    desk.compare(2, 'leftNext')
    expect(desk.compared.value[2].id).toBe('leftNext')
    expect(Math.abs(desk.compared.value[2].worst!.lag.days)).toBeGreaterThan(11)
  })
  it('a struck line counts no more', async () => {
    lines = lines.map((one) => (one.on === '2025-11-21' ? { ...one, on: '2025-11-21', struck: { by: 'Ruben', reason: 'wrong' } } : one))
    const desk = await atThePage()
    expect(desk.worst.value!.lag.days).not.toBe(11)
  })
  it('reaches from the first line to a month beyond the day that counts', async () => {
    const { range } = await atThePage()
    expect(range.value).toEqual({ from: dayOf('2025-11-03'), to: dayOf('2026-06-27') })
  })
  it('tells between which lengths it may stand, for what was, not for what is planned', async () => {
    const desk = await atThePage()
    const [slow, fast] = desk.lengthBetween('back', 'left', dayOf('2026-04-14'))!
    expect(slow).toBeLessThan(fast)
    expect(desk.lengthBetween('back', 'left', dayOf('2026-05-14'))).toBeNull()
  })
  const LINE: CoatEntry = { id: 'x', on: '2026-04-14', place: 'back', side: 'middle', act: { kind: 'carded' }, hands: null }
  it('sends lines, strikes and aims, and says what was refused', async () => {
    const desk = await atThePage()
    await desk.write([LINE])
    await desk.strike(['l1'], 'wrong dog')
    await desk.keepAim(NO_AIM)
    expect(server.asked.filter(({ method }) => method !== 'GET').map(({ method, path }) => `${method} ${path}`)).toEqual([
      'POST /coats/d/lines',
      'POST /coats/d/struck',
      'PUT /coats/d/aim'
    ])
    server.answer = ({ method }) => (method === 'GET' ? ok(page()) : refusal(422, 'Back, 24 Dec 2021: the dog was born on 14 Sep 2021.'))
    await desk.write([LINE])
    expect(desk.problem.value).toContain('the dog was born on 14 Sep 2021')
  })
  it('works out a rhythm where nobody set one', () => {
    const today = dayOf('2026-04-14')
    expect(rhythmOf(NO_AIM, today)).toEqual({ nextDay: today + 7, everyDays: 14, aimDay: today + 42 })
    expect(rhythmOf({ ...NO_AIM, nextOn: '2026-01-01', aimOn: '2026-02-01' }, today)).toMatchObject({ nextDay: today, aimDay: today })
  })
})

describe('the coat as the figure wears it', () => {
  it('each side at its own length, places without a book as the trim has them', async () => {
    const desk = await atThePage()
    const plan = standards.find(({ id }) => id === 'jacket-show')!.plan.lengthsMm
    const worn = wornOn(desk.model.value!, desk.today.value, plan, 'ages', false)
    expect(worn.lengthsB.ribs! - worn.lengths.ribs!).toBeCloseTo(3.3, 1)
    expect(worn.lengths.foreleg).toBe(plan.foreleg)
    expect(isWritten(desk.model.value!, 'foreleg')).toBe(false)
    expect(worn.ages.ribs!.reduce((sum, { share01 }) => sum + share01, 0)).toBeCloseTo(1, 2)
    expect(worn.ages.ribs!.filter(({ mm }) => mm > 0).every(({ rgb }) => rgb !== undefined)).toBe(true)
    const own = wornOn(desk.model.value!, desk.today.value, plan, 'own', false)
    expect(own.ages.ribs!.every(({ rgb }) => rgb === undefined)).toBe(true)
  })
  it('has a colour and a word for every age that shows', () => {
    const layer = (stand: 'empty' | 'standing' | 'ripe' | 'cut' | 'sprouting', weeks: number) =>
      ageOf({ stand, ageDays: 7 * weeks, share01: 1, mm: 9, bornDay: 0, assumed: false })
    expect([layer('standing', 6), layer('standing', 12), layer('standing', 20)]).toEqual(['young', 'middle', 'old'])
    expect([layer('sprouting', 5), layer('ripe', 30), layer('cut', 2)]).toEqual(['sprouting', 'ripe', 'cut'])
    expect(layer('empty', 2)).toBeNull()
    expect(new Set(AGE_IDS).size).toBe(6)
  })
})

describe('when a trim comes back', () => {
  const companion = standards.find(({ id }) => id === 'companion')!
  it('takes each place of the trim once, with its grown-out length', () => {
    const parts = trimParts(companion)
    expect(parts.find(({ region }) => region === 'back')).toEqual({ region: 'back', targetMm: 16, grownOutMm: 32 })
    expect(new Set(parts.map(({ region }) => region)).size).toBe(parts.length)
  })
  // Ref: common practice, no published source: 4 weeks ideal, 5 fair, 6 at most unless brushed at home
  it('is said in whole weeks: 4, 5 and 6 for a companion trim nobody brushes', () => {
    const interval = trimInterval(trimParts(companion), 'curly', 'never', () => growthOf([]))!
    expect(sayWeeks(interval)).toEqual({ ideal: 4, fair: 5, longest: 6 })
    expect(sayWeeks({ ...interval, idealWeeks: 0.4, fairWeeks: 0.5, longestWeeks: 0.8 })).toEqual({ ideal: 1, fair: 1, longest: 1 })
  })
})

describe('the words of the book', () => {
  const day = (date: string) => date
  it('say every act', () => {
    expect(sayAct(pulled('lightRoll'), day)).toBe('pulled, light roll')
    expect(sayAct({ kind: 'pulled', how: 'half', share01: 0.33 }, day)).toBe('pulled, half, 33 %')
    expect(sayAct({ kind: 'cut', toMm: 3.2 }, day)).toBe('cut to 3.2 mm')
    expect(sayAct({ kind: 'hole', widthMm: 40, cause: 'matCut' }, day)).toBe('hole 40 mm, a mat cut out')
    expect(sayAct({ kind: 'length', mm: 12.44, uMm: 0.7 }, day)).toBe('12.4 mm, measured')
    expect(sayAct({ kind: 'gap', mm: 23, olderOn: 'a', newerOn: 'b' }, day)).toBe('layers of a and b, 23 mm apart')
    expect(sayAct({ kind: 'carded' }, day)).toBe('carded')
  })
  it('lines that say the same of several places are one', () => {
    const groups = together([
      line('2026-04-07', 'back', 'both', pulled('half')),
      line('2026-04-07', 'ribs', 'both', pulled('half')),
      line('2026-04-07', 'chest', 'middle', pulled('half')),
      line('2026-04-07', 'loin', 'left', pulled('half')),
      line('2026-04-07', 'croup', 'both', pulled('half'), { handsName: null, hands: 'other' })
    ])
    expect(groups.map(sayPlaces)).toEqual(['Back, ribs and chest, both sides', 'Loin, left', 'Croup, both sides'])
  })
})
