import { standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { gradeResult, outsideAnswers, sidesOf } from '.'

const standard = standards.find(({ id }) => id === 'bearded-pet')!
const instructor = { kind: 'instructor' } as const
const excused = { kind: 'excused', reason: 'the dog had had enough' } as const
const inRegion = (region: string) => standard.criteria.filter((one) => one.region === region && one.how.kind !== 'difference')

describe('what an apprentice does not answer for', () => {
  it('is one side of what is measured by sides, and nothing else', () => {
    const answers = outsideAnswers(standard, [{ regions: ['skirt'], side: 'left', answer: instructor }])
    const pairs = inRegion('skirt').filter(({ how }) => sidesOf(how).includes('left'))
    expect(pairs.length).toBeGreaterThan(0)
    expect(answers).toEqual(Object.fromEntries(pairs.map(({ id }) => [id, { left: instructor }])))
  })

  it('is a place as a whole where both sides are outside, or where it has none', () => {
    const both = outsideAnswers(standard, [{ regions: ['skirt', 'tail'], side: 'both', answer: excused }])
    for (const { id, how } of [...inRegion('skirt'), ...inRegion('tail')])
      expect(Object.keys(both[id]).sort(), id).toEqual([...sidesOf(how)].sort())
    const tail = outsideAnswers(standard, [{ regions: ['tail'], side: 'left', answer: instructor }])
    expect(Object.keys(tail).length).toBe(inRegion('tail').filter(({ how }) => sidesOf(how).includes('whole')).length)
  })

  it('keeps the first that was said of a side, and leaves sum and maximum of the mark', () => {
    const all = standard.criteria.map(({ region }) => region)
    const answers = outsideAnswers(standard, [
      { regions: ['skirt'], side: 'left', answer: instructor },
      { regions: all, side: 'both', answer: excused }
    ])
    const result = gradeResult(standard, { answers, critical: [], burns: [], seedText: 'outside' })
    expect(result.parts.filter(({ verdict }) => verdict === 'instructor').length).toBeGreaterThan(0)
    expect(result.parts.every(({ verdict }) => verdict === 'excused' || verdict === 'instructor')).toBe(true)
    expect(result.excusedShare01).toBeCloseTo(1, 9)
    expect(result.total).toBeNull()
  })
})
