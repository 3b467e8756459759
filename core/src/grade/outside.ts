import { regionOf, type RegionId } from '../regions'
import type { Standard } from '../standard'
import { follows, sidesOf } from './parts'
import type { Answers, SideAnswer } from './types'

/** Places of a trim that its apprentice does not answer for, with the answer that says so. The side is the dog's own. */
export type Outside = {
  readonly regions: readonly RegionId[]
  readonly side: 'left' | 'right' | 'both'
  readonly answer: Extract<SideAnswer, { kind: 'instructor' | 'excused' }>
}

/**
 * The answers of a grade sheet that stand before anybody reads it: every side of every criterion at places that the
 * instructor finished, or that nobody came to. What takes a place as a whole is answered only where both of its sides
 * are outside; differences between sides follow from theirs. Where two say something of one side, the first stands.
 */
export function outsideAnswers(standard: Standard, outside: readonly Outside[]): Answers {
  const answers: Record<string, Answers[string]> = {}
  for (const criterion of standard.criteria.filter((one) => !follows(one))) {
    const { id, region, how } = criterion
    for (const { regions, side, answer } of outside) {
      if (!regions.includes(region)) continue
      const isWhole = side === 'both' || !regionOf(region).paired
      for (const key of sidesOf(how)) {
        if (key === 'whole' ? !isWhole : side !== 'both' && side !== key) continue
        answers[id] = { [key]: answer, ...answers[id] }
      }
    }
  }
  return answers
}
