import { serve, type Route } from '../../http'
import { eraseApprentice, erasureView } from './apprentice'

export { scrubNotes, scrubVisits, withoutPerson } from './scrub'

export const erasureRoutes: readonly Route[] = [
  serve('erasure', ({ services, params }) => erasureView(services, params.id)),
  serve('erasePerson', ({ services, actor, params }) => eraseApprentice(services, actor, params.id))
]
