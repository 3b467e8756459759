import { liftHoldSchema, type LiftHold } from '@peen/contract'
import { route, type Route } from '../../http'
import { apprenticeList, apprenticeView, liftHold } from './apprentices'

export const apprenticeRoutes: readonly Route[] = [
  route('get', '/apprentices', ['lead', 'instructor', 'apprentice'], ({ services, actor }) => apprenticeList(services, actor)),
  route('get', '/apprentices/:id', ['lead', 'instructor', 'apprentice'], ({ services, actor, params }) =>
    apprenticeView(services, actor, params.id)
  ),
  route<LiftHold>(
    'post',
    '/apprentices/:id/lift-hold',
    ['lead'],
    ({ services, actor, params, body }) => liftHold(services, actor, params.id, body),
    liftHoldSchema
  )
]
