import { describe, expect, it } from 'vitest'
import { putTogether } from '@peen/core/changes'
import { clashName, clashSays, FOUND_PARTS, sayChoices } from './found-words'

const mat = { kind: 'mat', region: 'ribs', side: 'left', widthMm: 30 } as const
const wish = { what: 'Skirt longer', askedBy: 'the owner', length: { region: 'skirt', mm: 60 }, rule: null } as const
const FIRST = { purpose: 'pet', weeksSince: 6, coat: [mat], skin: [], nailsOwed: [], wishes: [wish] }

describe('two check-ins of one dog', () => {
  it('keep the findings of both, and clash by the finding', () => {
    const hole = { ...mat, kind: 'hole', region: 'croup', side: 'both' } as const
    const here = { ...FIRST, coat: [{ ...mat, widthMm: 40 }, hole] }
    const there = { ...FIRST, coat: [{ ...mat, combedOutAt: '2026-04-14T09:00:00.000Z' }], weeksSince: null }
    const { value, clashes } = putTogether<unknown>(FIRST, here, there, FOUND_PARTS)
    expect((value as typeof here).coat).toContainEqual(hole)
    expect((value as typeof FIRST).weeksSince).toBeNull()
    expect(clashes.map((clash) => [clashName(clash), clashSays(clash, clash.here), clashSays(clash, clash.there)])).toEqual([
      ['Coat', 'mat at the left ribs, 40 mm across', 'mat at the left ribs, 30 mm across, combed out']
    ])
  })

  it('are told in a sentence: what was kept, what was not', () => {
    const here = { ...FIRST, purpose: 'show', wishes: [] }
    const there = { ...FIRST, purpose: 'exam', wishes: [{ ...wish, length: { region: 'skirt', mm: 70 } }] }
    const { clashes } = putTogether<unknown>(FIRST, here, there, FOUND_PARTS)
    expect(sayChoices(clashes, { purpose: 'there' })).toBe(
      'Two devices changed this check-in. What the trim is for: exam was kept, show was not. Wish: Skirt longer, the owner: left out; one device had 70 mm at the skirt.'
    )
  })
})
