// Drawn dogs that the measuring code has never met, at two megapixels, against their own true millimetres.
// The long run with its numbers: npm run robustness, docs/robustness.md.
import { bodyById, coats, colouringOf } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { binomialBound, runTrial, summarise, trialDog, trialTrims, type TrialRow } from '.'

const SEED = 20261201
const DOGS = 6
const trims = trialTrims(coats, bodyById)
const colours = ['white', 'apricot', 'wheaten', 'cream'].map(colouringOf)
const rows: TrialRow[] = []
let measured = 0

describe('a dog drawn from ranges that the measuring code is not given', () => {
  it.each(Array.from({ length: DOGS }, (_, k) => k))('is measured near its truth: dog %i', (k) => {
    const dog = trialDog(SEED + k, trims, colours)
    const result = runTrial(dog, SEED + k)
    // a head that is turned may be refused, and says so; nothing else is
    if (result.refused) expect(result.refused).toMatch(/^The head is turned/)
    else measured++
    rows.push(...result.rows)
    for (const { measure, truth, value, u } of result.rows)
      expect(Math.abs(value - truth), `${measure}: ${value} against ${truth}, u ${u}`).toBeLessThan(4 * u)
  })

  it('is covered as often as its uncertainty claims', () => {
    expect(measured).toBeGreaterThan(DOGS / 2)
    const covered = rows.filter(({ value, truth, u }) => Math.abs(value - truth) <= 1.96 * u).length
    expect(covered / rows.length).toBeGreaterThanOrEqual(binomialBound(rows.length)[0])
    const medians = Object.fromEntries(summarise(rows).map(({ measure, medianU }) => [measure, medianU]))
    // what the grade sheet needs: a topline's dip to 3 mm, a foot line to 2
    expect(medians.topline ?? 0).toBeLessThanOrEqual(3)
    expect(medians.footLine ?? 0).toBeLessThanOrEqual(2)
    expect(medians.headPair ?? 0).toBeLessThanOrEqual(1.5)
  })
})

describe('the bound of a coverage', () => {
  it.each<[number, number, number]>([
    // Ref: exact binomial quantiles of p = .95 (R 4.2: qbinom(c(.025, .975), n, .95)), from memory of the definition
    [60, 53, 60],
    [20, 17, 20]
  ])('of %i dogs is %i to %i', (n, low, high) => {
    const bound = binomialBound(n)
    expect([Math.round(bound[0] * n), Math.round(bound[1] * n)]).toEqual([low, high])
  })
})
