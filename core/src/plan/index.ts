import { door } from '../error'
import * as backPart from './back'
import * as bordersPart from './borders'
import * as factsPart from './coat-facts'
import * as growOutPart from './grow-out'
import * as readyPart from './ready'
import * as sessionPart from './session'
import * as wantedPart from './wanted'

export { LIGHT_BEFORE, type Back, type BackCase, type BackWork, type LateChoice, type PlaceBack, type Wanted } from './back'
export type { Borders } from './borders'
export { HELD_MM, type GrowOut, type GrowOutCase, type GrownPlace, type GrowVisit } from './grow-out'
export type { CoatFacts, CoatToPlan, Moved, NoPlan } from './coat-facts'
export type { SessionBack } from './session'
export { READY_CHANCE, type Hair } from './ready'

export const { planBack } = door(backPart)
export const { pulledIn } = door(sessionPart)
export const { bordersOf } = door(bordersPart)
export const { growOut } = door(growOutPart)
export const { backFor, caseOf, movedOf } = door(factsPart)
export const { chanceReady, daysNeeded, surelyMm } = door(readyPart)
export const { wantedOf } = door(wantedPart)
