import { describe, expect, it } from 'vitest'
import { bookIssues, entryIssues, inOrder, sidesMeant } from './book'
import { coatModel, lagAt, stateAt } from './model'
import { dayOf } from './days'
import { isPaired, PLACE_IDS, placeName, shownAt, sidesOf, STRIPS } from './places'
import { coatCase, entry, pulled } from './testing'

const dog = { bornOn: '2022-05-01', today: '2026-04-14' }
const codes = (entries: Parameters<typeof bookIssues>[0]) => bookIssues(entries, dog).map(({ code, weight }) => [code, weight])

describe('what cannot be in a book', () => {
  it('a pull before the dog was born', () => {
    const [issue] = entryIssues(entry('2021-12-24', 'back', 'both', pulled('all')), dog)
    expect(issue).toMatchObject({ code: 'beforeBirth', path: 'on', got: '2021-12-24', weight: 'refused' })
    expect(issue.say).toBe('Back, 24 Dec 2021: the dog was born on 1 May 2022, so nothing was done to its coat before then.')
  })
  it('anything that has not been yet', () => {
    expect(codes([entry('2026-04-15', 'back', 'both', pulled('half'))])).toEqual([['notYet', 'refused']])
  })
  it('numbers that no coat has', () => {
    const wrong = [
      entry('2026-04-01', 'back', 'both', { kind: 'length', mm: 420, uMm: 0.6 }),
      entry('2026-04-02', 'back', 'both', { kind: 'length', mm: NaN, uMm: 0.6 }),
      entry('2026-04-03', 'back', 'both', { kind: 'cut', toMm: -1 }),
      entry('2026-04-03', 'back', 'both', { kind: 'hole', widthMm: 2, cause: 'pulled' }),
      entry('2026-04-03', 'back', 'both', { kind: 'pulled', how: 'half', share01: 1.4 }),
      entry('2026-04-03', 'back', 'both', { kind: 'gap', mm: 0, olderOn: '2026-01-01', newerOn: '2026-02-01' })
    ]
    expect(bookIssues(wrong, dog).map(({ say }) => say)).toEqual([
      'Back, 1 Apr 2026: mm is 420; it must be 0 to 300 mm.',
      'Back, 2 Apr 2026: mm is NaN; it must be 0 to 300 mm.',
      'Back, 3 Apr 2026: toMm is -1; it must be 0 to 300 mm.',
      'Back, 3 Apr 2026: widthMm is 2; it must be 5 to 300 mm.',
      'Back, 3 Apr 2026: share01 is 1.4; it must be 0.01 to 1.',
      'Back, 3 Apr 2026: mm is 0; it must be 0.5 to 80 mm.'
    ])
  })
  it('a gap between layers in the wrong order', () => {
    expect(codes([entry('2026-04-03', 'back', 'both', { kind: 'gap', mm: 9, olderOn: '2026-03-01', newerOn: '2026-02-01' })])).toEqual([
      ['gapOrder', 'refused']
    ])
    expect(codes([entry('2026-02-03', 'back', 'both', { kind: 'gap', mm: 9, olderOn: '2026-01-01', newerOn: '2026-03-01' })])).toEqual([
      ['gapOrder', 'refused']
    ])
  })
  it('is left out of the model, and all else is counted', () => {
    const good = entry('2026-02-01', 'back', 'both', pulled('all'))
    const model = coatModel(coatCase([good, entry('2021-12-24', 'back', 'left', pulled('all'))]))
    expect(model.issues.map(({ code }) => code)).toEqual(['beforeBirth'])
    expect(lagAt(model, 'back', dayOf('2026-04-14')).days).toBe(0)
  })
  it('a dog whose birthday nobody knows has no before', () => {
    expect(entryIssues(entry('2001-01-01', 'back', 'both', pulled('all')), { ...dog, bornOn: null })).toEqual([])
  })
})

describe('what is kept and said', () => {
  it('visits out of order: counted on their own day', () => {
    const entries = [entry('2026-03-01', 'back', 'both', pulled('half')), entry('2026-01-01', 'back', 'both', pulled('all'))]
    expect(codes(entries)).toEqual([['outOfOrder', 'said']])
    const inTime = coatModel(coatCase([...entries].reverse()))
    expect(stateAt(coatModel(coatCase(entries)), 'back', 'left', dayOf('2026-04-14'))).toEqual(
      stateAt(inTime, 'back', 'left', dayOf('2026-04-14'))
    )
  })
  it('two lengths on one day: kept, and no growth from them', () => {
    const entries = [
      entry('2026-03-01', 'back', 'left', { kind: 'length', mm: 20, uMm: 0.6 }),
      entry('2026-03-01', 'back', 'both', { kind: 'length', mm: 21, uMm: 0.6 })
    ]
    expect(codes(entries)).toEqual([['measuredTwice', 'said']])
    expect(coatModel(coatCase(entries)).growth.method).toBe('prior')
  })
  it('hair that got shorter with nothing written between', () => {
    const entries = [
      entry('2026-03-01', 'back', 'left', { kind: 'length', mm: 30, uMm: 0.6 }),
      entry('2026-04-01', 'back', 'left', { kind: 'length', mm: 20, uMm: 0.6 })
    ]
    expect(codes(entries)).toEqual([['shorter', 'said']])
    const between = [...entries, entry('2026-03-20', 'back', 'left', pulled('half'))]
    expect(codes(between)).toEqual([['outOfOrder', 'said']])
  })
  it('a pull where nothing can have grown', () => {
    const model = coatModel(
      coatCase([entry('2026-03-01', 'back', 'both', pulled('all')), entry('2026-03-29', 'back', 'both', pulled('half'))])
    )
    expect(model.issues.map(({ code, say }) => [code, say])).toEqual([
      ['nothingToPull', 'Back was pulled bare on 1 Mar 2026, so by 29 Mar 2026 nothing is long enough to grip.']
    ])
  })
})

describe('places and sides', () => {
  it('both means left and right; what has one side has a middle', () => {
    expect(sidesMeant({ place: 'ribs', side: 'both' })).toEqual(['left', 'right'])
    expect(sidesMeant({ place: 'ribs', side: 'left' })).toEqual(['left'])
    expect(sidesMeant({ place: 'chest', side: 'left' })).toEqual(['middle'])
  })
  it('a day goes: what came in, the work, what was measured', () => {
    const day = [
      entry('2026-03-01', 'back', 'both', { kind: 'length', mm: 20, uMm: 1 }),
      entry('2026-03-01', 'back', 'both', pulled('half')),
      entry('2026-03-01', 'back', 'left', { kind: 'hole', widthMm: 30, cause: 'matCut' })
    ]
    expect(inOrder(day).map(({ act }) => act.kind)).toEqual(['hole', 'pulled', 'length'])
  })
  it('every place has a name, a region to show it at, and its sides', () => {
    expect(PLACE_IDS.length).toBe(33 + STRIPS.length)
    for (const place of PLACE_IDS) {
      expect(placeName(place).length).toBeGreaterThan(2)
      expect(PLACE_IDS).toContain(shownAt(place))
      expect(sidesOf(place).length).toBe(isPaired(place) ? 2 : 1)
    }
  })
})
