import { appointSchema, assessmentDaySchema, settleSchema, type Appoint, type AssessmentDayBody, type Settle } from '@peen/contract'
import { route, type Route } from '../../http'
import { appoint, assessmentBook, callDay, dropDay, release } from './book'
import { agree, assessmentPage, borderlines, settle } from './settle'

export { agree, appoint, callDay, settle }

const STAFF = ['lead', 'instructor'] as const

export const assessmentRoutes: readonly Route[] = [
  route('get', '/assessments', STAFF, ({ services }) => assessmentBook(services)),
  route<AssessmentDayBody>(
    'post',
    '/assessments/days',
    ['lead'],
    ({ services, actor, body }) => callDay(services, actor, body.onDate),
    assessmentDaySchema
  ),
  route('post', '/assessments/days/:on/drop', ['lead'], ({ services, params }) => dropDay(services, params.on)),
  route('get', '/assessments/:id', STAFF, ({ services, actor, params }) => assessmentPage(services, actor, params.id)),
  route<Appoint>(
    'put',
    '/assessments/:id',
    STAFF,
    ({ services, actor, params, body }) => appoint(services, actor, params.id, body),
    appointSchema
  ),
  route('post', '/assessments/:id/release', STAFF, ({ services, actor, params }) => release(services, actor, params.id)),
  route<Settle>(
    'post',
    '/assessments/:id/settle',
    STAFF,
    ({ services, actor, params, body }) => settle(services, actor, params.id, body),
    settleSchema as never
  ),
  route('post', '/assessments/:id/agree', STAFF, ({ services, actor, params }) => agree(services, actor, params.id)),
  route('get', '/borderlines', STAFF, ({ services, actor }) => borderlines(services, actor))
]
