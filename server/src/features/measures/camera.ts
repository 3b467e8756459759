// The table camera: a device of its own on this machine, asked over loopback for a picture of what stands before it.
import { MOMENTS, type Me, type PictureView } from '@peen/contract'
import { bodyById, coatFor, colouringOf } from '@peen/content'
import { fitBody, sizedTo } from '@peen/core/figure'
import { SEEN } from '@peen/core/measure'
import { refuse, type Services } from '../../http'
import { visitRow } from '../practice'
import { standardAgreed } from '../agreed'
import { addPicture, cameraUrl } from '../visits'

/** A camera that has not answered by then is out of order. */
const WAIT_MS = 60_000

/** Takes a picture of the dog that stands at this visit's table, and keeps it as one that was uploaded. */
export async function takePicture(services: Services, actor: Me, visitId: string, moment: string, stance: string): Promise<PictureView> {
  const url = cameraUrl()
  if (!url) throw refuse.conflict('noCamera', 'No table camera is connected. Choose a picture instead.')
  if (!(SEEN as readonly string[]).includes(stance) || !(MOMENTS as readonly string[]).includes(moment))
    throw refuse.invalid([{ path: 'stance', detail: `Stance is ${stance.slice(0, 20)}; the table camera takes ${SEEN.join(', ')}.` }])
  const { visit, dog } = await visitRow(services.db, visitId)
  // what was agreed for this dog is what stands on it when it is finished
  const standard = await standardAgreed(services.db, visit)
  const coat = coatFor(dog.bodyType, standard.plan.drawnAs)
  const body = bodyById(dog.bodyType)
  const { withersMm } = dog
  const before = {
    name: dog.name,
    seen: stance,
    moment,
    withersMm,
    body: fitBody(body, { withersMm, ...dog.profile?.own }),
    coat: { ...coat, lengths: standard.plan.lengthsMm, shapes: sizedTo(coat.shapes, withersMm / body.withersMm) },
    colouring: colouringOf(dog.colour)
  }
  const answer = await fetch(`${url}/snapshot`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(before),
    signal: AbortSignal.timeout(WAIT_MS)
  }).catch(() => null)
  if (!answer?.ok)
    throw refuse.conflict('cameraSilent', 'The table camera is not answering. Nothing was changed: try again, or choose a picture.')
  return addPicture(services, actor, visitId, moment, stance, Buffer.from(await answer.arrayBuffer()))
}
