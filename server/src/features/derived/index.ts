export { attemptRows, rebuildCharts, recordFrom, standingRules } from './charts'
export { computeResult, deriveWhereOld, gradedBy, eventFrom, eventsOf, rebuildAll, storeAttempts, storeResult } from './derived'
