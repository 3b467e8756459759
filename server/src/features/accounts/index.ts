import { route, type Route } from '../../http'
import { confirmAccount } from './accounts'

export { accountEvents, recordAccount, refuseUnsettled, waitsForWelcome } from './accounts'

export const accountRoutes: readonly Route[] = [
  route('post', '/people/:id/confirm', ['lead', 'instructor'], ({ services, actor, params }) => confirmAccount(services, actor, params.id))
]
