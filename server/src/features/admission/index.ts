import { serve, type Route } from '../../http'
import { keep } from '../auth'
import { addPerson, invite, keepCohort, peopleView, resetPassword, retire, welcome } from './admission'

export { inviteWithin, letterFromConsole } from './admission'

export const admissionRoutes: readonly Route[] = [
  serve('people', ({ services, actor }) => peopleView(services, actor)),
  serve('addPerson', ({ services, actor, body }) => addPerson(services, actor, body)),
  serve('invite', ({ services, actor, body }) => invite(services, actor, body)),
  serve('welcome', async ({ services, body, response, cookies }) => keep(response, cookies, await welcome(services, body))),
  serve('resetPassword', ({ services, actor, params }) => resetPassword(services, actor, params.id)),
  serve('retirePerson', ({ services, actor, params, body }) => retire(services, actor, params.id, body)),
  serve('keepCohort', ({ services, body }) => keepCohort(services, body))
]
