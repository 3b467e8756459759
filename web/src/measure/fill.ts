// A measured picture's answers laid into the draft: nothing that a hand has read is overwritten.
import { isPairRead, type Answer, type Answers, type PictureAnswer } from '@peen/core/grade'
import type { Standard } from '@peen/core/standard'

export type Filled = { readonly answers: Answers; readonly filled: number; /** read by hand before, and kept */ readonly kept: number }

export function fillAnswers(answers: Answers, from: readonly PictureAnswer[], standard: Standard): Filled {
  let [filled, kept] = [0, 0]
  const next: Record<string, Answer> = { ...answers }
  for (const { criterionId, side, measured } of from) {
    const given = next[criterionId]?.[side]
    // a look claims less than a measure; a gauge, a reason and an excuse claim more
    const isFree =
      given === undefined ? !isPairRead(standard, answers, criterionId) : given.kind === 'picture' || given.kind === 'asItShouldBe'
    if (given?.kind === 'overruled') {
      next[criterionId] = { ...next[criterionId], [side]: { ...given, measured } }
      kept++
    } else if (isFree) {
      next[criterionId] = { ...next[criterionId], [side]: { kind: 'picture', ...measured } }
      filled++
    } else kept++
  }
  return { answers: next, filled, kept }
}
