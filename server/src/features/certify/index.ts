import { declineSchema, draftFindingSchema, type Decline, type DraftFinding } from '@peen/contract'
import { route, type Route } from '../../http'
import { declineFinding, draftFinding, findingList, findingView, signFinding } from './findings'

export { declineFinding, draftFinding, findingView, signFinding } from './findings'

export const certifyRoutes: readonly Route[] = [
  route('get', '/findings', ['lead', 'instructor'], ({ services }) => findingList(services)),
  route<DraftFinding>(
    'post',
    '/findings',
    ['lead', 'instructor'],
    ({ services, actor, body }) => draftFinding(services, actor, body),
    draftFindingSchema
  ),
  route('get', '/findings/:id', ['lead', 'instructor', 'apprentice'], ({ services, actor, params }) =>
    findingView(services, actor, params.id)
  ),
  route('post', '/findings/:id/sign', ['lead', 'instructor'], ({ services, actor, params }) => signFinding(services, actor, params.id)),
  route<Decline>(
    'post',
    '/findings/:id/decline',
    ['lead'],
    ({ services, actor, params, body }) => declineFinding(services, actor, params.id, body),
    declineSchema
  )
]
