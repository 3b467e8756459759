// What a whole dog can be measured for from the front, from the rear and from above. A dog seen from above has its head to the left.
import { CoreError } from '../../error'
import { edgeBetween, stretch } from '../body/curves'
import { straightness } from '../body/profile'
import { apart, middle } from '../photo/head-measures'
import type { PhotoPlace } from '../photo/places'
import type { MeasureSpec } from '../photo/spec'
import { lineIn, placeIn, type Trace } from '../photo/trace'
import type { PhotoPoint } from '../types'
import { largestRise, reachesAlong, riseAtStations, type Reaches } from './shape'

type Side = 'left' | 'right'
const at = placeIn
const named = (stem: string, side: Side) => `${stem}${side === 'left' ? 'Left' : 'Right'}` as PhotoPlace
const both = (...stems: readonly string[]): PhotoPlace[] => stems.flatMap((stem) => [named(stem, 'left'), named(stem, 'right')])
/** Out from the dog's middle, in the picture: its left is on the right of one that faces us. */
const outFrom = (trace: Trace, side: Side): PhotoPoint => [(trace.seen === 'front') === (side === 'left') ? 1 : -1, 0]

type Shared = Pick<MeasureSpec, 'view' | 'sides' | 'from' | 'unit' | 'largest' | 'lines'>
const told = (view: MeasureSpec['view'], part: Partial<Shared> = {}): Shared => ({
  ...{ view, sides: 'whole', from: 'landmarks', unit: 'mm', largest: false, lines: [], ...part }
})

const FORE = ['foreLeftOut', 'foreLeftIn', 'foreRightIn', 'foreRightOut'] as const
const HIND = ['hindLeftOut', 'hindLeftIn', 'hindRightIn', 'hindRightOut'] as const
/** Inner edges nearer to each other than this are one line: two legs that touch, mm. Chosen. */
const TOUCH_MM = 2
/**
 * Half of what one leg is thicker by: what more hair stands on each of its sides, mm.
 * @throws CoreError `legsTouch`: where they do, nothing says where one ends
 */
function pairOf(trace: Trace, [leftOut, leftIn, rightIn, rightOut]: typeof FORE | typeof HIND): number {
  const gapMm = (at(trace, leftIn)[0] - at(trace, rightIn)[0]) * outFrom(trace, 'left')[0]
  if (gapMm < TOUCH_MM)
    throw new CoreError({
      ...{ code: 'legsTouch', path: 'The gap between the legs', got: `${Math.max(0, Math.round(gapMm))} mm` },
      limit: `${TOUCH_MM} mm or more: stand the dog wider, or use the gauge`
    })
  return (apart(at(trace, leftOut), at(trace, leftIn)) - apart(at(trace, rightOut), at(trace, rightIn))) / 2
}
/** How much higher the left of two places stands, mm. */
const higher = (trace: Trace, left: PhotoPlace, right: PhotoPlace) => at(trace, right)[1] - at(trace, left)[1]

/** A line held against its own chord: ends that were put beside the edge change nothing. */
function overOwnChord(line: readonly PhotoPoint[]): readonly [readonly PhotoPoint[], PhotoPoint, PhotoPoint] {
  return [line, line[0]!, line[line.length - 1]!]
}
/** What the layers of a dog add that stand before one another, mm, % and degrees. Chosen on drawn dogs (`npm run around`, seeds 100 to 700 and 93000). */
const MORE_U = Object.freeze({ pair: 0.3, column: 1, shoulder: 2, neck: 1.7, waist: 1, hocks: 0.5, band: 0.4 })

/** The outline of one side from the neck to the elbow, or from the elbow to the foot. */
function down(trace: Trace, from: string, to: string, side: Side): readonly PhotoPoint[] {
  const line = stretch(trace.outline, at(trace, named(from, side)), at(trace, named(to, side)))
  const length = line.reduce((sum, point, i) => (i === 0 ? 0 : sum + apart(point, line[i - 1]!)), 0)
  // something that hangs on to the outline there is walked round, and is no leg
  if (length > MOST_AROUND * apart(line[0]!, line[line.length - 1]!))
    throw new CoreError({
      code: 'notALeg',
      path: 'The outline',
      got: 'no edge of a leg there',
      limit: 'put right first: it runs round something else'
    })
  return line
}
/** The edge of a leg or a shoulder is no longer than this many of its chords. Chosen. */
const MOST_AROUND = 1.5

const FRONT: readonly MeasureSpec[] = [
  {
    ...told('front'),
    id: 'forePair',
    moreU: MORE_U.pair,
    name: 'Forelegs, left less right',
    places: FORE,
    of: (trace) => pairOf(trace, FORE)
  },
  {
    ...told('front'),
    id: 'foreTops',
    name: 'Front bracelets, left above right',
    places: both('fore').map((id) => `${id}Top` as PhotoPlace),
    of: (trace) => higher(trace, 'foreLeftTop', 'foreRightTop')
  },
  {
    ...told('front', { sides: 'both', from: 'outline', largest: true }),
    id: 'frontColumn',
    moreU: MORE_U.column,
    name: 'Foreleg against a column, from the front',
    places: both('elbow', 'foot'),
    of: (trace, side) => straightness(down(trace, 'elbow', 'foot', side), 'left').offMm
  },
  {
    ...told('front', { from: 'outline' }),
    id: 'elbowWidth',
    name: 'Width at the elbows',
    places: both('elbow'),
    of: (trace) => apart(at(trace, 'elbowLeft'), at(trace, 'elbowRight'))
  },
  {
    ...told('front', { sides: 'both', from: 'outline', largest: true }),
    id: 'shoulderRise',
    moreU: MORE_U.shoulder,
    name: 'Shoulder over the line from neck to elbow',
    places: both('neck', 'elbow'),
    of: (trace, side) => largestRise(...overOwnChord(down(trace, 'neck', 'elbow', side)), outFrom(trace, side))
  }
]

/** Degrees by which a hind leg runs out from the plumb toward its foot. */
function leanOut(trace: Trace, side: Side): number {
  const [hock, foot] = [at(trace, named('hock', side)), at(trace, named('hindFoot', side))]
  return (Math.atan2((foot[0] - hock[0]) * outFrom(trace, side)[0], foot[1] - hock[1]) * 180) / Math.PI
}

const REAR: readonly MeasureSpec[] = [
  {
    ...told('rear'),
    id: 'hindPair',
    moreU: MORE_U.pair,
    name: 'Hind legs, left less right',
    places: HIND,
    of: (trace) => pairOf(trace, HIND)
  },
  {
    ...told('rear'),
    id: 'hindTops',
    name: 'Rear bracelets, left above right',
    places: both('hind').map((id) => `${id}Top` as PhotoPlace),
    of: (trace) => higher(trace, 'hindLeftTop', 'hindRightTop')
  },
  {
    ...told('rear', { from: 'outline', unit: 'degrees' }),
    id: 'hocksParallel',
    moreU: MORE_U.hocks,
    name: 'Hocks, wider at the feet',
    places: both('hock', 'hindFoot'),
    of: (trace) => leanOut(trace, 'left') + leanOut(trace, 'right')
  },
  {
    ...told('rear'),
    id: 'breechPair',
    name: 'Thighs from the middle, left less right',
    places: [...both('breech'), 'tailRootBehind'],
    of: (trace) => {
      const [x] = at(trace, 'tailRootBehind')
      return Math.abs(at(trace, 'breechLeft')[0] - x) - Math.abs(at(trace, 'breechRight')[0] - x)
    }
  },
  {
    ...told('rear'),
    id: 'bandLevel',
    moreU: MORE_U.band,
    name: 'Tail band, left edge above right',
    places: both('band'),
    of: (trace) => higher(trace, 'bandLeft', 'bandRight')
  }
]

const SPINE = ['spineWithers', 'spineTail'] as const
const trunks = new WeakMap<Trace, readonly Reaches[]>()
/** What lies to either side of the spine, worked out once for every measure that asks. */
function trunkOf(trace: Trace): readonly Reaches[] {
  const known = trunks.get(trace)
  if (known) return known
  const found = reachesAlong(trace.outline, [at(trace, 'spineWithers'), at(trace, 'spineTail')])
  trunks.set(trace, found)
  return found
}
/** The widest of the ribs and the narrowest of the loin, mm: shares of the back from the withers on. Chosen. */
const RIBS_01 = [0.08, 0.6] as const
const LOIN_01 = [0.5, 0.88] as const
const widths = (trace: Trace, [low, high]: readonly [number, number]): number[] => {
  const found = trunkOf(trace).flatMap(({ along01, left, right }) => (along01 >= low && along01 <= high ? [left + right] : []))
  if (found.length === 0)
    throw new CoreError({
      code: 'tooFew',
      path: 'outline',
      got: 'no edge beside the spine',
      limit: 'the outline on both sides of the back'
    })
  return found
}
const ribsOf = (trace: Trace) => Math.max(...widths(trace, RIBS_01))

/** Flanks are compared over the middle of the ribs, this far to either side along the spine, mm. Chosen: three fingers. */
const MID_RIB_MM = 25

/** Half the trunk on the dog's left less the half on its right, at mid rib, mm; the spine may bend: there it lies between withers and last rib. */
function flanksOf(trace: Trace): number {
  const [withers, rib, tail] = [at(trace, 'spineWithers'), at(trace, 'spineRib'), at(trace, 'spineTail')]
  const centre = middle(withers, rib)
  const length = apart(withers, tail) || 1
  const [ux, uy] = [(tail[0] - withers[0]) / length, (tail[1] - withers[1]) / length]
  const end = (sign: 1 | -1): PhotoPoint => [centre[0] + sign * MID_RIB_MM * ux, centre[1] + sign * MID_RIB_MM * uy]
  const found = reachesAlong(trace.outline, [end(-1), end(1)])
  return found.length === 0 ? NaN : found.reduce((sum, { left, right }) => sum + left - right, 0) / found.length
}

const ABOVE: readonly MeasureSpec[] = [
  {
    ...told('above', { sides: 'both', from: 'outline', largest: true }),
    id: 'neckRise',
    moreU: MORE_U.neck,
    name: 'Neck over its line, seen from above',
    places: both('nape', 'shoulder'),
    of: (trace, side) => {
      const [from, to] = [at(trace, named('nape', side)), at(trace, named('shoulder', side))]
      const rises = riseAtStations(...overOwnChord(edgeBetween(trace.outline, from, to)), [0, side === 'left' ? 1 : -1])
      return Math.max(0, ...rises.filter(Number.isFinite)) * trace.neckScale
    }
  },
  {
    ...told('above'),
    id: 'flankPair',
    name: 'Flanks at mid rib, left less right',
    places: [...SPINE, 'spineRib'],
    of: flanksOf
  },
  {
    ...told('above', { from: 'outline', unit: '%' }),
    id: 'waist',
    moreU: MORE_U.waist,
    name: 'Waist over ribs',
    places: SPINE,
    of: (trace) => (100 * Math.min(...widths(trace, LOIN_01))) / ribsOf(trace)
  },
  {
    ...told('above', { from: 'outline', unit: '%' }),
    id: 'ribSpring',
    name: 'Width of the ribs over the length of the back',
    places: SPINE,
    of: (trace) => (100 * ribsOf(trace)) / apart(at(trace, 'spineWithers'), at(trace, 'spineTail'))
  },
  {
    ...told('above', { from: 'outline', largest: true }),
    id: 'spineBend',
    name: 'Spine against the straight',
    places: [...SPINE, 'spineRib'],
    of: (trace) => {
      const [from, to] = [at(trace, 'spineWithers'), at(trace, 'spineTail')]
      return Math.abs(
        ((at(trace, 'spineRib')[1] - from[1]) * (to[0] - from[0]) - (at(trace, 'spineRib')[0] - from[0]) * (to[1] - from[1])) /
          (apart(from, to) || 1)
      )
    }
  },
  {
    ...told('above', { from: 'line', largest: true, lines: ['backPart'] }),
    id: 'backPart',
    name: 'Part against the straight',
    places: [],
    of: (trace) => straightness(lineIn(trace, 'backPart'), 'left').offMm
  }
]

export const AROUND_MEASURES: readonly MeasureSpec[] = [...FRONT, ...REAR, ...ABOVE]
