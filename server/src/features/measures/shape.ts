// A second opinion on an outline: the finder's, in a process of its own.
import type { Me, ShapeAsked } from '@peen/contract'
import type { PhotoPoint } from '@peen/core/measure'
import { findByShape, FinderAway } from '../../finder'
import { refuse, type Services } from '../../http'
import { pictureBytes } from '../visits'

/** @throws Refused `noShape` where nothing stands out there, `finderAway` where the finder does not answer */
export async function outlineByShape(
  services: Services,
  actor: Me,
  pictureId: string,
  { ring }: ShapeAsked
): Promise<{ readonly ring: readonly PhotoPoint[] }> {
  const bytes = await pictureBytes(services, actor, pictureId)
  const found = await findByShape(bytes, ring).catch((error: unknown) => {
    if (!(error instanceof FinderAway)) throw error
    throw refuse.conflict(
      'finderAway',
      'Peen could not look for the dog’s shape just now. The outline stays as it was: try again, or paint it.'
    )
  })
  if (!found)
    throw refuse.conflict(
      'noShape',
      'Nothing that ends like this dog was found there. The outline stays as it was: touch both places again, or paint it.'
    )
  return { ring: found }
}
