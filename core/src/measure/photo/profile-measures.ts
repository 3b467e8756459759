// What a profile can be measured for. A trace always faces left.
import { between, edgeBetween, offCircle, offLevel, rearTurns, stretch, tapers } from '../body/curves'
import { angleAt, footLine, straightness, topline } from '../body/profile'
import type { PhotoPoint } from '../types'
import { apart } from './head-measures'
import type { MeasureSpec } from './spec'
import type { LineId, PhotoPlace } from './places'
import { lineIn, placeIn, type Trace } from './trace'
import { BAND_COMB_MM, STRIP_MM } from './trade'

const at = placeIn
const along = (trace: Trace, from: PhotoPlace, to: PhotoPlace): PhotoPoint[] => edgeBetween(trace.outline, at(trace, from), at(trace, to))
const width = (trace: Trace, a: PhotoPlace, b: PhotoPlace) => apart(at(trace, a), at(trace, b))
const share = (trace: Trace, [a, b]: readonly [PhotoPlace, PhotoPlace], [c, d]: readonly [PhotoPlace, PhotoPlace]) =>
  (100 * width(trace, a, b)) / width(trace, c, d)
const drop = (trace: Trace, high: PhotoPlace, low: PhotoPlace) => Math.abs(at(trace, high)[1] - at(trace, low)[1])

type Shared = Pick<MeasureSpec, 'view' | 'sides'>
const NEAR: Shared = { view: 'profile', sides: 'near' }
const WHOLE: Shared = { view: 'profile', sides: 'whole' }
const line = (spec: Shared, id: MeasureSpec['id'], name: string, own: LineId): MeasureSpec => ({
  ...spec,
  id,
  name,
  from: 'line',
  unit: 'mm',
  largest: true,
  places: [],
  lines: [own],
  of: (trace) => straightness(lineIn(trace, own), 'left').offMm
})
const fromPlaces = (
  spec: Shared,
  id: MeasureSpec['id'],
  name: string,
  unit: MeasureSpec['unit'],
  places: readonly PhotoPlace[],
  of: MeasureSpec['of']
): MeasureSpec => ({ ...spec, id, name, from: 'landmarks', unit, largest: false, places, lines: [], of })
const fromOutline = (
  spec: Shared,
  id: MeasureSpec['id'],
  name: string,
  unit: MeasureSpec['unit'],
  largest: boolean,
  places: readonly PhotoPlace[],
  of: MeasureSpec['of']
): MeasureSpec => ({ ...spec, id, name, from: 'outline', unit, largest, places, lines: [], of })

export const PROFILE_MEASURES: readonly MeasureSpec[] = [
  fromOutline(WHOLE, 'topline', 'Topline against the level', 'mm', true, ['withers', 'tailSet'], (trace) => {
    const { rise, dip } = topline(along(trace, 'withers', 'tailSet'), at(trace, 'withers'), at(trace, 'tailSet'))
    return Math.max(rise.byMm, dip.byMm)
  }),
  fromOutline(
    NEAR,
    'skirtLine',
    'Skirt against the straight',
    'mm',
    true,
    ['elbow', 'tuckUp'],
    (trace) => straightness(along(trace, 'elbow', 'tuckUp'), 'left').offMm
  ),
  fromOutline(
    NEAR,
    'skirtSlope',
    'Slope of the skirt',
    'degrees',
    false,
    ['elbow', 'tuckUp'],
    (trace) => straightness(along(trace, 'elbow', 'tuckUp'), 'left').slopeDeg
  ),
  fromOutline(NEAR, 'skirtLevel', 'Lower edge against the level', 'mm', true, ['elbow', 'tuckUp'], (trace) =>
    offLevel(along(trace, 'elbow', 'tuckUp'))
  ),
  {
    ...NEAR,
    id: 'foreColumn',
    name: 'Foreleg against a column',
    from: 'line',
    unit: 'mm',
    largest: true,
    places: [],
    lines: ['foreFront', 'foreBack'],
    of: (trace) => Math.max(straightness(lineIn(trace, 'foreFront'), 'left').offMm, straightness(lineIn(trace, 'foreBack'), 'left').offMm)
  },
  {
    ...NEAR,
    id: 'foreTaper',
    name: 'Taper of the foreleg',
    from: 'line',
    unit: 'degrees',
    largest: false,
    places: [],
    lines: ['foreFront', 'foreBack'],
    of: (trace) => tapers(lineIn(trace, 'foreFront'), lineIn(trace, 'foreBack'))
  },
  line(NEAR, 'hockColumn', 'Rear pastern against a column', 'hockBack'),
  {
    ...NEAR,
    id: 'footLine',
    name: 'Foot line above the ankle',
    from: 'line',
    unit: 'mm',
    largest: false,
    places: ['ankle'],
    lines: ['footEdge'],
    of: (trace) => footLine(lineIn(trace, 'footEdge'), at(trace, 'ankle')).mean
  },
  {
    ...NEAR,
    id: 'footTilt',
    name: 'Tilt of the foot line',
    from: 'line',
    unit: 'mm',
    largest: true,
    places: ['ankle'],
    lines: ['footEdge'],
    of: (trace) => {
      const { aboveMm } = footLine(lineIn(trace, 'footEdge'), at(trace, 'ankle'))
      return Math.max(...aboveMm) - Math.min(...aboveMm)
    }
  },
  fromPlaces(
    WHOLE,
    'tailToHead',
    'Tail’s end above the head',
    'mm',
    ['tailEnd', 'headTop'],
    (trace) => at(trace, 'headTop')[1] - at(trace, 'tailEnd')[1]
  ),
  fromPlaces(
    WHOLE,
    'tipToRoot',
    'Tail’s tip over its root',
    '%',
    ['tailTipAbove', 'tailTipBelow', 'tailRootAbove', 'tailRootBelow'],
    (trace) => share(trace, ['tailTipAbove', 'tailTipBelow'], ['tailRootAbove', 'tailRootBelow'])
  ),
  fromPlaces(
    NEAR,
    'foreTube',
    'End of the foreleg over its middle',
    '%',
    ['foreEndFront', 'foreEndBack', 'foreMidFront', 'foreMidBack'],
    (trace) => share(trace, ['foreEndFront', 'foreEndBack'], ['foreMidFront', 'foreMidBack'])
  ),
  fromPlaces(
    NEAR,
    'rearTube',
    'End of the rear leg over its middle',
    '%',
    ['rearEndFront', 'rearEndBack', 'rearMidFront', 'rearMidBack'],
    (trace) => share(trace, ['rearEndFront', 'rearEndBack'], ['rearMidFront', 'rearMidBack'])
  ),
  fromPlaces(
    NEAR,
    'foreBevels',
    'Fore bevels, top less bottom',
    'mm',
    ['foreTopHigh', 'foreTopLow', 'foreBottomHigh', 'foreBottomLow'],
    (trace) => drop(trace, 'foreTopHigh', 'foreTopLow') - drop(trace, 'foreBottomHigh', 'foreBottomLow')
  ),
  fromPlaces(
    NEAR,
    'rearBevels',
    'Rear bevels, top less bottom',
    'mm',
    ['rearTopHigh', 'rearTopLow', 'rearBottomHigh', 'rearBottomLow'],
    (trace) => drop(trace, 'rearTopHigh', 'rearTopLow') - drop(trace, 'rearBottomHigh', 'rearBottomLow')
  ),
  fromPlaces(WHOLE, 'neckToMuzzle', 'Neck over muzzle', '%', ['throat', 'neckPoint', 'stop', 'noseTip'], (trace) =>
    share(trace, ['throat', 'neckPoint'], ['stop', 'noseTip'])
  ),
  fromPlaces(
    WHOLE,
    'bandByComb',
    'Tail band less the comb',
    'mm',
    ['tailRoot', 'bandEnd'],
    (trace) => width(trace, 'tailRoot', 'bandEnd') - BAND_COMB_MM
  ),
  fromPlaces(
    WHOLE,
    'bandByPinBones',
    'Tail band less the pin bones',
    'mm',
    ['tailRoot', 'bandEnd', 'pinBones'],
    (trace) => width(trace, 'tailRoot', 'bandEnd') - width(trace, 'tailRoot', 'pinBones')
  ),
  fromPlaces(
    WHOLE,
    'ruffDepth',
    'Ruff behind the skull',
    'mm',
    ['noseTip', 'ruffBack', 'occiput'],
    (trace) => width(trace, 'noseTip', 'ruffBack') - width(trace, 'noseTip', 'occiput')
  ),
  fromPlaces(
    WHOLE,
    'plumeToTable',
    'Plume less the tail’s height',
    'mm',
    ['tailRoot', 'plumeEnd', 'table'],
    (trace) => width(trace, 'tailRoot', 'plumeEnd') - (at(trace, 'table')[1] - at(trace, 'tailRoot')[1])
  ),
  fromPlaces(
    WHOLE,
    'apparentBody',
    'Length of body over its height',
    '%',
    ['breast', 'rump', 'withers', 'table'],
    (trace) => (100 * Math.abs(at(trace, 'rump')[0] - at(trace, 'breast')[0])) / (at(trace, 'table')[1] - at(trace, 'withers')[1])
  ),
  line(NEAR, 'shoulderFill', 'Shoulder line against the straight', 'shoulderEdge'),
  fromPlaces(NEAR, 'layback', 'Layback of the shoulder', 'degrees', ['withers', 'pointShoulder', 'elbowJoint'], (trace) =>
    angleAt(at(trace, 'pointShoulder'), at(trace, 'withers'), at(trace, 'elbowJoint'))
  ),
  line(NEAR, 'eyeEarLine', 'Line from eye to ear against the straight', 'eyeEar'),
  line(NEAR, 'faceLine', 'Face line against the straight', 'face'),
  fromOutline(WHOLE, 'dome', 'Dome against its curve', 'mm', true, ['brow', 'occiput'], (trace) =>
    offCircle(stretch(trace.outline, at(trace, 'brow'), at(trace, 'occiput')))
  ),
  {
    ...NEAR,
    id: 'stripWidth',
    name: 'Border strip off an inch',
    from: 'line',
    unit: 'mm',
    largest: true,
    places: [],
    lines: ['stripInner', 'stripOuter'],
    of: (trace) => Math.abs(between(lineIn(trace, 'stripInner'), lineIn(trace, 'stripOuter')) - STRIP_MM)
  },
  {
    ...NEAR,
    id: 'rearTriangle',
    name: 'Rear triangle, taper of the thigh',
    from: 'line',
    unit: 'degrees',
    largest: false,
    places: [],
    lines: ['thighFront', 'thighBack', 'pasternFront', 'hockBack'],
    of: (trace) => tapers(lineIn(trace, 'thighFront'), lineIn(trace, 'thighBack'))
  },
  {
    ...NEAR,
    id: 'rearColumn',
    name: 'Rear cylinder against a column',
    from: 'line',
    unit: 'mm',
    largest: true,
    places: [],
    lines: ['pasternFront', 'hockBack'],
    of: (trace) =>
      Math.max(straightness(lineIn(trace, 'pasternFront'), 'left').offMm, straightness(lineIn(trace, 'hockBack'), 'left').offMm)
  },
  fromPlaces(
    WHOLE,
    'apparentGroin',
    'Length of body with its groin hair, over its height',
    '%',
    ['breast', 'rump', 'withers', 'table', 'groinFront', 'groinBack'],
    (trace) =>
      (100 * (Math.abs(at(trace, 'rump')[0] - at(trace, 'breast')[0]) + width(trace, 'groinFront', 'groinBack'))) /
      (at(trace, 'table')[1] - at(trace, 'withers')[1])
  ),
  fromOutline(WHOLE, 'rearCurve', 'Turns of the rear outline', 'turns', false, ['rump', 'tailSet', 'table'], (trace) => {
    const heel: PhotoPoint = [at(trace, 'rump')[0], at(trace, 'table')[1] - 20]
    return rearTurns(stretch(trace.outline, at(trace, 'tailSet'), heel))
  })
]
