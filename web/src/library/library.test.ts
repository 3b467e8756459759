import { coats, standards, techniques } from '@peen/content'
import { changesBetween } from '@peen/core/changes'
import { standardIssues, type Standard } from '@peen/core/standard'
import { describe, expect, it } from 'vitest'
import { sayChange } from './change-words'
import { computedBy, howOf, newCriterion } from './criterion-parts'
import { sayInstrument, sayTarget } from './criterion-words'
import { liveAt, stopsOf, viewFor } from './on-the-dog'
import { searcher } from './search'
import { wallChart } from './wall-chart'

const by = (id: string) => standards.find((standard) => standard.id === id)!
const criterionOf = (standard: Standard, id: string) => standard.criteria.find((criterion) => criterion.id === id)!
const coatOf = (id: string) => coats.find((coat) => coat.id === id)!

describe('searching techniques while one types', () => {
  const find = searcher(techniques)
  it.each([
    ['tail band', 'tail-band'],
    ['tail ba', 'tail-band'],
    ['roll', 'roll-coat'],
    ['wisps', 'poodle-foot'],
    ['visor', 'visor'],
    ['Web of the toes', 'poodle-foot']
  ])('%s finds %s among the first three', (typed, id) =>
    expect(
      find(typed)
        .slice(0, 3)
        .map((one) => one.id)
    ).toContain(id)
  )
  it('forgives a slip of the finger, finds places, and nothing for nonsense', () => {
    expect(find('brecelet').map(({ id }) => id)).toContain('bevels')
    expect(find('armpit').map(({ id }) => id)).toContain('mats')
    expect(find('qqzzx')).toEqual([])
    expect(find('  ')).toBe(techniques)
  })
})

describe('what a number of a criterion looks like', () => {
  const companion = by('companion')
  it('draws a length on both sides, at each end and grown out', () => {
    const body = criterionOf(companion, 'companion-body')
    expect(stopsOf(body).map(({ name }) => name)).toEqual([
      'no marks, 8 mm',
      'full from 13.5 mm',
      'target 16 mm',
      'full to 18.5 mm',
      'no marks, 24 mm',
      'grown out, 32 mm'
    ])
    expect(liveAt(companion, coatOf('companion'), body, 32)).toMatchObject({ lengths: { back: 32 }, lengthsB: { back: 32 }, isDrawn: true })
  })
  it('draws a difference on the longer side alone', () => {
    const pair = criterionOf(companion, 'companion-cheek-pair')
    const plan = companion.plan.lengthsMm.cheek!
    expect(liveAt(companion, coatOf('companion'), pair, 10)).toMatchObject({ lengths: { cheek: plan + 10 }, lengthsB: { cheek: plan } })
    expect(liveAt(companion, coatOf('companion'), pair, -3)).toMatchObject({ lengths: { cheek: plan }, lengthsB: { cheek: plan + 3 } })
    expect(viewFor(pair).id).toBe('head')
  })
  it('draws a departure as the fault it is, and says when it cannot', () => {
    const topline = criterionOf(companion, 'companion-topline')
    expect(liveAt(companion, coatOf('companion'), topline, 16)).toMatchObject({ faults: [{ kind: 'dip', mm: 16 }], isDrawn: true })
    const poodle = by('clean-face')
    expect(liveAt(poodle, coatOf('clean-face'), criterionOf(poodle, 'band-width'), 20).shapes).toContainEqual(
      expect.objectContaining({
        kind: 'band',
        bareMm: coatOf('clean-face').shapes.flatMap((s) => (s.kind === 'band' ? [s.bareMm] : []))[0] + 20
      })
    )
    expect(liveAt(companion, coatOf('companion'), criterionOf(companion, 'tail-clears'), 0).isDrawn).toBe(false)
    expect(stopsOf(criterionOf(companion, 'companion-even'))).toEqual([])
  })
})

describe('writing a criterion', () => {
  const teddy = by('teddy')
  it.each(['length', 'measured', 'computed', 'judged'] as const)('a new one answered as %s can be used at once', (kind) => {
    const made = newCriterion(teddy, teddy.criteria[0])
    const next = { ...made, how: howOf(kind, teddy, made.how) }
    expect(standardIssues({ ...teddy, criteria: [...teddy.criteria, next] })).toEqual([])
    expect(teddy.criteria.some(({ id }) => id === made.id)).toBe(false)
  })
  it('begins every formula with readings that fit', () => {
    for (const formula of ['neckToMuzzle', 'footLineTilt', 'blendSlope', 'bandSpacing', 'cutShare', 'apparentBody', 'ruffDepth'] as const) {
      const made = newCriterion(teddy, null)
      const how = computedBy(formula, 'single', 'ruler', { fault: 'It is {mm} mm off', mend: 'mend it', mendNow: true })
      expect(standardIssues({ ...teddy, criteria: [...teddy.criteria, { ...made, how }] }), formula).toEqual([])
    }
  })
  it('says what it asks', () => {
    const poodle = by('clean-face')
    const says = (id: string) => [sayTarget(criterionOf(poodle, id)), sayInstrument(poodle, criterionOf(poodle, id))]
    expect(says('scissored-back')).toEqual(['9 mm, 7 to 11', 'coat gauge'])
    expect(says('neck-depth')[0]).toBe('90 to 110 %')
    expect(says('foot-tilt')).toEqual(['up to 4 mm', 'computed: highest of the four points less the lowest'])
    expect(says('scissored-rear-pair')).toEqual(['sides within 5 mm', 'calculated from both sides'])
    expect(says('flow')).toEqual(['judged, 0 to 4', 'by eye and hand'])
  })
})

describe('what changed, in words', () => {
  it('names criterion, place and field', () => {
    const before = by('teddy')
    const after = {
      ...before,
      passMark: 75,
      plan: { ...before.plan, lengthsMm: { ...before.plan.lengthsMm, beard: 40 } },
      criteria: before.criteria.map((one) => (one.id === 'teddy-muzzle' ? { ...one, weight: 9, how: { ...one.how, targetMm: 40 } } : one))
    }
    const labels = new Map(before.criteria.map(({ id, label }) => [id, label]))
    expect(changesBetween(before, after).map((change) => sayChange(change, (id) => labels.get(id)))).toEqual([
      { where: 'Pass mark', before: '70', after: '75' },
      { where: 'Length, mm, Beard', before: '32', after: '40' },
      { where: 'Fuller muzzle, weight', before: '4', after: '9' },
      { where: 'Fuller muzzle, target, mm', before: '32', after: '40' }
    ])
  })
})

describe('the wall chart', () => {
  it.each(standards.map((standard) => [standard.id, standard] as const))(
    'of %s says what defines it and every criterion',
    (_, standard) => {
      const text = JSON.stringify(wallChart(standard, { side: 'data:image/png;base64,x', head: 'data:image/png;base64,y' }))
      for (const { say } of standard.makes) expect(text).toContain(JSON.stringify(say).slice(1, -1))
      for (const { label, station } of standard.criteria)
        if (station !== 'handling') expect(text).toContain(JSON.stringify(label).slice(1, -1))
      expect(text).toContain('"pageSize":"A3"')
    }
  )
})
