import {
  coatAimSchema,
  coatEntriesSchema,
  coatRulesSchema,
  coatStrikeSchema,
  coatUnstrikeSchema,
  type CoatAim,
  type CoatStrike,
  type NewCoatEntries
} from '@peen/contract'
import type { CoatRules } from '@peen/core/coat'
import { route, type Route } from '../../http'
import { coatRulesOf } from './limits'
import { sessionStart } from './undone'
import { coatPage, keepAim, keepCoatRules, readLengths, strikeEntries, unstrikeEntries, writeEntries } from './book'
import { coatList } from './heads'

export { keepAim, writeEntries } from './book'

const ALL = ['lead', 'instructor', 'apprentice'] as const
const STAFF = ['lead', 'instructor'] as const

export const coatRoutes: readonly Route[] = [
  route('get', '/coats', ALL, ({ services, actor }) => coatList(services, actor)),
  route('get', '/coats/:id', ALL, ({ services, actor, params }) => coatPage(services, actor, params.id)),
  route('post', '/coats/:id/lengths/read', STAFF, ({ services, actor, params }) => readLengths(services, actor, params.id)),
  route<NewCoatEntries>(
    'post',
    '/coats/:id/lines',
    STAFF,
    ({ services, actor, params, body }) => writeEntries(services, actor, params.id, body),
    coatEntriesSchema as never
  ),
  route<CoatStrike>(
    'post',
    '/coats/:id/struck',
    STAFF,
    ({ services, actor, params, body }) => strikeEntries(services, actor, params.id, body),
    coatStrikeSchema as never
  ),
  route<Pick<CoatStrike, 'entryIds'>>(
    'post',
    '/coats/:id/unstruck',
    STAFF,
    ({ services, params, body }) => unstrikeEntries(services, params.id, body.entryIds),
    coatUnstrikeSchema as never
  ),
  route<CoatAim>(
    'put',
    '/coats/:id/aim',
    STAFF,
    ({ services, params, body }) => keepAim(services, params.id, body),
    coatAimSchema as never
  ),
  route('get', '/sessions/:id/coat', ALL, ({ services, actor, params }) => sessionStart(services, actor, params.id)),
  route('get', '/coat-rules', ALL, ({ services }) => coatRulesOf(services.db)),
  route<CoatRules>('put', '/coat-rules', ['lead'], ({ services, body }) => keepCoatRules(services, body), coatRulesSchema as never)
]
