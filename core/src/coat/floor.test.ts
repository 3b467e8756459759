import { describe, expect, it } from 'vitest'
import type { PartResult } from '../grade'
import { entriesOfFindings, entriesOfGrading } from './floor'

describe('what came in and what was measured', () => {
  it('holes that came in; a mat still in the coat is none', () => {
    const found = entriesOfFindings(
      's',
      '2026-03-23',
      [
        { kind: 'mat', region: 'armpit', side: 'left', widthMm: 20 },
        { kind: 'matCut', region: 'ribs', side: 'left', widthMm: 40 }
      ],
      'ivo'
    )
    expect(found).toEqual([
      { id: 's/found/1', on: '2026-03-23', place: 'ribs', side: 'left', act: { kind: 'hole', widthMm: 40, cause: 'matCut' }, hands: 'ivo' }
    ])
  })
  it('lengths that were read by hand, with their u', () => {
    const part = (more: Partial<PartResult>) =>
      ({ criterionId: 'ribs-length', side: 'left', region: 'ribs', basis: 'readings', valueMm: 19.4, uMm: 0.7, ...more }) as PartResult
    const lengths = new Set(['ribs-length', 'back-length'])
    const found = entriesOfGrading(
      'g',
      '2026-03-23',
      [
        part({}),
        part({ side: 'right', basis: 'byEye' }),
        part({ criterionId: 'back-length', side: 'whole', region: 'back' }),
        part({ criterionId: 'topline' })
      ],
      lengths,
      'ina'
    )
    expect(found.map(({ place, side, act }) => [place, side, act])).toEqual([
      ['ribs', 'left', { kind: 'length', mm: 19.4, uMm: 0.7 }],
      ['back', 'both', { kind: 'length', mm: 19.4, uMm: 0.7 }]
    ])
  })
})
