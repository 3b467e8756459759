import { houseRulesSchema, roomSchema, type HouseRules, type Room } from '@peen/contract'
import type { Schema } from 'yup'
import { route, type Route } from '../../http'
import { chooseHouseRules, keepRoom, schoolView } from './school'

export {
  ensureSchool,
  houseOf,
  inShippedOrder,
  knownTo,
  loadContent,
  newestStandards,
  rackOf,
  retiredOf,
  schoolRow,
  DERIVED_BY,
  standardOf,
  techniquesOf
} from './school'

export const schoolRoutes: readonly Route[] = [
  route('get', '/school', ['lead', 'instructor', 'apprentice'], ({ services }) => schoolView(services)),
  route<HouseRules>(
    'put',
    '/school/house-rules',
    ['lead'],
    ({ services, body }) => chooseHouseRules(services, body),
    houseRulesSchema as unknown as Schema<HouseRules>
  ),
  route<Room>('put', '/school/room', ['lead'], ({ services, body }) => keepRoom(services, body), roomSchema)
]
