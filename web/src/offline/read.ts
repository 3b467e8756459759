// Reads an endpoint from the server; where it cannot be reached, as it was read here last.
import type { EndpointName, Reply } from '@peen/contract'
import { ask, isUnreachable, type Given } from '../api/client'
import { isKept, keepReply, recallReply } from './replies'

let reader = ''
/** Says whose reading is kept from now on; each person's is their own. */
export function readAs(person: string): void {
  reader = person
}

/** Order of the names given does not make another question. */
function keyOf(name: EndpointName, given: object): string {
  const sorted = Object.fromEntries(Object.entries(given).sort(([a], [b]) => (a < b ? -1 : 1)))
  return `${reader}/${name}/${JSON.stringify(sorted)}`
}

/** @throws ApiError where the server refuses, or cannot be reached and nothing was kept. */
export async function read<N extends EndpointName>(name: N, given: Given<N>): Promise<Reply<N>> {
  const plainAsk = ask as unknown as (name: N, given: Given<N>) => Promise<Reply<N>>
  if (!isKept(name)) return plainAsk(name, given)
  const key = keyOf(name, given as object)
  const person = reader
  try {
    const reply = await plainAsk(name, given)
    keepReply({ key, person, at: Date.now(), reply })
    return reply
  } catch (error) {
    const kept = isUnreachable(error) ? await recallReply(key, Date.now()) : null
    if (!kept) throw error
    return kept.reply as Reply<N>
  }
}
