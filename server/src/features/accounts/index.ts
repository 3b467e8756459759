import { serve, type Route } from '../../http'
import { confirmAccount, saySame } from './accounts'

export { accountEvents, accountsOfOne, recordAccount, refuseUnsettled, waitsForWelcome } from './accounts'

export const accountRoutes: readonly Route[] = [
  serve('confirmAccount', ({ services, actor, params }) => confirmAccount(services, actor, params.id)),
  serve('saySame', ({ services, actor, params, body }) => saySame(services, actor, params.id, body))
]
