import { route, type Route } from '../../http'
import { checkAudit } from './audit'

export { appendAudit, checkAudit, sha256, type AuditEntry } from './audit'

export const auditRoutes: readonly Route[] = [route('get', '/audit', ['lead'], ({ services }) => checkAudit(services.db))]
