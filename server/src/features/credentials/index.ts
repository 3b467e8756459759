import { serve, type Route } from '../../http'
import { badgePng } from './badge'
import { checkFile, checkNumber } from './check'
import { credentialOf, credentialView } from './issue'
import { keyViews, newKey } from './keys'
import { issuedFinding } from './owned'
import { paperPdf } from './paper'
import { keysFile, revoke, revokedList } from './revoke'

export { badgePng } from './badge'
export { signHead } from './heads'
export { credentialOf, credentialRow, sayCode, signersOf } from './issue'
export { listKey } from './keys'
export { issuedFinding } from './owned'
export { paperPdf } from './paper'
export { keysFile, revokedList } from './revoke'

/** The file of a certificate is called by its number. */
const nameOf = ({ number }: { readonly number: string }, kind: string) => `certificate-${number.replace(/[^\w-]/g, '')}.${kind}`

export const credentialRoutes: readonly Route[] = [
  serve('credential', async ({ services, actor, params }) => credentialView(services, await issuedFinding(services.db, actor, params.id))),
  serve('credentialFile', async ({ services, actor, params, response }) => {
    const finding = await issuedFinding(services.db, actor, params.id)
    const { document } = await credentialOf(services, finding.id)
    response
      .type('application/json')
      .attachment(nameOf(finding, 'json'))
      .send(JSON.stringify(document, null, 2))
  }),
  serve('badge', async ({ services, actor, params, response }) => {
    const finding = await issuedFinding(services.db, actor, params.id)
    response
      .type('image/png')
      .attachment(nameOf(finding, 'png'))
      .send(await badgePng(services, finding.id))
  }),
  serve('paper', async ({ services, actor, params, query, response }) => {
    const finding = await issuedFinding(services.db, actor, params.id)
    const pdf = await paperPdf(services, finding, actor, query.evidence === 'yes')
    response.type('application/pdf').attachment(nameOf(finding, 'pdf')).send(pdf)
  }),
  serve('revoke', ({ services, actor, params, body }) => revoke(services, actor, params.id, body)),
  serve('issuerKeys', ({ services }) => keyViews(services)),
  serve('newIssuerKey', ({ services, actor, body }) => newKey(services, actor, body)),
  serve('issuer', async ({ services, response }) => void response.json(await keysFile(services))),
  serve('statusList', async ({ services, response }) => void response.json(await revokedList(services))),
  serve('checkNumber', ({ services, ip, body }) => checkNumber(services, ip, body)),
  serve('checkFile', ({ services, ip, body }) => checkFile(services, ip, body))
]
