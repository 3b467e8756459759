export { dateOf, dayOf, sayDay } from './days'
export { isPaired, PLACE_IDS, placeName, shownAt, sidesOf, STRIPS, type PatchSide, type PlaceId, type StripId } from './places'
export { ACT_KINDS, HOLE_CAUSES, PULLS, type CoatAct, type CoatEntry, type Growing, type HoleCause, type Layer, type Pull } from './types'
export { COAT_RULE_LIMITS, COAT_RULES, SPROUT_DAYS, type CoatRules } from './rules'
export { ENTRY_LIMITS, entryIssues, sidesMeant, type BookDog, type BookIssue } from './book'
export { daysOfGap, growthAt, growthOf, type Growth, type RateFound } from './growth'
export { type LayerOn, type PlaceState, type Stand } from './state'
export { type Lag } from './sides'
export {
  coatBounds,
  coatModel,
  lagAt,
  rolledPlaces,
  stateAt,
  withSessions,
  worstLag,
  type CoatCase,
  type CoatModel,
  type PlaceModel,
  type Session
} from './model'
export { warningsOf, type Warning, type WarningKind } from './warn'
export { changed, mending, outcomeOf, sessionsOf, WHAT_IFS, type Outcome, type Rhythm, type WhatIfId } from './ahead'
export { type Part } from './pairs'
export { doneIn, isWorked, sayUndone, undoneOf, whatFits, type ClosingStep, type Done, type Fitting, type Undone } from './close'
export { entriesOfFindings, entriesOfGrading, entriesOfWork, type CoatWork, type CoatWorks, type FloorDay, type FloorWork } from './floor'
export {
  bladeNow,
  BRUSHING,
  lengthsThen,
  matRisk,
  trimInterval,
  trimParts,
  type Brushing,
  type LengthThen,
  type TrimInterval,
  type TrimPart
} from './pet'
export { sayDog, sayGrowth, sayPair, sayState } from './say'
export { letteredLayers, type LetteredLayer } from './letters'
export { dailyStates, type Daily } from './daily'
