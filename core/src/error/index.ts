export { CoreError, inRange, type CoreIssue } from './core-error'
export { date, door, from, items, over, type Check } from './door'
