import { dateIn, serve, type Route } from '../../http'
import { dayView } from './day'
import { closeDay, daySummaries, openDay, reopenDay, setAbsent } from './course'
import { correctVisit } from './correct'
import { cancelVisit, moveVisit, planVisit, swapVisits } from './planning'
import { addTable, removeTable, setTableTools } from './tables'

export { openDay } from './course'
export { isClosedDay, openedBy } from './day'
export { planVisit } from './planning'

const dateOf = (text: string) => dateIn('Day', 'on', text)

export const dayRoutes: readonly Route[] = [
  serve('day', ({ services, params }) => dayView(services, params.on === 'today' ? undefined : dateOf(params.on)), { alike: 'staff' }),
  serve('daySummaries', ({ services, actor, params }) => daySummaries(services, actor, dateOf(params.on))),
  serve('openDay', ({ services, actor, params }) => openDay(services, actor, dateOf(params.on))),
  serve('sayAbsent', ({ services, actor, params }) =>
    setAbsent(services, actor, { onDate: dateOf(params.on), personId: params.id, absent: true })
  ),
  serve('sayHere', ({ services, actor, params }) =>
    setAbsent(services, actor, { onDate: dateOf(params.on), personId: params.id, absent: false })
  ),
  serve('closeDay', ({ services, actor, params }) => closeDay(services, actor, dateOf(params.on))),
  serve('reopenDay', ({ services, params }) => reopenDay(services, dateOf(params.on))),
  serve('addTable', ({ services, body }) => addTable(services, body)),
  serve('removeTable', ({ services, params }) => removeTable(services, params.id)),
  serve('correctVisit', ({ services, actor, params, body }) => correctVisit(services, actor, params.id, body)),
  serve('setTableTools', ({ services, params, body }) => setTableTools(services, params.id, body)),
  serve('planVisit', ({ services, actor, body }) => planVisit(services, body, actor)),
  serve('moveVisit', ({ services, params, body }) => moveVisit(services, params.id, body)),
  serve('swapVisits', ({ services, params, body }) => swapVisits(services, params.id, body)),
  serve('cancelVisit', ({ services, params }) => cancelVisit(services, params.id))
]
