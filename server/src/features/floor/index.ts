import { route, type Route } from '../../http'
import { floorView } from './floor'

export const floorRoutes: readonly Route[] = [
  route('get', '/floor', ['lead', 'instructor', 'apprentice'], ({ services, actor }) => floorView(services, actor))
]
