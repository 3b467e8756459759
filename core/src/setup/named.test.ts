import { adviceRules, cutRegionsOf, houseRules, rack, standards, techniqueName, techniqueWaits } from '@peen/content'
import { describe, expect, it } from 'vitest'
import type { Fact } from '../advice'
import type { CoatFinding, SkinFinding } from '../checkin'
import { namedFindings } from './named'
import { agreedTargets, sayTool, sheetOf, type SheetCase } from '.'

const caseOf = (trim: string, more: Partial<SheetCase>): SheetCase => ({
  ...{ standard: standards.find(({ id }) => id === trim)!, regionsOf: cutRegionsOf, nameOf: techniqueName, waits: techniqueWaits },
  ...{ coat: 'wire', facts: new Set<Fact>(['known', 'combed']), burns: [], stops: [], mats: [], hurts: [] },
  ...{ house: {}, houseRules, rack, wishes: [], excused: [], chosen: {} },
  ...more
})
const lineOf = (trim: string, id: string, more: Partial<SheetCase>) =>
  sheetOf(adviceRules, caseOf(trim, more)).lines.find((line) => line.id === id)!
const facts = (...more: Fact[]) => new Set<Fact>(['known', 'combed', ...more])
const hurts = (region: SkinFinding['region'], side: SkinFinding['side'] = 'both'): SkinFinding => ({ kind: 'hurts', region, side })
const mat = (region: CoatFinding['region'], side: CoatFinding['side']): CoatFinding => ({ kind: 'mat', region, side, widthMm: 40 })

// Ref: common practice, no published source
describe('the kind of work changes only by a rule with a name', () => {
  it('cuts where pulling hurts, at the length that the coat would stand, and says that it is written as cut', () => {
    const beard = lineOf('jacket-pet', 'beard', { hurts: [hurts('beard')] })
    expect(sayTool(beard)).toBe('small face scissors')
    expect([beard.does, beard.leavesMm]).toEqual(['passes', 12])
    expect(beard.named[0]).toMatch(/record it in the coat book as cut/)
    expect(sayTool(lineOf('jacket-pet', 'back', { hurts: [hurts('beard')] }))).toMatch(/pulling everything/)
  })

  it('tells the sides apart where only one hurts', () => {
    const asked = { hurts: [hurts('ribs', 'left')] }
    expect(sayTool(lineOf('jacket-pet', 'ribs.left', asked))).toMatch(/straight scissors/)
    expect(sayTool(lineOf('jacket-pet', 'ribs.right', asked))).toMatch(/pulling/)
  })

  it('changes nothing where nothing is pulled', () => {
    expect(lineOf('bearded-pet', 'back', { hurts: [hurts('back')] })).toMatchObject({ named: [], leavesMm: 3.2 })
  })

  it('takes scissors under the tail of a dog that itches after clipping', () => {
    expect(sayTool(lineOf('bearded-pet', 'anus', { facts: facts('itches') }))).toBe('small face scissors')
    expect(sayTool(lineOf('bearded-pet', 'belly', { facts: facts('itches') }))).toBe('blade 10 with')
  })

  it('takes a tight mat out with the blade along the skin, even where the trim leaves the coat, and never with scissors', () => {
    const armpit = lineOf('long-coat', 'armpit.left', { mats: [mat('armpit', 'left')] })
    expect([armpit.does, sayTool(armpit)]).toEqual(['passes', 'blade 10 for a tight mat'])
    expect(armpit.named[0]).toMatch(/40 mm across.*never with scissors.*a hole/)
    expect(sayTool(lineOf('long-coat', 'armpit.right', { mats: [mat('armpit', 'left')] }))).toBe('left alone, combed through')
    expect(namedFindings([mat('armpit', 'left'), { ...mat('ribs', 'left'), combedOutAt: '2026-04-14' }], []).mats).toHaveLength(1)
  })

  it('sets no edge on skin that reacts, and scissors the edge of the ear', () => {
    const edge = lineOf('bearded-pet', 'earEdge', { facts: facts('skinReacts') })
    expect(sayTool(edge)).toBe('small face scissors')
    expect(lineOf('clean-face', 'foreleg', { coat: 'curly', facts: facts('feetSore') }).passes.map(({ kind }) => kind)).toEqual(['scissor'])
    expect(
      sayTool(lineOf('clean-face', 'tailBand', { coat: 'curly', house: { 'tail-to-back': 1 }, facts: facts('light', 'pink') }))
    ).toMatch(/blade 40 at a right angle/)
  })

  it('is what is agreed at the check-in', () => {
    const agreed = agreedTargets(sheetOf(adviceRules, caseOf('jacket-pet', { hurts: [hurts('beard')] })))
    expect(agreed.find(({ region }) => region === 'beard')).toMatchObject({ tool: 'small face scissors', mm: 12 })
  })
})
