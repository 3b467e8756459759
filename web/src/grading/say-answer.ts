import type { SideAnswer } from '@peen/core/grade'
import type { Criterion } from '@peen/core/standard'
import { t } from '../words'

/** An answer on a grading sheet in a few words, lengths in mm. */
export function sayAnswer({ how }: Criterion, answer: SideAnswer | null): string {
  if (answer === null) return t('grading.notAnswered')
  switch (answer.kind) {
    case 'asItShouldBe':
      return t('grading.should2')
    case 'readings':
      return t('grading.mmMm', { mm: answer.mm.join(', ') })
    case 'inputs':
      return t('grading.valuesMm', { values: Object.values(answer.values).join(', ') })
    case 'level':
      return how.kind === 'judged' ? `${answer.level}, ${how.levels[answer.level] ?? ''}` : String(answer.level)
    case 'excused':
      return t('grading.likeArrivalReason', { reason: answer.reason })
    case 'instructor':
      return t('grading.finishedInstructor2')
    case 'picture':
      return t('grading.answerFromPicture', { answer: answer.value })
    case 'overruled':
      return t('grading.answerOverrulingPicture', { answer: sayAnswer({ how } as Criterion, answer.instead) })
  }
}
