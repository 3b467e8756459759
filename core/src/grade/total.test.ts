import { standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import type { Criterion, Standard } from '../standard'
import { partsOf } from './parts'
import { quantile } from '../stats'
import { counts, simulateMarks } from './total'
import { describePart } from './parts'
import type { Answers, SideAnswer } from './types'

const full = standards[0]
const length = (id: string, change: object = {}): Criterion => ({
  id,
  label: id,
  section: 'shape',
  station: 'side',
  weight: 2,
  region: 'skirt',
  place: 'behind the elbow',
  praise: '',
  how: { kind: 'length', sides: 'pair', targetMm: 45, band: [39, 51], limit: [23, 67], instrument: 'gauge', grownOutMm: 60, ...change }
})
const difference = (of: string, weight = 4): Criterion => ({
  ...length(`${of}-pair`),
  weight,
  how: { kind: 'difference', of, band: [-5, 5], limit: [-15, 15] }
})
/** A standard of only these criteria, with a gauge whose error is mostly shared or mostly its own. */
const standardOf = (criteria: readonly Criterion[], commonMm = 0.2, uMm = 0.4): Standard => ({
  ...full,
  criteria,
  instruments: [{ id: 'gauge', name: 'gauge', uMm, commonMm, readings: 3 }, full.instruments[1]]
})
const mm = (value: number, spread = 0): SideAnswer => ({ kind: 'readings', mm: [value - spread, value, value + spread] })
const AS_SAID = { begin: () => {}, level: (level: number) => level }
function totals(standard: Standard, answers: Answers, seed = 1, draws = 4000) {
  const found = simulateMarks(standard, partsOf(standard, answers), seed, AS_SAID, draws)
  if (!found) return { total: null, sections: [] }
  const values = found.rows.map((row) => row[0])
  const interval = [quantile(values, 0.025), quantile(values, 0.975)] as const
  return { total: { value: found.best[0], interval }, sections: found.sections.map(({ id }) => id) }
}
const halfWidth = (interval: readonly [number, number]) => (interval[1] - interval[0]) / 2

describe('one joint simulation', () => {
  // Ref: hand calculation. One side at 59 mm lies half way between band 51 and limit 67: share 1/2, slope -1/16 a mm.
  // u = .4 gives a half interval of 1.96 * .4 / 16 = .049 of its own marks; it is half of the weight, so 2.45 of 100.
  it('has the width of a single measured side', () => {
    const standard = standardOf([length('a')])
    const { total } = totals(standard, { a: { left: mm(59), right: mm(45) } })
    expect(total!.value).toBeCloseTo(75, 9)
    // Tolerance: four standard errors of a 97.5 % quantile from 4,000 draws, about 5 % of the width
    expect(Math.abs(halfWidth(total!.interval) - 100 * 0.5 * ((1.96 * 0.4) / 16))).toBeLessThan(0.2)
  })

  // Ref: hand calculation: with fully shared error both sides move together and their widths add; with own error they
  // add in quadrature, sqrt(2) instead of 2
  it('adds shared errors and squares independent ones', () => {
    const answers = { a: { left: mm(59), right: mm(59) } }
    const shared = halfWidth(totals(standardOf([length('a')], 0.4, 0.4), answers).total!.interval)
    const own = halfWidth(totals(standardOf([length('a')], 0, 0.4), answers).total!.interval)
    expect(Math.abs(shared / own - Math.SQRT2)).toBeLessThan(0.12)
  })

  // Ref: hand calculation: what both readings share drops out of their difference
  it('lets a shared error drop out of a difference', () => {
    const answers = { a: { left: mm(55), right: mm(45) } }
    const parts = (common: number) => partsOf(standardOf([length('a'), difference('a')], common, 0.4), answers).at(-1)!
    expect(parts(0.4).measured!.u).toBeCloseTo(0, 12)
    expect(parts(0).measured!.u).toBeCloseTo(0.4 * Math.SQRT2, 12)
    expect(parts(0).measured!.value).toBe(10)
  })

  // Invariant: a difference is computed from the very sides that were drawn, so it may not widen the total as much as an
  // independent criterion of the same weight, error and slope would
  it('does not count the readings of a pair twice', () => {
    const standard = standardOf([length('a'), difference('a')], 0, 1.5)
    const { total } = totals(standard, { a: { left: mm(56), right: mm(46) } })
    const left = 100 * (1 / 6) * (1 / 16) + 100 * (4 / 6) * (1 / 10)
    const right = 100 * (4 / 6) * (1 / 10)
    const predicted = 1.96 * 1.5 * Math.hypot(left, right)
    expect(Math.abs(halfWidth(total!.interval) - predicted) / predicted).toBeLessThan(0.08)
  })

  it('widens with the scatter of the readings', () => {
    const standard = standardOf([length('a')])
    const width = (spread: number) => halfWidth(totals(standard, { a: { left: mm(59, spread), right: mm(45) } }).total!.interval)
    expect(width(4)).toBeGreaterThan(width(0) * 2)
  })

  it('repeats for a seed and agrees between seeds', () => {
    const standard = standardOf([length('a')])
    const answers = { a: { left: mm(59), right: mm(58) } }
    expect(totals(standard, answers, 5)).toEqual(totals(standard, answers, 5))
    const [a, b] = [totals(standard, answers, 5).total!, totals(standard, answers, 6).total!]
    expect(a.value).toBe(b.value)
    expect(Math.abs(a.interval[0] - b.interval[0])).toBeLessThan(0.5)
  })
})

describe('what counts', () => {
  const standard = standardOf([length('a'), { ...length('b'), section: 'finish' }, difference('a')])

  it('is what is answered by the apprentice’s own work', () => {
    const parts = partsOf(standard, {
      a: { left: mm(45), right: { kind: 'excused', reason: 'a mat' } },
      b: { left: { kind: 'instructor' } }
    })
    expect(parts.map((part) => [part.criterion.id, part.side, counts(part)])).toEqual([
      ['a', 'left', true],
      ['a', 'right', false],
      ['b', 'left', false],
      ['b', 'right', false],
      ['a-pair', 'whole', false]
    ])
  })

  it('weighs the rest up to a hundred', () => {
    const answers = { a: { left: mm(45), right: { kind: 'excused' as const, reason: 'a mat' } } }
    expect(totals(standard, answers).total!.value).toBe(100)
    expect(totals(standard, answers).sections).not.toContain('finish')
    expect(totals(standard, {}).total).toBeNull()
  })

  it('says why a part does not', () => {
    const say = (answer: SideAnswer) => describePart(partsOf(standard, { a: { left: answer } })[0], standard)
    expect(say({ kind: 'excused', reason: 'a mat cut out in March' })).toMatchObject({
      verdict: 'excused',
      share01: null,
      say: 'like this on arrival: a mat cut out in March'
    })
    expect(say({ kind: 'instructor' })).toMatchObject({ verdict: 'instructor', share01: null, say: 'finished by the instructor' })
    expect(say({ kind: 'asItShouldBe' })).toMatchObject({ verdict: 'meets', basis: 'byEye', share01: 1, say: 'as it should be' })
    expect(say(mm(51))).toMatchObject({ verdict: 'cannotTell', basis: 'readings' })
    expect(say(mm(58))).toMatchObject({ verdict: 'fails', departure: 'long', say: '13 mm too long' })
    expect(say(mm(30))).toMatchObject({ verdict: 'fails', departure: 'short', say: '15 mm too short' })
  })
})
