export { attemptRows, rebuildCharts, recordFrom, standingRules } from './charts'
export {
  computeResult,
  deriveWhereOld,
  gradedBy,
  eventFrom,
  eventsOf,
  rebuildAll,
  rebuildCoat,
  signedWith,
  countedOf,
  storeAttempts,
  techniqueToday,
  storeResult
} from './derived'
export { storeCoat } from './coat'
