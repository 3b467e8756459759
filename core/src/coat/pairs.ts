import { inRange } from '../error'

/** Something that takes whole minutes and is worth something. */
export type Part = { readonly id: string; readonly minutes: number; readonly worth: number }

/**
 * The parts worth most together that fit into so many minutes (0/1 knapsack by dynamic programming over minutes; exact). Of equal
 * worth the one that leaves more minutes over.
 * @param minutes whole, 0 to 600 @returns ids in the order in which they came, with their minutes and worth
 * Source: Bellman 1957 (from memory); checked against every subset and the library example P01 (Kreher & Stinson).
 */
export function bestParts(
  parts: readonly Part[],
  minutes: number
): { readonly ids: readonly string[]; readonly minutes: number; readonly worth: number } {
  const most = Math.floor(inRange('minutes', minutes, 0, 600, 'minutes'))
  for (const part of parts) inRange(`${part.id}.minutes`, part.minutes, 0, 600, 'minutes')
  const whole = parts.map((part) => ({ ...part, minutes: Math.ceil(part.minutes - 1e-9) }))
  const best = [new Float64Array(most + 1)]
  for (const { minutes: takes, worth } of whole) {
    const before = best[best.length - 1]!
    best.push(before.map((value, at) => (takes <= at ? Math.max(value, before[at - takes]! + worth) : value)))
  }
  const last = best[best.length - 1]!
  // the fewest minutes that reach the most worth
  let at = last.findIndex((value) => value >= last[most]! - 1e-9)
  const ids: string[] = []
  let used = 0
  for (let k = whole.length; k > 0; k--) {
    if (best[k]![at] === best[k - 1]![at]) continue
    ids.unshift(whole[k - 1]!.id)
    used += whole[k - 1]!.minutes
    at -= whole[k - 1]!.minutes
  }
  return { ids, minutes: used, worth: last[most]! }
}
