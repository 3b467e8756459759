import { route, type Route } from '../../http'
import { schoolView } from './school'

export { ensureSchool, loadContent, newestStandards, rackOf, schoolRow, standardOf } from './school'

export const schoolRoutes: readonly Route[] = [
  route('get', '/school', ['lead', 'instructor', 'apprentice'], ({ services }) => schoolView(services))
]
