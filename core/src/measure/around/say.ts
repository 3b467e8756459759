// What a dog seen from the front, the rear or above says, in sentences: which side, how much, what to do.
import type { MeasureId } from '../../terms'

type Told = { readonly id: MeasureId; readonly side: 'left' | 'right' | 'whole'; readonly value: number; readonly u: number }

const round = (value: number) => Math.round(Math.abs(value))
const mm = (value: number) => `${round(value)} mm`
/** What it may differ by at the most: as it was read, and as surely as it was read. Source: two-sided 95 %, JCGM 100:2008, G.1.3 */
const within = ({ value, u }: Told) => `${Math.max(1, Math.round(Math.abs(value) + 1.96 * u))} mm`
const other = (side: string) => (side === 'left' ? 'right' : 'left')

/** Left less right of two that should be alike. Under half a millimetre they are. */
function sayPair(what: readonly [one: string, both: string], told: Told, isFine: boolean, more: (side: string) => string): string {
  const { value } = told
  if (isFine || round(value) < 1) return `The ${what[1]} are alike to within ${within(told)}.`
  const side = value > 0 ? 'left' : 'right'
  return `The ${side} ${what[0]} ${more(side)}`
}
const moreCoat = (value: number) => (side: string) =>
  `carries ${mm(value)} more coat than the ${other(side)}: take ${mm(value)} off all round.`

function sayLevel(what: readonly [one: string, both: string], told: Told, isFine: boolean): string {
  const { value } = told
  if (isFine || round(value) < 1) return `The ${what[1]} are level to within ${within(told)}.`
  const side = value > 0 ? 'left' : 'right'
  return `The ${side} ${what[0]} stands ${mm(value)} higher than the ${other(side)}: lower its upper edge by ${mm(value)}.`
}

const beside = (planned: number | null, unit: string) => (planned === null ? '' : `; the plan has ${round(planned)}${unit}`)

/** @returns a sentence, or null for a measure of another view */
// eslint-disable-next-line max-lines-per-function -- one case beside the other: apart, none would show that they are all
export function sayAround(told: Told, planned: number | null, isFine: boolean): string | null {
  const { id, side, value } = told
  const off = planned === null ? value : value - planned
  switch (id) {
    case 'forePair':
      return sayPair(['foreleg', 'forelegs'], told, isFine, moreCoat(value))
    case 'hindPair':
      return sayPair(['hind leg', 'hind legs'], told, isFine, moreCoat(value))
    case 'flankPair':
      return sayPair(
        ['flank', 'flanks'],
        told,
        isFine,
        (more) => `carries ${mm(value)} more coat than the ${other(more)} at mid rib: take ${mm(value)} off.`
      )
    case 'breechPair':
      return sayPair(
        ['thigh', 'thighs'],
        told,
        isFine,
        (more) => `reaches ${mm(value)} farther out than the ${other(more)}: see that the dog stands square, then take ${mm(value)} off.`
      )
    case 'foreTops':
      return sayLevel(['front bracelet', 'front bracelets'], told, isFine)
    case 'hindTops':
      return sayLevel(['rear bracelet', 'rear bracelets'], told, isFine)
    case 'bandLevel':
      return isFine || round(value) < 1
        ? `The tail band is level to within ${within(told)}.`
        : `The tail band ends ${mm(value)} higher on the ${value > 0 ? 'left' : 'right'}: bring it level.`
    case 'frontColumn':
      return isFine
        ? `Seen from the front, the ${side} foreleg is straight to within ${within(told)}.`
        : `Seen from the front, the ${side} foreleg is out of straight by ${mm(value)}: comb it out and even its outer edge.`
    case 'shoulderRise':
      return isFine
        ? `The ${side} shoulder stands ${mm(value)} over the line from neck to elbow, as planned.`
        : `The ${side} shoulder stands ${mm(value)} over the line from neck to elbow, ${mm(off)} ${off > 0 ? 'more than planned: take it down.' : 'less than planned: leave it.'}`
    case 'hocksParallel':
      return isFine
        ? 'Seen from behind, the hind legs run as planned.'
        : `Seen from behind, the hind legs are ${round(off)} degrees ${off > 0 ? 'wider' : 'narrower'} at the feet than planned: even the coat ${off > 0 ? 'outside the feet' : 'outside the hocks'}.`
    case 'neckRise':
      return isFine || round(value) < 1
        ? `Seen from above, the ${side} side of the neck is flat to within ${within(told)}.`
        : `Seen from above, the neck bulges ${mm(value)} on its ${side} side: take it down.`
    case 'elbowWidth':
      return `The dog is ${mm(value)} wide at the elbows${beside(planned, ' mm')}.`
    case 'waist':
      return `The waist is ${round(value)} % as wide as the ribs${beside(planned, ' %')}.`
    case 'ribSpring':
      return `The ribs are ${round(value)} % as wide as the back is long${beside(planned, ' %')}.`
    case 'spineBend':
      return round(value) <= BENT_MM
        ? `The dog stands straight to within ${within(told)}.`
        : `The dog stands bent by ${mm(value)}: straighten it and take the picture again before you compare its sides.`
    case 'backPart':
      return isFine
        ? `The part along the back is straight to within ${within(told)}.`
        : `The part along the back is out of straight by ${mm(value)}: part it again.`
    default:
      return null
  }
}

/** A spine within this is straight, mm. Chosen: what a dog that stands still sways by. */
const BENT_MM = 6
