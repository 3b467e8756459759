// A bare dog from one view.
import type { BodyType, Skeleton } from '../body'
import type { Coat, DentPlaces, Fault, Skin, ViewId } from '../coat'
import { buildAbove } from './above'
import { buildFront } from './front'
import { buildHead } from './head'
import type { HeadFace } from './head-layers'
import { buildRear } from './rear'
import { buildSide } from './side'
import type { Point } from '../vec'

export type { HeadFace } from './head-layers'

/** `castsShadow` names layers that throw a soft shadow on what lies below. `face` where a face looks at the viewer. */
export type ViewSkin = Skin & {
  readonly dentPlaces: DentPlaces
  readonly castsShadow: readonly string[]
  readonly face?: HeadFace
  readonly eyeY?: number
  /** the nose where only its tip is seen, from above */
  readonly noseAt?: Point
}

/** A bare dog, its outline in steps of a millimetre or two, but never finer than `finestMm`. */
export function buildSkin(view: ViewId, body: BodyType, skeleton: Skeleton, coat: Coat, faults: readonly Fault[], finestMm = 0): ViewSkin {
  if (view === 'side') return { ...buildSide(body, skeleton, coat, faults, finestMm), castsShadow: ['ear'] }
  if (view === 'head') return { ...buildHead(body, skeleton, coat, finestMm), castsShadow: ['earLeft', 'earRight', 'topknot'] }
  if (view === 'front')
    return { ...buildFront(body, skeleton, coat, faults, finestMm), castsShadow: ['earLeft', 'earRight', 'topknot', 'skull'] }
  if (view === 'rear') return { ...buildRear(body, skeleton, coat, faults, finestMm), castsShadow: [] }
  return { ...buildAbove(body, skeleton, coat, faults, finestMm), castsShadow: ['head'] }
}
