import {
  correctVisitSchema,
  moveVisitSchema,
  newTableSchema,
  newVisitSchema,
  swapSchema,
  tableToolsSchema,
  type CorrectVisit,
  type MoveVisit,
  type NewTable,
  type NewVisit,
  type Swap,
  type TableTools
} from '@peen/contract'
import type { Schema } from 'yup'
import { refuse, route, type Route } from '../../http'
import { dayView } from './day'
import { closeDay, daySummaries, openDay, reopenDay, setAbsent } from './course'
import { correctVisit } from './correct'
import { cancelVisit, moveVisit, planVisit, swapVisits } from './planning'
import { addTable, removeTable, setTableTools } from './tables'

export { openDay } from './course'
export { isClosedDay, openedBy } from './day'
export { planVisit } from './planning'

const STAFF = ['lead', 'instructor'] as const

function dateOf(text: string): string {
  const isDate = /^\d{4}-\d\d-\d\d$/.test(text) && !Number.isNaN(Date.parse(text)) && new Date(text).toISOString().startsWith(text)
  if (!isDate) throw refuse.invalid([{ path: 'on', detail: `Day is ${text.slice(0, 20)}; allowed is a date as 2026-04-14.` }])
  return text
}

export const dayRoutes: readonly Route[] = [
  route('get', '/day', STAFF, ({ services }) => dayView(services)),
  route('get', '/day/:on', STAFF, ({ services, params }) => dayView(services, dateOf(params.on))),
  route('get', '/day/:on/summaries', ['lead', 'instructor', 'apprentice'], ({ services, actor, params }) =>
    daySummaries(services, actor, dateOf(params.on))
  ),
  route('post', '/day/:on/open', STAFF, ({ services, actor, params }) => openDay(services, actor, dateOf(params.on))),
  route('post', '/day/:on/absent/:id', STAFF, ({ services, actor, params }) =>
    setAbsent(services, actor, { onDate: dateOf(params.on), personId: params.id, absent: true })
  ),
  route('post', '/day/:on/here/:id', STAFF, ({ services, actor, params }) =>
    setAbsent(services, actor, { onDate: dateOf(params.on), personId: params.id, absent: false })
  ),
  route('post', '/day/:on/close', STAFF, ({ services, actor, params }) => closeDay(services, actor, dateOf(params.on))),
  route('post', '/day/:on/reopen', ['lead'], ({ services, params }) => reopenDay(services, dateOf(params.on))),
  route<NewTable>('post', '/tables', STAFF, ({ services, body }) => addTable(services, body), newTableSchema as Schema<NewTable>),
  route('post', '/tables/:id/remove', STAFF, ({ services, params }) => removeTable(services, params.id)),
  route<CorrectVisit>(
    'put',
    '/visits/:id/correct',
    STAFF,
    ({ services, actor, params, body }) => correctVisit(services, actor, params.id, body),
    correctVisitSchema as never
  ),
  route<TableTools>(
    'put',
    '/tables/:id/tools',
    STAFF,
    ({ services, params, body }) => setTableTools(services, params.id, body),
    tableToolsSchema as never
  ),
  route<NewVisit>(
    'post',
    '/visits',
    STAFF,
    ({ services, actor, body }) => planVisit(services, body, actor),
    newVisitSchema as Schema<NewVisit>
  ),
  route<MoveVisit>(
    'put',
    '/visits/:id',
    STAFF,
    ({ services, params, body }) => moveVisit(services, params.id, body),
    moveVisitSchema as never
  ),
  route<Swap>(
    'post',
    '/visits/:id/swap',
    STAFF,
    ({ services, params, body }) => swapVisits(services, params.id, body),
    swapSchema as Schema<Swap>
  ),
  route('post', '/visits/:id/cancel', STAFF, ({ services, params }) => cancelVisit(services, params.id))
]
