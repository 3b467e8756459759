import { serve, type Route } from '../../http'
import { credentialOf } from '../credentials'
import { declineFinding, draftFinding, findingList, findingView, signFinding } from './findings'

export { declineFinding, draftFinding, findingView, signFinding } from './findings'

export const certifyRoutes: readonly Route[] = [
  serve('findings', ({ services }) => findingList(services), { alike: 'staff' }),
  serve('draftFinding', ({ services, actor, body }) => draftFinding(services, actor, body)),
  serve('finding', ({ services, actor, params }) => findingView(services, actor, params.id)),
  serve('signFinding', async ({ services, actor, params }) => {
    const answer = await signFinding(services, actor, params.id)
    // what goes out of the house is made at once where the key is there; else when it is first asked for
    if (answer.status === 'issued')
      await credentialOf(services, params.id).catch((error: Error) => services.log.warn(`no credential yet: ${error.message}`))
    return answer
  }),
  serve('declineFinding', ({ services, actor, params, body }) => declineFinding(services, actor, params.id, body))
]
