// How a measure is drawn on its photograph: what it was taken from, what it was held against, and where it departs.
import { linesAround } from '../around/draw'
import { edgeBetween } from '../body/curves'
import { topline } from '../body/profile'
import { fitLine } from '../fit/line'
import { radiusAt } from '../fit/ring'
import type { PhotoPoint } from '../types'
import { linesFor, measureSpec, type MeasureKey } from './catalogue'
import { toPx } from './frame'
import { frontHeadOf, roundOf } from './head-measures'
import { LINES } from './places'
import { placeIn, type Reading, type Trace } from './trace'

/** All in px of the picture. `fit` is what is held against, `taken` what it is taken from, `off` where it departs most. */
export type Drawn =
  | { readonly kind: 'circle'; readonly role: 'fit'; readonly centre: PhotoPoint; readonly radius: number }
  | { readonly kind: 'line'; readonly role: 'fit' | 'taken' | 'off' | 'mirror'; readonly points: readonly PhotoPoint[] }

/** The drawing of one measure; empty where it is only places. */
export function drawMeasure(key: MeasureKey, trace: Trace, reading: Reading): readonly Drawn[] {
  const { edge } = reading.depths
  const px = (point: PhotoPoint) => toPx(reading.frame, point, edge.mm)
  const line = (role: 'fit' | 'taken' | 'off' | 'mirror', points: readonly PhotoPoint[]): Drawn => ({
    kind: 'line',
    role,
    points: points.map(px)
  })
  const around = linesAround(key, trace)
  if (around) return around.map(({ role, points }) => line(role, points))
  switch (key.id) {
    case 'headCircle':
      return drawCircle(trace, px, reading)
    case 'headTop': {
      const { betweenEyes } = frontHeadOf(trace)
      const top = trace.outline.reduce(
        (best, point) => (Math.abs(point[0] - betweenEyes[0]) < 3 && point[1] < best[1] ? point : best),
        betweenEyes
      )
      return [...drawReference(trace, line), line('off', [betweenEyes, top])]
    }
    case 'headPair':
    case 'headSides':
      return [...drawReference(trace, line), line('mirror', mirrored(trace)), ...drawProuder(trace, key.id, line)]
    case 'topline': {
      const [a, b] = [placeIn(trace, 'withers'), placeIn(trace, 'tailSet')]
      const edgeLine = edgeBetween(trace.outline, a, b)
      const { rise, dip } = topline(edgeLine, a, b)
      return [
        line('fit', [a, b]),
        line('taken', edgeLine),
        ...drawDrop(edgeLine, a, b, dip.byMm > rise.byMm ? dip.along01 : rise.along01, line)
      ]
    }
    case 'skirtLine':
    case 'skirtSlope':
    case 'skirtLevel': {
      const edgeLine = edgeBetween(trace.outline, placeIn(trace, 'elbow'), placeIn(trace, 'tuckUp'))
      return [line('taken', edgeLine), line('fit', key.id === 'skirtLevel' ? levelOf(edgeLine) : straightOf(edgeLine))]
    }
    default: {
      const lines = linesFor(key).flatMap((id) => {
        const own = trace.lines[id]
        if (!own || own.length < 2) return []
        if (LINES[id].closed) return [line('taken', [...own, own[0]!])]
        // a step is told against the bend of the line itself, not against a straight one
        return key.id === 'headSide' ? [line('taken', own)] : [line('taken', own), line('fit', straightOf(own))]
      })
      const { places } = measureSpec(key.id)
      const known = places.flatMap((id) => (trace.places[id] ? [trace.places[id]] : []))
      // distances are drawn two by two, as they are taken
      const pairs =
        key.id === 'layback' ? [known] : known.length % 2 === 0 ? known.flatMap((p, i) => (i % 2 ? [] : [[p, known[i + 1]!]])) : [known]
      return lines.length > 0 ? lines : pairs.filter((pair) => pair.length > 1).map((pair) => line('taken', pair))
    }
  }
}

type ToLine = (role: 'fit' | 'taken' | 'off' | 'mirror', points: readonly PhotoPoint[]) => Drawn

function drawCircle(trace: Trace, px: (point: PhotoPoint) => PhotoPoint, reading: Reading): readonly Drawn[] {
  const { circle, most } = roundOf(trace)
  const { betweenEyes } = frontHeadOf(trace)
  const centre = px(circle.centre)
  const rim = px([circle.centre[0] + circle.radius, circle.centre[1]])
  const angle = (most.hour / 12) * 2 * Math.PI
  const reach = Math.hypot(circle.centre[0] - betweenEyes[0], circle.centre[1] - betweenEyes[1])
  const outward = (mm: number): PhotoPoint => [circle.centre[0] + Math.sin(angle) * mm, circle.centre[1] - Math.cos(angle) * mm]
  return [
    { kind: 'circle', role: 'fit', centre, radius: Math.hypot(rim[0] - centre[0], rim[1] - centre[1]) },
    ...drawReference(trace, (role, points) => ({ kind: 'line', role, points: points.map((point) => toPx(reading.frame, point)) })),
    { kind: 'line', role: 'off', points: [px(outward(circle.radius)), px(outward(circle.radius + most.byMm))] },
    ...(reach > 1 ? [{ kind: 'line', role: 'taken', points: [px(betweenEyes), centre] } as const] : [])
  ]
}

/** The two lines that a head is read by: through the eyes, and down the middle of the face. */
function drawReference(trace: Trace, line: ToLine): readonly Drawn[] {
  const { betweenEyes, midline } = frontHeadOf(trace)
  const [dx, dy] = [(midline[1][0] - betweenEyes[0]) / 100, (midline[1][1] - betweenEyes[1]) / 100]
  const at = (along: number, across: number): PhotoPoint => [
    betweenEyes[0] + dx * along + dy * across,
    betweenEyes[1] + dy * along - dx * across
  ]
  return [line('fit', [at(-110, 0), at(110, 0)]), line('fit', [at(0, -110), at(0, 110)])]
}

/** The prouder side, where it stands out most, by as much as is told. */
function drawProuder(trace: Trace, id: 'headPair' | 'headSides', line: ToLine): readonly Drawn[] {
  const { sides } = roundOf(trace)
  const told = id === 'headPair' ? sides?.cheeks : sides?.largest
  const { betweenEyes } = frontHeadOf(trace)
  const reach = told ? radiusAt(trace.outline, betweenEyes, told.hour) : null
  if (!told || reach === null) return []
  const angle = (told.hour / 12) * 2 * Math.PI
  const at = (mm: number): PhotoPoint => [betweenEyes[0] + Math.sin(angle) * mm, betweenEyes[1] - Math.cos(angle) * mm]
  return [line('off', [at(reach - Math.abs(told.byMm)), at(reach)])]
}

/** The head laid on its other side. */
function mirrored(trace: Trace): PhotoPoint[] {
  const { betweenEyes, midline } = frontHeadOf(trace)
  const [dx, dy] = [(midline[1][0] - betweenEyes[0]) / 100, (midline[1][1] - betweenEyes[1]) / 100]
  const ring = trace.outline.map(([x, y]): PhotoPoint => {
    const across = (x - betweenEyes[0]) * dy - (y - betweenEyes[1]) * dx
    return [x - 2 * across * dy, y + 2 * across * dx]
  })
  return [...ring, ring[0]!]
}

function straightOf(line: readonly PhotoPoint[]): PhotoPoint[] {
  const { centre, direction } = fitLine(line)
  const along = line.map(([x, y]) => (x - centre[0]) * direction[0] + (y - centre[1]) * direction[1])
  return [Math.min(...along), Math.max(...along)].map((t): PhotoPoint => [centre[0] + direction[0] * t, centre[1] + direction[1] * t])
}

function levelOf(line: readonly PhotoPoint[]): PhotoPoint[] {
  const y = line.reduce((sum, point) => sum + point[1], 0) / line.length
  return [
    [line[0]![0], y],
    [line[line.length - 1]![0], y]
  ]
}

function drawDrop(edge: readonly PhotoPoint[], a: PhotoPoint, b: PhotoPoint, share: number, line: ToLine): readonly Drawn[] {
  const on: PhotoPoint = [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share]
  const near = edge.reduce((best, point) => (Math.abs(point[0] - on[0]) < Math.abs(best[0] - on[0]) ? point : best))
  return [line('off', [on, near])]
}
