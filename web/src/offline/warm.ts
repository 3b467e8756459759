// Reads ahead what a person may need when the connection is gone: today's visits and sheets, own drafts, the library.
import type { EndpointName, StandardHead } from '@peen/contract'
import { isUnreachable, type Given } from '../api/client'
import { read } from './read'

type Person = { readonly name: string; readonly isStaff: boolean; readonly today: string; readonly trims: readonly StandardHead[] }
type Asks = <N extends EndpointName>(name: N, given: Given<N>) => Promise<unknown>

/**
 * One question after another, so that the people at work are not kept waiting. It ends at the first one that gets no
 * answer; what is refused is left out.
 * @returns how many were read
 */
export async function readAhead({ name, isStaff, today, trims }: Person): Promise<number> {
  let n = 0
  const ahead: Asks = async (endpoint, given) => {
    const reply = await read(endpoint, given)
    n++
    return reply
  }
  const floor = await read('floor', {})
  const visits = floor.tables.flatMap(({ visitId }) => visitId ?? [])
  for (const id of visits) for (const endpoint of ['visitWork', 'visit', 'visitCoat'] as const) await left(ahead(endpoint, { id }))
  if (isStaff) await left(ahead('day', { on: 'today' }))
  await left(ahead('daySummaries', { on: today }))
  const rows = await left(read('trims', {}))
  const drafts = (rows ?? []).filter(({ status, assessor }) => status === 'draft' && assessor === name)
  for (const { gradingId } of drafts) await left(ahead('grading', { id: gradingId }))
  await left(ahead('dogs', {}))
  await left(ahead('standards', {}))
  for (const [standard, version] of newestOf(trims)) await left(ahead('standard', { standard, version }))
  return n
}

function newestOf(trims: readonly StandardHead[]): ReadonlyMap<string, number> {
  const newest = new Map<string, number>()
  for (const { id, version } of trims) newest.set(id, Math.max(version, newest.get(id) ?? 0))
  return newest
}

/** What was refused is not there to read; no answer at all ends it. */
async function left<T>(reading: Promise<T>): Promise<T | null> {
  return reading.catch((error: unknown) => {
    if (isUnreachable(error)) throw error
    return null
  })
}
