// What a measured photograph answers, what it may not, and what each of the shipped trims is measured for.
import { standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import {
  answersAtTarget,
  answersFrom,
  criteriaSeen,
  gradeResult,
  measuresAsked,
  unitOf,
  weighMeasures,
  type Answers,
  type PictureMeasured
} from '.'
import { keysIn, measureSpec, SEEN, type PictureMeasure } from '../measure'

const flower = standards.find(({ id }) => id === 'flower')!
const poodle = standards.find(({ id }) => id === 'clean-face')!
const PICTURE = '019dc000-0000-7000-8000-000000000001'
const measured = (part: Partial<PictureMeasured>): PictureMeasured => ({
  measure: 'headPair',
  pictureId: PICTURE,
  value: -6,
  u: 1.4,
  common: 0.1,
  ...part
})
const found = (id: PictureMeasure['id'], value: number, u = 0.5, side: PictureMeasure['side'] = 'whole'): PictureMeasure => ({
  id,
  side,
  name: measureSpec(id).name,
  from: 'outline',
  unit: measureSpec(id).unit,
  value,
  u,
  interval: [value - 2 * u, value + 2 * u],
  common: 0
})
const graded = (answers: Answers, standard = flower) => gradeResult(standard, { answers, critical: [], burns: [], seedText: 'a' })
const part = (answers: Answers, id: string, side: string, standard = flower) =>
  graded(answers, standard).parts.find((one) => one.criterionId === id && one.side === side)!

describe('the sixteen trims', () => {
  it.each(standards.map((standard) => [standard.id, standard] as const))(
    '%s says which criteria come from which view, in their own unit',
    (_, standard) => {
      const seen = SEEN.flatMap((view) => criteriaSeen(standard, view).map(({ criterion }) => criterion.id))
      const named = standard.criteria.filter(({ picture }) => picture)
      expect(named.length).toBeGreaterThan(0)
      for (const { id, picture, how } of named) {
        expect(seen, id).toContain(id)
        if (how.kind !== 'judged') expect(measureSpec(picture!).unit, id).toBe(unitOf(how))
        expect(SEEN.flatMap((view) => keysIn(view, picture!)).length, id).toBeGreaterThan(0)
      }
    }
  )
})

describe('answers from a picture', () => {
  it('go to the side that is seen, and to nobody else', () => {
    const answers = answersFrom(poodle, 'right', PICTURE, { measures: [found('footLine', 8, 0.5, 'right'), found('topline', 6)] }, [], [])
    expect(answers.map(({ criterionId, side, measured: { value } }) => [criterionId, side, value])).toEqual([
      ['topline', 'whole', 6],
      ['foot-line', 'right', 8]
    ])
  })
  it('give a length only where this dog’s skin is known there', () => {
    const regions = [{ region: 'back' as const, byMm: 1, overSkinMm: 17, uMm: 2, n: 80 }]
    const skin = [{ region: 'back' as const, seen: 'left' as const, overSkinMm: 16, overSkinU: 2, gaugeMm: 14, gaugeU: 0.4 }]
    expect(answersFrom(flower, 'left', PICTURE, { measures: [] }, regions, [])).toEqual([])
    const [answer] = answersFrom(flower, 'left', PICTURE, { measures: [] }, regions, skin)
    expect(answer).toMatchObject({ criterionId: 'highland-back', side: 'left', measured: { measure: 'coatDepth', value: 15 } })
  })
  it('ask for what the criteria need, and what the same places tell besides', () => {
    expect([...measuresAsked(flower, 'head')].sort()).toEqual(['eyesShown', 'headCircle', 'headPair', 'headTop'])
    expect(measuresAsked(flower, 'left')).toContain('skirtSlope')
    expect(measuresAsked(flower, 'left')).not.toContain('topline')
  })
})

describe('a measure on the grade sheet', () => {
  const all = answersAtTarget(flower)
  it('stands for a difference that no gauge has read, fails it, and says which side comes back', () => {
    const answers: Answers = { ...all, 'flower-pair': { whole: { kind: 'picture', ...measured({}) } } }
    const result = graded(answers)
    const pair = result.parts.find(({ criterionId }) => criterionId === 'flower-pair')!
    expect(pair).toMatchObject({ basis: 'picture', valueMm: -6, uMm: 1.4, verdict: 'cannotTell' })
    const sure = graded({ ...answers, 'flower-pair': { whole: { kind: 'picture', ...measured({ value: -9, u: 0.8 }) } } })
    expect(sure.parts.find(({ criterionId }) => criterionId === 'flower-pair')!.verdict).toBe('fails')
    expect(sure.mend.map(({ say }) => say)).toContain('Right cheek is 9 mm longer than the left: take off 9 mm.')
  })
  it('decides by its own u: the same value meets, or cannot tell', () => {
    const at = (value: number, u: number) =>
      part(
        { 'flower-circle': { whole: { kind: 'picture', ...measured({ measure: 'headCircle', value, u, common: 0 }) } } },
        'flower-circle',
        'whole'
      ).verdict
    expect(at(3, 0.5)).toBe('meets')
    expect(at(5.6, 1.5)).toBe('cannotTell')
    expect(at(12, 0.5)).toBe('fails')
  })
  it('overruled keeps both, and counts what the hand said', () => {
    const whole = {
      kind: 'overruled',
      reason: 'a lock stood up',
      measured: measured({ measure: 'headCircle', value: 12, u: 0.5 }),
      instead: { kind: 'readings', mm: [2, 2, 2] }
    } as const
    const told = part({ 'flower-circle': { whole } }, 'flower-circle', 'whole')
    expect(told).toMatchObject({ basis: 'readings', valueMm: 2, overruled: { reason: 'a lock stood up', value: 12, u: 0.5 } })
    const pair = part({ 'flower-pair': { whole: { ...whole, instead: { kind: 'asItShouldBe' } } } }, 'flower-pair', 'whole')
    expect(pair).toMatchObject({ verdict: 'meets', overruled: { value: 12 } })
  })
  it('is refused for what is judged, with no u, or where nothing may be answered', () => {
    expect(() => part({ nails: { whole: { kind: 'picture', ...measured({}) } } }, 'nails', 'whole')).toThrow(/nails/)
    expect(() => part({ 'flower-circle': { whole: { kind: 'picture', ...measured({ u: 0 }) } } }, 'flower-circle', 'whole')).toThrow(
      /flower-circle.whole.u is 0/
    )
    expect(() => part({ 'flower-pair': { whole: { kind: 'readings', mm: [1] } } }, 'flower-pair', 'whole')).toThrow(
      /it follows from other readings/
    )
  })
  it('shares its scale with every other of the same picture: the total is less sure than if each erred alone', () => {
    const answers = (common: number): Answers => ({
      ...answersAtTarget(poodle),
      'foot-line': {
        left: { kind: 'picture', ...measured({ measure: 'footLine', value: 6, u: 2, common }) },
        right: { kind: 'picture', ...measured({ measure: 'footLine', value: 6, u: 2, common }) }
      },
      'tail-height': { whole: { kind: 'picture', ...measured({ measure: 'tailToHead', value: 20, u: 6, common: 3 * common }) } }
    })
    const width = (common: number) => {
      const [low, high] = graded(answers(common), poodle).total!.interval
      return high - low
    }
    expect(width(1.99)).toBeGreaterThan(width(0))
  })
})

describe('first things first', () => {
  it('marks lost come before what only stands off its plan, and what is as planned comes last', () => {
    const weighed = weighMeasures(
      flower,
      'head',
      { measures: [found('headTop', 60), found('headCircle', 2), found('headPair', -9)] },
      { headTop: 72 }
    )
    expect(weighed.map(({ measure, criterionId }) => [measure.id, criterionId])).toEqual([
      ['headPair', 'flower-pair'],
      ['headTop', null],
      ['headCircle', 'flower-circle']
    ])
    expect(weighed[2].loss).toBe(0)
    expect(weighed.map(({ band }) => band !== null)).toEqual([true, false, true])
  })
})
