import { standardJsonSchema } from '@peen/contract'
import { refuse, serve, type Route } from '../../http'
import { standardOf } from '../school'
import { draftView, dropDraft, importDraft, keepDraft, makeDraft, retire, standardPage, standardRows, useDraft } from './standards'

/** A version number in an address. */
function versionIn(text: string): number {
  if (!/^\d{1,6}$/.test(text)) throw refuse.notFound(`Version ${text.slice(0, 20)}`)
  return Number(text)
}

export const standardRoutes: readonly Route[] = [
  serve('standards', ({ services }) => standardRows(services)),
  serve('standardSchema', async () => standardJsonSchema),
  serve('standard', ({ services, params }) => standardPage(services, params.standard, versionIn(params.version))),
  serve('standardFile', async ({ services, params, response }) => {
    const standard = await standardOf(services.db, params.standard, versionIn(params.version))
    response
      .type('application/json')
      .attachment(`${standard.id}-${standard.version}.json`)
      .send(`${JSON.stringify(standard, null, 2)}\n`)
  }),
  serve('retireStandard', ({ services, actor, params, body }) => retire(services, actor, params.standard, body.retired)),
  serve('makeDraft', ({ services, actor, body }) => makeDraft(services, actor, body)),
  serve('importDraft', ({ services, actor, body }) => importDraft(services, actor, body)),
  serve('draft', ({ services, params }) => draftView(services, params.id)),
  serve('keepDraft', ({ services, actor, params, body }) => keepDraft(services, actor, params.id, body)),
  serve('dropDraft', ({ services, params }) => dropDraft(services, params.id)),
  serve('useDraft', ({ services, actor, params, body }) => useDraft(services, actor, params.id, body.version))
]
