// The grade with its simulation, off the main thread: the same core code that the server runs.
import { gradeResult, type GradeInput, type GradeResult } from '@peen/core/grade'
import type { Standard } from '@peen/core/standard'
import * as Comlink from 'comlink'

const grader = {
  grade: (standard: Standard, input: GradeInput): GradeResult => gradeResult(standard, input)
}

export type Grader = typeof grader
Comlink.expose(grader)
