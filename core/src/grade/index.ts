import { door, items } from '../error'
import * as measurePart from './measure'
import * as partsPart from './parts'
import * as mendPart from './mend'
import * as outsidePart from './outside'
import * as rightPart from './right'
import * as resultPart from './result'
import * as trialPart from './trial'
import * as picturePart from './picture'
import * as comparePart from './compare'
import * as reportPart from './report'

export * from './types'
export { CONFORMITY_LEVEL, type Measured } from './measure'
export { TOP_LEVEL } from './parts'
export type { Outside } from './outside'
export type { GradeInput } from './result'
export type { TrialFound } from './trial'
export { GRADE_METHOD, GRADE_RULE_LIMITS, GRADE_RULES, MOST_EXCUSED_01, type GradedWith, type GradeRules } from './method'
export type { PictureAnswer, WeighedMeasure } from './picture'
export type { MarkDifference } from './compare'
export type { PictureReport } from './report'

export const { byEye, conformity, fromReadings, shareOfMarks, verdictOf } = door(measurePart, { byEye: [null, items(2, 2)] })
export const { follows, sayPlace, sidesOf, targetOf, unitOf } = door(partsPart)
export const { bestCuts } = door(mendPart, { bestCuts: [items(1)] })
export const { outsideAnswers } = door(outsidePart)
export const { answersAtTarget } = door(rightPart)
export const { countAnswers, gradeResult, refuseUnknownFaults } = door(resultPart)
export const { trialOfMarks } = door(trialPart)
export const { answersFrom, criteriaSeen, isPairRead, measuresAsked, weighMeasures } = door(picturePart)
export const { differencesOf } = door(comparePart)
export const { pictureReport } = door(reportPart)
