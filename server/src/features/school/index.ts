import { serve, type Route } from '../../http'
import { chooseHouseRules, gradeRulesOf, keepGradeRules, keepRoom, schoolView } from './school'

export {
  ensureSchool,
  gradeRulesOf,
  houseOf,
  inShippedOrder,
  knownTo,
  loadContent,
  rackOf,
  houseIn,
  schoolRow,
  techniquesOf
} from './school'
export { DERIVED_BY } from './derived-by'
export { everyStandard, newestStandards, retiredOf, standardOf, trimNames } from './versions'

export const schoolRoutes: readonly Route[] = [
  serve('school', ({ services }) => schoolView(services), { alike: 'staff' }),
  serve('chooseHouseRules', ({ services, body }) => chooseHouseRules(services, body)),
  serve('gradeRules', ({ services }) => gradeRulesOf(services.db)),
  serve('keepGradeRules', ({ services, body }) => keepGradeRules(services, body)),
  serve('keepRoom', ({ services, body }) => keepRoom(services, body))
]
