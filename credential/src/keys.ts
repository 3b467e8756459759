import { from, generate, type KeyPair } from '@digitalbazaar/ed25519-multikey'
import { sha256 } from '@noble/hashes/sha2.js'
import { didOf, methodOf } from './contexts'

/** A school's signing key, Ed25519, both halves as Multikey (base58, with a leading z). */
export type SigningKey = { readonly publicKey: string; readonly secretKey: string }

/** A new key. `seed`: 32 bytes, for tests; else from the system's random numbers. */
export async function makeKey(seed?: Uint8Array): Promise<SigningKey> {
  const pair = await generate(seed ? { seed } : {})
  const { publicKeyMultibase, secretKeyMultibase } = await pair.export({ publicKey: true, secretKey: true })
  return { publicKey: publicKeyMultibase, secretKey: secretKeyMultibase }
}

/** The pair that signs. @throws Error where the halves do not fit together */
export async function signerOf({ publicKey, secretKey }: SigningKey): Promise<KeyPair> {
  const pair = await from({
    '@context': 'https://w3id.org/security/multikey/v1',
    type: 'Multikey',
    id: methodOf(publicKey),
    controller: didOf(publicKey),
    publicKeyMultibase: publicKey,
    secretKeyMultibase: secretKey
  })
  return pair
}

/** Groups of a fingerprint, and letters in each. */
const GROUPS = 5
const LETTERS = 4

/** A public key as people compare it: the first 80 bits of its SHA-256, as 3F9A-01BC-… */
export function fingerprintOf(publicKey: string): string {
  const hex = [...sha256(new TextEncoder().encode(publicKey))].map((byte) => byte.toString(16).padStart(2, '0')).join('')
  return Array.from({ length: GROUPS }, (_, i) => hex.slice(i * LETTERS, (i + 1) * LETTERS).toUpperCase()).join('-')
}
