import { roundsSchema, tablePlaceSchema, type Rounds, type TablePlace } from '@peen/contract'
import type { Schema } from 'yup'
import { route, type Route } from '../../http'
import { floorView, keepRounds, placeTable } from './floor'

export const floorRoutes: readonly Route[] = [
  route('get', '/floor', ['lead', 'instructor', 'apprentice'], ({ services, actor }) => floorView(services, actor)),
  route<Rounds>(
    'put',
    '/floor/rounds',
    ['lead'],
    ({ services, actor, body }) => keepRounds(services, actor, body),
    roundsSchema as unknown as Schema<Rounds>
  ),
  route<TablePlace>(
    'put',
    '/tables/:id/place',
    ['lead', 'instructor'],
    ({ services, actor, params, body }) => placeTable(services, actor, params.id, body),
    tablePlaceSchema as Schema<TablePlace>
  )
]
