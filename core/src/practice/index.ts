import { door } from '../error'
import * as handsPart from './hands'
import * as foldPart from './fold'
import * as applyPart from './apply'
import * as undoPart from './undo'
import * as summaryPart from './summary'
import * as endPart from './end'
import * as attemptsPart from './attempts'
import * as roundsPart from './rounds'
import * as minutesPart from './minutes'
import * as gradablePart from './gradable'

export * from './types'
export type { Folding } from './fold'
export { CLOCK_TOLERANCE_MS, UNDO_SECONDS } from './undo'
export type { DayFacts, VisitSummary } from './summary'
export type { ProposedAttempt } from './end'
export type { CountedAttempt, MajorFaults } from './attempts'
export { LOW_STAND_MIN, type ComingStep, type RankedLook, type TableFacts } from './rounds'
export type { StepProgress, StepState } from './minutes'
export { ROUNDS_DEFAULTS, ROUNDS_FIELDS, type RoundsField, type RoundsRules } from './rounds-rules'

export const { eventOrder, foldingOf, foldVisit } = door(foldPart)
export const { eventTime } = door(applyPart)
export const { clockOff, isNote, mayUndo } = door(undoPart)
export const { daySummary } = door(summaryPart)
export const { proposeAttempts, stillOpen, undoneSteps } = door(endPart)
export const { countedAttempts, tappedHelp } = door(attemptsPart)
export const { expectedHarm, nextTable, rankLooks, startsWithin } = door(roundsPart)
export const { attemptMinutes, runningAttempt, stepProgress, workedMinutes } = door(minutesPart)
export const { staffHands } = door(handsPart)
export const { notGradable, unworkedRegions } = door(gradablePart)
