import { recordJsonSchema } from '@peen/contract'
import { reading, route, type Route } from '../../http'
import { letCohortIn, previewCohort } from './cohort'
import { logbookPdf } from './logbook'
import { recordFile } from './record'
import { tableCsv } from './tables'

const STAFF = ['lead', 'instructor'] as const
const ALL = ['lead', 'instructor', 'apprentice'] as const

export { TABLE_IDS } from './tables'

export const recordRoutes: readonly Route[] = [
  route('get', '/records/:table.csv', STAFF, async ({ services, actor, params, response }) => {
    response
      .type('text/csv')
      .attachment(`${params.table}.csv`)
      .send(await tableCsv(services, actor, params.table))
  }),
  route('get', '/apprentices/:id/record', ALL, ({ services, actor, params }) => recordFile(services, actor, params.id)),
  route('get', '/apprentices/:id/logbook', ALL, async ({ services, actor, params, response }) => {
    const record = await recordFile(services, actor, params.id)
    response
      .type('application/pdf')
      .attachment(`logbook-${record.person.familyName.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'apprentice'}.pdf`)
      .send(await logbookPdf(record))
  }),
  route('get', '/schemas/record', 'anyone', async () => recordJsonSchema),
  reading(
    'csv',
    route('post', '/cohorts/preview', STAFF, ({ services, body }) => previewCohort(services, String(body)))
  ),
  reading(
    'csv',
    route('post', '/cohorts/csv', STAFF, ({ services, actor, body }) => letCohortIn(services, actor, String(body)))
  )
]
