// What a photograph says, first things first: which way, how much, where.
import { sayAround } from '../around/say'
import { topline } from '../body/profile'
import { edgeBetween } from '../body/curves'
import { roundOf } from './head-measures'
import type { PictureMeasure } from './found'
import { measureSpec } from './catalogue'
import { placeIn, type Trace } from './trace'

const mm = (value: number) => `${Math.round(Math.abs(value))} mm`
const atHour = (hour: number) => `${Math.round(hour) % 12 || 12} o’clock`
const WAYS = [
  'just behind the withers',
  'a third of the way to the tail',
  'in the middle',
  'two thirds of the way to the tail',
  'just before the tail'
]
const whereAlong = (share: number) => WAYS[Math.min(4, Math.max(0, Math.round(share * 4)))]

/** Below this a slope is as planned, degrees; below this a length is, mm. Chosen: what an eye cannot tell. */
const AS_PLANNED = Object.freeze({ degrees: 2, mm: 1 })

/**
 * A measure as a sentence with its direction and what to do. `plannedValue` is what the planned coat itself comes to, where
 * it is known: a slope is told against it. Where nothing has to be mended (`isFine`) nothing is told to be cut.
 * @param asked what the trim allows, in words and in the measure's unit; null where it says nothing
 */
// eslint-disable-next-line max-lines-per-function -- one case beside the other: apart, none would show that they are all
export function sayMeasured(
  measure: PictureMeasure,
  trace: Trace,
  plannedValue: number | null,
  isFine = false,
  asked: string | null = null
): string {
  const { id, value, side } = measure
  const around = sayAround(measure, plannedValue, isFine)
  if (around) return around
  const fine = isFine ? sayFine(measure, trace) : null
  if (fine) return fine
  switch (id) {
    case 'headCircle': {
      const { most, circle } = roundOf(trace)
      const radius = `a circle of ${mm(circle.radius)}`
      if (Math.round(value) < AS_PLANNED.mm) return `The head is round: ${radius}.`
      return most.byMm < 0
        ? `The head is flat at ${atHour(most.hour)}: it is ${mm(value)} inside ${radius}. Leave it there, and bring the rest down to it.`
        : `The head sticks out ${mm(value)} from ${radius} at ${atHour(most.hour)}: take off ${mm(value)}.`
    }
    case 'headPair':
    case 'headSides': {
      const { sides } = roundOf(trace)
      const told = id === 'headPair' ? sides?.cheeks : sides?.largest
      if (!told || Math.round(Math.abs(value)) < AS_PLANNED.mm) return 'Left and right are alike to within 1 mm.'
      const [prouder, other] = told.byMm >= 0 ? ['Right', 'left'] : ['Left', 'right']
      const what = id === 'headPair' ? `${prouder} cheek` : `${prouder} side of the head`
      return `${what} sticks out ${mm(value)} more than the ${other}, at ${atHour(told.hour)}: take off ${mm(value)}.`
    }
    case 'headTop': {
      const off = plannedValue === null ? 0 : value - plannedValue
      if (Math.round(Math.abs(off)) < 2 * AS_PLANNED.mm) return 'The top of the head is as high as planned.'
      return off < 0
        ? `The head is flat on top: it is ${mm(off)} lower than planned. Leave it, and let it grow.`
        : `The top of the head is ${mm(off)} higher than planned: take it down ${mm(off)}.`
    }
    case 'topline': {
      const [withers, tailSet] = [placeIn(trace, 'withers'), placeIn(trace, 'tailSet')]
      const { rise, dip } = topline(edgeBetween(trace.outline, withers, tailSet), withers, tailSet)
      if (Math.round(value) < AS_PLANNED.mm) return 'The topline is level.'
      return dip.byMm > rise.byMm
        ? `The back dips ${mm(value)}, ${whereAlong(dip.along01)}: leave it there, and bring the rest down.`
        : `The back rises ${mm(value)}, ${whereAlong(rise.along01)}: take it down ${mm(value)}.`
    }
    case 'skirtSlope':
      return saySlope(value, plannedValue)
    case 'skirtLine':
      return Math.round(value) < AS_PLANNED.mm
        ? `The ${side} skirt is straight.`
        : `The ${side} skirt is out of straight by ${mm(value)}: comb it down and trim the lowest places.`
    case 'footLine': {
      if (Math.round(Math.abs(value)) < AS_PLANNED.mm) return `The ${side} foot line is at the ankle.`
      return value > 0
        ? `The ${side} foot line is ${mm(value)} above the ankle: too high, like short trousers. Let it grow.`
        : `The ${side} foot line is ${mm(value)} below the ankle: take it up ${mm(value)}.`
    }
    case 'tailToHead':
      return Math.round(Math.abs(value)) < AS_PLANNED.mm
        ? 'Tail and head are at the same height.'
        : `The tail ends ${mm(value)} ${value > 0 ? 'above' : 'below'} the head${value > 0 ? `: take off ${mm(value)}` : ''}.`
    default: {
      const { name, unit } = measureSpec(id)
      const own = unit === 'mm' ? mm(value) : `${Math.round(value)} ${unit}`
      const way = value < -0.5 && unit === 'mm' ? ' less' : ''
      const not = isFine || asked === null ? '' : `, not ${asked}`
      return `${name}${side === 'whole' ? '' : `, ${side}`}: ${own}${way}${not}.`
    }
  }
}

/** What lies within what the trim allows, and how far. */
function sayFine({ id, value, side }: PictureMeasure, trace: Trace): string | null {
  switch (id) {
    case 'headCircle':
      return `The head is round to within ${mm(value)} of a circle of ${mm(roundOf(trace).circle.radius)}.`
    case 'headPair':
      return `The cheeks are alike to within ${mm(value)}.`
    case 'headSides':
      return `Both sides of the head are alike to within ${mm(value)}.`
    case 'topline':
      return `The topline is level to within ${mm(value)}.`
    case 'skirtLine':
      return `The ${side} skirt is straight to within ${mm(value)}.`
    case 'footLine':
      return `The ${side} foot line is within ${mm(value)} of the ankle.`
    case 'tailToHead':
      return `Tail and head are within ${mm(value)} of the same height.`
    default:
      return null
  }
}

function saySlope(value: number, plannedValue: number | null): string {
  const way = (degrees: number) => (degrees >= 0 ? 'falls' : 'rises')
  const size = (degrees: number) => `${Math.round(Math.abs(degrees))} degrees`
  if (plannedValue === null) return `The skirt ${way(value)} toward the tail by ${size(value)}.`
  const off = value - plannedValue
  if (Math.abs(off) < AS_PLANNED.degrees) return 'The skirt slopes as planned.'
  return `The skirt slopes: it ${way(value)} toward the tail by ${size(value)}, and ${size(plannedValue)} ${plannedValue >= 0 ? 'down' : 'up'} were planned. Take the ${off > 0 ? 'rear' : 'front'} end back.`
}
