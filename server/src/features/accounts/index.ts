import { samePersonSchema, type SamePerson } from '@peen/contract'
import { route, type Route } from '../../http'
import { confirmAccount, saySame } from './accounts'

export { accountEvents, accountsOfOne, recordAccount, refuseUnsettled, waitsForWelcome } from './accounts'

const STAFF = ['lead', 'instructor'] as const

export const accountRoutes: readonly Route[] = [
  route('post', '/people/:id/confirm', STAFF, ({ services, actor, params }) => confirmAccount(services, actor, params.id)),
  route<SamePerson>(
    'post',
    '/people/:id/same',
    STAFF,
    ({ services, actor, params, body }) => saySame(services, actor, params.id, body),
    samePersonSchema
  )
]
