import { serve, type Route } from '../../http'
import { coatRulesOf } from './limits'
import { visitStart } from './undone'
import { coatPage, keepAim, keepCoatRules, readLengths, strikeEntries, unstrikeEntries, writeEntries } from './book'
import { coatList } from './heads'
import { dropPlan, keepPlan, keptPlan } from './plan'

export { keepAim, writeEntries } from './book'
export { keepPlan, keptPlan } from './plan'

export const coatRoutes: readonly Route[] = [
  serve('coats', ({ services, actor }) => coatList(services, actor), { alike: 'person' }),
  serve('coat', ({ services, actor, params }) => coatPage(services, actor, params.id)),
  serve('readLengths', ({ services, actor, params }) => readLengths(services, actor, params.id)),
  serve('writeEntries', ({ services, actor, params, body }) => writeEntries(services, actor, params.id, body)),
  serve('strikeEntries', ({ services, actor, params, body }) => strikeEntries(services, actor, params.id, body)),
  serve('unstrikeEntries', ({ services, params, body }) => unstrikeEntries(services, params.id, body.entryIds)),
  serve('keptPlan', async ({ services, actor, params }) => ({ plan: await keptPlan(services, actor, params.id) })),
  serve('keepPlan', ({ services, actor, params }) => keepPlan(services, actor, params.id)),
  serve('dropPlan', ({ services, params }) => dropPlan(services, params.id)),
  serve('keepAim', ({ services, params, body }) => keepAim(services, params.id, body)),
  serve('visitCoat', ({ services, actor, params }) => visitStart(services, actor, params.id)),
  serve('coatRules', ({ services }) => coatRulesOf(services.db)),
  serve('keepCoatRules', ({ services, body }) => keepCoatRules(services, body))
]
