// Plain JSON under a signature, for lists that are read with nothing but an Ed25519 library at hand.
import canonicalize from 'canonicalize'
import { decode, encode } from 'base58-universal'
import { ed25519 } from '@noble/curves/ed25519.js'
import { signerOf, type SigningKey } from './keys'

/** `signature`: base58 with a leading z, over the canonical bytes (RFC 8785) of everything else. */
export type Sealed = { readonly signedBy: string; readonly signature: string } & Readonly<Record<string, unknown>>

const bytesOf = (value: object): Uint8Array => new TextEncoder().encode(canonicalize(value))

export async function seal(value: Readonly<Record<string, unknown>>, key: SigningKey): Promise<Sealed> {
  const whole = { ...value, signedBy: key.publicKey }
  const signer = (await signerOf(key)).signer() as { sign: (of: { data: Uint8Array }) => Promise<Uint8Array> }
  return { ...whole, signature: `z${encode(await signer.sign({ data: bytesOf(whole) }))}` }
}

/** Whether a list is as the key that it names has signed it. */
export function isSealed({ signature, ...whole }: Sealed): boolean {
  try {
    // Multikey: two bytes say that it is an Ed25519 key
    const publicKey = decode(whole.signedBy.slice(1)).slice(2)
    return ed25519.verify(decode(signature.slice(1)), bytesOf(whole), publicKey)
  } catch {
    return false
  }
}
