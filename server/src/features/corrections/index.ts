import { serve, type Route } from '../../http'
import { appeal, decideAppeal } from './appeals'
import { keepCertificate } from './kept'
import { setAside } from './set-aside'

export { appealedVisits, openAppeals } from './appeals'
export { undecidedOf } from './kept'
export { correctionsOf } from './view'

export const correctionRoutes: readonly Route[] = [
  serve('setAside', ({ services, actor, params, body }) => setAside(services, actor, params.id, body)),
  serve('appeal', ({ services, actor, params, body }) => appeal(services, actor, params.id, body)),
  serve('decideAppeal', ({ services, actor, params, body }) => decideAppeal(services, actor, params.id, body)),
  serve('keepCertificate', ({ services, actor, params, body }) => keepCertificate(services, actor, params.id, body))
]
