import { techniqueSchema, type NewTechnique } from '@peen/contract'
import { route, type Route } from '../../http'
import { keepTechnique, techniquePage } from './techniques'

export { majorFaults } from './techniques'

export const techniqueRoutes: readonly Route[] = [
  route('get', '/techniques/:technique', ['lead', 'instructor', 'apprentice'], ({ services, params }) =>
    techniquePage(services, params.technique)
  ),
  route<NewTechnique>(
    'put',
    '/techniques/:technique',
    ['lead', 'instructor'],
    ({ services, actor, params, body }) => keepTechnique(services, actor, params.technique, body),
    techniqueSchema as never
  )
]
