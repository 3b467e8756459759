import { serve, type Route } from '../../http'
import { takeBusyIn } from './file'
import { addOff, keepOpening, removeOff } from './opening'

export { at } from './busy'
export { addOff, awayOn, keepOpening, offFrom, offOf, openingOf, schoolOff } from './opening'

export const openingRoutes: readonly Route[] = [
  serve('keepOpening', ({ services, body }) => keepOpening(services, body)),
  serve('addOff', ({ services, actor, body }) => addOff(services, actor, body)),
  serve('removeOff', ({ services, actor, params }) => removeOff(services, actor, params.id)),
  serve('takeBusyIn', ({ services, actor, params, body }) => takeBusyIn(services, actor, params.about, params.id, body))
]
