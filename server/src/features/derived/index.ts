export { computeResult, gradedBy, eventFrom, eventsOf, rebuildAll, storeAttempts, storeResult } from './derived'
