import { draftSchema, openGradingSchema, signGradingSchema, type Draft, type OpenGrading, type SignGrading } from '@peen/contract'
import { route, type Route } from '../../http'
import { differByMethod } from './by-method'
import { gradingView, openGrading, readGrading, saveDraft, signGrading } from './grading'
import { trimList } from './list'

export { rememberAll, rememberReading, unreadOf, waitsForOwnWord } from './blindness'
export { gradingView, openGrading, saveDraft, signGrading } from './grading'

/** A page of a list, from 0; what is no page is the first. */
const pageIn = (text: string | undefined) => (/^\d{1,5}$/.test(text ?? '') ? Number(text) : 0)

export const gradingRoutes: readonly Route[] = [
  route('get', '/trims', ['lead', 'instructor', 'apprentice'], ({ services, actor, query }) =>
    trimList(services, actor, pageIn(query.page))
  ),
  route<OpenGrading>(
    'post',
    '/sessions/:id/gradings',
    ['lead', 'instructor'],
    ({ services, actor, params, body }) => openGrading(services, actor, params.id, body),
    openGradingSchema
  ),
  route('get', '/gradings/by-method', ['lead'], ({ services, actor }) => differByMethod(services, actor)),
  route('get', '/gradings/:id', ['lead', 'instructor', 'apprentice'], ({ services, actor, params }) =>
    gradingView(services, actor, params.id)
  ),
  route('post', '/gradings/:id/read', ['lead', 'instructor'], ({ services, actor, params }) => readGrading(services, actor, params.id)),
  route<Draft>(
    'put',
    '/gradings/:id',
    ['lead', 'instructor'],
    ({ services, actor, params, body }) => saveDraft(services, actor, params.id, body),
    draftSchema as never
  ),
  route<SignGrading>(
    'post',
    '/gradings/:id/sign',
    ['lead', 'instructor'],
    ({ services, actor, params, body }) => signGrading(services, actor, params.id, body),
    signGradingSchema
  )
]
