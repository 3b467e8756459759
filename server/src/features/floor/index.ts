import { roundsSchema, type Rounds } from '@peen/contract'
import type { Schema } from 'yup'
import { route, type Route } from '../../http'
import { floorView, keepRounds } from './floor'

export const floorRoutes: readonly Route[] = [
  route('get', '/floor', ['lead', 'instructor', 'apprentice'], ({ services, actor }) => floorView(services, actor)),
  route<Rounds>(
    'put',
    '/floor/rounds',
    ['lead'],
    ({ services, actor, body }) => keepRounds(services, actor, body),
    roundsSchema as unknown as Schema<Rounds>
  )
]
