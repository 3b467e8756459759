import {
  chosenSchema,
  closingSchema,
  foundSchema,
  gateSchema,
  type NewChosen,
  type NewClosing,
  type NewFound,
  type NewGate
} from '@peen/contract'
import { reading, refuse, route, type Route } from '../../http'
export { addPicture, picturesOf } from './pictures'
export { agreedFor, agreeOn, sayReady } from './visit'
import { visitsOfApprentice, visitsOfDog } from './history'
import { addPicture, pictureBytes, removePicture } from './pictures'
import { closeVisit, keepChosen, keepFound, sayReady, visitPage } from './visit'

const EVERYBODY = ['lead', 'instructor', 'apprentice'] as const
const STAFF = ['lead', 'instructor'] as const

export const visitRoutes: readonly Route[] = [
  route('get', '/visits/:id', EVERYBODY, ({ services, actor, params }) => visitPage(services, actor, params.id)),
  // an apprentice notes what came in with the own dog; that it is ready to cut is an instructor's word
  route<NewFound>(
    'put',
    '/visits/:id/found',
    EVERYBODY,
    ({ services, actor, params, body }) => keepFound(services, actor, params.id, body),
    foundSchema as never
  ),
  route('get', '/dogs/:id/visits', EVERYBODY, ({ services, actor, params }) => visitsOfDog(services, actor, params.id)),
  route('get', '/apprentices/:id/visits', EVERYBODY, async ({ services, actor, params }) => {
    if (actor.role === 'apprentice' && actor.id !== params.id) throw refuse.forbidden('An apprentice reads own records only.')
    return visitsOfApprentice(services, params.id)
  }),
  route<NewGate>(
    'put',
    '/visits/:id/gate',
    STAFF,
    ({ services, actor, params, body }) => sayReady(services, actor, params.id, body),
    gateSchema
  ),
  route<NewChosen>(
    'put',
    '/visits/:id/chosen',
    STAFF,
    ({ services, actor, params, body }) => keepChosen(services, actor, params.id, body),
    chosenSchema as never
  ),
  route<NewClosing>(
    'put',
    '/visits/:id/closing',
    STAFF,
    ({ services, actor, params, body }) => closeVisit(services, actor, params.id, body),
    closingSchema as never
  ),
  reading(
    'picture',
    route('post', '/visits/:id/pictures/:moment/:stance', EVERYBODY, ({ services, actor, params, body }) =>
      addPicture(services, actor, params.id, params.moment, params.stance, body as unknown as Buffer)
    )
  ),
  route('post', '/pictures/:id/remove', STAFF, ({ services, params }) => removePicture(services, params.id)),
  route('get', '/pictures/:id', EVERYBODY, async ({ services, actor, params, response }) => {
    response.type('image/jpeg').send(await pictureBytes(services, actor, params.id))
  })
]
