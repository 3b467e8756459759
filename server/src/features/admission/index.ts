import {
  cohortSchema,
  inviteSchema,
  newPersonSchema,
  retireSchema,
  welcomeSchema,
  type Cohort,
  type Invite,
  type NewPerson,
  type Retire,
  type Welcome
} from '@peen/contract'
import type { Schema } from 'yup'
import { route, type Route } from '../../http'
import { keep } from '../auth'
import { addPerson, invite, keepCohort, peopleView, resetPassword, retire, welcome } from './admission'

export { inviteWithin, letterFromConsole } from './admission'

const STAFF = ['lead', 'instructor'] as const

export const admissionRoutes: readonly Route[] = [
  route('get', '/people', STAFF, ({ services, actor }) => peopleView(services, actor)),
  route<NewPerson>(
    'post',
    '/people',
    STAFF,
    ({ services, actor, body }) => addPerson(services, actor, body),
    newPersonSchema as Schema<NewPerson>
  ),
  route<Invite>(
    'post',
    '/invitations',
    STAFF,
    ({ services, actor, body }) => invite(services, actor, body),
    inviteSchema as Schema<Invite>
  ),
  route<Welcome>(
    'post',
    '/welcome',
    'anyone',
    async ({ services, body, response, cookies }) => keep(response, cookies, await welcome(services, body)),
    welcomeSchema
  ),
  route('post', '/people/:id/reset', STAFF, ({ services, actor, params }) => resetPassword(services, actor, params.id)),
  route<Retire>(
    'put',
    '/people/:id/active',
    ['lead'],
    ({ services, actor, params, body }) => retire(services, actor, params.id, body),
    retireSchema
  ),
  route<Cohort>('put', '/cohorts', STAFF, ({ services, body }) => keepCohort(services, body), cohortSchema as never)
]
