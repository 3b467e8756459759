import { serve, type Route } from '../../http'
import { eraseOwner, ownerOf } from './owner'
import { addDog, previewDogs, takeDogsIn } from './intake'
import { mergeDogs } from './merge'
import { decideStanding, keepProfile } from './profile'
import { dogList, dogPage, keepFacts } from './page'

export { decideStanding } from './profile'

export const dogRoutes: readonly Route[] = [
  serve('dogs', ({ services }) => dogList(services), { alike: 'staff' }),
  serve('dog', ({ services, actor, params }) => dogPage(services, actor, params.id)),
  serve('addDog', ({ services, body }) => addDog(services, body)),
  serve('previewDogs', ({ body }) => previewDogs(String(body))),
  serve('takeDogsIn', ({ services, body }) => takeDogsIn(services, String(body))),
  serve('mergeDogs', ({ services, actor, params, body }) => mergeDogs(services, actor, params.id, body)),
  serve('keepFacts', ({ services, params, body }) => keepFacts(services, params.id, body)),
  serve('keepProfile', ({ services, params, body }) => keepProfile(services, params.id, body)),
  serve('decideStanding', ({ services, actor, params, body }) => decideStanding(services, actor, params.id, body)),
  serve('owner', ({ services, params }) => ownerOf(services, params.id)),
  serve('eraseOwner', ({ services, actor, params }) => eraseOwner(services, actor, params.id))
]
