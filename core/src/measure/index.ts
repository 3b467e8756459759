export { outlineBefore, type FoundOutline, type Patch, type Picture } from './backdrop'
export { fitCircle, taubin, type CircleFit } from './circle'
export {
  compareSides,
  measureFrontHead,
  sayFrontHead,
  type ClockDeparture,
  type FrontHead,
  type FrontHeadMeasures,
  type HourSpan,
  type SideDifference
} from './head'
export { fitLine, type Departed, type LineFit } from './line'
export { clockOf, evenly, perimeter, radiusAt, reachAt } from './outline'
export type { Point } from './types'
export { checkLength, planeScale, type KnownLength, type PlaneScale } from './scale'
export { homography, toPlane, type Homography } from './plane'
export { angleAt, footLine, straightness, topline, type Chord, type FootLine, type Straightness } from './profile'
export { simulate, type Simulated } from './simulate'
