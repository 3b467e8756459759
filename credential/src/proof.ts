import { DataIntegrityProof } from '@digitalbazaar/data-integrity'
import { cryptosuite } from '@digitalbazaar/eddsa-rdfc-2022-cryptosuite'
import { issue, verifyCredential } from '@digitalbazaar/vc'
import type { Json } from './achievement'
import { loadDocument } from './contexts'
import { signerOf, type SigningKey } from './keys'

/** A credential with its proof embedded, `eddsa-rdfc-2022`. Source: Data Integrity EdDSA Cryptosuites 1.0, W3C. */
export async function sign(credential: Json, key: SigningKey, at: Date): Promise<Json> {
  const suite = new DataIntegrityProof({ signer: (await signerOf(key)).signer(), cryptosuite, date: at })
  return (await issue({ credential: structuredClone(credential), suite, documentLoader: loadDocument })) as Json
}

/** Whether a credential is as it was signed, by the key that it names. Its dates and its status are not asked here. */
export async function isAsSigned(credential: Json): Promise<boolean> {
  const at = new Date(String(credential.validFrom ?? credential.issuanceDate))
  const { verified } = await verifyCredential({
    credential: structuredClone(credential),
    suite: new DataIntegrityProof({ cryptosuite }),
    documentLoader: loadDocument,
    // as of the day on which it was issued: when it ends is another question
    now: Number.isNaN(at.getTime()) ? undefined : at,
    checkStatus: async () => ({ verified: true })
  })
  return verified
}
