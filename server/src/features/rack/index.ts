import { rackSchema, type NewRack } from '@peen/contract'
import { reading, route, type Route } from '../../http'
import { exportRack, importRack, keepRack, rackView, undoRack } from './rack'

const STAFF = ['lead', 'instructor'] as const

export const rackRoutes: readonly Route[] = [
  route('get', '/rack', STAFF, ({ services }) => rackView(services.db)),
  route<NewRack>('put', '/rack', ['lead'], ({ services, actor, body }) => keepRack(services, actor, body), rackSchema as never),
  route('post', '/rack/undo', ['lead'], ({ services }) => undoRack(services)),
  reading(
    'csv',
    route('post', '/rack/csv', ['lead'], ({ services, actor, body }) => importRack(services, actor, body))
  ),
  route('get', '/rack/csv', STAFF, async ({ services, response }) => {
    response
      .type('text/csv')
      .attachment('rack.csv')
      .send(await exportRack(services))
  })
]
