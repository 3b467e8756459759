export * from './types'
export { eventOrder, foldSession } from './fold'
export { eventTime } from './apply'
export { CLOCK_TOLERANCE_MS, clockOff, isNote, mayUndo, UNDO_SECONDS } from './undo'
export { daySummary, type DayFacts, type VisitSummary } from './summary'
export { proposeAttempts, stillOpen, undoneSteps, type ProposedAttempt } from './end'
export { countedAttempts, tappedHelp, type CountedAttempt, type MajorFaults } from './attempts'
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
export { attemptMinutes, runningAttempt, stepProgress, workedMinutes, type StepProgress, type StepState } from './minutes'
export { ROUNDS_DEFAULTS, ROUNDS_FIELDS, type RoundsField, type RoundsRules } from './rounds-rules'
export { notGradable, unworkedRegions } from './gradable'
