import { door } from '../error'
import * as gatePart from './gate'
import * as questionsPart from './questions'
import * as retiredPart from './retired'
import * as validityPart from './validity'

export type { OralAnswer, OralQuestion } from './questions'
export * from './types'

export const { waitsForGate } = door(gatePart)
export const { answersStanding, questionIssues } = door(questionsPart)
export const { nowCalled, retirementIssues, successorOf, successorsOf, upToDate } = door(retiredPart)
export const { catalogueIssues, comesBefore, techniqueIssues, versionIssues } = door(validityPart)
