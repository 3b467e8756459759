export { fitCircle, taubin, type CircleFit } from './fit/circle'
export { fitLine, type Departed, type LineFit } from './fit/line'
export { homography, toPlane, type Homography } from './fit/plane'
export { checkLength, planeScale, type KnownLength, type PlaneScale } from './fit/scale'
export { findOutline, NO_CORRECTIONS, OUTLINE_STEPS, type Corrections, type FoundOutline, type OutlineStep } from './edge/find'
export type { Framing, Patch } from './edge/backdrop'
export type { Stroke } from './edge/correct'
export type { Picture } from './edge/picture'
export {
  compareSides,
  measureFrontHead,
  type ClockDeparture,
  type FrontHead,
  type FrontHeadMeasures,
  type HourSpan,
  type SideDifference
} from './body/head'
export { clockOf, evenly, perimeter, radiusAt, reachAt } from './fit/ring'
export type { Point } from './types'
export { angleAt, footLine, largestStep, straightness, topline, type Chord, type FootLine, type Straightness } from './body/profile'
export { simulate, type Simulated } from './fit/simulate'
export { layOutline, layOver, layPoint, type Laid } from './fit/align'
export { crossesItself, frechet, hausdorff, overlap01, uncrossedRing } from './fit/overlap'
export {
  frameOf,
  SCALE_THINGS,
  SEEN,
  toMm,
  toPx,
  viewOf,
  type Frame,
  type PictureSize,
  type ScaleMark,
  type Seen,
  type View
} from './photo/frame'
export { MEASURE_IDS, type MeasureId } from './photo/ids'
export { keysIn, linesFor, measureSpec, measuresSeen, type MeasureKey, type PictureUnit } from './photo/catalogue'
export { LEAST_LINE_POINTS, LINE_IDS, LINES, PLACE_IDS, PLACES, type LineId, type PlaceId } from './photo/places'
export { MOST_YAW_DEG, measurePhoto, PHOTO_DRAWS, type PhotoFound, type PictureMeasure, type Untold } from './photo/found'
export { plannedView, type PlannedDog, type PlannedPlace, type PlannedView } from './photo/plan'
export { onDarkSpots, onto, plannedTrace, proposePlaces, type Proposal } from './photo/propose'
export { sayMeasured } from './photo/say'
export { departuresFrom, laidRigid, plannedInPicture, regionDepartures, type PlaceDeparture, type RegionDeparture } from './photo/departure'
export { coatDepth, REGION_VIEWS, regionSeenIn, skinOffset, type CoatDepth, type SkinReading } from './photo/skin'
export { roundOf, frontHeadOf } from './photo/head-measures'
export { drawnTrace, traceOf, yawFrom, type Depths, type PlacedPoint, type Reading, type Trace } from './photo/trace'
export { drawMeasure, type Drawn } from './photo/explain'
