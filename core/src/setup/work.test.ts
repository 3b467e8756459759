// The sheet against the plan of work, over all trims, coats, dogs, house rules and racks; and against a plan typed by hand from how the trade works.
import { adviceRules, cutRegionsOf, houseRules, rack, standards, techniqueName, techniqueWaits, trimFits } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { COAT_TYPES, DOG_FACTS, type Fact } from '../advice'
import { REGION_IDS, type RegionId } from '../regions'
import { isCut, lengthsOfWork, standardIssues, TOOLS_OF, workFor, type Standard } from '../standard'
import { fitOf, sayLinePlace, sayPass, sayTool, sheetOf, type SheetCase, type SheetLine } from '.'

const trimOf = (id: string) => standards.find((standard) => standard.id === id)!
const school = Object.fromEntries(houseRules.map(({ id, chosen }) => [id, chosen]))
const caseOf = (trim: string, more: Partial<SheetCase> = {}): SheetCase => ({
  standard: trimOf(trim),
  ...{
    regionsOf: cutRegionsOf,
    nameOf: techniqueName,
    waits: techniqueWaits,
    coat: 'wire',
    facts: new Set<Fact>(['known', 'combed']),
    burns: [],
    stops: [],
    mats: [],
    hurts: []
  },
  ...{ house: school, houseRules, rack, wishes: [], excused: [], chosen: {} },
  ...more
})
const linesOf = (trim: string, more?: Partial<SheetCase>) => sheetOf(adviceRules, caseOf(trim, more)).lines
const at = (lines: readonly SheetLine[], place: string) => lines.find((line) => sayLinePlace(line) === place)!

const found = fc.record({
  region: fc.constantFrom('cheek', 'beard', 'back', 'earEdge', 'armpit', 'skull'),
  side: fc.constantFrom('left', 'right', 'both')
}) as fc.Arbitrary<{ region: RegionId; side: 'left' | 'right' | 'both' }>
const anyCase = fc.record({
  trim: fc.constantFrom(...standards.map(({ id }) => id)),
  coat: fc.constantFrom(...COAT_TYPES),
  facts: fc.subarray<Fact>([...DOG_FACTS, 'known', 'combed', 'show']),
  burns: fc.array(
    fc.record({ region: fc.constantFrom('cheek', 'back', 'belly', 'toes', 'muzzle'), side: fc.constantFrom('left', 'right', 'both') }),
    { maxLength: 3 }
  ),
  house: fc.record(Object.fromEntries(houseRules.map(({ id, sides }) => [id, fc.integer({ min: 0, max: sides.length - 1 })]))),
  tools: fc.subarray([...rack], { minLength: 3 }),
  mats: fc.array(
    found.map((at) => ({ kind: 'mat' as const, widthMm: 30, ...at })),
    { maxLength: 2 }
  ),
  hurts: fc.array(
    found.map((at) => ({ kind: 'hurts' as const, ...at })),
    { maxLength: 2 }
  )
})
type Any = typeof anyCase extends fc.Arbitrary<infer T> ? T : never
const sheetFor = ({ trim, coat, facts, burns, house, tools, mats, hurts }: Any) =>
  linesOf(trim, { coat, facts: new Set(facts), burns: burns as never, house, rack: tools, mats, hurts })

describe('over all trims, coats, dogs, house rules and racks', () => {
  it('no line proposes a kind of work that the plan does not have there, in another order or direction, or with another kind of tool', () => {
    fc.assert(
      fc.property(anyCase, (one) => {
        for (const line of sheetFor(one)) {
          const isShow = one.facts.includes('show')
          const rows = workFor(trimOf(one.trim).plan.work!, { house: one.house, coat: one.coat as never, isShow })
          const row = rows.filter(({ place, part }) => place === line.region && (part ?? null) === line.part)
          const kinds = line.passes.map(({ kind, direction }) => `${kind} ${direction}`)
          const planned = row.map(({ passes }) => passes.map(({ kind, direction }) => `${kind} ${direction}`))
          // a rule that changes the kind says so: scissors in the place of a pull, a blade or an edge, or a mat out first
          if (line.named.length === 0) expect(planned, `${one.trim} ${line.id}`).toContainEqual(kinds)
          else for (const kind of kinds) expect([...planned.flat(), 'scissor null', 'clip with'], `${one.trim} ${line.id}`).toContain(kind)
          for (const { kind, choice, direction } of line.passes) {
            if (!choice) continue
            expect(TOOLS_OF[kind], `${one.trim} ${line.id} ${choice.tool.id}`).toContain(choice.tool.kind)
            if (choice.direction) expect(choice.direction).toBe(direction === 'against' ? 'against' : 'with')
          }
        }
      }),
      { numRuns: 150 }
    )
  })

  it('nothing is proposed for a place that the trim leaves, and no place is silent', () => {
    fc.assert(
      fc.property(anyCase, (one) => {
        const lines = sheetFor(one)
        for (const line of lines.filter(({ does }) => does === 'leave')) {
          expect([line.passes, line.choice, line.cautions]).toEqual([[], null, []])
          expect(sayTool(line)).toBe('left alone, combed through')
        }
        expect(new Set(lines.map(({ region }) => region))).toEqual(new Set(REGION_IDS))
      }),
      { numRuns: 100 }
    )
  })

  it('a coat that stands is never given a length by a blade or a comb', () => {
    for (const { id, plan } of standards)
      for (const { does, passes } of plan.work!)
        if (does === 'coat')
          expect(
            passes.some(({ kind }) => isCut(kind) && kind !== 'thin'),
            id
          ).toBe(false)
  })
})

describe('a plan with something wrong', () => {
  const wrong = (change: (work: NonNullable<Standard['plan']['work']>) => NonNullable<Standard['plan']['work']>) => {
    const standard = trimOf('bearded-pet')
    return standardIssues({ ...standard, plan: { ...standard.plan, work: change(standard.plan.work!) } }).map(({ code }) => code)
  }
  it('is named: a place that is silent, also on one side of a house rule only', () => {
    expect(wrong((work) => work)).toEqual([])
    expect(wrong((work) => work.filter(({ place }) => place !== 'armpit'))).toEqual(['silentPlace'])
    expect(wrong((work) => work.filter(({ place, house }) => place !== 'brow' || house?.side !== 1))).toEqual([])
    expect(standardIssues({ ...trimOf('bearded-pet') }, { houses: new Map([['brows', 2]]) })).not.toContainEqual(
      expect.objectContaining({ code: 'silentPlace' })
    )
  })
  it('is named: work where a place is left, no pass where there should be one, work not said, a length that is not what the work leaves', () => {
    expect(wrong((work) => work.map((row) => (row.place === 'armpit' ? { ...row, passes: work[0]!.passes } : row)))).toEqual([
      'workWhereLeft'
    ])
    expect(wrong((work) => work.map((row) => (row.place === 'pads' ? { ...row, passes: [] } : row)))).toEqual(['noPass'])
    expect(wrong((work) => work.map((row) => (row.place === 'pads' ? { ...row, does: 'unsaid' as const, passes: [] } : row)))).toEqual([
      'workNotSaid'
    ])
    expect(
      wrong((work) => work.map((row) => (row.place === 'back' ? { ...row, passes: [{ ...row.passes[0]!, leavesMm: 6.3 }] } : row)))
    ).toEqual(['lengthNotOfWork'])
  })
  it('is what each side of a house rule leaves', () => {
    const { work } = trimOf('bearded-pet').plan
    expect(lengthsOfWork(work!, { house: {} })).toMatchObject({ brow: 30, skull: 3.2, earOutside: 3.2 })
    expect(lengthsOfWork(work!, { house: { brows: 1, 'bearded-skull': 1, 'bearded-ear': 1 } })).toMatchObject({
      brow: 3.2,
      skull: 2,
      earOutside: 1.6
    })
  })
})

// Typed by hand from how the trade works these places, not from content. Common practice, no published source.
describe.each<[trim: string, coat: SheetCase['coat'], rows: readonly (readonly [place: string, tool: string, mm: number | null])[]]>([
  [
    'bearded-pet',
    'wire',
    [
      ['Back', 'blade 7F with', 3.2],
      ['Shoulder', 'blade 7F with', 3.2],
      ['Throat', 'blade 7F with', 3.2],
      ['Chest, above the breastbone', 'blade 7F with', 3.2],
      ['Thigh, rear edge', 'blade 7F with', 3.2],
      ['Under the tail', 'blade 7F with', 3.2],
      ['Skull', 'blade 7F with, then straight scissors', 3.2],
      ['Ear outside', 'blade 7F with', 3.2],
      ['Inside of the ear', 'blade 15 with', 1.2],
      ['Ear edge', 'blade 40 off the edge onto the finger', null],
      ['Pads', 'blade 15 with', 1.2],
      ['Belly and groin', 'blade 10 with', 1.6],
      ['Around the anus', 'blade 10 away from the anus', 1.6],
      ['Armpit', 'left alone, combed through', null]
    ]
  ],
  [
    'jacket-pet',
    'wire',
    [
      ['Back', 'fine knife, carding, then finger and thumb, pulling everything that comes', 13],
      ['Foreleg', 'finger and thumb, pulling everything that comes', 13],
      ['Fore foot', 'finger and thumb, pulling everything that comes, then small face scissors', 9],
      ['Brow', 'left alone, combed through', 12],
      ['Ear outside', 'finger and thumb, pulling everything that comes', 2.5]
    ]
  ],
  [
    'winter-show',
    'wire',
    [
      ['Cheek', 'finger and thumb, pulling a 25 mm strip, then blade 10 with', 1.6],
      ['Skull', 'left alone, combed through', 7],
      ['Throat', 'finger and thumb, pulling a 25 mm strip, then blade 10 with', 1.6],
      ['Chest, below the dimple', 'left alone, combed through', 18],
      ['Ear outside', 'finger and thumb, pulling a 25 mm strip, then blade 15 with', 1.2],
      ['Thigh, rear edge', 'finger and thumb, pulling a 25 mm strip, then blade 10 with', 1.6],
      ['Tail, tip', 'left alone, combed through', null]
    ]
  ],
  [
    'clean-face',
    'curly',
    [
      ['Fore foot', 'blade 30 against', 0.15],
      ['Base of the tail', 'blade 10 against, then blade 40 at a right angle', 0.5],
      ['Cheek', 'blade 10 with', 1.6],
      ['Throat', 'blade 10 with', 1.6],
      ['Bridge of the nose', 'blade 15 against', 0.25],
      ['Foreleg', 'blade 40 at a right angle, then straight scissors', 36]
    ]
  ],
  [
    'bracelets',
    'curly',
    [
      ['Back', 'blade 7F with', 3.2],
      ['Foreleg, above the bracelet', 'blade 7F with', 3.2],
      ['Ear outside', 'fine bands', 26]
    ]
  ],
  [
    'companion',
    'curly',
    [
      ['Back', 'comb 0 over a 30, with, then chunker', 16],
      ['Neck top', 'comb 0 over a 30, with, then chunker', 16],
      ['Thigh', 'comb 0 over a 30, with, then chunker', 16],
      ['Skull', 'comb A over a 30, with, then curved scissors, then thinning scissors', 19],
      ['Bridge of the nose', 'comb 0 over a 30, with, then small face scissors, then curved scissors, then thinning scissors', 16],
      ['Base of the tail', 'left alone, combed through', 34]
    ]
  ],
  [
    'spaniel-pet',
    'smooth',
    [
      ['Skull', 'thinning scissors', 9],
      ['Cheek', 'blade 10 with', 1.6]
    ]
  ],
  [
    'layered-head',
    'drop',
    [
      ['Skull', 'curved blender', 40],
      ['Brow', 'small blender', 30],
      ['Back', 'comb C over a 30, against', 22]
    ]
  ],
  [
    'carded-sporting',
    'smooth',
    [
      ['Back', 'medium carder, carding, then fine carder, carding', 8],
      ['Shoulder', 'medium carder, carding, then stripping stone, pulling the tips', 8]
    ]
  ],
  [
    'mountain-ear',
    'double',
    [
      ['Ear edge', 'thinning scissors', null],
      ['Back', 'left alone, combed through', 35],
      ['Belly and groin', 'left alone, combed through', null]
    ]
  ],
  [
    'long-coat',
    'drop',
    [
      ['Skull', 'fine bands', 50],
      ['Ear outside', 'wraps', 45],
      ['Ribs', 'left alone, combed through', 125],
      ['Pads', 'blade 15 with', null]
    ]
  ]
])('%s on a known dog with a %s coat', (trim, coat, rows) => {
  const lines = linesOf(trim, { coat, house: { ...school, 'ear-edge': 0 } })
  it.each(rows)('%s: %s', (place, tool, mm) => {
    expect(sayTool(at(lines, place))).toBe(tool)
    expect(at(lines, place).leavesMm).toBe(mm)
  })
})

describe('blades by the dog', () => {
  const muzzle = (facts: readonly Fact[]) =>
    sayTool(at(linesOf('clean-face', { coat: 'curly', facts: new Set(facts) }), 'Bridge of the nose'))
  const foot = (facts: readonly Fact[], more: Partial<SheetCase> = {}) =>
    sayTool(at(linesOf('clean-face', { coat: 'curly', facts: new Set(facts), ...more }), 'Fore foot'))
  // Typed by hand from how the trade chooses blades. Common practice, no published source.
  it.each<[string, readonly Fact[], string, string]>([
    ['a pet one knows', ['known', 'combed'], 'blade 15 against', 'blade 30 against'],
    ['an unknown dark dog', ['combed'], 'blade 10 against', 'blade 30 against'],
    ['an unknown light dog', ['combed', 'light'], 'blade 10 against', 'blade 15 against'],
    ['pink skin', ['known', 'combed', 'pink'], 'blade 10 against', 'blade 15 against'],
    ['sensitive skin', ['known', 'combed', 'sensitive'], 'blade 10 against', 'blade 30 against'],
    ['sore feet', ['known', 'combed', 'feetSore'], 'blade 15 against', 'blade 15 against']
  ])('%s', (_, facts, face, feet) => {
    expect(muzzle(facts)).toBe(face)
    expect(foot(facts)).toBe(feet)
  })
  it('a body with a 7F is the same on a dog one does not know', () => {
    expect(sayTool(at(linesOf('bearded-pet', { facts: new Set<Fact>(['combed']) }), 'Back'))).toBe('blade 7F with')
  })
  it('the next longer blade in the same direction where one burned; on a foot the ladder ends at the 15', () => {
    const burn = (region: string, mm: number) => [
      { region, side: 'both' as const, by: { toolId: 'x', direction: 'with' as const, leftMm: mm } }
    ]
    const burned = (trim: string, place: string, region: string, mm: number) =>
      sayTool(at(linesOf(trim, { coat: 'curly', burns: burn(region, mm) as never }), place))
    expect(burned('clean-face', 'Cheek', 'cheek', 1.6)).toBe('blade 9 with')
    expect(burned('clean-face', 'Bridge of the nose', 'muzzle', 0.25)).toBe('blade 10 against')
    expect(burned('bearded-pet', 'Back', 'back', 3.2)).toBe('blade 5F with')
    expect(burned('clean-face', 'Fore foot', 'foreFoot', 0.15)).toBe('blade 15 against')
    expect(burned('clean-face', 'Fore foot', 'foreFoot', 0.25)).toBe('leave it; scissor the outline')
  })
  it('a stripped dog is pulled by hand where the house strips by hand only', () => {
    const passes = (knives: number) => at(linesOf('jacket-show', { house: { ...school, knives } }), 'Back').passes.map(sayPass)
    expect(passes(0)[1]).toBe('finger and thumb, pulling the longest layer')
    expect(passes(1)[1]).toBe('coarse knife, pulling the longest layer')
  })
})

// Typed by hand from how the trade sees coats: y fits, w with a warning, n refused. Common practice, no published source.
describe('which coats a trim fits', () => {
  const COATS = ['wire', 'curly', 'drop', 'double', 'smooth', 'mixed'] as const
  const WORDS = { y: 'fits', w: 'warned', n: 'refused' } as const
  it.each([
    ['bearded-pet', 'yywnwy'],
    ['jacket-show', 'ynnnnw'],
    ['jacket-pet', 'ynnnnw'],
    ['winter-show', 'ynnnnn'],
    ['clean-face', 'wywnnw'],
    ['bracelets', 'nynnnw'],
    ['companion', 'wyynwy'],
    ['smile', 'nwynny'],
    ['layered-head', 'nwynny'],
    ['teddy', 'wyywny'],
    ['flower', 'ywwwny'],
    ['spaniel-pet', 'nwwnyw'],
    ['spaniel-legs', 'nwwnyw'],
    ['carded-sporting', 'wnnwyw'],
    ['mountain-ear', 'wnwyyw'],
    ['long-coat', 'nyynnw']
  ])('%s: %s', (trim, row) => {
    for (const [i, coat] of COATS.entries()) {
      const { verdict, say } = fitOf(trimFits, trim, coat)
      expect(verdict, coat).toBe(WORDS[row[i] as keyof typeof WORDS])
      expect(say === null, coat).toBe(verdict === 'fits')
    }
  })
})
