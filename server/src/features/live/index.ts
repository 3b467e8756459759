import { refuse, serve, type Route } from '../../http'
import { COOKIE, whoIs } from '../auth'
import { listen } from './stream'

export { streamsOf } from './stream'
export { eventsAfter, givePositions, placeAll } from './positions'

function positionOf(text: string): number {
  const position = Number(text)
  if (!Number.isInteger(position) || position < 0)
    throw refuse.invalid([{ path: 'after', detail: `After is ${text.slice(0, 20)}; it must be a position of the log, 0 or more.` }])
  return position
}

export const liveRoutes: readonly Route[] = [
  serve('live', ({ services, actor, response, query, lastEventId, cookies }) => {
    const from = lastEventId ?? query.after
    return listen(
      services,
      actor,
      response,
      from === undefined ? null : positionOf(from),
      async () => (await whoIs(services, cookies[COOKIE])) !== null
    )
  })
]
