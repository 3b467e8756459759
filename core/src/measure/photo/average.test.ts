// The mean of several pictures, beside textbook values and what must hold of every mean.
import fc from 'fast-check'
import jstat from 'jstat'
import { describe, expect, it } from 'vitest'
import { averaged, averageOf } from '..'

const one = (value: number, u = 1, common = 0) => ({ value, u, common })

describe('several pictures of one trim', () => {
  it('are told by their mean; what they differ by counts where it is more than each says of itself', () => {
    // three readings 10, 12, 14: mean 12, standard deviation 2
    const found = averageOf([one(10, 0.5), one(12, 0.5), one(14, 0.5)])
    expect(found.value).toBeCloseTo(12, 9)
    expect(found.scatter).toBeCloseTo(2, 9)
    expect(found.u).toBeCloseTo(2 / Math.sqrt(3), 9)
    expect(averageOf([one(10, 3), one(10, 3), one(10, 3)]).u).toBeCloseTo(3 / Math.sqrt(3), 9)
  })
  it('what all of them share does not average out', () => {
    const many = Array.from({ length: 400 }, () => one(20, 1, 0.6))
    expect(averageOf(many).u).toBeGreaterThan(0.6)
    expect(averageOf(many).u).toBeLessThan(0.61)
  })
  it('one picture is itself', () => {
    const found = averageOf([one(7, 0.8, 0.3)])
    expect(found).toMatchObject({ value: 7, scatter: 0, n: 1 })
    expect(found.u).toBeCloseTo(0.8, 9)
  })
  it('property: the mean lies among the values, whatever their order; its scatter is the standard deviation of a reference library', () => {
    const values = fc.array(fc.tuple(fc.double({ min: -90, max: 90, noNaN: true }), fc.double({ min: 0.1, max: 9, noNaN: true })), {
      minLength: 2,
      maxLength: 6
    })
    fc.assert(
      fc.property(values, (list) => {
        const all = list.map(([value, u]) => one(value, u))
        const [found, back] = [averageOf(all), averageOf([...all].reverse())]
        expect(found.value).toBeGreaterThanOrEqual(Math.min(...list.map(([value]) => value)) - 1e-9)
        expect(found.value).toBeLessThanOrEqual(Math.max(...list.map(([value]) => value)) + 1e-9)
        expect(back.value).toBeCloseTo(found.value, 9)
        expect(back.u).toBeCloseTo(found.u, 9)
        expect(found.scatter).toBeCloseTo(
          jstat.stdev(
            list.map(([value]) => value),
            true
          ),
          6
        )
      })
    )
  })
  it('a measure that an earlier picture could not tell stays what the newest says', () => {
    const key = { id: 'topline', side: 'whole', unit: 'mm' } as const
    const other = { id: 'skirtLine', side: 'left', unit: 'mm' } as const
    const found = averaged(
      [
        { ...key, ...one(6) },
        { ...other, ...one(3) }
      ],
      [[{ ...key, ...one(8) }]]
    )
    expect(found.map(({ value, over }) => [value, over.n])).toEqual([
      [7, 2],
      [3, 1]
    ])
  })
})
