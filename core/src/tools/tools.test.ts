import { describe, expect, it } from 'vitest'
import { rack } from '@peen/content'
import { mmOfFraction } from '../units'
import { lengthLeft, toolById } from '.'

const leaves = (id: string, direction: 'with' | 'against') => lengthLeft(toolById(rack, id), direction)

describe('the length a tool leaves', () => {
  // Ref: the trade's ordinary blade numbers; common practice, no published source. Labels exact at 25.4.
  it('stands within 0.35 mm of every label in inches', () => {
    const labelled = rack.filter((tool) => tool.fraction !== null)
    for (const tool of labelled) expect(Math.abs(mmOfFraction(tool.fraction!) - tool.lengthMm!), tool.label).toBeLessThanOrEqual(0.35)
    expect(labelled.length).toBe(12)
  })

  // Ref: common practice, no published source: two steps of the series against the growth
  it.each([
    ['blade-3f', 6.3],
    ['blade-4f', 3.2],
    ['blade-5f', 2.8],
    ['blade-7f', 2],
    ['blade-8h', 1.6],
    ['blade-9', 1.2],
    ['blade-10', 0.5],
    ['blade-15', 0.25]
  ])('%s against the growth leaves %f mm', (id, lengthMm) => {
    expect(leaves(id, 'against')).toMatchObject({ allowed: true, lengthMm })
  })

  it.each(['blade-30', 'blade-40'])('%s against the growth would leave under 0.25 mm: not allowed', (id) => {
    expect(leaves(id, 'against')).toEqual({ allowed: false, because: 'under 0.25 mm: not allowed' })
  })

  it('stays on the reference series when the school edits its own rack', () => {
    const edited = { ...toolById(rack, 'blade-9'), lengthMm: 1.9 }
    expect(lengthLeft(edited, 'with')).toMatchObject({ lengthMm: 1.9 })
    expect(lengthLeft(edited, 'against')).toMatchObject({ lengthMm: 1.2 })
  })

  it('does not change for a comb, which sets the length itself', () => {
    expect(leaves('comb-a', 'against')).toEqual(leaves('comb-a', 'with'))
  })

  it('names the unknown tool and what the rack holds', () => {
    expect(() => toolById(rack, 'blade-99')).toThrow(/toolId is blade-99; allowed is a tool of the rack \(blade-40/)
  })
})
