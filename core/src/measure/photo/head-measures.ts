// What the head from the front can be measured for.
import { areaOf } from '../body/curves'
import { measureFrontHead, type FrontHead, type FrontHeadMeasures, type HourSpan } from '../body/head'
import { largestStep, straightness } from '../body/profile'
import { clockOf, radiusAt, reachAt } from '../fit/ring'
import type { PhotoPoint } from '../types'
import type { MeasureSpec } from './spec'
import type { LineId, PhotoPlace } from './places'
import { lineIn, placeIn, type Trace } from './trace'

export const middle = (a: PhotoPoint, b: PhotoPoint): PhotoPoint => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
export const apart = (a: PhotoPoint, b: PhotoPoint): number => Math.hypot(a[0] - b[0], a[1] - b[1])

const EYES: readonly PhotoPlace[] = ['eyeLeft', 'eyeRight']
const ROUND: readonly PhotoPlace[] = [...EYES, 'nose', 'jawLeft', 'jawRight']
/** Ears that stand are left out of the circle; ears that hang are part of the head's outline. */
const STANDING_EARS: readonly PhotoPlace[] = ['earLeftIn', 'earLeftOut', 'earRightIn', 'earRightOut']

/** A traced head with its midline square to the line of the eyes, and ears and neck left out. */
export function frontHeadOf(trace: Trace): FrontHead {
  const [left, right] = [placeIn(trace, 'eyeLeft'), placeIn(trace, 'eyeRight')]
  const betweenEyes = middle(left, right)
  const [ax, ay] = across(trace)
  return {
    outline: trace.outline,
    betweenEyes,
    midline: [betweenEyes, [betweenEyes[0] - ay * 100, betweenEyes[1] + ax * 100]],
    leftOut: leftOutOf(trace, betweenEyes)
  }
}

const measured = new WeakMap<Trace, FrontHeadMeasures>()
/** A head's circle and sides, worked out once for every measure that asks. */
export function roundOf(trace: Trace): FrontHeadMeasures {
  const known = measured.get(trace)
  if (known) return known
  const found = measureFrontHead(frontHeadOf(trace))
  measured.set(trace, found)
  return found
}

function across(trace: Trace): PhotoPoint {
  const [left, right] = [placeIn(trace, 'eyeLeft'), placeIn(trace, 'eyeRight')]
  const size = apart(left, right) || 1
  return [(left[0] - right[0]) / size, (left[1] - right[1]) / size]
}

/** The dog's left ear stands at one o'clock, its right at eleven, the neck at six. */
function leftOutOf(trace: Trace, from: PhotoPoint): HourSpan[] {
  const hour = (id: PhotoPlace) => (trace.places[id] ? clockOf(from, trace.places[id]) : null)
  const span = (a: PhotoPlace, b: PhotoPlace): HourSpan[] => {
    const [start, end] = [hour(a), hour(b)]
    return start === null || end === null ? [] : [[start, end]]
  }
  return [...span('earRightOut', 'earRightIn'), ...span('earLeftIn', 'earLeftOut'), ...span('jawLeft', 'jawRight')]
}

/** How far a place lies to the dog's right of the midline, mm. */
function toRight(trace: Trace, id: PhotoPlace): number {
  const { betweenEyes } = frontHeadOf(trace)
  const [ax, ay] = across(trace)
  const [x, y] = placeIn(trace, id)
  return -((x - betweenEyes[0]) * ax + (y - betweenEyes[1]) * ay)
}

function shownOf(trace: Trace, id: LineId): number {
  const round = lineIn(trace, id)
  const [ax, ay] = across(trace)
  const along = round.map(([x, y]) => x * ax + y * ay)
  const width = Math.max(...along) - Math.min(...along)
  return width === 0 ? 0 : Math.min(100, (100 * areaOf(round)) / ((Math.PI / 4) * width * width))
}

export const HEAD_MEASURES: readonly MeasureSpec[] = [
  {
    id: 'headCircle',
    name: 'Head against its circle',
    view: 'head',
    from: 'outline',
    unit: 'mm',
    sides: 'whole',
    largest: true,
    places: ROUND,
    optional: STANDING_EARS,
    lines: [],
    of: (trace) => Math.abs(roundOf(trace).most.byMm)
  },
  {
    id: 'headPair',
    name: 'Cheeks, left less right',
    view: 'head',
    from: 'outline',
    unit: 'mm',
    sides: 'whole',
    largest: false,
    places: ROUND,
    optional: STANDING_EARS,
    lines: [],
    of: (trace) => -(roundOf(trace).sides?.cheeks?.byMm ?? NaN)
  },
  {
    id: 'headSides',
    name: 'Largest difference of the sides',
    view: 'head',
    from: 'outline',
    unit: 'mm',
    sides: 'whole',
    largest: true,
    places: ROUND,
    optional: STANDING_EARS,
    lines: [],
    of: (trace) => Math.abs(roundOf(trace).sides?.largest.byMm ?? NaN)
  },
  {
    id: 'headTop',
    name: 'Top of the head over the eyes',
    view: 'head',
    from: 'outline',
    unit: 'mm',
    sides: 'whole',
    largest: false,
    places: EYES,
    lines: [],
    of: (trace) => topOver(trace)
  },
  {
    id: 'visor',
    name: 'Visor against the straight',
    view: 'head',
    from: 'line',
    unit: 'mm',
    sides: 'whole',
    largest: true,
    places: [],
    lines: ['visor'],
    of: (trace) => straightness(lineIn(trace, 'visor'), 'left').offMm
  },
  {
    id: 'visorLevel',
    name: 'Visor over the eyes, left less right',
    view: 'head',
    from: 'line',
    unit: 'mm',
    sides: 'whole',
    largest: false,
    places: EYES,
    lines: ['visor'],
    of: (trace) => heightOver(trace, 'eyeLeft') - heightOver(trace, 'eyeRight')
  },
  {
    id: 'eyesShown',
    name: 'Share of the eye that is seen',
    view: 'head',
    from: 'line',
    unit: '%',
    sides: 'both',
    largest: false,
    places: EYES,
    lines: [],
    linesOf: (side) => [side === 'left' ? 'eyeLeftRound' : 'eyeRightRound'],
    of: (trace, side) => shownOf(trace, side === 'left' ? 'eyeLeftRound' : 'eyeRightRound')
  },
  {
    id: 'earPair',
    name: 'Ears, left less right',
    view: 'head',
    from: 'landmarks',
    unit: 'mm',
    sides: 'whole',
    largest: false,
    places: ['earLeftRoot', 'earLeftEnd', 'earRightRoot', 'earRightEnd'],
    lines: [],
    of: (trace) =>
      apart(placeIn(trace, 'earLeftOut'), placeIn(trace, 'earLeftEnd')) -
      apart(placeIn(trace, 'earRightOut'), placeIn(trace, 'earRightEnd'))
  },
  {
    id: 'browPair',
    name: 'Brows, left less right',
    view: 'head',
    from: 'landmarks',
    unit: 'mm',
    sides: 'whole',
    largest: false,
    places: [...EYES, 'browLeft', 'browRight'],
    lines: [],
    of: (trace) =>
      apart(placeIn(trace, 'eyeLeft'), placeIn(trace, 'browLeft')) - apart(placeIn(trace, 'eyeRight'), placeIn(trace, 'browRight'))
  },
  {
    id: 'beardLine',
    name: 'Beard’s edge against the straight',
    view: 'head',
    from: 'line',
    unit: 'mm',
    sides: 'whole',
    largest: true,
    places: [],
    lines: ['beardEdge'],
    of: (trace) => straightness(lineIn(trace, 'beardEdge'), 'left').offMm
  },
  {
    id: 'muzzleShare',
    name: 'Muzzle’s width over the head’s',
    view: 'head',
    from: 'landmarks',
    unit: '%',
    sides: 'whole',
    largest: false,
    places: [...EYES, 'nose', 'muzzleLeft', 'muzzleRight'],
    lines: [],
    of: (trace) => {
      const { outline, betweenEyes, midline } = frontHeadOf(trace)
      const down: PhotoPoint = [(midline[1][0] - betweenEyes[0]) / 100, (midline[1][1] - betweenEyes[1]) / 100]
      const widths = Array.from({ length: 25 }, (_, k) => reachAt(outline, betweenEyes, down, -30 + 4 * k))
      const widest = Math.max(...widths.map((reach) => (reach ? reach.left + reach.right : 0)))
      return (100 * apart(placeIn(trace, 'muzzleLeft'), placeIn(trace, 'muzzleRight'))) / widest
    }
  },
  {
    id: 'muzzlePair',
    name: 'Muzzle, left less right of the midline',
    view: 'head',
    from: 'landmarks',
    unit: 'mm',
    sides: 'whole',
    largest: false,
    places: [...EYES, 'nose', 'muzzleLeft', 'muzzleRight'],
    lines: [],
    of: (trace) => -toRight(trace, 'muzzleLeft') - toRight(trace, 'muzzleRight')
  },
  {
    id: 'headSide',
    name: 'Largest step along the side of the head',
    view: 'head',
    from: 'line',
    unit: 'mm',
    sides: 'both',
    largest: true,
    places: [],
    lines: [],
    linesOf: (side) => [side === 'left' ? 'headSideLeft' : 'headSideRight'],
    of: (trace, side) => largestStep(lineIn(trace, side === 'left' ? 'headSideLeft' : 'headSideRight'))
  }
]

/** Hours either side of twelve over which the top of a head is told. Chosen: between ears that stand. */
const TOP_HOURS = [-0.5, -0.25, 0, 0.25, 0.5] as const

/** How far the head reaches over the line of the eyes, mean about twelve o'clock, mm. */
function topOver(trace: Trace): number {
  const { betweenEyes } = frontHeadOf(trace)
  const [ax, ay] = across(trace)
  const lean = (Math.atan2(ay, ax) / (2 * Math.PI)) * 12
  const heights = TOP_HOURS.map((hour) => {
    const reach = radiusAt(trace.outline, betweenEyes, (12 + hour + lean) % 12)
    return reach === null ? NaN : reach * Math.cos((hour / 12) * 2 * Math.PI)
  })
  return heights.reduce((sum, height) => sum + height, 0) / heights.length
}

/** How far the visor's nearest place stands over an eye along the midline, mm. */
function heightOver(trace: Trace, eye: PhotoPlace): number {
  const [ex, ey] = placeIn(trace, eye)
  const [ax, ay] = across(trace)
  const line = lineIn(trace, 'visor')
  const nearest = line.reduce((best, [x, y]) => {
    const aside = Math.abs((x - ex) * ax + (y - ey) * ay)
    const bestAside = Math.abs((best[0] - ex) * ax + (best[1] - ey) * ay)
    return aside < bestAside ? ([x, y] as const) : best
  })
  return (nearest[0] - ex) * ay - (nearest[1] - ey) * ax
}
