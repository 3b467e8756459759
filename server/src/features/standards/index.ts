import {
  importedSchema,
  keptDraftSchema,
  newDraftSchema,
  retiredSchema,
  standardJsonSchema,
  versionOnlySchema,
  type Imported,
  type KeptDraft,
  type NewDraft
} from '@peen/contract'
import { refuse, route, type Route } from '../../http'
import { standardOf } from '../school'
import { draftView, dropDraft, importDraft, keepDraft, makeDraft, retire, standardPage, standardRows, useDraft } from './standards'

const ALL = ['lead', 'instructor', 'apprentice'] as const
const STAFF = ['lead', 'instructor'] as const

/** A version number in an address. */
function versionIn(text: string): number {
  if (!/^\d{1,6}$/.test(text)) throw refuse.notFound(`Version ${text.slice(0, 20)}`)
  return Number(text)
}

export const standardRoutes: readonly Route[] = [
  route('get', '/standards', ALL, ({ services }) => standardRows(services)),
  route('get', '/schemas/standard', ALL, async () => standardJsonSchema),
  route('get', '/standards/:standard/versions/:version', ALL, ({ services, params }) =>
    standardPage(services, params.standard, versionIn(params.version))
  ),
  route('get', '/standards/:standard/versions/:version/file', STAFF, async ({ services, params, response }) => {
    const standard = await standardOf(services.db, params.standard, versionIn(params.version))
    response
      .type('application/json')
      .attachment(`${standard.id}-${standard.version}.json`)
      .send(`${JSON.stringify(standard, null, 2)}\n`)
  }),
  route<{ retired: boolean }>(
    'put',
    '/standards/:standard/retired',
    ['lead'],
    ({ services, actor, params, body }) => retire(services, actor, params.standard, body.retired),
    retiredSchema
  ),
  route<NewDraft>(
    'post',
    '/standard-drafts',
    STAFF,
    ({ services, actor, body }) => makeDraft(services, actor, body),
    newDraftSchema as never
  ),
  route<Imported>(
    'post',
    '/standard-drafts/file',
    STAFF,
    ({ services, actor, body }) => importDraft(services, actor, body),
    importedSchema as never
  ),
  route('get', '/standard-drafts/:id', STAFF, ({ services, params }) => draftView(services, params.id)),
  route<KeptDraft>(
    'put',
    '/standard-drafts/:id',
    STAFF,
    ({ services, actor, params, body }) => keepDraft(services, actor, params.id, body),
    keptDraftSchema as never
  ),
  route('post', '/standard-drafts/:id/drop', STAFF, ({ services, params }) => dropDraft(services, params.id)),
  route<{ version: number }>(
    'post',
    '/standard-drafts/:id/use',
    ['lead'],
    ({ services, actor, params, body }) => useDraft(services, actor, params.id, body.version),
    versionOnlySchema
  )
]
