export { computeResult, eventFrom, eventsOf, rebuildAll, rebuildAttempts, storeResult } from './derived'
