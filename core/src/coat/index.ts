export { dateOf, dayOf, sayDay, sayFullDate } from './days'
export {
  isPaired,
  isPlaceId,
  PLACE_IDS,
  placeName,
  shownAt,
  sidesOf,
  STRIP_MM,
  stripOf,
  STRIPS,
  type PatchSide,
  type PlaceId,
  type StripId
} from './places'
export { ACT_KINDS, HOLE_CAUSES, PULLS, type CoatAct, type CoatEntry, type Growing, type HoleCause, type Layer, type Pull } from './types'
export { COAT_RULE_LIMITS, COAT_RULES, HAIR, SPROUT_DAYS, terminalMm, type CoatRules } from './rules'
export { bookIssues, ENTRY_LIMITS, entryIssues, inOrder, sidesMeant, type BookDog, type BookIssue } from './book'
export { daysToLength, lengthOn } from './layers'
export { daysOfGap, GROWTH_PRIOR, growthAt, growthOf, rateOfGap, slopeOf, type Growth, type RateFound } from './growth'
export { briefOn, stateOn, type LayerOn, type PlaceState, type Stand } from './state'
export { lagOf, type Lag } from './sides'
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
export { warningsOf, WARNINGS, type Warning, type WarningKind } from './warn'
export { changed, mending, outcomeOf, sessionsOf, shownSides, WHAT_IFS, type Outcome, type Rhythm, type WhatIfId } from './ahead'
export { bestParts, type Part } from './pairs'
export { doneIn, sayUndone, undoneOf, whatFits, type ClosingStep, type Done, type Fitting, type Undone } from './close'
export { entriesOfFindings, entriesOfGrading, entriesOfWork, type CoatWork, type CoatWorks, type FloorDay, type FloorWork } from './floor'
export {
  bladeNow,
  BRUSHING,
  lengthsThen,
  MAT_WEEKS,
  matRisk,
  matWeeks,
  trimInterval,
  type Brushing,
  type LengthThen,
  type TrimInterval,
  type TrimPart
} from './pet'
export { percentOf, sayDog, sayGrowth, sayPair, sayState, visibleLayers } from './say'
export { letteredLayers, type LetteredLayer } from './letters'
export { dailyStates, type Daily } from './daily'
