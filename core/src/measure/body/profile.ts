// The dog from the side, in the measuring plane: millimetres, y down as in a picture.
import { Matrix, solve } from 'ml-matrix'
import { CoreError } from '../../error'
import { fitLine } from '../fit/line'
import type { PhotoPoint } from '../types'

/** Where a drawn line leaves its chord most: rises (toward the picture's top) and dips; `along01` from its first end, 0 to 1. */
export type Chord = {
  readonly lengthMm: number
  readonly rise: { readonly byMm: number; readonly along01: number }
  readonly dip: { readonly byMm: number; readonly along01: number }
}

const LEAST_LINE = 5

function checkLine(line: readonly PhotoPoint[], path: string): void {
  if (line.length < LEAST_LINE)
    throw new CoreError({ code: 'tooFew', path, got: line.length, limit: `a drawn line of ${LEAST_LINE} points or more` })
}

/**
 * The topline: the largest rise and dip of a drawn line against the chord from the withers to the tail.
 * @param line five points or more from the withers to the tail, mm; what lies beyond the chord's ends is left out
 * @throws CoreError `tooFew`, `oneSpot` where withers and tail are one place
 * Source: common practice, no published source (a level topline is judged against the line from withers to tail set)
 */
export function topline(line: readonly PhotoPoint[], withers: PhotoPoint, tailSet: PhotoPoint): Chord {
  checkLine(line, 'topline')
  const [dx, dy] = [tailSet[0] - withers[0], tailSet[1] - withers[1]]
  const lengthMm = Math.hypot(dx, dy)
  if (lengthMm === 0) throw new CoreError({ code: 'oneSpot', path: 'tailSet', got: 'the withers', limit: 'another place than the withers' })
  // up is the side of the smaller y, whichever way the dog faces
  const up = dx >= 0 ? 1 : -1
  let rise = { byMm: 0, along01: 0 }
  let dip = { byMm: 0, along01: 0 }
  for (const [x, y] of line) {
    const along01 = ((x - withers[0]) * dx + (y - withers[1]) * dy) / lengthMm ** 2
    if (along01 < 0 || along01 > 1) continue
    const above = (up * ((x - withers[0]) * dy - (y - withers[1]) * dx)) / lengthMm
    if (above > rise.byMm) rise = { byMm: above, along01 }
    if (-above > dip.byMm) dip = { byMm: -above, along01 }
  }
  return { lengthMm, rise, dip }
}

/** A line that should be straight (skirt, foot line, topline): how it runs and by how much it is not. */
export type Straightness = {
  /** degrees that it falls toward the tail, less than 0 where it rises; the dog may face either way */
  readonly slopeDeg: number
  /** largest departure on either side, mm */
  readonly offMm: number
  readonly rms: number
}

/** @throws CoreError `tooFew` under five points, `oneSpot` */
export function straightness(line: readonly PhotoPoint[], faces: 'left' | 'right'): Straightness {
  checkLine(line, 'line')
  const { direction, most, rms } = fitLine(line)
  const [dx, dy] = direction[0] >= 0 ? direction : [-direction[0], -direction[1]]
  const toRight = (Math.atan2(dy, dx) * 180) / Math.PI
  return { slopeDeg: faces === 'left' ? toRight : -toRight, offMm: Math.max(most.above.byMm, most.below.byMm), rms }
}

/** A foot line against the ankle: how far each point of it stands above the joint, mm (less than 0 below), and its tilt. */
export type FootLine = { readonly aboveMm: readonly number[]; readonly mean: number; readonly tiltDeg: number }

/**
 * Heights of a foot line above the bend of the foot. Too high looks like short trousers.
 * @throws CoreError `tooFew` under two points
 * Source: common practice, no published source (the line lies at the ankle joint, level all round)
 */
export function footLine(line: readonly PhotoPoint[], ankle: PhotoPoint): FootLine {
  const { direction } = fitLine(line)
  const aboveMm = line.map(([, y]) => ankle[1] - y)
  const [dx, dy] = direction[0] >= 0 ? direction : [-direction[0], -direction[1]]
  return { aboveMm, mean: aboveMm.reduce((sum, mm) => sum + mm, 0) / aboveMm.length, tiltDeg: (Math.atan2(-dy, dx) * 180) / Math.PI }
}

/** The angle at a joint between two others, degrees 0 to 180: the layback at the shoulder, a bevel. */
export function angleAt(joint: PhotoPoint, one: PhotoPoint, other: PhotoPoint): number {
  const [ax, ay, bx, by] = [one[0] - joint[0], one[1] - joint[1], other[0] - joint[0], other[1] - joint[1]]
  if (Math.hypot(ax, ay) === 0 || Math.hypot(bx, by) === 0)
    throw new CoreError({ code: 'oneSpot', path: 'joint', got: 'one of its ends', limit: 'three different places' })
  return (Math.atan2(Math.abs(ax * by - ay * bx), ax * bx + ay * by) * 180) / Math.PI
}

/**
 * The largest step of a line that may bend: a parabola along it that jumps once, where a jump explains most. A bend is no step.
 * @param line five points or more, mm
 * @returns the size of the jump, mm, 0 or more
 * @throws CoreError `tooFew`, `oneSpot`
 * Source: least squares with one change point, over every place between two points; checked against exact cases
 */
export function largestStep(line: readonly PhotoPoint[]): number {
  checkLine(line, 'line')
  const { centre, direction } = fitLine(line)
  const [ux, uy] = direction
  const points = line
    .map(([x, y]) => [(x - centre[0]) * ux + (y - centre[1]) * uy, (y - centre[1]) * ux - (x - centre[0]) * uy] as const)
    .sort((a, b) => a[0] - b[0])
  const reach = Math.max(...points.map(([along]) => Math.abs(along))) || 1
  const off = Matrix.columnVector(points.map(([, across]) => across))
  let [least, step] = [Infinity, 0]
  for (let from = 2; from <= points.length - 2; from++) {
    const terms = new Matrix(points.map(([along], i) => [1, along / reach, (along / reach) ** 2, i >= from ? 1 : 0]))
    // by singular values: points on one spot leave the terms short of rank
    const found = solve(terms, off, true)
    const left = Matrix.sub(off, terms.mmul(found)).norm('frobenius')
    if (left < least) [least, step] = [left, Math.abs(found.get(3, 0))]
  }
  return step
}
