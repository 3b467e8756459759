import { standards } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { answersAtTarget, bestCuts, follows, gradeResult, sidesOf, type Answers, type GradeInput } from '.'

const standard = standards[0]

/** A finished sheet: every length measured at its target, every judged thing at the top, changed where named. */
function sheet(changes: Answers = {}): Answers {
  return { ...answersAtTarget(standard), ...changes }
}

const read = (mm: number) => ({ kind: 'readings' as const, mm: [mm - 0.2, mm, mm + 0.2] })
const grade = (answers: Answers, more: Partial<GradeInput> = {}) =>
  gradeResult(standard, { answers, critical: [], burns: [], seedText: 'a grading', ...more })

describe('a whole grading', () => {
  it('passes a trim that is as planned, with praise and nothing to mend', () => {
    const result = grade(sheet())
    // the median of the draws: what can be expected of a sheet without a fault lies a little under full marks
    expect(result.total!.value).toBeGreaterThan(97)
    expect(result.outcome).toBe('passed')
    expect(result.mend).toEqual([])
    expect(result.praise).not.toBeNull()
    expect(result.cannotTell).toBe(0)
    expect(result.answered).toBe(result.asked)
  })

  it('does not change its inputs and repeats for the same seed', () => {
    const answers = Object.freeze(sheet({ 'skirt-length': Object.freeze({ left: read(60), right: read(45) }) }))
    expect(grade(answers)).toEqual(grade(answers))
    // Tolerance: five standard errors of a median of 2,000 draws
    expect(Math.abs(grade(answers, { seedText: 'another' }).total!.value - grade(answers).total!.value)).toBeLessThan(0.5)
  })

  it('prefills nothing: an empty sheet has no mark and is unfinished', () => {
    const result = grade({})
    expect(result.total).toBeNull()
    expect(result.outcome).toBe('unfinished')
    expect(result.parts.every((part) => part.verdict === 'notAnswered')).toBe(true)
  })

  // Ref: hand calculation: the foreleg weighs 4, half a side, band to 41, limit 53: 48 is 7 of 12 beyond the band
  it('takes marks in a straight line between band and limit', () => {
    const result = grade(sheet({ 'foreleg-length': { left: read(48), right: read(35) } }))
    const part = result.parts.find((p) => p.criterionId === 'foreleg-length' && p.side === 'left')!
    expect(part.share01).toBeCloseTo(1 - 7 / 12, 9)
    expect(part.say).toBe('13 mm too long')
    expect(part.departure).toBe('long')
  })

  it('names the dog’s own side and the millimetres, biggest gain first, three at the most', () => {
    const result = grade(
      sheet({
        'foreleg-length': { left: read(46), right: read(35) },
        'cheek-length': { left: read(3.2), right: read(6.2) },
        'brow-length': { left: read(30), right: read(36) },
        'skirt-line': { left: read(13), right: read(1) }
      })
    )
    expect(result.mend.length).toBe(3)
    expect(result.mend.map((item) => item.gain)).toEqual([...result.mend.map((item) => item.gain)].sort((a, b) => b - a))
    expect(result.mend[0].say).toBe('Left foreleg is 11 mm longer than the right at half height: take off 11 mm.')
  })

  it('never asks for hair to be put back', () => {
    const result = grade(sheet({ 'skirt-length': { left: read(32), right: read(45) } }))
    const skirt = result.mend.find((item) => item.criterionId === 'skirt-length')!
    expect(skirt.say).toMatch(/^Left skirt is 13 mm short behind the elbow: leave it; bring the right side to \d+(\.5)? mm\.$/)
    expect(skirt.cutMm.left).toBe(0)
    expect(skirt.cutMm.right).toBeGreaterThan(0)
    const beard = grade(sheet({ 'beard-length': { whole: read(30) } }))
    expect(beard.mend).toEqual([])
    expect(beard.nextTime).toEqual(['Beard is 25 mm short at the chin: leave it longer next time.'])
  })

  it('never cuts shorter on a burn place', () => {
    const answers = sheet({ 'cheek-length': { left: read(7), right: read(3.2) } })
    expect(grade(answers).mend[0].criterionId).toBe('cheek-length')
    const burned = grade(answers, { burns: [{ region: 'cheek', side: 'left' }] })
    expect(burned.mend).toEqual([])
    expect(burned.nextTime[0]).toContain('the dog was burned here before: leave it, never go shorter')
  })

  it('lets a critical fault cap the mark, and the lowest cap rule', () => {
    const result = grade(sheet(), { critical: ['quick-bled', 'skin-cut'] })
    expect(result.total!.value).toBe(40)
    expect(result.total!.interval[1]).toBeLessThanOrEqual(40)
    expect(result.outcome).toBe('notPassed')
    expect(() => grade(sheet(), { critical: ['nonsense'] })).toThrow(/critical is nonsense; it must be dog-alone/)
  })

  it('does not let a fine finish buy off bad handling', () => {
    const bad = { whole: { kind: 'level' as const, level: 1 } }
    const result = grade(sheet({ 'h-legs': bad, 'h-chin': bad }))
    expect(result.total!.value).toBeGreaterThan(standard.passMark)
    expect(result.outcome).toBe('notPassed')
    expect(result.because).toContain('Handling and safety')
  })

  it('takes what came in with the dog out of sum and maximum, and is feedback only over a quarter', () => {
    const excused = { kind: 'excused' as const, reason: 'a mat cut out in March' }
    const one = grade(sheet({ 'back-length': { left: excused, right: read(3.2) } }))
    expect(one.total!.value).toBeGreaterThan(97)
    expect(one.outcome).toBe('passed')
    const many = Object.fromEntries(
      standard.criteria
        .filter((criterion) => criterion.section === 'shape' && criterion.how.kind !== 'difference')
        .map((criterion) => [criterion.id, Object.fromEntries(sidesOf(criterion.how).map((side) => [side, excused]))])
    )
    expect(grade(sheet(many)).outcome).toBe('feedbackOnly')
  })

  // Symptom: a trim with everything excused was "unfinished: 0 answers are still missing" for ever
  it('can be ended where everything is excused: feedback only, without a mark', () => {
    const excused = { kind: 'excused' as const, reason: 'the dog went home' }
    const all = Object.fromEntries(
      standard.criteria
        .filter((criterion) => !follows(criterion))
        .map((criterion) => [criterion.id, Object.fromEntries(sidesOf(criterion.how).map((side) => [side, excused]))])
    )
    expect(grade(all)).toMatchObject({ outcome: 'feedbackOnly', total: null, excusedShare01: expect.closeTo(1, 9) as number })
  })

  it('asks a second assessor when the pass mark lies inside the interval', () => {
    const level2 = (id: string) => [
      id,
      Object.fromEntries(sidesOf(standard.criteria.find((c) => c.id === id)!.how).map((s) => [s, { kind: 'level' as const, level: 2 }]))
    ]
    const judged = standard.criteria
      .filter((criterion) => criterion.how.kind === 'judged' && criterion.section !== 'handling')
      .map((criterion) => criterion.id)
    const long = Object.fromEntries(
      ['skirt-length', 'foreleg-length', 'rear-length', 'brow-length'].map((id) => [id, { left: read(64), right: read(64) }])
    )
    const result = grade(sheet({ ...Object.fromEntries(judged.map(level2)), ...long }))
    const [low, high] = result.total!.interval
    expect(low).toBeLessThan(standard.passMark)
    expect(high).toBeGreaterThan(standard.passMark)
    expect(result.outcome).toBe('secondAssessor')
  })

  // Symptom: both sides "as it should be", and their pair stood as "cannot tell" and asked for a gauge
  it('takes both sides as they should be for alike; one of the two gauged tells nothing of the other', () => {
    const look = { kind: 'asItShouldBe' as const }
    const result = grade(sheet({ 'skirt-length': { left: look, right: look } }))
    const pair = result.parts.find((part) => part.criterionId === 'skirt-pair')!
    expect(pair).toMatchObject({ verdict: 'meets', basis: 'byEye', say: 'alike, by eye' })
    const one = grade(sheet({ 'skirt-length': { left: look, right: read(48) } }))
    expect(one.parts.find((part) => part.criterionId === 'skirt-pair')!.verdict).toBe('cannotTell')
  })

  it('asks for the third reading', () => {
    const two = { kind: 'readings' as const, mm: [3.2, 3.2] }
    const part = grade(sheet({ 'back-length': { left: two, right: read(3.2) } })).parts.find(
      (p) => p.criterionId === 'back-length' && p.side === 'left'
    )!
    expect(part.verdict).toBe('cannotTell')
    expect(part.say).toBe('cannot tell: 1 more reading')
  })

  it.each<[string, Answers, RegExp]>([
    ['a length of -3 mm', { 'back-length': { left: { kind: 'readings', mm: [-3] } } }, /reading is -3; it must be 0 to 300 mm/],
    ['a length of 900 mm', { 'back-length': { left: { kind: 'readings', mm: [900] } } }, /reading is 900/],
    ['a level of 5', { belly: { whole: { kind: 'level', level: 5 } } }, /answers\.belly\.whole is 5; it must be 0 to 4/],
    ['a level of 2.5', { belly: { whole: { kind: 'level', level: 2.5 } } }, /is 2\.5; it must be 0, 1, 2, 3 or 4/],
    ['a level for a length', { 'back-length': { left: { kind: 'level', level: 2 } } }, /is a level; it must be readings in mm/],
    [
      'a side it does not have',
      { 'back-length': { whole: { kind: 'asItShouldBe' } } },
      /answers\.back-length is whole; it must be left and right/
    ],
    ['an answer to what is computed', { 'skirt-pair': { whole: { kind: 'asItShouldBe' } } }, /it follows from other readings/],
    ['an unknown criterion', { tusks: {} }, /answers\.tusks is tusks; it must be a criterion of bearded-pet/]
  ])('refuses %s', (_, answers, words) => expect(() => grade(answers)).toThrow(words))
})

describe('the best cuts', () => {
  const length = { targetMm: 35, band: [30, 40] as const, limit: [17, 53] as const }
  const pair = { weight: 2, band: [-5, 5] as const, limit: [-15, 15] as const }
  const value = fc.double({ min: 5, max: 70, noNaN: true })

  it('are never negative, never lose marks, and leave burn places alone', () => {
    fc.assert(
      fc.property(value, value, fc.boolean(), (left, right, burned) => {
        const sides = [
          { ...length, value: left, weight: 2, burned },
          { ...length, value: right, weight: 2, burned: false }
        ]
        const { cuts, gain } = bestCuts(sides, pair)
        expect(cuts.every((cut) => cut >= 0)).toBe(true)
        expect(gain).toBeGreaterThanOrEqual(-1e-9)
        if (burned) expect(cuts[0]).toBe(0)
      })
    )
  })

  // Ref: hand calculation: both at target already, nothing gains
  it('are nothing where nothing is to be gained', () => {
    expect(
      bestCuts(
        [
          { ...length, value: 35, weight: 2, burned: false },
          { ...length, value: 35, weight: 2, burned: false }
        ],
        pair
      )
    ).toEqual({ cuts: [0, 0], gain: 0 })
  })
})
