import { standards, techniqueById, rack } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { largestUsableU, standardIssues, STATIONS, type Criterion, type Standard } from '.'

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
