import { door, items, over } from '../error'
import * as boardClearPart from './board/clear'
import * as boardFindPart from './board/find'
import * as boardLayoutPart from './board/layout'
import * as boardPosePart from './board/pose'
import * as boardRulerPart from './board/ruler'
import * as beforePart from './photo/before'
import * as averagePart from './photo/average'
import * as circlePart from './fit/circle'
import * as heldPart from './fit/held'
import * as linePart from './fit/line'
import * as planePart from './fit/plane'
import * as scalePart from './fit/scale'
import * as findPart from './edge/find'
import * as headPart from './body/head'
import * as ringPart from './fit/ring'
import * as profilePart from './body/profile'
import * as simulatePart from './fit/simulate'
import * as alignPart from './fit/align'
import * as overlapPart from './fit/overlap'
import * as framePart from './photo/frame'
import * as cataloguePart from './photo/catalogue'
import * as expectedPart from './photo/expected'
import * as foundPart from './photo/found'
import * as planPart from './photo/plan'
import * as seenPart from './around/seen'
import * as proposePart from './photo/propose'
import * as sayPart from './photo/say'
import * as shapePart from './photo/shape-here'
import * as departurePart from './photo/departure'
import * as sidesPart from './photo/sides'
import * as skinPart from './photo/skin'
import * as headMeasures from './photo/head-measures'
import * as tracePart from './photo/trace'
import * as explainPart from './photo/explain'

export { BOARD_KINDS, BOARDS, type BoardKind, type BoardLayout, type BoardMarker } from './board/layout'
export { LEAST_MARKERS, type BoardSeen, type SeenMarker } from './board/find'
export { MOST_TILT_DEG, type KnownDistance, type Pose } from './board/pose'
export type { CutOff } from './photo/before'
export type { Averaged } from './photo/average'
export type { Held } from './fit/held'
export type { CircleFit } from './fit/circle'
export type { Departed, LineFit } from './fit/line'
export type { Homography } from './fit/plane'
export type { KnownLength, PlaneScale } from './fit/scale'
export type { Disagreement } from './photo/expected'
export { NO_CORRECTIONS, OUTLINE_STEPS, type Corrections, type FoundOutline, type OutlineStep, type ShapeFound } from './edge/find'
export type { Framing, Patch } from './edge/backdrop'
export type { Stroke } from './edge/correct'
export type { Picture } from './edge/picture'
export type { ClockDeparture, FrontHead, FrontHeadMeasures, HourSpan, SideDifference } from './body/head'
export type { PhotoPoint } from './types'
export type { Chord, FootLine, Straightness } from './body/profile'
export type { Simulated } from './fit/simulate'
export type { Laid } from './fit/align'
export {
  SCALE_THINGS,
  SEEN,
  type BoardMark,
  type Frame,
  type Tilt,
  type PictureSize,
  type ScaleMark,
  type Seen,
  type PhotoView
} from './photo/frame'
export { MEASURE_IDS, type MeasureId } from '../terms'
export type { MeasureKey, PictureUnit } from './photo/catalogue'
export { LEAST_LINE_POINTS, LINE_IDS, LINES, PLACE_IDS, PLACES, type LineId, type PhotoPlace } from './photo/places'
export { MOST_YAW_DEG, PHOTO_DRAWS, type PhotoFound, type PictureMeasure, type Untold } from './photo/found'
export type { PlannedDog, PlannedPlace, PlannedView } from './photo/plan'
export type { Proposal } from './photo/propose'
export { PROPOSED_U_MM } from './photo/proposed-u'
export type { PlaceDeparture, RegionDeparture } from './photo/departure'
export type { ShapeTouch } from './photo/shape-here'
export type { SideCompared } from './photo/sides'
export { REGION_VIEWS, type CoatDepth, type SkinReading } from './photo/skin'
export type { Depths, Marked, PlacedPoint, Reading, Trace } from './photo/trace'
export type { Drawn } from './photo/explain'

/** A place in a picture or on a dog: two numbers. */
const point = items(2, 2)
/** A closed way round something: three places or more. */
const ring = items(3)

export const { averaged, averageOf } = door(averagePart, { averageOf: [items(1)] })
export const { fitCircle, taubin } = door(circlePart, { fitCircle: [ring], taubin: [ring] })
export const { withoutBoard } = door(boardClearPart)
export const { findBoard } = door(boardFindPart)
export const { findBesideRuler } = door(boardRulerPart)
export const { cornersOf, cornersOfMarker, markerCells, markerOf } = door(boardLayoutPart)
export const { poseOf } = door(boardPosePart, { poseOf: [null, point] })
export const { heldOf } = door(heldPart)
export const { fitLine } = door(linePart)
export const { homography, toPlane } = door(planePart, { toPlane: [items(9, 9), point] })
export const { checkLength, planeScale } = door(scalePart, { checkLength: [null, items(2, 2)] })
export const { findOutline } = door(findPart)
export const { compareSides, measureFrontHead } = door(headPart)
export const { clockOf, evenly, perimeter, radiusAt, reachAt } = door(ringPart, {
  clockOf: [point, point],
  evenly: [ring, over(0, 'mm')],
  perimeter: [ring],
  radiusAt: [ring, point],
  reachAt: [ring, point]
})
export const { angleAt, footLine, largestStep, straightness, topline } = door(profilePart, {
  angleAt: [point, point, point],
  footLine: [null, point],
  topline: [null, point, point]
})
export const { simulate } = door(simulatePart)
export const { layOutline, layOver, layPoint } = door(alignPart, {
  layOutline: [ring, ring],
  layOver: [items(1), items(1)],
  layPoint: [null, point]
})
export const { crossesItself, frechet, hausdorff, overlap01, uncrossedRing } = door(overlapPart, {
  crossesItself: [items(1)],
  frechet: [items(1), items(1)],
  hausdorff: [items(1), items(1)],
  overlap01: [ring, ring],
  uncrossedRing: [ring]
})
export const { frameOf, sideSeen, toMm, toPx, viewOf } = door(framePart, { toMm: [null, point], toPx: [null, point] })
export const { keysIn, linesFor, measureSpec, measuresSeen } = door(cataloguePart)
export const { measurePhoto } = door(foundPart)
export const { asSeen } = door(seenPart)
export const { measuringPlaneMm, plannedView } = door(planPart)
export const { onDarkSpots, onto, plannedTrace, proposePlaces } = door(proposePart, {
  onto: [items(2), point],
  proposePlaces: [null, ring]
})
export const { disagreementsOf } = door(expectedPart, { disagreementsOf: [null, ring] })
export const { cutOff, grownLike, grownView } = door(beforePart)
export const { shapeHere, shapeTouches } = door(shapePart)
export const { sayMeasured } = door(sayPart)
export const { departuresFrom, laidRigid, plannedInPicture, regionDepartures } = door(departurePart)
export const { coatDepth, regionSeenIn, skinOffset } = door(skinPart)
export const { otherOver, sidesCompared } = door(sidesPart)
export const { roundOf, frontHeadOf } = door(headMeasures)
export const { drawnTrace, readingOf, traceOf, yawFrom } = door(tracePart)
export const { drawMeasure } = door(explainPart)
