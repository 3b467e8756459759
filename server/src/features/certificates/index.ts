import { certificateSchema, standingRulesSchema, type StandingRulesBody } from '@peen/contract'
import type { Certificate } from '@peen/core/certify'
import { route, type Route } from '../../http'
import { certificateBook, dryRun, keepStandingRules, retireCertificate, useCertificate } from './book'

export { certificateAt, certificatesOf, newestCertificate } from './store'

const STAFF = ['lead', 'instructor'] as const

export const certificateRoutes: readonly Route[] = [
  route('get', '/certificates', STAFF, ({ services }) => certificateBook(services)),
  route<Certificate>('post', '/certificates/dry-run', STAFF, ({ services, body }) => dryRun(services, body), certificateSchema as never),
  route<Certificate>(
    'put',
    '/certificates/:certificate',
    ['lead'],
    ({ services, actor, params, body }) => useCertificate(services, actor, params.certificate, body),
    certificateSchema as never
  ),
  route('post', '/certificates/:certificate/retire', ['lead'], ({ services, actor, params }) =>
    retireCertificate(services, actor, params.certificate, true)
  ),
  route('post', '/certificates/:certificate/give-again', ['lead'], ({ services, actor, params }) =>
    retireCertificate(services, actor, params.certificate, false)
  ),
  route<StandingRulesBody>(
    'put',
    '/school/charts',
    ['lead'],
    ({ services, actor, body }) => keepStandingRules(services, actor, body),
    standingRulesSchema
  )
]
