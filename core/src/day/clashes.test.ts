import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { clashesOf, freePlace, insideRoom, placeIssue, type DayVisit, type WantedVisit } from '.'

const wanted: WantedVisit = {
  dogId: 'flint',
  apprenticeId: 'bram',
  tableId: 't1',
  minutes: 95,
  dog: 'Flint',
  dogCanStandMin: 100,
  apprentice: 'Bram',
  tableNumber: 1
}
const other: DayVisit = { dogId: 'ash', apprenticeId: 'tove', tableId: 't2', minutes: 95, closed: false }
const codes = (day: readonly DayVisit[], one = wanted) => clashesOf(day, one).map(({ code }) => code)

describe('a visit in the day', () => {
  it('fits where nothing is in its way', () => {
    expect(codes([])).toEqual([])
    expect(codes([other])).toEqual([])
  })

  it('says what stands against the dog itself, what blocks first', () => {
    const against = [
      { code: 'dogLimited', blocks: false, say: 'Flint is limited.' },
      { code: 'trimUnfit', blocks: true, say: 'Not in this coat.' }
    ] as const
    expect(codes([], { ...wanted, against })).toEqual(['trimUnfit', 'dogLimited'])
    expect(codes([{ ...other, tableId: 't1' }], { ...wanted, against })).toEqual(['trimUnfit', 'tableTaken', 'dogLimited'])
  })

  it('blocks a dog, an apprentice and a table that are busy, and says which', () => {
    const clashes = clashesOf([{ ...other, dogId: 'flint', apprenticeId: 'bram', tableId: 't1' }], { ...wanted, dogCanStandMin: 300 })
    expect(clashes.map(({ say }) => say)).toEqual([
      'Flint is already on another table.',
      'Bram is already working on another dog.',
      'Table 1 is taken.'
    ])
    expect(clashes.every(({ blocks }) => blocks)).toBe(true)
  })

  it('lets them again once the table was closed, and counts the dog’s minutes over the whole day', () => {
    const closed = { ...other, dogId: 'flint', apprenticeId: 'bram', tableId: 't1', minutes: 30, closed: true }
    expect(clashesOf([closed], wanted)).toEqual([
      {
        code: 'dogMinutes',
        blocks: false,
        say: 'Flint would be on the table for 125 minutes today and can manage 100: plan a break, or less of the trim.'
      }
    ])
    expect(codes([{ ...closed, minutes: 5 }])).toEqual([])
  })
})

describe('a place for a table', () => {
  it('is found row by row until the room is full, and none stands on another', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3000, max: 30000 }), fc.integer({ min: 2500, max: 20000 }), (wide, deep) => {
        const tables: { xMm: number; yMm: number }[] = []
        for (let place = freePlace([wide, deep], tables); place; place = freePlace([wide, deep], tables)) {
          for (const one of tables) expect(Math.abs(one.xMm - place.xMm) >= 3000 || Math.abs(one.yMm - place.yMm) >= 2500).toBe(true)
          tables.push(place)
          expect(tables.length).toBeLessThan(100)
        }
        expect(tables.length).toBe(Math.floor(wide / 3700) * Math.floor(deep / 2900))
      })
    )
  })
})

describe('a table that is moved', () => {
  const room = [12000, 9000] as const
  const other = { number: 4, xMm: 4000, yMm: 3000 }
  it.each<[string, [number, number], RegExp | null]>([
    ['where nothing stands', [300, 100], null],
    ['beside another, clear of it', [7520, 3000], null],
    ['below another, clear of it', [4000, 5700], null],
    ['on another', [4500, 3900], /Table 4 is in the way: leave 3520 mm across or 2700 mm down/],
    ['through the left wall', [-10, 500], /From the left wall is -10 mm; it must be 0 to 8480 mm/],
    ['through the near wall', [500, 7500], /From the far wall is 7500 mm; it must be 0 to 6300 mm/]
  ])('%s', (_, [xMm, yMm], words) => {
    const issue = placeIssue(room, { xMm, yMm }, [other])
    if (words === null) expect(issue).toBeNull()
    else expect(issue).toMatch(words)
  })
  it('is kept inside the room, and has no wall against it there', () => {
    fc.assert(
      fc.property(fc.integer({ min: -99999, max: 99999 }), fc.integer({ min: -99999, max: 99999 }), (xMm, yMm) => {
        expect(placeIssue(room, insideRoom(room, { xMm, yMm }), [])).toBeNull()
      })
    )
    expect(insideRoom(room, { xMm: 1234, yMm: -40 })).toEqual({ xMm: 1250, yMm: 0 })
  })
})
