export * from './types'
export { catalogueIssues, comesBefore, techniqueIssues, versionIssues } from './validity'
