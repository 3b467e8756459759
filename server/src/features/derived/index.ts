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
  storeAttempts,
  storeResult
} from './derived'
export { storeCoat } from './coat'
