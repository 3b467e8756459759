import { standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { answersAtTarget, differencesOf, gradeResult, type Answers } from '.'

const standard = standards[0]
const graded = (answers: Answers) => gradeResult(standard, { answers, critical: [], burns: [], seedText: 'x' })
const fine = answersAtTarget(standard)
const withSkirt = (mm: readonly number[]): Answers => {
  const id = standard.criteria.find(({ how }) => how.kind === 'length' && how.sides === 'pair')!.id
  return { ...fine, [id]: { ...fine[id], left: { kind: 'readings', mm } } }
}

describe('two gradings of one trim', () => {
  it('say nothing where both found the same', () => expect(differencesOf(graded(fine), graded(fine))).toEqual([]))

  it('name what differs, largest first, with what each gave, and turn round with the two', () => {
    const far = graded(withSkirt([140, 140, 140]))
    const [first] = differencesOf(graded(fine), far)
    expect(first).toMatchObject({ side: 'left', isReal: true })
    expect(first.by).toBeLessThan(0)
    expect(first.second.marks! - first.first.marks!).toBeCloseTo(first.by, 12)
    const back = differencesOf(far, graded(fine))
    expect(back[0]).toMatchObject({ criterionId: first.criterionId, by: expect.closeTo(-first.by, 12) })
  })

  it('do not call it a real difference where both uncertainties explain it', () => {
    const id = standard.criteria.find(({ how }) => how.kind === 'length' && how.sides === 'pair')!.id
    const readings = (fine[id].left as { mm: readonly number[] }).mm
    const near = differencesOf(
      graded(withSkirt([readings[0] - 2, readings[0] + 2, readings[0]])),
      graded(withSkirt([readings[0] - 1.8, readings[0] + 2.2, readings[0]]))
    )
    for (const one of near) expect(one.isReal).toBe(false)
  })
})
