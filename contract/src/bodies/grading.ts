import type { GradeRules } from '@peen/core/grade'
import { appointSchema, assessmentDaySchema, settleSchema, type Appoint, type AssessmentDayBody, type Settle } from '../grading/assessments'
import { appealSchema, decideAppealSchema, setAsideSchema, type Appeal, type DecideAppeal, type SetAside } from '../grading/corrections'
import { draftSchema, openGradingSchema, signGradingSchema, type Draft, type OpenGrading, type SignGrading } from '../grading/grading'
import { marksSchema, shapeSchema, type SaveMarks, type ShapeAsked } from '../grading/measures'
import { gradeRulesSchema } from '../people/school'
import { takes } from './takes'

export const gradingBodies = {
  openGrading: takes<OpenGrading>()(openGradingSchema),
  saveDraft: takes<Draft>()(draftSchema),
  signGrading: takes<SignGrading>()(signGradingSchema),
  saveMarks: takes<SaveMarks>()(marksSchema),
  findByShape: takes<ShapeAsked>()(shapeSchema),
  keepGradeRules: takes<GradeRules>()(gradeRulesSchema),
  callDay: takes<AssessmentDayBody>()(assessmentDaySchema),
  appoint: takes<Appoint>()(appointSchema),
  settle: takes<Settle>()(settleSchema),
  setAside: takes<SetAside>()(setAsideSchema),
  appeal: takes<Appeal>()(appealSchema),
  decideAppeal: takes<DecideAppeal>()(decideAppealSchema)
}
