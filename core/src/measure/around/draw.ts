// What is drawn on a picture from the front, the rear or above beside a measure, mm.
import { edgeBetween, stretch } from '../body/curves'
import { middle } from '../photo/head-measures'
import type { PhotoPlace } from '../photo/places'
import { placeIn, type Trace } from '../photo/trace'
import type { PhotoPoint } from '../types'
import type { MeasureId } from '../../terms'
import { reachTo } from './shape'

type Line = { readonly role: 'fit' | 'taken'; readonly points: readonly PhotoPoint[] }

/** @returns null for what is drawn like every other measure: its places two by two, its lines */
export function linesAround({ id, side }: { readonly id: MeasureId; readonly side: string }, trace: Trace): readonly Line[] | null {
  const named = (stem: string) => placeIn(trace, `${stem}${side === 'right' ? 'Right' : 'Left'}` as PhotoPlace)
  const edge = (from: string, to: string, along: typeof stretch): Line[] => [
    { role: 'taken', points: along(trace.outline, named(from), named(to)) },
    { role: 'fit', points: [named(from), named(to)] }
  ]
  switch (id) {
    case 'frontColumn':
      return edge('elbow', 'foot', stretch)
    case 'shoulderRise':
      return edge('neck', 'elbow', stretch)
    case 'neckRise':
      return edge('nape', 'shoulder', edgeBetween)
    case 'breechPair': {
      const [x, y] = placeIn(trace, 'tailRootBehind')
      const across = (place: PhotoPoint): Line => ({ role: 'taken', points: [[x, place[1]], place] })
      const [left, right] = [placeIn(trace, 'breechLeft'), placeIn(trace, 'breechRight')]
      return [{ role: 'fit', points: [[x, y], [x, Math.max(left[1], right[1])]] }, across(left), across(right)] // prettier-ignore
    }
    case 'flankPair':
      return [spineOf(trace), ...acrossAt(trace, middle(placeIn(trace, 'spineWithers'), placeIn(trace, 'spineRib')))]
    case 'spineBend':
      return [
        { role: 'fit', points: [placeIn(trace, 'spineWithers'), placeIn(trace, 'spineTail')] },
        { role: 'taken', points: spineOf(trace).points }
      ]
    case 'waist':
    case 'ribSpring':
      return [{ role: 'fit', points: [placeIn(trace, 'spineWithers'), placeIn(trace, 'spineTail')] }]
    default:
      return null
  }
}

const spineOf = (trace: Trace): Line => ({
  role: 'fit',
  points: (['spineWithers', 'spineRib', 'spineTail'] as const).map((id) => placeIn(trace, id))
})

/** From the spine to the coat's edge on either side. */
function acrossAt(trace: Trace, at: PhotoPoint): Line[] {
  const [from, to] = [placeIn(trace, 'spineWithers'), placeIn(trace, 'spineTail')]
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
  return [1, -1].flatMap((sign): Line[] => {
    const way: PhotoPoint = [-uy * sign, ux * sign]
    const reach = reachTo(trace.outline, at, way)
    return reach === null ? [] : [{ role: 'taken', points: [at, [at[0] + way[0] * reach, at[1] + way[1] * reach]] }]
  })
}
