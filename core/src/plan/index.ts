import { door } from '../error'
import * as backPart from './back'
import * as bordersPart from './borders'
import * as factsPart from './coat-facts'
import * as growOutPart from './grow-out'
import * as readyPart from './ready'
import * as wantedPart from './wanted'

export {
  LIGHT_BEFORE,
  type Back,
  type BackCase,
  type BackWork,
  type LateChoice,
  type PlaceBack,
  type SessionBack,
  type Wanted
} from './back'
export type { Borders } from './borders'
export { HELD_MM, type GrowOut, type GrowOutCase, type GrownPlace, type GrowVisit } from './grow-out'
export type { CoatFacts, Moved } from './coat-facts'
export { READY_CHANCE, type Hair } from './ready'

export const { planBack, pulledIn } = door(backPart)
export const { bordersOf } = door(bordersPart)
export const { growOut } = door(growOutPart)
export const { bordersFor, caseOf, movedOf, wantedFor } = door(factsPart)
export const { chanceReady, daysNeeded, surelyMm } = door(readyPart)
export const { wantedOf } = door(wantedPart)
