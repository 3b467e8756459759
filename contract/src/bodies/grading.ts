import type { GradeRules } from '@peen/core/grade'
import { appointSchema, assessmentDaySchema, settleSchema, type Appoint, type AssessmentDayBody, type Settle } from '../grading/assessments'
import { draftSchema, openGradingSchema, signGradingSchema, type Draft, type OpenGrading, type SignGrading } from '../grading/grading'
import { marksSchema, type SaveMarks } from '../grading/measures'
import { gradeRulesSchema } from '../people/school'
import { takes } from './takes'

export const gradingBodies = {
  openGrading: takes<OpenGrading>()(openGradingSchema),
  saveDraft: takes<Draft>()(draftSchema),
  signGrading: takes<SignGrading>()(signGradingSchema),
  saveMarks: takes<SaveMarks>()(marksSchema),
  keepGradeRules: takes<GradeRules>()(gradeRulesSchema),
  callDay: takes<AssessmentDayBody>()(assessmentDaySchema),
  appoint: takes<Appoint>()(appointSchema),
  settle: takes<Settle>()(settleSchema)
}
