import { serve, type Route } from '../../http'
import { wallView } from './wall'

export { wallView } from './wall'

export const wallRoutes: readonly Route[] = [serve('wall', ({ services }) => wallView(services), { alike: 'staff' })]
