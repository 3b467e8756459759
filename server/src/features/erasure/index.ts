import { route, type Route } from '../../http'
import { eraseApprentice, erasureView } from './apprentice'

export { scrubNotes, scrubVisits, withoutPerson } from './scrub'

export const erasureRoutes: readonly Route[] = [
  route('get', '/people/:id/erasure', ['lead'], ({ services, params }) => erasureView(services, params.id)),
  route('post', '/people/:id/erase', ['lead'], ({ services, actor, params }) => eraseApprentice(services, actor, params.id))
]
