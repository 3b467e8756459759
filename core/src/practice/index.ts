export * from './types'
export { eventOrder, foldSession } from './fold'
export { countedAttempts, type CountedAttempt, type MajorFaults } from './attempts'
export {
  expectedHarm,
  LOW_STAND_MIN,
  nextTable,
  rankLooks,
  startsWithin,
  type ComingStep,
  type RankedLook,
  type TableFacts
} from './rounds'
export { stepProgress, workedMinutes, type StepProgress } from './minutes'
export { ROUNDS_DEFAULTS, ROUNDS_FIELDS, type RoundsField, type RoundsRules } from './rounds-rules'
