import { serve, type Route } from '../../http'
import { issuedFinding } from '../credentials'
import { bundleZip } from './bundle'

export const bundleRoutes: readonly Route[] = [
  serve('evidence', async ({ services, actor, params, response }) => {
    const finding = await issuedFinding(services.db, actor, params.id)
    const zip = await bundleZip(services, actor, finding)
    response
      .type('application/zip')
      .attachment(`evidence-${finding.number.replace(/[^\w-]/g, '')}.zip`)
      .send(Buffer.from(zip))
  })
]
