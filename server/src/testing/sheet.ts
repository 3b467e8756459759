import { standards } from '@peen/content'
import { sidesOf, type Answer, type Answers } from '@peen/core/grade'

/** A complete sheet of bearded-pet: measured at its targets, judged at `level`. */
export function fullSheet(level = 4): Answers {
  const criteria = standards[0].criteria.filter((criterion) => criterion.how.kind !== 'difference')
  return Object.fromEntries(
    criteria.map(({ id, how }) => {
      const answer: Answer['whole'] =
        how.kind === 'judged'
          ? { kind: 'level', level }
          : { kind: 'readings', mm: how.kind === 'difference' ? [] : [how.targetMm, how.targetMm, how.targetMm] }
      return [id, Object.fromEntries(sidesOf(how).map((side) => [side, answer]))]
    })
  )
}
