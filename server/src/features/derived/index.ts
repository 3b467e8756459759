export { derivedAgain } from './again'
export { attemptRows, rebuildCharts, recordFrom, standingRules } from './charts'
export {
  computeResult,
  deriveWhereOld,
  gradedBy,
  eventsOf,
  rebuildAll,
  rebuildCoat,
  eventFrom,
  storeAttempts,
  storeResult
} from './derived'
export { storeCoat } from './coat'
