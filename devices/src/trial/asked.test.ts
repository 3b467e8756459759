// A second opinion on the outlines of dogs that the measuring code has never met. The long run: npm run asked, docs/robustness-asked.md.
import { bodyById, coats, colouringOf } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { askedOf, trialDog, trialTrims } from '.'

const SEED = 20261202
const DOGS = 8
const trims = trialTrims(coats, bodyById)
const colours = ['white'].map(colouringOf)

describe('a drawn dog’s outline, held against its plan', () => {
  it.each(Array.from({ length: DOGS }, (_, k) => SEED + k))(
    'is asked about where a window was taken for dog or a leg was lost, and nowhere else: %i',
    (seed) => {
      const dog = trialDog(seed, trims, colours)
      const told = Object.fromEntries(askedOf(dog).map((row) => [row.spoilt, row.told]))
      expect(told.right).toBe('sure')
      for (const spoilt of ['window', 'lost'] as const) expect(told[spoilt], spoilt).not.toBe('sure')
      // a board across a head is no thicker than hair may be
      if (dog.seen !== 'head') expect([told.shelf, told.half]).not.toContain('sure')
    }
  )
})
