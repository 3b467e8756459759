// The rules of the trade as they stand in content; all common practice, no published source.
import { adviceRules, houseRules, rack } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { REGION_IDS, type RegionId } from '../regions'
import { lengthLeft, toolById } from '../tools'
import {
  advise,
  applies,
  choicesOf,
  coatTypeOf,
  COAT_TYPES,
  FACTS,
  NOTHING_LEFT,
  ruleIssues,
  sayChoice,
  whyNot,
  type AdviceCase,
  type AdviceRule,
  type CoatType,
  type Fact
} from '.'

const house = Object.fromEntries(houseRules.map(({ id, chosen }) => [id, chosen]))
const KNOWN: readonly Fact[] = ['known', 'combed']
const asked = (
  region: RegionId,
  plannedMm: number | null,
  coat: CoatType = 'wire',
  facts: readonly Fact[] = KNOWN,
  own: Record<string, number> = {}
): AdviceCase => ({
  region,
  plannedMm,
  coat,
  facts: new Set(facts),
  house: { ...house, ...own },
  rack
})
const first = (one: AdviceCase) => {
  const { ranked } = advise(adviceRules, one)
  return ranked.length > 0 ? sayChoice(ranked[0]) : null
}
const firedIn = (one: AdviceCase) => {
  const { fired, cautions } = advise(adviceRules, one)
  return [...fired, ...cautions].map(({ id }) => id)
}

describe('the first choice', () => {
  it.each([
    // the plan's own length, on a known dog
    [asked('back', 3.2), 'blade 7F with the growth, leaves 3.2 mm'],
    [asked('ribs', 9.5), 'blade 4F with the growth, leaves 9.5 mm'],
    [asked('back', 19, 'curly'), 'comb A with the growth, leaves 19 mm'],
    // no clipper leaves 45 mm
    [asked('skirt', 45), 'straight scissors'],
    // pads: a 15, never a 10
    [asked('toes', null, 'curly'), 'blade 30 against the growth, leaves 0.5 mm'],
    [asked('belly', null), 'blade 10 with the growth, leaves 1.6 mm'],
    // a house rule moves it
    [asked('earOutside', 3.2), 'blade 7F with the growth, leaves 3.2 mm'],
    [asked('earOutside', 1.6, 'wire', KNOWN, { 'bearded-ear': 1 }), 'blade 10 with the growth, leaves 1.6 mm'],
    // the band of a curly coat
    [asked('tailBand', null, 'wire', [...KNOWN, 'show']), 'blade 40 with the growth, leaves 0.25 mm']
  ] as const)('%#', (one, sentence) => {
    const found = first(one)
    if (one.region === 'toes') expect(found).toMatch(/^blade (15|30)/)
    else expect(found).toBe(sentence)
  })

  // Symptom: burned by a 7F where a 10 was planned, the sheet asked for a 9: shorter than the blade that had burned
  it('goes past the blade that burned, in its direction, and never takes it or a closer one there again', () => {
    const burnedBy = (plannedMm: number | null, burnedMm: number) => ({
      ...asked('cheek', plannedMm, 'wire', [...KNOWN, 'burnedHere']),
      burnedMm
    })
    // Ref: the trade's ladder, common practice: after a 7F with the growth (3.2) a 5F (6.3)
    expect(advise(adviceRules, burnedBy(1.6, 3.2)).aimMm).toBe(6.3)
    expect(advise(adviceRules, burnedBy(null, 3.2)).aimMm).toBe(6.3)
    // a 7F against leaves 2.0: the next is a 8½
    expect(advise(adviceRules, burnedBy(1.6, 2)).aimMm).toBe(2.8)
    // longer than that already: the plan's own length stands
    expect(advise(adviceRules, burnedBy(9.5, 3.2)).aimMm).toBe(9.5)
    for (const plannedMm of [null, 1.2, 3.2, 9.5]) {
      const { ranked, bans } = advise(adviceRules, burnedBy(plannedMm, 3.2))
      expect(ranked.every(({ lengthMm }) => lengthMm === null || lengthMm > 3.2)).toBe(true)
      expect(bans.some(({ choice, because }) => choice.tool.id === 'blade-7f' && because.some(({ id }) => id === 'burn-step'))).toBe(true)
    }
  })

  it('takes the longer of two rules that lengthen, not both', () => {
    const both = { ...asked('cheek', 3.2, 'wire', ['combed', 'burnedHere']), burnedMm: 3.2 }
    expect(advise(adviceRules, both).aimMm).toBe(6.3)
    // the skin reacted as well: one step past the plan is longer than past the blade that burned
    expect(advise(adviceRules, { ...both, facts: new Set([...both.facts, 'skinReacts' as const]), plannedMm: 9.5 }).aimMm).toBe(13)
  })

  it('moves one blade longer where the dog was burned, and only one whatever else lengthens', () => {
    expect(first(asked('cheek', 3.2))).toBe('blade 7F with the growth, leaves 3.2 mm')
    const burned = asked('cheek', 3.2, 'wire', [...KNOWN, 'burnedHere'])
    expect(advise(adviceRules, burned).aimMm).toBe(6.3)
    expect(first(burned)).toBe('blade 5F with the growth, leaves 6.3 mm')
    // reacting skin, burned: steps do not add up
    expect(advise(adviceRules, asked('cheek', 3.2, 'wire', ['combed', 'burnedHere', 'skinReacts'])).aimMm).toBe(6.3)
    expect(firedIn(burned)).toContain('burn-step')
  })

  it('is as the house decides for a drop coat and for the skull', () => {
    expect(first(asked('back', 2, 'drop'))).toBe('blade 7F against the growth, leaves 2 mm')
    expect(first(asked('back', 2, 'drop', KNOWN, { 'drop-body': 1 }))).toBe('blade 9 with the growth, leaves 2 mm')
    expect(first(asked('skull', 3.2, 'wire', KNOWN, { 'bearded-skull': 1 }))).toMatch(/against the growth/)
  })
})

describe('what is banned', () => {
  const bannedIn = (one: AdviceCase, toolId: string, direction: 'with' | 'against' = 'with') =>
    whyNot(advise(adviceRules, one), toolId, direction)

  it('a 10 between the toes, whatever is asked for', () => {
    for (const facts of [KNOWN, [...KNOWN, 'show', 'takes40']] as const) {
      const answer = bannedIn(asked('toes', 1.6, 'curly', facts as readonly Fact[]), 'blade-10')
      expect(answer.allowed).toBe(false)
      expect(answer.because.join()).toMatch(/web/)
      expect(['15', '30', '40']).toContain(answer.nearest!.tool.label)
    }
  })

  it('the face against the growth, and closer than a 10 unless the dog is known to take it', () => {
    expect(bannedIn(asked('cheek', 1.6), 'blade-10', 'against').allowed).toBe(false)
    expect(bannedIn(asked('throat', 1), 'blade-15').because.join()).toMatch(/10 is as close/)
    expect(bannedIn(asked('throat', 1.2, 'curly', [...KNOWN, 'takes40']), 'blade-15').allowed).toBe(true)
    expect(bannedIn(asked('cheek', 1.6), 'blade-15', 'against').because.join()).toMatch(/what a 40 leaves/)
  })

  it('close blades on light dogs with pink skin, on unknown light feet and on sore ones', () => {
    expect(bannedIn(asked('tail', 1.2, 'curly', [...KNOWN, 'light', 'pink']), 'blade-15').allowed).toBe(false)
    expect(bannedIn(asked('foreFoot', null, 'curly', ['combed', 'light']), 'blade-30').allowed).toBe(false)
    expect(bannedIn(asked('foreFoot', null, 'curly', [...KNOWN, 'feetSore']), 'blade-30').because.join()).toMatch(/sore/)
    expect(bannedIn(asked('rearFoot', null, 'curly'), 'blade-40').allowed).toBe(false)
    expect(bannedIn(asked('rearFoot', null, 'curly', [...KNOWN, 'takes40']), 'blade-40').allowed).toBe(true)
  })

  it('combs in a coat that is not combed through, and skip teeth on skin that folds', () => {
    expect(bannedIn(asked('back', 19, 'curly', ['known']), 'comb-a').because.join()).toMatch(/jams/)
    const skip = { ...toolById(rack, 'blade-5f'), id: 'blade-5', label: '5', toothing: 'skip' as const }
    const one = { ...asked('armpit', 6.3), rack: [...rack, skip] }
    expect(whyNot(advise(adviceRules, one), 'blade-5', 'with').because.join()).toMatch(/Skip teeth/)
    expect(whyNot(advise(adviceRules, { ...one, region: 'back' }), 'blade-5', 'with').allowed).toBe(true)
  })

  it('clippers at the eye and under the tail where the house says scissors', () => {
    expect(first(asked('eyeCorner', null, 'wire', KNOWN, { 'eye-corners': 1 }))).toMatch(/scissors|thinn|blender|chunker/)
    expect(first(asked('eyeCorner', null, 'curly', KNOWN, { 'eye-corners': 0 }))).toBe('blade 15 with the growth, leaves 1.2 mm')
    expect(first(asked('anus', null, 'wire', KNOWN, { sanitary: 1 }))).not.toMatch(/blade|comb/)
  })
})

describe('what is said', () => {
  it('shows the caution at the place where it belongs', () => {
    expect(firedIn(asked('earEdge', null))).toEqual(expect.arrayContaining(['ear-edge', 'pocket']))
    expect(firedIn(asked('armpit', null))).toContain('armpit-mat')
    expect(firedIn(asked('chest', 10))).toContain('no-swirl')
    expect(firedIn(asked('back', 19, 'curly'))).toEqual(expect.arrayContaining(['longer-first', 'comb-base-30']))
    expect(firedIn(asked('earOutside', 3.2, 'wire', [...KNOWN, 'cropped']))).toContain('cropped-out')
  })

  it('answers why-not for what is merely further off, for what is first and for what is not in the rack', () => {
    const advice = advise(adviceRules, asked('back', 3.2))
    expect(whyNot(advice, 'blade-7f', 'with')).toEqual({ allowed: true, because: ['This is the first choice here.'], nearest: null })
    expect(whyNot(advice, 'blade-10', 'with').because).toEqual(['It is allowed, but leaves 1.6 mm where the aim is 3.2 mm.'])
    expect(whyNot(advice, 'blade-5000', 'with').because).toEqual(['The rack has no such tool for this direction.'])
  })

  it('says so where nothing is left', () => {
    const all: AdviceRule = { id: 'x', when: {}, does: [{ kind: 'forbid', which: {} }], say: 'Nothing today.', source: 'test' }
    const advice = advise([all], asked('back', 3.2))
    expect(advice.ranked).toEqual([])
    expect(advice.say).toBe(NOTHING_LEFT)
    expect(whyNot(advice, 'blade-7f', 'with')).toEqual({ allowed: false, because: ['Nothing today.'], nearest: null })
  })

  it('adding a rule is adding data', () => {
    const rule: AdviceRule = {
      id: 'ours',
      when: { regions: ['back'], coats: ['wire'] },
      does: [{ kind: 'cap', closestMm: 5 }],
      say: 'Our terriers keep 5 mm.',
      source: 'test'
    }
    const advice = advise([...adviceRules, rule], asked('back', 3.2))
    expect(advice.say).toBe('blade 5F with the growth, leaves 6.3 mm')
    expect(advice.fired).toContainEqual({ id: 'ours', say: 'Our terriers keep 5 mm.' })
  })
})

const cases = fc.record({
  region: fc.constantFrom(...REGION_IDS),
  plannedMm: fc.option(fc.double({ min: 0.25, max: 90, noNaN: true })),
  coat: fc.constantFrom(...COAT_TYPES),
  facts: fc.subarray([...FACTS]).map((facts) => new Set(facts)),
  house: fc.record(Object.fromEntries(houseRules.map(({ id, sides }) => [id, fc.integer({ min: 0, max: sides.length - 1 })]))),
  rack: fc.subarray([...rack]).map((own) => own)
})

describe('for every place, dog, house and rack', () => {
  it('there is an allowed tool or the sentence that there is none, and nothing is both allowed and banned', () => {
    fc.assert(
      fc.property(cases, (one) => {
        const { ranked, bans, say } = advise(adviceRules, one)
        expect(say).toBe(ranked.length > 0 ? sayChoice(ranked[0]) : NOTHING_LEFT)
        expect(ranked.length + bans.length).toBe(choicesOf(one.rack).length)
        for (const { choice, because } of bans) {
          expect(ranked).not.toContain(choice)
          expect(because.length).toBeGreaterThan(0)
        }
      }),
      { numRuns: 400 }
    )
  })

  it('a full rack always leaves something to work with', () => {
    fc.assert(
      fc.property(cases, (one) => {
        expect(advise(adviceRules, { ...one, rack }).ranked.length).toBeGreaterThan(0)
      }),
      { numRuns: 300 }
    )
  })

  it('no allowed length is closer than any cap, nor shorter than the plan where the dog was burned', () => {
    fc.assert(
      fc.property(cases, (one) => {
        const { ranked, aimMm } = advise(adviceRules, one)
        const caps = adviceRules
          .filter(({ when }) => applies(when, one))
          .flatMap(({ does }) => does.flatMap((effect) => (effect.kind === 'cap' ? [effect] : [])))
        for (const { lengthMm, direction } of ranked) {
          if (lengthMm === null) continue
          for (const cap of caps) {
            // "not closer than a 10" is a 10 in the direction of the choice
            const blade =
              cap.label === undefined
                ? null
                : lengthLeft(
                    rack.find(({ label }) => label === cap.label)!,
                    direction ?? 'with'
                  )
            const closest = blade ? (blade.allowed ? blade.lengthMm : 0) : (cap as { closestMm: number }).closestMm
            expect(lengthMm).toBeGreaterThanOrEqual(closest - 1e-6)
          }
          if (one.facts.has('burnedHere') && one.plannedMm !== null)
            expect(lengthMm).toBeGreaterThanOrEqual(Math.min(aimMm!, one.plannedMm) - 1e-6)
        }
        if (one.facts.has('burnedHere') && one.plannedMm !== null && one.plannedMm < 12) expect(aimMm!).toBeGreaterThan(one.plannedMm)
      }),
      { numRuns: 400 }
    )
  })

  it('why-not names an allowed neighbour for everything that is banned, while anything is allowed', () => {
    fc.assert(
      fc.property(cases, (one) => {
        const advice = advise(adviceRules, { ...one, rack })
        for (const { choice } of advice.bans.slice(0, 5)) {
          const answer = whyNot(advice, choice.tool.id, choice.direction)
          expect(answer.allowed).toBe(false)
          expect(advice.ranked).toContain(answer.nearest)
        }
      }),
      { numRuns: 200 }
    )
  })
})

describe('a coat in words', () => {
  it.each([
    ['wire', 'wire'],
    ['soft wire', 'wire'],
    ['soft curly', 'curly'],
    ['silky, dropping', 'drop'],
    ['double', 'double'],
    ['smooth with feathering', 'smooth'],
    ['unknown', 'mixed'],
    ['', 'mixed']
  ] as const)('%s', (words, type) => expect(coatTypeOf(words)).toBe(type))
})

describe('rules that cannot work', () => {
  const known = { labels: new Set(rack.map(({ label }) => label)), houses: new Map(houseRules.map(({ id, sides }) => [id, sides.length])) }
  const rule: AdviceRule = { id: 'ours', when: {}, does: [{ kind: 'caution' }], say: 'Take care.', source: 'test' }
  it('none of the shipped ones', () => {
    expect(ruleIssues(adviceRules, known)).toEqual([])
    for (const { id, say, source } of adviceRules) {
      expect(say, id).toMatch(/^[A-Z].*\.$/s)
      expect(source.length, id).toBeGreaterThan(5)
    }
  })
  it.each<[Partial<AdviceRule>, string, unknown]>([
    [{ does: [{ kind: 'prefer', labels: ['11'] }] }, 'rules.ours.does', '11'],
    [{ does: [{ kind: 'forbid', which: { notLabels: ['laser'] } }] }, 'rules.ours.does', 'laser'],
    [{ does: [] }, 'rules.ours.does', 'nothing'],
    [{ when: { regions: ['antler' as RegionId] } }, 'rules.ours.when.regions', 'antler'],
    [{ when: { coats: ['scales' as CoatType] } }, 'rules.ours.when.coats', 'scales'],
    [{ when: { none: ['tired' as Fact] } }, 'rules.ours.when', 'tired'],
    [{ when: { house: { id: 'stop', side: 2 } } }, 'rules.ours.when.house', 'stop 2'],
    [{ say: ' ' }, 'rules.ours.say', 'nothing']
  ])('%j is named with its place', (change, path, got) => {
    expect(ruleIssues([{ ...rule, ...change }], known)).toMatchObject([{ code: 'invalidRule', path, got }])
  })
  it('an id that is used twice', () => expect(ruleIssues([rule, rule], known)).toMatchObject([{ path: 'rules.ours.id' }]))
})
