import { createCredential, createList, decodeList } from '@digitalbazaar/vc-bitstring-status-list'
import type { Json } from './achievement'
import { didOf } from './contexts'
import { sign } from './proof'
import type { SigningKey } from './keys'

/** Places in a list: the least that the standard allows, so that one place among them tells little. Source: Bitstring Status List 1.0. */
export const STATUS_PLACES = 131_072

/** A list of what was revoked, signed. `list`: its address; `revoked`: places; `at`: as of when. */
export async function statusList(
  { list, revoked, school }: { readonly list: string; readonly revoked: readonly number[]; readonly school: string },
  key: SigningKey,
  at: Date
): Promise<Json> {
  const bits = await createList({ length: STATUS_PLACES })
  for (const place of revoked) bits.setStatus(place, true)
  const made = await createCredential({
    id: list,
    list: bits,
    statusPurpose: 'revocation'
  })
  const credential = { ...made, issuer: { id: didOf(key.publicKey), name: school }, validFrom: at.toISOString() }
  return sign(credential, key, at)
}

export type Standing = { readonly revoked: boolean; readonly asOf: string }

/** What a list says of a credential; null where it is not the list that the credential names. */
export async function standingIn(list: Json, credential: Json): Promise<Standing | null> {
  const entries = [credential.credentialStatus ?? []].flat() as { statusListCredential?: unknown; statusListIndex?: unknown }[]
  const subject = list.credentialSubject as { encodedList?: unknown } | undefined
  const entry = entries.find((one) => one.statusListCredential === list.id)
  if (!entry || typeof subject?.encodedList !== 'string') return null
  const bits = await decodeList({ encodedList: subject.encodedList })
  const place = Number(entry.statusListIndex)
  if (!Number.isInteger(place) || place < 0 || place >= bits.length) return null
  return { revoked: bits.getStatus(place), asOf: String(list.validFrom ?? '') }
}
