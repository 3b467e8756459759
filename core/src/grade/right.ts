import type { Standard } from '../standard'
import { follows, sidesOf, TOP_LEVEL } from './parts'
import type { Answer, Answers, SideAnswer } from './types'

/**
 * The sheet of a trim that is exactly right: measured at its targets by as many readings as the instrument asks, computed
 * from its typical readings, judged at `level`. An editor tries a standard with it; tests begin from it.
 */
export function answersAtTarget(standard: Standard, level: number = TOP_LEVEL): Answers {
  const answerOf = (how: Standard['criteria'][number]['how']): SideAnswer => {
    if (how.kind === 'judged') return { kind: 'level', level }
    if (how.kind === 'computed') return { kind: 'inputs', values: how.typical }
    if (how.kind === 'difference') return { kind: 'asItShouldBe' }
    const readings = standard.instruments.find(({ id }) => id === how.instrument)?.readings ?? 1
    return { kind: 'readings', mm: Array.from({ length: readings }, () => how.targetMm) }
  }
  return Object.fromEntries(
    standard.criteria
      .filter((criterion) => !follows(criterion))
      .map(({ id, how }): [string, Answer] => [id, Object.fromEntries(sidesOf(how).map((side) => [side, answerOf(how)]))])
  )
}
