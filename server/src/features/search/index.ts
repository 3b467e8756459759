import { serve, type Route } from '../../http'
import { search } from './search'

export { search } from './search'

export const searchRoutes: readonly Route[] = [serve('search', ({ services, actor, query }) => search(services, actor, query.words ?? ''))]
