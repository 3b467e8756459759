export {
  coresOf,
  DRAWN_REGIONS,
  flowsOf,
  LIE_DEG,
  OUTLINE_SPANS,
  REGION_INDEX,
  SLOTS,
  transitionOf,
  type Core,
  type DrawnRegion,
  type Lengths
} from './coat-map'
export {
  coatTable,
  DAYS_LIMITS,
  lengthOf,
  lieOf,
  otherSide,
  standing,
  USUAL_MM_PER_DAY,
  type Aged,
  type AgedHair,
  type Coat,
  type CoatTable,
  type Texture,
  type Worn
} from './coat'
export { checkShapes, shapeIssues, shapeOf, shapesOf, sizedTo, type Limb, type Shape, type ShapeKind } from './shapes'
export { checkFaults, faultOf, TAIL_HIGH_MOST_MM, type Fault, type FaultKind } from './faults'
export { dentAt, dentsOf, type Dent, type DentPlaces } from './dents'
export { ballStop, onCircle, outFrom } from './stops'
export type { Stop } from './layer'
export { dressCoat, dressOf, MOST_OVER, standShare, type Dress } from './dress'
export {
  finishLayer,
  fourHeaviest,
  innerSample,
  LEANS,
  ringSamples,
  type Draft,
  type FigureLayer,
  type Place,
  type PlaceAt,
  type Sample,
  type Skin,
  type ViewId,
  type Weights
} from './layer'
