// What an outline is asked about, rightly found and spoilt in ways that real rooms spoil one.
import {
  disagreementsOf,
  frameOf,
  NO_CORRECTIONS,
  plannedView,
  proposePlaces,
  type Frame,
  type PhotoPoint,
  type PlannedView
} from '@peen/core/measure'
import { CoreError } from '@peen/core/error'
import { diff, union } from 'martinez-polygon-clipping'
import { rulerCorner, stageOf } from '../camera'
import type { TrialDog } from './dogs'
import { toPixel } from './scale'
import { outlineSeen } from './trial'

/** `window`: a window's corner runs into the back or the ear; `shelf`: a board into the breast or the cheek; `lost`: a leg, or the neck; `half`: the front end. */
export const SPOILT = ['right', 'window', 'shelf', 'lost', 'half'] as const
export type Spoilt = (typeof SPOILT)[number]
/** `asked`: a place is asked about; `refused`: it is told to be no dog; `sure`: neither. */
export type AskedRow = { readonly spoilt: Spoilt; readonly told: 'asked' | 'refused' | 'sure'; readonly radiusMm: number }
type Ring = readonly PhotoPoint[]

/** Boxes in shares of the dog's own: left, top, right, bottom. */
const BOXES: Readonly<Record<Exclude<Spoilt, 'right'>, readonly [number, number, number, number]>> = {
  window: [0.5, -0.3, 0.9, 0.4],
  shelf: [-0.3, 0.3, 0.5, 0.4],
  lost: [0.55, 0.6, 1.2, 1.2],
  half: [-0.1, -0.1, 0.3, 1.1]
}

/** One drawn dog's outline, as the pinhole sees it, and what of it is asked about in each case. */
export function askedOf(dog: TrialDog): readonly AskedRow[] {
  const { frame, outline, planned } = seenBy(dog)
  return SPOILT.map((spoilt) => ({ spoilt, ...toldOf(frame, spoiltBy(spoilt, outline), planned) }))
}

function seenBy({ scene, seen, said, trim }: TrialDog): { readonly frame: Frame; readonly outline: Ring; readonly planned: PlannedView } {
  const stage = stageOf(scene)
  const px = (place: readonly [number, number, number]) => toPixel(stage, place)
  const [left, foot] = rulerCorner(stage)
  const { lengthMm, depthMm } = scene.ruler!
  const frame = frameOf(seen, scene.picture, {
    ...{ what: 'ruler', upright: true, lengthMm, behindMm: said.behindMm, behindUMm: said.behindUMm, cameraMm: said.cameraMm },
    ...{ ends: [px([left, foot + lengthMm, depthMm]), px([left, foot, depthMm])], endUPx: 1, check: null }
  })
  const planned = plannedView({ body: trim.body, withersMm: said.withersMm, coat: trim.coat, lengths: trim.coat.lengths }, seen)
  return { frame, outline: outlineSeen(stage), planned }
}

function spoiltBy(spoilt: Spoilt, outline: Ring): Ring {
  if (spoilt === 'right') return outline
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)]
  const [left, top] = [Math.min(...xs), Math.min(...ys)]
  const at = (x: number, y: number): [number, number] => [left + x * (Math.max(...xs) - left), top + y * (Math.max(...ys) - top)]
  const [l, t, r, b] = BOXES[spoilt]
  const box = [at(l, t), at(r, t), at(r, b), at(l, b), at(l, t)]
  const dog = outline.map(([x, y]): [number, number] => [x, y])
  const isMore = spoilt === 'window' || spoilt === 'shelf'
  const found = (isMore ? union([[...dog, dog[0]!]], [box]) : diff([[...dog, dog[0]!]], [box])) as [number, number][][][]
  return found.map(([outer]) => outer!.slice(0, -1)).reduce((most, ring) => (ring.length > most.length ? ring : most))
}

function toldOf(frame: Frame, outline: Ring, planned: PlannedView): Omit<AskedRow, 'spoilt'> {
  try {
    const { laid } = proposePlaces(frame, outline, planned)
    const [most] = disagreementsOf(frame, outline, planned, laid, NO_CORRECTIONS)
    return { told: most ? 'asked' : 'sure', radiusMm: most?.radiusMm ?? 0 }
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    return { told: 'refused', radiusMm: Infinity }
  }
}
