export { computeResult, gradedBy, eventFrom, eventsOf, rebuildAll, rebuildAttempts, storeResult } from './derived'
