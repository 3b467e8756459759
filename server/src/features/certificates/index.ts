import { serve, type Route } from '../../http'
import { certificateBook, dryRun, keepStandingRules, retireCertificate, useCertificate } from './book'

export { certificateAt, certificatesOf, newestCertificate } from './store'

export const certificateRoutes: readonly Route[] = [
  serve('certificates', ({ services }) => certificateBook(services)),
  serve('dryRun', ({ services, body }) => dryRun(services, body)),
  serve('useCertificate', ({ services, actor, params, body }) => useCertificate(services, actor, params.certificate, body)),
  serve('retireCertificate', ({ services, actor, params }) => retireCertificate(services, actor, params.certificate, true)),
  serve('giveAgain', ({ services, actor, params }) => retireCertificate(services, actor, params.certificate, false)),
  serve('keepStandingRules', ({ services, actor, body }) => keepStandingRules(services, actor, body))
]
