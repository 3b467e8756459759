import { describe, expect, it } from 'vitest'
import { dateOf, dayOf } from './days'
import { letteredLayers } from './letters'
import { coatModel } from './model'
import { coatCase, entry, outOfStep, pulled, rolled } from './testing'

const today = dayOf('2026-04-14')

describe('layers of both sides under one letter', () => {
  it('names a layer that was pulled at two times once, with both times', () => {
    const layers = letteredLayers(coatModel(coatCase(outOfStep())), 'ribs', today)
    expect(layers.map(({ letter }) => letter)).toEqual(['A', 'B', 'C', 'D'])
    expect([layers[0].sides.right!.bornDay, layers[0].sides.left!.bornDay].map(dateOf)).toEqual(['2025-11-10', '2025-11-21'])
    expect(layers.map(({ sides }) => Object.keys(sides).length)).toEqual([2, 2, 2, 2])
  })
  it('keeps two-week rolls apart, though they are less than twenty days apart', () => {
    const layers = letteredLayers(coatModel(coatCase(rolled('2025-09-01', '2026-01-05', 14, '2026-04-13'))), 'back', today)
    expect(layers).toHaveLength(9)
    for (const { sides } of layers) expect(sides.left!.bornDay).toBe(sides.right!.bornDay)
  })
  it('a side that missed a visit has no such letter', () => {
    const entries = [entry('2025-11-10', 'back', 'both', pulled('all')), entry('2026-03-23', 'back', 'right', pulled('lightRoll'))]
    const layers = letteredLayers(coatModel(coatCase(entries)), 'back', today)
    expect(layers.map(({ sides }) => Object.keys(sides).sort())).toEqual([['left', 'right'], ['right']])
  })
  it('what was cut is apart from what was not; a place with one side has one', () => {
    const entries = [
      entry('2025-11-10', 'chest', 'middle', pulled('all')),
      entry('2026-03-01', 'chest', 'middle', { kind: 'cut', toMm: 6, share01: 0.4 })
    ]
    const layers = letteredLayers(coatModel(coatCase(entries)), 'chest', today)
    expect(layers.map(({ sides }) => sides.middle!.stand)).toEqual(['standing', 'cut'])
  })
  it('the shares of each side sum to one', () => {
    const layers = letteredLayers(coatModel(coatCase(outOfStep())), 'ribs', today)
    for (const side of ['left', 'right'] as const)
      expect(layers.reduce((sum, { sides }) => sum + (sides[side]?.share01 ?? 0), 0)).toBeCloseTo(1, 6)
  })
})
