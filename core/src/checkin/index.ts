import { door } from '../error'
import * as readyPart from './ready'

export * from './types'
export type { Ready, DogStanding } from './ready'

export const { checkInIssues, excusedBy, factsFromSkin, readyToCut, sayFinding, sayPlaceOf, skinStops, standingOf } = door(readyPart)
