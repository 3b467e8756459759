// Drawn dogs from the front, the rear and above that the measuring code has never met, by their true outline, against their own millimetres.
// The long run with photographs and its numbers: npm run around, docs/robustness-around.md.
import { bodyById, coats, colouringOf } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { AROUND, aroundDog, aroundProposed, binomialBound, runAround, type AroundTrim, type TrialRow } from '.'

const SEED = 20261202
const DOGS = 5
const trims = ['bearded-pet', 'clean-face', 'smile', 'carded-sporting', 'bracelets'].map((id): AroundTrim => {
  const coat = coats.find((own) => own.id === id)!
  return { id, coat, body: bodyById(coat.body) }
})
const colours = ['white', 'apricot'].map(colouringOf)
const rows: TrialRow[] = []

describe(`a dog seen whole, drawn from ranges that the measuring code is not given, seed ${SEED}`, () => {
  it.each(AROUND.flatMap((seen) => Array.from({ length: DOGS }, (_, k) => [seen, k] as const)))(
    'is measured near its truth: %s %i',
    (seen, k) => {
      const dog = aroundDog(SEED + k, seen, trims, colours, 1)
      const found = runAround(dog, SEED + k, true)
      expect(found.refused).toBeNull()
      expect(found.rows.length).toBeGreaterThanOrEqual(3)
      for (const { measure, truth, value, u } of found.rows)
        expect(Math.abs(value - truth), `${measure}: ${value} against ${truth}, u ${u}`).toBeLessThan(4 * u)
      rows.push(...found.rows)
      // the plan stands as it is stood up for the picture: what is proposed lies near, and never the middle
      expect(aroundProposed(dog, SEED + k).length).toBeGreaterThan(3)
    }
  )
  it('is covered as often as its uncertainty claims', () => {
    const covered = rows.filter(({ value, truth, u }) => Math.abs(value - truth) <= 1.96 * u).length
    expect(covered / rows.length).toBeGreaterThanOrEqual(binomialBound(rows.length)[0])
  })
})
