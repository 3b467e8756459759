// Criteria that are worked out from several readings, graded by hand.
import { standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { answersAtTarget, countAnswers, gradeResult, type Answers } from '.'

const poodle = standards.find(({ id }) => id === 'clean-face')!
const right = answersAtTarget(poodle)
const grade = (answers: Answers) => gradeResult(poodle, { answers, critical: [], burns: [], seedText: 'computed' })
const foot = (front: number, inside: number, rear: number, outside: number) => ({
  kind: 'inputs' as const,
  values: { front, inside, rear, outside }
})
const partOf = (answers: Answers, id: string, side = 'whole') =>
  grade(answers).parts.find((part) => part.criterionId === id && part.side === side)!

describe('a computed criterion', () => {
  it('says value, u and unit, and what the band allows', () => {
    const deep = { ...right, 'neck-depth': { whole: { kind: 'inputs' as const, values: { neck: 78, muzzle: 60 } } } }
    const part = partOf(deep, 'neck-depth')
    expect(part).toMatchObject({
      valueMm: 130,
      unit: '%',
      verdict: 'fails',
      departure: 'long',
      basis: 'computed',
      say: '130 %, not 90 to 110'
    })
    // Ref: hand calculation, JCGM 100:2008 5.1.2: f = 100 n / m; df/dn = 1.667, df/dm = -2.167; own u .954, shared .3
    expect(part.uMm).toBeCloseTo(Math.sqrt((1.66667 ** 2 + 2.16667 ** 2) * 0.91 + (0.5 * 0.3) ** 2), 3)
    expect(grade(deep).mend[0].say).toBe(
      'The neck is 130 % of the muzzle’s length: bring the point to the muzzle’s length, then both sides to it.'
    )
  })

  it('gives the readings of one place to a second criterion, which is not asked for', () => {
    const tilted = { ...right, 'foot-line': { left: foot(5, 0, -5, 0), right: foot(0, 0, 0, 0) } }
    expect(partOf(tilted, 'foot-line', 'left')).toMatchObject({ valueMm: 0, verdict: 'meets' })
    expect(partOf(tilted, 'foot-tilt', 'left')).toMatchObject({ valueMm: 10, verdict: 'fails' })
    expect(partOf(tilted, 'foot-tilt', 'right')).toMatchObject({ valueMm: 0, verdict: 'meets' })
    const { asked, answered } = countAnswers(poodle, right)
    expect(answered).toBe(asked)
    const without = Object.fromEntries(Object.entries(right).filter(([id]) => id !== 'foot-line'))
    expect(countAnswers(poodle, without)).toEqual({ asked, answered: asked - 2 })
  })

  it('is vouched for by eye like any other, and cannot be told near the band’s end', () => {
    expect(partOf({ ...right, 'neck-depth': { whole: { kind: 'asItShouldBe' } } }, 'neck-depth')).toMatchObject({
      verdict: 'meets',
      basis: 'byEye'
    })
    const near = { ...right, 'neck-depth': { whole: { kind: 'inputs' as const, values: { neck: 65.5, muzzle: 60 } } } }
    expect(partOf(near, 'neck-depth')).toMatchObject({ verdict: 'cannotTell' })
    expect(partOf(near, 'neck-depth').say).toMatch(/cannot tell at 109\.2 %, give or take .*: measure again/)
  })

  it.each<[string, Answers, RegExp]>([
    ['plain readings', { 'neck-depth': { whole: { kind: 'readings', mm: [60] } } }, /one reading of each place, by its name/],
    ['readings by name where a length is asked', { 'scissored-back': { left: { kind: 'inputs', values: { neck: 3 } } } }, /readings in mm/],
    ['readings by name where a level is asked', { flow: { whole: { kind: 'inputs', values: {} } } }, /a level 0 to 4/],
    ['a place left out', { 'neck-depth': { whole: { kind: 'inputs', values: { neck: 60 } } } }, /muzzle is nothing/],
    ['an answer to what follows', { 'foot-tilt': { left: foot(0, 0, 0, 0) } }, /it follows from other readings/]
  ])('refuses %s', (_, answers, words) => expect(() => grade({ ...right, ...answers })).toThrow(words))
})
