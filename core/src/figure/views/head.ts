// The head from the front, by itself.
import type { BodyType, Skeleton } from '../body'
import { finishLayer, type Coat, type DentPlaces, type Skin } from '../coat'
import { lerp } from '../vec'
import { headDrafts, headFace, type HeadFace } from './head-layers'
import { headStops } from './head-stops'

export type HeadSkin = Skin & { readonly dentPlaces: DentPlaces; readonly face: HeadFace; readonly eyeY: number }

export function buildHead(body: BodyType, skeleton: Skeleton, coat: Coat, finestMm: number): HeadSkin {
  const face = headFace(body, skeleton, body.frontPitch)
  const stepMm = Math.max(0.8, face.skullMm / 110, finestMm)
  const s = face.skullMm
  return {
    view: 'head',
    body,
    skeleton,
    layers: headDrafts(body, coat, face, 0, stepMm).map(finishLayer),
    stepMm,
    face,
    eyeY: 0,
    dentPlaces: {
      heightMm: s,
      spots: {
        skull: { layer: 'skull', at: [0.1 * s, face.topY * 0.7] },
        cheek: { layer: 'skull', at: [0.34 * s, lerp(0, face.jawY, 0.4)] },
        beard: { layer: 'muzzle', at: [0, lerp(face.noseY, face.chinY, 0.6)] },
        earOutside: { layer: 'earLeft', at: [0.56 * s, lerp(face.earY[0], face.earY[1], 0.6)] }
      },
      topline: null,
      legs: [],
      stop: { layer: 'skull', at: [0, face.stopY + 0.1 * s], reachMm: 0.13 * s }
    },
    stops: (worn, _plan, faults) => headStops(body, face, 0, worn, faults)
  }
}
