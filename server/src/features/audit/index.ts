import type { TrailView } from '@peen/contract'
import { serve, type Route } from '../../http'
import { checkAndKeep, lastChecks } from './audit'

export { appendAudit, beginSeals, checkAndKeep, checkAudit, lastChecks, resealed, type AuditEntry } from './audit'
export { checkNightly, isDue } from './nightly'
export { contentOf, type SealName } from './seals'

export const auditRoutes: readonly Route[] = [
  serve('trail', async ({ services }): Promise<TrailView> => ({ checks: await lastChecks(services.db) })),
  serve('checkTrail', async ({ services }): Promise<TrailView> => {
    await checkAndKeep(services.db, services.clock.real())
    return { checks: await lastChecks(services.db) }
  })
]
