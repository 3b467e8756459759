import {
  newDogSchema,
  newPersonSchema,
  newTableSchema,
  newVisitSchema,
  type NewDog,
  type NewPerson,
  type NewTable,
  type NewVisit
} from '@peen/contract'
import type { Schema } from 'yup'
import { route, type Route } from '../../http'
import { addDog, addPerson, addTable, dayView, planVisit } from './day'

const STAFF = ['lead', 'instructor'] as const

export const dayRoutes: readonly Route[] = [
  route('get', '/day', STAFF, ({ services }) => dayView(services)),
  route<NewPerson>(
    'post',
    '/people',
    STAFF,
    ({ services, actor, body }) => addPerson(services, actor, body),
    newPersonSchema as Schema<NewPerson>
  ),
  route<NewDog>('post', '/dogs', STAFF, ({ services, body }) => addDog(services, body), newDogSchema as Schema<NewDog>),
  route<NewTable>('post', '/tables', STAFF, ({ services, body }) => addTable(services, body), newTableSchema as Schema<NewTable>),
  route<NewVisit>('post', '/visits', STAFF, ({ services, body }) => planVisit(services, body), newVisitSchema as Schema<NewVisit>)
]
