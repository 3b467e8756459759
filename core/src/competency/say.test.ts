// The sentences above the charts and above the wall, on hand-made attempts with known answers.
import { describe, expect, it } from 'vitest'
import {
  needOf,
  perWeek,
  sayHelp,
  sayJointRisk,
  sayLearning,
  sayTimes,
  sayWall,
  sayWatching,
  scarce,
  standingOf,
  timedOf,
  wordOf,
  type AttemptRecord,
  type Person,
  type Placed
} from '.'

const TODAY = '2026-04-14'
const day = (ago: number) => new Date(Date.parse(TODAY) - ago * 86400000).toISOString().slice(0, 10)
/** One attempt every other day, the last one yesterday. */
const tried = (n: number, of: (i: number) => Partial<AttemptRecord> = () => ({})): AttemptRecord[] =>
  Array.from({ length: n }, (_, i) => ({
    ...{ visitId: `s${i}`, onDate: day(1 + 2 * (n - 1 - i)), dogId: `d${i % 3}`, dogName: 'Flint', coat: 'wire' },
    ...{ clean: true, counts: true, minutes: 10, planMinutes: 10, prompts: 0, help: 'alone' as const, sides: 'both' as const, because: '' },
    ...{ safetyEvents: 0, seriousSafety: false },
    ...of(i)
  }))
const stand = (attempts: AttemptRecord[]) => standingOf({ techniqueName: 'x', attempts, passedTrimOn: null, liftedOn: null, today: TODAY })

describe('above the learning chart', () => {
  it('stands where it is, how often it was clean, and how often luck would say otherwise', () => {
    expect(sayLearning(stand([]))).toBe('No attempts yet that count.')
    const said = sayLearning(stand(tried(10, (i) => ({ clean: i !== 4 }))))
    // by hand: 4 clean, one miss takes it to 0, 5 clean; Wilson of 9 in 10 is 60 to 98 %
    expect(said).toContain('Now at 5 of 14 points. 9 of 10 clean (60 % to 98 %).')
    expect(said).toContain(
      'Of 100 apprentices who are still faulty too often, 4 would get there by luck within 30 attempts; of 100 who are competent, 92 do.'
    )
    expect(sayLearning(stand(tried(14)))).toContain(`Reached ready on 13 April 2026.`)
  })
})

describe('above the monitoring chart', () => {
  it('is quiet, counts, or has alarmed', () => {
    expect(sayWatching(stand(tried(16)))).toBe('All well: 0 points; the alarm is at 13.')
    expect(sayWatching(stand(tried(15, (i) => ({ clean: i < 14 }))))).toBe(
      'Now at 6 points; the alarm is at 13. Each clean attempt takes one off.'
    )
    expect(sayWatching(stand(tried(16, (i) => ({ clean: i < 14 }))))).toMatch(/^Starting to slip: 2 of the last 2 not clean/)
    expect(sayWatching(stand(tried(17, (i) => ({ clean: i < 14 }))))).toMatch(/^The alarm at 13 points was reached/)
  })
})

describe('above the help', () => {
  it('tells the latest five, and whether help falls', () => {
    expect(sayHelp(tried(3, () => ({ help: 'onePrompt' })))).toBe('0 of the last 3 alone, mostly one prompt.')
    const levels = [
      'shown',
      'shown',
      'handsGuided',
      'handsGuided',
      'talkedThrough',
      'talkedThrough',
      'onePrompt',
      'onePrompt',
      'alone',
      'alone'
    ] as const
    expect(sayHelp(tried(10, (i) => ({ help: levels[i] })))).toBe(
      '2 of the last 5 alone, mostly one prompt; help falls over the last 10 (by chance alone in under 1 % of cases).'
    )
    expect(sayHelp(tried(8, (i) => ({ help: i % 2 ? 'alone' : 'onePrompt' })))).toMatch(/no clear change over the last 8\.$/)
    expect(sayHelp(tried(4, () => ({ counts: false })))).toBe('No attempts yet that count.')
  })
})

describe('above the minutes', () => {
  it('says when, at this rate, with its bounds; or that it is there; or that it does not come', () => {
    expect(sayTimes([], 'new', TODAY).say).toBe('No times yet to compare with the plan.')
    expect(
      sayTimes(
        tried(3, () => ({ minutes: 15 })),
        'practising',
        TODAY
      ).say
    ).toBe('Now takes 1.5 times the planned time. Five attempts are needed to say more.')
    // by hand: 2.2 n^-.3 comes to 1 at the 14th; nine are done, so five more at 9 in 8 weeks
    const falling = tried(9, (i) => ({ minutes: 22 * (i + 1) ** -0.3 }))
    expect(perWeek(falling, TODAY)).toBe(9 / 8)
    const { when, say } = sayTimes(falling, 'practising', TODAY)
    expect(when).toMatchObject({ kind: 'at', attempt: 14 })
    expect(say).toMatch(
      /At 1\.1 a week it reaches the planned time about 16 May 2026, after 5 times more \(between .+\)\. Clean comes before quick/
    )
    expect(
      sayTimes(
        tried(20, () => ({ minutes: 15 })),
        'competent',
        TODAY
      ).say
    ).toMatch(/it will not reach the planned time\.$/)
    expect(
      sayTimes(
        tried(20, () => ({ minutes: 9 })),
        'competent',
        TODAY
      ).say
    ).toMatch(/It has come down to the planned time\.$/)
  })
  it('leaves out what does not count, and what no plan knows, but keeps the number of the attempt', () => {
    const mixed = tried(4, (i) => ({ counts: i !== 1, planMinutes: i === 2 ? null : 20 }))
    expect(timedOf(mixed).map(({ n, ratio }) => [n, ratio])).toEqual([
      [1, 0.5],
      [3, 0.5]
    ])
  })
})

describe('a wall', () => {
  const cell = (t: number, state: Placed['state'], kind?: 'plateau' | 'relapse' | 'slipping') => ({
    ...{ t, state },
    found: kind ? { kind, sinceOn: TODAY, say: '' } : null
  })
  const people: Person[] = [
    { name: 'Marek', cells: [cell(0, 'held'), cell(1, 'practising', 'plateau'), cell(2, 'competent')] },
    { name: 'Pia', cells: [cell(0, 'competent'), cell(1, 'slipping'), cell(2, 'ready')] },
    { name: 'Sami', cells: [cell(0, 'competent'), cell(1, 'lapsed', 'relapse')] }
  ]
  it('puts what is unsafe before what goes, and that before what is old', () => {
    expect(people.map(({ cells }) => needOf(cells))).toEqual([11, 6, 2])
    expect(people.flatMap(({ cells }) => cells.map(wordOf))).toEqual(['held', 'plateau', null, null, 'slipping', 'ready', null, 'lapsed'])
  })
  it('says what is scarce and who needs somebody first', () => {
    expect(scarce(people, 3)).toEqual([
      { t: 1, competent: 0 },
      { t: 2, competent: 1 }
    ])
    expect(sayWall(people, ['Pads', 'Skirt line', 'Blend'])).toBe(
      '**1** technique is on hold, **1** slips, **1** is stuck, **1** lapsed, **1** is ready to be assessed. Marek needs help first. No one is competent in skirt line.'
    )
    expect(sayWall([{ name: 'Tove', cells: [cell(0, 'competent')] }], ['Pads'])).toBe(
      'Nothing is on hold, slipping or lapsed. Only one is competent in pads.'
    )
  })
  it('adds up the risk of several techniques', () => {
    // by hand: 1 - .95^2 = .0975
    expect(sayJointRisk([0.05, 0.05])).toBe('Across all 2 together, the chance that one is found competent by luck is 10 %.')
  })
})
