import { serve, type Route } from '../../http'
import { declineFinding, draftFinding, findingList, findingView, signFinding } from './findings'

export { declineFinding, draftFinding, findingView, signFinding } from './findings'

export const certifyRoutes: readonly Route[] = [
  serve('findings', ({ services }) => findingList(services), { alike: 'staff' }),
  serve('draftFinding', ({ services, actor, body }) => draftFinding(services, actor, body)),
  serve('finding', ({ services, actor, params }) => findingView(services, actor, params.id)),
  serve('signFinding', ({ services, actor, params }) => signFinding(services, actor, params.id)),
  serve('declineFinding', ({ services, actor, params, body }) => declineFinding(services, actor, params.id, body))
]
