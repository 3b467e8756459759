import { standards } from '@peen/content'
import { answersAtTarget, type Answers } from '@peen/core/grade'

/** A complete sheet of bearded-pet: measured at its targets, judged at `level`. */
export const fullSheet = (level = 4): Answers => answersAtTarget(standards[0], level)
