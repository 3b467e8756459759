import { serve, type Route } from '../../http'
import { floorView, keepRounds, placeTable } from './floor'

export const floorRoutes: readonly Route[] = [
  serve('floor', ({ services, actor }) => floorView(services, actor), { alike: 'staff' }),
  serve('keepRounds', ({ services, actor, body }) => keepRounds(services, actor, body)),
  serve('placeTable', ({ services, actor, params, body }) => placeTable(services, actor, params.id, body))
]
