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

  // Chosen: no figure is agreed on in the trade; both are daily work on feet and muzzles
  it.each([
    ['blade-30', 0.15],
    ['blade-40', 0.1]
  ])('%s against the growth leaves %s mm: at the skin', (id, lengthMm) => {
    expect(leaves(id, 'against')).toEqual({ allowed: true, lengthMm, because: 'at the skin' })
  })

  it('stays on the reference series when the school edits its own rack', () => {
    const edited = { ...toolById(rack, 'blade-9'), lengthMm: 1.9 }
    expect(lengthLeft(edited, 'with')).toMatchObject({ lengthMm: 1.9 })
    expect(lengthLeft(edited, 'against')).toMatchObject({ lengthMm: 1.2 })
  })

  it('does not change for a comb, which sets the length itself', () => {
    expect(leaves('comb-a', 'against')).toEqual(leaves('comb-a', 'with'))
  })

  // Symptom: a school's own blade taken against the growth threw, and broke every page that read the coat book
  it('counts a blade of the school’s own between the steps of the series', () => {
    const own = (lengthMm: number) => lengthLeft({ ...toolById(rack, 'blade-9'), label: 'own', lengthMm }, 'against')
    // Ref: hand calculation: half way between a 7F (3.2, against 2) and a 5F (6.3, against 2.8)
    expect(own(4.75)).toMatchObject({ allowed: true })
    expect((own(4.75) as { lengthMm: number }).lengthMm).toBeCloseTo(2.4, 9)
    expect((own(3.2) as { lengthMm: number }).lengthMm).toBeCloseTo(2, 9)
    expect((own(26) as { lengthMm: number }).lengthMm).toBeCloseTo(12.6, 9)
    expect(own(0.4)).toMatchObject({ allowed: false })
  })

  it('names the unknown tool and what the rack holds', () => {
    expect(() => toolById(rack, 'blade-99')).toThrow(/toolId is blade-99; it must be a tool of the rack \(blade-40/)
  })
})
