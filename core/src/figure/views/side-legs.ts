// Legs of the profile as stops. A leg's line is half the skin's width plus what the hair stands.
import type { OutlineLandmark, Skeleton } from '../body'
import { faultOf, shapeOf, shapesOf, standing, type CoatTable, type FigureLayer, type Shape, type Stop } from '../coat'
import { along, lerp, smoothstep, type Point } from '../vec'
import { span, type Faults, type Side } from './side-span'

const FORE = ['fore', 'farFore']
const HIND = ['hind', 'farHind']

const sideways =
  (knots: readonly Point[]): Stop['end'] =>
  ([, y]) => [along(knots, y), y]

/** Share of a column's half width at the height above its lower end, as shares of its bevel. Our own figure kit. */
const BOTTOM_BEVEL: readonly Point[] = [
  [0, 0.55],
  [0.21, 0.78],
  [0.57, 0.95],
  [1, 1]
]

type Column = {
  readonly axis: number
  readonly half: number
  readonly bottom: number
  readonly top: number
  readonly bottomBevel: number
  readonly topBevel: number
  readonly bulge: number
}

/** A column's edge as knots of [height, x]; `sign` is the side of its axis. */
function edgeOf({ axis, half, bottom, top, bottomBevel, topBevel, bulge }: Column, sign: number): Point[] {
  const at = (y: number, share: number, more = 0): Point => [y, axis + sign * (half * share + more)]
  const middle = top - bottom
  return [
    ...(bottomBevel > 0 ? BOTTOM_BEVEL.map(([t, share]) => at(bottom + t * bottomBevel, share)) : [at(bottom, 1)]),
    ...(bulge ? [at(bottom + 0.3 * middle, 1, -0.7 * bulge), at(bottom + 0.6 * middle, 1, bulge), at(top - 1, 1, -0.2 * bulge)] : []),
    ...(topBevel > 0 ? [at(top - topBevel, 1), at(top - 0.4 * topBevel, 0.9), at(top, 0.66)] : [at(top, 1)])
  ]
}

export function foreColumn(
  side: Side,
  shape: Extract<Shape, { kind: 'cylinder' }>,
  all: readonly Shape[],
  table: CoatTable,
  faults: Faults
): Stop[] {
  const { marks: m, heightMm: h } = side.skeleton
  const axis = (m.frontPasternFront[0] + m.frontPasternBack[0]) / 2
  const line = bottomLine(all, faults)
  const isTube = faultOf(faults, 'tube') !== undefined
  const column: Column = {
    axis,
    half: columnSkinMm(side.skeleton) + (shape.hairMm ?? standing(table, 'foreleg')),
    bottom: line,
    top: shape.topMm ?? m.elbow[1] * 0.9,
    bottomBevel: isTube ? 0 : shape.bottomBevelMm,
    topBevel: isTube ? 0 : (shape.topBevelMm ?? 0),
    bulge: faultOf(faults, 'legBulge')?.mm ?? 0
  }
  const clear = above(line)
  const hold = (from: OutlineLandmark, to: OutlineLandmark, a: number, b: number): Stop['hold'] => {
    const own = span(side, from, to, a, b)
    return (layer, k) => own(layer, k) * clear(layer, k)
  }
  return [
    { layers: FORE, moves: 'inProportion', hold: hold('elbow', 'frontPad', 0.1 * h, 0.01 * h), end: sideways(edgeOf(column, 1)) },
    { layers: FORE, moves: 'inProportion', hold: hold('frontToe', 'forearmTop', 0.01 * h, 0.09 * h), end: sideways(edgeOf(column, -1)) }
  ]
}

/** Height at which a column begins: the foot line, where one is clipped. */
function bottomLine(all: readonly Shape[], faults: Faults): number {
  const line = shapeOf(all, 'footLine')
  return line ? line.heightMm + (faultOf(faults, 'footLine')?.mm ?? 0) : 0
}

const above =
  (lineMm: number): Stop['hold'] =>
  (layer: FigureLayer, k: number) =>
    lineMm <= 0 ? 1 : smoothstep(lineMm - 3, lineMm + 2, layer.P[2 * k + 1]!)

/** Half the skin's width at the fore pastern, mm: a column stands this far from its axis before any hair. */
export function columnSkinMm({ marks }: Skeleton): number {
  return (marks.frontPasternBack[0] - marks.frontPasternFront[0]) / 2
}

export function rearColumn(
  side: Side,
  shape: Extract<Shape, { kind: 'cylinder' }>,
  all: readonly Shape[],
  table: CoatTable,
  faults: Faults
): Stop[] {
  const { marks: m, heightMm: h } = side.skeleton
  const axis = (m.rearPasternFront[0] + m.rearPasternBack[0]) / 2
  const half = (m.rearPasternBack[0] - m.rearPasternFront[0]) / 2 + (shape.hairMm ?? standing(table, 'rearPastern'))
  const hock = m.hockPoint[1]
  const bottom = bottomLine(all, faults)
  const isTube = faultOf(faults, 'tube') !== undefined
  const bulge = faultOf(faults, 'legBulge')?.mm ?? 0
  const column: Column = {
    axis,
    half,
    bottom,
    top: shape.topMm ?? hock,
    bottomBevel: isTube ? 0 : shape.bottomBevelMm,
    topBevel: isTube ? 0 : (shape.topBevelMm ?? 0),
    bulge: bulge * 0.7
  }
  const back = edgeOf(column, 1)
  const front = edgeOf(shape.topMm === undefined ? { ...column, top: hock * 0.8 } : column, -1)
  const triangle = shapeOf(all, 'triangle')
  const above80: Point = [hock * 0.8, axis - half * 1.04]
  const slanted: Point[] = triangle
    ? [
        ...front.filter(([y]) => y < hock * 0.79),
        above80,
        [lerp(hock, m.gaskinFront[1], 0.45), lerp(axis - half * 1.04, m.gaskinFront[0], 0.45)],
        [m.gaskinFront[1], m.gaskinFront[0] - triangle.hairMm],
        [m.stifle[1], m.stifle[0] - triangle.hairMm * 0.82]
      ]
    : front
  const clear = above(bottom)
  const hold = (from: OutlineLandmark, to: OutlineLandmark, a: number, b: number): Stop['hold'] => {
    const own = span(side, from, to, a, b)
    return (layer, k) => own(layer, k) * clear(layer, k)
  }
  return [
    { layers: HIND, moves: 'inProportion', hold: hold('hockPoint', 'rearPad', 0.06 * h, 0.01 * h), end: sideways(back) },
    {
      layers: HIND,
      moves: 'inProportion',
      hold: hold('rearToe', triangle ? 'stifle' : 'hockFront', 0.01 * h, 0.07 * h),
      end: sideways(slanted)
    }
  ]
}

export function foreFeather(side: Side, shape: Extract<Shape, { kind: 'feather' }>): Stop[] {
  const { marks: m, heightMm: h } = side.skeleton
  const back = (m.frontPasternBack[0] + m.forearmBack[0]) / 2
  const knots: Point[] = [
    [0, back + shape.footMm * 0.5],
    [0.03 * h, back + shape.footMm],
    [0.12 * h, back + lerp(shape.footMm, shape.topMm, 0.7)],
    [m.elbow[1] * 0.8, back + shape.topMm]
  ]
  return [{ layers: FORE, moves: 'inProportion', hold: span(side, 'elbow', 'frontHeel', 0.06 * h, 0.02 * h), end: sideways(knots) }]
}

export function filledThigh(side: Side, shape: Extract<Shape, { kind: 'filledThigh' }>, all: readonly Shape[], table: CoatTable): Stop[] {
  const { marks: m, heightMm: h } = side.skeleton
  const column = shapesOf(all, 'cylinder').find(({ limb }) => limb === 'rear')
  const axis = (m.rearPasternFront[0] + m.rearPasternBack[0]) / 2
  const half = (m.rearPasternBack[0] - m.rearPasternFront[0]) / 2 + (column?.hairMm ?? standing(table, 'rearPastern'))
  const hock = m.hockPoint[1]
  const back: Point[] = [
    [hock, axis + half],
    [hock + 0.07 * h, lerp(axis + half, m.gaskinBack[0] + shape.gaskinMm, 0.55)],
    [m.gaskinBack[1] + 0.06 * h, m.gaskinBack[0] + shape.gaskinMm],
    [m.backThigh[1], m.backThigh[0] + shape.thighMm],
    [m.buttock[1], m.buttock[0] + shape.buttockMm]
  ]
  const front: Point[] = [
    [hock * 0.9, axis - half],
    [m.gaskinFront[1], m.gaskinFront[0] - shape.frontMm],
    [m.stifle[1], m.stifle[0] - shape.frontMm * 0.9],
    [m.flank[1], m.flank[0] - shape.frontMm * 0.2]
  ]
  const ease = 0.06 * h
  return [
    { layers: [...HIND, 'body'], moves: 'inProportion', hold: span(side, 'buttock', 'hockPoint', ease, ease), end: sideways(back) },
    { layers: HIND, moves: 'inProportion', hold: span(side, 'hockFront', 'flank', ease, ease), end: sideways(front) }
  ]
}
