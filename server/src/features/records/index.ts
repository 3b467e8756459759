import { recordJsonSchema } from '@peen/contract'
import { readFile } from 'node:fs/promises'
import { serve, type Route } from '../../http'
import { letCohortIn, previewCohort } from './cohort'
import { logbookPdf } from './logbook'
import { recordFile } from './record'
import { tableCsv } from './tables'

export { pathOf } from './fonts'
export { inFace, pdfOf } from './page'
export { TABLE_IDS } from './tables'

/** The table of endpoints as it is kept in docs; written by npm run openapi. */
async function openApi(): Promise<object> {
  return JSON.parse(await readFile(new URL('../../../../docs/openapi.json', import.meta.url), 'utf8')) as object
}

export const recordRoutes: readonly Route[] = [
  serve('recordTable', async ({ services, actor, params, response }) => {
    response
      .type('text/csv')
      .attachment(`${params.table}.csv`)
      .send(await tableCsv(services, actor, params.table))
  }),
  serve('record', ({ services, actor, params }) => recordFile(services, actor, params.id)),
  serve('logbook', async ({ services, actor, params, response }) => {
    const record = await recordFile(services, actor, params.id)
    response
      .type('application/pdf')
      .attachment(`logbook-${record.person.familyName.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'apprentice'}.pdf`)
      .send(await logbookPdf(record))
  }),
  serve('recordSchema', async () => recordJsonSchema),
  serve('openapi', openApi),
  serve('previewCohort', ({ services, body }) => previewCohort(services, String(body))),
  serve('letCohortIn', ({ services, actor, body }) => letCohortIn(services, actor, String(body)))
]
