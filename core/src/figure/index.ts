export { fitBody, OUTLINE_ORDER, skeletonOf, usualMeasures, WITHERS_LIMITS_MM, type BodyType, type Landmark, type Measures } from './body'
export {
  DAYS_LIMITS,
  DRAWN_REGIONS,
  LIE_DEG,
  lieOf,
  otherSide,
  shapeIssues,
  sizedTo,
  standShare,
  USUAL_MM_PER_DAY,
  type Aged,
  type AgedHair,
  type Coat,
  type DrawnRegion,
  type Fault,
  type FaultKind,
  type Lengths,
  type Shape,
  type ShapeKind,
  type Texture,
  type ViewId,
  type Worn
} from './coat'
export { extentOf } from './extent'
export { bakedFaults, bakeFigure, type Figure, type FigureSpec } from './figure'
export { newRaster, paintPolygon, toBytes, type Colouring, type Part, type Pattern, type Raster, type View } from './paint'
export {
  leadersCross,
  placeNotes,
  RULE_BELOW_TOP_PX,
  type Covered,
  type Departure,
  type NoteFrame,
  type NoteTarget,
  type PlacedNote,
  type RegionShape,
  type RimPlace,
  type Silhouette
} from './plate'
export { isInside, type Point } from './vec'
