import { houseRulesSchema, type HouseRules } from '@peen/contract'
import type { Schema } from 'yup'
import { route, type Route } from '../../http'
import { chooseHouseRules, schoolView } from './school'

export { ensureSchool, loadContent, newestStandards, rackOf, schoolRow, standardOf } from './school'

export const schoolRoutes: readonly Route[] = [
  route('get', '/school', ['lead', 'instructor', 'apprentice'], ({ services }) => schoolView(services)),
  route<HouseRules>(
    'put',
    '/school/house-rules',
    ['lead'],
    ({ services, body }) => chooseHouseRules(services, body),
    houseRulesSchema as unknown as Schema<HouseRules>
  )
]
