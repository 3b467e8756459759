export * from './types'
export { largestUsableU, standardIssues } from './validity'
