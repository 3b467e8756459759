export { derivedAgain } from './again'
export { attemptRows, rebuildCharts, recordFrom, standingRules } from './charts'
export {
  computeResult,
  deriveWhereOld,
  gradedBy,
  eventsOf,
  rebuildAll,
  rebuildCoat,
  countedIn,
  countedOf,
  eventFrom,
  storeAttempts,
  techniqueToday,
  storeResult
} from './derived'
export { storeCoat } from './coat'
