import { describe, expect, it } from 'vitest'
import { checkInIssues, excusedBy, factsFromSkin, NOTHING_FOUND, readyToCut, sayFinding, skinStops, standingOf, type CoatFinding } from '.'

const mat: CoatFinding = { kind: 'mat', region: 'ribs', side: 'left', widthMm: 40 }
const gate = { dry: true, combed: true, by: 'a', at: '2026-04-14T09:00:00.000Z', house: {} }

// The gate: common practice, no published source.
describe('ready to cut', () => {
  it('needs somebody who says dry and combed, and no mat left in', () => {
    expect(readyToCut(NOTHING_FOUND)).toEqual({ ready: false, missing: ['No one has confirmed that this dog is ready to cut.'] })
    expect(readyToCut({ ...NOTHING_FOUND, gate })).toEqual({ ready: true, missing: [] })
    expect(readyToCut({ ...NOTHING_FOUND, gate: { ...gate, dry: false, combed: false } }).missing.length).toBe(2)
    expect(readyToCut({ ...NOTHING_FOUND, gate, coat: [mat] }).missing).toEqual([
      'A mat of 40 mm is still in at the left ribs: take it out first.'
    ])
    expect(readyToCut({ ...NOTHING_FOUND, gate, coat: [{ ...mat, kind: 'matCut' }] }).ready).toBe(true)
  })
})

describe('what came in with the dog', () => {
  it('is excused where hair is gone, not where a mat is still in', () => {
    expect(excusedBy([mat])).toEqual([])
    expect(excusedBy([{ ...mat, kind: 'matCut' }])).toEqual([
      { region: 'ribs', side: 'left', reason: 'a hole where a mat was cut out, 40 mm across' }
    ])
    expect(sayFinding({ kind: 'missing', region: 'skull', side: 'both', widthMm: 15 })).toBe('missing hair at the skull, 15 mm across')
  })
})

describe('skin', () => {
  it('stops the work where a vet must look', () => {
    const stops = skinStops([
      { kind: 'lump', region: 'ribs', side: 'right' },
      { kind: 'red', region: 'ribs', side: 'left' },
      { kind: 'infected', region: 'earInside', side: 'both' }
    ])
    expect(stops.map(({ say }) => say)).toEqual([
      'A lump at the right ribs: do not cut there. Tell the owner and have a vet look at it.',
      'Infected skin at the inside of the ear: do not cut there. Tell the owner and have a vet look at it.'
    ])
  })
  it('decides blades: the test between the pads counts for the whole dog', () => {
    expect(factsFromSkin([{ kind: 'scaly', region: 'toes', side: 'left' }])).toEqual(['skinReacts'])
    expect(factsFromSkin([{ kind: 'stained', region: 'foreFoot', side: 'both' }])).toEqual(['feetSore'])
    expect(factsFromSkin([{ kind: 'red', region: 'cheek', side: 'left' }])).toEqual(['sensitive'])
    expect(factsFromSkin([{ kind: 'red', region: 'back', side: 'left' }])).toEqual([])
  })
})

describe('a dog that may not be worked on', () => {
  const standing = { kind: 'refused', reason: 'bites at the clipper', vet: false, by: ['a'], onDate: '2026-04-01' } as const
  it('is refused by a vet or by two people, and warned of until then', () => {
    expect(standingOf('Rook', null)).toBeNull()
    expect(standingOf('Rook', { ...standing, kind: 'limited' })).toMatchObject({
      blocks: false,
      say: 'Rook can be worked on only with limits: bites at the clipper.'
    })
    expect(standingOf('Rook', standing)).toMatchObject({
      blocks: false,
      say: expect.stringMatching(/A second person or a vet must decide/)
    })
    expect(standingOf('Rook', { ...standing, by: ['a', 'b'] })).toMatchObject({ blocks: true, code: 'dogRefused' })
    expect(standingOf('Rook', { ...standing, vet: true })!.say).toBe('Rook must not be worked on: bites at the clipper, on a vet’s advice.')
  })
})

describe('a check-in that cannot be', () => {
  it('names the place', () => {
    expect(checkInIssues({ coat: [{ ...mat, widthMm: 900 }], skin: [] })).toMatchObject([{ path: 'coat.0.widthMm', limit: '5 to 300 mm' }])
    expect(checkInIssues({ coat: [{ ...mat, region: 'skull' }], skin: [] })).toMatchObject([{ path: 'coat.0.side', got: 'left' }])
    expect(checkInIssues({ coat: [mat, { ...mat, widthMm: 20 }], skin: [] })).toMatchObject([{ path: 'coat.1', code: 'twice' }])
    expect(checkInIssues({ coat: [mat, { ...mat, side: 'right' }], skin: [{ kind: 'red', region: 'skull', side: 'both' }] })).toEqual([])
  })
})
