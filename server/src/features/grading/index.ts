import { serve, type Route } from '../../http'
import { differByMethod } from './by-method'
import { gradingView, openGrading, readGrading, saveDraft, signGrading } from './grading'
import { trimList } from './list'

export { canStillBeBlind, rememberAll, rememberReading, unreadOf, waitsForOwnWord } from './blindness'
export { gradingView, openGrading, saveDraft, signGrading } from './grading'
export { keepGradedWith } from './upgrade'

/** A page of a list, from 0; what is no page is the first. */
const pageIn = (text: string | undefined) => (/^\d{1,5}$/.test(text ?? '') ? Number(text) : 0)

export const gradingRoutes: readonly Route[] = [
  serve('trims', ({ services, actor, query }) => trimList(services, actor, pageIn(query.page))),
  serve('openGrading', ({ services, actor, params, body }) => openGrading(services, actor, params.id, body)),
  serve('differByMethod', ({ services, actor }) => differByMethod(services, actor)),
  serve('grading', ({ services, actor, params }) => gradingView(services, actor, params.id)),
  serve('readGrading', ({ services, actor, params }) => readGrading(services, actor, params.id)),
  serve('saveDraft', ({ services, actor, params, body }) => saveDraft(services, actor, params.id, body)),
  serve('signGrading', ({ services, actor, params, body }) => signGrading(services, actor, params.id, body))
]
