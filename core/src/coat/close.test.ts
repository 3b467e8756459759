import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { doneIn, sayUndone, undoneOf, whatFits, type ClosingStep } from './close'
import { bestParts } from './pairs'

/** Every subset: the best worth, and the fewest minutes it takes. */
function everySubset(parts: readonly { minutes: number; worth: number }[], minutes: number) {
  let best = { worth: 0, minutes: 0 }
  for (let mask = 0; mask < 1 << parts.length; mask++) {
    let [worth, used] = [0, 0]
    parts.forEach((part, i) => {
      if (mask & (1 << i)) [worth, used] = [worth + part.worth, used + part.minutes]
    })
    if (used <= minutes && (worth > best.worth || (worth === best.worth && used < best.minutes))) best = { worth, minutes: used }
  }
  return best
}

describe('which parts fit', () => {
  // Ref: Kreher & Stinson's example P01 as in reference-values.md: 309 (verified there with HiGHS)
  it('P01 comes to 309', () => {
    const minutes = [23, 31, 29, 44, 53, 38, 63, 85, 89, 82]
    const worth = [92, 57, 49, 68, 60, 43, 67, 84, 87, 72]
    const found = bestParts(
      minutes.map((m, i) => ({ id: String(i), minutes: m, worth: worth[i] })),
      165
    )
    expect(found.worth).toBe(309)
    expect(found.ids).toEqual(['0', '1', '2', '3', '5'])
  })
  it('agrees with every subset', () => {
    let checked = 0
    const part = fc.record({ minutes: fc.integer({ min: 1, max: 20 }), worth: fc.integer({ min: 1, max: 9 }) })
    fc.assert(
      fc.property(fc.array(part, { maxLength: 10 }), fc.integer({ min: 0, max: 60 }), (parts, minutes) => {
        const found = bestParts(
          parts.map((one, i) => ({ ...one, id: String(i) })),
          minutes
        )
        const truth = everySubset(parts, minutes)
        expect(found.worth).toBe(truth.worth)
        expect(found.minutes).toBe(truth.minutes)
        expect(found.ids.reduce((sum, id) => sum + parts[Number(id)].minutes, 0)).toBe(found.minutes)
        checked++
      }),
      { numRuns: 300 }
    )
    expect(checked).toBeGreaterThanOrEqual(300)
  })
  it('refuses minutes that are none', () => {
    expect(() => bestParts([], -3)).toThrow('minutes is -3; it must be 0 to 600 minutes.')
    expect(() => bestParts([{ id: 'x', minutes: NaN, worth: 1 }], 10)).toThrow('x.minutes is NaN')
  })
})

describe('closing a visit', () => {
  const steps: ClosingStep[] = [
    { technique: 'roll-coat', label: 'Roll the jacket', minutes: 24, regions: ['back', 'ribs', 'loin'] },
    { technique: 'layback', label: 'Shoulders flat', minutes: 12, regions: ['shoulder', 'chest'] }
  ]
  it('lists what is undone, place by place and side by side', () => {
    const undone = undoneOf(steps, [
      { technique: 'roll-coat', regions: ['back'], side: 'both' },
      { technique: 'roll-coat', regions: ['ribs'], side: 'right' }
    ])
    expect(undone.map((one) => [sayUndone(one), one.minutes])).toEqual([
      ['Left ribs', 4],
      ['Loin, both sides', 8],
      ['Shoulder, both sides', 6],
      ['Chest', 6]
    ])
  })
  it('two halves make a whole, and what the instructor finished is done', () => {
    const undone = undoneOf(steps, [
      { technique: 'roll-coat', regions: ['back', 'ribs', 'loin'], side: 'left' },
      { technique: 'roll-coat', regions: ['back', 'ribs', 'loin'], side: 'right' },
      { technique: null, regions: ['shoulder', 'chest'], side: 'both' }
    ])
    expect(undone).toEqual([])
  })
  it('counts what was ended on a live dog, and nothing that was cut short', () => {
    const attempt = (more: object) => ({
      techniqueId: 'roll-coat',
      regions: ['back'],
      side: 'both',
      ended: { minutes: 9 },
      cutShort: false,
      setting: 'live',
      ...more
    })
    const attempts = [attempt({}), attempt({ ended: null }), attempt({ cutShort: true }), attempt({ setting: 'figure' })] as never
    expect(doneIn({ attempts, byInstructor: [{ eventId: 'e', regions: ['ribs'], side: 'left' }] })).toEqual([
      { technique: 'roll-coat', regions: ['back'], side: 'both' },
      { technique: null, regions: ['ribs'], side: 'left' }
    ])
  })
  it('another technique at the same place does not count', () => {
    expect(undoneOf(steps, [{ technique: 'card-first', regions: ['back'], side: 'both' }])).toHaveLength(5)
  })
  it('first the side whose other side is done, then pairs as they fit, whole or not at all', () => {
    const undone = undoneOf(steps, [{ technique: 'roll-coat', regions: ['ribs'], side: 'right' }])
    expect(whatFits(undone, 4).parts.map(sayUndone)).toEqual(['Left ribs'])
    const ten = whatFits(undone, 11)
    expect(ten.parts.map(sayUndone)).toEqual(['Left ribs', 'Shoulder, both sides'])
    expect(ten.minutes).toBe(10)
    expect(ten.leaves.map(sayUndone)).toEqual(['Back, both sides', 'Loin, both sides', 'Chest'])
  })
  it('a place that is out of step goes before one that is not', () => {
    const undone = undoneOf([steps[0]], [])
    expect(whatFits(undone, 8, new Set(['loin'])).parts.map(sayUndone)).toEqual(['Loin, both sides'])
  })
  it('nothing fits into no minutes', () => {
    expect(whatFits(undoneOf(steps, []), -5).parts).toEqual([])
  })
})
