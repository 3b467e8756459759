import { door } from '../error'
import * as daysPart from './days'
import * as placesPart from './places'
import * as bookPart from './book'
import * as growthPart from './growth'
import * as modelPart from './model'
import * as warnPart from './warn'
import * as aheadPart from './ahead'
import * as closePart from './close'
import * as floorPart from './floor'
import * as takenPart from './taken'
import * as petPart from './pet'
import * as tanglePart from './tangle'
import * as sayPart from './say'
import * as lettersPart from './letters'
import * as dailyPart from './daily'

export { STRIPS, type PatchSide, type CoatPlace, type StripId } from './places'
export {
  ACT_KINDS,
  HOLE_CAUSES,
  PULLS,
  type CoatAct,
  type CoatEntry,
  type Growing,
  type HoleCause,
  type HairLayer,
  type Pull
} from './types'
export { COAT_RULE_LIMITS, COAT_RULES, HAIR, SPROUT_DAYS, type CoatRules } from './rules'
export { ENTRY_LIMITS, type BookDog, type BookIssue } from './book'
export { RATE_LIMITS, type Growth, type RateFound } from './growth'
export type { LayerOn, PlaceState, Stand } from './state'
export type { Lag } from './sides'
export type { CoatCase, CoatModel, PlaceModel, CoatSession } from './model'
export type { Warning, WarningKind } from './warn'
export { WHAT_IFS, type Outcome, type Rhythm, type WhatIfId } from './ahead'
export type { Part } from './pairs'
export type { ClosingStep, Done, Fitting, Undone } from './close'
export type { FloorDay, FloorWork } from './taken'
export { BRUSHING, type Brushing, type LengthThen, type TrimInterval, type TrimPart } from './pet'
export type { CameIn, Ladder, MatTime, Rung } from './tangle'
export type { LetteredLayer } from './letters'
export type { Daily } from './daily'

export const { dateOf, dayOf, sayDay } = door(daysPart)
export const { isPaired, PLACE_IDS, placeName, shownAt, sidesOf } = door(placesPart)
export const { entryIssues, sidesMeant } = door(bookPart)
export const { daysOfGap, growthAt, growthOf } = door(growthPart)
export const { coatBounds, coatModel, lagAt, rolledPlaces, stateAt, withSessions, worstLag } = door(modelPart)
export const { warningsOf } = door(warnPart)
export const { changed, mending, outcomeOf, sessionsOf } = door(aheadPart)
export const { doneIn, isWorked, sayUndone, undoneOf, whatFits } = door(closePart)
export const { entriesOfFindings, entriesOfGrading } = door(floorPart)
export const { entriesOfWork } = door(takenPart)
export const { bladeNow, lengthsThen, matRisk, matWeeks, trimInterval, trimParts } = door(petPart)
export const { lastsAt, matMinutes, ownMatTime, tangleLadder } = door(tanglePart)
export const { sayDog, sayGrowth, sayPair, sayState } = door(sayPart)
export const { letteredLayers } = door(lettersPart)
export const { dailyStates } = door(dailyPart)
