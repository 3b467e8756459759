import { door } from '../error'
import * as validityPart from './validity'

export * from './types'

export const { catalogueIssues, comesBefore, techniqueIssues, versionIssues } = door(validityPart)
