import { standards, techniqueById, rack } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { largestUsableU, sayStandardIssue, sharedCriteria01, standardIssues, STATIONS, uOf, type Criterion, type Standard } from '.'

const standard = standards[0]
const withCriterion = (id: string, change: (criterion: Criterion) => unknown): Standard =>
  ({ ...standard, criteria: standard.criteria.map((criterion) => (criterion.id === id ? change(criterion) : criterion)) }) as Standard

describe('bearded-pet', () => {
  it('is valid and has at least 24 criteria in six stations and four sections', () => {
    expect(standardIssues(standard)).toEqual([])
    expect(standard.criteria.length).toBeGreaterThanOrEqual(24)
    for (const station of STATIONS)
      expect(
        standard.criteria.some((criterion) => criterion.station === station),
        station
      ).toBe(true)
    expect(standard.sections.map((section) => section.id)).toEqual(['handling', 'hygiene', 'shape', 'finish'])
  })

  it('plans only techniques and tools that exist', () => {
    for (const step of standard.plan.steps) {
      expect(techniqueById(step.technique), step.technique).toBeDefined()
      if (step.toolId)
        expect(
          rack.some((tool) => tool.id === step.toolId),
          step.toolId
        ).toBe(true)
    }
    expect(standard.plan.steps.length).toBeGreaterThan(8)
  })

  // Ref: common practice, no published source: body, neck and skull with a 7F (3.2 mm), brow about 30 mm
  it('plans the lengths of the pattern', () => {
    expect(standard.plan.lengthsMm).toMatchObject({ back: 3.2, neckSide: 3.2, skull: 3.2, brow: 30, skirt: 45 })
  })
})

describe('a standard that cannot be used', () => {
  // Ref: hand calculation: a band of 7.84 mm holds 3.92 u at u = 2
  it('says the largest usable u', () => {
    expect(largestUsableU([0, 7.84])).toBeCloseTo(2, 3)
    expect(largestUsableU([null, 3.2897])).toBeCloseTo(2, 3)
  })

  it.each<[string, Standard, string, RegExp]>([
    [
      'a weight of nothing',
      withCriterion('beard-length', (c) => ({ ...c, weight: 0 })),
      'invalidStandard',
      /criteria\.beard-length\.weight/
    ],
    ['an unknown region', withCriterion('beard-length', (c) => ({ ...c, region: 'antler' })), 'invalidStandard', /region/],
    ['an unknown section', withCriterion('beard-length', (c) => ({ ...c, section: 'style' })), 'invalidStandard', /section/],
    [
      'a band outside its limit',
      withCriterion('beard-length', (c) => ({ ...c, how: { ...c.how, band: [40, 90] } })),
      'bandOutsideLimit',
      /band/
    ],
    [
      'a band too narrow for the gauge',
      withCriterion('beard-length', (c) => ({ ...c, how: { ...c.how, band: [54.8, 55.2] } })),
      'cannotDecide',
      /instrument/
    ],
    ['missing levels', withCriterion('belly', (c) => ({ ...c, how: { ...c.how, levels: ['a', 'b'] } })), 'missingLevels', /levels/],
    ['a difference of nothing', withCriterion('brow-pair', (c) => ({ ...c, how: { ...c.how, of: 'belly' } })), 'unknownPair', /of/],
    ['an id used twice', withCriterion('belly', (c) => ({ ...c, id: 'joins' })), 'invalidStandard', /criteria\.joins\.id/]
  ])('%s is refused with its place', (_, broken, code, path) => {
    const found = standardIssues(broken).find((issue) => issue.code === code)
    expect(found?.path).toMatch(path)
  })
})

describe('what stands against a standard', () => {
  const poodle = standards.find(({ id }) => id === 'clean-face')!
  const spoilt = (id: string, change: (criterion: Criterion) => unknown): Standard =>
    ({ ...poodle, criteria: poodle.criteria.map((criterion) => (criterion.id === id ? change(criterion) : criterion)) }) as Standard
  const how = (id: string, part: object) => spoilt(id, (c) => ({ ...c, how: { ...c.how, ...part } }))
  const KNOWN = { techniques: new Set(['pads']), tools: new Set(['blade-15']), bodies: new Set(['toy']), houses: new Map([['stop', 2]]) }

  it.each<[string, Standard, RegExp]>([
    [
      'a target outside its band',
      how('scissored-back', { targetMm: 30 }),
      /^Back, scissored: the target is 30; it must be inside the band 7 to 11\.$/
    ],
    ['a grown-out length inside the band', how('scissored-back', { grownOutMm: 8 }), /the grown-out length is 8; it must be 11 mm or more/],
    [
      'a band outside its limit',
      how('scissored-back', { band: [1, 11] }),
      /^Back, scissored: the band is 1 to 11; it must be inside the limit 3 to 15\.$/
    ],
    ['an unknown region', spoilt('flow', (c) => ({ ...c, region: 'antler' })), /the region is antler; it must be a known region/],
    ['a weight of nothing', spoilt('flow', (c) => ({ ...c, weight: 0 })), /the weight is 0; it must be more than 0/],
    [
      'missing levels',
      how('flow', { levels: ['a', 'b', '', 'd', 'e'] }),
      /the number of worded levels is 4; it must be five worded levels/
    ],
    ['an unknown formula', how('neck-depth', { formula: 'magic' }), /it must be a known formula/],
    ['typical readings that miss the band', how('neck-depth', { typical: { neck: 90, muzzle: 60 } }), /the typical reading is 150 %/],
    ['a typical reading left out', how('neck-depth', { typical: { neck: 60 } }), /muzzle/],
    ['a formula its instrument cannot decide', how('neck-depth', { band: [98, 102] }), /4\.5 %; it must be accurate to 2 %/],
    [
      'readings of a criterion that reads elsewhere',
      how('foot-tilt', { readingsOf: 'neck-depth' }),
      /the criterion it reads from is neck-depth/
    ],
    ['a pass mark of 100', { ...poodle, passMark: 100 }, /^The pass mark is 100; it must be more than 0 and less than 100\.$/],
    [
      'a floor of 140',
      { ...poodle, sections: poodle.sections.map((section) => ({ ...section, floor: 140 })) },
      /floor is 140; it must be 0 to 100/
    ],
    [
      'two steps of one technique',
      { ...poodle, plan: { ...poodle.plan, steps: [...poodle.plan.steps, poodle.plan.steps[0]] } },
      /no other step of this trim has/
    ],
    [
      'a making without its criterion',
      { ...poodle, makes: [{ say: 'x', criteria: ['gone'] }] },
      /gone; it must be a criterion of this standard/
    ],
    [
      'a variant that leaves a broken band',
      { ...poodle, variants: [{ rule: 'stop', side: 1, says: 'x', criteria: [how('scissored-back', { band: [1, 11] }).criteria[0]] }] },
      /\(in a variant\) is 1 to 11/
    ]
  ])('%s is said with its place', (_, broken, words) => {
    const said = standardIssues(broken).map((issue) => sayStandardIssue(broken, issue))
    expect(
      said.some((say) => words.test(say)),
      said.join(' | ')
    ).toBe(true)
  })

  it('names techniques, tools, bodies and house rules that this school does not know', () => {
    const paths = standardIssues(poodle, KNOWN).map(({ path }) => path)
    for (const path of ['bodyType', 'plan.steps.2.technique', 'plan.steps.3.toolId', 'variants.face-neck.1']) expect(paths).toContain(path)
  })

  it('tells the u of a computed criterion in its own unit', () => {
    const depth = poodle.criteria.find(({ id }) => id === 'neck-depth')!.how
    expect(uOf(poodle, depth)).toBeCloseTo(2.25, 2)
    expect(uOf(poodle, { ...depth, kind: 'judged', sides: 'single', levels: [], mend: '', mendNow: true })).toBeNull()
  })

  it('counts what two standards share by id and by name', () => {
    expect(sharedCriteria01(poodle, poodle)).toBe(1)
    const renamed = { ...poodle, criteria: poodle.criteria.map((one) => ({ ...one, id: `${one.id}-x` })) }
    expect(sharedCriteria01(poodle, renamed)).toBe(1)
    const other = { ...poodle, criteria: renamed.criteria.map((one) => ({ ...one, label: `${one.label} x` })) }
    expect(sharedCriteria01(poodle, other)).toBe(0)
  })
})
