import { gradeRulesSchema, houseRulesSchema, roomSchema, type HouseRules, type Room } from '@peen/contract'
import type { GradeRules } from '@peen/core/grade'
import type { Schema } from 'yup'
import { route, type Route } from '../../http'
import { chooseHouseRules, gradeRulesOf, keepGradeRules, keepRoom, schoolView } from './school'

export {
  ensureSchool,
  gradeRulesOf,
  houseOf,
  inShippedOrder,
  knownTo,
  loadContent,
  rackOf,
  schoolRow,
  DERIVED_BY,
  techniquesOf
} from './school'
export { everyStandard, newestStandards, retiredOf, standardOf, trimNames } from './versions'

export const schoolRoutes: readonly Route[] = [
  route('get', '/school', ['lead', 'instructor', 'apprentice'], ({ services }) => schoolView(services)),
  route<HouseRules>(
    'put',
    '/school/house-rules',
    ['lead'],
    ({ services, body }) => chooseHouseRules(services, body),
    houseRulesSchema as unknown as Schema<HouseRules>
  ),
  route('get', '/grade-rules', ['lead', 'instructor', 'apprentice'], ({ services }) => gradeRulesOf(services.db)),
  route<GradeRules>('put', '/grade-rules', ['lead'], ({ services, body }) => keepGradeRules(services, body), gradeRulesSchema),
  route<Room>('put', '/school/room', ['lead'], ({ services, body }) => keepRoom(services, body), roomSchema)
]
