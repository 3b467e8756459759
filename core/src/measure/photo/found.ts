// What a photograph comes to: every measure that is asked, with its uncertainty, or why it cannot be told.
import { CoreError } from '../../error'
import { crossesItself } from '../fit/overlap'
import { simulate } from '../fit/simulate'
import { keysIn, linesFor, measureSpec, type MeasureKey, type PictureUnit } from './catalogue'
import { sideSeen, toMm } from './frame'
import { randomFrom, type Random } from '../../stats'
import type { MeasureId } from '../../terms'
import { LEAST_LINE_POINTS, LINES, PLACES } from './places'
import { drawnTrace, traceOf, type Reading, type Trace } from './trace'

export type PictureMeasure = MeasureKey & {
  readonly name: string
  readonly from: 'outline' | 'line' | 'landmarks'
  readonly unit: PictureUnit
  readonly value: number
  readonly u: number
  readonly interval: readonly [number, number]
  /** part of u that every measure of this picture shares by its scale */
  readonly common: number
}

export type Untold = MeasureKey & { readonly name: string; readonly why: string }
export type PhotoFound = {
  readonly method: string
  readonly measures: readonly PictureMeasure[]
  readonly untold: readonly Untold[]
  /** how far a head is turned to its own left, degrees; null for a profile */
  readonly yaw: { readonly deg: number; readonly u: number } | null
  /** why nothing of the picture may be told, in a sentence; null where it may */
  readonly refused: string | null
}

/** A head that is turned farther is photographed again. The design's. */
export const MOST_YAW_DEG = 3
/** Draws of everything at once: u then repeats within about 3 %. Chosen. */
export const PHOTO_DRAWS = 500
/** Where exactly a coat ends is a question of single hairs: the largest departure of an outline is no surer than this, mm. Chosen on drawn dogs. */
const LARGEST_U_MM = 0.3
/** The outline is walked in steps of this while everything is drawn, mm. Chosen: half of what an edge is told over. */
const STEP_MM = 2

/**
 * Measures a photograph. Everything it is taken from is drawn together: scale, plumb, depths, places, lines and edge.
 * Where a measure is the largest of many departures, what the readings alone scatter by is taken off (bootstrap bias,
 * Efron & Tibshirani 1993, 10.3).
 * @param ids what is asked; what does not belong to this view is left out
 * Source: JCGM 101:2008, seeded.
 */
export function measurePhoto(reading: Reading, ids: readonly MeasureId[], seed: number, n: number = PHOTO_DRAWS): PhotoFound {
  const keys = ids.flatMap((id) => keysIn(reading.frame.seen, id))
  const method = `${n} joint draws, seeded`
  const coarse = coarser(reading)
  const best = traceOf(coarse)
  const wrong = wrongIn(reading, best)
  if (wrong) return { method, measures: [], untold: [], yaw: null, refused: wrong }
  const yaw = reading.frame.seen === 'head' && best.places.nose ? yawOf(coarse, best, seed) : null
  if (yaw && Math.abs(yaw.deg) > MOST_YAW_DEG) {
    const way = yaw.deg > 0 ? 'left' : 'right'
    const refused = `The head is turned ${yaw.deg.toFixed(1).replace('-', '')} degrees to its own ${way}; up to ${MOST_YAW_DEG} degrees can be measured. Take another picture with the nose in line with the middle of the face.`
    return { method, measures: [], untold: [], yaw, refused }
  }
  const untold: Untold[] = []
  const told: MeasureKey[] = []
  const values: Record<string, number> = {}
  for (const key of keys) {
    const why = whyNot(reading, key) ?? attempt(best, key)
    if (typeof why === 'string') untold.push({ ...key, name: measureSpec(key.id).name, why })
    else {
      told.push(key)
      values[nameOf(key)] = why
    }
  }
  if (told.length === 0) return { method, measures: [], untold, yaw, refused: null }
  const sure = surely(coarse, told, seed, n)
  untold.push(...told.filter((key) => !sure.includes(key)).map((key) => ({ ...key, name: measureSpec(key.id).name, why: UNSURE })))
  if (sure.length === 0) return { method, measures: [], untold, yaw, refused: null }
  const asRead = Object.fromEntries(sure.map((key) => [nameOf(key), values[nameOf(key)]!]))
  const drawn = simulate(asRead, (random) => drawAll(coarse, sure, random), { seed, n })
  const measures = sure.map((key): PictureMeasure => {
    const { name, from, unit, largest, moreU = 0 } = measureSpec(key.id)
    const { value, u, interval, mean } = drawn[nameOf(key)]!
    const off = largest ? Math.min(value, Math.max(0, mean - value)) : 0
    const common = unit === 'mm' ? Math.abs(value - off) * reading.frame.u01 : 0
    return {
      ...key,
      name,
      from,
      unit,
      value: value - off,
      u: Math.hypot(u, off / 2, moreU, largest && from === 'outline' ? LARGEST_U_MM : 0),
      interval: [interval[0] - off, interval[1] - off],
      common
    }
  })
  return { method, measures, untold, yaw, refused: null }
}

/** A measure that cannot be told in this share of draws says nothing, and must not take the others with it. Chosen. */
const UNSURE_01 = 0.2
/** So many draws tell which those are. Chosen. */
const FEW_DRAWS = 40
const UNSURE = 'Its points are not known surely enough: set them by hand.'

/** Every measure in one draw; null where one of them cannot be told. */
function drawAll(reading: Reading, keys: readonly MeasureKey[], random: Random): Readonly<Record<string, number>> | null {
  try {
    const trace = drawnTrace(reading, random)
    return Object.fromEntries(keys.map((key) => [nameOf(key), valueOf(trace, key)]))
  } catch (error) {
    if (error instanceof CoreError) return null
    throw error
  }
}

/** Those measures that can be told in nearly every draw; draws of their own, so that what is drawn afterwards stays what it was. */
function surely(reading: Reading, keys: readonly MeasureKey[], seed: number, n: number): readonly MeasureKey[] {
  const random = randomFrom(seed + 1)
  const few = Math.min(FEW_DRAWS, n)
  const failed = new Map(keys.map((key) => [key, 0]))
  for (let i = 0; i < few; i++) {
    const trace = drawnTrace(reading, random)
    for (const key of keys) if (typeof attempt(trace, key) === 'string') failed.set(key, failed.get(key)! + 1)
  }
  return keys.filter((key) => failed.get(key)! <= UNSURE_01 * few)
}

const nameOf = ({ id, side }: MeasureKey) => `${id}.${side}`

function valueOf(trace: Trace, { id, side }: MeasureKey): number {
  const value = measureSpec(id).of(trace, side === 'right' ? 'right' : 'left')
  if (!Number.isFinite(value)) throw new CoreError({ code: 'nothingThere', path: id, got: 'nothing', limit: measureSpec(id).name })
  return value
}

function attempt(trace: Trace, key: MeasureKey): number | string {
  try {
    return valueOf(trace, key)
  } catch (error) {
    if (error instanceof CoreError) return `It cannot be measured here: ${error.message}`
    throw error
  }
}

function whyNot({ frame, places, lines }: Reading, key: MeasureKey): string | null {
  const spec = measureSpec(key.id)
  if (!frame.hasScale && spec.unit === 'mm') return 'There is no scale in the picture, so only ratios, angles and shapes can be measured.'
  const line = linesFor(key).find((id) => (lines[id]?.length ?? 0) < LEAST_LINE_POINTS)
  if (line) return `Draw first: ${LINES[line].name} (${LEAST_LINE_POINTS} points or more, ${lines[line]?.length ?? 0} so far).`
  const place = spec.places.find((id) => !places[id])
  return place ? `Place first: ${PLACES[place].name}.` : null
}

function yawOf(reading: Reading, best: Trace, seed: number): { readonly deg: number; readonly u: number } {
  const drawn = simulate({ yaw: best.yawDeg }, (random) => ({ yaw: drawnTrace({ ...reading, outline: [], edgeUPx: [] }, random).yawDeg }), {
    seed,
    n: 400
  })
  return { deg: best.yawDeg, u: drawn.yaw.u }
}

/** What makes a reading plainly wrong, in a sentence. */
function wrongIn(reading: Reading, trace: Trace): string | null {
  const { seen, places } = trace
  const { eyeLeft, eyeRight, nose, withers, tailSet, noseTip } = places
  if (crossesItself(reading.outline)) return 'The outline crosses itself: undo the last anchor, or paint that spot with the brush.'
  if (seen === 'head') {
    if (eyeLeft && eyeRight && eyeLeft[0] <= eyeRight[0])
      return 'The eyes are swapped: the dog’s own left eye is on the right of the picture.'
    if (eyeLeft && nose && nose[1] <= eyeLeft[1])
      return 'The nose is above the eyes: the picture is upside down, or the points are swapped.'
    return null
  }
  const side = sideSeen(seen)
  if (!side) return wrongAround(trace)
  const wrong = side === 'left' ? 'right' : 'left'
  if ((withers && tailSet && withers[0] >= tailSet[0]) || (noseTip && withers && noseTip[0] >= withers[0]))
    return `This dog faces ${wrong}, but its ${side} profile should face ${side}: it is the other profile, or points are swapped.`
  return null
}

/** From the front the dog's left is on the right, from the rear on the left; from above its head is on the left. */
function wrongAround({ seen, places }: Trace): string | null {
  const { foreLeftOut, foreRightOut, hindLeftOut, hindRightOut, spineWithers, spineTail, shoulderLeft, shoulderRight } = places
  if (foreLeftOut && foreRightOut && foreLeftOut[0] <= foreRightOut[0])
    return 'The forelegs are swapped: from the front, the dog’s own left leg is on the right of the picture.'
  if (hindLeftOut && hindRightOut && hindLeftOut[0] >= hindRightOut[0])
    return 'The hind legs are swapped: from behind, the dog’s own left leg is on the left of the picture.'
  if (seen !== 'above') return null
  if (
    (spineWithers && spineTail && spineWithers[0] >= spineTail[0]) ||
    (shoulderLeft && shoulderRight && shoulderLeft[1] <= shoulderRight[1])
  )
    return 'From above, the head should be on the left of the picture: turn the picture, or points are swapped.'
  return null
}

/** Places of the outline at even steps of mm: enough for a measure, and fast enough to be drawn hundreds of times. */
function coarser(reading: Reading): Reading {
  const { outline, edgeUPx, frame } = reading
  if (outline.length < 3) return reading
  const first = toMm(frame, outline[0]!)
  const second = toMm(frame, outline[1]!)
  const step = Math.hypot(second[0] - first[0], second[1] - first[1])
  const every = Math.max(1, Math.round(STEP_MM / (step || 1)))
  if (!frame.hasScale || every === 1) return reading
  const kept = (_: unknown, i: number) => i % every === 0
  return { ...reading, outline: outline.filter(kept), edgeUPx: edgeUPx.filter(kept) }
}
