import { serve, type Route } from '../../http'
import { recordEvents } from './record'
import { tableView } from './table'

export { cuts, foundIn, houseAtGate, houseOfVisit, standardOfVisit, stepsOfVisit, workOfVisit } from './found'
export { holdsFor } from './holds'
export { outsideOf } from './instructor'
export { recordEvents } from './record'
export { visitRow, visitRows } from './table'

export const practiceRoutes: readonly Route[] = [
  serve('visitWork', ({ services, actor, params }) => tableView(services, actor, params.id)),
  serve('recordEvents', async ({ services, actor, params, body, response }) => {
    const { answers, status } = await recordEvents(services, actor, params.id, body.events, {
      sentAt: body.sentAt ?? null,
      deviceId: actor.deviceId
    })
    response.status(status)
    return { answers, detail: status === 200 ? undefined : answers[0].detail }
  })
]
