import { serve, type Route } from '../../http'
import { appoint, assessmentBook, callDay, dropDay, release } from './book'
import { agree, assessmentPage, borderlines, settle } from './settle'

export { agree, appoint, callDay, settle }

export const assessmentRoutes: readonly Route[] = [
  serve('assessments', ({ services }) => assessmentBook(services)),
  serve('callDay', ({ services, actor, body }) => callDay(services, actor, body.onDate)),
  serve('dropDay', ({ services, params }) => dropDay(services, params.on)),
  serve('assessment', ({ services, actor, params }) => assessmentPage(services, actor, params.id)),
  serve('appoint', ({ services, actor, params, body }) => appoint(services, actor, params.id, body)),
  serve('release', ({ services, actor, params }) => release(services, actor, params.id)),
  serve('settle', ({ services, actor, params, body }) => settle(services, actor, params.id, body)),
  serve('agree', ({ services, actor, params }) => agree(services, actor, params.id)),
  serve('borderlines', ({ services, actor }) => borderlines(services, actor))
]
