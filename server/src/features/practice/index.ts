import { eventBatchSchema } from '@peen/contract'
import { route, type Route } from '../../http'
import { recordEvents } from './record'
import { sessionView } from './session'

export { cuts, foundIn, houseAtGate, houseOfVisit, standardOfVisit, stepsOfVisit, workOfVisit } from './found'
export { holdsFor } from './holds'
export { outsideOf } from './instructor'
export { recordEvents } from './record'
export { sessionRow, sessionRows } from './session'

export const practiceRoutes: readonly Route[] = [
  route('get', '/sessions/:id', ['lead', 'instructor', 'apprentice'], ({ services, actor, params }) =>
    sessionView(services, actor, params.id)
  ),
  route<{ events: unknown[]; sentAt?: string }>(
    'post',
    '/sessions/:id/events',
    ['lead', 'instructor', 'apprentice'],
    async ({ services, actor, params, body, response }) => {
      const { answers, status } = await recordEvents(services, actor, params.id, body.events, {
        sentAt: body.sentAt ?? null,
        deviceId: actor.deviceId
      })
      response.status(status)
      return { answers, detail: status === 200 ? undefined : answers[0].detail }
    },
    eventBatchSchema as never
  )
]
