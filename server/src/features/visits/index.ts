import { refuse, serve, type Route } from '../../http'
export { addPicture, cameraUrl, hasCamera, pictureBytes, picturesOf } from './pictures'
export { agreedFor, agreeOn, sayReady } from './visit'
import { visitsOfApprentice, visitsOfDog } from './history'
import { addPicture, pictureBytes, removePicture } from './pictures'
import { closeVisit, keepChosen, keepFound, sayReady, visitPage } from './visit'

export const visitRoutes: readonly Route[] = [
  serve('visit', ({ services, actor, params }) => visitPage(services, actor, params.id)),
  // an apprentice notes what came in with the own dog; that it is ready to cut is an instructor's word
  serve('keepFound', ({ services, actor, params, body }) => keepFound(services, actor, params.id, body)),
  serve('visitsOfDog', ({ services, actor, params }) => visitsOfDog(services, actor, params.id)),
  serve('visitsOfApprentice', async ({ services, actor, params }) => {
    if (actor.role === 'apprentice' && actor.id !== params.id) throw refuse.forbidden('Apprentices can read only their own records.')
    return visitsOfApprentice(services, params.id)
  }),
  serve('sayReady', ({ services, actor, params, body }) => sayReady(services, actor, params.id, body)),
  serve('keepChosen', ({ services, actor, params, body }) => keepChosen(services, actor, params.id, body)),
  serve('closeVisit', ({ services, actor, params, body }) => closeVisit(services, actor, params.id, body)),
  serve('addPicture', ({ services, actor, params, query, body }) =>
    addPicture(services, actor, params.id, params.moment, params.stance, body as unknown as Buffer, query.as)
  ),
  serve('removePicture', ({ services, params }) => removePicture(services, params.id)),
  serve('picture', async ({ services, actor, params, response }) => {
    response.type('image/jpeg').send(await pictureBytes(services, actor, params.id))
  })
]
