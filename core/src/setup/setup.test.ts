import {
  adviceRules,
  cutRegionsOf,
  techniqueById,
  techniqueName,
  techniqueWaits,
  houseRules,
  rack,
  standards,
  trimFits
} from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { COAT_TYPES, DOG_FACTS, type Fact } from '../advice'
import { NOTHING_FOUND, type Wish } from '../checkin'
import {
  agreedTargets,
  factsToday,
  fitOf,
  groupLines,
  linesAtStep,
  gateStep,
  orderedSteps,
  sayLinePlace,
  sayTool,
  sheetOf,
  stepsByTargets,
  type SheetCase
} from '.'
import type { RuleKind } from '../proportions'
import { waitsForGate } from '../technique'

const house = Object.fromEntries(houseRules.map(({ id, chosen }) => [id, chosen]))
const caseOf = (trim: string, more: Partial<SheetCase> = {}): SheetCase => ({
  standard: standards.find(({ id }) => id === trim)!,
  regionsOf: cutRegionsOf,
  nameOf: techniqueName,
  waits: techniqueWaits,
  coat: trim === 'clean-face' ? 'curly' : 'wire',
  facts: new Set<Fact>(['known', 'combed']),
  burns: [],
  stops: [],
  mats: [],
  hurts: [],
  house,
  houseRules,
  rack,
  wishes: [],
  excused: [],
  chosen: {},
  ...more
})
const lineOf = (id: string, one: SheetCase) => sheetOf(adviceRules, one).lines.find((line) => line.id === id)!
const wish = (more: Partial<Wish>): Wish => ({ what: 'as you like', askedBy: 'Maren', length: null, rule: null, ...more })

describe('the sheet', () => {
  it('follows the order of the work and names a tool for every place', () => {
    const { lines } = sheetOf(adviceRules, caseOf('bearded-pet'))
    expect(lines.map(({ order }) => order)).toEqual([...lines.map(({ order }) => order)].sort((a, b) => a - b))
    expect(lines[0]).toMatchObject({ step: 'Pads', order: 6 })
    for (const region of ['back', 'cheek', 'pads', 'belly', 'skirt', 'earEdge'])
      expect(lines.some((line) => line.region === region)).toBe(true)
    for (const line of lines)
      expect(line.does === 'leave' ? line.choice === null : line.passes.every(({ choice }) => choice !== null), line.id).toBe(true)
    expect(sayTool(lineOf('back', caseOf('bearded-pet')))).toBe('blade 7F with')
  })

  // Symptom: on a rack without a 10 the tail band was still begun, and entered, with a 10.
  it('starts each step with the tool that its places were agreed with, and no name promises another', () => {
    const one = caseOf('clean-face')
    const without = { ...one, rack: rack.filter(({ id, setTo }) => id !== 'blade-10' && !setTo) }
    const agreed = agreedTargets(sheetOf(adviceRules, without))
    const steps = stepsByTargets(one.standard.plan.steps, agreed, without.rack, one)
    const clip = (id: string | null) => without.rack.find((tool) => tool.id === id)?.lengthMm != null
    for (const step of steps) {
      const passes = linesAtStep(agreed, one.regionsOf(step.technique), step.technique).flatMap((line) => line.passes!)
      if (clip(step.toolId))
        expect(
          passes.map(({ toolId }) => toolId),
          step.label
        ).toContain(step.toolId)
      expect(step.toolId, step.label).not.toBe('blade-10')
    }
    expect(steps.find(({ technique }) => technique === 'tail-band')).toMatchObject({ toolId: 'blade-9' })
    // with the whole rack the trim's own steps stand
    const own = stepsByTargets(one.standard.plan.steps, agreedTargets(sheetOf(adviceRules, one)), one.rack, one)
    expect(own.map(({ label }) => label)).toEqual(one.standard.plan.steps.map(({ label }) => label))
  })

  it('moves a target by a wish and says who asked; a wish beats the house', () => {
    const longer = caseOf('bearded-pet', { wishes: [wish({ what: 'Brows longer', length: { region: 'brow', mm: 40 } })] })
    expect(lineOf('brow', longer)).toMatchObject({
      plannedMm: 30,
      targetMm: 40,
      leavesMm: 40,
      changedBy: 'Brows longer, asked for by Maren'
    })
    const off = caseOf('bearded-pet', { house: { ...house, brows: 1 } })
    expect(lineOf('brow', off)).toMatchObject({ targetMm: 3.2, changedBy: 'Terrier brows: off' })
    expect(lineOf('brow', { ...longer, house: off.house })).toMatchObject({ targetMm: 40, changedBy: 'Brows longer, asked for by Maren' })
  })

  it('takes a house rule the other way for one visit, and says so', () => {
    const sheet = sheetOf(adviceRules, caseOf('bearded-pet', { wishes: [wish({ what: 'No brows', rule: { id: 'brows', side: 1 } })] }))
    expect(sheet.overridden).toEqual(['Terrier brows: off, not on'])
    expect(sheet.house.brows).toBe(1)
    expect(sheet.lines.find(({ region }) => region === 'brow')!.targetMm).toBe(3.2)
    expect(sheet.wishes).toEqual(['No brows (asked for by Maren)'])
  })

  it('names the house rules that decide on it, and no other', () => {
    const { decided } = sheetOf(adviceRules, caseOf('bearded-pet', { house: { ...house, 'comb-base': 1 } }))
    expect(decided).toEqual(expect.arrayContaining(['Terrier brows: on', 'Nails: before the cut', 'Ear edge: clipper onto the finger']))
    // nothing is pulled, no head is round, no comb is laid over a drop coat
    expect(decided.join()).not.toMatch(/Chalk|drop coat|Order|round head|Grip/)
    const pulled = sheetOf(adviceRules, caseOf('jacket-pet')).decided.join()
    expect(pulled).toMatch(/Order: body first.*Chalk|Chalk.*Order: body first|Order: body first/)
    expect(pulled).toMatch(/Grip when pulling: tips/)
  })

  it('splits a place whose sides differ: burned on the left, one blade longer there', () => {
    const burned = caseOf('bearded-pet', { burns: [{ region: 'cheek', side: 'left' }] })
    expect(lineOf('cheek.left', burned).leavesMm).toBe(6.3)
    expect(lineOf('cheek.right', burned).advice.fired.map(({ id }) => id)).not.toContain('burn-step')
    expect(sayLinePlace(lineOf('cheek.left', burned))).toBe('Left cheek')
    expect(lineOf('cheek', burned)).toBeUndefined()
    expect(lineOf('cheek', caseOf('bearded-pet', { burns: [{ region: 'cheek', side: 'both' }] })).leavesMm).toBe(6.3)
  })

  it('cuts nothing where the skin says stop', () => {
    const stop = { region: 'ribs', side: 'right', say: 'A lump at the right ribs.' } as const
    const one = caseOf('bearded-pet', { stops: [stop] })
    expect(lineOf('ribs.right', one)).toMatchObject({ choice: null, leavesMm: null, stopped: stop.say })
    expect(sayTool(lineOf('ribs.right', one))).toBe('nothing to cut here today')
    expect(lineOf('ribs.left', one).choice).not.toBeNull()
  })

  it('keeps what the instructor chose, and refuses what is banned with its reason', () => {
    const own = caseOf('bearded-pet', { chosen: { back: { toolId: 'blade-5f', direction: 'with' } } })
    expect(lineOf('back', own)).toMatchObject({ isOwn: true, leavesMm: 6.3 })
    const banned = caseOf('bearded-pet', { chosen: { pads: { toolId: 'blade-10', direction: 'with' } } })
    expect(() => sheetOf(adviceRules, banned)).toThrow(/chosen\.pads is blade 10 with the growth.*wide teeth catch the web/)
    const unknown = caseOf('bearded-pet', { chosen: { back: { toolId: 'blade-99', direction: 'with' } } })
    expect(() => sheetOf(adviceRules, unknown)).toThrow(/a tool of the rack/)
  })

  it('puts a comb over the blade that the house takes', () => {
    const one = caseOf('companion')
    expect(sayTool(lineOf('skull', one))).toBe('comb A over a 30, with, then curved scissors, then thinning scissors')
    expect(sayTool(lineOf('skull', { ...one, house: { ...house, 'comb-base': 1 } }))).toBe(
      'comb A over a 10, with, then curved scissors, then thinning scissors'
    )
  })

  it('warns of combs only where a comb is used', () => {
    const combs = ({ cautions }: { readonly cautions: readonly { readonly id: string }[] }) =>
      cautions.some(({ id }) => id.startsWith('comb-base'))
    expect(combs(lineOf('neckTop', caseOf('clean-face')))).toBe(false)
    expect(combs(lineOf('back', caseOf('companion')))).toBe(true)
  })

  it('keeps what came in with the dog beside its place', () => {
    const one = caseOf('bearded-pet', { excused: [{ region: 'ribs', side: 'left', reason: 'a hole' }] })
    expect(lineOf('ribs', one).excused).toEqual(['left: a hole'])
  })

  it('says places together that one tool passes over', () => {
    const groups = groupLines(sheetOf(adviceRules, caseOf('bearded-pet')).lines)
    const body = groups.find((group) => group.some(({ region }) => region === 'back'))!
    expect(body.map(({ region }) => region)).toEqual(expect.arrayContaining(['back', 'ribs', 'loin', 'croup']))
    expect(groups.flat().length).toBe(sheetOf(adviceRules, caseOf('bearded-pet')).lines.length)
  })
})

describe('the order', () => {
  const names = (id: string, own: Record<string, number> = {}) =>
    orderedSteps(standards.find((one) => one.id === id)!.plan.steps, { ...house, ...own }).map(({ technique }) => technique)

  it('washes, dries and combs before anything is cut, and says where the gate stands', () => {
    const pet = names('bearded-pet')
    expect(pet.slice(0, 7)).toEqual(['rough-clip', 'brush-out', 'bath', 'dry', 'nails', 'pads', 'sanitary'])
    const steps = standards[0].plan.steps
    expect(steps[gateStep(steps, (id) => waitsForGate(techniqueById(id)!))! - 1].technique).toBe('pads')
  })

  it('puts nails before or after the feet, as the house has it', () => {
    for (const { id, plan } of standards) {
      const after = names(id, { 'nails-when': 1 })
      for (const { technique } of plan.steps)
        if (/foot|pads/.test(technique)) expect(after.indexOf('nails'), `${id}, ${technique}`).toBeGreaterThan(after.indexOf(technique))
      expect([...after].sort()).toEqual([...names(id)].sort())
    }
  })

  it('takes the head first only on a stripped dog, after what comes before any shape', () => {
    expect(names('bearded-pet', { order: 1 })).toEqual(names('bearded-pet'))
    const show = names('jacket-show', { order: 1 })
    expect(show.slice(0, 4)).toEqual(['brush-out', 'eye-care', 'card-first', 'what-to-pull'])
    expect(show[4]).toBe('pulled-head')
    // transitions first is this trim's own order, whatever the house says
    for (const order of [0, 1]) expect(names('winter-show', { order })[2]).toBe('transition-strips')
  })

  it('clips feet before the bath as well, where the house does both', () => {
    expect(names('clean-face', { 'feet-bath': 0 })[0]).toBe('rough-clip')
    expect(names('clean-face', { 'feet-bath': 1 })).not.toContain('rough-clip')
  })
})

describe('what is true today', () => {
  it('takes the skin test, the purpose, the gate and what is known', () => {
    const skin = [{ kind: 'red', region: 'pads', side: 'left' }] as const
    expect([...factsToday({ facts: [], nose: null, skin: null }, { ...NOTHING_FOUND, skin }, true)].sort()).toEqual([
      'combed',
      'feetSore',
      'known',
      'skinReacts'
    ])
    const gate = { dry: true, combed: false, by: '', at: '', house: {} }
    expect(
      [...factsToday({ facts: ['light'], nose: 'black', skin: 'patched' }, { ...NOTHING_FOUND, purpose: 'show', gate }, false)].sort()
    ).toEqual(['light', 'pink', 'show'])
  })
})

describe('which coat a trim can be cut in', () => {
  it('refuses bracelets on a wire coat, warns on a mixed one, and takes a curl', () => {
    expect(fitOf(trimFits, 'bracelets', 'wire')).toMatchObject({
      verdict: 'refused',
      say: expect.stringMatching(/does not stand to scissors/)
    })
    expect(fitOf(trimFits, 'bracelets', 'mixed').verdict).toBe('warned')
    expect(fitOf(trimFits, 'bracelets', 'curly')).toEqual({ verdict: 'fits', say: null })
    expect(fitOf(trimFits, 'our-own', 'wire').verdict).toBe('fits')
  })
  it('names known coats, each once, and only known measures', () => {
    const kinds: readonly RuleKind[] = ['tailBand', 'neckDepth', 'footLine', 'ruff', 'against', 'plume', 'tailHead', 'bands']
    for (const { trim, coats, warns, refuses, measures } of trimFits) {
      const all = [...coats, ...warns.flatMap((one) => one.coats), ...refuses.flatMap((one) => one.coats)]
      expect(new Set(all).size, trim).toBe(all.length)
      for (const coat of all) expect(COAT_TYPES, trim).toContain(coat)
      for (const kind of measures) expect(kinds, trim).toContain(kind)
    }
  })
})

it('answers for every place of every dog: a tool, or the sentence that there is none', () => {
  const anyCase = fc.record({
    trim: fc.constantFrom('bearded-pet', 'clean-face'),
    coat: fc.constantFrom(...COAT_TYPES),
    facts: fc.subarray<Fact>([...DOG_FACTS, 'known', 'combed', 'show']),
    burns: fc.array(
      fc.record({ region: fc.constantFrom('cheek', 'back', 'belly', 'toes'), side: fc.constantFrom('left', 'right', 'both') }),
      { maxLength: 3 }
    ),
    own: fc.record(Object.fromEntries(houseRules.map(({ id, sides }) => [id, fc.integer({ min: 0, max: sides.length - 1 })])))
  })
  fc.assert(
    fc.property(anyCase, ({ trim, coat, facts, burns, own }) => {
      const { lines } = sheetOf(adviceRules, caseOf(trim, { coat, facts: new Set(facts), burns: burns as never, house: own }))
      for (const line of lines) {
        expect(sayTool(line).length).toBeGreaterThan(3)
        const hand = line.choice?.lengthMm === null
        expect(line.choice === null || hand || line.advice.ranked.includes(line.choice), line.id).toBe(true)
      }
      expect(new Set(lines.map(({ id }) => id)).size).toBe(lines.length)
    }),
    { numRuns: 60 }
  )
})
