// A photograph's own marks: scale, corrected outline, places and lines, as one assessor put them.
import {
  BOARD_KINDS,
  LEAST_MARKERS,
  LINE_IDS,
  PLACE_IDS,
  SCALE_THINGS,
  SEEN,
  type Corrections,
  type LineId,
  type PhotoPlace,
  type PhotoPoint,
  type RegionDeparture,
  type ScaleMark,
  type Seen,
  type SkinReading
} from '@peen/core/measure'
import { isRegionId } from '@peen/core/regions'
import { chosen } from '../shape/fields'
import type { GradingView } from './grading-views'
import type { PictureView } from '../floor/visits'
import { array, boolean, lazy, mixed, number, object, uuid } from '../shape/yup'

/** A place that was put by hand, or one that is only proposed and was not touched yet. */
export type MarkedPlace = {
  readonly at: PhotoPoint
  readonly uPx: number
  readonly touched: boolean
  /** it was agreed to where it was proposed, and not moved since */
  readonly agreed?: boolean
}
export type PhotoMarks = {
  readonly scale: ScaleMark | null
  readonly corrections: Corrections
  readonly outline: readonly PhotoPoint[]
  readonly edgeUPx: readonly number[]
  readonly places: Readonly<Partial<Record<PhotoPlace, MarkedPlace>>>
  readonly lines: Readonly<Partial<Record<LineId, readonly PhotoPoint[]>>>
  /** earlier pictures of this view that its measures are averaged with: nothing was cut between them */
  readonly averaged?: readonly string[]
}

/** The reader's own marks of one picture; `version` 0 before the first. */
export type PictureMarks = {
  readonly pictureId: string
  readonly seen: Seen
  readonly version: number
  readonly marks: PhotoMarks | null
  /** how each region stood off its plan when the marks were kept */
  readonly regions: readonly RegionDeparture[]
}

/** The visit before this one, whole days earlier; `sameTrim`: it was given the trim that it has now. */
export type LastVisit = { readonly onDate: string; readonly days: number; readonly sameTrim: boolean }

/** Everything that measuring one trim needs. */
export type MeasurePage = {
  readonly grading: GradingView
  /** photographs after the trim that can be measured, and the same stances before it */
  readonly pictures: readonly PictureView[]
  readonly marks: readonly PictureMarks[]
  /** own marks of pictures from before the trim */
  readonly before: readonly PictureMarks[]
  /** this dog's visit before this one; null where it is the first */
  readonly lastVisit: LastVisit | null
  /** own marks of earlier pictures after the trim, which a newer one of their view has replaced; the newest first */
  readonly earlier: readonly PictureMarks[]
  /** what a gauge has said of this dog's outline, at this visit and before */
  readonly skin: readonly SkinReading[]
  /** is a table camera to be asked for a picture? */
  readonly hasCamera: boolean
}

export type SaveMarks = {
  readonly version: number
  readonly seen: Seen
  readonly marks: PhotoMarks
  readonly regions: readonly RegionDeparture[]
}

const MOST_POINTS = 6000
/** More pictures of one view make a mean hardly surer. Chosen. */
export const MOST_AVERAGED = 4
/** A board has so many. */
const MOST_MARKERS = 6
const far = number()
  .required()
  .min(-20000, ({ path, value }) => `${path} is ${value}; it must be -20000 to 20000 px.`)
  .max(20000, ({ path, value }) => `${path} is ${value}; it must be -20000 to 20000 px.`)
const point = array().of(far).required().length(2)
const points = (most: number) => array().of(point).required().max(most)
const ends = array().of(point).required().length(2)
const mm = (label: string, low: number, high: number) =>
  number()
    .required(`${label} is missing.`)
    .min(low, ({ value }) => `${label} is ${value}; it must be ${low} to ${high} mm.`)
    .max(high, ({ value }) => `${label} is ${value}; it must be ${low} to ${high} mm.`)

const scale = object({
  what: chosen('What the scale is', SCALE_THINGS),
  upright: boolean().required(),
  ends,
  lengthMm: mm('Length of the scale', 1, 3000),
  behindMm: mm('How far behind the dog’s middle it stands', -500, 500),
  behindUMm: mm('How exactly that is known', 0, 500),
  cameraMm: mm('Distance of the camera', 300, 20000),
  endUPx: number().required().min(0).max(50),
  check: object({ ends, lengthMm: mm('Check length', 1, 3000) })
    .noUnknown()
    .nullable()
    .defined(),
  board: object({
    kind: chosen('The board', BOARD_KINDS),
    markers: array()
      .of(object({ id: number().required().integer().min(0).max(11), corners: array().of(point).required().length(4) }).noUnknown())
      .required()
      .min(
        LEAST_MARKERS,
        ({ value }) => `Markers of the board: ${(value as unknown[]).length}; it must be ${LEAST_MARKERS} to ${MOST_MARKERS}.`
      )
      .max(
        MOST_MARKERS,
        ({ value }) => `Markers of the board: ${(value as unknown[]).length}; it must be ${LEAST_MARKERS} to ${MOST_MARKERS}.`
      ),
    uPx: number().required().min(0).max(50),
    lineMm: mm('The line printed on the board', 20, 300)
  })
    .noUnknown()
    .nullable()
    .default(undefined)
}).noUnknown()

const byName = <T extends string>(allowed: readonly T[], of: unknown, what: string) =>
  lazy((value: unknown) => {
    const keys = Object.keys((value as object) ?? {}).slice(0, 200)
    const stray = keys.find((key) => !(allowed as readonly string[]).includes(key))
    return object(Object.fromEntries(keys.map((key) => [key, of as never])))
      .required()
      .test('known', `${what} “${String(stray).slice(0, 40)}” is not known.`, () => stray === undefined)
  })

const marks = object({
  scale: scale.nullable().defined(),
  corrections: object({
    backdrop: array()
      .of(object({ x: far, y: far, width: far, height: far }).noUnknown())
      .required()
      .max(60),
    strokes: array()
      .of(
        object({
          of: chosen('A stroke’s side', ['dog', 'backdrop'] as const),
          through: points(2000),
          radiusPx: number().required().min(0.5).max(500)
        }).noUnknown()
      )
      .required()
      .max(200),
    anchors: points(200),
    shape: object({ touches: ends, ring: points(MOST_POINTS) })
      .noUnknown()
      .nullable()
      .default(undefined)
  }).noUnknown(),
  outline: points(MOST_POINTS),
  edgeUPx: array().of(number().required().min(0).max(500)).required().max(MOST_POINTS),
  places: byName(
    PLACE_IDS,
    object({ at: point, uPx: number().required().min(0).max(500), touched: boolean().required(), agreed: boolean() }).noUnknown(),
    'A place'
  ),
  lines: byName(LINE_IDS, points(400), 'A line'),
  averaged: array()
    .of(uuid().required())
    .max(MOST_AVERAGED, () => `More than ${MOST_AVERAGED} earlier pictures cannot be averaged.`)
}).noUnknown()

/** Where a shape is expected in a picture, px: what is looked for is its edge. */
export type ShapeAsked = { readonly ring: readonly PhotoPoint[] }
const MOST_CORNERS = 600
export const shapeSchema = object({
  ring: points(MOST_CORNERS).min(
    8,
    ({ value }) => `The shape has ${(value as unknown[]).length} corners; it must have 8 to ${MOST_CORNERS}.`
  )
}).noUnknown()

export const marksSchema = object({
  version: number().required().integer().min(0),
  seen: chosen('View', SEEN),
  marks: marks.required(),
  regions: array()
    .of(
      object({
        region: mixed<string>()
          .required()
          .test('region', 'A region is not known.', (value) => typeof value === 'string' && isRegionId(value)),
        byMm: number().required().min(-500).max(500),
        overSkinMm: number().required().min(-500).max(500),
        uMm: number().required().min(0).max(500),
        n: number().required().integer().min(0).max(100000)
      }).noUnknown()
    )
    .required()
    .max(40)
}).noUnknown()
