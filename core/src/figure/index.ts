import { door, items, over } from '../error'
import * as bodyPart from './body'
import * as coatPart from './coat'
import * as extentPart from './extent'
import * as figurePart from './figure'
import * as paintPart from './paint'
import * as platePart from './plate'
import * as vecPart from './vec'

export { OUTLINE_ORDER, WITHERS_LIMITS_MM, type BodyType, type Landmark, type Measures } from './body'
export {
  DAYS_LIMITS,
  DRAWN_REGIONS,
  LIE_DEG,
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
export type { Figure, FigureSpec } from './figure'
export type { Colouring, Part, Pattern, Raster, View } from './paint'
export {
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
export type { Point } from './vec'

export const { fitBody, skeletonOf, standingWide, usualMeasures } = door(bodyPart)
export const { lieOf, otherSide, shapeIssues, sizedTo, standShare } = door(coatPart)
export const { extentOf } = door(extentPart)
export const { bakedFaults, bakeFigure } = door(figurePart)
export const { newRaster, paintPolygon, toBytes } = door(paintPart, { paintPolygon: [null, items(6), items(3, 3)] })
export const { leadersCross, placeNotes, silhouetteOf } = door(platePart, { silhouetteOf: [items(1), over(0, 'mm')] })
export const { isInside } = door(vecPart, { isInside: [items(3)] })
