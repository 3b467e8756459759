export type { BodyType, Breadth, EarKind, Measures } from './types'
export { fitBody, standingWide, usualMeasures, WITHERS_LIMITS_MM } from './fit'
export {
  CORNERS,
  headPoint,
  OUTLINE_ORDER,
  skeletonOf,
  type HeadFrame,
  type Landmark,
  type Landmarks,
  type OutlineLandmark,
  type Skeleton
} from './skeleton'
export { nearestOn, normalsOf, sampleCurve, tubeAround, type Sampled } from './curve'
