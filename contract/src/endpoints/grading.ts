// Finished trims: grade sheets, measured photographs, two assessors of one trim.
import type { GradeResult, GradeRules } from '@peen/core/grade'
import type { PhotoPoint } from '@peen/core/measure'
import type { AssessmentBook, AssessmentPage, BorderlineView } from '../grading/assessments'
import type { MeasurePage } from '../grading/measures'
import type { GradingView, MethodDifference, TrimRow } from '../grading/grading-views'
import { ALL, APPRENTICE, get, LEAD, post, put, STAFF } from './endpoint'

export const gradingEndpoints = {
  trims: get('/trims', ALL, 'Grade sheets, the newest first, a page at a time.', { query: ['page'] }),
  openGrading: post('/visits/:id/gradings', STAFF, 'Opens a grade sheet for a finished trim.', {
    problems: ['notGradable', 'appointed']
  }),
  grading: get('/gradings/:id', ALL, 'A grade sheet.', { problems: ['notRead'] }),
  readGrading: post('/gradings/:id/read', STAFF, 'Shows a colleague’s grade sheet, and remembers that you read it.'),
  saveDraft: put('/gradings/:id', STAFF, 'Keeps a grade sheet that is not signed yet.', {
    problems: ['signed', 'ratingGiven', 'draftConflict']
  }),
  signGrading: post('/gradings/:id/sign', STAFF, 'Signs a grade sheet.', {
    needs: 'password',
    problems: ['signed', 'draftConflict', 'notGradable']
  }),
  setAside: post('/gradings/:id/set-aside', LEAD, 'Sets a signed mark aside, with a reason: it stays on record and counts for nothing.', {
    needs: 'password',
    problems: ['notSigned']
  }),
  appeal: post('/gradings/:id/appeal', APPRENTICE, 'Appeals a mark of one’s own trim, once.', {
    problems: ['notSigned', 'appealed', 'appealTooLate']
  }),
  decideAppeal: post('/gradings/:id/appeal/decide', LEAD, 'Decides which of two marks counts after an appeal.', {
    needs: 'password',
    problems: ['notSigned', 'notMarkedAgain', 'decided']
  }),
  differByMethod: get('/gradings/by-method', LEAD, 'Signed marks beside what the method in use today would say.'),
  measures: get('/gradings/:id/measures', STAFF, 'The photographs of a trim and what was measured on them.', {
    problems: ['notRead']
  }),
  saveMarks: put('/pictures/:id/marks', STAFF, 'Keeps what was marked on a photograph.', {
    problems: ['signed', 'marksConflict']
  }),
  findByShape: post('/pictures/:id/outline', STAFF, 'Looks in a photograph for the edge of a shape that is expected there.', {
    problems: ['noShape', 'finderAway']
  }),
  gradeRules: get('/grade-rules', ALL, 'The school’s numbers for marks.'),
  keepGradeRules: put('/grade-rules', LEAD, 'Sets the school’s numbers for marks.'),
  assessments: get('/assessments', STAFF, 'Assessment days and who marks whose trim.'),
  callDay: post('/assessments/days', LEAD, 'Makes a day an assessment.'),
  dropDay: post('/assessments/days/:on/drop', LEAD, 'Takes an assessment day back.', { problems: ['appointed'] }),
  assessment: get('/assessments/:id', STAFF, 'One trim of two assessors.'),
  appoint: put('/assessments/:id', STAFF, 'Appoints two assessors of a trim.', {
    problems: ['begun']
  }),
  release: post('/assessments/:id/release', STAFF, 'Takes the appointment of two assessors back.', { problems: ['begun'] }),
  settle: post('/assessments/:id/settle', STAFF, 'A third assessor settles two verdicts that differ.', {
    needs: 'password',
    problems: ['settled', 'blind', 'notSettled']
  }),
  agree: post('/assessments/:id/agree', STAFF, 'An assessor agrees with how two verdicts were settled.', {
    needs: 'password',
    problems: ['notSettled', 'blind']
  }),
  borderlines: get('/borderlines', STAFF, 'Pass marks by first impressions.')
}

export type GradingReplies = {
  readonly trims: readonly TrimRow[]
  readonly openGrading: { readonly id: string }
  readonly grading: GradingView
  readonly readGrading: { readonly id: string }
  readonly saveDraft: { readonly version: number }
  readonly signGrading: GradeResult
  readonly setAside: { readonly status: string }
  readonly appeal: { readonly id: string }
  readonly decideAppeal: { readonly status: string }
  readonly differByMethod: readonly MethodDifference[]
  readonly measures: MeasurePage
  readonly saveMarks: { readonly version: number }
  readonly findByShape: { readonly ring: readonly PhotoPoint[] }
  readonly gradeRules: GradeRules
  readonly keepGradeRules: GradeRules
  readonly assessments: AssessmentBook
  readonly callDay: void
  readonly dropDay: void
  readonly assessment: AssessmentPage
  readonly appoint: void
  readonly release: void
  readonly settle: void
  readonly agree: void
  readonly borderlines: readonly BorderlineView[]
}
