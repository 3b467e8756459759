import { serve, type Route } from '../../http'
import { keepTechnique, techniquePage } from './techniques'

export { majorFaults } from './techniques'

export const techniqueRoutes: readonly Route[] = [
  serve('technique', ({ services, params }) => techniquePage(services, params.technique)),
  serve('keepTechnique', ({ services, actor, params, body }) => keepTechnique(services, actor, params.technique, body))
]
