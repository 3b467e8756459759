// How far proposed points lie from where a dog really has them: drawn dogs whose bodies differ from their plan.
import {
  frameOf,
  measureSpec,
  onDarkSpots,
  plannedView,
  proposePlaces,
  toMm,
  type PhotoPlace,
  type PhotoPoint,
  type Picture
} from '@peen/core/measure'
import { randomFrom, seedOf } from '@peen/core/stats'
import { stageOf } from '../camera'
import type { TrialDog } from './dogs'
import { scaleSaid } from './scale'
import { outlineSeen, pxOf, taken, truthOf } from './trial'

export type ProposedRow = {
  readonly place: PhotoPlace
  /** across and down, mm */ readonly off: PhotoPoint
  /** does this trim measure by it? */ readonly isUsed: boolean
}

/**
 * Each place of a view that is proposed, and how far off. The outline is the true one; `withPicture` lets eyes and nose be put on the dark
 * spots of a picture, as they are at the desk.
 * @throws CoreError where the outline is taken for something else
 */
export function proposedOf(dog: TrialDog, seed: number, withPicture = false): readonly ProposedRow[] {
  const random = randomFrom(seedOf(`proposed ${seed}`))
  const { scene, seen, said, trim } = dog
  const stage = stageOf(scene)
  const { widthPx, heightPx } = scene.picture
  const frame = frameOf(seen, { widthPx, heightPx }, scaleSaid(dog, stage, null, random))
  const planned = plannedView({ body: trim.body, withersMm: said.withersMm, coat: trim.coat, lengths: trim.coat.lengths }, seen)
  const { trace, depths } = truthOf(dog, stage)
  const picture: Picture | null = withPicture && seen === 'head' ? taken(dog) : null
  const proposed = proposePlaces(frame, outlineSeen(stage), planned).places
  const places = picture ? onDarkSpots(picture, proposed) : proposed
  const ids = (seen === 'head' ? trim.measures.head : trim.measures.profile) ?? []
  const used = new Set(ids.flatMap((id) => [...measureSpec(id).places, ...(measureSpec(id).optional ?? [])]))
  return (Object.entries(places) as [PhotoPlace, PhotoPoint][]).flatMap(([place, at]) => {
    const own = trace.places[place]
    if (!own) return []
    const depth = depths[place] ?? 0
    const [[x, y], [u, v]] = [toMm(frame, at, depth), toMm(frame, pxOf(stage, own, depth), depth)]
    return [{ place, off: [x - u, y - v], isUsed: used.has(place) }]
  })
}
