import { serve, type Route } from '../../http'
import { exportRack, importRack, keepRack, rackView, undoRack } from './rack'

export const rackRoutes: readonly Route[] = [
  serve('rack', ({ services }) => rackView(services.db)),
  serve('keepRack', ({ services, actor, body }) => keepRack(services, actor, body)),
  serve('undoRack', ({ services }) => undoRack(services)),
  serve('importRack', ({ services, actor, body }) => importRack(services, actor, body)),
  serve('rackTable', async ({ services, response }) => {
    response
      .type('text/csv')
      .attachment('rack.csv')
      .send(await exportRack(services))
  })
]
