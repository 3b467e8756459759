import { serve, type Route } from '../../http'
import { supplyView } from './supply'

export const supplyRoutes: readonly Route[] = [serve('supply', ({ services, query }) => supplyView(services, query))]
