// What a photograph was read as, in millimetres: one reading, or one draw of all that may be otherwise.
import { CoreError } from '../../error'
import { normalDraw, type Random } from '../../stats'
import type { PhotoPoint } from '../types'
import { mmBy, nearer, toMm, type Frame } from './frame'
import { LINES, PLACES, type LineId, type PhotoPlace } from './places'

export type PlacedPoint = { readonly at: PhotoPoint; /** standard uncertainty either way, px */ readonly uPx: number }

/** mm with its standard uncertainty */
type Depth = { readonly mm: number; readonly u: number }
/** How far what is measured lies before the plane of the scale; seen from above, the neck and the back lie nearer than the ribs' widest, and from the rear the tail's root farther than the thighs. */
export type Depths = Readonly<Record<'edge' | 'nose' | 'leg', Depth>> & { readonly neck?: Depth; readonly back?: Depth }

/** A photograph as it was read: all in px of the picture. */
export type Reading = {
  readonly frame: Frame
  readonly depths: Depths
  readonly outline: readonly PhotoPoint[]
  /** of each place of the outline across the edge, px */
  readonly edgeUPx: readonly number[]
  readonly places: Readonly<Partial<Record<PhotoPlace, PlacedPoint>>>
  readonly lines: Readonly<Partial<Record<LineId, readonly PhotoPoint[]>>>
}

/** The same in the measuring plane, mm; a profile faces left. */
export type Trace = {
  readonly seen: Frame['seen']
  readonly hasScale: boolean
  readonly outline: readonly PhotoPoint[]
  readonly places: Readonly<Partial<Record<PhotoPlace, PhotoPoint>>>
  readonly lines: Readonly<Partial<Record<LineId, readonly PhotoPoint[]>>>
  /** how far a head is turned to its own left, degrees; 0 for a profile, or where it cannot be told */
  readonly yawDeg: number
  /** a millimetre of the outline is so many at the neck, which lies nearer to a camera above; 1 from anywhere else */
  readonly neckScale: number
}

/** What a person has marked on a photograph; a place that is only proposed is not touched. */
export type Marked = Pick<Reading, 'outline' | 'edgeUPx' | 'lines'> & {
  readonly places: Readonly<Partial<Record<PhotoPlace, PlacedPoint & { readonly touched: boolean }>>>
}

/** The reading of what is marked: a place counts once a person has put it there or agreed to it (decision 0029). */
export function readingOf({ outline, edgeUPx, places, lines }: Marked, frame: Frame, depths: Depths): Reading {
  const touched = Object.fromEntries(Object.entries(places).filter(([, place]) => place.touched))
  return { frame, depths, outline, edgeUPx, places: touched, lines }
}

/** A line's points are put there by a finger under a magnifier, mm. Chosen. */
export const LINE_U_MM = 0.7
/** Where a coat ends is one question for the whole outline, mm. Chosen on drawn pictures. */
const EDGE_COMMON_MM = 0.4
/** Along an outline edges are alike over about this, mm. Chosen: a comb's width. */
const EDGE_REACH_MM = 10

/** What is read, as it is. */
export function traceOf(reading: Reading): Trace {
  return traced(reading, null)
}

/** One draw of everything at once: scale, plumb, depths, every place, the edge. Errors that are shared stay shared. */
export function drawnTrace(reading: Reading, random: Random): Trace {
  return traced(reading, random)
}

function traced(reading: Reading, random: Random | null): Trace {
  const draw = () => (random ? normalDraw(random) : 0)
  const { frame, depths } = reading
  const scale = 1 + frame.u01 * draw()
  const { pitch, yaw, pitchU, yawU } = frame.tilt
  const turned: Frame = {
    ...frame,
    pxPerMm: frame.pxPerMm * scale,
    turn: frame.turn + frame.turnU * draw(),
    tilt: { ...frame.tilt, pitch: pitch + pitchU * draw(), yaw: yaw + yawU * draw() }
  }
  const deep = {
    edge: depths.edge.mm + depths.edge.u * draw(),
    nose: depths.nose.mm + depths.nose.u * draw(),
    leg: depths.leg.mm + depths.leg.u * draw(),
    // drawn last and only where there is one: what else is drawn for a seed stays
    neck: depths.neck ? depths.neck.mm + depths.neck.u * draw() : 0,
    back: depths.back ? depths.back.mm + depths.back.u * draw() : 0
  }
  const places: Partial<Record<PhotoPlace, PhotoPoint>> = {}
  for (const [id, { at, uPx }] of Object.entries(reading.places) as [PhotoPlace, PlacedPoint][]) {
    const { depth } = PLACES[id]
    // a neck is read against the outline, and made smaller as one by what measures it
    const depthMm = depth === 'neck' ? deep.edge : depth ? deep[depth] : 0
    places[id] = toMm(turned, [at[0] + uPx * draw(), at[1] + uPx * draw()], depthMm)
  }
  const lines: Partial<Record<LineId, readonly PhotoPoint[]>> = {}
  for (const [id, points] of Object.entries(reading.lines) as [LineId, readonly PhotoPoint[]][]) {
    const u = LINE_U_MM * (frame.hasScale ? frame.pxPerMm : 1)
    const { depth } = LINES[id]
    lines[id] = points.map(([x, y]) => toMm(turned, [x + u * draw(), y + u * draw()], depth ? deep[depth] : 0))
  }
  const yawDeg = frame.seen === 'head' ? yawFrom(places, deep.nose) : 0
  const ring = random ? jittered(reading, random) : reading.outline
  const swing = frame.seen === 'head' ? deep.edge * Math.sin((yawDeg * Math.PI) / 180) : 0
  const [ax, ay] = acrossFace(places)
  // a head turned to its left carries what lies behind the eyes to its right: it is laid back
  const edgeMm = mmBy(turned, deep.edge)
  const outline = ring.map((point): PhotoPoint => {
    const [x, y] = edgeMm(point)
    return [x - ax * swing, y - ay * swing]
  })
  const neckScale = depths.neck ? nearer(frame, deep.neck) / nearer(frame, deep.edge) : 1
  return { seen: frame.seen, hasScale: frame.hasScale, outline, places, lines, yawDeg, neckScale }
}

/** One long, from the dog's right eye to its left: to the right of the picture. */
function acrossFace({ eyeLeft, eyeRight }: Trace['places']): PhotoPoint {
  if (!eyeLeft || !eyeRight) return [1, 0]
  const size = Math.hypot(eyeLeft[0] - eyeRight[0], eyeLeft[1] - eyeRight[1]) || 1
  return [(eyeLeft[0] - eyeRight[0]) / size, (eyeLeft[1] - eyeRight[1]) / size]
}

/**
 * How far a head is turned to its own left, degrees: the nose stands before the eyes, so a turn carries it aside.
 * Source: geometry; 0 where eyes, nose or their depth are not known.
 */
export function yawFrom(places: Trace['places'], noseBeforeEyesMm: number): number {
  const { eyeLeft, eyeRight, nose } = places
  if (!eyeLeft || !eyeRight || !nose || !(noseBeforeEyesMm > 0)) return 0
  const [ax, ay] = acrossFace(places)
  const aside = (nose[0] - (eyeLeft[0] + eyeRight[0]) / 2) * ax + (nose[1] - (eyeLeft[1] + eyeRight[1]) / 2) * ay
  return (Math.asin(Math.max(-1, Math.min(1, aside / noseBeforeEyesMm))) * 180) / Math.PI
}

/** The outline with its edge drawn: common to all of it, and alike over a stretch. */
function jittered({ outline, edgeUPx, frame }: Reading, random: Random): PhotoPoint[] {
  const n = outline.length
  const common = EDGE_COMMON_MM * (frame.hasScale ? frame.pxPerMm : 1) * normalDraw(random)
  const step = n > 1 ? Math.hypot(outline[1]![0] - outline[0]![0], outline[1]![1] - outline[0]![1]) / frame.pxPerMm : 1
  const keep = Math.exp(-Math.max(0.05, step) / EDGE_REACH_MM)
  const fresh = Math.sqrt(1 - keep * keep)
  let own = normalDraw(random)
  return outline.map(([x, y], i) => {
    own = keep * own + fresh * normalDraw(random)
    const [a, b] = [outline[(i - 1 + n) % n], outline[(i + 1) % n]]
    const size = Math.hypot(b![0] - a![0], b![1] - a![1]) || 1
    const off = common + edgeUPx[i]! * own
    return [x + ((b![1] - a![1]) / size) * off, y - ((b![0] - a![0]) / size) * off]
  })
}

/** A place that a measure needs. @throws CoreError `missingPlace` */
export function placeIn(trace: Trace, id: PhotoPlace): PhotoPoint {
  const found = trace.places[id]
  if (!found) throw new CoreError({ code: 'missingPlace', path: id, got: 'nothing', limit: PLACES[id].name })
  return found
}
export function lineIn(trace: Trace, id: LineId): readonly PhotoPoint[] {
  const found = trace.lines[id]
  if (!found) throw new CoreError({ code: 'missingLine', path: id, got: 'nothing', limit: LINES[id].name })
  return found
}
